import { movesAddresses } from '@viatica/core/address/moves.ts'
import type { Change, SetEntry } from '@viatica/core/plan/change/change.ts'
import type { EntryId } from '@viatica/core/plan/ids.ts'
import { useOpenSite } from '../stores/openSite.ts'

/** Returns, for a text typed into a field of an entry, the change that saves it where that moves an address of the site. */
export function movingChange(entry: EntryId, field: 'title' | 'label' | 'fileName') {
  const openSite = useOpenSite()
  return (value: string): Change | undefined => {
    const change: SetEntry = { kind: 'setEntry', entry, field, value }
    const outcome = openSite.tryOut(change)
    return typeof outcome !== 'string' && movesAddresses(openSite.shown, outcome.site) ? change : undefined
  }
}
