import { itemAt, valueFor } from '../../standard/present.ts'
import { collect } from '../collect.ts'
import { type Correction, correctionsOf, pointedContent } from '../corrections.ts'
import { addressesOf } from '../../address/addresses.ts'
import { pageSchema } from '../../plan/entry.ts'
import type { TemplatesSite } from '../../plan/site.ts'
import { withTemplates } from '../../plan/surround/surround.ts'
import { MOST_COMPUTED_PARTS } from '../../plan/surround/templates.ts'
import type { Stretch } from '../../standard/pageTokens.ts'
import { writeContent } from '../../template/content.ts'
import { tailOf } from '../../template/spelling.ts'
import type {
  Bits,
  PageMaking,
  Spelling,
  Template,
  TemplatePart,
  Templates,
} from '../../plan/surround/templates.ts'
import { textWriter } from '../../template/asWritten.ts'
import { createTemplateWriter, type TemplateWriter } from '../../template/write.ts'
import { writingOn } from '../../template/writing.ts'
import type { ReadFolder } from '../pages/folder.ts'
import type { ReadPage } from '../pages/readPage.ts'
import type { FoundBreadcrumb, FoundParts, PagerOfPage } from '../parts/recognise.ts'
import { most } from '../most.ts'
import type { PlannedSite } from '../plan/site.ts'
import { align, type Alignment, kindsOfPages } from './align.ts'
import {
  type Cell,
  cellsOf,
  type Computed,
  type ComputedStretch,
  mainContent,
  mainElement,
  relationsRun,
} from './cells.ts'
import { learnPager, learnTrail } from './learn.ts'
import { draftIncluded, overridesOf, type ReadIncluded } from './included.ts'
import { between, type Deviation, deviationsOf, looseRuns } from './deviations.ts'
import { type FittedMenu, fitMenus } from './menus.ts'
import { claimId, idAt, type Sources } from './source.ts'
import { learnTexts } from './texts.ts'
import * as v from 'valibot'
import { isSameData } from '../../standard/sameData.ts'

/** The folder as a site with templates, and where its pages do not follow them. */
export interface BuiltSite {
  readonly site: TemplatesSite
  readonly templates: Templates
  readonly menus: readonly FittedMenu[]
  readonly deviations: readonly Deviation[]
  /** Which pages are made with each template, by its id. */
  readonly kinds: ReadonlyMap<string, readonly ReadPage[]>
  /** Where the content of each page stands in it. */
  readonly contents: ReadonlyMap<ReadPage, Stretch>
  readonly writer: TemplateWriter
}

interface Patterns {
  readonly menus: readonly FittedMenu[]
  /** Those of parts in files of their own. */
  readonly shared: readonly FittedMenu[]
  readonly breadcrumbs: readonly {
    readonly id: string
    readonly found: FoundBreadcrumb
    readonly pattern: ReturnType<typeof learnTrail>
  }[]
  readonly pagers: readonly {
    readonly id: string
    readonly pagers: readonly PagerOfPage[]
    readonly pattern: ReturnType<typeof learnPager>
  }[]
  /** The links in heads, as a pager of their own. */
  readonly relations: ReturnType<typeof learnPager> | undefined
}

/** Pagers by where they stand on their pages. */
function pagersByPlace(pagers: readonly PagerOfPage[]): PagerOfPage[][] {
  const places = new Map<string, PagerOfPage[]>()
  for (const pager of pagers) {
    const { place } = pager.group
    collect(places, place, pager)
  }
  return [...places.values()]
}

/** The links of a head that say prev, next and up, as if they were a pager. */
function relationsOf(folder: ReadFolder): PagerOfPage[] {
  return folder.pages.flatMap((page): PagerOfPage[] => {
    const run = relationsRun(page)
    if (!run) return []
    const items = page.relations
      .filter(
        ({ rel, at, target }) =>
          /^(?:prev|previous|next|up)$/.test(rel) &&
          at.start >= run.start &&
          at.end <= run.end &&
          target.to === 'file',
      )
      .map(({ rel, at, target }) => {
        const element = at as ReadPage['root']
        const href = element.open.attributes.find(({ name }) => name === 'href')!
        const direction = rel.startsWith('prev') ? ('previous' as const) : (rel as 'next' | 'up')
        return {
          direction,
          item: {
            start: at.start,
            end: at.end,
            label: '',
            level: 1,
            link: { element, href, label: '', target },
          },
        }
      })
    if (items.length === 0) return []
    const group = {
      ...run,
      page,
      container: page.root,
      items: items.map(({ item }) => item),
      place: 'head',
      names: '',
      separator: '',
    }
    return [{ group, links: Object.fromEntries(items.map(({ direction, item }) => [direction, item])) }]
  })
}

