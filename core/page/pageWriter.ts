import type { HereMark } from '../navigate/menu.ts'
import type { EntryId } from '../plan/ids.ts'
import type { Place } from '../plan/surround/place.ts'
import type { Encoding } from '../standard/encoding.ts'
import type { WholePart } from './parts.ts'

/** A menu without its marks, and the marks. */
export interface MarkedMenu {
  /** Written when it is first looked at. */
  readonly unmarked: string
  /** Undefined where nothing but its text tells. */
  readonly mark: HereMark | undefined
  /** Whether the item of the page that it is on stays a link. */
  readonly isLinked: boolean
}

/** A part of a page as it is written. */
export interface WrittenPart {
  readonly kind: WholePart
  /** The same on every page, and after every change that does not put something else there. */
  readonly key: string
  /** Written when it is first looked at. Empty where there is nothing to show. */
  readonly text: string
  /** The place of a piece, and whether it is in one row with the piece before it; undefined for all other parts. */
  readonly placed?: { readonly place: Place; readonly beside: boolean }
  /** The menu that it is, or all menus that it has. */
  readonly menu?: MarkedMenu | undefined
}

/** The key of the main content. */
export const CONTENT = 'content'

/** The links and pictures of the main content of a page, apart from all else that it says. */
export interface ContentLinks {
  /** The same as of another writing where at most links and pictures differ. */
  readonly rest: unknown
  /** As they are written, in their order; undefined where none comes out. */
  readonly links: readonly { readonly isPicture: boolean; readonly href: string | undefined }[]
}

/** A file that pages include (PHP, SSI), as it is published. */
export interface IncludedFile {
  readonly file: string
  readonly path: string
  readonly text: string
  readonly encoding: Encoding
}

/**
 * Writes the pages of one site. Each kind of surround has its own; nobody asks a writer which one it is. All that takes the
 * id of a page throws for any other id.
 */
export interface PageWriter {
  /** A page as its file has it. */
  page(id: EntryId): string
  /**
   * A page about as its visitors get it: with what a server puts in from files of their own.
   * @param around puts something around each piece that shows something; a page from a template has none
   */
  shown(id: EntryId, around?: (piece: string, html: string) => string): string
  /** The encoding that a page keeps; undefined for UTF-8 without a mark. */
  encodingOf(id: EntryId): Encoding | undefined
  /** The parts of a page, in its order but for what is in its head: all of it but the markup that holds them together. */
  parts(id: EntryId): readonly WrittenPart[]
  /** Undefined where more than links may differ though all that is typed is the same. */
  contentLinks(id: EntryId): ContentLinks | undefined
  /** The files that pages include, as they are published. */
  includedFiles(): readonly IncludedFile[]
}

/** What a page says in each kind of part. */
export function textsByPart(parts: readonly WrittenPart[]): ReadonlyMap<WholePart, string> {
  const texts = new Map<WholePart, string>()
  for (const { kind, text } of parts) texts.set(kind, (texts.get(kind) ?? '') + text)
  return texts
}
