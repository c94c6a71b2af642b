import { readingRuns } from '../../navigate/readingOrder.ts'
import type { Branch } from '../../plan/branch.ts'
import { type LinkTarget, type PageEntry, pageSchema } from '../../plan/entry.ts'
import type { EntryId, FileId } from '../../plan/ids.ts'
import { type SiteFile } from '../../plan/file.ts'
import { newGroup, newLink, newPage } from '../../plan/newEntry.ts'
import { ancestorsOf } from '../../plan/plan.ts'
import { DEFAULT_SETTINGS, EXTENSIONS, type Settings, type Site } from '../../plan/site.ts'
import { fromSiteData } from '../../plan/siteData.ts'
import type { OrderRule } from '../../plan/surround/rules.ts'
import { EMPTY_SURROUND } from '../../plan/surround/surround.ts'
import { isLanguageTag } from '../../standard/language.ts'
import { itemAt, valueFor } from '../../standard/present.ts'
import { sitePathFault } from '../../standard/sitePath.ts'
import { isAllowedTarget } from '../../standard/target.ts'
import { soundLine } from '../../standard/text.ts'
import { attributeOf } from '../pages/nodes.ts'
import { plainName, type ReadFolder } from '../pages/folder.ts'
import { oneLine } from '../pages/readPage.ts'
import type { FoundFile } from '../intake/folderFiles.ts'
import type { FoundMenu, FoundParts } from '../parts/recognise.ts'
import { most } from '../most.ts'
import { claimId, idAt, type IdOf } from '../template/source.ts'
import type { Hierarchy } from './hierarchy.ts'
import type { Titles } from './titles.ts'
import * as v from 'valibot'

/** The site that a folder becomes, before its templates are made. */
export interface PlannedSite {
  readonly site: Site
  readonly idOf: IdOf
  /** The pages of the folder by the ids of their entries. */
  readonly pathOf: ReadonlyMap<EntryId, string>
  /** The menu that the plan's own order follows. */
  readonly mainMenu: FoundMenu | undefined
}

/** The menu that most pages have with most pages in it. */
function mainMenuOf(folder: ReadFolder, { menus, shared }: FoundParts): FoundMenu | undefined {
  const wide = [...shared, ...menus.filter(({ groups }) => groups.length * 2 > folder.pages.length)]
  const size = ({ entries }: FoundMenu) => entries.filter(({ path }) => path !== undefined).length
  return [...wide].sort((a, b) => size(b) - size(a))[0]
}

/** A title or label that the plan can hold; cut where it is longer. */
const held = (text: string, most: number): string => soundLine(oneLine(text), most)

function languageOf(folder: ReadFolder): string {
  const said = most(
    folder.pages.slice(0, 100).flatMap(({ root }) => {
      const html = root.children.find(({ tag }) => tag === 'html')
      const language = html && (attributeOf(html, 'lang') ?? attributeOf(html, 'xml:lang'))
      return language && isLanguageTag(language) ? [language] : []
    }),
  )
  return said ?? DEFAULT_SETTINGS.language
}

function settingsOf(folder: ReadFolder, titles: Titles): Settings {
  const homeTitle = valueFor(folder.byPath, folder.home).title?.text ?? ''
  const own = valueFor(titles.titles, folder.home).title
  const pattern = held(titles.pattern, 200)
  const name = held(titles.site, 200) || held(own, 200) || 'A site'
  const asOthers = pattern.replaceAll('{title}', own).replaceAll('{site}', name)
  const homeTitlePattern =
    homeTitle === asOthers ? pattern : homeTitle === name ? '{site}' : held(homeTitle, 200) || '{site}'
  const extension = /\.[a-z]+$/i.exec(
    most(folder.pages.map(({ path }) => /\.[^./]*$/.exec(path)?.[0] ?? '')) ?? '',
  )?.[0]
  const { baseUrl } = folder.targets.published
  return {
    ...DEFAULT_SETTINGS,
    name,
    language: languageOf(folder),
    baseUrl,
    layout: 'own',
    extension: EXTENSIONS.find((one) => one === extension) ?? '.html',
    titlePattern: pattern,
    homeTitlePattern,
  }
}

