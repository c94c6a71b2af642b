import { itemAt, valueFor } from '../../standard/present.ts'
import { collect } from '../collect.ts'
import type { Correction } from '../corrections.ts'
import { type FoundParts, pathOf } from '../parts/recognise.ts'
import type { ReadFolder } from '../pages/folder.ts'
import { EVIDENCE, type Evidence, type Vote, votesOf, WEIGHTS } from './evidence.ts'

/** Where a page stands, and why. */
export interface Placing {
  readonly path: string
  /** Null for the home page. */
  readonly parent: string | null
  readonly evidence: Evidence
  /** The label of a group without a page that it stands in, under its parent. */
  readonly group: string | undefined
  /** What says that it stands elsewhere. */
  readonly against: readonly Vote[]
}

export interface Hierarchy {
  readonly placings: ReadonlyMap<string, Placing>
  /** The pages under each, in their order. */
  readonly children: ReadonlyMap<string, readonly string[]>
  /** The pages that previous and next lead through, run by run. */
  readonly runs: readonly (readonly string[])[]
}

/** What all votes for one parent weigh: each kind of evidence counts once, but for breadcrumbs of the pages below. */
function weighed(votes: readonly Vote[]): { parent: string; weight: number; votes: Vote[] }[] {
  const byParent = new Map<string, Vote[]>()
  for (const vote of votes) collect(byParent, vote.parent, vote)
  return [...byParent]
    .map(([parent, own]) => {
      const heaviest = new Map<Evidence, number>()
      let more = 0
      for (const { evidence, weight } of own) {
        if (evidence === 'breadcrumb' && weight < WEIGHTS.breadcrumb) more += weight
        else heaviest.set(evidence, Math.max(heaviest.get(evidence) ?? 0, weight))
      }
      return { parent, weight: more + [...heaviest.values()].reduce((sum, one) => sum + one, 0), votes: own }
    })
    .sort((a, b) => b.weight - a.weight || (a.parent < b.parent ? -1 : 1))
}

const strongest = (votes: readonly Vote[]): Evidence =>
  EVIDENCE.find((evidence) => votes.some((vote) => vote.evidence === evidence)) ?? 'none'

function placingsOf(folder: ReadFolder, all: ReadonlyMap<string, readonly Vote[]>): Map<string, Placing> {
  const placings = new Map<string, Placing>()
  const options = new Map<string, ReturnType<typeof weighed>>()
  for (const { path } of folder.pages) {
    if (path === folder.home) {
      placings.set(path, { path, parent: null, evidence: 'none', group: undefined, against: [] })
      continue
    }
    options.set(path, weighed(valueFor(all, path)))
  }
  const chosen = new Map<string, number>()
  for (const [path, own] of options) if (own.length > 0) chosen.set(path, 0)
  const parentOf = (path: string) => options.get(path)?.[chosen.get(path) ?? -1]?.parent ?? folder.home
  // No page stands above itself: of a ring, the page gives way that is placed with the least weight.
  for (const start of options.keys()) {
    for (;;) {
      const way: string[] = []
      let at = start
      while (at !== folder.home && !way.includes(at)) {
        way.push(at)
        at = parentOf(at)
      }
      if (at === folder.home) break
      const ring = way.slice(way.indexOf(at))
      const weakest = ring.reduce((a, b) =>
        (valueFor(options, b)[valueFor(chosen, b)]?.weight ?? 0) <
        (valueFor(options, a)[valueFor(chosen, a)]?.weight ?? 0)
          ? b
          : a,
      )
      chosen.set(weakest, valueFor(chosen, weakest) + 1)
    }
  }
  for (const [path, own] of options) {
    const at = chosen.get(path)
    const taken = at === undefined ? undefined : own[at]
    const parent = taken?.parent ?? folder.home
    const votes = taken?.votes ?? []
    placings.set(path, {
      path,
      parent,
      evidence: strongest(votes),
      group: votes.find(({ group }) => group !== undefined)?.group,
      against: own.filter((one) => one !== taken).flatMap((one) => one.votes),
    })
  }
  return placings
}

/** Which page follows which: said by previous and next, in pagers and heads. */
function runsOf(folder: ReadFolder, { pagers }: FoundParts): string[][] {
  const support = new Map<string, { from: string; to: string; weight: number }>()
  const say = (from: string, to: string | undefined, weight: number) => {
    if (to === undefined || from === to || !folder.byPath.has(from) || !folder.byPath.has(to)) return
    const key = `${from}\n${to}`
    const there = support.get(key) ?? { from, to, weight: 0 }
    there.weight += weight
    support.set(key, there)
  }
  for (const { group, links } of pagers) {
    if (links.next) say(group.page.path, pathOf(links.next), 1)
    const before = links.previous && pathOf(links.previous)
    if (before !== undefined) say(before, group.page.path, 1)
  }
  for (const { path, relations } of folder.pages)
    for (const { rel, target } of relations) {
      if (target.to !== 'file') continue
      if (rel === 'next') say(path, target.path, 1)
      if (rel === 'prev' || rel === 'previous') say(target.path, path, 1)
    }
  const next = new Map<string, string>()
  const previous = new Map<string, string>()
  // Joins runs, the surest steps first; none leads back into its own run.
  const ends = new Map<string, string>()
  const endOf = (path: string): string => {
    let at = path
    for (let on = ends.get(at); on !== undefined; on = ends.get(at)) at = on
    return at
  }
  const distance = ({ from, to }: { from: string; to: string }) =>
    Math.abs(valueFor(rank, to) - valueFor(rank, from))
  const rank = new Map(folder.pages.map(({ path }, at) => [path, at]))
  for (const step of [...support.values()].sort((a, b) => b.weight - a.weight || distance(a) - distance(b))) {
    if (next.has(step.from) || previous.has(step.to)) continue
    if (endOf(step.to) === step.from) continue
    next.set(step.from, step.to)
    previous.set(step.to, step.from)
    ends.set(step.from, endOf(step.to))
  }
  const runs: string[][] = []
  for (const { path } of folder.pages) {
    if (previous.has(path) || !next.has(path)) continue
    const run = [path]
    for (let on = next.get(path); on !== undefined; on = next.get(on)) run.push(on)
    runs.push(run)
  }
  return runs
}

