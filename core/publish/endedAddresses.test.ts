import fc from 'fast-check'
import { applyChange } from '../plan/change/apply.ts'
import { ChangeRefused } from '../plan/change/refused.ts'
import { newSite, type Site } from '../plan/site.ts'
import { removalWith } from '../shape/removal.ts'
import { nameKey } from '../standard/fileName.ts'
import { anyChange, arbitraryDraws, arbitraryStart } from '../testing/arbitraryChange.ts'
import { arbitrarySurround } from '../testing/arbitrarySurround.ts'
import { YEAR } from '../testing/year.ts'
import { USUAL_CHOICES } from './choices.ts'
import { differenceOf } from './difference.ts'
import { endedAddresses } from './endedAddresses.ts'
import { filesToPublish, type HostFile } from './publication.ts'

const filesOf = (site: Site): HostFile[] =>
  [...filesToPublish(site, YEAR, USUAL_CHOICES)].map(({ path, role, page }) => ({
    ...{ path, role, page, digest: '', size: 0 },
  }))

test('an address has ended where a page was published and nothing is published there now, whatever was changed', () => {
  let met = 0
  fc.assert(
    fc.property(
      arbitraryStart(8, arbitrarySurround),
      fc.array(arbitraryDraws, { minLength: 1, maxLength: 6 }),
      fc.nat(),
      (before, draws, pick) => {
        let after = before
        const ids = [...before.plan.entries.keys()].filter((id) => id !== before.plan.home)
        const gone = ids[pick % Math.max(ids.length, 1)]
        for (const make of [
          ...(gone === undefined
            ? []
            : [
                (site: Site) =>
                  removalWith(site, [gone], {
                    ...{ under: 'go-too', links: 'stay' },
                    to: pick % 2 ? site.plan.home : undefined,
                  }),
              ]),
          ...draws.map((draw, at) => (site: Site) => anyChange(site, draw, at)),
        ]) {
          try {
            const change = make(after)
            if (change) after = applyChange(after, change).site
          } catch (error) {
            if (!(error instanceof ChangeRefused)) throw error
          }
        }
        const [was, is] = [filesOf(before), filesOf(after)]
        const there = new Set(is.map(({ path }) => nameKey(path)))
        const ended = was.flatMap(({ path, role }) =>
          role === 'page' && !there.has(nameKey(path)) ? [path] : [],
        )
        met += ended.length
        expect(endedAddresses(after, differenceOf(was, is), USUAL_CHOICES)).toEqual(ended.sort())
      },
    ),
    { numRuns: 200 },
  )
  expect(met).toBeGreaterThan(50)
})

test('a host without redirects has lost every address that a page left', () => {
  const page = { digest: '', size: 0, role: 'page', page: 'a' } as const
  const moved = [{ before: { ...page, path: 'old.html' }, after: { ...page, path: 'new.html' } }]
  const value = [{ from: 'old.html', to: { to: 'address', url: 'https://example.org/' } }] as const
  const { site } = applyChange(newSite('S', 'home'), {
    ...{ kind: 'setSite', field: 'redirects', value: [...value] },
  })
  expect(endedAddresses(site, { deleted: [], moved }, { redirectPages: true, rules: 'none' })).toEqual([])
  expect(endedAddresses(site, { deleted: [], moved }, { redirectPages: false, rules: 'none' })).toEqual([
    'old.html',
  ])
})
