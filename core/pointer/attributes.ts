import { parseSrcset } from 'srcset'
import type { Element } from '../standard/fragment.ts'
import { type StyleReference, styleReferences } from './styleReferences.ts'

/** One reference in a text: where it stands, and what it names. */
export interface Placed {
  readonly start: number
  readonly end: number
  readonly url: string
  /** How it is written; only in style rules. */
  readonly form?: StyleReference['form']
}

type Form = 'address' | 'sources' | 'style'

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

/** The name of an attribute as it is written: those of SVG may have a prefix. */
export const nameOf = ({ name, prefix }: Attribute): string => (prefix ? `${prefix}:${name}` : name)

/** How an attribute names something; undefined for one that names nothing. */
export function formOf(attribute: Attribute): Form | undefined {
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

/** What an attribute names, with places in its value (references resolved, as the parser gives it). */
export function referencesIn(attribute: Attribute): Placed[] {
  const { value } = attribute
  switch (formOf(attribute)) {
    case 'address':
      return [{ start: 0, end: value.length, url: value }]
    case 'sources':
      return sourcesIn(value)
    case 'style':
      return styleReferences(value)
    case undefined:
      return []
  }
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
