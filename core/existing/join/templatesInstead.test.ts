import { piecesOf, withPieces } from '../../plan/surround/surround.ts'
import fc from 'fast-check'
import { applyChange } from '../../plan/change/apply.ts'
import { siteFault } from '../../plan/siteFault.ts'
import { type FileKind, fileTypeOf } from '../../plan/file.ts'
import type { Site } from '../../plan/site.ts'
import type { HeadFile } from '../../plan/surround/rules.ts'
import { outputFiles } from '../../formats/archive.ts'
import { piecesInstead } from '../../shape/toPieces.ts'
import { arbitrarySite } from '../../testing/arbitrarySite.ts'
import { arbitrarySurround } from '../../testing/arbitrarySurround.ts'
import { stored } from '../../testing/stored.ts'
import { YEAR } from '../../testing/year.ts'
import { pagesOf } from './standing.ts'
import { templatesInstead } from './templatesInstead.ts'

/** The texts of the finished site by path. */
const textsOf = (site: Site): Map<string, string> =>
  new Map([...outputFiles(site, YEAR)].flatMap((file) => ('text' in file ? [[file.path, file.text()]] : [])))

/** A random site with the files in its heads that can be there. */
const arbitrary = fc.oneof(arbitrarySite(), arbitrarySite(12, arbitrarySurround)).map((site): Site => {
  const { headFiles } = piecesOf(site.surround)
  const ofKind = (kind: FileKind) => (one: HeadFile) =>
    one.from === 'elsewhere' || fileTypeOf(site.files.get(one.file)?.path ?? '')?.kind === kind
  const styles = headFiles.styles.filter(ofKind('style'))
  const scripts = headFiles.scripts.filter(ofKind('script'))
  return stored({
    ...site,
    surround: withPieces(site.surround, { headFiles: { ...headFiles, styles, scripts } }),
  })
})

test('pages come out of templates as they came out of pieces, to the byte', () => {
  fc.assert(
    fc.property(arbitrary, (site) => {
      fc.pre(siteFault(site) === undefined)
      const before = textsOf(site)
      const { change, contents } = templatesInstead(site, YEAR)
      const { site: after, inverse } = applyChange(site, change)
      expect(siteFault(after)).toBeUndefined()
      const now = textsOf(after)
      for (const [, path] of pagesOf(site)) expect(now.get(path)).toBe(before.get(path))
      // What was made for all pages is a file of the site by now, at the same path.
      const paths = new Set([...after.files.values()].map(({ path }) => path))
      for (const { path } of contents.values()) expect(paths.has(path)).toBe(true)
      expect(textsOf(applyChange(after, inverse).site)).toEqual(before)
      // And there is a way back to pieces.
      const back = applyChange(after, { kind: 'batch', changes: piecesInstead(after) }).site
      expect(siteFault(back)).toBeUndefined()
    }),
  )
})
