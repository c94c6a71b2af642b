import { lastOf } from '../standard/present.ts'
import type { SingleChange } from '../plan/change/change.ts'
import type { LinkTarget } from '../plan/entry.ts'
import type { EntryId } from '../plan/ids.ts'
import type { OwnRedirect, Site } from '../plan/site.ts'
import type { Following } from '../plan/surround/following.ts'
import { withHtmlReferences } from '../pointer/inHtml.ts'
import { readPointer, writePointer } from '../pointer/pointer.ts'
import { followLinks } from '../shape/followLinks.ts'
import { type Heading, headingsOf } from './headings.ts'

/**
 * The ids of headings that were renamed between two versions of main content: the new id by the old one. A heading is
 * taken for the same when its text is, or when it stands at the same place of a list that is as long as before.
 */
export function renamedHeadingIds(before: string, after: string): Map<string, string> {
  const [was, is] = [headingsOf(before), headingsOf(after)]
  const kept = new Set(is.map(({ id }) => id))
  const renamed = new Map<string, string>()
  const used = new Set<string>(was.map(({ id }) => id))
  const isNew = ({ id }: Heading) => id !== '' && !used.has(id)
  /** Those of each text, the first of them last. */
  const ofText = new Map<string, Heading[]>()
  for (const heading of is.toReversed()) {
    if (heading.text === '') continue
    const those = ofText.get(heading.text)
    if (those) those.push(heading)
    else ofText.set(heading.text, [heading])
  }
  was.forEach((heading, at) => {
    if (heading.id === '' || kept.has(heading.id)) return
    const same = ofText.get(heading.text)
    // What is not new any more will not be again.
    while (same && same.length > 0 && !isNew(lastOf(same))) same.pop()
    const there = was.length === is.length && is[at] && isNew(is[at]) ? is[at] : undefined
    const next = same?.at(-1) ?? there
    if (!next) return
    renamed.set(heading.id, next.id)
    used.add(next.id)
  })
  return renamed
}

/** Main content whose links to headings of a page follow those whose ids were renamed. */
export function followInText(html: string, page: EntryId, renamed: ReadonlyMap<string, string>): string {
  if (renamed.size === 0 || !html.toLowerCase().includes(`entry:${page}`)) return html
  return withHtmlReferences(html, (url) => {
    const pointer = readPointer(url)
    const fragment =
      pointer?.to === 'entry' && pointer.id === page ? renamed.get(pointer.fragment) : undefined
    return fragment === undefined ? undefined : writePointer({ ...pointer!, fragment })
  })
}

/** The changes that let links of other pages, of the plan and of the surround follow headings whose ids were renamed. */
export function followHeadings(
  site: Site,
  page: EntryId,
  renamed: ReadonlyMap<string, string>,
): SingleChange[] {
  if (renamed.size === 0) return []
  const following: Following = {
    html: (html) => followInText(html, page, renamed),
    target: (target) => followed(target, page, renamed),
  }
  return [
    // The text of the page itself is the one that is being saved.
    ...followLinks(site, following, (id) => id === page),
    ...redirectChanges(site.settings.redirects, page, renamed),
  ]
}

function followed<Target extends LinkTarget>(
  target: Target,
  page: EntryId,
  renamed: ReadonlyMap<string, string>,
): Target {
  const fragment = target.to === 'entry' && target.entry === page ? renamed.get(target.fragment) : undefined
  return fragment === undefined ? target : { ...target, fragment }
}

function redirectChanges(
  redirects: readonly OwnRedirect[],
  page: EntryId,
  renamed: ReadonlyMap<string, string>,
): SingleChange[] {
  const value = redirects.map((redirect) => {
    const to = followed(redirect.to, page, renamed)
    return to === redirect.to ? redirect : { ...redirect, to }
  })
  return value.every((one, at) => one === redirects[at])
    ? []
    : [{ kind: 'setSite', field: 'redirects', value }]
}
