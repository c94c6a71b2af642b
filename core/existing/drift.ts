import { idAt } from './template/source.ts'
import { itemAt, lastOf, valueFor } from '../standard/present.ts'
import { collect } from './collect.ts'
import { wayTo } from '../navigate/breadcrumb.ts'
import { pageAbove } from '../navigate/pageAbove.ts'
import { neighboursOf } from '../navigate/readingOrder.ts'
import { documentTitle, firstHeading } from '../navigate/title.ts'
import { labelOf } from '../plan/entry.ts'
import { markOf } from '../plan/change/mark.ts'
import { entryOf, isWithin } from '../plan/plan.ts'
import type { Site } from '../plan/site.ts'
import { Stretches } from '../standard/stretches.ts'
import { type Stretch, tokensOf } from '../standard/pageTokens.ts'
import { tableOf } from '../standard/table.ts'
import { referencesIn, withReferences } from '../pointer/attributes.ts'
import { styleReferences } from '../pointer/styleReferences.ts'
import { sourceReferences } from '../pointer/inSource.ts'
import type { Override, Templates } from '../plan/surround/templates.ts'
import type { DriftChoice } from './decide.ts'
import { plainName, type ReadFolder } from './pages/folder.ts'
import { oneLine, type ReadPage } from './pages/readPage.ts'
import { targetKey } from './pages/targets.ts'
import type { LinkGroup } from './parts/linkGroups.ts'
import { marksOf } from './parts/mark.ts'
import { type FoundMenu, type FoundParts, keysOf, pathOf } from './parts/recognise.ts'
import { trailOf } from './plan/evidence.ts'
import { shownIn } from './template/menus.ts'
import { itemsShown } from '../navigate/menu.ts'
import type { PlannedSite } from './plan/site.ts'
import type { Titles } from './plan/titles.ts'
import type { Drift, DriftPart, FoundMark } from './report.ts'
import type { BuiltSite } from './template/build.ts'
import type { Deviation } from './template/deviations.ts'

/** What was found wrong, and the templates in which only that is kept until its author decides. */
interface FoundDrift {
  readonly drift: readonly Drift[]
  readonly templates: Templates
  readonly choices: readonly DriftChoice[]
  readonly marks: ReadonlyMap<FoundMenu, FoundMark>
}

/** All that the search for drift looks at. */
interface Search {
  readonly folder: ReadFolder
  readonly parts: FoundParts
  readonly planned: PlannedSite
  readonly titles: Titles
  readonly built: BuiltSite
  readonly site: Site
}

const lineStarts = new WeakMap<ReadPage, readonly number[]>()

function lineAt(page: ReadPage, at: number): number {
  let starts = lineStarts.get(page)
  if (!starts) {
    starts = [0, ...[...page.text.matchAll(/\n/g)].map(({ index }) => index + 1)]
    lineStarts.set(page, starts)
  }
  let [from, to] = [0, starts.length]
  while (from < to) {
    const middle = (from + to) >> 1
    if (starts[middle]! <= at) from = middle + 1
    else to = middle
  }
  return from
}

/** A text without its tags, for people to read; the text itself where nothing is left. */
function wordsOf(html: string): string {
  const words = oneLine(
    tokensOf(html)
      .flatMap((token) => (token.kind === 'text' ? [token.text] : [' ']))
      .join(''),
  )
  return (words === '' ? oneLine(html) : words).slice(0, 300)
}

/** Whether a place in the source of a page is in the text of a `style` element. */
function isInStyle({ tokens }: ReadPage, at: number): boolean {
  const before = tokens.findLastIndex(({ start, kind }) => start < at && kind !== 'text' && kind !== 'code')
  const tag = tokens[before]
  return tag?.kind === 'open' && tag.tag === 'style' && tag.end <= at
}

/**
 * A source as it is meant: references by where they lead, without what quotes, letter case and blanks add.
 * @param html what is in a stretch of the page, or would be
 */
