import fc from 'fast-check'
import { addressesOf } from '../address/addresses.ts'
import { notFoundPage } from '../address/notFound.ts'
import { readingOrder } from '../navigate/readingOrder.ts'
import { applySoundly } from '../plan/change/sound.ts'
import { isWritten } from '../plan/site.ts'
import { createPageWriter } from '../render/pageWriter.ts'
import { arbitrarySite } from '../testing/arbitrarySite.ts'
import { YEAR } from '../testing/year.ts'
import { chooseNotFound, newNotFound } from './notFound.ts'

const TODAY = '2026-05-01'

test('a new 404 page of any site is written, out of menus and order, and undo takes it away', () => {
  fc.assert(
    fc.property(arbitrarySite(10), (site) => {
      const { site: after, inverse } = applySoundly(site, newNotFound(site, 'lost', TODAY))
      expect(notFoundPage(after)).toBe('lost')
      expect(readingOrder(after)).not.toContain('lost')
      // Common practice: servers are told of a file called 404; another name where that is taken.
      expect(addressesOf(after).paths.get('lost')).toMatch(/(^|[/_-])404(-\d)?(\/index)?\.\w+$/)
      expect(createPageWriter(after, YEAR).page('lost')).toContain('noindex')
      expect(applySoundly(after, inverse).site).toEqual(site)
    }),
    { numRuns: 60 },
  )
})

test('any page but the home page can be chosen and let go; while it is planned or gone there is none', () => {
  fc.assert(
    fc.property(arbitrarySite(10), (given) => {
      const site = { ...given, settings: { ...given.settings, notFound: null } }
      for (const entry of site.plan.entries.values()) {
        if (entry.kind !== 'page') continue
        const { site: after, inverse } = applySoundly(site, chooseNotFound(site, entry.id))
        const isOne = isWritten(site, entry) && entry.id !== site.plan.home
        expect(notFoundPage(after)).toBe(isOne ? entry.id : undefined)
        expect(after.plan.entries.get(entry.id)!.inMenu).toBe(false)
        expect(applySoundly(after, inverse).site).toEqual(site)
        expect(notFoundPage(applySoundly(after, chooseNotFound(after, null)).site)).toBeUndefined()
      }
    }),
    { numRuns: 60 },
  )
})
