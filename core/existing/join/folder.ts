import { folderOf } from '../../address/relative.ts'
import type { Site } from '../../plan/site.ts'
import { decodePage } from '../../standard/encoding.ts'
import { sourceReferences } from '../../pointer/inSource.ts'
import { type FoundFile, isPageName } from '../intake/folderFiles.ts'
import { Targets } from '../pages/targets.ts'
import { pagesOf } from './standing.ts'

/** So much is asked at most: it is enough to tell. */
const MOST_PAGES = 30
const MOST_REFERENCES = 200
const MOST_FOLDERS = 200

/** Whether a reference climbs above the top of the site: browsers stay at the top then, but nobody writes that. */
const climbsOut = (from: string, reference: string): boolean =>
  (/^(?:\.\/)*((?:\.\.\/)+)/.exec(reference)?.[1]?.length ?? 0) / 3 > from.split('/').length - 1

/**
 * The folder of a site in which some pages stood, or would: the one from which most of their references lead to what the
 * site has.
 * @param top the folder that all of them came in, if there was one
 * @returns ending in `/`, or empty for the top of the site
 */
export function likelyFolder(site: Site, found: readonly FoundFile[], top: string): string {
  const there = [
    ...pagesOf(site).map(([, path]) => path),
    ...[...site.files.values()].map(({ path }) => path),
  ]
  const targets = new Targets(there)
  const folders = new Set(['', ...(top === '' ? [] : [top]), ...there.map(folderOf)])
  const pages = found
    .filter(({ path }) => isPageName(path))
    .slice(0, MOST_PAGES)
    .flatMap(({ path, bytes }) => {
      const text = decodePage(bytes)?.text
      if (text === undefined) return []
      const references = [...sourceReferences(text)].slice(0, MOST_REFERENCES).map(({ url }) => url)
      return [{ path, references: [...new Set(references)] }]
    })
  let best = { folder: '', leads: 0 }
  for (const folder of [...folders].slice(0, MOST_FOLDERS)) {
    let leads = 0
    for (const { path, references } of pages)
      for (const reference of references)
        if (!climbsOut(folder + path, reference) && targets.resolve(folder + path, reference).to === 'file')
          leads++
    if (leads > best.leads) best = { folder, leads }
  }
  return best.folder
}
