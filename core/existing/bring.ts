import { readingRuns } from '../navigate/readingOrder.ts'
import type { EntryId } from '../plan/ids.ts'
import type { TemplatesSite } from '../plan/site.ts'
import { valueFor } from '../standard/present.ts'
import type { Correction } from './corrections.ts'
import type { DriftChoice } from './decide.ts'
import { findDrift } from './drift.ts'
import { type FoundFile, includesOf, sortFiles, typeOf } from './intake/folderFiles.ts'
import { soundFiles } from './intake/foundPaths.ts'
import { type ReadFolder, readFolder } from './pages/folder.ts'
import { type ReadPage, readPage, withTargets } from './pages/readPage.ts'
import { publishedAt, Targets } from './pages/targets.ts'
import { NO_MARK, pageNameMarks } from './parts/mark.ts'
import { type FoundMenu, menuName, recognise } from './parts/recognise.ts'
import { hierarchyOf, type Placing } from './plan/hierarchy.ts'
import { canBePlanned, type KnownIds, NOTHING_KNOWN, planSite } from './plan/site.ts'
import { titlesOf } from './plan/titles.ts'
import type { Stretch } from '../standard/pageTokens.ts'
import { nameKey } from '../standard/fileName.ts'
import type { FolderReport } from './report.ts'
import { buildTemplates } from './template/build.ts'
import type { ReadIncluded } from './template/included.ts'
import { idAt, Sources } from './template/source.ts'

/** Nothing to take in: what is missing, in words for the author. */
export class NothingToBring extends Error {
  override name = 'NothingToBring'
}

/** A folder as a site, and what was found in it. */
export interface Brought {
  /** With every byte as it was: nothing is decided. */
  readonly site: TemplatesSite
  /** What there is to decide: see `broughtIntoLine`. */
  readonly choices: readonly DriftChoice[]
  /** Where each page stands, by path. */
  readonly placings: ReadonlyMap<string, Placing>
  /** The entry of each page, by path. */
  readonly ids: ReadonlyMap<string, EntryId>
  readonly folder: ReadFolder
  /** Where the content of each page stands in it. */
  readonly contentIn: ReadonlyMap<ReadPage, Stretch>
  /** The bytes of the files of the site, by key. */
  readonly contents: ReadonlyMap<string, Uint8Array>
  readonly report: FolderReport
}

/** What is being worked out, one after the other. */
export const STEPS = ['pages', 'parts', 'plan', 'templates', 'differences'] as const
export type Step = (typeof STEPS)[number]

/**
 * Takes a folder of existing pages in.
 * @param corrections what their author says of them
 * @param tell hears what is begun
 * @param known what has its id already, being in the site that the folder is read for
 * @throws NothingToBring for a folder without pages
 */
export function bring(
  found: readonly FoundFile[],
  corrections: readonly Correction[] = [],
  tell: (step: Step) => void = () => undefined,
  known: KnownIds = NOTHING_KNOWN,
): Brought {
  tell('pages')
  const { files, leftOut } = soundFiles(found)
  const sorted = sortFiles(files, (path) => known.entries.has(path))
  const paths = files.map(({ path }) => path)
  const unplanned = unplannable(
    files,
    [...sorted.pages.keys()].filter((path) => !known.entries.has(path)),
  )
  const plannable = [...sorted.pages].filter(([path]) => !unplanned.has(path))
  const unpublished = new Targets(paths)
  const first = plannable.map(([path, { text, encoding }]) => readPage(path, text, encoding, unpublished))
  if (first.length === 0)
    throw new NothingToBring('There are no pages in this folder: no .html, .htm, .xhtml, .php or .shtml.')
  const published = publishedAt(paths, references(first))
  const targets = new Targets(paths, published)
  const folder = readFolder(
    published.baseUrl === '' && published.root === '/'
      ? first
      : first.map((page) => withTargets(page, targets)),
    targets,
  )
  const included = includedParts(sorted, targets)
  tell('parts')
  const includedPages = included.map(({ page }) => page)
  const parts = recognise(folder, includedPages, corrections)
  tell('plan')
  const hierarchy = hierarchyOf(folder, parts, corrections)
  const titles = titlesOf(folder, parts)
  const others = [...sorted.others, ...files.filter(({ path }) => unplanned.has(path))]
  const keys = new Map(others.map(({ path }, at) => [path, `file${at}`]))
  const planned = planSite(folder, parts, hierarchy, titles, others, (path) => valueFor(keys, path), known)
  tell('templates')
  const built = buildTemplates(
    folder,
    parts,
    planned,
    new Sources(folder, planned.idOf),
    corrections,
    included,
  )
  tell('differences')
  const decided = findDrift({ folder, parts, planned, titles, built, site: built.site })
  const byPageName = pageNameMarks(folder.pages, styleTexts(files, folder))
  const names = namesOf([...parts.shared, ...parts.menus])
  const report: FolderReport = {
    pages: folder.pages.map(({ path }) => {
      const { parent, evidence } = valueFor(hierarchy.placings, path)
      const { title, label } = valueFor(titles.titles, path)
      const id = idAt(planned.idOf, path)
      const template = built.templates.templates.find(
        (one) => one.id === built.templates.pages[id]!.template,
      )!
      return { path, parent, title, label, template: template.name, evidence }
    }),
    order:
      hierarchy.runs.length === 0
        ? null
        : readingRuns(built.site)
            .flat()
            .map((id) => valueFor(planned.pathOf, id)),
    templates: built.templates.templates.map(({ id, name, parts: own }) => ({
      name,
      pages: valueFor(built.kinds, id).map(({ path }) => path),
      holes: own.flatMap((part) => {
        if (part.kind === 'text')
          return part.bits.some((bit) => typeof bit !== 'string') ? [{ kind: 'address' }] : []
        return [{ kind: part.kind === 'own' ? part.name : part.kind }]
      }),
    })),
    menus: [...parts.shared, ...parts.menus].map((menu) => {
      const said = decided.marks.get(menu) ?? NO_MARK
      return {
        name: valueFor(names, menu),
        items: menu.entries.map(({ label, path, url, level }) => ({
          label,
          ...(path === undefined ? {} : { path }),
          ...(url === undefined ? {} : { url }),
          level,
        })),
        mark: said.form === 'none' ? (byPageName(menu.groups) ?? said) : said,
      }
    }),
    drift: decided.drift,
    files: files.map(({ path, bytes }) => ({ path, type: typeOf(path), bytes: bytes.length })),
    includes: [...new Set([...sorted.pages].flatMap(([path, { text }]) => includesOf(path, text)))].filter(
      (path) => sorted.parts.has(path),
    ),
    leftover: [
      ...leftOut,
      ...sorted.leftover,
      ...[...unplanned].map(([path, reason]) => ({ path, reason })),
      ...notLedTo(folder, includedPages),
    ],
  }
  return {
    site: { ...built.site, surround: { ...built.site.surround, templates: decided.templates } },
    choices: decided.choices,
    placings: hierarchy.placings,
    ids: new Map(folder.pages.map(({ path }) => [path, idAt(planned.idOf, path)])),
    folder,
    contentIn: built.contents,
    contents: new Map(others.map(({ path, bytes }) => [valueFor(keys, path), bytes])),
    report,
  }
}

