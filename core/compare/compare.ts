import { diffArrays } from 'diff'
import type { HereRule } from '../plan/surround/rules.ts'
import { escapeText } from '../standard/escape.ts'
import { itemAt } from '../standard/present.ts'
import { resolveReference } from '../standard/reference.ts'
import type { ParsedPage } from './parsedPage.ts'
import { OWN_REGIONS, type OwnRegion, type Region, type SourceLine, sourceLines } from './regions.ts'

/** A finished page to compare with another. */
export interface ComparedPage {
  readonly html: string
  /** Where it stands, absolute: links are resolved against it. */
  readonly url: string
  /** The title of the page, where own HTML may say it. */
  readonly title: string
  /** The same, where it was parsed already. */
  readonly parsed?: ParsedPage
}

/** Why two pages of one site may differ in a line; `drift`: nothing explains it. */
export type Cause = OwnRegion | 'here mark' | 'path' | 'page title' | 'drift'

/** Lines of two sources that differ. */
export interface DifferingLines {
  /** From 1, in each source; where lines stand in one only, where they would stand in the other. */
  readonly at: readonly [number, number]
  readonly lines: readonly [readonly string[], readonly string[]]
}

/** Lines that differ, with why. */
interface Difference extends DifferingLines {
  readonly cause: Cause
  readonly region: Region
}

/** A line with what may differ from page to page taken off or resolved: the same for all pages of a folder. */
interface BareLine {
  readonly hrefs: string
  readonly marks: string
  /** Without marks, with links resolved; where the mark is plain text, the item counts as no link on any page. */
  readonly bare: string
}

/** The lines of the pages of one folder that were read already. */
export type FolderLines = Map<string, BareLine>

/** A link that begins with the page itself. */
const LINKS_TO_ITSELF = / (?:href|src)="\?/

/** Takes the title of a page out of lines, in their text alone: a title may be a sign that tags have, too. */
function withoutTitle(title: string): (line: string) => string {
  const escaped = escapeText(title)
  return (line) =>
    title === '' || !line.includes(escaped)
      ? line
      : line
          .split(/(<[^>]*>?)/)
          .map((part, at) => (at % 2 === 0 ? part.replaceAll(escaped, '{title}') : part))
          .join('')
}

