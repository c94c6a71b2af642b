import { itemsBelow } from '../navigate/menu.ts'
import { labelOf } from '../plan/entry.ts'
import type { EntryId } from '../plan/ids.ts'
import { childrenOf, entryOf } from '../plan/plan.ts'
import type { Site } from '../plan/site.ts'
import type { PieceOf } from '../plan/surround/piece.ts'

export type Column = PieceOf<'columns'>['columns'][number]

/** How many links a column can have. */
const MOST_LINKS = 50

/** The entries directly below the home page that have entries in menus below them, in plan order. */
export const sectionsOf = (site: Site): readonly EntryId[] =>
  childrenOf(site.plan, site.plan.home).filter((id) => itemsBelow(site, id, 1, false).length > 0)

/** Returns a column with a link to each entry of a section that is in menus; the labels follow the plan. */
export function columnOfSection(site: Site, section: EntryId, newId: () => string): Column {
  const links = itemsBelow(site, section, 1, false)
    .slice(0, MOST_LINKS)
    .map(({ id }) => ({
      id: newId(),
      label: '',
      target: { to: 'entry' as const, entry: id, fragment: '' },
      isButton: false,
    }))
  return { id: newId(), heading: labelOf(entryOf(site.plan, section)), links }
}