/** The parts of all pages that are computed, in no order. */
function computedOf(folder: ReadFolder, patterns: Patterns): Map<ReadPage, ComputedStretch[]> {
  const computed = new Map<ReadPage, ComputedStretch[]>(folder.pages.map((page) => [page, []]))
  const put = (page: ReadPage, { start, end }: Stretch, what: Computed) => {
    const known = valueFor(computed, page)
    // What is more than a template can have stays as it is written.
    if (end > start && known.length < MOST_COMPUTED_PARTS) known.push({ start, end, computed: what })
  }
  for (const page of folder.pages) {
    for (const kind of ['title', 'description', 'heading'] as const) {
      const named = page[kind]
      if (!named) continue
      const { quote } = named
      put(page, named, kind === 'title' && (quote === '"' || quote === "'") ? { kind, quote } : { kind })
    }
    const run = patterns.relations && relationsRun(page)
    if (run) put(page, run, { kind: 'pager', pattern: patterns.relations!.id })
  }
  for (const { pattern, groups } of patterns.menus)
    for (const group of groups) put(group.page, group, { kind: 'menu', pattern: pattern.id })
  for (const { id, found } of patterns.breadcrumbs)
    for (const group of found.groups) put(group.page, group, { kind: 'breadcrumb', pattern: id })
  for (const { id, pagers } of patterns.pagers)
    for (const { group } of pagers) put(group.page, group, { kind: 'pager', pattern: id })
  return computed
}

/** What tells own values apart: what they are, and where they stand. */
function ownName(
  cells: readonly (readonly Cell[])[],
  isInHead: boolean,
): 'page name' | 'banner' | 'head' | 'own' {
  const first = most(
    cells.flatMap(
      (own) =>
        own.find(({ opens, key }) => opens !== undefined || key.startsWith('<img'))?.key.split(/[\s>]/)[0] ??
        [],
    ),
  )
  if (first === '<body') return 'page name'
  if (isInHead) return 'head'
  return first === '<img' ? 'banner' : 'own'
}

interface Draft {
  readonly alignment: Alignment<ReadPage>
  readonly template: Template
  /** The content of each page. */
  readonly contents: ReadonlyMap<ReadPage, Stretch>
}

function draftTemplate(
  sources: Sources,
  alignment: Alignment<ReadPage>,
  cells: ReadonlyMap<ReadPage, readonly Cell[]>,
  id: string,
  name: string,
): Draft {
  const { slots, reference } = alignment
  const contentAt = slots.findIndex(({ kind }) => kind === 'content')
  const where = (at: number, isInHead: boolean) =>
    isInHead ? 'head' : contentAt >= 0 && at > contentAt ? 'footer' : 'header'
  const parts = slots.map((slot, at): TemplatePart => {
    switch (slot.kind) {
      case 'content':
        return { kind: 'content' }
      case 'cell': {
        const { computed } = slot.cell
        if (!computed)
          return { kind: 'text', where: where(at, slot.isInHead), bits: sources.bits(reference, slot.cell) }
        if ('pattern' in computed) return { kind: computed.kind, pattern: computed.pattern }
        return computed
      }
      case 'own': {
        const stretches = alignment.pages.flatMap((page) => {
          const lying = valueFor(alignment.cells, page)
          const isAlone = (at === 0 || lying[at - 1]) && (at === slots.length - 1 || lying[at + 1])
          return isAlone ? [{ page, stretch: between(page, lying, at, at + 1) }] : []
        })
        const values = stretches.map(({ page, stretch }) => JSON.stringify(sources.bits(page, stretch)))
        const usual = most(values)
        const times = values.filter((value) => value === usual).length
        const inside = stretches.map(({ page, stretch }) =>
          valueFor(cells, page).filter((cell) => cell.start >= stretch.start && cell.end <= stretch.end),
        )
        return {
          kind: 'own',
          where: where(at, slot.isInHead),
          name: ownName(inside, slot.isInHead),
          usual: usual !== undefined && times > 1 ? (JSON.parse(usual) as Bits) : [],
        }
      }
    }
  })
  const contents = new Map<ReadPage, Stretch>()
  if (contentAt >= 0)
    for (const page of alignment.pages) {
      const lying = valueFor(alignment.cells, page)
      for (const { from, to } of looseRuns(lying))
        if (from <= contentAt && contentAt < to) contents.set(page, between(page, lying, from, to))
    }
  return { alignment, template: { id, name, parts }, contents }
}

