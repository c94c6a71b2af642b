import { modelOf, type Piece } from '../plan/surround/piece.ts'
import { type Place, PLACES } from '../plan/surround/place.ts'
import { rowsOf, type Pieces } from '../plan/surround/surround.ts'
import { itemAt } from '../standard/present.ts'

/** A piece as it stands on a page. */
export interface RenderedPiece {
  readonly piece: Piece
  readonly place: Place
  /** Empty where it has nothing to show. Written when it is first looked at. */
  readonly html: string
}

/** A row of pieces, by where they stand in the list of all. */
interface Row {
  readonly first: number
  readonly count: number
}

/** A piece with what its place means for it. */
interface LaidOut {
  readonly piece: Piece
  readonly place: Place
  /** What its lines begin with. */
  readonly indent: string
  /** Whether the first heading of pages stands before it. */
  readonly isPastHeading: boolean
}

/** How the pieces of a site are laid out; the same on all pages. */
export interface Layout {
  readonly pieces: readonly LaidOut[]
  readonly header: readonly Row[]
  readonly side: readonly Row[]
  readonly before: readonly Row[]
  /** Above and below what an author writes, inside of main. */
  readonly mainTop: readonly Row[]
  readonly mainEnd: readonly Row[]
  readonly after: readonly Row[]
  readonly footer: readonly Row[]
  /** Whether only navigation stands at the side. */
  readonly isSideNavigation: boolean
  /** Whether a piece is the first heading of pages. */
  readonly hasHeading: boolean
}

/** What every piece stands in: inside a landmark right under `body`, and in a row with others one deeper. */
const INDENT = ' '.repeat(6)

/** Lays out the pieces of a surround. Main begins with the first piece beside it that is not navigation. */
export function layoutOf({ places }: Pick<Pieces, 'places'>): Layout {
  const pieces: LaidOut[] = []
  const inEnd = [...places.after, ...places.footer].findIndex(({ kind }) => kind === 'heading')
  let ends = 0
  const rows = {} as Record<Place, Row[]>
  const isNavigation = (row: Row) =>
    pieces.slice(row.first, row.first + row.count).every(({ piece }) => modelOf(piece.kind).isNavigation)
  for (const place of PLACES) {
    rows[place] = rowsOf(places[place]).map((row) => {
      const first = pieces.length
      const indent = row.length > 1 ? `${INDENT}  ` : INDENT
      for (const piece of row) {
        // Main, and with it the first heading, comes before what stands after the content.
        const isPastHeading = (place === 'after' || place === 'footer') && ends++ > inEnd
        pieces.push({ piece, place, indent, isPastHeading })
      }
      return { first, count: row.length }
    })
  }
  const begins = rows.before.findIndex((row) => !isNavigation(row))
  const top = begins < 0 ? rows.before.length : begins
  const end = rows.after.findLastIndex((row) => !isNavigation(row)) + 1
  return {
    pieces,
    header: rows.header,
    side: rows.side,
    isSideNavigation: rows.side.every(isNavigation),
    before: rows.before.slice(0, top),
    mainTop: rows.before.slice(top),
    mainEnd: rows.after.slice(0, end),
    after: rows.after.slice(end),
    footer: rows.footer,
    hasHeading: pieces.some(({ piece }) => piece.kind === 'heading'),
  }
}

function writeRows(rows: readonly Row[], pieces: readonly RenderedPiece[]): string {
  let html = ''
  for (const { first, count } of rows) {
    let row = ''
    for (let at = first; at < first + count; at++) row += itemAt(pieces, at).html
    html += count > 1 && row !== '' ? `${INDENT}<div class="row">\n${row}${INDENT}</div>\n` : row
  }
  return html
}

const wrapped = (open: string, inside: string, tag: string) =>
  inside === '' ? '' : `    ${open}\n${inside}    </${tag}>\n`

/** The body of a page, from the header to the footer. @param own what the author writes, its heading included */
export function writeBody(layout: Layout, pieces: readonly RenderedPiece[], own: string): string {
  const rows = (list: readonly Row[]) => writeRows(list, pieces)
  // Beside the content, navigation is a landmark by itself: an aside around nothing else would be one without a name.
  const side = layout.isSideNavigation ? 'div' : 'aside'
  return (
    wrapped('<header class="site-header">', rows(layout.header), 'header') +
    wrapped(`<${side} class="side">`, rows(layout.side), side) +
    wrapped('<div class="before">', rows(layout.before), 'div') +
    `    <main id="main">\n${rows(layout.mainTop)}${own}${rows(layout.mainEnd)}    </main>\n` +
    wrapped('<div class="after">', rows(layout.after), 'div') +
    wrapped('<footer class="site-footer">', rows(layout.footer), 'footer')
  )
}
