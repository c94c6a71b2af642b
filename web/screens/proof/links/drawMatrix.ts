import { itemAt } from '@viatica/core/standard/present.ts'
import { LINK_WAYS, type LinkWay, wayBit } from '@viatica/core/statistics/linkPicture.ts'
import type { Line } from '../../../stores/linking.ts'
import { COLOURS } from '../../../theme/tokens.ts'

/** From what the author wrote, the darkest, to what stands on every page. */
export const WAY_SHADES: Readonly<Record<LinkWay, string>> = {
  text: '#12382F',
  pager: '#2C7562',
  breadcrumb: '#5F9A89',
  menu: '#A5CABE',
  footer: '#CFE2DA',
  around: '#E6EEE9',
}

/** Cells of this size and more show each way as a shape of its own, and stand beside the names of pages. */
export const NAMED_FROM = 10

/** The part of the matrix that is in sight, all lengths in CSS pixels. */
export interface Sight {
  readonly rows: readonly Line[]
  readonly columns: readonly Line[]
  readonly cell: (row: Line, column: Line) => number
  readonly size: number
  /** How wide the names at the left are, and how high those at the top. */
  readonly left: number
  readonly top: number
  readonly scrollX: number
  readonly scrollY: number
  readonly width: number
  readonly height: number
  /** The page that is chosen everywhere. */
  readonly here: string
  /** The cell that is looked at. */
  readonly at: readonly [row: number, column: number] | undefined
}

const has = (bits: number, way: LinkWay) => (bits & wayBit(way)) !== 0

/** The darkest shade of a cell; undefined for one without links. */
function shadeOf(bits: number): string | undefined {
  const way = LINK_WAYS.find((one) => has(bits, one))
  return way && WAY_SHADES[way]
}

/** Draws a cell: what stands on every page as its ground, the others as shapes on it. */
export function drawCell(
  pen: CanvasRenderingContext2D,
  x: number,
  y: number,
  size: number,
  bits: number,
): void {
  const inner = size - 1
  const ground = (['menu', 'footer', 'around'] as const).find((way) => has(bits, way))
  if (ground) {
    pen.fillStyle = WAY_SHADES[ground]
    pen.fillRect(x, y, inner, inner)
  }
  if (has(bits, 'breadcrumb')) {
    pen.fillStyle = WAY_SHADES.breadcrumb
    pen.beginPath()
    pen.moveTo(x, y)
    pen.lineTo(x + inner * 0.7, y)
    pen.lineTo(x, y + inner * 0.7)
    pen.fill()
  }
  if (has(bits, 'pager')) {
    pen.fillStyle = WAY_SHADES.pager
    pen.fillRect(x, y + inner * 0.72, inner, inner * 0.28)
  }
  if (has(bits, 'text')) {
    pen.fillStyle = WAY_SHADES.text
    pen.beginPath()
    pen.arc(x + inner / 2, y + inner / 2, inner * 0.27, 0, 2 * Math.PI)
    pen.fill()
  }
}

/** The lines from one place to another that are in sight. */
function inSight(sight: Sight, along: 'rows' | 'columns'): [first: number, last: number] {
  const [scroll, room] =
    along === 'rows' ? [sight.scrollY, sight.height - sight.top] : [sight.scrollX, sight.width - sight.left]
  const first = Math.floor(scroll / sight.size)
  return [Math.max(0, first), Math.min(sight[along].length, first + Math.ceil(room / sight.size) + 1)]
}

function clipped(
  pen: CanvasRenderingContext2D,
  box: [number, number, number, number],
  draw: () => void,
): void {
  pen.save()
  pen.beginPath()
  pen.rect(...box)
  pen.clip()
  draw()
  pen.restore()
}

function fitted(pen: CanvasRenderingContext2D, text: string, room: number): string {
  if (pen.measureText(text).width <= room) return text
  let end = text.length
  while (end > 1 && pen.measureText(`${text.slice(0, end)}…`).width > room) end--
  return `${text.slice(0, end)}…`
}

const startsSection = (lines: readonly Line[], at: number) =>
  at > 0 && itemAt(lines, at).section !== itemAt(lines, at - 1).section

