import type { EntryId } from '../../plan/entry.ts'
import {
  type Element,
  elementsOf,
  type Fragment,
  type Node,
  serializeContent,
} from '../../standard/fragment.ts'
import { asText, CALL_MARK, settle, staysInside } from '../../render/containment.ts'
import { indentLines } from '../../render/indent.ts'
import type { Links } from '../../render/links.ts'
import { markSlots, pointersIn, SLOT, type Slot, writeSlot } from '../../render/slots.ts'

/**
 * The elements of our own by which authors' HTML calls what is computed. They never come out: each gives way to what
 * it calls.
 */
export const COMPUTED_ELEMENTS = ['put-menu', 'put-breadcrumb', 'put-pager', 'put-title', 'put-year'] as const
export type ComputedElement = (typeof COMPUTED_ELEMENTS)[number]

/** A call of a computed part, as it stands in the source. */
export interface Call {
  readonly element: ComputedElement
  readonly attributes: Readonly<Record<string, string>>
}

/** The author's own HTML, parsed once and made whole: text with links and computed parts between. */
export interface CompiledOwnHtml {
  /** One more than there are links and calls between. */
  readonly texts: readonly string[]
  readonly between: readonly (Slot | Call)[]
}

const isComputed = (name: string): name is ComputedElement =>
  (COMPUTED_ELEMENTS as readonly string[]).includes(name)

/** Parts that are text, and can stand inside a sentence. */
const IS_TEXT: ReadonlySet<string> = new Set<ComputedElement>(['put-title', 'put-year'])

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

function insert(parent: Parent, at: number, node: Node): void {
  ;(node as { parentNode: unknown }).parentNode = parent
  parent.childNodes.splice(at, 0, node as Element)
}

/** Takes an element out and leaves in its place what stands inside of it: it was not closed. @returns its place */
function unwrap(element: Element): { parent: Parent; at: number } {
  const parent = element.parentNode as Parent
  const at = parent.childNodes.indexOf(element)
  parent.childNodes.splice(at, 1)
  ;[...element.childNodes].reverse().forEach((child) => insert(parent, at, child))
  return { parent, at }
}

/**
 * Puts a mark in the place of each element that calls a computed part. A part with a landmark comes after the paragraph
 * that it was called in.
 */
function markCalls(fragment: Fragment): Call[] {
  const found = [...elementsOf(fragment)].map(({ element }) => element)
  return found
    .flatMap((element) => (isComputed(element.tagName) ? [element] : []))
    .map((element, n) => {
      // A part with lines of its own begins on one: it differs from page to page, and what stands before it must not.
      const apart = IS_TEXT.has(element.tagName) ? '' : '\n'
      const mark = { nodeName: '#text', value: apart + CALL_MARK + n + CALL_MARK + apart } as Node
      const { parent, at } = unwrap(element)
      const around = IS_TEXT.has(element.tagName) ? undefined : textAround(parent)
      if (around) {
        const above = around.parentNode as Parent
        insert(above, above.childNodes.indexOf(around) + 1, mark)
      } else insert(parent, at, mark)
      return {
        element: element.tagName as ComputedElement,
        attributes: Object.fromEntries(element.attrs.map(({ name, value }) => [name, value])),
      }
    })
}

const EITHER = new RegExp(`${SLOT.source}|${CALL_MARK}(\\d+)${CALL_MARK}`, 'g')

/** What computed parts are at most, to try out whether own HTML holds them. */
const standIn = (element: ComputedElement) =>
  IS_TEXT.has(element)
    ? 'x'
    : '<nav aria-label="x"><button type="button">x</button><ul><li><a href="x">x</a></li></ul></nav>'

/** A fragment as text with marks. @param indent how many spaces its lines begin with */
function written(fragment: Fragment, indent: number): { html: string; calls: Call[]; slots: Slot[] } {
  const calls = markCalls(fragment)
  const slots = markSlots(fragment)
  indentLines(fragment, 0, indent)
  return { html: serializeContent(fragment).trim(), calls, slots }
}

const CALL = new RegExp(`${CALL_MARK}(\\d+)${CALL_MARK}`, 'g')

/** Parses and serialises a piece's HTML on its own. @param indent how many spaces its lines begin with */
export function compileOwnHtml(html: string, indent: number): CompiledOwnHtml {
  let source = written(settle(html), indent)
  const { calls } = source
  const tried = source.html.replace(CALL, (_, n: string) => standIn(calls[Number(n)]!.element))
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
  return { texts: [...texts, source.html.slice(from)], between }
}

/** Own HTML with its links and its computed parts written. @param partOf the HTML of a call */
export function renderOwnHtml(
  { texts, between }: CompiledOwnHtml,
  links: Links,
  partOf: (call: Call) => string,
): string {
  return between.reduce((html, one, at) => {
    const part = 'element' in one ? partOf(one) : writeSlot(one, links)
    const isGone = 'element' in one && !IS_TEXT.has(one.element) && part === ''
    // Of a part that a page does not have, no empty line is left.
    return (isGone ? html.replace(/\n[ \t]*$/, '') : html) + part + texts[at + 1]
  }, texts[0]!)
}

/** The files of the site that own HTML shows or links to. */
export function filesInOwnHtml(html: string): Set<EntryId> {
  const { between } = compileOwnHtml(html, 0)
  const pointers = pointersIn(between.filter((one) => 'to' in one))
  return new Set(pointers.flatMap(({ to, id }) => (to === 'site-file' ? [id] : [])))
}
