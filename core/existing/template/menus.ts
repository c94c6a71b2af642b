import { itemAt, valueFor } from '../../standard/present.ts'
import { collect } from '../collect.ts'
import { hereMark, indexOfMenu, itemsShown, type MenuItem } from '../../navigate/menu.ts'
import type { EntryId } from '../../plan/ids.ts'
import { childrenOf } from '../../plan/plan.ts'
import type { Site } from '../../plan/site.ts'
import type { Menu, PlanMenu } from '../../plan/surround/menu.ts'
import type { MenuPattern } from '../../plan/surround/templates.ts'
import { fragmentOf } from '../../standard/reference.ts'
import { NO_MARK } from '../../template/included.ts'
import { plainName, type ReadFolder } from '../pages/folder.ts'
import type { ReadPage } from '../pages/readPage.ts'
import type { LinkGroup } from '../parts/linkGroups.ts'
import { type FoundMenu, keysOf, menuName } from '../parts/recognise.ts'
import { type PlannedSite, targetOf } from '../plan/site.ts'
import { allItems, learnMenu } from './learn.ts'
import { claimId, idAt, type Sources } from './source.ts'

/** A menu of the pages as the site has it from now on, in one place of the pages. */
export interface FittedMenu {
  readonly menu: Menu
  readonly pattern: MenuPattern
  /** Where it stands on each page that has it. */
  readonly groups: readonly LinkGroup[]
}

/** The item that a menu has for what its pages show: found again by where it leads. */
function itemKey(planned: PlannedSite, item: MenuItem): string {
  const { target } = item
  if (!target) return `=${plainName(item.label)}`
  if (target.to === 'address') return target.url
  if (target.to === 'file') return `/${planned.site.files.get(target.file)?.path ?? ''}`
  return `/${planned.pathOf.get(target.entry) ?? ''}${target.fragment ? `#${target.fragment}` : ''}`
}

interface Shown {
  readonly key: string
  readonly level: number
  readonly label: string
}

export function shownIn(planned: PlannedSite, items: readonly MenuItem[], level = 1): Shown[] {
  return items.flatMap((item) => [
    { key: itemKey(planned, item), level, label: item.label },
    ...shownIn(planned, item.items, level + 1),
  ])
}

const isSameList = (a: readonly Shown[], b: readonly Omit<Shown, 'label'>[]) =>
  a.length === b.length &&
  a.every(({ key, level }, at) => key === itemAt(b, at).key && level === itemAt(b, at).level)

/** A menu that follows the plan and shows what the pages have; undefined where none does. */
function projected(
  planned: PlannedSite,
  { entries }: FoundMenu,
  id: string,
  name: string,
): PlanMenu | undefined {
  const { site } = planned
  const depth = Math.min(3, Math.max(1, ...entries.map(({ level }) => level))) as 1 | 2 | 3
  const wanted = new Set(entries.map(({ key }) => key))
  const starts: PlanMenu['from'][] = [
    { at: 'home' },
    ...[...site.plan.children.keys()]
      .filter((one) => one !== site.plan.home)
      .map((entry) => ({ at: 'entry' as const, entry })),
  ]
  for (const from of starts) {
    const bare: PlanMenu = { id, kind: 'plan', name, from, depth, exceptions: [] }
    const all = [...allItems(itemsShown(site, bare, 'stack', site.plan.home))]
    // Only few of what it shows may be left out: else it is a choice of its author's.
    const missing = all.filter((item) => !wanted.has(itemKey(planned, item)))
    if (missing.length > Math.max(1, all.length * 0.3)) continue
    const labels = new Map(entries.map(({ key, label }) => [key, label]))
    const exceptions = all.flatMap((item) => {
      const key = itemKey(planned, item)
      const label = labels.get(key)
      if (label === undefined) return [{ entry: item.id, label: '', leftOut: true }]
      return label === item.label ? [] : [{ entry: item.id, label: label.slice(0, 300), leftOut: false }]
    })
    const menu: PlanMenu = { ...bare, exceptions: exceptions.slice(0, 1000) }
    if (isSameList(shownIn(planned, itemsShown(site, menu, 'stack', site.plan.home)), entries)) return menu
  }
  return undefined
}

/** A menu of links picked one by one; undefined where it has levels, or leads to what no link can. */
function picked(planned: PlannedSite, { entries }: FoundMenu, id: string, name: string): Menu | undefined {
  if (entries.length > 100 || entries.some(({ level }) => level > 1)) return undefined
  const taken = new Set<string>()
  const links = entries.flatMap(({ key, label, path, url }) => {
    const fragment = path === undefined ? undefined : fragmentOf(key)
    const target = targetOf(planned.idOf, { path, url })
    if (!target || (path !== undefined && key !== `/${path}` && fragment === undefined)) return []
    const said =
      fragment && target.to === 'entry' ? { ...target, fragment: decodeURI(fragment).slice(0, 200) } : target
    return [{ id: claimId(label, taken), label: label.slice(0, 200) || key, target: said, isButton: false }]
  })
  return links.length === entries.length ? { id, kind: 'picked', name, links } : undefined
}

