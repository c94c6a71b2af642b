import type { Stretch } from './pageTokens.ts'
import { itemAt } from './present.ts'

/** Stretches of one page that are found by their places: no search looks at all of them. */
export class Stretches<One extends Stretch> {
  /** By where they start. */
  readonly #sorted: readonly { readonly one: One; readonly at: number }[]
  /** The furthest end of each and all before it. */
  readonly #reach: readonly number[]

  constructor(all: Iterable<One>) {
    this.#sorted = [...all].map((one, at) => ({ one, at })).sort((a, b) => a.one.start - b.one.start)
    let reach = -Infinity
    this.#reach = this.#sorted.map(({ one }) => (reach = Math.max(reach, one.end)))
  }

  /** How many of them start before a place. */
  #before(place: number): number {
    let [from, to] = [0, this.#sorted.length]
    while (from < to) {
      const middle = (from + to) >> 1
      if (itemAt(this.#sorted, middle).one.start < place) from = middle + 1
      else to = middle
    }
    return from
  }

  /** Whether one of them holds a stretch, or is the same. */
  covers({ start, end }: Stretch): boolean {
    const count = this.#before(start + 1)
    return count > 0 && this.#reach[count - 1]! >= end
  }

  /** Those that share a character with a stretch, in the order in which they were given. */
  overlapping({ start, end }: Stretch): One[] {
    const found: { one: One; at: number }[] = []
    for (let index = this.#before(end) - 1; index >= 0 && this.#reach[index]! > start; index--)
      if (itemAt(this.#sorted, index).one.end > start) found.push(this.#sorted[index]!)
    return found.sort((a, b) => a.at - b.at).map(({ one }) => one)
  }
}