/** Puts those of some pages that a list has in the order of the list; the others stay where they are. */
function inOrderOf(pages: readonly string[], order: ReadonlyMap<string, number>): string[] {
  const listed = pages
    .filter((path) => order.has(path))
    .sort((a, b) => valueFor(order, a) - valueFor(order, b))
  let at = 0
  return pages.map((path) => (order.has(path) ? listed[at++]! : path))
}

const placesIn = (paths: readonly string[]): Map<string, number> => {
  const places = new Map<string, number>()
  paths.forEach((path, at) => {
    if (!places.has(path)) places.set(path, at)
  })
  return places
}

const naturally = new Intl.Collator('en', { numeric: true }).compare

/** How many pages must follow the order for it to say where one of them stands. */
const ORDER_TRUSTED_AFTER = 3

/**
 * Read depth first, a page stands under the page before it, or under one above that. Where nearly all pages do, what says
 * otherwise of one of them is left aside.
 */
function heldToOrder(
  folder: ReadFolder,
  votes: ReadonlyMap<string, readonly Vote[]>,
  runs: readonly (readonly string[])[],
): Map<string, Placing> {
  const placings = placingsOf(folder, votes)
  const parents = new Map([...placings.values()].map(({ path, parent }) => [path, parent]))
  const aboveOrSelf = (path: string) => {
    const way = [path]
    for (let up = parents.get(path) ?? null; up !== null && !way.includes(up); up = parents.get(up) ?? null)
      way.push(up)
    return way
  }
  let held = 0
  const settled = new Map(votes)
  const astray: string[] = []
  for (const run of runs)
    run.slice(1).forEach((path, at) => {
      const parent = parents.get(path) ?? null
      if (parent === null) return
      const allowed = aboveOrSelf(run[at]!).filter((one) => one !== path)
      if (allowed.includes(parent) || valueFor(placings, path).evidence === 'author') {
        held++
        return
      }
      const kept = valueFor(votes, path).filter((vote) => allowed.includes(vote.parent))
      // Where nothing else is said of it, it stands as deep as it was said to.
      const deep = aboveOrSelf(parent).length
      const level = allowed.find((one) => aboveOrSelf(one).length === deep) ?? allowed[1] ?? allowed[0]!
      const beside: Vote = { parent: level, evidence: 'pager', weight: 1 }
      const own = [...kept, beside]
      astray.push(path)
      settled.set(path, own)
      parents.set(path, itemAt(weighed(own), 0).parent)
    })
  if (astray.length === 0 || held < ORDER_TRUSTED_AFTER || held < 3 * astray.length) return placings
  const better = placingsOf(folder, settled)
  for (const path of astray) {
    const placing = valueFor(better, path)
    const against = valueFor(votes, path).filter(({ parent }) => parent !== placing.parent)
    better.set(path, { ...placing, against })
  }
  return better
}

/** Works out where each page stands, and in which order. */
export function hierarchyOf(
  folder: ReadFolder,
  parts: FoundParts,
  corrections: readonly Correction[],
): Hierarchy {
  const runs = runsOf(folder, parts)
  const placings = heldToOrder(folder, votesOf(folder, parts, corrections), runs)
  const under = new Map<string, string[]>()
  for (const { path, parent } of placings.values()) if (parent !== null) collect(under, parent, path)
  const menus = [...parts.shared, ...parts.menus]
    .reverse()
    .map(({ entries }) => placesIn(entries.flatMap(({ path }) => path ?? [])))
  const children = new Map<string, readonly string[]>()
  for (const [parent, pages] of under) {
    let ordered = pages.sort(naturally)
    const page = valueFor(folder.byPath, parent)
    ordered = inOrderOf(
      ordered,
      placesIn(page.links.flatMap(({ target }) => (target.to === 'file' ? [target.path] : []))),
    )
    for (const menu of menus) ordered = inOrderOf(ordered, menu)
    for (const run of runs) ordered = inOrderOf(ordered, placesIn(run))
    children.set(parent, ordered)
  }
  return { placings, children, runs: inReadingOrder(folder, children, runs) }
}

/** The pages of a hierarchy, each before those under it. */
export function depthFirst(home: string, children: ReadonlyMap<string, readonly string[]>): string[] {
  const order: string[] = []
  const waiting = [home]
  for (let next = waiting.pop(); next !== undefined; next = waiting.pop()) {
    order.push(next)
    waiting.push(...[...(children.get(next) ?? [])].reverse())
  }
  return order
}

function inReadingOrder(
  folder: ReadFolder,
  children: ReadonlyMap<string, readonly string[]>,
  runs: readonly (readonly string[])[],
): (readonly string[])[] {
  const place = placesIn(depthFirst(folder.home, children))
  return [...runs].sort((a, b) => valueFor(place, a[0]!) - valueFor(place, b[0]!))
}
