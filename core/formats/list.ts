import type { Branch } from '../plan/branch.ts'
import type { EntryId } from '../plan/ids.ts'
import { newLink, newPage } from '../plan/newEntry.ts'
import { MAX_ENTRIES, MAX_LEVELS } from '../plan/plan.ts'
import { fileNameFault, PAGE_EXTENSION, soundFileName } from '../standard/fileName.ts'
import { itemAt, lastOf } from '../standard/present.ts'
import { isAllowedTarget, likelyTarget } from '../standard/target.ts'
import { shortened } from '../standard/text.ts'

/** What is wrong with a line of a pasted list. The line is kept unless it says that it is left out. */
export type Warning =
  | 'jumps a level: it stands under the line before'
  | 'control characters were taken out'
  | 'no title: left out'
  | 'the same title stands on line'
  | 'the site already has a page with this title'
  | 'too long: cut to 300 characters'
  | 'too deep: it stands at the last level that a plan can have'
  | 'too many entries: left out'
  | 'nothing can be under a link: it is beside it'

/** A line of a pasted list as it was understood. */
export interface ListLine {
  /** From 1. */
  readonly number: number
  /** 1 for the top of what is pasted. */
  readonly level: number
  readonly title: string
  readonly label: string
  /** The id of its entry; undefined when the line is left out. */
  readonly id: EntryId | undefined
  readonly warnings: readonly { readonly warning: Warning; readonly line?: number }[]
}

export interface ReadList {
  readonly lines: readonly ListLine[]
  readonly branches: readonly Branch[]
}

/** A line before its level is settled. */
interface RawLine {
  readonly number: number
  /** Grows with the level; what stands further to the right stands deeper. */
  readonly depth: number
  readonly title: string
  readonly label: string
}

/** A link as Markdown writes it, with what stands in its brackets: `[Shop](https://example.org "Buy")`. */
const MARKDOWN_LINK = /^\[([^\]]*)\]\(([^()]*)\)$/
const addressOf = (inBrackets: string) => itemAt(inBrackets.trim().split(/\s/), 0).replace(/^<|>$/g, '')

/** Without the sign that parts a name from what follows it. */
const withoutSign = (name: string) =>
  name
    .trimEnd()
    .replace(/[:–—-]$/, '')
    .trimEnd()

/** An address at the end of a line, after its name. */
const LAST_ADDRESS = /(?:^|\s)<?((?:https?:\/\/|mailto:|tel:|www\.)[^\s<>]+)>?$/i

/** The most that a target can have. */
const MAX_URL = 2000
const STARTS_AS_ADDRESS = /^(?:https?:\/\/|mailto:|tel:|www\.)/i

/** A line that says where it leads: an address alone, one after its name, or a link as Markdown writes it. */
function readLink(line: RawLine): (Pick<ListLine, 'title'> & { readonly url: string }) | undefined {
  const markdown = MARKDOWN_LINK.exec(line.title)
  const last = LAST_ADDRESS.exec(line.title)
  const written =
    (markdown ? addressOf(markdown[2]!) : undefined) ??
    last?.[1] ??
    (STARTS_AS_ADDRESS.test(line.label) ? line.label : '')
  const url = likelyTarget(written)
  if (url.length > MAX_URL || !isAllowedTarget(url)) return undefined
  const name = markdown?.[1] ?? (last ? line.title.slice(0, last.index) : line.title)
  const title = withoutSign(name).trim()
  return {
    title: title === '' ? url.replace(/^(?:https?:\/\/|mailto:|tel:)/i, '').replace(/\/$/, '') : title,
    url,
  }
}

/** The title of a line that is a link to a page, as Markdown writes it: a path is no address. */
const withoutPath = (title: string) => MARKDOWN_LINK.exec(title)?.[1] || title

const TAB = 4
/** Marks of list items as people and programs write them; a lone dash, arrow or letter is one only before a blank. */
const BULLET = /^(?:[-*+•‣◦–—→▪▫▸►●○■□✓✔·⁃∙]|\d+[.)]|[a-z][.)]|\(\d+\))(?=\s|$)\s*/i
const HEADING = /^(#{1,6})(?=\s|$)\s*/
/** `2.`, `2.1`, `2.1.3.`: the number says the level, in a list where every line has one. */
const OUTLINE_NUMBER = /^(\d+(?:\.\d+)+)[.)]?(?=\s|$)\s*/

