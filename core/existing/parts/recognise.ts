import { itemAt, lastOf, valueFor } from '../../standard/present.ts'
import { most } from '../most.ts'
import { type Correction, correctionsOf, elementAt } from '../corrections.ts'
import { attributeOf } from '../pages/nodes.ts'
import { plainName, type ReadFolder } from '../pages/folder.ts'
import type { ReadPage } from '../pages/readPage.ts'
import { tokensOf } from '../../standard/pageTokens.ts'
import { targetKey } from '../pages/targets.ts'
import { type Direction, directionAmong } from './directions.ts'
import { withoutEdges } from './edges.ts'
import { type GroupItem, type LinkGroup, linkGroups, namesOn } from './linkGroups.ts'
import { likeness, MenusByItem } from './menusByItem.ts'
import { nearPlace, takenApart } from './mixed.ts'
import { withWrappers } from './wrapper.ts'

/** An item of a menu as most pages have it. */
export interface MenuEntry {
  /** Where it leads, as `targetKey` writes it; `=label` for one that leads nowhere. */
  readonly key: string
  readonly label: string
  /** The page or file it leads to. */
  readonly path: string | undefined
  /** Where it leads outside of the folder, or to nothing in it. */
  readonly url: string | undefined
  readonly level: number
}

/** A menu: links that pages share, where each of them has it. */
export interface FoundMenu {
  readonly entries: readonly MenuEntry[]
  readonly groups: readonly LinkGroup[]
}

export interface FoundBreadcrumb {
  readonly groups: readonly LinkGroup[]
}

/** The pager of one page: where its links lead. */
export interface PagerOfPage {
  readonly group: LinkGroup
  readonly links: Readonly<Partial<Record<Direction, GroupItem>>>
}

/** The parts of the pages that follow from the plan. */
export interface FoundParts {
  readonly menus: readonly FoundMenu[]
  /** Menus of parts in files of their own, which all pages put in. */
  readonly shared: readonly FoundMenu[]
  readonly breadcrumbs: readonly FoundBreadcrumb[]
  readonly pagers: readonly PagerOfPage[]
  /** Every group of links that is none of these, by page. */
  readonly others: ReadonlyMap<string, readonly LinkGroup[]>
}

const BREADCRUMB_NAME =
  /bread-?\s?crumb|crumbs?\b|\btrail\b|you-?are-?here|youarehere|brotkrume|fil-?d-?ariane|migas/
const TRAIL_SEPARATOR = /[›»>→▸▶‣]|::/
const PAGER_NAME =
  /\bpager\b|prev-?next|prevnext|pagination|\bpagenav|page-?nav|sequence|nav-?links|post-?nav/

/** The page that an item leads to, the page itself where it stands there as text. */
export function pathOf(item: GroupItem): string | undefined {
  return item.link?.target.to === 'file' ? item.link.target.path : undefined
}

/** What an item is among the items of its menu. */
export function keyOf(item: GroupItem, page: ReadPage, isOwn: boolean): string {
  if (isOwn) return `/${page.path}`
  if (!item.link || item.link.target.to === 'here') return `=${plainName(item.label)}`
  return targetKey(item.link.target)
}

/**
 * The groups that stand in the same place of different pages.
 * @param placeOf what their place is called
 */
function byPlace(
  groups: ReadonlyMap<ReadPage, readonly LinkGroup[]>,
  placeOf: (group: LinkGroup) => string = ({ place }) => place,
): LinkGroup[][] {
  const places = new Map<string, LinkGroup[]>()
  for (const ofPage of groups.values()) {
    const seen = new Map<string, number>()
    for (const group of ofPage) {
      const place = placeOf(group)
      const nth = seen.get(place) ?? 0
      seen.set(place, nth + 1)
      const key = `${place} ${nth}`
      const there = places.get(key)
      if (there) there.push(group)
      else places.set(key, [group])
    }
  }
  return [...places.values()]
}

/** The same groups, those that hold more than one part taken apart. */
function apart(
  groups: ReadonlyMap<ReadPage, readonly LinkGroup[]>,
): ReadonlyMap<ReadPage, readonly LinkGroup[]> {
  const ofPages = new Map<ReadPage, LinkGroup[]>([...groups.keys()].map((page) => [page, []]))
  for (const cluster of byPlace(groups, nearPlace))
    for (const group of takenApart(cluster)) valueFor(ofPages, group.page).push(group)
  for (const ofPage of ofPages.values()) ofPage.sort((a, b) => a.start - b.start)
  return ofPages
}

