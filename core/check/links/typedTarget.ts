import { ownTargetOf, pointerFor } from '../../content/ownLinks.ts'
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

function typedRule(
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

const URL_STANDARD = 'URL: https://url.spec.whatwg.org/#url-writing'

/** Links that lead to the page itself, or to its top, by accident. */
export const emptyTarget = typedRule(
  'empty',
  {
    id: 'empty-target',
    severity: 'fault',
    about: 'links with an empty target, or “#”',
    source: 'common practice',
  },
  () => 'A link has no target: it leads to the page itself.',
)

/** A host name, which without a scheme is the name of a file. */
export const hostWithoutScheme = typedRule(
  'host',
  {
    id: 'host-without-scheme',
    severity: 'fault',
    about: 'web addresses without https:',
    source: URL_STANDARD,
  },
  (typed) => `“${typed}” has no https: before it: it leads to a file of that name.`,
  (_, __, typed) => likelyTarget(typed),
)

/** An e-mail address, which without a scheme is the name of a file. */
export const mailWithoutScheme = typedRule(
  'mail',
  {
    id: 'mail-without-scheme',
    severity: 'fault',
    about: 'e-mail addresses without mailto:',
    source: 'RFC 6068',
  },
  (typed) => `“${typed}” has no mailto: before it: it leads to a file of that name.`,
  (_, __, typed) => likelyTarget(typed),
)

/** Addresses that run something, or that exist on one computer only. */
export const schemeNotAllowed = typedRule(
  'scheme',
  {
    id: 'scheme-not-allowed',
    severity: 'fault',
    about: 'links that run a script, or that others cannot follow',
    source: URL_STANDARD,
  },
  (typed) =>
    `A link begins with “${/^[^:]*:/.exec(typed.trim())?.[0] ?? ''}”, which visitors cannot follow safely.`,
)

/** A typed path of the site: right today, and wrong when the page moves. */
export const ownPath = typedRule(
  'own path',
  {
    id: 'typed-path',
    severity: 'hint',
    about: 'typed paths that do not follow when a page moves',
    source: 'common practice',
  },
  (typed) => `The path “${typed}” belongs to this site, and does not follow when that moves.`,
  ({ site }, page, typed) => pointerFor(site, page.id, typed),
)

/** A path that some computers find, and most hosts do not. */
export const otherCase = typedRule(
  'other case',
  {
    id: 'other-case',
    severity: 'fault',
    about: 'paths that differ from those of the site by capitals',
    source: URL_STANDARD,
  },
  (typed) => `“${typed}” differs by capitals from what stands on the site.`,
  ({ site }, page, typed) => pointerFor(site, page.id, typed),
)

/** A path that nothing of the site stands at. */
export const noSuchFile = typedRule(
  'no such file',
  {
    id: 'no-such-file',
    severity: 'fault',
    about: 'paths that no page or file stands at',
    source: URL_STANDARD,
  },
  (typed) => `Nothing of the site stands at “${typed}”.`,
)