/** How wide the white space before a line is, a tab reaching to the next stop. */
function indentOf(line: string): number {
  let width = 0
  for (const character of line) {
    if (character === '\t') width += TAB - (width % TAB)
    else if (character === ' ' || character === '\u00a0') width++
    else break
  }
  return width
}

/** A cell as a spreadsheet copies it: in quotes where it holds a quote or a line end. */
function cellText(cell: string): string {
  const text = cell.trim()
  return /^".*"$/s.test(text) ? text.slice(1, -1).replaceAll('""', '"') : text
}

/**
 * Rows of a spreadsheet: the first filled cell is the title and its column the level, the next one the name in
 * menus. Told from a list indented by tabs by a tab after some text.
 */
function readRows(lines: readonly string[]): RawLine[] {
  return lines.flatMap((line, at) => {
    const cells = line.split('\t').map(cellText)
    const first = cells.findIndex((cell) => cell !== '')
    if (first < 0) return []
    return [{ number: at + 1, depth: first, title: cells[first]!, label: cells[first + 1] ?? '' }]
  })
}

/** Lines of text: the level is told by headings, by numbers like 2.1, or by white space before the line. */
function readText(lines: readonly string[]): RawLine[] {
  const hasHeadings = lines.some((line) => HEADING.test(line))
  const isNumbered = lines.every((line) => line.trim() === '' || /^\s*\d+(\.\d+)*[.)]?\s/.test(line))
  let heading = 0
  return lines.flatMap((line, at) => {
    if (line.trim() === '') return []
    const text = line.trim()
    const mark = HEADING.exec(text)
    if (mark && hasHeadings) {
      heading = itemAt(mark, 1).length * 1000
      return [{ number: at + 1, depth: heading, title: text.slice(mark[0].length), label: '' }]
    }
    const numbered = isNumbered ? OUTLINE_NUMBER.exec(text) : null
    const bullet = numbered ?? BULLET.exec(text)
    const indent = indentOf(line)
    const depth = numbered ? itemAt(numbered, 1).split('.').length * TAB - TAB : indent
    const below = hasHeadings ? heading + 1 + depth : depth
    return [{ number: at + 1, depth: below, title: bullet ? text.slice(bullet[0].length) : text, label: '' }]
  })
}

/** How wide the first step of the indent is: what two such steps at once jump over. */
function stepOf(lines: readonly RawLine[]): number {
  let step = Infinity
  lines.forEach((line, at) => {
    const rise = line.depth - (lines[at - 1]?.depth ?? line.depth)
    if (rise > 0) step = Math.min(step, rise)
  })
  return step
}

/** A file name after an arrow, and one in brackets at the end: `Contact → contact-us`, `Contact (contact-us.html)`. */
const AFTER_ARROW = /^(.*[^\s→])\s*→\s*([^\s→]+)$/
const IN_BRACKETS = /^(.*\S)\s*\(([^\s()]+)\)$/
/** What can only be a file name: with an extension of pages, or words that are joined. */
const LOOKS_LIKE_FILE = /\.(?:x?html?|php|shtml)$|^[a-z0-9]+(?:[-_][a-z0-9]+)+$/

/**
 * Parts a title from the file name that is written after it. In brackets, only what looks like a file name or repeats words of
 * the title is one: “Walks (easy)” is a title.
 */
function readFileName(title: string): { readonly title: string; readonly fileName: string } {
  const found = AFTER_ARROW.exec(title) ?? IN_BRACKETS.exec(title)
  const none = { title, fileName: '' }
  if (!found) return none
  const [, name = '', file = ''] = found
  const stem = file.replace(PAGE_EXTENSION, '')
  const repeats = `-${soundFileName(name, '-')}-`.includes(`-${stem.toLowerCase()}-`)
  const isFile = title.includes('→') || LOOKS_LIKE_FILE.test(file) || repeats
  return isFile && fileNameFault(stem) === undefined ? { title: name, fileName: stem } : none
}

/** What lists call the home page, in lower case. */
const HOME_NAMES = new Set(['home', 'home page', 'homepage', 'index', 'index.html'])

/** Options of readList. */
export interface ListRule {
  readonly newId: () => EntryId
  /** How many levels stand above what is pasted: 1 under the home page. */
  readonly levelsAbove?: number
  /** How many entries the plan has already. */
  readonly present?: number
  /** Titles that the site has already, in lower case. */
  readonly known?: ReadonlySet<string>
  /** The home page, under which it is pasted, and what the site is called: a first line that says it is that page. */
  readonly home?: { readonly id: EntryId; readonly siteName: string }
}

