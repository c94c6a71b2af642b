import { addressesOf } from '../address/addresses.ts'
import { fromTop } from '../address/href.ts'
import { notFoundPage } from '../address/notFound.ts'
import { folderOf } from '../address/relative.ts'
import { isSameEverywhere, itemsShown, type MenuItem } from '../navigate/menu.ts'
import { neighboursOf } from '../navigate/readingOrder.ts'
import type { PageEntry } from '../plan/entry.ts'
import type { EntryId } from '../plan/ids.ts'
import { entryOf } from '../plan/plan.ts'
import { partOfPiece } from '../page/parts.ts'
import { CONTENT, type PageWriter, type WrittenPart } from '../page/pageWriter.ts'
import type { PiecesSite } from '../plan/site.ts'
import type { Menu } from '../plan/surround/menu.ts'
import type { MenuShape } from '../plan/surround/menuShape.ts'
import { directionOf, wordsOf } from '../plan/surround/siteWords.ts'
import { itemAt, valueFor } from '../standard/present.ts'
import { layoutOf, type RenderedPiece, writeBody } from './document.ts'
import { escapeAttribute, escapeText } from '../standard/escape.ts'
import { type HeadParts, headParts, renderHead } from './head.ts'
import { headFileLines } from './headFiles.ts'
import { type Links, linksFrom } from './links.ts'
import { hrefsInContent, renderContent, renderHeading } from './main.ts'
import { type Around, Names, type OnPage } from '../pieces/around.ts'
import { prepareCall } from '../pieces/computed/calls.ts'
import { outputOf } from '../pieces/outputs.ts'
import { BODY_INDENT } from './body.ts'
import type { Call } from './authorHtml.ts'
import type { FolderPiece } from '../pieces/pieceOutput.ts'

/** Writes the pages of a site of pieces. */
export interface PieceWriter extends PageWriter {
  /** The links that stand on a page. */
  linksOn(id: EntryId): Links
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

/** A page that is being written: its parts, each as HTML. */
interface Prepared {
  readonly page: PageEntry
  readonly folder: Folder
  readonly head: HeadParts
  /** The attributes of the body element. */
  readonly body: string
  /** Every piece of the surround, in the order of the places. */
  readonly pieces: readonly RenderedPiece[]
  /** The first heading, where no piece is it. */
  readonly heading: string
  readonly content: () => string
}

/** Enough for a walk through the plan to find the folders of all sections it is in; memory stays bounded. */
const MAX_FOLDERS = 64

/** Prepares what all pages of a site of pieces share. @param year of the build, for copyright lines */
export function createPieceWriter(site: PiecesSite, year: number): PieceWriter {
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
    const path = folderOf(valueFor(paths, id))
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

  function prepare(id: EntryId): Prepared {
    const page = entryOf(plan, id)
    if (page.kind !== 'page') throw new Error(`${id} is a ${page.kind}, not a page`)
    const path = valueFor(paths, id)
    const folder = folderOfPage(id)
    const on = { page, order: neighbours(id) }
    return {
      page,
      folder,
      head: headParts(site, page, path, on.order, folder.links, folder.headFiles),
      body: surround.here.bodyId ? ` id="page-${id}"` : '',
      pieces: layout.pieces.map(({ piece, place }, at) => {
        const { html } = folder.pieces[at]!
        const written = lazily(() => (typeof html === 'string' ? html : html(on)))
        return {
          piece,
          place,
          get html() {
            return written()
          },
        }
      }),
      heading: layout.hasHeading ? '' : renderHeading(page, words, '      '),
      content: lazily(() => renderContent(page, words, folder.links, callsOn(folder, on))),
    }
  }

  /** The page that was looked at last: who asks for its parts mostly asks for the whole, too. */
  let last: Prepared | undefined
  const prepared = (id: EntryId): Prepared => (last?.page.id === id ? last : (last = prepare(id)))

  const written = ({ head, body, heading, content }: Prepared, pieces: readonly RenderedPiece[]) =>
    open +
    renderHead(head) +
    `  </head>\n  <body${body}>\n` +
    skip +
    writeBody(layout, pieces, heading + content()) +
    '  </body>\n</html>\n'
  const page = (id: EntryId) => {
    const one = prepared(id)
    return written(one, one.pieces)
  }

  function partsOf({ page: { id }, folder, head, body, heading, content, pieces }: Prepared): WrittenPart[] {
    const ofPieces = pieces.map((one, at): WrittenPart => {
      const { piece, place } = one
      const menu = itemAt(folder.pieces, at).menu?.parts(id)
      return {
        kind: partOfPiece(one),
        key: `piece ${piece.id}`,
        placed: { place, beside: piece.beside },
        menu: menu && { ...menu, isLinked: surround.here.form === 'link' },
        get text() {
          return one.html
        },
      }
    })
    const isBefore = ({ placed }: WrittenPart) => !['after', 'footer'].includes(placed!.place)
    return [
      { kind: 'title', key: 'title', text: head.title },
      { kind: 'description', key: 'description', text: head.description },
      ...(['canonical', 'sharing', 'files'] as const).map((key): WrittenPart => ({
        kind: 'head',
        key,
        text: head[key],
      })),
      { kind: 'head', key: 'body', text: body },
      { kind: 'breadcrumb', key: 'data', text: head.data },
      { kind: 'pager', key: 'order', text: head.order },
      ...ofPieces.filter(isBefore),
      { kind: 'heading', key: 'heading', text: heading },
      {
        kind: 'main content',
        key: CONTENT,
        get text() {
          return content()
        },
      },
      ...ofPieces.filter((part) => !isBefore(part)),
    ]
  }

  return {
    page,
    shown(id, around) {
      const one = prepared(id)
      if (!around) return written(one, one.pieces)
      const marked = one.pieces.map(({ piece, place, html }) => ({
        piece,
        place,
        html: html === '' ? '' : around(piece.id, html),
      }))
      return written(one, marked)
    },
    encodingOf: () => undefined,
    includedFiles: () => [],
    parts: (id) => partsOf(prepared(id)),
    linksOn: (id) => folderOfPage(id).links,
    contentLinks(id) {
      const entry = entryOf(plan, id)
      if (entry.kind !== 'page') throw new Error(`${id} is a ${entry.kind}, not a page`)
      const { texts, pointers, isComputed, hrefs } = hrefsInContent(entry, words)
      if (isComputed) return undefined
      const all = hrefs(folderOfPage(id).links)
      return {
        rest: texts,
        links: pointers.map(({ attribute }, at) => ({ isPicture: attribute === 'src', href: all[at] })),
      }
    },
  }
}
