import type { EntryId } from '../plan/ids.ts'
import type { TemplatePart } from '../plan/surround/templates.ts'
import { valueFor } from '../standard/present.ts'
import { createTemplateWriter } from '../template/write.ts'
import { type Account, bytesByAccount } from './account.ts'
import type { Brought } from './bring.ts'
import type { Evidence } from './plan/evidence.ts'
import type { Drift, FolderReport } from './report.ts'

/** A page as it was placed: what placed it, and what says that it stands elsewhere. */
export interface PlacedPage {
  readonly path: string
  readonly parent: string | null
  readonly title: string
  readonly evidence: Evidence
  readonly against: readonly { readonly parent: string; readonly evidence: Evidence }[]
  /** How many pages it stands below. */
  readonly level: number
}

/** What follows from plan and pattern, with an example from the pages. */
export interface PatternExample {
  readonly kind: 'menu' | 'breadcrumb' | 'pager'
  readonly path: string
  readonly html: string
}

/** Differences of a page that are decided together, or one that stands where nothing can be decided. */
export interface Difference {
  /** The number of the choice; undefined where the page keeps it in any case. */
  readonly choice: number | undefined
  readonly path: string
  readonly drift: readonly Drift[]
  readonly now: string
  readonly would: string
}

/** What there is to be seen before existing pages are taken in: plain data. */
export interface Overview {
  readonly name: string
  readonly report: FolderReport
  readonly account: Readonly<Record<Account, number>>
  /** In the order of the plan. */
  readonly pages: readonly PlacedPage[]
  readonly patterns: readonly PatternExample[]
  readonly differences: readonly Difference[]
}

/** The pages as they stand in the plan, each below the one it stands under. */
function placedPages({ report, placings, site, ids }: Brought): PlacedPage[] {
  const paths = new Map([...ids].map(([path, id]) => [id, path]))
  const said = new Map(report.pages.map((page) => [page.path, page]))
  const pagesAbove = (path: string | null): ReadonlySet<string> => {
    const above = new Set<string>()
    for (let at = path; at !== null && !above.has(at); at = placings.get(at)?.parent ?? null) above.add(at)
    return above
  }
  const placed: PlacedPage[] = []
  const waiting: { id: EntryId; level: number }[] = [{ id: site.plan.home, level: 0 }]
  for (let next = waiting.pop(); next; next = waiting.pop()) {
    const { id, level } = next
    const path = paths.get(id)
    const page = path === undefined ? undefined : said.get(path)
    if (page) {
      const above = pagesAbove(page.parent)
      // What names a page further up, as a list of all pages does, says nothing else.
      const against = valueFor(placings, page.path)
        .against.filter(({ parent }) => !above.has(parent))
        .map(({ parent, evidence }) => ({ parent, evidence }))
      placed.push({ ...page, against, level })
    }
    for (const child of [...(site.plan.children.get(id) ?? [])].reverse())
      waiting.push({ id: child, level: page ? level + 1 : level })
  }
  return placed
}

type PatternPart = Extract<TemplatePart, { readonly pattern: string }>
const isPattern = (part: TemplatePart): part is PatternPart => 'pattern' in part

/** Each pattern as it is written on a page that has it; the longest of a few, which shows most of its forms. */
function examples({ site, ids }: Brought): PatternExample[] {
  const writer = createTemplateWriter(site)
  const found = new Map<string, PatternExample>()
  const tried = new Map<string, number>()
  for (const [path, id] of ids)
    for (const part of writer.templateOf(id).parts) {
      if (!isPattern(part) || (tried.get(part.pattern) ?? 0) >= 12) continue
      tried.set(part.pattern, (tried.get(part.pattern) ?? 0) + 1)
      const html = writer.part(id, part).trim()
      if (html.length > (found.get(part.pattern)?.html.length ?? 0))
        found.set(part.pattern, { kind: part.kind, path, html })
    }
  for (const included of site.surround.templates.included)
    for (const part of included.parts) {
      const path = site.files.get(included.file)?.path
      if (part.kind !== 'menu' || path === undefined) continue
      const html = writer.included(included).part(part).trim()
      found.set(part.pattern, { kind: 'menu', path, html })
    }
  return [...found.values()]
}

function differencesOf({ report, choices, ids }: Brought): Difference[] {
  const paths = new Map([...ids].map(([path, id]) => [id, path]))
  const decided = choices.map(({ page, drift, now, would }, choice): Difference => ({
    choice,
    path: valueFor(paths, page),
    drift,
    now,
    would,
  }))
  const known = new Set(choices.flatMap(({ drift }) => drift.map((one) => JSON.stringify(one))))
  const kept = report.drift
    .filter((one) => !known.has(JSON.stringify(one)))
    .map((one): Difference => ({ choice: undefined, path: one.path, drift: [one], now: '', would: '' }))
  return [...decided, ...kept]
}

/** Everything that is to be seen of existing pages before they are taken in. */
export function overviewOf(brought: Brought): Overview {
  return {
    name: brought.site.settings.name,
    report: brought.report,
    account: bytesByAccount(brought.site),
    pages: placedPages(brought),
    patterns: examples(brought),
    differences: differencesOf(brought),
  }
}
