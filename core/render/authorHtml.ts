import type { FileId } from '../plan/ids.ts'
import {
  contentOf,
  type Element,
  elementsOf,
  type Fragment,
  isElement,
  type Node,
  serializeContent,
  textOf,
} from '../standard/fragment.ts'
import { itemAt, lastOf } from '../standard/present.ts'
import { asText, CALL_MARK, settle, staysInside } from './containment.ts'
import { MOST_PARTS } from '../plan/surround/surround.ts'
import { indentLines } from './indent.ts'
import type { Links } from './links.ts'
import { markSlots, pointersIn, SLOT, type Slot, writeSlot } from './slots.ts'

/**
 * The elements of our own by which authors' HTML calls what is computed. They never come out: each gives way to what
 * it calls.
 */
export const COMPUTED_ELEMENTS = [
  'put-menu',
  'put-breadcrumb',
  'put-pager',
  'put-pages',
  'put-site-map',
  'put-title',
  'put-year',
] as const
export type ComputedElement = (typeof COMPUTED_ELEMENTS)[number]

/** A call of a computed part, as it stands in the source. */
export interface Call {
  readonly element: ComputedElement
  readonly attributes: Readonly<Record<string, string>>
}

/** HTML of an author, parsed once and made whole: text with links and computed parts between. */
export interface CompiledHtml {
  /** One more than there are links and calls between. */
  readonly texts: readonly string[]
  readonly between: readonly (Slot | Call)[]
  /** Whether it brings the first heading of its page. */
  readonly hasFirstHeading: boolean
}

export const isCall = (one: Slot | Call): one is Call => 'element' in one
export const slotsOf = ({ between }: CompiledHtml): Slot[] =>
  between.filter((one): one is Slot => !isCall(one))
export const callsOf = ({ between }: CompiledHtml): Call[] => between.filter(isCall)

export const isComputed = (name: string): name is ComputedElement =>
  (COMPUTED_ELEMENTS as readonly string[]).includes(name)

const TEXTS: ReadonlySet<string> = new Set<ComputedElement>(['put-title', 'put-year'])
/** Whether a computed part is text, and can stand inside a sentence. */
export const isText = (element: ComputedElement) => TEXTS.has(element)

/** Elements that hold text and what runs in it: a landmark or a list inside of one would close it. */
const HOLDS_TEXT = /^(p|h[1-6]|a|span|em|strong|b|i|u|s|small|sub|sup|mark|label|button|pre|code|cite|q)$/

type Parent = Element | Fragment

/** The outermost element around a node that holds text only; undefined when there is none. */
function textAround(parent: Parent): Element | undefined {
  let outermost: Element | undefined
  for (let up: Parent | null = parent; up && 'tagName' in up; up = up.parentNode as Parent | null) {
    if (HOLDS_TEXT.test(up.tagName)) outermost = up
  }
  return outermost
}

/** The call that an element of ours is. @param name that of the element */
export function callOf({ attrs }: Element, name: ComputedElement): Call {
  return { element: name, attributes: Object.fromEntries(attrs.map(({ name: key, value }) => [key, value])) }
}

/** What takes the place of the elements that call computed parts. */
interface Marks {
  /** The mark of each element, which its contents follow: it was not closed. Undefined for one part too many. */
  readonly inPlace: ReadonlyMap<Element, Node | undefined>
  /** The marks that come after an element. */
  readonly after: ReadonlyMap<Element, readonly Node[]>
}

/** Writes the children of a parent anew, with the marks; each list once, since a text may have very many calls. */
function placeMarks(parent: Parent, { inPlace, after }: Marks): void {
  const children: Node[] = []
  const add = (node: Node): void => {
    if (isElement(node) && inPlace.has(node)) {
      const mark = inPlace.get(node)
      if (mark) add(mark)
      contentOf(node).childNodes.forEach(add)
      return
    }
    ;(node as { parentNode: unknown }).parentNode = parent
    children.push(node)
    if (!isElement(node)) return
    placeMarks(contentOf(node) as Parent, { inPlace, after })
    after.get(node)?.forEach(add)
  }
  parent.childNodes.forEach(add)
  parent.childNodes = children as typeof parent.childNodes
}

/**
 * Puts a mark in the place of each element that calls a computed part. A part with a landmark comes after the paragraph
 * that it was called in.
 */
