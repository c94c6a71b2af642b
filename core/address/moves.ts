import { applyChange } from '../plan/change/apply.ts'
import type { Change } from '../plan/change/change.ts'
import { ChangeRefused } from '../plan/change/refused.ts'
import type { Site } from '../plan/site.ts'
import { addressesOf } from './addresses.ts'

/** Whether a change moves the address of any page that is there before and after; one that is refused moves none. */
export function movesAddresses(site: Site, change: Change): boolean {
  try {
    const after = addressesOf(applyChange(site, change).site).paths
    return [...addressesOf(site).paths].some(([id, path]) => (after.get(id) ?? path) !== path)
  } catch (error) {
    if (error instanceof ChangeRefused) return false
    throw error
  }
}