export function meaningOf(
  folder: ReadFolder,
  page: ReadPage,
  { start, end }: Stretch,
  html = page.text.slice(start, end),
): string {
  let text = ''
  let isStyle = isInStyle(page, start)
  const leads = (url: string) => targetKey(folder.targets.resolve(page.path, url, page.base))
  for (const token of tokensOf(html)) {
    if (token.kind === 'text') {
      const css = isStyle ? styleReferences(token.text) : []
      text += withReferences(token.text, css, leads).replace(/\s+/g, '')
    } else if (token.kind !== 'open')
      text += html.slice(token.start, token.end).replace(/\s+/g, '').toLowerCase()
    else {
      const element = { tagName: token.tag, attrs: token.attributes }
      isStyle = token.tag === 'style'
      const attributes = token.attributes.map(
        (one) => `${one.name}=${withReferences(one.value, referencesIn(one, element), leads)}`,
      )
      text += `<${token.tag} ${attributes.join(' ')}>`
    }
  }
  return text
}

const isBlank = (html: string) => html.trim() === ''

// ——— Menus and their marks

interface MenuDrift {
  readonly group: LinkGroup
  readonly drift: readonly Drift[]
}

/** What a menu shows on the page of a group: by the plan where it follows that, else what most pages have. */
function entriesOn(
  { planned, built }: Search,
  { entries }: FoundMenu,
  group: LinkGroup,
): FoundMenu['entries'] {
  const fitted = built.menus.find(({ groups }) => groups.includes(group))
  if (fitted?.menu.kind !== 'plan' || fitted.menu.from.at !== 'section') return entries
  const id = idAt(planned.idOf, group.page.path)
  return shownIn(planned, itemsShown(built.site, fitted.menu, fitted.pattern.shape, id)).map(
    ({ key, label, level }) => {
      const path = key.startsWith('/') ? key.slice(1) : undefined
      return { key, label, level, path, url: path === undefined && !key.startsWith('=') ? key : undefined }
    },
  )
}

