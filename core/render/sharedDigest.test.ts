import fc from 'fast-check'
import { generatedPaths } from '../address/generated.ts'
import { sharedFiles } from '../formats/archive.ts'
import { applyChange } from '../plan/change/apply.ts'
import { ChangeRefused } from '../plan/change/refused.ts'
import { filesByPath, isOfPieces, type Site } from '../plan/site.ts'
import { anyChange, arbitraryDraws, arbitraryStart } from '../testing/arbitraryChange.ts'
import { sharedDigest } from './sharedDigest.ts'
import { styleSheet } from './style/styleSheet.ts'

/** What stands at each path that is no page: a text that is made, the name of a font, or the key of an author's file. */
const shared = (site: Site) =>
  new Map(
    [...sharedFiles(site), ...filesByPath(site)].map((file) => [
      file.path,
      'text' in file ? `made: ${file.text()}` : 'font' in file ? file.font : file.content,
    ]),
  )

/** The same value with all fields in the other order, as another store may give it back. */
function turned(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(turned)
  if (typeof value !== 'object' || value === null) return value
  return Object.fromEntries(
    Object.entries(value)
      .reverse()
      .map(([key, one]) => [key, turned(one)]),
  )
}

test('whatever is edited, where the digest stays the files at their paths stay, and it changes for nothing else', () => {
  fc.assert(
    fc.property(arbitraryStart(10), fc.array(arbitraryDraws, { maxLength: 20 }), (start, steps) => {
      let site = start
      for (const [at, draws] of steps.entries()) {
        let after: Site
        try {
          after = applyChange(site, anyChange(site, draws, at)).site
        } catch (error) {
          if (error instanceof ChangeRefused) continue
          throw error
        }
        if (sharedDigest(after) === sharedDigest(site)) {
          const [old, now] = [shared(site), shared(after)]
          for (const [path, what] of now) if (old.has(path)) expect(what).toBe(old.get(path))
        } else {
          const parts = (one: Site) => [
            isOfPieces(one) ? styleSheet(one.surround, generatedPaths(one).fonts) : '',
            filesByPath(one).map(({ path, content }) => [path, content]),
          ]
          expect(parts(after)).not.toEqual(parts(site))
        }
        site = after
      }
    }),
    { numRuns: 300 },
  )
})

test('fields and files in another order are the same', () => {
  fc.assert(
    fc.property(arbitraryStart(10), (site) => {
      const other: Site = {
        ...site,
        surround: turned(site.surround) as Site['surround'],
        files: new Map([...site.files].reverse()),
      }
      expect(sharedDigest(other)).toBe(sharedDigest(site))
      expect(sharedDigest(site)).toMatch(/^[0-9a-z]+$/)
    }),
    { numRuns: 100 },
  )
})
