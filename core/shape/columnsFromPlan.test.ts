import fc from 'fast-check'
import { shownLinks } from '../navigate/leads.ts'
import { itemsBelow } from '../navigate/menu.ts'
import { applyChange } from '../plan/change/apply.ts'
import type { Piece } from '../plan/surround/piece.ts'
import { arbitrarySite } from '../testing/arbitrarySite.ts'
import { columnOfSection, sectionsOf } from './columnsFromPlan.ts'

test('columns of the sections can be added to any site, and show what its menus show of each section', () => {
  fc.assert(
    fc.property(arbitrarySite(20), (site) => {
      let made = 0
      const newId = () => `new-${++made}`
      const columns = sectionsOf(site)
        .slice(0, 12)
        .map((section) => columnOfSection(site, section, newId))
      const piece = { id: 'columns', kind: 'columns', beside: false, label: 'More', columns } as Piece
      const next = applyChange(site, { kind: 'addPiece', place: 'footer', at: 0, piece }).site
      sectionsOf(site).forEach((section, at) => {
        const shown = shownLinks(next, columns[at]!.links).map(({ label }) => label)
        expect(shown).toEqual(itemsBelow(site, section, 1, false).map(({ label }) => label))
      })
    }),
  )
})