function menuDrift(search: Search, menu: FoundMenu): { drifts: MenuDrift[]; mark: FoundMark } {
  const { folder, planned } = search
  const { groups } = menu
  /** The home page is no section of the pages under it. */
  const isAbove = (path: string, page: string) => {
    const [above, below] = [planned.idOf(path)?.id, planned.idOf(page)?.id]
    if (above === undefined || below === undefined || above === below || path === folder.home) return false
    return isWithin(planned.site.plan, below, above)
  }
  const { mark, marks } = marksOf(folder, menu, isAbove)
  const under = groups.filter((group) =>
    keysOf(folder, group).some((key) => isAbove(key.slice(1), group.page.path)),
  )
  const markedAbove = new Set(
    marks.flatMap(({ group, key }) => (isAbove(key.slice(1), group.page.path) ? [group] : [])),
  )
  const marksSections = markedAbove.size * 2 > under.length
  const lacking = groups.filter((group) => !keysOf(folder, group).includes(`/${group.page.path}`))
  const lacksItself = lacking.length * 2 > groups.length
  const marksIn = new Map<LinkGroup, (typeof marks)[number][]>()
  for (const one of marks) collect(marksIn, one.group, one)
  const drifts = groups.map((group): MenuDrift => {
    const { page } = group
    const entries = entriesOn(search, menu, group)
    const byLabel = new Map(entries.map(({ key, label }) => [plainName(label), key]))
    const labelOfKey = new Map(entries.map(({ key, label }) => [key, label]))
    const pathOfKey = new Map([...entries].reverse().map(({ key, path }) => [key, path]))
    const found: Drift[] = []
    const say = (part: DriftPart, says: string, expected: string, at: number) =>
      found.push({ path: page.path, part, says, expected, line: lineAt(page, at) })
    const own = `/${page.path}`
    const raw = keysOf(folder, group)
    // A text with the label of an item is that item, marked.
    const keys = raw.map((key, at) =>
      key.startsWith('=') ? (byLabel.get(plainName(itemAt(group.items, at).label)) ?? key) : key,
    )
    const firstOf = new Map<string, number>()
    for (const [at, key] of keys.entries()) if (!firstOf.has(key)) firstOf.set(key, at)
    const missing = new Set(entries.filter(({ key }) => !firstOf.has(key)))
    const missingOf = new Map<string, (typeof entries)[number][]>()
    for (const entry of missing) collect(missingOf, plainName(entry.label), entry)
    const added = keys.flatMap((key, at) => (labelOfKey.has(key) ? [] : [{ key, item: group.items[at]! }]))
    const repeated = keys.flatMap((key, at) =>
      labelOfKey.has(key) && valueFor(firstOf, key) < at ? [group.items[at]!] : [],
    )
    for (const { key, item } of added) {
      const meant = missingOf.get(plainName(item.label))?.shift()
      if (meant) {
        missing.delete(meant)
        const href = item.link ? item.link.href.value : item.label
        say('menu', href, meant.path ?? meant.url ?? meant.label, item.start)
      } else say('menu', item.label || key, '', item.start)
    }
    for (const item of repeated) say('menu', item.label, '', item.start)
    for (const { key, label } of missing) {
      // The page itself need not be an item of its own.
      if (key === own && lacksItself) continue
      say('menu', '', label, group.start)
    }
    const kept = keys.filter((key, at) => labelOfKey.has(key) && firstOf.get(key) === at)
    const usual = entries.map(({ key }) => key).filter((key) => firstOf.has(key))
    if (kept.join('\n') !== usual.join('\n')) {
      const list = (all: readonly string[]) => all.map((key) => valueFor(labelOfKey, key)).join(', ')
      say('menu', list(kept), list(usual), group.start)
    }
    for (const [at, key] of keys.entries()) {
      const item = group.items[at]!
      const label = labelOfKey.get(key)
      if (label === undefined || item.label === label || plainName(item.label) === plainName(label)) continue
      say('menu', item.label, label, item.start)
    }
    if (mark.form !== 'none') {
      const marked = marksIn.get(group) ?? []
      const texts =
        mark.form === 'text'
          ? keys.filter((key, at) => !itemAt(group.items, at).link && labelOfKey.has(key) && raw[at] !== key)
          : []
      const wrong = [
        ...marked
          .filter(({ key }) => key !== own && !(marksSections && isAbove(key.slice(1), page.path)))
          .map(({ key, at }) => ({ key, at: at.start })),
        ...texts
          .filter((key) => key !== own && pathOfKey.get(key) !== undefined)
          .map((key) => ({ key, at: group.start })),
      ].filter(({ key }) => labelOfKey.has(key))
      const isMarked = marked.some(({ key }) => key === own)
      if (wrong.length > 0)
        say(
          'mark',
          valueFor(labelOfKey, itemAt(wrong, 0).key),
          isMarked ? '' : (labelOfKey.get(own) ?? ''),
          itemAt(wrong, 0).at,
        )
      else if (!isMarked && firstOf.has(own)) {
        const item = group.items[valueFor(firstOf, own)]!
        say('mark', '', valueFor(labelOfKey, own), item.start)
      }
    }
    return { group, drift: found }
  })
  return { drifts, mark }
}

// ——— Breadcrumbs and pagers

