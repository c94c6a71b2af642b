import { valueFor } from '../../standard/present.ts'
import { collect } from '../collect.ts'
import { type Correction, correctionsOf } from '../corrections.ts'
import { type FoundParts, pathOf } from '../parts/recognise.ts'
import { foldersOf, type ReadFolder } from '../pages/folder.ts'
import type { PageElement } from '../pages/nodes.ts'
import type { ReadPage } from '../pages/readPage.ts'
import type { GroupItem } from '../parts/linkGroups.ts'

/** What tells where a page stands, the strongest first: its author, else what its pages say. */
export const EVIDENCE = [
  'author',
  'breadcrumb',
  'head',
  'pager',
  'menu',
  'contents',
  'folder',
  'name',
  'none',
] as const
export type Evidence = (typeof EVIDENCE)[number]

/** What one thing says of the page above another. */
export interface Vote {
  readonly parent: string
  readonly evidence: Evidence
  readonly weight: number
  /** The label of a group without a page that stands between the two. */
  readonly group?: string
}

/** How much each counts beside the others: a breadcrumb is outvoted only by several that agree. */
export const WEIGHTS = {
  author: 1000,
  breadcrumb: 4.2,
  /** What the breadcrumb of a page says of those above it. */
  breadcrumbBelow: 2.5,
  head: 4.1,
  menu: 4,
  firstLevel: 1.5,
  sectionMenu: 3,
  pager: 3,
  folder: 2.5,
  contents: 2,
  name: 1.5,
} as const

/** The links of a breadcrumb that lead to pages above the page it stands on, from the home page down. */
export function trailOf(folder: ReadFolder, page: ReadPage, items: readonly GroupItem[]): string[] {
  const trail = items.flatMap((item) => pathOf(item) ?? [])
  const own = trail.indexOf(page.path)
  return (own < 0 ? trail : trail.slice(0, own)).filter((path) => folder.byPath.has(path))
}

/** All that the pages, and their author, say of where each of them stands. */
export function votesOf(
  folder: ReadFolder,
  parts: FoundParts,
  corrections: readonly Correction[],
): ReadonlyMap<string, readonly Vote[]> {
  const votes = new Map<string, Vote[]>(folder.pages.map(({ path }) => [path, []]))
  const vote = (
    child: string,
    parent: string | undefined,
    evidence: Evidence,
    weight: number,
    group?: string,
  ) => {
    if (parent === undefined || parent === child || child === folder.home || !folder.byPath.has(parent))
      return
    votes.get(child)?.push({ parent, evidence, weight, ...(group === undefined ? {} : { group }) })
  }
  breadcrumbVotes(folder, parts, vote)
  for (const page of folder.pages)
    for (const { rel, target } of page.relations)
      if (rel === 'up' && target.to === 'file') vote(page.path, target.path, 'head', WEIGHTS.head)
  for (const { group, links } of parts.pagers)
    if (links.up) vote(group.page.path, pathOf(links.up), 'pager', WEIGHTS.pager)
  menuVotes(folder, parts, vote)
  contentsVotes(folder, parts, vote)
  const stems = byStem(folder)
  for (const { path } of folder.pages) {
    folderVote(folder, path, vote)
    nameVote(stems, path, vote)
  }
  sequenceVotes(folder, parts, votes, vote)
  const weighed = weighedByTrust(votes)
  for (const { path, parent } of correctionsOf(corrections, 'parent')) {
    if (path === folder.home || path === parent || !folder.byPath.has(parent)) continue
    // The last word counts.
    const others = (weighed.get(path) ?? []).filter(({ evidence }) => evidence !== 'author')
    weighed.set(path, [...others, { parent, evidence: 'author', weight: WEIGHTS.author }])
  }
  return weighed
}

/** How often two kinds of evidence must have agreed before one of them is believed on its own. */
const TRUSTED_AFTER = 3
const OVER_BREADCRUMB = 5.5

/**
 * Breadcrumbs are copied, and left as they were on the page that was copied; folders, names and menus are not. What agrees
 * with the breadcrumbs of nearly all other pages is believed where one of them says something else.
 */