/** Where an item of a menu leads, as the plan says it. */
export function targetOf(
  idOf: IdOf,
  { path, url }: { path: string | undefined; url: string | undefined },
): LinkTarget | undefined {
  const at = path === undefined ? undefined : idOf(path)
  if (at) return at.to === 'entry' ? { to: 'entry', entry: at.id, fragment: '' } : { to: 'file', file: at.id }
  return url !== undefined && isAllowedTarget(url) ? { to: 'address', url } : undefined
}

interface Made {
  readonly branch: Branch
  readonly key: string
}

/** What stands in a site already when a folder is read for it: the ids of its entries and files by path, and all that are taken. */
export interface KnownIds {
  readonly entries: ReadonlyMap<string, EntryId>
  readonly files: ReadonlyMap<string, FileId>
  readonly taken: readonly (EntryId | FileId)[]
}
export const NOTHING_KNOWN: KnownIds = { entries: new Map(), files: new Map(), taken: [] }

/** Puts the plan of a folder together. @param keyOfFile the key under which the bytes of a file are kept */
export function planSite(
  folder: ReadFolder,
  parts: FoundParts,
  hierarchy: Hierarchy,
  titles: Titles,
  others: readonly FoundFile[],
  keyOfFile: (path: string) => string,
  known: KnownIds,
): PlannedSite {
  const ids = new Set<string>(known.taken)
  const idOfPage = new Map(
    folder.pages.map(({ path }) => [path, known.entries.get(path) ?? claimId(path, ids)]),
  )
  const fileIds = new Set<string>(known.taken)
  const files: SiteFile[] = others.map(({ path, bytes }) => ({
    id: known.files.get(path) ?? claimId(path, fileIds),
    path,
    asFound: true,
    content: keyOfFile(path),
    size: bytes.length,
    alt: '',
  }))
  const idOfFile = new Map(files.map(({ path, id }) => [path, id]))
  const idOf: IdOf = (path) => {
    const entry = idOfPage.get(path)
    if (entry !== undefined) return { to: 'entry', id: entry }
    const file = idOfFile.get(path)
    return file === undefined ? undefined : { to: 'site-file', id: file }
  }
  const mainMenu = mainMenuOf(folder, parts)
  const inRuns = new Set(hierarchy.runs.flat())
  const inMain = new Set(mainMenu?.entries.flatMap(({ path }) => path ?? []) ?? [])
  const depth = Math.max(1, ...(mainMenu?.entries.map(({ level }) => level) ?? [1]))
  const levelOf = (path: string) => {
    let level = 0
    for (
      let up = valueFor(hierarchy.placings, path).parent;
      up !== null;
      up = valueFor(hierarchy.placings, up).parent
    )
      level++
    return level
  }

  const pageEntry = (path: string): PageEntry => {
    const { title, label, heading } = valueFor(titles.titles, path)
    const page = valueFor(folder.byPath, path)
    const own = held(title, 300) || 'Untitled'
    const shown = held(label, 200)
    const isShown = mainMenu === undefined || levelOf(path) > depth || inMain.has(path)
    const stem = path.slice(path.lastIndexOf('/') + 1).replace(/\.[^.]*$/, '')
    return newPage(valueFor(idOfPage, path), own, {
      label: shown === own ? '' : shown,
      heading: heading === own || heading === '' ? '' : held(heading, 300),
      description: held(page.description?.text ?? '', 1000),
      state: 'ready',
      inMenu: isShown,
      inOrder: inRuns.size === 0 || inRuns.has(path),
      inSearch: true,
      pin: { name: stem || 'page', addresses: [path] },
    })
  }
  const order = new Map((mainMenu?.entries ?? []).map(({ key }, at) => [key, at]))

  const branchOf = (path: string): Branch => {
    const made: Made[] = []
    const groups = new Map<string, { label: string; branches: Branch[]; at: number }>()
    for (const child of hierarchy.children.get(path) ?? []) {
      const { group } = valueFor(hierarchy.placings, child)
      const branch = branchOf(child)
      if (group === undefined) made.push({ branch, key: `/${child}` })
      else {
        const name = plainName(group)
        const there = groups.get(name) ?? { label: group, branches: [], at: made.length }
        if (!groups.has(name)) {
          groups.set(name, there)
          made.push({ branch: undefined as unknown as Branch, key: `=${name}` })
        }
        there.branches.push(branch)
      }
    }
    const whole = made.map(({ branch, key }): Made => {
      const group = groups.get(key.slice(1))
      if (!group || !key.startsWith('=')) return { branch, key }
      const id = claimId(`group-${group.label}`, ids)
      return {
        key,
        branch: { ...newGroup(id, held(group.label, 200) || 'Untitled'), entries: group.branches },
      }
    })
    if (path === folder.home && mainMenu) {
      for (const { key, label, path: to, url, level } of mainMenu.entries) {
        if (level > 1 || label === '' || (to !== undefined && folder.byPath.has(to))) continue
        const target = targetOf(idOf, { path: to, url })
        if (!target) continue
        const id = claimId(`link-${label}`, ids)
        whole.push({ key, branch: { ...newLink(id, held(label, 200) || 'Untitled', target), entries: [] } })
      }
      const listed = whole
        .filter(({ key }) => order.has(key))
        .sort((a, b) => valueFor(order, a.key) - valueFor(order, b.key))
      const rest = whole.filter(({ key }) => !order.has(key))
      // A menu of few of them says nothing of their order.
      const ordered = listed.length * 2 < whole.length ? whole : [...listed, ...rest]
      return { ...pageEntry(path), entries: ordered.map(({ branch }) => branch) }
    }
    return { ...pageEntry(path), entries: whole.map(({ branch }) => branch) }
  }

  const site = fromSiteData({
    settings: settingsOf(folder, titles),
    surround: EMPTY_SURROUND,
    files,
    gone: [],
    plan: branchOf(folder.home),
  })
  const ordered = { ...site, surround: { ...site.surround, order: orderRule(site, hierarchy, idOf) } }
  return { site: ordered, idOf, pathOf: new Map([...idOfPage].map(([path, id]) => [id, path])), mainMenu }
}