// eslint-disable-next-line no-control-regex -- naming control characters is the point
const CONTROL = /[\u0000-\u001f\u007f-\u009f\u2028\u2029\ufeff\u200b]+/g
const MAX_TITLE = 300

/**
 * Reads an indented or bulleted list, headings, or rows of a spreadsheet as pages. Nothing is dropped in silence:
 * every line that says something comes back, with its warnings.
 * @param text as it was pasted
 */
export function readList(text: string, rule: ListRule): ReadList {
  const source = text.split(/\r\n|\r|\n/)
  const raw = source.some((line) => /\S\t/.test(line)) ? readRows(source) : readText(source)
  const step = stepOf(raw)
  const levelsLeft = MAX_LEVELS - (rule.levelsAbove ?? 1)
  const lines: ListLine[] = []
  const firstWith = new Map<string, number>()
  const open: { depth: number; branch: { entries: Branch[] } }[] = []
  const top: Branch[] = []
  let count = rule.present ?? 1
  /** How deep the last link stands: nothing can stand under it. */
  let lastLink = Infinity
  for (const line of raw) {
    const { number, depth } = line
    const link = readLink(line)
    const named = link ? { title: link.title, fileName: '' } : readFileName(withoutPath(line.title))
    const [given, givenLabel] = [named.title, link ? '' : line.label]
    const warnings: { warning: Warning; line?: number }[] = []
    if (depth > lastLink) warnings.push({ warning: 'nothing can be under a link: it is beside it' })
    else lastLink = Infinity
    let title = given.replace(CONTROL, ' ').replace(/\s+/g, ' ').trim().toWellFormed()
    if (CONTROL.test(given)) warnings.push({ warning: 'control characters were taken out' })
    CONTROL.lastIndex = 0
    if (title.length > MAX_TITLE) {
      title = title.slice(0, MAX_TITLE).toWellFormed().trim()
      warnings.push({ warning: 'too long: cut to 300 characters' })
    }
    const before = open.at(-1)?.depth
    while (open.length > 0 && lastOf(open).depth >= depth) open.pop()
    const isBelow = before !== undefined && depth > before
    if (isBelow && depth <= lastLink && depth - before >= 2 * step)
      warnings.push({ warning: 'jumps a level: it stands under the line before' })
    if (lines.length === 0 && depth > 0 && raw.some((line) => line.depth < depth))
      warnings.push({ warning: 'jumps a level: it stands under the line before' })
    if (open.length >= levelsLeft) {
      open.length = levelsLeft - 1
      warnings.push({ warning: 'too deep: it stands at the last level that a plan can have' })
    }
    const level = open.length + 1
    const label = shortened(givenLabel.replace(CONTROL, ' ').trim(), 200)
    const key = title.toLowerCase()
    let id: EntryId | undefined
    const isFirst = lines.length === 0
    const isHome =
      rule.home &&
      isFirst &&
      !link &&
      (HOME_NAMES.has(key) || key === rule.home.siteName.trim().toLowerCase())
    if (isHome) {
      // What is indented below it is under it, and so is what stands beside it.
      id = rule.home!.id
      open.push({ depth, branch: { entries: top } })
    } else if (title === '') warnings.push({ warning: 'no title: left out' })
    else if (count >= MAX_ENTRIES) warnings.push({ warning: 'too many entries: left out' })
    else {
      const first = firstWith.get(key)
      if (first !== undefined) warnings.push({ warning: 'the same title stands on line', line: first })
      else if (rule.known?.has(key)) warnings.push({ warning: 'the site already has a page with this title' })
      firstWith.set(key, first ?? number)
      id = rule.newId()
      count++
      const siblings = open.at(-1)?.branch.entries ?? top
      if (link) {
        const target = { to: 'address' as const, url: link.url }
        siblings.push({ ...newLink(id, shortened(title, 200), target), entries: [] })
        lastLink = Math.min(lastLink, depth)
      } else {
        const branch = { ...newPage(id, title, { label, fileName: named.fileName }), entries: [] as Branch[] }
        siblings.push(branch)
        open.push({ depth, branch })
      }
    }
    lines.push({ number, level, title, label, id, warnings })
  }
  return { lines, branches: top }
}
