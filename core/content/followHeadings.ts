import type { SingleChange } from '../plan/change/change.ts'
import type { EntryId } from '../plan/entry.ts'
import type { Site } from '../plan/site.ts'
import { withHtmlReferences } from '../pointer/inHtml.ts'
import { readPointer, writePointer } from '../pointer/pointer.ts'
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
  was.forEach((heading, at) => {
    if (heading.id === '' || kept.has(heading.id)) return
    const isNew = ({ id }: Heading) => id !== '' && !used.has(id)
    const same = is.find((one) => isNew(one) && one.text === heading.text && heading.text !== '')
    const there = was.length === is.length && is[at] && isNew(is[at]) ? is[at] : undefined
    const next = same ?? there
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

/** The changes that let links of other pages, and of the plan, follow headings whose ids were renamed. */
export function followHeadings(
  site: Site,
  page: EntryId,
  renamed: ReadonlyMap<string, string>,
): SingleChange[] {
  if (renamed.size === 0) return []
  const changes: SingleChange[] = []
  for (const entry of site.plan.entries.values()) {
    // The text of the page itself is the one that is being saved.
    if (entry.kind === 'page' && entry.id !== page) {
      const html = followInText(entry.body.html, page, renamed)
      if (html !== entry.body.html)
        changes.push({ kind: 'setEntry', entry: entry.id, field: 'body', value: { ...entry.body, html } })
    }
    if (entry.kind === 'link' && entry.target.to === 'entry' && entry.target.entry === page) {
      const fragment = renamed.get(entry.target.fragment)
      if (fragment !== undefined)
        changes.push({
          kind: 'setEntry',
          entry: entry.id,
          field: 'target',
          value: { ...entry.target, fragment },
        })
    }
  }
  return changes
}
