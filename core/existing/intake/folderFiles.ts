import { valueFor } from '../../standard/present.ts'
import { collect } from '../collect.ts'
import { most } from '../most.ts'
import { endingOf, mediaTypeOf } from '../../plan/file.ts'
import { decodedIn, decodePage, type DecodedPage } from '../../standard/encoding.ts'
import { includesIn } from '../../standard/includes.ts'

/** A file of the folder that is taken in. */
export interface FoundFile {
  /** From the top of the folder, with `/` between. */
  readonly path: string
  readonly bytes: Uint8Array
}

/** A file that is taken as it is though it looks like a page, or that is no page that visitors reach. */
export interface Leftover {
  readonly path: string
  readonly reason: string
}

/** What the files of a folder are. */
interface SortedFiles {
  readonly pages: ReadonlyMap<string, DecodedPage>
  /** Pieces of pages that others put in, by their paths. */
  readonly parts: ReadonlyMap<string, DecodedPage>
  /** Everything else, and pages that cannot be read. */
  readonly others: readonly FoundFile[]
  readonly leftover: readonly Leftover[]
}

const PAGE_ENDINGS = new Set(['html', 'htm', 'xhtml', 'xht', 'php', 'php5', 'phtml', 'shtml', 'shtm', 'stm'])
/** What is larger is kept as it is. */
export const MAX_PAGE_BYTES = 5_000_000
/** Elements may stand in each other so deep and no deeper: as browsers have it, twice. */
const MOST_NESTED = 1024

export const isPageName = (path: string) => PAGE_ENDINGS.has(endingOf(path))

/** What a page puts in from files of their own, by path. */
export const includesOf = (path: string, text: string): string[] =>
  includesIn(path, text).map((include) => include.path)

/** How deep the elements of a page are, roughly; stops at what is too deep. */
function isTooDeep(text: string): boolean {
  let depth = 0
  for (const [, slash] of text.matchAll(
    /<(\/?)(?:div|span|b|i|em|font|table|ul|li|p|section|blockquote)\b/gi,
  )) {
    depth += slash ? -1 : 1
    if (depth > 20 * MOST_NESTED) return true
    if (depth < 0) depth = 0
  }
  return false
}

/**
 * Gives texts that do not tell their encoding, being of ASCII alone, that of what they stand in or put in, else that of most of
 * the folder: what is written into them later is read by it.
 */
function settleEncodings(
  read: Map<string, DecodedPage>,
  parts: Map<string, DecodedPage>,
  includes: ReadonlyMap<string, readonly string[]>,
  files: ReadonlyMap<string, FoundFile>,
): void {
  const told = new Map([...parts, ...read].filter(([, { isOpen }]) => !isOpen))
  const usual = most([...told.values()].map(({ encoding }) => encoding.name))
  if (usual === undefined) return
  const beside = new Map<string, string[]>()
  for (const [path, all] of includes)
    for (const part of all) {
      collect(beside, path, part)
      collect(beside, part, path)
    }
  for (const map of [read, parts])
    for (const [path, page] of map) {
      if (!page.isOpen) continue
      const near = (beside.get(path) ?? []).find((one) => told.has(one))
      const name = near === undefined ? usual : valueFor(told, near).encoding.name
      map.set(path, decodedIn(page, valueFor(files, path).bytes, { name, hasMark: false }))
    }
}

const COPY = /(?:^|[\s_.-])(?:copy|kopie|backup|bak|old|alt|orig|original)(?:[\s_.-]?\d*)?$|\(\d+\)$|~$/i

/**
 * Sorts the files of a folder: pages, pieces of pages, and all else.
 * @param isKnown whether a file is a page, whatever its name says
 */
export function sortFiles(
  files: readonly FoundFile[],
  isKnown: (path: string) => boolean = () => false,
): SortedFiles {
  const read = new Map<string, DecodedPage>()
  const others: FoundFile[] = []
  const leftover: Leftover[] = []
  const texts = new Map<string, FoundFile>()
  for (const file of [...files].sort((a, b) => (a.path < b.path ? -1 : 1))) {
    const keep = (reason?: string) => {
      others.push(file)
      if (reason !== undefined) leftover.push({ path: file.path, reason })
    }
    if (!isPageName(file.path) && !isKnown(file.path)) {
      if (/^(?:inc|tpl|txt)$/.test(endingOf(file.path)) || endingOf(file.path) === '')
        texts.set(file.path, file)
      keep()
    } else if (file.bytes.length > MAX_PAGE_BYTES)
      keep(`A page can have at most ${MAX_PAGE_BYTES / 1_000_000} MB: this is kept as it is.`)
    else {
      const page = decodePage(file.bytes)
      if (!page) keep('This is no text in an encoding that is known: it is kept as it is.')
      else if (isTooDeep(page.text)) keep('Its elements are nested too deep: it is kept as it is.')
      else read.set(file.path, page)
    }
  }
  const byPath = new Map(files.map((file) => [file.path, file]))
  const includes = new Map([...read].map(([path, { text }]) => [path, includesOf(path, text)]))
  const parts = new Map<string, DecodedPage>()
  for (const path of new Set([...includes.values()].flat())) {
    const page = read.get(path) ?? (texts.has(path) ? decodePage(valueFor(texts, path).bytes) : undefined)
    if (page) parts.set(path, page)
  }
  settleEncodings(read, parts, includes, byPath)
  const pages = new Map(
    [...read].filter(
      ([path, { text }]) => !parts.has(path) && (/<[a-z!?]/i.test(text) || text.trim() === ''),
    ),
  )
  for (const path of read.keys()) {
    const file = valueFor(byPath, path)
    if (parts.has(path)) others.push(file)
    else if (!pages.has(path)) {
      others.push(file)
      leftover.push({ path, reason: 'There is no HTML in it: it is kept as it is.' })
    }
  }
  for (const path of pages.keys()) {
    const stem = path.slice(path.lastIndexOf('/') + 1).replace(/\.[^.]*$/, '')
    if (COPY.test(stem)) leftover.push({ path, reason: 'Its name says that it is a copy.' })
  }
  return { pages, parts, others, leftover }
}

/** What a file is, for the report. */
export const typeOf = (path: string): string => (isPageName(path) ? 'text/html' : mediaTypeOf(path))