const share = (groups: readonly LinkGroup[], is: (group: LinkGroup) => boolean): number =>
  groups.filter(is).length / groups.length

/** Whether an item stands for the page that it is on. */
function isItself(folder: ReadFolder, { page }: LinkGroup, item: GroupItem): boolean {
  if (item.link?.target.to === 'file') return item.link.target.path === page.path
  return folder.names.get(page.path)?.has(plainName(item.label)) ?? false
}

function isBreadcrumb(folder: ReadFolder, groups: readonly LinkGroup[]): boolean {
  const isFromHome = (group: LinkGroup) => {
    const first = group.items.find(({ link }) => link)
    return first !== undefined && pathOf(first) === folder.home
  }
  const endsHere = (group: LinkGroup) =>
    lastOf(group.items).link === undefined || isItself(folder, group, lastOf(group.items))
  if (share(groups, (group) => BREADCRUMB_NAME.test(group.names)) > 0.5)
    return share(groups, isFromHome) > 0.3
  if (groups.length < 2 || share(groups, isFromHome) < 0.7) return false
  const isTrail = (group: LinkGroup) => TRAIL_SEPARATOR.test(group.separator) && endsHere(group)
  if (share(groups, isTrail) >= 0.6) return true
  // With any other sign between them they are a way where they always end at the page itself.
  const isWay = (group: LinkGroup) =>
    group.separator !== '' &&
    group.items.length > 1 &&
    endsHere(group) &&
    isItself(folder, group, lastOf(group.items))
  const lengths = new Set(groups.map(({ items }) => items.length))
  return share(groups, isWay) >= 0.8 && lengths.size > 1
}

function pagerOf(group: LinkGroup): PagerOfPage | undefined {
  const links: Partial<Record<Direction, GroupItem>> = {}
  const found = group.items.filter(({ link }) => link)
  if (found.length > 4) return undefined
  for (const item of found) {
    const direction = directionAmong(group.items, group.items.indexOf(item)) ?? arrowBeside(group, item)
    if (direction !== undefined) links[direction] ??= item
  }
  return links.previous || links.next ? { group, links } : undefined
}

/** An arrow that stands right before or after a link. */
function arrowBeside({ page: { text }, start, end }: LinkGroup, item: GroupItem): Direction | undefined {
  const words = (html: string) =>
    tokensOf(html)
      .map((token) => (token.kind === 'text' ? token.text : ''))
      .join('')
      .trim()
  const before = words(text.slice(Math.max(start, item.start - 12), item.start))
  if (/[«‹←◄◀<]$/.test(before)) return 'previous'
  return /^[»›→►▶>]/.test(words(text.slice(item.end, Math.min(end, item.end + 12)))) ? 'next' : undefined
}

/** Puts groups together that have nearly the same items. */
function alike(groups: readonly LinkGroup[], keys: ReadonlyMap<LinkGroup, readonly string[]>): LinkGroup[][] {
  const clusters: { core: Map<string, number>; groups: LinkGroup[] }[] = []
  for (const group of groups) {
    const own = new Set(keys.get(group))
    let best: (typeof clusters)[number] | undefined
    let most = 0.5
    // Pages have few menus; what has many clusters is none.
    for (const cluster of clusters.slice(0, 60)) {
      const core = new Set(
        [...cluster.core].filter(([, times]) => times * 2 >= cluster.groups.length).map(([key]) => key),
      )
      // The page's own item may be missing or be text.
      const like = likeness(core, own)
      if (like >= most) [best, most] = [cluster, like]
    }
    if (!best) clusters.push((best = { core: new Map(), groups: [] }))
    best.groups.push(group)
    for (const key of own) best.core.set(key, (best.core.get(key) ?? 0) + 1)
  }
  return clusters.map((cluster) => cluster.groups)
}

/**
 * The same clusters, where one page has but a few items of what most pages have in this place: that is the same menu, from
 * which much is missing, and not a menu of its own.
 */
