import fc from 'fast-check'
import { addressesOf } from '../address/addresses.ts'
import { applySoundly } from '../plan/change/sound.ts'
import { type Entry, labelOf } from '../plan/entry.ts'
import { childrenOf, entryOf } from '../plan/plan.ts'
import type { Settings } from '../plan/site.ts'
import { arbitrarySite } from '../testing/arbitrarySite.ts'
import { otherKind } from './kind.ts'

test('a page becomes a group and a group a page, in its place, with all under it, and undone it is what it was', () => {
  fc.assert(
    fc.property(arbitrarySite(12), (site) => {
      for (const entry of site.plan.entries.values()) {
        const change = otherKind(site, entry.id)
        if (entry.id === site.plan.home || entry.kind === 'link') {
          expect(change).toBeUndefined()
          continue
        }
        const { site: after, inverse } = applySoundly(site, change!)
        const now = after.plan.entries.get(entry.id)!
        expect(now).toMatchObject({ kind: entry.kind === 'page' ? 'group' : 'page', inMenu: entry.inMenu })
        expect(labelOf(now)).toBe(labelOf(entry))
        expect(childrenOf(after.plan, entry.id)).toEqual(childrenOf(site.plan, entry.id))
        expect(applySoundly(after, inverse).site.plan).toEqual(site.plan)
      }
    }),
    { numRuns: 80 },
  )
})

/**
 * Whether the address of a page comes from that above it alone. In one folder it may take the name that the page leaves;
 * so it may among existing pages, unless it stands at the path that it keeps.
 */
function isHeldByFolder(layout: Settings['layout'], child: Entry, path: string | undefined): boolean {
  switch (layout) {
    case 'nested':
    case 'folders':
      return true
    case 'flat':
      return false
    case 'own':
      return child.kind === 'page' && child.fileName === '' && child.pin?.addresses.at(-1) === path
  }
}

test('the folder of a group is called as the file of the page was: what is under it stays where it is', () => {
  fc.assert(
    fc.property(arbitrarySite(10), (site) => {
      const before = addressesOf(site).paths
      for (const entry of site.plan.entries.values()) {
        const isTaken = entry.kind === 'page' && addressesOf(site).names.get(entry.id) !== entry.fileName
        if (entry.kind !== 'page' || entry.fileName === '' || isTaken) continue
        const change = otherKind(site, entry.id)
        if (!change) continue
        const after = addressesOf(applySoundly(site, change).site).paths
        for (const id of childrenOf(site.plan, entry.id)) {
          const path = before.get(id)
          if (isHeldByFolder(site.settings.layout, entryOf(site.plan, id), path))
            expect(after.get(id)).toBe(path)
        }
      }
    }),
    { numRuns: 80 },
  )
})
