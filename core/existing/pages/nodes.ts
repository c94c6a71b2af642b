import type { CloseTag, OpenTag, PageToken, Stretch } from '../../standard/pageTokens.ts'
import { itemAt, lastOf, valueFor } from '../../standard/present.ts'
import { tableOf } from '../../standard/table.ts'
import { isVoid } from '../../standard/voidElements.ts'

/**
 * The elements of a page as its author wrote them: what is not closed ends where it must, and nothing is moved. Unlike the
 * tree of a browser, every element is one stretch of the source.
 */
export interface PageElement {
  readonly tag: string
  readonly open: OpenTag
  /** Missing where the author left it out. */
  close: CloseTag | undefined
  readonly start: number
  end: number
  /** Where what stands in it begins and ends. */
  readonly from: number
  to: number
  readonly parent: PageElement | undefined
  readonly children: PageElement[]
  /** The numbers of its own tokens, its tags included. */
  readonly firstToken: number
  lastToken: number
  /** How many elements it stands in. */
  readonly depth: number
}

/** What ends a paragraph that was not closed. https://html.spec.whatwg.org/multipage/syntax.html#optional-tags */
const ENDS_PARAGRAPH = new Set(
  (
    'address article aside blockquote center details dir div dl fieldset figcaption figure footer form h1 h2 h3 h4 ' +
    'h5 h6 header hgroup hr main menu nav ol p pre section table ul'
  ).split(' '),
)
/** What the start of an element ends, and what it does not look beyond. */
const ENDS = tableOf<readonly [ends: readonly string[], within: readonly string[]]>({
  li: [['li'], ['ul', 'ol', 'menu', 'dir']],
  dt: [['dt', 'dd'], ['dl']],
  dd: [['dt', 'dd'], ['dl']],
  tr: [['tr', 'td', 'th'], ['table']],
  td: [
    ['td', 'th'],
    ['tr', 'table'],
  ],
  th: [
    ['td', 'th'],
    ['tr', 'table'],
  ],
  tbody: [['thead', 'tbody', 'tr', 'td', 'th'], ['table']],
  tfoot: [['thead', 'tbody', 'tr', 'td', 'th'], ['table']],
  option: [['option'], ['select', 'datalist']],
  body: [['head'], []],
})

export const attributeOf = (element: PageElement, name: string): string | undefined =>
  element.open.attributes.find((one) => one.name === name)?.value

/** The elements of a page, under one that stands for all of it. */
export function elementsOf(source: string, tokens: readonly PageToken[]): PageElement {
  const whole: OpenTag = { kind: 'open', tag: '', attributes: [], isClosed: false, start: 0, end: 0 }
  const root: PageElement = {
    tag: '',
    open: whole,
    close: undefined,
    start: 0,
    end: source.length,
    from: 0,
    to: source.length,
    parent: undefined,
    children: [],
    firstToken: 0,
    lastToken: tokens.length,
    depth: 0,
  }
  const stack: PageElement[] = [root]
  const counts = new Map<string, number>()
  const isOpen = (tag: string) => (counts.get(tag) ?? 0) > 0
  const pop = (at: number, token: number, close?: CloseTag) => {
    const element = stack.pop()!
    counts.set(element.tag, valueFor(counts, element.tag) - 1)
    element.to = close ? close.start : at
    element.end = close ? close.end : at
    element.close = close
    element.lastToken = close ? token : token - 1
  }
  /** Ends the innermost of some elements, and all in it, unless it stands beyond a limit. */
  const endOpen = (tags: readonly string[], limits: readonly string[], at: number, token: number) => {
    if (!tags.some(isOpen)) return
    for (let depth = stack.length - 1; depth > 0; depth--) {
      const { tag } = stack[depth]!
      if (limits.includes(tag)) return
      if (!tags.includes(tag)) continue
      while (stack.length > depth) pop(at, token)
      // A row ends its cell first, and then itself.
      if (tags.length > 2) continue
      return
    }
  }
  const PARAGRAPH_LIMITS = ['table', 'td', 'th', 'button', 'object', 'caption']
  tokens.forEach((token, number) => {
    if (token.kind === 'open') {
      const { tag } = token
      if (ENDS_PARAGRAPH.has(tag)) endOpen(['p'], PARAGRAPH_LIMITS, token.start, number)
      const ends = ENDS.get(tag)
      if (ends) endOpen(ends[0], ends[1], token.start, number)
      const parent = lastOf(stack)
      const element: PageElement = {
        tag,
        open: token,
        close: undefined,
        start: token.start,
        end: token.end,
        from: token.end,
        to: token.end,
        parent,
        children: [],
        firstToken: number,
        lastToken: number,
        depth: parent.depth + 1,
      }
      parent.children.push(element)
      if (isVoid(tag) || (token.isClosed && tag !== 'a' && tag !== 'div' && tag !== 'span')) return
      stack.push(element)
      counts.set(tag, (counts.get(tag) ?? 0) + 1)
    } else if (token.kind === 'close' && isOpen(token.tag)) {
      while (lastOf(stack).tag !== token.tag) pop(token.start, number)
      pop(token.start, number, token)
    }
  })
  while (stack.length > 1) pop(source.length, tokens.length)
  return root
}

/** Every element at and under one, in the order of the source. */
export function* elementsUnder(top: PageElement): Generator<PageElement> {
  const waiting = [top]
  for (let next = waiting.pop(); next; next = waiting.pop()) {
    yield next
    for (let at = next.children.length - 1; at >= 0; at--) waiting.push(next.children[at]!)
  }
}

/** The last of some elements that starts at a place or before; undefined where all start after it. */
function lastBefore(elements: readonly PageElement[], start: number): PageElement | undefined {
  let [low, high] = [0, elements.length]
  while (low < high) {
    const middle = (low + high) >> 1
    if (itemAt(elements, middle).start <= start) low = middle + 1
    else high = middle
  }
  return elements[low - 1]
}

/** The innermost element around a stretch. */
export function elementAround(top: PageElement, { start, end }: Stretch): PageElement {
  let at = top
  for (;;) {
    // Children are in the order of the source, and none overlaps another.
    const next = lastBefore(at.children, start)
    if (!next || next.end < end) return at
    at = next
  }
}