function withHalves(
  clusters: readonly LinkGroup[][],
  keys: ReadonlyMap<LinkGroup, readonly string[]>,
): readonly LinkGroup[][] {
  const all = clusters.reduce((sum, { length }) => sum + length, 0)
  const usual = clusters.find(({ length }) => length > 1 && length * 2 > all)
  if (!usual) return clusters
  const have = new Map<string, number>()
  for (const group of usual)
    for (const key of new Set(keys.get(group))) have.set(key, (have.get(key) ?? 0) + 1)
  const isHalf = (cluster: readonly LinkGroup[]) =>
    cluster.length === 1 &&
    valueFor(keys, cluster[0]!).length > 1 &&
    valueFor(keys, cluster[0]!).every((key) => (have.get(key) ?? 0) * 2 > usual.length)
  return clusters
    .filter((cluster) => !isHalf(cluster))
    .map((cluster) => (cluster === usual ? [...usual, ...clusters.filter(isHalf).flat()] : cluster))
}

const known = new WeakMap<LinkGroup, readonly string[]>()

/** The keys of a group's items, a text that names the page itself being the page. Remembered as long as the group is. */
export function keysOf(folder: ReadFolder, group: LinkGroup): readonly string[] {
  let keys = known.get(group)
  if (!keys) {
    const names = folder.names.get(group.page.path)
    keys = group.items.map((item) =>
      keyOf(item, group.page, !item.link && (names?.has(plainName(item.label)) ?? false)),
    )
    known.set(group, keys)
  }
  return keys
}

/** The items that most of the groups have, in the order that most have them in. */
function consensusOf(folder: ReadFolder, groups: readonly LinkGroup[]): readonly MenuEntry[] {
  const lists = groups.map((group) => keysOf(folder, group))
  const counts = new Map<string, number>()
  for (const list of lists) for (const key of new Set(list)) counts.set(key, (counts.get(key) ?? 0) + 1)
  // A page need not have an item of its own: it is not counted against it.
  const isKept = (key: string) => {
    const without = groups.some(({ page }, at) => `/${page.path}` === key && !itemAt(lists, at).includes(key))
      ? 1
      : 0
    return (valueFor(counts, key) + without) * 2 > groups.length
  }
  const kept = new Set([...counts.keys()].filter(isKept))
  const usual = most(lists.map((list) => [...new Set(list.filter((key) => kept.has(key)))].join('\n')))
  const order = usual === undefined || usual === '' ? [] : usual.split('\n')
  for (const key of kept) {
    if (order.includes(key)) continue
    // After the item that it most often follows.
    const before = most(
      lists.flatMap((list) => (list.includes(key) ? [list[list.indexOf(key) - 1] ?? ''] : [])),
    )
    order.splice(before ? order.indexOf(before) + 1 : 0, 0, key)
  }
  return order.map((key) => {
    const items = groups.flatMap((group, at) => {
      const found = itemAt(lists, at).indexOf(key)
      return found < 0 ? [] : [group.items[found]!]
    })
    const linked = items.filter(({ link }) => link)
    const target = linked[0]?.link?.target
    return {
      key,
      label: most((linked.length > 0 ? linked : items).map(({ label }) => label)) ?? '',
      path:
        target?.to === 'file'
          ? target.path
          : key.startsWith('/') && folder.byPath.has(key.slice(1))
            ? key.slice(1)
            : undefined,
      url:
        target?.to === 'away' ? target.url : target?.to === 'nothing' ? target.path + target.tail : undefined,
      level: most(items.map(({ level }) => level)) ?? 1,
    }
  })
}

/** Whether items that some pages share are a menu. */
function isMenu(entries: readonly MenuEntry[], groups: readonly LinkGroup[], pages: number): boolean {
  if (groups.length < 2) return false
  const leading = entries.filter(({ path, url }) => path !== undefined || url !== undefined)
  if (leading.length < 2)
    return leading.length === 1 && entries.length === 1 && groups.length > 0.5 * pages && isInFoot(groups)
  return true
}
const isInFoot = (groups: readonly LinkGroup[]) => share(groups, ({ names }) => /\bfoot/.test(names)) > 0.5

/**
 * Finds menus, breadcrumbs and pagers beside each other on all pages.
 * @param included pieces of pages in files of their own, each read as from a page that puts it in
 * @param corrections what its author says is a menu, or none
 */
