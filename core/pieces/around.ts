import type { Neighbours } from '../navigate/readingOrder.ts'
import type { MenuItem } from '../navigate/menu.ts'
import type { PageEntry } from '../plan/entry.ts'
import type { EntryId, MenuId } from '../plan/ids.ts'
import type { PiecesSite } from '../plan/site.ts'
import type { Menu } from '../plan/surround/menu.ts'
import type { MenuShape } from '../plan/surround/menuShape.ts'
import type { Words } from '../plan/surround/siteWords.ts'
import { escapeText } from '../standard/escape.ts'
import type { Links } from '../render/links.ts'

/** What is the same around a piece on all pages of one folder. */
export interface Around {
  readonly site: PiecesSite
  readonly words: Words
  /** The year of the build. */
  readonly year: number
  readonly links: Links
  /** Whether the first heading of the page stands before it. */
  readonly isPastHeading: boolean
  /** What its lines begin with. */
  readonly indent: string
  readonly names: Names
  /** The items of a menu on a page. */
  readonly itemsOf: (menu: Menu, shape: MenuShape, page: EntryId) => readonly MenuItem[]
}

/** The page that a piece stands on. */
export interface OnPage {
  readonly page: PageEntry
  readonly order: Neighbours
}

/** A piece made ready for the pages of a folder: the same on all of them, or written for each. */
export type Prepared = string | ((on: OnPage) => string)

/** Gives out names that only one element of a page may have, in the order in which they are asked for. */
export class Names {
  readonly #labels = new Map<string, string>()
  readonly #taken = new Set<string>()
  #menus = 0
  #folds = 0

  /** Names that go on from here, for what stands on one page alone. */
  copy(): Names {
    const copy = new Names()
    for (const [of, label] of this.#labels) copy.#labels.set(of, label)
    for (const label of this.#taken) copy.#taken.add(label)
    copy.#menus = this.#menus
    copy.#folds = this.#folds
    return copy
  }

  /**
   * What a landmark is called: with a number when another one is called the same. The same thing in two places has one
   * name (WCAG 2.2, 3.2.4). @param of what tells one landmark from another
   */
  label(wanted: string, of: string): string {
    const known = this.#labels.get(of)
    if (known !== undefined) return known
    let label = wanted
    for (let n = 2; this.#taken.has(label); n++) label = `${wanted} ${n}`
    this.#taken.add(label)
    this.#labels.set(of, label)
    return label
  }

  /** What the button says that a menu folds behind: the site's word for the first, for others what they are called. */
  fold(word: string, menu: MenuId): string {
    return this.#folds++ === 0 ? word : menu
  }

  /** The id of the list of a menu. */
  menu(): string {
    return `menu-${++this.#menus}`
  }
}

/** A heading within a piece: where the page has had its first heading a real one, else a line that looks like one. */
export function headingWithin(
  { isPastHeading, indent }: Pick<Around, 'isPastHeading' | 'indent'>,
  text: string,
): string {
  if (text === '') return ''
  const html = escapeText(text)
  return isPastHeading ? `${indent}  <h2>${html}</h2>\n` : `${indent}  <p class="heading">${html}</p>\n`
}

/** Lines of text, escaped one by one. */
export function escapedLines(text: string): string[] {
  return text
    .trim()
    .split('\n')
    .map((line) => escapeText(line.trim()))
}

/** Lines of HTML with line breaks between. */
export function brokenLines(lines: readonly string[], indent: string): string {
  return lines.join(`<br>\n${indent}`)
}