function bareLineOf(
  { url }: ComparedPage,
  { here, within, form }: HereRule,
  known: FolderLines,
): (line: string) => BareLine {
  const mark = new RegExp(` class="(?:${here}|${within})"| aria-current="(?:page|true)"`, 'g')
  const read = (line: string): BareLine => {
    const unmarked = line.replace(mark, '')
    const resolved = unmarked.replace(
      / (href|src)="([^"#][^"]*)"/g,
      (_, name: string, href: string) => ` ${name}="${resolveReference(url, href)}"`,
    )
    const bare =
      form === 'text'
        ? resolved.replace(/<a href="[^"]*">([^<]*)<\/a>|<span>([^<]*)<\/span>/g, '<$1$2>')
        : resolved
    return {
      hrefs: (line.match(/ (?:href|src)="[^"]*"/g) ?? []).join(),
      marks:
        (line.match(mark) ?? []).join() +
        (form === 'text' ? resolved.replace(/(?<![^<])[^<]*<(a|span)\b/g, '$1 ') : ''),
      bare,
    }
  }
  return (line) => {
    let there = known.get(line)
    if (!there) {
      there = read(line)
      if (!LINKS_TO_ITSELF.test(line)) known.set(line, there)
    }
    return there
  }
}

/** Why two lines differ that are the same once all is taken off that may differ. */
function causesOf(a: BareLine, b: BareLine): Cause[] {
  const causes: Cause[] = []
  if (a.marks !== b.marks) causes.push('here mark')
  else if (a.hrefs !== b.hrefs) causes.push('path')
  if (a.bare !== b.bare) causes.push('page title')
  return causes
}

/** What the pages have of their own: each part as a whole. */
function ownDifferences(a: readonly SourceLine[], b: readonly SourceLine[]): Difference[] {
  return [...OWN_REGIONS].flatMap((region) => {
    const [left, right] = [a, b].map((lines) => lines.filter((line) => line.region === region)) as [
      SourceLine[],
      SourceLine[],
    ]
    const [from, to] = [left, right].map((lines) => lines.map(({ text }) => text)) as [string[], string[]]
    if (from.join('\n') === to.join('\n')) return []
    const at = [left[0]?.at ?? 0, right[0]?.at ?? 0] as const
    return [{ cause: region as Cause, region, at, lines: [from, to] as const }]
  })
}

/** Tells whether lines of two pages are the same once all is taken off that may differ. */
const sameLines = (a: ReadSource, b: ReadSource) => (one: BareLine, other: BareLine) =>
  one.bare === other.bare || a.untitled(one.bare) === b.untitled(other.bare)

/** What stands around on all pages, line by line. */
function sharedDifferences(a: ReadSource, b: ReadSource): Difference[] {
  const [left, right] = [a.shared, b.shared]
  const [bareLeft, bareRight] = [a.bare, b.bare]
  const parts = diffArrays([...bareLeft], [...bareRight], {
    comparator: sameLines(a, b),
  })
  const differences: Difference[] = []
  let [l, r] = [0, 0]
  const put = (cause: Cause, ofLeft: number, ofRight: number) => {
    const lines = [left.slice(l, l + ofLeft), right.slice(r, r + ofRight)] as const
    differences.push({
      cause,
      region: (lines[0][0] ?? lines[1][0])!.region,
      at: [left[l]?.at ?? 0, right[r]?.at ?? 0],
      lines: [lines[0].map(({ text }) => text), lines[1].map(({ text }) => text)],
    })
  }
  parts.forEach(({ added, removed, value }, n) => {
    const count = value.length
    if (removed) {
      // What comes in the place of lines that go stands right after them.
      put('drift', count, parts[n + 1]?.added ? itemAt(parts, n + 1).value.length : 0)
      l += count
    } else if (added) {
      if (!parts[n - 1]?.removed) put('drift', 0, count)
      r += count
    } else {
      for (let step = 0; step < count; step++, l++, r++) {
        if (itemAt(left, l).text === itemAt(right, r).text) continue
        for (const cause of causesOf(bareLeft[l]!, bareRight[r]!)) put(cause, 1, 1)
      }
    }
  })
  return differences
}

/** A page that was read to be compared, maybe with many others. */
export interface ReadSource {
  /** What the page has of its own. */
  readonly own: readonly SourceLine[]
  /** What stands around on all pages, each line as it is and bare. */
  readonly shared: readonly SourceLine[]
  readonly bare: readonly BareLine[]
  /** Takes the title of the page out of a line, where own HTML may say it. */
  readonly untitled: (line: string) => string
}

/**
 * Reads a page to be compared with others of its site.
 * @param sectionMenus what the menus that follow the page are called
 * @param known what was read of other pages of the same folder by the same rule
 */
export function readSource(
  page: ComparedPage,
  rule: HereRule,
  sectionMenus: ReadonlySet<string>,
  known: FolderLines = new Map(),
): ReadSource {
  const lines = sourceLines(page.html, sectionMenus, page.parsed)
  const bareOf = bareLineOf(page, rule, known)
  const shared = lines.filter(({ region }) => !OWN_REGIONS.has(region))
  return {
    own: lines.filter(({ region }) => OWN_REGIONS.has(region)),
    shared,
    bare: shared.map(({ text }) => bareOf(text)),
    untitled: withoutTitle(page.title),
  }
}

/** What stands around one page and not around the other, and nothing explains. */
export function driftBetween(a: ReadSource, b: ReadSource): Difference[] {
  const isSameLine = sameLines(a, b)
  const isSame = a.bare.length === b.bare.length && a.bare.every((line, at) => isSameLine(line, b.bare[at]!))
  // Mostly so: then there is nothing to be found out.
  return isSame ? [] : sharedDifferences(a, b).filter(({ cause }) => cause === 'drift')
}

/** The differences of two pages that were read: every one with why it is there; one that nothing explains is drift. */
function compareSources(a: ReadSource, b: ReadSource): Difference[] {
  return [...ownDifferences(a.own, b.own), ...sharedDifferences(a, b)].sort(
    (one, other) => one.at[0] - other.at[0] || one.at[1] - other.at[1],
  )
}

/** Reads and compares the sources of two pages of a site. */
export function comparePages(
  a: ComparedPage,
  b: ComparedPage,
  rule: HereRule,
  sectionMenus: ReadonlySet<string>,
): Difference[] {
  return compareSources(readSource(a, rule, sectionMenus), readSource(b, rule, sectionMenus))
}
