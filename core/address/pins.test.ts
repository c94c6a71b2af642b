import fc from 'fast-check'
import type { PageEntry } from '../plan/entry.ts'
import { applyChange } from '../plan/change/apply.ts'
import { arbitrarySite } from '../testing/arbitrarySite.ts'
import { isPinTold, pinPages, unpinnedPages } from './pins.ts'

/** The random sites without the pins that they have. */
const unpinned = arbitrarySite(15).map((site) => ({
  ...site,
  plan: {
    ...site.plan,
    entries: new Map(
      [...site.plan.entries].map(([id, entry]) => [
        id,
        entry.kind === 'page' ? { ...entry, pin: null } : entry,
      ]),
    ),
  },
}))
const pages = (site: { plan: { entries: ReadonlyMap<string, { kind: string }> } }) =>
  [...site.plan.entries.values()].filter(({ kind }) => kind === 'page') as PageEntry[]

test('a publication pins pages where they are, and tells of none; the author who pins is told of all', () => {
  fc.assert(
    fc.property(unpinned, (site) => {
      const ids = unpinnedPages(site)
      const change = pinPages(site, ids)
      if (!change) return
      const published = applyChange(site, change).site
      expect(unpinnedPages(published)).toEqual([])
      // Names that Windows reserves, and `index`, get a number that a new name would get, too. What a name carries of its
      // section can be cut with it to what a disk takes.
      if (!site.settings.carrySection)
        expect(
          pages(published)
            .filter((page) => isPinTold(published, page))
            .map(({ pin }) => pin!.name),
        ).toEqual([])
      const byHand = applyChange(site, pinPages(site, ids, true)!).site
      expect(
        pages(byHand)
          .filter((page) => isPinTold(byHand, page))
          .map(({ id }) => id)
          .sort(),
      ).toEqual([...ids].sort())
    }),
    { numRuns: 200 },
  )
})

test('a page that is renamed after a publication is told, as its address would be another', () => {
  fc.assert(
    fc.property(unpinned, (site) => {
      const page = pages(site).find(
        ({ id, fileName, label }) => id !== site.plan.home && fileName === '' && label === '',
      )
      if (!page || site.settings.layout === 'own') return
      const pinned = applyChange(site, pinPages(site, [page.id])!).site
      const title = 'Entirely another title'
      const renamed = applyChange(pinned, {
        kind: 'setEntry',
        entry: page.id,
        field: 'title',
        value: title,
      }).site
      expect(isPinTold(renamed, renamed.plan.entries.get(page.id) as PageEntry)).toBe(true)
    }),
  )
})
