import type { Site } from '../plan/site.ts'
import { addressesOf } from './addresses.ts'

/** Whether a page that is there before and after a change has another address after it. */
export function movesAddresses(before: Site, after: Site): boolean {
  const paths = addressesOf(after).paths
  for (const [id, path] of addressesOf(before).paths) {
    if ((paths.get(id) ?? path) !== path) return true
  }
  return false
}