function weighedByTrust(votes: ReadonlyMap<string, readonly Vote[]>): Map<string, readonly Vote[]> {
  const agreed = new Map<Evidence, { yes: number; no: number }>()
  for (const own of votes.values()) {
    const breadcrumb = own.find(
      ({ evidence, weight }) => evidence === 'breadcrumb' && weight === WEIGHTS.breadcrumb,
    )
    if (!breadcrumb) continue
    for (const evidence of ['folder', 'name', 'menu', 'contents', 'head', 'pager'] as const) {
      const said = own.filter((vote) => vote.evidence === evidence && vote.weight > 1)
      if (said.length === 0) continue
      const count = agreed.get(evidence) ?? { yes: 0, no: 0 }
      agreed.set(evidence, count)
      if (said.some(({ parent }) => parent === breadcrumb.parent)) count.yes++
      else count.no++
    }
  }
  const isTrusted = (evidence: Evidence) => {
    const { yes, no } = agreed.get(evidence) ?? { yes: 0, no: 0 }
    return yes >= TRUSTED_AFTER && yes >= 3 * no
  }
  return new Map(
    [...votes].map(([path, own]) => [
      path,
      own.map((vote) =>
        vote.weight > 1 && vote.weight < WEIGHTS.breadcrumb && isTrusted(vote.evidence)
          ? { ...vote, weight: OVER_BREADCRUMB }
          : vote,
      ),
    ]),
  )
}

/** A page between two of one section in the order to read them is of that section, too. */
function sequenceVotes(
  folder: ReadFolder,
  { pagers }: FoundParts,
  votes: ReadonlyMap<string, readonly Vote[]>,
  vote: Cast,
): void {
  const parentOf = (path: string) => {
    const own = votes.get(path) ?? []
    return own.length === 0
      ? undefined
      : own.reduce((best, one) => (one.weight > best.weight ? one : best)).parent
  }
  const said: [string, string][] = []
  const around = new Map<string, { previous?: string; next?: string }>()
  for (const { group, links } of pagers) {
    const there = around.get(group.page.path) ?? {}
    const [previous, next] = [links.previous && pathOf(links.previous), links.next && pathOf(links.next)]
    around.set(group.page.path, { ...there, ...(previous ? { previous } : {}), ...(next ? { next } : {}) })
  }
  for (const { path, relations } of folder.pages)
    for (const { rel, target } of relations) {
      if (target.to !== 'file') continue
      const there = around.get(path) ?? {}
      if (rel.startsWith('prev')) around.set(path, { previous: target.path, ...there })
      if (rel === 'next') around.set(path, { next: target.path, ...there })
    }
  for (const [path, { previous, next }] of around) {
    if (previous === undefined || next === undefined) continue
    const [before, after] = [parentOf(previous), parentOf(next)]
    // Right under its head, or between two of its pages.
    if (
      after !== undefined &&
      after !== folder.home &&
      (previous === after || before === after) &&
      after !== path
    )
      said.push([path, after])
  }
  for (const [path, parent] of said) vote(path, parent, 'pager', WEIGHTS.pager)
}

type Cast = (
  child: string,
  parent: string | undefined,
  evidence: Evidence,
  weight: number,
  group?: string,
) => void

function breadcrumbVotes(folder: ReadFolder, { breadcrumbs }: FoundParts, vote: Cast): void {
  const seen = new Map<string, number>()
  for (const { groups } of breadcrumbs)
    for (const { page, items } of groups) {
      const trail = trailOf(folder, page, items)
      const last = items.at(-1)
      const before = items.at(-2)
      // A text before the last item is a section without a page of its own.
      const group = !last?.link && before && !before.link && items.length > 2 ? before.label : undefined
      vote(page.path, trail.at(-1), 'breadcrumb', WEIGHTS.breadcrumb, group)
      for (let at = 1; at < trail.length; at++) {
        const key = `${trail[at]} ${trail[at - 1]}`
        const times = (seen.get(key) ?? 0) + 1
        seen.set(key, times)
        // What other pages say of a page counts, too, but not once for each of them.
        if (times <= 3) vote(trail[at]!, trail[at - 1], 'breadcrumb', WEIGHTS.breadcrumbBelow)
      }
    }
}

function menuVotes(folder: ReadFolder, { menus, shared }: FoundParts, vote: Cast): void {
  const total = folder.pages.length
  const wide = [...shared, ...menus.filter(({ groups }) => groups.length > 0.5 * total)]
  const first = new Set(
    wide
      .slice(0, 1)
      .flatMap(({ entries }) =>
        entries.flatMap(({ path, level }) => (path !== undefined && level === 1 ? [path] : [])),
      ),
  )
  for (const menu of [...shared, ...menus]) {
    const { entries } = menu
    const isWide = wide.includes(menu) || total < 3
    const above: ((typeof entries)[number] | undefined)[] = []
    for (const entry of entries) {
      above.length = entry.level
      above[entry.level] = entry
      if (entry.path === undefined) continue
      const over = above[entry.level - 1]
      if (entry.level > 1 && over) {
        const page = above.slice(0, entry.level).findLast((one) => one?.path !== undefined)?.path
        vote(
          entry.path,
          page ?? folder.home,
          'menu',
          WEIGHTS.menu,
          over.path === undefined ? over.label : undefined,
        )
      } else if (isWide) vote(entry.path, folder.home, 'menu', WEIGHTS.firstLevel)
    }
    if (isWide) continue
    // A menu of the pages of one section: the one that the main menu has, too, stands above the others.
    const paths = entries.flatMap(({ path, level }) => (path !== undefined && level === 1 ? [path] : []))
    const heads = paths.filter((path) => first.has(path) && path !== folder.home)
    const head = heads.length === 1 ? heads[0] : undefined
    if (head !== undefined)
      for (const path of paths)
        if (path !== head && path !== folder.home) vote(path, head, 'menu', WEIGHTS.sectionMenu)
  }
}