export function recognise(
  folder: ReadFolder,
  included: readonly ReadPage[],
  corrections: readonly Correction[],
): FoundParts {
  const { pages } = folder
  const counts = new Map<string, number>()
  for (const page of pages) for (const name of namesOn(page)) counts.set(name, (counts.get(name) ?? 0) + 1)
  const isShared = (name: string) => valueFor(counts, name) > 1 || pages.length === 1
  const groups = apart(new Map(pages.map((page) => [page, linkGroups(page, isShared)])))
  const names = new Set([
    ...[...folder.names.values()].flatMap((own) => [...own]),
    ...[...new Set(pages.flatMap(({ links }) => links.map(({ label }) => label)))].map(plainName),
  ])
  const found: FoundMenu[] = []
  const breadcrumbs: FoundBreadcrumb[] = []
  const pagers: PagerOfPage[] = []
  const taken = new Set<LinkGroup>()
  const take = (all: readonly LinkGroup[]) => all.forEach((group) => taken.add(group))

  const said = pointedGroups(folder, corrections, groups)
  for (const together of byPlace(groups)) {
    const cluster = together.filter((group) => !taken.has(group))
    if (cluster.length === 0) continue
    const isSaid = said(cluster)
    if (isSaid === 'no-menu') {
      take(cluster)
      continue
    }
    if (isSaid === 'menu') {
      const same = withoutEdges(cluster, names)
      found.push({ entries: consensusOf(folder, same), groups: same })
      take(cluster)
      continue
    }
    if (isBreadcrumb(folder, cluster)) {
      breadcrumbs.push({ groups: withWrappers(pages, cluster) })
      take(cluster)
      continue
    }
    const directions = cluster.map(pagerOf)
    const isNamed = share(cluster, ({ names }) => PAGER_NAME.test(names)) > 0.5
    const directed = directions.filter((one) => one).length / cluster.length
    const varied = new Set(cluster.map((group) => group.items.map((item) => pathOf(item) ?? '').join(' ')))
      .size
    if (directed >= (isNamed ? 0.5 : 0.6) && cluster.length > 1 && varied > cluster.length / 2) {
      const inPlace = directions.flatMap((one) => one ?? [])
      const pagersHere = [...inPlace, ...strayPagers(groups, inPlace, taken)]
      const wrapped = withWrappers(
        pages,
        pagersHere.map(({ group }) => group),
      )
      pagers.push(...pagersHere.map(({ links }, at) => ({ group: wrapped[at]!, links })))
      take(pagersHere.map(({ group }) => group))
      continue
    }
    const bare = withoutEdges(cluster, names)
    const whole = new Map(bare.map((group, at) => [group, cluster[at]!]))
    const keys = new Map(bare.map((group) => [group, keysOf(folder, group)]))
    for (const same of withHalves(alike(bare, keys), keys)) {
      const entries = consensusOf(folder, same)
      if (!isMenu(entries, same, pages.length)) continue
      found.push({ entries, groups: same })
      take(same.map((group) => valueFor(whole, group)))
    }
  }
  const menus = withStrays(folder, groups, withSmallJoined(found), taken)
  const others = new Map(
    [...groups].map(([page, ofPage]) => [page.path, ofPage.filter((group) => !taken.has(group))]),
  )
  menus.sort((a, b) => b.groups.length - a.groups.length || meanStart(a) - meanStart(b))
  const shared = included.flatMap((part) =>
    withoutEdges(
      linkGroups(part, () => true),
      names,
    ).flatMap((group): FoundMenu[] => {
      const entries = consensusOf(folder, [group])
      const leading = entries.filter(({ path }) => path !== undefined && folder.byPath.has(path))
      return leading.length < 2 ? [] : [{ entries, groups: [group] }]
    }),
  )
  return { menus, shared, breadcrumbs, pagers, others }
}

/** Which groups in the same place of different pages their author called a menu, or none. */
function pointedGroups(
  folder: ReadFolder,
  corrections: readonly Correction[],
  groups: ReadonlyMap<ReadPage, readonly LinkGroup[]>,
) {
  const said = correctionsOf(corrections, 'menu', 'no-menu').flatMap(
    ({ kind, path, at }): { kind: typeof kind; group: LinkGroup }[] => {
      const page = folder.byPath.get(path)
      if (!page) return []
      const element = elementAt(page.root, at)
      // What is pointed at holds the links, or is one of them.
      const there = valueFor(groups, page).filter(
        ({ start, end }) =>
          (start >= element.start && end <= element.end) || (element.start >= start && element.end <= end),
      )
      if (kind === 'no-menu') return there.map((group) => ({ kind, group }))
      const [largest] = [...there].sort((a, b) => b.items.length - a.items.length)
      return largest ? [{ kind, group: largest }] : []
    },
  )
  return (cluster: readonly LinkGroup[]): 'menu' | 'no-menu' | undefined =>
    said.findLast(({ group }) => cluster.includes(group))?.kind
}

