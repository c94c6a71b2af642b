import type { Change } from '@viatica/core/plan/change/change.ts'
import { ChangeRefused } from '@viatica/core/plan/change/refused.ts'
import { applyChange } from '@viatica/core/plan/change/apply.ts'
import { toSiteData } from '@viatica/core/plan/siteData.ts'
import { anyChange, arbitraryDraws, arbitraryStart } from '@viatica/core/testing/arbitraryChange.ts'
import fc from 'fast-check'
import { Step } from './step.ts'
import { outcomeOn, takenBack } from './takingBack.ts'

const how = (isAnyway = false) => ({ isAnyway, edit: 'back', at: 0 })

test('without a step there is nothing to undo or redo', () => {
  fc.assert(
    fc.property(arbitraryStart(3), (site) => {
      expect(takenBack(site, { done: [], undone: [] }, 'done', how())).toBeUndefined()
      expect(takenBack(site, { done: [], undone: [] }, 'undone', how())).toBeUndefined()
    }),
  )
})

test('what is undone is as it was before, and what is redone as it was after', () => {
  fc.assert(
    fc.property(arbitraryStart(8), arbitraryDraws, (before, draws) => {
      const made = outcomeOn(before, anyChange(before, draws, 1))
      if (made instanceof ChangeRefused) return
      const step = new Step('words', made.change, 0, undefined, 'edit', made)
      const undone = takenBack(made.site, { done: [step], undone: [] }, 'done', how())
      if (undone?.kind !== 'made') throw new Error('not undone')
      expect(undone.steps).toEqual({ done: [], undone: [undone.back] })
      expect(toSiteData(undone.outcome.site)).toEqual(toSiteData(before))
      const redone = takenBack(undone.outcome.site, undone.steps, 'undone', how())
      if (redone?.kind !== 'made') throw new Error('not redone')
      expect(redone.steps).toEqual({ done: [redone.back], undone: [] })
      expect(toSiteData(redone.outcome.site)).toEqual(toSiteData(made.site))
    }),
    { numRuns: 300 },
  )
})

test('what others wrote over since is undone only when its author says so', () => {
  const tagline = (value: string): Change => ({ kind: 'setSite', field: 'tagline', value })
  fc.assert(
    fc.property(arbitraryStart(3), (site) => {
      const made = outcomeOn(site, tagline('mine'))
      if (made instanceof ChangeRefused) throw made
      const step = new Step('Tagline', made.change, 0, undefined, 'edit', made)
      const others = applyChange(made.site, tagline('theirs')).site
      const asked = takenBack(others, { done: [step], undone: [] }, 'done', how())
      if (asked?.kind !== 'asks') throw new Error('not asked')
      expect(asked.question).toMatchObject({ isRedo: false, now: 'theirs' })
      expect(asked.question.then?.settings.tagline).toBe(site.settings.tagline)
      const anyway = takenBack(others, { done: [step], undone: [] }, 'done', how(true))
      expect(anyway).toMatchObject({ kind: 'made', words: 'Undone: Tagline' })
    }),
    { numRuns: 20 },
  )
})
