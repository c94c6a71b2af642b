import { addressesOf } from '../address/addresses.ts'
import { fromTop } from '../address/href.ts'
import { notFoundPage } from '../address/notFound.ts'
import { folderOf } from '../address/relative.ts'
import { type HereMark, isSameEverywhere, itemsShown, type MenuItem } from '../navigate/menu.ts'
import { neighboursOf } from '../navigate/readingOrder.ts'
import type { EntryId } from '../plan/entry.ts'
import { entryOf } from '../plan/plan.ts'
import type { Site } from '../plan/site.ts'
import type { Menu } from '../plan/surround/menu.ts'
import type { MenuShape } from '../plan/surround/menuShape.ts'
import { directionOf, wordsOf } from '../plan/surround/siteWords.ts'
import { layoutOf, type RenderedPiece, writeBody } from './document.ts'
import { escapeAttribute, escapeText } from '../standard/escape.ts'
import { type HeadParts, headParts, renderHead } from './head.ts'
import { headFileLines } from './headFiles.ts'
import { type Links, linksFrom } from './links.ts'
import { renderContent, renderHeading } from './main.ts'
import { type Around, Names, type OnPage } from '../pieces/around.ts'
import { prepareCall } from '../pieces/computed/calls.ts'
import { outputOf } from '../pieces/outputs.ts'
import type { Encoding } from '../standard/encoding.ts'
import { BODY_INDENT } from './body.ts'
import type { Call } from './authorHtml.ts'
import { createTemplateWriter, type TemplateWriter } from '../template/write.ts'
import type { FolderPiece } from '../pieces/pieceOutput.ts'

/** A page in its parts, each as HTML. */
export interface PageParts extends HeadParts {
  /** The attributes of the body element. */
  readonly body: string
  /** Every piece of the surround, in the order of the places. */
  readonly pieces: readonly RenderedPiece[]
  /** The first heading, where no piece is it. */
  readonly heading: string
  /** Written when it is first looked at. */
  readonly content: string
}

/** The menu of a piece without its marks, and the marks. */
export interface MarkedMenu {
  readonly unmarked: string
  readonly mark: HereMark
}

/** Writes the pages of one site. */
export interface Renderer {
  /** A page as HTML. @throws when the id is not that of a page. */
  page(id: EntryId): string
  /** A page about as its visitors get it: with what a server puts in from files of their own. */
  shown(id: EntryId): string
  /** What writes the pages, where they are made of templates. */
  readonly templated: TemplateWriter | undefined
  /** The encoding that a page of existing HTML keeps; undefined for that of all others, UTF-8. */
  encodingOf(id: EntryId): Encoding | undefined
  /** The same page in its parts. @throws when the id is not that of a page. */
  parts(id: EntryId): PageParts
  /** Puts the parts of a page together. */
  write(page: PageParts): string
  /** The links that stand on a page. */
  linksOn(id: EntryId): Links
  /** What of a piece that shows a menu changes from page to page; undefined for other pieces. */
  markedMenu(id: EntryId, piece: string): MarkedMenu | undefined
}

/** What is worked out when it is first asked for, and once. */
function lazily(work: () => string): () => string {
  let done: string | undefined
  return () => (done ??= work())
}

/** What the pages of one folder share. */
interface Folder {
  readonly links: Links
  readonly headFiles: string
  /** What computed parts of main content have around them. */
  readonly around: Omit<Around, 'names'>
  readonly names: Names
  readonly pieces: readonly FolderPiece[]
}

/** Enough for a walk through the plan to find the folders of all sections it is in; memory stays bounded. */
const MAX_FOLDERS = 64

/**
 * Prepares what all pages of a site share, and gives back what writes each page.
 * @param year of the build, for copyright lines
 */