/** What a template says, whatever its pages have of their own: templates that say the same are one. */
const sayingOf = ({ template: { parts } }: Draft): string =>
  JSON.stringify(parts.map((part) => (part.kind === 'own' ? part.kind : part)))

/** Makes as many templates as there are kinds of pages. */
function draftsOf(
  folder: ReadFolder,
  sources: Sources,
  cells: ReadonlyMap<ReadPage, readonly Cell[]>,
  corrections: readonly Correction[],
): readonly Draft[] {
  const pointed = pointedContent(corrections, folder.byPath)
  const draft = (pages: readonly ReadPage[], id: string, name: string) =>
    draftTemplate(
      sources,
      align(pages, cells, { alone: mainContent, main: mainElement, pointed }),
      cells,
      id,
      name,
    )
  const same = new Map<string, ReadPage[]>()
  const free = new Map(cells)
  correctionsOf(corrections, 'template').forEach(({ pages }, at) => {
    for (const path of pages) {
      const page = folder.byPath.get(path)
      if (page && free.delete(page)) collect(same, `said ${at}`, page)
    }
  })
  for (const pages of kindsOfPages(free)) {
    const saying = sayingOf(draft(pages, '', ''))
    for (const page of pages) collect(same, saying, page)
  }
  const ids = new Set<string>()
  return [...same.values()]
    .sort((a, b) => b.length - a.length)
    .map((pages, at) => {
      const isHome = pages.length === 1 && itemAt(pages, 0).path === folder.home
      const name = isHome ? 'Home page' : at === 0 ? 'Pages' : `Pages like ${itemAt(pages, 0).path}`
      return draft(pages, claimId(isHome ? 'home' : name, ids), name)
    })
}

/** The content of a page with pointers in the place of its references, and how those are written. */
export function contentOf(
  sources: Sources,
  page: ReadPage,
  { start, end }: Stretch,
  usual: Spelling,
): { html: string; spelt: Record<string, Spelling> } {
  const spelt: Record<string, Spelling> = {}
  const first = new Map<string, Spelling>()
  let html = ''
  let at = start
  for (const reference of sources.references(page)) {
    if (reference.start < start || reference.end > end) continue
    const address = sources.address(page, reference)
    if (!address || address.to === 'included') continue
    const tail = tailOf(reference.raw)
    const pointer = `${address.to}:${address.id}${tail}`
    const spelling: Spelling = { start: address.start, index: address.index, isPlain: address.isPlain }
    // One pointer is written in one way on a page: another way stays as it is.
    if (!isSameData(first.get(pointer) ?? spelling, spelling)) continue
    first.set(pointer, spelling)
    if (!isSameData(spelling, usual)) spelt[pointer] = spelling
    html += page.text.slice(at, reference.start) + pointer
    at = reference.end
  }
  return { html: html + page.text.slice(at, end), spelt }
}

