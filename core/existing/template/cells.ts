import type { Stretch } from '../../standard/pageTokens.ts'
import { itemAt } from '../../standard/present.ts'
import { attributeOf, elementsUnder, type PageElement } from '../pages/nodes.ts'
import type { ReadPage } from '../pages/readPage.ts'
import type { Sources } from './source.ts'

/** What is computed in a stretch of a page. */
export type Computed =
  | { readonly kind: 'title'; readonly quote?: '"' | "'" }
  | { readonly kind: 'description' | 'heading' }
  | { readonly kind: 'menu' | 'breadcrumb' | 'pager'; readonly pattern: string }

/** A stretch of a page with what computes it. */
export interface ComputedStretch extends Stretch {
  readonly computed: Computed
}

/** A small piece of a page: a tag, a text, or a part that is computed. Pages are compared cell by cell. */
export interface Cell extends Stretch {
  /** The same where two pages have the same. */
  readonly key: string
  readonly computed: Computed | undefined
  /** Whether it is a tag that opens something, or closes it, and of which kind. */
  readonly opens: string | undefined
  readonly closes: string | undefined
  /** Whether it says enough to tell one place of a page from others. */
  readonly isTelling: boolean
}

/** Takes a page apart. @param computed its computed parts; of two that overlap the first stays */
export function cellsOf(sources: Sources, page: ReadPage, computed: readonly ComputedStretch[]): Cell[] {
  // What closes an element is told from what closes another.
  const closing = new Map<number, string>()
  for (const element of elementsUnder(page.root))
    if (element.close && !/^(?:html|head|body)$/.test(element.tag)) {
      const name = ['id', 'class'].map((one) => attributeOf(element, one) ?? '').join(' ')
      if (name !== ' ') closing.set(element.close.start, name)
    }
  const holes = [...computed].sort((a, b) => a.start - b.start || b.end - a.end)
  const cells: Cell[] = []
  let at = 0
  let next = 0
  const put = (start: number, end: number, more: Partial<Cell>) => {
    if (end <= start) return
    const key = sources.key(page, { start, end }) + (closing.get(start) ?? '')
    const isTelling = key !== ' ' && (key.length > 6 || /\w/.test(key.replace(/<\/?\w+>/, '')))
    cells.push({
      start,
      end,
      key,
      computed: undefined,
      opens: undefined,
      closes: undefined,
      isTelling,
      ...more,
    })
  }
  for (const token of page.tokens) {
    let from = Math.max(at, token.start)
    while (next < holes.length && itemAt(holes, next).start < token.end) {
      const hole = holes[next++]!
      if (hole.start < from) continue
      put(from, hole.start, {})
      const { kind } = hole.computed
      const key = `\u0001${kind}${'pattern' in hole.computed ? hole.computed.pattern : ''}`
      cells.push({
        start: hole.start,
        end: hole.end,
        key,
        computed: hole.computed,
        opens: undefined,
        closes: undefined,
        isTelling: true,
      })
      from = at = hole.end
    }
    if (from >= token.end) continue
    const isWhole = from === token.start
    put(from, token.end, {
      opens: isWhole && token.kind === 'open' && !token.isClosed ? token.tag : undefined,
      closes: isWhole && token.kind === 'close' ? token.tag : undefined,
    })
    at = token.end
  }
  return cells
}

/** Where the head of a page says prev, next and up, in one run; undefined where it says none of them. */
export function relationsRun(page: ReadPage): Stretch | undefined {
  const links = page.relations
    .filter(({ rel }) => /^(?:prev|previous|next|up)$/.test(rel))
    .map(({ at }) => at)
  const [first] = links
  if (!first) return undefined
  let { end } = first
  for (const link of links.slice(1)) {
    if (page.text.slice(end, link.start).trim() !== '') break
    end = Math.max(end, link.end)
  }
  return { start: first.start, end }
}

/** What is in the first element of a page that is as asked for. */
function insideOf(page: ReadPage, isIt: (element: PageElement) => boolean): Stretch | undefined {
  const waiting = [page.root]
  for (let next = waiting.pop(); next; next = waiting.pop()) {
    if (isIt(next)) return { start: next.from, end: next.to }
    for (let at = next.children.length - 1; at >= 0; at--) waiting.push(next.children[at]!)
  }
  return undefined
}

/** The main content of a page, where an element says that it is that. https://html.spec.whatwg.org/#the-main-element */
export const mainElement = (page: ReadPage): Stretch | undefined =>
  insideOf(page, (element) => element.tag === 'main' || attributeOf(element, 'role') === 'main')

/** The main content of a page, where an element says that it is that, or is called so. */
export const mainContent = (page: ReadPage): Stretch | undefined =>
  mainElement(page) ??
  insideOf(page, (element) => {
    const name = `${attributeOf(element, 'id') ?? ''} ${attributeOf(element, 'class') ?? ''}`
    return /(?:^|[\s_-])(?:content|main|maincontent)(?:$|[\s_-])/i.test(name)
  })
