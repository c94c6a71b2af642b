import fc from 'fast-check'
import { outputFiles } from '../formats/archive.ts'
import { applyChange } from '../plan/change/apply.ts'
import { ChangeRefused } from '../plan/change/refused.ts'
import type { Site } from '../plan/site.ts'
import { arbitraryPick, arbitrarySite, changeOfPick } from '../testing/arbitrarySite.ts'
import { addressesOf } from './addresses.ts'
import { movesAddresses } from './moves.ts'
import { YEAR } from '../testing/year.ts'

/** The files of the finished site, redirects left out. */
const files = (site: Site) => {
  const pages = new Set(addressesOf(site).paths.values())
  return new Set([...outputFiles(site, YEAR)].flatMap(({ path }) => (pages.has(path) ? [path] : [])))
}

test('a change that is said to move no address, and brings and takes no page, leaves the same files', () => {
  let quiet = 0
  fc.assert(
    fc.property(arbitrarySite(12), arbitraryPick, (before, pick) => {
      const change = changeOfPick(before.plan, pick, 0)
      let after: Site
      try {
        after = applyChange(before, change).site
      } catch (error) {
        expect(error).toBeInstanceOf(ChangeRefused)
        return
      }
      const moves = movesAddresses(before, after)
      const isSamePages =
        after.plan.entries.size === before.plan.entries.size &&
        change.kind !== 'batch' &&
        !('field' in change && change.field === 'state')
      if (!moves && isSamePages) {
        quiet++
        expect(files(after)).toEqual(files(before))
      }
      if (moves) expect([...addressesOf(after).paths]).not.toEqual([...addressesOf(before).paths])
    }),
    { numRuns: 300 },
  )
  // The property was not empty.
  expect(quiet).toBeGreaterThan(20)
})