/** Makes templates of the pages of a folder, and tells what of each page they do not say. */
export function buildTemplates(
  folder: ReadFolder,
  parts: FoundParts,
  planned: PlannedSite,
  sources: Sources,
  corrections: readonly Correction[],
  included: readonly ReadIncluded[],
): BuiltSite {
  const { usual } = sources
  const written = learnTexts(folder, parts)
  const write = textWriter(written)
  const labels = new Map(
    [...planned.pathOf].map(([id, path]) => {
      const entry = valueFor(planned.site.plan.entries, id)
      const [label, title] = entry.kind === 'page' ? [entry.label || entry.title, entry.title] : ['', '']
      return [path, { label: write(label), title: write(title) }] as const
    }),
  )
  const nameOf = (path: string) => labels.get(path) ?? { label: '', title: '' }
  const relations = relationsOf(folder)
  const patterns: Patterns = {
    ...fitMenus(folder, planned, sources, parts.menus, parts.shared),
    breadcrumbs: parts.breadcrumbs.map((found, at) => ({
      id: `breadcrumb-${at + 1}`,
      found,
      pattern: learnTrail(sources, `breadcrumb-${at + 1}`, found.groups, ({ path }) => path === folder.home),
    })),
    pagers: pagersByPlace(parts.pagers).map((pagers, at) => ({
      id: `pager-${at + 1}`,
      pagers,
      pattern: learnPager(sources, `pager-${at + 1}`, pagers, nameOf),
    })),
    relations: relations.length > 1 ? learnPager(sources, 'relations', relations, nameOf) : undefined,
  }
  const computed = computedOf(folder, patterns)
  const cells = new Map(folder.pages.map((page) => [page, cellsOf(sources, page, valueFor(computed, page))]))
  const drafts = draftsOf(folder, sources, cells, corrections)

  const makings: Record<string, PageMaking> = {}
  const bodies = new Map<string, string>()
  const bare: Templates = {
    templates: drafts.map(({ template }) => template),
    menus: [...patterns.menus, ...patterns.shared].map(({ pattern }) => pattern),
    breadcrumbs: patterns.breadcrumbs.map(({ pattern }) => pattern),
    pagers: [
      ...patterns.pagers.map(({ pattern }) => pattern),
      ...(patterns.relations ? [patterns.relations] : []),
    ],
    pages: {},
    included: draftIncluded(sources, planned.site, included, patterns.shared, (path) => {
      const at = planned.idOf(path)
      return at?.to === 'entry' ? at.id : undefined
    }),
    spelling: usual,
    root: folder.targets.published.root,
    ...written,
  }
  for (const { template, alignment, contents } of drafts)
    for (const page of alignment.pages) {
      const id = idAt(planned.idOf, page.path)
      const stretch = contents.get(page)
      const { html, spelt } = stretch ? contentOf(sources, page, stretch, usual) : { html: '', spelt: {} }
      makings[id] = { template: template.id, encoding: { ...page.encoding }, overrides: [], spelt }
      if (stretch && v.is(pageSchema, { id, kind: 'page', title: 'x', body: { html, changed: '' } }))
        bodies.set(id, html)
    }
  const menus = new Map([...patterns.menus, ...patterns.shared].map(({ menu }) => [menu.id, menu]))
  const entries = new Map(planned.site.plan.entries)
  for (const [id, html] of bodies) {
    const entry = valueFor(entries, id)
    if (entry.kind === 'page') entries.set(id, { ...entry, body: { html, changed: '' } })
  }
  const withPages = (templates: Templates): TemplatesSite => ({
    ...planned.site,
    plan: { ...planned.site.plan, entries },
    surround: withTemplates({ ...planned.site.surround, menus: [...menus.values()].slice(0, 30) }, templates),
  })
  const first: Templates = { ...bare, pages: makings }
  const site = withPages(first)
  const writer = createTemplateWriter(site)
  const { paths } = addressesOf(site)
  const deviations: Deviation[] = []
  for (const { template, alignment, contents } of drafts)
    for (const page of alignment.pages) {
      const id = idAt(planned.idOf, page.path)
      const own = deviationsOf(
        sources,
        page,
        template.parts,
        valueFor(alignment.cells, page),
        contents.get(page),
        {
          part: (part) => writer.part(id, part),
          bits: (bits) =>
            writingOn(site, valueFor(paths, id), folder.targets.published).bits(bits, {}, usual),
          isContent(text) {
            const html = bodies.get(id)
            if (html === undefined) return false
            // Each reference was tried when it became a pointer: only where something else looks like one it is all written out.
            if (!/(?:entry|site-file):/i.test(text)) return true
            return writeContent(site, first, id, html, folder.targets.published) === text
          },
        },
      )
      deviations.push(...own)
      makings[id] = { ...makings[id]!, overrides: own.map(({ override }) => override) }
    }
  const pageOfPart = new Map(included.map(({ path, page }) => [planned.idOf(path)?.id, page]))
  const templates: Templates = {
    ...bare,
    pages: makings,
    included: bare.included.map((one) => ({
      ...one,
      overrides: overridesOf(one, valueFor(pageOfPart, one.file), patterns.shared, writer.included(one)),
    })),
  }
  const done = withPages(templates)
  return {
    site: done,
    templates,
    menus: patterns.menus,
    deviations,
    kinds: new Map(drafts.map(({ template, alignment }) => [template.id, alignment.pages])),
    contents: new Map(drafts.flatMap(({ contents }) => [...contents])),
    writer: createTemplateWriter(done),
  }
}
