import { itemAt } from '../../standard/present.ts'
import type { Cell } from './cells.ts'

/** What is matched: cells of pages, or smaller pieces of them. */
type Matchable = Pick<Cell, 'key' | 'isTelling'>

/** Of each cell of one page, the cell of another that is the same; -1 where there is none. Both go upwards. */
export type Matched = readonly number[]

/** The places of keys that a page has only once. */
function uniqueKeys(cells: readonly Matchable[]): Map<string, number> {
  const places = new Map<string, number>()
  cells.forEach(({ key, isTelling }, at) => {
    if (isTelling) places.set(key, places.has(key) ? -1 : at)
  })
  return places
}

/** The longest run of pairs that goes upwards on both sides. @param pairs by their first side */
function longestRising(pairs: readonly (readonly [number, number])[]): (readonly [number, number])[] {
  const ends: number[] = []
  const before = new Array<number>(pairs.length).fill(-1)
  pairs.forEach(([, other], at) => {
    let low = 0
    let high = ends.length
    while (low < high) {
      const middle = (low + high) >> 1
      if (itemAt(pairs, ends[middle]!)[1] < other) low = middle + 1
      else high = middle
    }
    if (low > 0) before[at] = ends[low - 1]!
    ends[low] = at
  })
  const run: (readonly [number, number])[] = []
  for (let at = ends.at(-1) ?? -1; at >= 0; at = before[at]!) run.push(pairs[at]!)
  return run.reverse()
}

/**
 * Finds what two pages have in common: first what each of them has only once, in the same order, then what stands beside
 * that on both. Takes time in proportion to the pages, whatever differs.
 */
export function linksOfCells(base: readonly Matchable[], other: readonly Matchable[]): Matched {
  const matched = new Array<number>(base.length).fill(-1)
  // What is the same from the top, and from the end.
  let top = 0
  while (top < base.length && top < other.length && itemAt(base, top).key === itemAt(other, top).key)
    matched[top] = top++
  let endA = base.length - 1
  let endB = other.length - 1
  while (endA >= top && endB >= top && itemAt(base, endA).key === itemAt(other, endB).key)
    matched[endA--] = endB--
  const inOther = uniqueKeys(other)
  const pairs: [number, number][] = []
  for (const [key, at] of uniqueKeys(base)) {
    const there = inOther.get(key)
    if (at >= top && at <= endA && there !== undefined && there >= top && there <= endB)
      pairs.push([at, there])
  }
  const anchors = longestRising(pairs.sort(([a], [b]) => a - b))
  for (const [a, b] of anchors) matched[a] = b
  // What stands beside an anchor on both pages, as far as it is the same.
  let floor = top - 1
  anchors.forEach(([a, b], n) => {
    const [previousA, previousB] = n > 0 ? anchors[n - 1]! : [top - 1, top - 1]
    for (
      let i = a - 1, j = b - 1;
      i > Math.max(previousA, floor) && j > previousB && matched[i]! < 0;
      i--, j--
    ) {
      if (itemAt(base, i).key !== itemAt(other, j).key) break
      matched[i] = j
    }
    const [nextA, nextB] = anchors[n + 1] ?? [endA + 1, endB + 1]
    for (let i = a + 1, j = b + 1; i < nextA && j < nextB; i++, j++) {
      if (itemAt(base, i).key !== itemAt(other, j).key) break
      matched[i] = j
      floor = i
    }
  })
  return rising(matched)
}

/** What was matched from both sides must not cross. */
function rising(matched: number[]): number[] {
  let last = -1
  return matched.map((at) => {
    if (at <= last) return -1
    last = at
    return at
  })
}
