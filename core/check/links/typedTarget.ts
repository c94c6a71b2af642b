import { ownTargetOf } from '../../content/ownLinks.ts'
import { formOf, nameOf, type Placed, referencesIn, withReferences } from '../../pointer/attributes.ts'
import { readPointer } from '../../pointer/pointer.ts'
import type { Element } from '../../standard/fragment.ts'
import type { PageEntry } from '../../plan/entry.ts'
import { isAllowedTarget, likelyTarget } from '../../standard/target.ts'
import { elementsIn, inContent, isLink, type PlacedElement, withAttribute } from '../bodyElements.ts'
import type { Checked, Found, PageRule, Severity } from '../rule.ts'

/** What an author typed as a target, and what is wrong with it. */
type TypedFault = 'empty' | 'host' | 'mail' | 'scheme' | 'own path' | 'other case' | 'no such file'

function faultOf({ site }: Checked, page: PageEntry, typed: string): TypedFault | undefined {
  const text = typed.trim()
  if (text === '' || text === '#') return 'empty'
  if (text.startsWith('#') || readPointer(text) || isAllowedTarget(text)) return undefined
  const own = ownTargetOf(site, page.id, text)
  if (own) return own.isSameCase ? 'own path' : 'other case'
  const likely = likelyTarget(text)
  if (likely.startsWith('mailto:')) return 'mail'
  if (likely !== text) return 'host'
  if (/^\/\//.test(text)) return undefined
  return /^[a-z][a-z0-9+.-]*:/i.test(text) ? 'scheme' : 'no such file'
}

type Attribute = Element['attrs'][number]

/** What an author typed into an element as targets, with the attributes in which they stand. */
function typedIn({ element }: PlacedElement): { readonly attribute: Attribute; readonly at: Placed }[] {
  return element.attrs.flatMap((attribute) =>
    referencesIn(attribute, element).map((at) => ({ attribute, at })),
  )
}

/** The change that writes another target; undefined where that would have to be quoted in a style. */
function writing(page: PageEntry, placed: PlacedElement, attribute: Attribute, at: Placed, next: string) {
  if (formOf(attribute, placed.element) === 'style') return undefined
  const change = (_: string, { start }: Placed) => (start === at.start ? next : undefined)
  const value = withReferences(attribute.value, referencesIn(attribute, placed.element), change)
  return withAttribute(page, placed, nameOf(attribute), value)
}

/** A rule that finds targets with one kind of fault. @param fixed what to write instead, where that is clear */
export function typedRule(
  fault: TypedFault,
  head: { readonly id: string; readonly severity: Severity; readonly about: string; readonly source: string },
  words: (typed: string) => string,
  fixed?: (checked: Checked, page: PageEntry, typed: string) => string | undefined,
): PageRule {
  const found = (checked: Checked, page: PageEntry, placed: PlacedElement): Found[] =>
    typedIn(placed).flatMap(({ attribute, at }) => {
      const typed = at.url
      if (faultOf(checked, page, typed) !== fault) return []
      const next = fixed?.(checked, page, typed)
      return [
        {
          place: inContent(page, placed),
          words: words(typed),
          gist: typed,
          asks: isLink(placed, attribute) ? 'target' : undefined,
          fix: next === undefined ? undefined : writing(page, placed, attribute, at, next),
        },
      ]
    })
  return {
    ...head,
    group: 'links',
    from: ({ site, addresses }, page) => [page.body, addresses.paths, site.files, site.settings.baseUrl],
    find: (checked, page) => elementsIn(page.body).flatMap((placed) => found(checked, page, placed)),
  }
}

export const URL_STANDARD = 'URL: https://url.spec.whatwg.org/#url-writing'