function breadcrumbDrift(
  { folder, planned, site }: Search,
  { page, items, start }: LinkGroup,
  showsSelf: boolean,
): Drift | undefined {
  const id = idAt(planned.idOf, page.path)
  const way = wayTo(site.plan, id)
  const wanted = way.filter((one) => one !== id)
  const expected = wanted.flatMap((one) => planned.pathOf.get(one) ?? [])
  const actual = trailOf(folder, page, items)
  const last = lastOf(items)
  const ownNames = valueFor(folder.names, page.path)
  const isOwn =
    ownNames.has(plainName(last.label)) ||
    plainName(last.label) === plainName(labelOf(entryOf(site.plan, id)))
  const isOther = showsSelf && !last.link && way.length > 0 && !isOwn
  const ofOther =
    isOther &&
    [...folder.names].some(([path, names]) => path !== page.path && names.has(plainName(last.label)))
  const dead = items.some(({ link }) => link?.target.to === 'nothing')
  if (actual.join('\n') === expected.join('\n') && !ofOther && !dead) return undefined
  return {
    path: page.path,
    part: 'breadcrumb',
    // A text before the first link introduces the breadcrumb.
    says: (itemAt(items, 0).link ? items : items.slice(1)).map(({ label }) => label).join(' › '),
    expected: [...wanted, ...(showsSelf ? [id] : [])]
      .map((one) => labelOf(entryOf(site.plan, one)))
      .join(' › '),
    line: lineAt(page, start),
  }
}

function pagerDrift({ parts, planned, site, built }: Search): Map<LinkGroup, Drift[]> {
  const neighbours = neighboursOf(site)
  const drifts = new Map<LinkGroup, Drift[]>()
  for (const { group, links } of parts.pagers) {
    const { page } = group
    const id = idAt(planned.idOf, page.path)
    const { previous, next } = neighbours(id)
    const wanted = { previous, next, up: pageAbove(site, id) }
    const found: Drift[] = []
    for (const direction of ['previous', 'next', 'up'] as const) {
      const item = links[direction]
      const to = wanted[direction]
      const path = to === undefined ? undefined : planned.pathOf.get(to)
      const says = item && pathOf(item)
      if (says === path || (direction === 'up' && (!item || !isUsual(built, 'up')))) continue
      // Where the pages have no such link, it is not missing.
      if (!item && !isUsual(built, direction)) continue
      found.push({
        path: page.path,
        part: 'pager',
        says: item?.link ? item.link.href.value : '',
        expected: path ?? '',
        line: lineAt(page, item?.start ?? group.start),
      })
    }
    drifts.set(group, found)
  }
  return drifts
}

const isUsual = ({ templates }: BuiltSite, direction: 'previous' | 'next' | 'up') =>
  templates.pagers.some(({ id, links }) => id !== 'relations' && links[direction] !== null)

function relationsDrift({ planned, site }: Search, page: ReadPage): Drift[] {
  const id = idAt(planned.idOf, page.path)
  const { previous, next } = neighboursOf(site)(id)
  const wanted = tableOf({ prev: previous, previous, next, up: pageAbove(site, id) })
  return page.relations.flatMap(({ rel, target, at }): Drift[] => {
    if (!wanted.has(rel) || target.to === 'away') return []
    const to = wanted.get(rel)
    const path = to === undefined ? undefined : planned.pathOf.get(to)
    if (target.to === 'file' && target.path === path) return []
    return [
      {
        path: page.path,
        part: 'head',
        says: `${rel}: ${targetKey(target).slice(1)}`,
        expected: path ? `${rel}: ${path}` : '',
        line: lineAt(page, at.start),
      },
    ]
  })
}

// ——— What is the same on all pages

/** Which reference differs, where nothing but references does. */
function otherReference(says: string, would: string): { says: string; expected: string } | undefined {
  const [a, b] = [[...sourceReferences(says)], [...sourceReferences(would)]]
  const bare = (html: string, all: typeof a) =>
    all
      .reduceRight((text, { start, end }) => text.slice(0, start) + text.slice(end), html)
      .replace(/\s+/g, '')
  if (a.length === 0 || a.length !== b.length || bare(says, a) !== bare(would, b)) return undefined
  const at = a.findIndex(({ raw }, n) => raw !== itemAt(b, n).raw)
  return at < 0 ? undefined : { says: itemAt(a, at).raw, expected: itemAt(b, at).raw }
}

const COMPUTED = ['menu', 'breadcrumb', 'pager'] as const

