import { parse, serialize, serializeOuter } from 'parse5'
import type { Body, EntryId } from '../plan/entry.ts'
import {
  contentOf,
  type Element,
  elementsOf,
  type Fragment,
  isElement,
  type Node,
  parseMainContent,
} from '../standard/fragment.ts'
import { escapeText } from './escape.ts'
import type { Links } from './links.ts'

/**
 * How bodies point to entries and files of the site: by id, so that links follow when a page is renamed or
 * moved. `entry:opening-times#winter`, `site-file:lock-picture`.
 */
const POINTER = /^(entry|site-file):([a-z0-9-]+)(?:#(.*))?$/s
const POINTING_ATTRIBUTES = ['href', 'src', 'poster', 'data', 'cite']

/** A place in a body where a link must be written, and where it leads. */
export interface Slot {
  readonly attribute: string
  readonly to: 'entry' | 'site-file'
  readonly id: EntryId
  readonly fragment: string
  /** Of a picture, which is a slot as a whole: its element before and after the address. */
  readonly picture?: {
    readonly before: string
    readonly after: string
    /** Undefined where the author says nothing: then what is kept with the picture is said. */
    readonly alt: string | undefined
  }
}

/** Main content, parsed once and made whole: text with slots between. */
export interface CompiledBody {
  /** One more than there are slots. */
  readonly texts: readonly string[]
  readonly slots: readonly Slot[]
  readonly hasFirstHeading: boolean
}

/** How deep main content stands in the page. */
const INDENT = 6

/** White space counts in these. */
const VERBATIM = new Set([
  'pre',
  'textarea',
  'script',
  'style',
  'listing',
  'xmp',
  'iframe',
  'noembed',
  'noframes',
])

/** Elements with parsing rules of their own, whose contents might read differently the second time. */
const WITH_OWN_RULES =
  /<(?:script|style|svg|math|form|table|select|template|noscript|plaintext|xmp|iframe|noembed|noframes|textarea|title|listing)\b|<!/i

/**
 * Whether content, put into a page as it stands, stays inside main and leaves the footer alone. With scripts on,
 * `noscript` is text up to its end tag; with scripts off, it holds elements: both must hold.
 */
function staysInside(content: string): boolean {
  return [true, false].every((scriptingEnabled) => {
    const page = parse(`<!doctype html><body><main>${content}</main><footer></footer></body>`, {
      scriptingEnabled,
    })
    const inBody: string[] = []
    for (const { element, depth } of elementsOf(page)) if (depth === 2) inBody.push(element.tagName)
    return inBody.join() === 'main,footer'
  })
}

/** Parses until the result reads the same when it stands in a page; what never settles is shown as text. */
export function settle(source: string): Fragment {
  let fragment = mended(parseMainContent(source))
  if (!WITH_OWN_RULES.test(source)) return fragment
  for (let tries = 0; tries < 3; tries++) {
    const content = serialize(fragment)
    if (staysInside(content)) return fragment
    fragment = mended(parseMainContent(content))
  }
  return parseMainContent(`<pre>${escapeText(source)}</pre>`)
}

/** Every text node in a tree. */
function* textsOf(parent: { childNodes: Node[] }): Generator<{ value: string }> {
  for (const node of parent.childNodes) {
    if (isElement(node)) yield* textsOf(contentOf(node))
    else if (node.nodeName === '#text') yield node as { value: string }
  }
}

/** Takes the marks of our slots out of the author's text, and mends what cannot be closed or reads in two ways. */
function mended(fragment: Fragment): Fragment {
  for (const text of textsOf(fragment)) text.value = text.value.replace(MARKS, '')
  for (const { element } of elementsOf(fragment)) {
    // The parsing rules have no end tag for plaintext: it would take the rest of the page.
    if (element.tagName === 'plaintext') element.tagName = element.nodeName = 'pre'
    for (const attribute of element.attrs) attribute.value = attribute.value.replace(MARKS, '')
  }
  return fragment
}

const SLOT_MARK = '\u0001'
/** Where a link or a picture is to be written in serialised content. */
export const SLOT = new RegExp(` [a-z]+="${SLOT_MARK}\\d+${SLOT_MARK}"|${SLOT_MARK}\\d+${SLOT_MARK}`)
/** Marks the places of computed parts in a piece's own HTML. */
export const CALL_MARK = '\u0002'
const MARKS = new RegExp(`[${SLOT_MARK}${CALL_MARK}]`, 'g')

/** Puts marks in the place of links and pictures that must be written for each page. */
export function markSlots(fragment: Fragment): Slot[] {
  const slots: Slot[] = []
  for (const { element } of [...elementsOf(fragment)]) {
    for (const attribute of element.attrs) {
      const pointer = POINTING_ATTRIBUTES.includes(attribute.name) && POINTER.exec(attribute.value)
      if (!pointer) continue
      const [, to, id, fragmentId = ''] = pointer
      const mark = SLOT_MARK + slots.length + SLOT_MARK
      const slot = { attribute: attribute.name, to: to as Slot['to'], id: id!, fragment: decode(fragmentId) }
      attribute.value = mark
      const isPicture = element.tagName === 'img' && attribute.name === 'src'
      slots.push(isPicture ? { ...slot, picture: pictureAround(element, mark) } : slot)
      if (isPicture) giveWay(element, mark)
    }
  }
  return slots
}

/** The element of a picture, parted where its address will stand. */
function pictureAround(element: Element, mark: string): NonNullable<Slot['picture']> {
  const [before = '', after = ''] = serializeOuter(element).split(mark)
  return { before, after, alt: element.attrs.find(({ name }) => name === 'alt')?.value }
}

/** Puts a mark in the place of an element. */
function giveWay(element: Element, mark: string): void {
  const { childNodes } = element.parentNode!
  const text = { nodeName: '#text', value: mark, parentNode: element.parentNode } as Node
  childNodes.splice(childNodes.indexOf(element), 1, text)
}

function decode(fragmentId: string): string {
  try {
    return decodeURIComponent(fragmentId)
  } catch {
    return fragmentId
  }
}

const isBlank = (sign: string | undefined) => sign === ' ' || sign === '\t'

/** The lines of a text, parted by `end` in place of their line ends and the blanks around these. */
function joinedLines(text: string, end: string): string {
  const lines = text.split('\n')
  return lines
    .map((line, at) => {
      let [from, to] = [0, line.length]
      while (at > 0 && from < to && isBlank(line[from])) from++
      while (at < lines.length - 1 && to > from && isBlank(line[to - 1])) to--
      return line.slice(from, to)
    })
    .join(end)
}

/** Indents the lines of text nodes by how deep they stand; never where white space counts. */
export function indentLines(parent: { childNodes: Node[] }, depth: number, base: number): void {
  const { childNodes } = parent
  childNodes.forEach((node, at) => {
    if (isElement(node)) {
      if (!VERBATIM.has(node.tagName)) indentLines(contentOf(node), depth + 1, base)
      else keepFirstLineEnd(node)
    } else if (node.nodeName === '#text') {
      const text = node as { value: string }
      if (!text.value.includes('\n')) return
      const inner = '\n' + ' '.repeat(base + 2 * depth)
      text.value = joinedLines(text.value, inner).replace(/(\n +)(?:\n +)+/g, `\n$1`)
      const isLast = at === childNodes.length - 1
      if (isLast && depth > 0)
        text.value = text.value.replace(/\n +$/, '\n' + ' '.repeat(base + 2 * depth - 2))
    }
  })
}

/** The parser passes over a line end right after `<pre>`; one that counts must be written twice. */
function keepFirstLineEnd(element: Element): void {
  const first = element.childNodes[0]
  if (first && first.nodeName === '#text' && /^(pre|textarea|listing)$/.test(element.tagName)) {
    const text = first as { value: string }
    if (text.value.startsWith('\n')) text.value = `\n${text.value}`
  }
}

const compiled = new WeakMap<Body, CompiledBody>()

/** Parses and serialises a body on its own, so that nothing left open in it can reach the footer. Remembered. */
export function compileBody(body: Body): CompiledBody {
  const known = compiled.get(body)
  if (known) return known
  const fragment = settle(body.html)
  let hasFirstHeading = false
  for (const { element } of elementsOf(fragment)) if (element.tagName === 'h1') hasFirstHeading = true
  const slots = markSlots(fragment)
  indentLines(fragment, 0, INDENT)
  const texts = serialize(fragment).trim().split(SLOT)
  const result: CompiledBody = { texts, slots, hasFirstHeading }
  compiled.set(body, result)
  return result
}

/** The link to write in a slot; undefined for one that leads nowhere. */
export function hrefOfSlot(slot: Slot, links: Links): string | undefined {
  return slot.to === 'entry' ? links.toPage(slot.id, slot.fragment) : links.toFile(slot.id)
}

/** A dead link loses its target only; in place of a picture that is gone stands what it said. */
export function writeSlot(slot: Slot, links: Links): string {
  const href = hrefOfSlot(slot, links)
  if (slot.picture) {
    const { before, after, alt } = slot.picture
    if (href === undefined) return escapeText(alt ?? '')
    return (
      before + href + (alt === undefined ? after.replace(/>$/, ` alt="${links.altOf(slot.id)}">`) : after)
    )
  }
  return href === undefined ? '' : ` ${slot.attribute}="${href}"`
}

/** Compiled main content with its links written for the page it stands on. */
export function renderBody({ texts, slots }: CompiledBody, links: Links): string {
  let html = texts[0]!
  slots.forEach((slot, at) => (html += writeSlot(slot, links) + texts[at + 1]))
  return html
}