/** Menus by their names; those of one name are numbered. */
function namesOf(menus: readonly FoundMenu[]): ReadonlyMap<FoundMenu, string> {
  const times = new Map<string, number>()
  return new Map(
    menus.map((menu) => {
      const name = menuName(menu)
      times.set(name, (times.get(name) ?? 0) + 1)
      return [menu, times.get(name) === 1 ? name : `${name} ${times.get(name)}`]
    }),
  )
}

/** Pages that cannot stand in a plan, each with why. */
function unplannable(files: readonly FoundFile[], pages: Iterable<string>): Map<string, string> {
  const reasons = new Map<string, string>()
  const byKey = new Map<string, number>()
  for (const { path } of files) byKey.set(nameKey(path), (byKey.get(nameKey(path)) ?? 0) + 1)
  for (const path of pages) {
    if (!canBePlanned(path)) reasons.set(path, 'Its name cannot be that of a page: it is kept as it is.')
    else if (valueFor(byKey, nameKey(path)) > 1)
      reasons.set(
        path,
        'Another file has the same path but for the case of its letters: both are kept as they are.',
      )
  }
  return reasons
}

/** The pieces of pages in files of their own, each as it reads on the page nearest to the top that puts it in. */
function includedParts({ pages, parts }: ReturnType<typeof sortFiles>, targets: Targets): ReadIncluded[] {
  const includers = new Map<string, string>()
  const depth = (path: string) => path.split('/').length
  for (const [path, { text }] of pages)
    for (const part of includesOf(path, text)) {
      const there = includers.get(part)
      if (there === undefined || depth(path) < depth(there)) includers.set(part, path)
    }
  return [...parts].flatMap(([path, { text, encoding }]) => {
    const from = includers.get(path)
    if (from === undefined) return []
    const name = path.slice(path.lastIndexOf('/') + 1)
    const seenAs = from.slice(0, from.lastIndexOf('/') + 1) + name
    return [{ path, from, page: readPage(seenAs, text, encoding, targets) }]
  })
}

/** Pages that no other page leads to. */
function notLedTo(folder: ReadFolder, included: readonly ReadPage[]): { path: string; reason: string }[] {
  const led = new Set<string>([folder.home])
  for (const page of [...folder.pages, ...included])
    for (const target of [...page.links, ...page.relations].map((one) => one.target))
      if (target.to === 'file' && target.path !== page.path) led.add(target.path)
  return folder.pages.flatMap(({ path }) => (led.has(path) ? [] : [{ path, reason: 'No page leads to it.' }]))
}

/** All style rules of the folder, as far as they are of use: in files, and in the heads of some pages. */
function styleTexts(files: readonly FoundFile[], folder: ReadFolder): string {
  const decoder = new TextDecoder()
  const sheets = files.filter(({ path, bytes }) => /\.css$/i.test(path) && bytes.length < 1_000_000)
  const inPages = folder.pages.slice(0, 20).map(({ tokens }) => {
    const at = tokens.findIndex((token) => token.kind === 'open' && token.tag === 'style')
    const rules = at < 0 ? undefined : tokens[at + 1]
    return rules?.kind === 'text' ? rules.text : ''
  })
  return [...sheets.slice(0, 50).map(({ bytes }) => decoder.decode(bytes)), ...inPages].join('\n')
}

function* references(pages: readonly ReadPage[]) {
  for (const page of pages) {
    for (const { rel, target } of page.relations)
      if (rel === 'canonical' && target.to === 'away')
        yield { from: page.path, reference: target.url, isCanonical: true }
    for (const { href } of page.links) yield { from: page.path, reference: href.value, isCanonical: false }
  }
}