/** What a deviation is that stands for more than one computed part: drift, or what a page may have for itself. */
function literalDrift(search: Search, deviation: Deviation, isCommon: boolean): Drift[] {
  const { folder } = search
  const { page, parts, stretch, would, where } = deviation
  const says = page.text.slice(stretch.start, stretch.end)
  if (meaningOf(folder, page, stretch) === meaningOf(folder, page, stretch, would)) return []
  if (parts.length > 0 && parts.every(({ kind }) => kind === 'own')) return []
  const at = { path: page.path, line: lineAt(page, stretch.start + (says.length - says.trimStart().length)) }
  const computed = parts.filter((part) => COMPUTED.some((kind) => kind === part.kind))
  const id = idAt(search.planned.idOf, page.path)
  const filled = computed.filter((part) => !isBlank(search.built.writer.part(id, part)))
  const isOptional =
    computed.length > 0 || parts.some((part) => part.kind === 'own' && part.usual.length === 0)
  if (isBlank(says) && isOptional && filled.length === 0) return []
  if (isBlank(says) && filled.length > 0) {
    // A menu that most pages have, and this one not at all; or more than that, where words stand around it.
    if (isCommon) return []
    const menus = filled.map((part) => wordsOf(search.built.writer.part(id, part)))
    if (wordsOf(would).length > menus.join(' ').length)
      return [{ ...at, part: where, says: '', expected: wordsOf(would) }]
    return filled.map((part): Drift => ({
      ...at,
      part: part.kind as DriftPart,
      says: '',
      expected: wordsOf(search.built.writer.part(id, part)),
    }))
  }
  const isInsert = isBlank(would)
  if (isCommon || (isInsert && page.path === folder.home)) return []
  const isStyle = (html: string) => /rel\s*=\s*["']?(?:alternate )?stylesheet|<style\b/i.test(html)
  const reference = otherReference(says, would)
  if (where === 'head') {
    const part = isStyle(says) !== isStyle(would) || (isStyle(would) && reference) ? 'styles' : 'head'
    if (part === 'head' && isInsert) return []
    return [
      {
        ...at,
        part,
        says: reference?.says ?? oneLine(says).slice(0, 300),
        expected: reference?.expected ?? oneLine(would).slice(0, 300),
      },
    ]
  }
  if (reference) {
    const part = /<img\b/i.test(would) ? 'banner' : 'links'
    return [{ ...at, part, ...reference }]
  }
  return [
    {
      ...at,
      part: where,
      says: isBlank(says) ? '' : wordsOf(says),
      expected: isInsert ? '' : wordsOf(would),
    },
  ]
}

/** Links of the content that lead to nothing, or to a file by another case. */
function linksDrift(page: ReadPage, taken: Stretches<LinkGroup>): Drift[] {
  return page.links.flatMap(({ href, target, element }): Drift[] => {
    if (taken.covers(element)) return []
    const isOtherCase = target.to === 'file' && target.isOtherCase
    if (target.to !== 'nothing' && !isOtherCase) return []
    const line = lineAt(page, element.start)
    const expected = target.to === 'file' ? target.path : ''
    return [{ path: page.path, part: 'links', says: href.value, line, expected }]
  })
}

/** Finds all drift, and decides which of what pages keep waits for their author. */
export function findDrift(search: Search): FoundDrift {
  const { folder, parts, titles, built, site, planned } = search
  const drift: Drift[] = []
  const byGroup = new Map<LinkGroup, readonly Drift[]>()
  const marks = new Map<FoundMenu, FoundMark>()
  for (const menu of parts.menus) {
    const { drifts, mark } = menuDrift(search, menu)
    marks.set(menu, mark)
    for (const { group, drift: own } of drifts) byGroup.set(group, own)
  }
  for (const { groups } of parts.breadcrumbs) {
    const showsSelf = groups.filter(({ items }) => !lastOf(items).link).length * 2 > groups.length
    for (const group of groups) {
      const found = breadcrumbDrift(search, group, showsSelf)
      byGroup.set(group, found ? [found] : [])
    }
  }
  for (const [group, own] of pagerDrift(search)) byGroup.set(group, own)
  for (const own of byGroup.values()) drift.push(...own)

  const groupLists = new Map<ReadPage, LinkGroup[]>()
  for (const group of byGroup.keys()) collect(groupLists, group.page, group)
  const groupsOf = new Map(folder.pages.map((page) => [page, new Stretches(groupLists.get(page) ?? [])]))
  const others = new Map<string, number>()
  const variantOf = (one: Deviation) =>
    `${one.override.from} ${one.override.to} ${meaningOf(search.folder, one.page, one.stretch)}`
  for (const one of built.deviations) others.set(variantOf(one), (others.get(variantOf(one)) ?? 0) + 1)
  const sizes = new Map(
    [...built.kinds].flatMap(([, pages]) => pages.map((page) => [page, pages.length] as const)),
  )

  const kept = new Map<string, Override[]>()
  const choices: DriftChoice[] = []
  for (const deviation of built.deviations) {
    const { page, override, stretch, parts: own } = deviation
    const id = idAt(planned.idOf, page.path)
    let found: readonly Drift[] = []
    let isFixed = true
    const [only] = own
    const title = valueFor(titles.titles, page.path)
    const entry = entryOf(site.plan, id)
    const inside = valueFor(groupsOf, page).overlapping(stretch)
    if (own.length === 1 && (only!.kind === 'title' || only!.kind === 'heading')) {
      const isCopied = only!.kind === 'title' ? title.isTitleCopied : title.isHeadingCopied
      if (isCopied && entry.kind === 'page')
        found = [
          {
            path: page.path,
            part: only!.kind,
            says: wordsOf(page.text.slice(stretch.start, stretch.end)),
            expected: only!.kind === 'title' ? documentTitle(site, entry) : firstHeading(entry),
            line: lineAt(page, stretch.start),
          },
        ]
      drift.push(...found)
    } else if (own.length === 1 && only!.kind === 'pager' && only!.pattern === 'relations') {
      found = relationsDrift(search, page)
      drift.push(...found)
    } else if (own.length === 1 && COMPUTED.some((kind) => kind === only!.kind))
      found = inside.flatMap((group) => valueFor(byGroup, group))
    else if (own.length === 1 && (only!.kind === 'description' || only!.kind === 'content')) found = []
    else if (
      inside.length > 0 &&
      inside.some(({ start, end }) => start <= stretch.start && end >= stretch.end)
    ) {
      // A menu that no rule writes is kept, whatever was found in it.
      found = []
      isFixed = false
    } else {
      const size = sizes.get(page) ?? 1
      const times = valueFor(others, variantOf(deviation))
      found = literalDrift(search, deviation, times >= 2 && times >= size * 0.25)
      drift.push(...found)
    }
    const isOwn = own.length > 0 && own.every(({ kind }) => kind === 'own')
    const follows: Override =
      found.length > 0 || isOwn || own.length === 0 || !isFixed
        ? override
        : { ...override, over: markOf(deviation.would) }
    collect(kept, id, follows)
    if (found.length > 0 && isFixed)
      choices.push({
        page: id,
        override: follows,
        drift: found,
        now: page.text.slice(stretch.start, stretch.end),
        would: deviation.would,
      })
  }
  for (const page of folder.pages) drift.push(...linksDrift(page, valueFor(groupsOf, page)))
  const pages = Object.fromEntries(
    Object.entries(built.templates.pages).map(([id, making]) => [
      id,
      { ...making, overrides: kept.get(id) ?? [] },
    ]),
  )
  const unique = new Map(drift.map((one) => [JSON.stringify(one), one]))
  const places = new Map(folder.pages.map(({ path }, at) => [path, at]))
  const place = (one: Drift) => places.get(one.path) ?? -1
  return {
    drift: [...unique.values()].sort((a, b) => place(a) - place(b) || a.line - b.line),
    templates: { ...built.templates, pages },
    choices,
    marks,
  }
}