function markCalls(fragment: Fragment): Call[] {
  const calls: Call[] = []
  const inPlace = new Map<Element, Node | undefined>()
  const after = new Map<Element, Node[]>()
  let parts = 0
  for (const { element } of elementsOf(fragment)) {
    const { tagName } = element
    if (!isComputed(tagName)) continue
    const isPart = !isText(tagName)
    inPlace.set(element, undefined)
    if (isPart && ++parts > MOST_PARTS) continue
    // A part with lines of its own begins on one: it differs from page to page, and what stands before it must not.
    const apart = isPart ? '\n' : ''
    const mark = { nodeName: '#text', value: apart + CALL_MARK + calls.length + CALL_MARK + apart } as Node
    calls.push(callOf(element, tagName))
    const around = isPart ? textAround(element.parentNode as Parent) : undefined
    // The last of several parts comes first.
    if (around) after.set(around, [mark, ...(after.get(around) ?? [])])
    else inPlace.set(element, mark)
  }
  if (inPlace.size > 0) placeMarks(fragment, { inPlace, after })
  return calls
}

const EITHER = new RegExp(`${SLOT.source}|${CALL_MARK}(\\d+)${CALL_MARK}`, 'g')

/** What computed parts are at most, to try out whether own HTML holds them. */
const standIn = (element: ComputedElement) =>
  isText(element)
    ? 'x'
    : '<nav aria-label="x"><button type="button">x</button><ul><li><a href="x">x</a></li></ul></nav>'

/** Whether content brings the first heading of its page: one that says something, and is not in a template. */
function bringsHeading({ childNodes }: { childNodes: Node[] }): boolean {
  return childNodes.some((node) => {
    if (!isElement(node)) return false
    const says = () =>
      textOf(node).trim() !== '' || [...elementsOf(node)].some(({ element }) => hasAlternative(element))
    return (node.tagName === 'h1' && says()) || bringsHeading(node)
  })
}

const hasAlternative = ({ tagName, attrs }: Element) =>
  tagName === 'img' && attrs.some(({ name, value }) => name === 'alt' && value.trim() !== '')

/** A fragment as text with marks. @param indent how many spaces its lines begin with */
function written(fragment: Fragment, indent: number) {
  const calls = markCalls(fragment)
  const hasFirstHeading = bringsHeading(fragment)
  const slots = markSlots(fragment)
  indentLines(fragment, 0, indent)
  return { html: serializeContent(fragment).trim(), calls, slots, hasFirstHeading }
}

/** Of white space, its last line end and what follows. */
const lastLine = (space: string) => space.slice(Math.max(0, space.lastIndexOf('\n')))

const CALL = new RegExp(`${CALL_MARK}(\\d+)${CALL_MARK}`, 'g')

/**
 * Parses and serialises HTML on its own, so that nothing left open in it can reach what stands after it.
 * @param indent how many spaces its lines begin with
 */
export function compileHtml(html: string, indent: number): CompiledHtml {
  let source = written(settle(html), indent)
  const { calls } = source
  const tried = source.html.replace(CALL, (_, n: string) => standIn(itemAt(calls, Number(n)).element))
  if (calls.length > 0 && !staysInside(tried)) source = written(asText(html), indent)
  const texts: string[] = []
  const between: (Slot | Call)[] = []
  let from = 0
  for (const mark of source.html.matchAll(EITHER)) {
    texts.push(source.html.slice(from, mark.index))
    from = mark.index + mark[0].length
    const [, whole, bare, call] = mark
    between.push(call === undefined ? source.slots[Number(whole ?? bare)]! : source.calls[Number(call)]!)
  }
  texts.push(source.html.slice(from))
  // Around a part with lines of its own no empty line is left.
  between.forEach((one, at) => {
    if (!isCall(one) || isText(one.element)) return
    const [before, after] = [texts[at]!, texts[at + 1]!]
    const [closed, open] = [before.trimEnd(), after.trimStart()]
    texts[at] = closed + lastLine(before.slice(closed.length))
    // What stands between two parts is white space, and done with as what comes before the second.
    if (open !== '') texts[at + 1] = lastLine(after.slice(0, after.length - open.length)) + open
  })
  return { texts, between, hasFirstHeading: source.hasFirstHeading }
}

/**
 * Compiled HTML with its links and its computed parts written. @param partOf the HTML of a call, which begins where its
 * element stood, on a line that is indented already
 */
export function writeHtml(
  { texts, between }: CompiledHtml,
  links: Links,
  partOf: (call: Call) => string,
): string {
  let html = ''
  between.forEach((one, at) => {
    const part = isCall(one) ? partOf(one).trim() : writeSlot(one, links)
    const isGone = isCall(one) && !isText(one.element) && part === ''
    // Of a part that a page does not have, no empty line is left.
    html += (isGone ? itemAt(texts, at).replace(/\n[ \t]*$/, '') : texts[at]!) + part
  })
  return html + lastOf(texts)
}

/** The files of the site that HTML shows or links to. */
export function filesInHtml(html: string): Set<FileId> {
  const pointers = pointersIn(slotsOf(compileHtml(html, 0)))
  return new Set(pointers.flatMap(({ to, id }) => (to === 'site-file' ? [id] : [])))
}