/** A menu of the section that each page is in; undefined where the pages do not have it so. */
function ofSections(
  folder: ReadFolder,
  planned: PlannedSite,
  groups: readonly LinkGroup[],
  id: string,
  name: string,
): { menu: PlanMenu; shape: MenuPattern['shape'] } | undefined {
  const { site } = planned
  const sections = childrenOf(site.plan, site.plan.home)
  const sample = groups.slice(0, 60)
  let best: { menu: PlanMenu; shape: MenuPattern['shape']; times: number } | undefined
  for (const leftOut of [false, true])
    for (const depth of [1, 2, 3] as const)
      for (const shape of ['stack', 'row'] as const) {
        const exceptions = leftOut
          ? sections.slice(0, 1000).map((entry) => ({ entry, label: '', leftOut }))
          : []
        const menu: PlanMenu = { id, kind: 'plan', name, from: { at: 'section' }, depth, exceptions }
        const times = sample.filter((group) => {
          const shown = shownIn(planned, itemsShown(site, menu, shape, idAt(planned.idOf, group.page.path)))
          const keys = keysOf(folder, group)
          return isSameList(
            shown,
            keys.map((key, at) => ({ key, level: itemAt(group.items, at).level })),
          )
        }).length
        if (times > (best?.times ?? 0)) best = { menu, shape, times }
      }
  return best && best.times >= sample.length * 0.6 ? best : undefined
}

/** Menus with how they are written: those of pages, and those of parts in files of their own, which all pages share. */
interface FittedMenus {
  readonly menus: readonly FittedMenu[]
  readonly shared: readonly FittedMenu[]
}

/**
 * Fits the menus that were found into the plan, and learns how they are written. What does not fit stays as it is.
 * @param shared those of parts that pages put in, where nothing is marked
 */
export function fitMenus(
  folder: ReadFolder,
  planned: PlannedSite,
  sources: Sources,
  found: readonly FoundMenu[],
  shared: readonly FoundMenu[],
): FittedMenus {
  const fitted: FittedMenu[] = []
  const inParts = new Set(shared.flatMap(({ groups }) => groups.map(({ page }) => page)))
  const menuIds = new Set<string>()
  const patternIds = new Set<string>()
  const same = new Map<string, Menu>()
  const learn = (menu: Menu, groups: readonly LinkGroup[], shape: MenuPattern['shape']) => {
    const items = new Map<
      EntryId,
      { byKey: Map<string, MenuItem>; site: Site; mark: ReturnType<typeof hereMark> }
    >()
    const onPage = (page: ReadPage) => {
      const isShared = inParts.has(page)
      const id = isShared ? planned.site.plan.home : idAt(planned.idOf, page.path)
      let there = items.get(id)
      if (!there) {
        const shown = itemsShown(planned.site, menu, shape, id)
        const byKey = new Map([...allItems(shown)].map((item) => [itemKey(planned, item), item]))
        const mark = isShared ? NO_MARK : hereMark(planned.site.plan, indexOfMenu(shown), id)
        there = { byKey, site: planned.site, mark }
        items.set(id, there)
      }
      return there
    }
    const keys = new Map(groups.map((group) => [group, keysOf(folder, group)]))
    const pattern = learnMenu(
      sources,
      { id: claimId(menu.id, patternIds), menu: menu.id, shape },
      groups,
      (group, { item }) => {
        const { byKey, mark } = onPage(group.page)
        const known = byKey.get(valueFor(keys, group)[group.items.indexOf(item)]!)
        if (!known) return undefined
        const state =
          known.id === mark.here
            ? 'here'
            : known.id === mark.nearest || mark.within.has(known.id)
              ? 'within'
              : 'plain'
        return { id: known.id, state }
      },
    )
    fitted.push({ menu, pattern, groups })
  }
  const fitting = (menu: FoundMenu, name: string): Menu | undefined => {
    const key = JSON.stringify(menu.entries)
    const known = same.get(key)
    const id = known ? known.id : claimId(name, menuIds)
    const fit = known ?? projected(planned, menu, id, name) ?? picked(planned, menu, id, name)
    if (fit) same.set(key, fit)
    return fit
  }
  const places = new Map<string, FoundMenu[]>()
  for (const menu of found)
    for (const place of new Set(menu.groups.map((group) => group.place))) collect(places, place, menu)
  for (const menu of found) {
    const name = menuName(menu).slice(0, 100)
    const byPlace = new Map<string, LinkGroup[]>()
    for (const group of menu.groups) collect(byPlace, group.place, group)
    for (const [place, groups] of byPlace) {
      const sharing = valueFor(places, place)
      if (sharing.length > 1 && !groups.every((group) => group.items.length < 2)) {
        if (sharing[0] !== menu) continue
        const all = sharing.flatMap((one) => one.groups.filter((group) => group.place === place))
        const onePerPage = new Set(all.map(({ page }) => page)).size === all.length
        const section = onePerPage
          ? ofSections(folder, planned, all, claimId(name, menuIds), name)
          : undefined
        if (section) {
          learn(section.menu, all, section.shape)
          continue
        }
        if (onePerPage) continue
      }
      const fit = fitting(menu, name)
      if (fit) learn(fit, groups, 'stack')
    }
  }
  const ofPages = fitted.length
  for (const menu of shared) {
    const fit = fitting(menu, menuName(menu).slice(0, 100))
    if (fit) learn(fit, menu.groups, 'stack')
  }
  return { menus: fitted.slice(0, ofPages), shared: fitted.slice(ofPages) }
}