const meanStart = ({ groups }: FoundMenu) =>
  groups.reduce((sum, { start, page }) => sum + start / (page.text.length || 1), 0) / groups.length

/**
 * Pagers of pages that have another line of links before theirs: in an element of the same kind, the last that leads to
 * previous or next.
 */
function strayPagers(
  groups: ReadonlyMap<ReadPage, readonly LinkGroup[]>,
  inPlace: readonly PagerOfPage[],
  taken: ReadonlySet<LinkGroup>,
): PagerOfPage[] {
  const having = new Set(inPlace.map(({ group }) => group.page))
  const place = itemAt(inPlace, 0).group.place
  return [...groups].flatMap(([page, ofPage]) => {
    if (having.has(page)) return []
    const like = ofPage.filter((group) => group.place === place && !taken.has(group))
    return like.map(pagerOf).findLast((one) => one) ?? []
  })
}

const keysIn = ({ entries }: FoundMenu): ReadonlySet<string> => new Set(entries.map(({ key }) => key))

/** Pages that stand in the place of others: a home page, and an old copy of it. */
const FEW = 3

/** The same menus, those of a few pages that are built otherwise put to those of the rest with the same items. */
function withSmallJoined(menus: readonly FoundMenu[]): FoundMenu[] {
  const large = menus.filter(({ entries, groups }) => groups.length >= FEW * 2 && entries.length > 1)
  const byItem = new MenusByItem(large.map(keysIn))
  const groups = new Map(large.map((menu) => [menu, [...menu.groups]]))
  const pagesOf = large.map((menu) => new Set(menu.groups.map(({ page }) => page)))
  const joined = new Set<FoundMenu>()
  for (const small of menus) {
    if (small.groups.length >= FEW) continue
    const own = keysIn(small)
    const at = byItem.firstLike(own, (one) =>
      small.groups.every(({ page }) => !itemAt(pagesOf, one).has(page)),
    )
    if (at === undefined) continue
    valueFor(groups, large[at]!).push(...small.groups)
    for (const { page } of small.groups) itemAt(pagesOf, at).add(page)
    joined.add(small)
  }
  return menus.flatMap((menu) =>
    joined.has(menu) ? [] : [{ ...menu, groups: groups.get(menu) ?? menu.groups }],
  )
}

/** The same menus, each with those of pages that are built otherwise than the rest: the same items, in another place. */
function withStrays(
  folder: ReadFolder,
  groups: ReadonlyMap<ReadPage, readonly LinkGroup[]>,
  menus: readonly FoundMenu[],
  taken: Set<LinkGroup>,
): FoundMenu[] {
  const several = menus.filter(({ entries }) => entries.length > 1)
  const byItem = new MenusByItem(several.map(keysIn))
  const all = new Map(several.map((menu) => [menu, [...menu.groups]]))
  const placeOf = ({ page, start }: LinkGroup) => `${start} ${page.path}`
  const places = several.map((menu) => new Set(menu.groups.map(placeOf)))
  for (const ofPage of groups.values()) {
    for (const group of ofPage) {
      if (taken.has(group) || group.items.length < 2) continue
      const place = placeOf(group)
      const at = byItem.firstLike(new Set(keysOf(folder, group)), (one) => !itemAt(places, one).has(place))
      if (at === undefined) continue
      itemAt(places, at).add(place)
      valueFor(all, several[at]!).push(group)
      taken.add(group)
    }
  }
  return menus.map((menu) => ({ ...menu, groups: all.get(menu) ?? menu.groups }))
}

/** The label for people to know a menu by: what its author calls it, else where it stands. */
export function menuName({ groups }: FoundMenu): string {
  const said = most(
    groups.flatMap(({ container }) => {
      for (let at: typeof container | undefined = container, up = 0; at && up < 3; up++, at = at.parent) {
        const label = attributeOf(at, 'aria-label') ?? attributeOf(at, 'id')
        if (label) return [label]
      }
      return []
    }),
  )
  if (said) return said
  const { names } = groups[0]!
  if (/\bfoot/.test(names)) return 'Footer'
  return /\baside|\bside/.test(names) ? 'Sidebar' : 'Main'
}
