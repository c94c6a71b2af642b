/** How alike menus are that are taken for the same one. */
const ENOUGH = 0.7

const likenessOf = (both: number, one: number, other: number) => both / (one + other - both || 1)

/** How alike two lists of items are: what both have, of all that they have. */
export function likeness(a: ReadonlySet<string>, b: ReadonlySet<string>): number {
  let both = 0
  for (const one of a) if (b.has(one)) both++
  return likenessOf(both, a.size, b.size)
}

/** Finds menus by their items: of many menus only those are compared that share one. */
export class MenusByItem {
  readonly #sizes: readonly number[]
  readonly #having = new Map<string, number[]>()

  /** @param menus the keys of the items of each */
  constructor(menus: readonly ReadonlySet<string>[]) {
    this.#sizes = menus.map(({ size }) => size)
    for (const [at, keys] of menus.entries())
      for (const key of keys) {
        const there = this.#having.get(key)
        if (there) there.push(at)
        else this.#having.set(key, [at])
      }
  }

  /** The first menu with nearly the same items, by its number. @param may whether one that has them can be taken */
  firstLike(own: ReadonlySet<string>, may: (at: number) => boolean): number | undefined {
    const both = new Map<number, number>()
    for (const key of own) for (const at of this.#having.get(key) ?? []) both.set(at, (both.get(at) ?? 0) + 1)
    let first: number | undefined
    for (const [at, count] of both)
      if (
        (first === undefined || at < first) &&
        likenessOf(count, own.size, this.#sizes[at]!) >= ENOUGH &&
        may(at)
      )
        first = at
    return first
  }
}
