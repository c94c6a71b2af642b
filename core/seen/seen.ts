import { bodyMark } from '../plan/bodyMark.ts'
import type { PageEntry, Seen } from '../plan/entry.ts'
import type { EntryId } from '../plan/ids.ts'
import { walk } from '../plan/plan.ts'
import { filesByPath, isOfPieces, isWritten, type Site } from '../plan/site.ts'
import { textsByPart } from '../page/pageWriter.ts'
import { WHOLE_PARTS } from '../page/parts.ts'
import { createPageWriter } from '../render/pageWriter.ts'
import { stylesOf } from '../ripple/ripple.ts'

/** A short mark of each part of a page, as visitors get it now. */
export type PageMarks = Seen['marks']

/** The whole page; what is not in any part of it differs where only this one does. */
const WHOLE = 'page'
const STYLES = 'style sheet'
const FILES = 'pictures and files'

const fileNameOf = (path: string) => path.slice(path.lastIndexOf('/') + 1)

/** The names of files, as they stand at the end of an address in HTML. */
function namesIn(html: string): Set<string> {
  return new Set(
    [...html.matchAll(/(?<![^"\s,/])[^"\s,/]+\.[a-z0-9]+(?=["\s?#,])/gi)].map(([name]) => {
      try {
        return decodeURIComponent(name)
      } catch {
        return name
      }
    }),
  )
}

/**
 * Prepares what marks the pages of a site.
 * @param year of the build
 */
export function createMarker(site: Site, year: number): (id: EntryId) => PageMarks {
  const writer = createPageWriter(site, year)
  const files = filesByPath(site)
  const sheets = isOfPieces(site) ? site.surround.headFiles.styles : []
  const own = sheets.flatMap((one) =>
    one.from === 'site' ? (site.files.get(one.file)?.content ?? []) : one.url,
  )
  const styles = bodyMark([stylesOf(site), ...own].join('\n'))

  const filesOf = (html: string) => {
    const names = namesIn(html)
    return files.flatMap(({ path, content }) => (names.has(fileNameOf(path)) ? [content] : [])).join()
  }
  const marksOf = (id: EntryId) =>
    [...textsByPart(writer.parts(id))].flatMap(([part, html]): [string, string][] =>
      html === '' ? [] : [[part, bodyMark(html)]],
    )
  return (id) => {
    const html = writer.page(id)
    const used = filesOf(html)
    return {
      [WHOLE]: bodyMark(html),
      [STYLES]: styles,
      ...(used === '' ? {} : { [FILES]: bodyMark(used) }),
      ...Object.fromEntries(marksOf(id)),
    }
  }
}

/** Why a page must be looked at again: the parts that are not as they were; none while it is as it was. */
export function changedSince({ marks: then }: Seen, now: PageMarks): string[] {
  const parts = [STYLES, FILES, ...WHOLE_PARTS].filter((part) => then[part] !== now[part])
  return parts.length > 0 || then[WHOLE] === now[WHOLE] ? parts : ['order of its parts']
}

/** How it stands with looking at one page. */
export interface PageSight {
  readonly page: EntryId
  readonly state: 'unseen' | 'seen' | 'changed'
  /** Why it must be looked at again. */
  readonly reasons: readonly string[]
}

const inWords = ({ seen }: PageEntry, now: () => PageMarks): Pick<PageSight, 'state' | 'reasons'> => {
  if (!seen) return { state: 'unseen', reasons: [] }
  const reasons = changedSince(seen, now())
  return { state: reasons.length > 0 ? 'changed' : 'seen', reasons }
}

/**
 * How it stands with looking at each page that is on the site, in the order in which they are read: each page before
 * those under it. It gives one page after the other, and may be left at any.
 */
export function* sights(site: Site, year: number): Generator<PageSight> {
  const marksOf = createMarker(site, year)
  for (const { entry } of walk(site.plan))
    if (isWritten(site, entry)) yield { page: entry.id, ...inWords(entry, () => marksOf(entry.id)) }
}
