import { parseSrcset } from 'srcset'
import { type Element, textOf } from '../standard/fragment.ts'
import { type StyleReference, styleReferences } from './styleReferences.ts'

/** One reference in a text: where it stands, and what it names. */
export interface Placed {
  readonly start: number
  readonly end: number
  readonly url: string
  /** How it is written; only in style rules. */
  readonly form?: StyleReference['form']
}

/** How a place names something: by one address, in a list of pictures, in CSS, or after a number of seconds. */
export type Form = 'address' | 'sources' | 'style' | 'refresh'

/**
 * Attributes that name something to fetch or to go to, and how.
 * https://html.spec.whatwg.org/multipage/indices.html#attributes-3, and for `xlink:href`
 * https://svgwg.org/svg2-draft/linking.html#XLinkHrefAttribute
 */
const FORMS: ReadonlyMap<string, Form> = new Map<string, Form>([
  ...[
    'href',
    'xlink:href',
    'src',
    'poster',
    'data',
    'cite',
    'action',
    'formaction',
    'background',
    'longdesc',
  ].map((name) => [name, 'address'] as const),
  ...['srcset', 'imagesrcset'].map((name) => [name, 'sources'] as const),
  ['style', 'style'],
])

type Attribute = Element['attrs'][number]

/** An element with its attributes. */
interface Holder {
  readonly tagName: string
  readonly attrs: readonly Attribute[]
}

/** The name of an attribute as it is written: those of SVG may have a prefix. */
export const nameOf = ({ name, prefix }: Attribute): string => (prefix ? `${prefix}:${name}` : name)

/** Whether a `meta` element sends its visitors on. https://html.spec.whatwg.org/multipage/semantics.html#attr-meta-http-equiv-refresh */
const isRefresh = ({ tagName, attrs }: Holder): boolean =>
  tagName === 'meta' &&
  attrs.some(({ name, value }) => name === 'http-equiv' && value.trim().toLowerCase() === 'refresh')

/** How an attribute names something; undefined for one that names nothing. */
export function formOf(attribute: Attribute, element: Holder): Form | undefined {
  if (attribute.name === 'content') return isRefresh(element) ? 'refresh' : undefined
  return FORMS.get(nameOf(attribute))
}

/** The references of a `srcset`. https://html.spec.whatwg.org/multipage/images.html#srcset-attributes */
function sourcesIn(value: string): Placed[] {
  let from = 0
  return parseSrcset(value).flatMap(({ url }) => {
    const start = value.indexOf(url, from)
    if (start < 0) return []
    from = start + url.length
    return [{ start, end: from, url }]
  })
}

/** The number of seconds, and all that is before the address. */
const REFRESH =
  /^[\t\n\f\r ]*[\d.]+(?:[\t\n\f\r ]*[;,][\t\n\f\r ]*|[\t\n\f\r ]+)(?:url[\t\n\f\r ]*=[\t\n\f\r ]*)?(["']?)/i

/**
 * The reference of a `meta` element that sends its visitors on.
 * https://html.spec.whatwg.org/multipage/semantics.html#shared-declarative-refresh-steps
 */
function refreshIn(value: string): Placed[] {
  const [before, quote] = REFRESH.exec(value) ?? []
  if (before === undefined) return []
  const start = before.length
  const until = quote === '' ? -1 : value.indexOf(quote!, start)
  const end = until < 0 ? value.length : until
  return start === end ? [] : [{ start, end, url: value.slice(start, end) }]
}

/** What an attribute names, with places in its value (references resolved, as the parser gives it). */
export function referencesIn(attribute: Attribute, element: Holder): Placed[] {
  const { value } = attribute
  switch (formOf(attribute, element)) {
    case 'address':
      return [{ start: 0, end: value.length, url: value }]
    case 'sources':
      return sourcesIn(value)
    case 'style':
      return styleReferences(value)
    case 'refresh':
      return refreshIn(value)
    case undefined:
      return []
  }
}

/** What an element names in itself: in its attributes, and in the CSS that a `style` element holds. */
export function* namedBy(element: Element): Generator<{
  /** Undefined for the CSS of a `style` element. */
  readonly attribute: Attribute | undefined
  readonly url: string
}> {
  for (const attribute of element.attrs)
    for (const { url } of referencesIn(attribute, element)) yield { attribute, url }
  if (element.tagName === 'style')
    for (const { url } of styleReferences(textOf(element))) yield { attribute: undefined, url }
}

/** A text with some of its references changed. @param change undefined leaves one as it is */
export function withReferences<Place extends Placed>(
  text: string,
  references: readonly Place[],
  change: (url: string, at: Place) => string | undefined,
): string {
  let changed = ''
  let from = 0
  for (const one of references) {
    const next = change(one.url, one)
    if (next === undefined) continue
    changed += text.slice(from, one.start) + next
    from = one.end
  }
  return changed + text.slice(from)
}
