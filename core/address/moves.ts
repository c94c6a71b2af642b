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

/** Whether a page that was published at its address has another one after a change: links from other sites lead there. */
export function movesPublished(before: Site, after: Site): boolean {
  const paths = addressesOf(after).paths
  for (const [id, path] of addressesOf(before).paths) {
    const entry = before.plan.entries.get(id)
    const isPublished = entry?.kind === 'page' && (entry.pin?.addresses.includes(path) ?? false)
    if (isPublished && (paths.get(id) ?? path) !== path) return true
  }
  return false
}