/** Within what previous and next lead, so that they lead as the pages say. */
function orderRule(site: Site, { runs }: Hierarchy, idOf: IdOf): OrderRule {
  const wanted = new Set(
    runs.flatMap((run) => run.slice(1).map((path, at) => `${idOf(run[at]!)?.id} ${idOf(path)?.id}`)),
  )
  const above = runs.flatMap((run) => {
    const ways = run.map((path) => {
      const id = idAt(idOf, path)
      return [...ancestorsOf(site.plan, id), id]
    })
    const [first = []] = ways
    return first.filter((id, depth) => ways.every((way) => way[depth] === id)).slice(-1)
  })
  const rules: OrderRule[] = [
    { scope: 'site', series: [] },
    { scope: 'section', series: [] },
    { scope: 'series', series: [...new Set(above)].filter((id) => id !== site.plan.home).slice(0, 500) },
  ]
  const score = (order: OrderRule) => {
    let good = 0
    let all = 0
    for (const run of readingRuns({ ...site, surround: { ...site.surround, order } }))
      run.slice(1).forEach((id, at) => {
        all++
        if (wanted.has(`${run[at]} ${id}`)) good++
      })
    return good - 0.5 * (all - good)
  }
  return itemAt(
    rules.map((rule) => ({ rule, score: score(rule) })).sort((a, b) => b.score - a.score),
    0,
  ).rule
}

/** Whether a page can stand in the plan at its path: any other is kept as a file. */
export const canBePlanned = (path: string): boolean =>
  sitePathFault(path) === undefined &&
  v.is(pageSchema, {
    id: 'x',
    kind: 'page',
    title: 'x',
    pin: { name: path.slice(path.lastIndexOf('/') + 1).replace(/\.[^.]*$/, '') || 'page', addresses: [path] },
  })