/** Whether a cell of a table holds little beside a link: others lay out whole pages. */
const isCellOf = (link: PageElement, cell: PageElement): boolean =>
  cell.lastToken - cell.firstToken <= link.lastToken - link.firstToken + 8

const LISTED = /^(?:li|dt|dd|td|h[2-6])$/

function contentsVotes(folder: ReadFolder, parts: FoundParts, vote: Cast): void {
  const taken = new Map<ReadPage, { start: number; end: number }[]>()
  for (const group of [
    ...parts.menus.flatMap(({ groups }) => groups),
    ...parts.breadcrumbs.flatMap(({ groups }) => groups),
    ...parts.pagers.map(({ group }) => group),
  ])
    collect(taken, group.page, group)
  const lists = new Map<string, Set<string>>()
  for (const page of folder.pages) {
    const own = taken.get(page) ?? []
    const listed = new Set<string>()
    for (const { element, target } of page.links) {
      if (target.to !== 'file' || target.path === page.path || target.path === folder.home) continue
      if (
        !folder.byPath.has(target.path) ||
        own.some(({ start, end }) => element.start >= start && element.end <= end)
      )
        continue
      let isListed = false
      for (let at = element.parent, up = 0; at && up < 4; at = at.parent, up++)
        isListed ||= LISTED.test(at.tag) && (at.tag !== 'td' || isCellOf(element, at))
      if (isListed) listed.add(target.path)
    }
    lists.set(page.path, listed)
  }
  for (const [path, listed] of lists) {
    const below = [...listed].filter((other) => !valueFor(lists, other).has(path))
    if (below.length < 2) continue
    for (const other of below) vote(other, path, 'contents', path === folder.home ? 0.6 : WEIGHTS.contents)
  }
}

/** What a folder is called by a file beside or in it: `walks/index.html`, `walks.html`. */
function headOfFolder(folder: ReadFolder, name: string): string | undefined {
  if (name === '') return folder.home
  const inIt = folder.targets.fileAt(name)?.path
  if (inIt !== undefined && folder.byPath.has(inIt)) return inIt
  const stem = name.slice(0, -1)
  return ['.html', '.htm', '.php', '.shtml', '.xhtml']
    .map((extension) => folder.targets.fileAt(stem + extension)?.path)
    .find((path) => path !== undefined && folder.byPath.has(path))
}

function folderVote(folder: ReadFolder, path: string, vote: Cast): void {
  const folders = foldersOf(path)
  const isHead = headOfFolder(folder, folders[0]!) === path
  for (const [up, name] of folders.entries()) {
    if (up === 0 && isHead && name !== '') continue
    const head = headOfFolder(folder, name)
    if (head === undefined || head === path) continue
    const isTop = name === ''
    vote(path, head, isTop && folders.length === 1 ? 'none' : 'folder', isTop ? 0.3 : WEIGHTS.folder)
    return
  }
}

const stemOf = (path: string) =>
  path
    .slice(path.lastIndexOf('/') + 1)
    .replace(/\.[^.]*$/, '')
    .toLowerCase()

/** The pages of a folder by the stems of their names. */
function byStem({ pages }: ReadFolder): ReadonlyMap<string, readonly string[]> {
  const stems = new Map<string, string[]>()
  for (const { path } of pages) {
    const there = stems.get(stemOf(path))
    if (there) there.push(path)
    else stems.set(stemOf(path), [path])
  }
  return stems
}

const dirOf = (path: string) => path.slice(0, path.lastIndexOf('/') + 1)

function nameVote(stems: ReadonlyMap<string, readonly string[]>, path: string, vote: Cast): void {
  const stem = stemOf(path)
  for (let at = stem.length - 1; at > 1; at--) {
    if (!/[-_.]/.test(stem[at]!)) continue
    const found = stems
      .get(stem.slice(0, at))
      ?.find(
        (other) => other !== path && (other.startsWith(dirOf(path)) || dirOf(path).startsWith(dirOf(other))),
      )
    if (found !== undefined) return vote(path, found, 'name', WEIGHTS.name)
  }
}
