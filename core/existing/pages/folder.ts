import { nameKey } from '../../standard/fileName.ts'
import { itemAt } from '../../standard/present.ts'
import type { ReadPage } from './readPage.ts'
import type { Targets } from './targets.ts'

/** The pages of a folder, all read. */
export interface ReadFolder {
  /** In the order of their paths. */
  readonly pages: readonly ReadPage[]
  readonly byPath: ReadonlyMap<string, ReadPage>
  readonly targets: Targets
  readonly home: string
  /** What pages are called: in links to them, in their headings and titles. Each in the form that `nameOf` gives. */
  readonly names: ReadonlyMap<string, ReadonlySet<string>>
}

/** A text without some signs at its ends. */
export function trimmedOf(text: string, isCut: (sign: string) => boolean): string {
  const signs = [...text]
  let start = 0
  let end = signs.length
  while (start < end && isCut(signs[start]!)) start++
  while (end > start && isCut(signs[end - 1]!)) end--
  return signs.slice(start, end).join('')
}

/** How many names are remembered: more than a folder mostly has, and no more than a few megabytes. */
const MOST_NAMES = 20_000
const plainNames = new Map<string, string>()

/** A label or title as two of them are compared: without case, blanks, and the signs around it. */
export function plainName(text: string): string {
  let name = plainNames.get(text)
  if (name === undefined) {
    const bare = text
      .normalize('NFC')
      .toLowerCase()
      .replace(/[\s\u00a0]+/g, ' ')
    name = trimmedOf(bare, (sign) => !/[\p{L}\p{N}]/u.test(sign)) || text.trim()
    if (plainNames.size >= MOST_NAMES) plainNames.clear()
    if (text.length <= 200) plainNames.set(text, name)
  }
  return name
}

/** Parts of a title that separators hold apart. Common practice: the page's own, then the site's, or the other way. */
export const titleParts = (title: string): string[] =>
  title.split(/ [|·•–—:»›«‹~/-]{1,3} | ?:: ?|: /).filter((part) => part.trim() !== '')

/** The page that visitors come to first: the index file nearest to the top, else the page that most pages lead to. */
export function homeOf(pages: readonly ReadPage[], targets: Targets): string {
  const atTop = targets.fileAt('')?.path
  if (atTop !== undefined && pages.some(({ path }) => path === atTop)) return atTop
  const led = new Map<string, number>()
  for (const page of pages) {
    const to = new Set(page.links.flatMap(({ target }) => (target.to === 'file' ? [target.path] : [])))
    for (const { rel, target } of page.relations)
      if (/^(?:home|start)$/.test(rel) && target.to === 'file')
        led.set(target.path, (led.get(target.path) ?? 0) + 3)
    for (const path of to) led.set(path, (led.get(path) ?? 0) + 1)
  }
  const depth = (path: string) => path.split('/').length
  const isIndex = (path: string) => (/(?:^|\/)(?:index|default|home)\.\w+$/i.test(path) ? 1 : 0)
  return itemAt(
    [...pages].sort(
      (a, b) =>
        depth(a.path) - depth(b.path) ||
        isIndex(b.path) - isIndex(a.path) ||
        (led.get(b.path) ?? 0) - (led.get(a.path) ?? 0) ||
        (a.path < b.path ? -1 : 1),
    ),
    0,
  ).path
}

/** Puts together what all pages say of each other. */
export function readFolder(pages: readonly ReadPage[], targets: Targets): ReadFolder {
  const byPath = new Map(pages.map((page) => [page.path, page]))
  const counts = new Map<string, Map<string, number>>()
  const say = (path: string, label: string) => {
    if (label === '') return
    const names = counts.get(path) ?? new Map<string, number>()
    counts.set(path, names.set(plainName(label), (names.get(plainName(label)) ?? 0) + 1))
  }
  for (const page of pages)
    for (const { label, target } of page.links)
      if (target.to === 'file' && target.tail === '' && target.path !== page.path) say(target.path, label)
  const names = new Map<string, ReadonlySet<string>>()
  for (const page of pages) {
    const own = new Set(
      [...(counts.get(page.path) ?? [])].filter(([, times]) => times > 1).map(([name]) => name),
    )
    if (page.heading) own.add(plainName(page.heading.text))
    if (page.title)
      for (const part of [page.title.text, ...titleParts(page.title.text)]) own.add(plainName(part))
    names.set(page.path, own)
  }
  return { pages, byPath, targets, home: homeOf(pages, targets), names }
}

/** The folder that a page stands in, and those above it, the nearest first. */
export function foldersOf(path: string): string[] {
  const folders: string[] = []
  for (let at = path.lastIndexOf('/'); at >= 0; at = path.lastIndexOf('/', at - 1)) {
    folders.push(path.slice(0, at + 1))
    if (at === 0) break
  }
  return [...folders, '']
}

export const isSamePath = (a: string, b: string): boolean => nameKey(a) === nameKey(b)
