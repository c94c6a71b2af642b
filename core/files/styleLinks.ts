import { encodePath, folderOf, relativeHref } from '../address/relative.ts'
import type { FileId } from '../plan/ids.ts'
import type { Site } from '../plan/site.ts'
import { asBrowsersRead, resolveReference, withoutQuery } from '../standard/reference.ts'
import { styleReferences, withStyleReferences } from '../pointer/styleReferences.ts'

/** Any host will do: only where files stand to each other counts. */
const TOP = 'https://site.invalid/'

/** The path of the site that a reference in a style sheet leads to; undefined for what leads out of the site. */
function pathOf(sheet: string, url: string): string | undefined {
  const target = resolveReference(TOP + encodePath(sheet), asBrowsersRead(url))
  if (!target.startsWith(TOP)) return undefined
  try {
    return decodeURIComponent(withoutQuery(target.slice(TOP.length)))
  } catch {
    return undefined
  }
}

/** The files of the site that a style sheet names. @param sheet where it stands */
export function filesNamedBy(site: Pick<Site, 'files'>, sheet: string, css: string): Set<FileId> {
  const named = new Set(styleReferences(css).map(({ url }) => pathOf(sheet, url)))
  return new Set(
    [...site.files.values()].flatMap(({ id, path }) => (path !== sheet && named.has(path) ? [id] : [])),
  )
}

/**
 * A style sheet as it must read when files have moved: what it named before it names still.
 * @param sheet where it stands now, and where it will
 * @param whereWill a file stand that stands at a path now; undefined for one that is not known
 */
export function followMoves(
  css: string,
  sheet: { readonly from: string; readonly to: string },
  whereWill: (path: string) => string | undefined,
): string {
  return withStyleReferences(css, (url) => {
    const was = pathOf(sheet.from, url)
    // An address of its own, or a place inside of the sheet itself, stays as it is.
    if (was === undefined || was === sheet.from || /^([a-z][a-z0-9+.-]*:|\/)/i.test(url)) return undefined
    const is = whereWill(was)
    if (is === undefined || (is === was && folderOf(sheet.from) === folderOf(sheet.to))) return undefined
    return relativeHref(folderOf(sheet.to), is) + url.slice(withoutQuery(url).length)
  })
}
