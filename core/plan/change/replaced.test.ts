import fc from 'fast-check'
import { anyChange, arbitraryDraws, arbitraryStart } from '../../testing/arbitraryChange.ts'
import { toSiteData } from '../siteData.ts'
import { applyChange, singlesOf } from './apply.ts'
import { ChangeRefused } from './refused.ts'
import { isReplaced } from './replaced.ts'

test('an edit is replaced where making it again would make something of it again', () => {
  const met = { replaced: 0, kept: 0 }
  fc.assert(
    fc.property(arbitraryStart(6), arbitraryDraws, arbitraryDraws, (start, one, other) => {
      let before, after, edit
      try {
        edit = anyChange(start, one, 1)
        before = applyChange(start, edit).site
        after = applyChange(before, anyChange(before, other, 2)).site
      } catch (error) {
        if (error instanceof ChangeRefused) return
        throw error
      }
      expect(isReplaced(edit, before, before)).toBe(false)
      const isSame = JSON.stringify(toSiteData(before)) === JSON.stringify(toSiteData(after))
      const replaced = isReplaced(edit, before, after)
      if (isSame) expect(replaced).toBe(false)
      if (replaced) met.replaced++
      else met.kept++
      const [single, ...more] = singlesOf(edit)
      if (more.length > 0 || single?.kind !== 'setSite') return
      const [was, is] = [before, after].map(({ settings }) => JSON.stringify(settings[single.field]))
      const isAddedTo = /^".*"$/.test(was!) && is!.includes(was!.slice(1, -1))
      expect(replaced).toBe(was !== is && !isAddedTo)
    }),
    { numRuns: 600 },
  )
  expect(Math.min(met.replaced, met.kept)).toBeGreaterThan(0)
})
