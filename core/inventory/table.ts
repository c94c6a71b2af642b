import Papa from 'papaparse'
import { checkSize, InputFault } from '../formats/inputFault.ts'
import { readCell } from './cells.ts'
import { COLUMNS, type Column, columnNamed } from './columns.ts'

/** A row of an inventory file that says something. */
export interface TableRow {
  /** As a spreadsheet counts: the head is row 1. */
  readonly number: number
  readonly cells: ReadonlyMap<Column, string>
}

/** A fault in a file of rows: it names the row and the column. */
export function cellFault(row: number, column: string, what: string): InputFault {
  return new InputFault(`Row ${row}, column “${column}”: ${what}`)
}

function readHead(names: readonly string[]): Column[] {
  const columns = names.map((name, at) => {
    const column = columnNamed(name)
    if (column) return column
    const known = COLUMNS.map((one) => one.name).join(', ')
    throw new InputFault(
      `Row 1, column ${at + 1}: “${name}” is not a column of the inventory. It knows: ${known}.`,
    )
  })
  const twice = columns.find((column, at) => columns.indexOf(column) !== at)
  if (twice) throw new InputFault(`Row 1: the column “${twice.name}” stands twice.`)
  return columns
}

const DELIMITERS = [',', ';', '\t'] as const

/** What parts the cells, by the head alone: what stands in the rows may have more of another sign. */
function delimiterOf(text: string): string {
  const head = /^[^\r\n]*/.exec(text)![0]
  const known = (delimiter: string) =>
    (Papa.parse<string[]>(head, { delimiter }).data[0] ?? []).filter((name) => columnNamed(name)).length
  return DELIMITERS.reduce((best, one) => (known(one) > known(best) ? one : best), DELIMITERS[0] as string)
}

/**
 * Reads rows parted by commas, semicolons or tabs (RFC 4180; spreadsheets in many languages part by semicolons).
 * @throws InputFault for what is not such a table, or has a head of its own
 */
export function readTable(text: string): { readonly columns: readonly Column[]; readonly rows: TableRow[] } {
  checkSize(text)
  const table = text.replace(/^\ufeff/, '')
  const { data, errors } = Papa.parse<string[]>(table, { delimiter: delimiterOf(table) })
  const error = errors.find(({ type }) => type === 'Quotes')
  if (error)
    throw new InputFault(`Row ${(error.row ?? 0) + 1}: a quoted cell is not closed, or the file is cut off.`)
  const [head, ...rest] = data
  if (!head || head.every((cell) => cell.trim() === ''))
    throw new InputFault('Row 1: the names of the columns are missing.')
  const columns = readHead(head)
  const rows = rest.flatMap((cells, at): TableRow[] => {
    const number = at + 2
    if (cells.every((cell) => cell.trim() === '')) return []
    if (cells.length !== columns.length)
      throw new InputFault(
        `Row ${number} has ${cells.length} cells, and the head has ${columns.length}: a cell is missing or the file is cut off.`,
      )
    return [{ number, cells: new Map(columns.map((column, n) => [column, readCell(cells[n]!)])) }]
  })
  return { columns, rows }
}