/** Draws a row of cells that are too small for shapes; those of one shade beside each other as one. */
function drawSmallRow(
  pen: CanvasRenderingContext2D,
  { rows, columns, size, cell }: Sight,
  row: number,
  [first, last]: readonly [number, number],
  x: (column: number) => number,
  y: number,
): void {
  for (let column = first; column < last;) {
    const shade = shadeOf(cell(rows[row]!, columns[column]!))
    let end = column + 1
    while (end < last && shadeOf(cell(rows[row]!, columns[end]!)) === shade) end++
    if (shade) {
      pen.fillStyle = shade
      pen.fillRect(x(column), y, (end - column) * size, size)
    }
    column = end
  }
}

function drawCells(pen: CanvasRenderingContext2D, sight: Sight): void {
  const { rows, columns, size, left, top, scrollX, scrollY, width, height } = sight
  const [firstRow, lastRow] = inSight(sight, 'rows')
  const [firstColumn, lastColumn] = inSight(sight, 'columns')
  const x = (column: number) => left + column * size - scrollX
  const y = (row: number) => top + row * size - scrollY
  const [right, bottom] = [Math.min(width, x(columns.length)), Math.min(height, y(rows.length))]
  pen.fillStyle = '#fff'
  pen.fillRect(left, top, right - left, bottom - top)
  for (let row = firstRow; row < lastRow; row++) {
    if (size < NAMED_FROM) drawSmallRow(pen, sight, row, [firstColumn, lastColumn], x, y(row))
    else
      for (let column = firstColumn; column < lastColumn; column++) {
        if (itemAt(rows, row).id === itemAt(columns, column).id) {
          pen.fillStyle = COLOURS.rule
          pen.fillRect(x(column), y(row), size - 1, size - 1)
        }
        drawCell(pen, x(column), y(row), size, sight.cell(rows[row]!, columns[column]!))
      }
  }
  pen.fillStyle = COLOURS.slate
  for (let row = firstRow; row < lastRow; row++)
    if (startsSection(rows, row)) pen.fillRect(left, y(row) - 1, right - left, 1)
  for (let column = firstColumn; column < lastColumn; column++)
    if (startsSection(columns, column)) pen.fillRect(x(column) - 1, top, 1, bottom - top)
  if (!sight.at) return
  pen.strokeStyle = COLOURS.ink
  pen.lineWidth = 2
  pen.strokeRect(x(sight.at[1]) - 1, y(sight.at[0]) - 1, size + 1, size + 1)
}

/** Names of the lines, or, where these are too thin, of the sections; sections stand out. */
function drawNames(pen: CanvasRenderingContext2D, sight: Sight, along: 'rows' | 'columns'): void {
  const lines = sight[along]
  const [first, last] = inSight(sight, along)
  const room = (along === 'rows' ? sight.left : sight.top) - 10
  const scroll = along === 'rows' ? sight.scrollY : sight.scrollX
  const namesAll = sight.size >= NAMED_FROM
  for (let at = first; at < last; at++) {
    const line = lines[at]!
    const isSection = line.section === line.id
    if (!namesAll && !isSection && !startsSection(lines, at)) continue
    const middle = at * sight.size - scroll + sight.size / 2
    pen.font = `${isSection ? 600 : 400} ${Math.min(13, Math.max(11, sight.size))}px Barlow, sans-serif`
    if (line.id === sight.here) {
      pen.fillStyle = COLOURS.ochre
      pen.fillRect(along === 'rows' ? -5 : 1, middle - sight.size / 2, 4, sight.size)
    }
    pen.fillStyle = COLOURS.ink
    const indent = isSection ? 0 : 8
    const start = along === 'rows' ? -room - 4 + indent : 8
    pen.fillText(fitted(pen, line.label, room - indent), start, middle + 4)
  }
}

/** Draws what is in sight of the matrix of pages by pages. */
export function drawMatrix(pen: CanvasRenderingContext2D, sight: Sight): void {
  const { left, top, width, height } = sight
  pen.clearRect(0, 0, width, height)
  clipped(pen, [left, top, width, height], () => drawCells(pen, sight))
  clipped(pen, [0, top, left, height], () => {
    pen.translate(left, top)
    drawNames(pen, sight, 'rows')
  })
  clipped(pen, [left, 0, width, top], () => {
    // Read from below: turned by a quarter to the left.
    pen.translate(left, top)
    pen.rotate(-Math.PI / 2)
    drawNames(pen, sight, 'columns')
  })
}
