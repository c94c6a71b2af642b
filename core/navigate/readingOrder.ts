import { type EntryId, isBegun } from '../plan/entry.ts'
import { type Plan, walk } from '../plan/plan.ts'

/** What comes before and after a page in the reading order. */
export interface Neighbours {
  readonly previous: EntryId | undefined
  readonly next: EntryId | undefined
}

/**
 * The pages of the whole site in the order to read them: depth first, each before the pages under it, from the
 * home page. What is not a page, not yet begun, or not in the order is passed over; what is under it is not.
 */
export function readingOrder(plan: Plan): readonly EntryId[] {
  const order: EntryId[] = []
  for (const { entry } of walk(plan)) if (isBegun(entry) && entry.inOrder) order.push(entry.id)
  return order
}

const ALONE: Neighbours = { previous: undefined, next: undefined }

/** A look-up from page to neighbours. The order does not wrap; a page that is not in it has none. */
export function neighboursIn(order: readonly EntryId[]): (page: EntryId) => Neighbours {
  const places = new Map(order.map((id, place) => [id, place]))
  return (page) => {
    const place = places.get(page)
    return place === undefined ? ALONE : { previous: order[place - 1], next: order[place + 1] }
  }
}