export function createRenderer(site: Site, year: number): Renderer {
  const { plan, settings, surround } = site
  const { paths } = addressesOf(site)
  const neighbours = neighboursOf(site)
  const notFound = notFoundPage(site)
  const words = wordsOf(settings.language, surround.words)
  const layout = layoutOf(surround)
  const open =
    `<!doctype html>\n<html lang="${escapeAttribute(settings.language)}" dir="${directionOf(settings.language)}">\n` +
    '  <head>\n'
  const skip = `    <a class="skip-link" href="#main">${escapeText(words.skip)}</a>\n`
  const folders = new Map<string, Folder>()
  const templated = surround.templates ? createTemplateWriter(site, surround.templates) : undefined

  /** Of menus that are the same everywhere, by menu and shape: the folders differ in their links alone. */
  const items = new Map<string, readonly MenuItem[]>()
  function itemsOf(menu: Menu, shape: MenuShape, page: EntryId): readonly MenuItem[] {
    if (!isSameEverywhere(menu)) return itemsShown(site, menu, shape, page)
    const key = `${shape} ${menu.id}`
    const shown = items.get(key) ?? itemsShown(site, menu, shape, page)
    items.set(key, shown)
    return shown
  }

  /** What the pages beside a page share with it; one that is shown at any address shares nothing with others. */
  function folderOfPage(id: EntryId): Folder {
    const path = folderOf(paths.get(id)!)
    const key = id === notFound ? ` ${path}` : path
    let folder = folders.get(key)
    if (!folder) {
      const links = linksFrom(site, path, id === notFound ? fromTop(settings) : settings)
      const names = new Names()
      const around = { site, words, year, links, itemsOf }
      const pieces = layout.pieces.map(({ piece, indent, isPastHeading }) =>
        outputOf(piece.kind).prepare(piece, { ...around, names, indent, isPastHeading }),
      )
      folder = {
        links,
        headFiles: headFileLines(site, links),
        around: { ...around, indent: ' '.repeat(BODY_INDENT), isPastHeading: true },
        names,
        pieces,
      }
      if (folders.size >= MAX_FOLDERS) folders.clear()
      folders.set(key, folder)
    }
    return folder
  }

  /** Writes the computed parts that the main content of a page calls. Their names follow on those of the pieces. */
  function callsOn(folder: Folder, on: OnPage): (call: Call) => string {
    let names: Names | undefined
    return (call) => {
      names ??= folder.names.copy()
      const part = prepareCall(call, { ...folder.around, names })
      return typeof part === 'string' ? part : part(on)
    }
  }

  function parts(id: EntryId): PageParts {
    const page = entryOf(plan, id)
    if (page.kind !== 'page') throw new Error(`${id} is a ${page.kind}, not a page`)
    const path = paths.get(id)!
    const folder = folderOfPage(id)
    const on = { page, order: neighbours(id) }
    const content = lazily(() => renderContent(page, words, folder.links, callsOn(folder, on)))
    return {
      ...headParts(site, page, path, on.order, folder.links, folder.headFiles),
      body: surround.here.bodyId ? ` id="page-${id}"` : '',
      pieces: layout.pieces.map(({ piece, place }, at) => {
        const { html } = folder.pieces[at]!
        if (typeof html === 'string') return { piece, place, html }
        const written = lazily(() => html(on))
        return {
          piece,
          place,
          get html() {
            return written()
          },
        }
      }),
      heading: layout.hasHeading ? '' : renderHeading(page, words, '      '),
      get content() {
        return content()
      },
    }
  }

  const write = (page: PageParts) =>
    open +
    renderHead(page) +
    `  </head>\n  <body${page.body}>\n` +
    skip +
    writeBody(layout, page.pieces, page.heading + page.content) +
    '  </body>\n</html>\n'

  return {
    parts,
    write,
    templated,
    page: (id) => (templated ? templated.page(id) : write(parts(id))),
    shown: (id) => (templated ? templated.shown(id) : write(parts(id))),
    encodingOf: (id) => templated?.makingOf(id).encoding,
    linksOn: (id) => folderOfPage(id).links,
    markedMenu(id, piece) {
      const at = layout.pieces.findIndex((one) => one.piece.id === piece)
      return folderOfPage(id).pieces[at]?.menu?.parts(id)
    },
  }
}
