import { ownTargetOf } from '../../content/ownLinks.ts'
import { inSourceSet } from '../../standard/sourceSet.ts'
import type { PageEntry } from '../../plan/entry.ts'
import { isAllowedTarget, likelyTarget } from '../../standard/target.ts'
import { attributeOf, elementsIn, inContent, type PlacedElement, withAttribute } from '../bodyElements.ts'
import type { Checked, Found, PageRule, Severity } from '../rule.ts'

/** What an author typed as a target, and what is wrong with it. */
type TypedFault = 'empty' | 'host' | 'mail' | 'scheme' | 'own path' | 'other case' | 'no such file'

function faultOf({ site }: Checked, page: PageEntry, typed: string): TypedFault | undefined {
  const text = typed.trim()
  if (text === '' || text === '#') return 'empty'
  if (/^#|^(entry|site-file):/.test(text) || isAllowedTarget(text)) return undefined
  const own = ownTargetOf(site, page.id, text)
  if (own) return own.isSameCase ? 'own path' : 'other case'
  const likely = likelyTarget(text)
  if (likely.startsWith('mailto:')) return 'mail'
  if (likely !== text) return 'host'
  if (/^\/\//.test(text)) return undefined
  return /^[a-z][a-z0-9+.-]*:/i.test(text) ? 'scheme' : 'no such file'
}

/** What an author typed into an element as a target; of several sources of a picture, each. */
function typedIn(placed: PlacedElement): { readonly name: string; readonly typed: string }[] {
  const single = ['href', 'src', 'poster', 'data', 'cite'].flatMap((name) => {
    const typed = attributeOf(placed, name)
    return typed === undefined ? [] : [{ name, typed }]
  })
  const several = inSourceSet(attributeOf(placed, 'srcset') ?? '')
  return [...single, ...several.map((typed) => ({ name: 'srcset', typed }))]
}

/** A rule that finds targets with one kind of fault. @param mended what to write instead, where that is clear */
export function typedRule(
  fault: TypedFault,
  head: { readonly id: string; readonly severity: Severity; readonly about: string; readonly source: string },
  words: (typed: string) => string,
  mended?: (checked: Checked, page: PageEntry, typed: string) => string | undefined,
): PageRule {
  const found = (checked: Checked, page: PageEntry, placed: PlacedElement): Found[] =>
    typedIn(placed).flatMap(({ name, typed }) => {
      if (faultOf(checked, page, typed) !== fault) return []
      const next = name === 'srcset' ? undefined : mended?.(checked, page, typed)
      return [
        {
          place: inContent(page, placed),
          words: words(typed),
          gist: typed,
          mend: next === undefined ? undefined : withAttribute(page, placed, name, next),
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
