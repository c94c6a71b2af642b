import Papa from 'papaparse'
import { checkSize, InputFault } from '../formats/inputFault.ts'
import type { EntryId } from '../plan/ids.ts'
import { itemAt } from '../standard/present.ts'
import { writtenCell } from './cells.ts'
import type { Column } from './columns.ts'

/** Cells from a spreadsheet, as a table for `readInventory`. */
export interface PastedTable {
  readonly table: string
  /** How many lines are beyond the last row. */
  readonly beyond: number
}

/**
 * Returns the cells of a text that was copied from a spreadsheet: lines of cells separated by tabs, where a cell with a line
 * end, a tab or a quotation mark is quoted (RFC 4180 with tabs, as spreadsheets write it to the clipboard).
 */
export function pastedCells(text: string): string[][] {
  const lines = text.replace(/\r\n?/g, '\n').replace(/\n$/, '')
  const { data, errors } = Papa.parse<string[]>(lines, { delimiter: '\t', newline: '\n' })
  // A text that is no table may begin a line with a quotation mark.
  return errors.some(({ type }) => type === 'Quotes')
    ? lines.split('\n').map((line) => line.split('\t'))
    : data
}

/**
 * Lays cells over the rows and columns of an inventory.
 * @param rows the entries of the rows, from the one that is pasted into
 * @param columns the columns, from the one that is pasted into
 * @throws InputFault where a cell would be in a column that is calculated, or beyond the last one
 */
export function pastedTable(text: string, rows: readonly EntryId[], columns: readonly Column[]): PastedTable {
  checkSize(text)
  const cells = pastedCells(text)
  const width = cells[0]?.length ?? 0
  const uneven = cells.findIndex((line) => line.length !== width)
  if (uneven >= 0)
    throw new InputFault(
      `Line ${uneven + 1} has ${itemAt(cells, uneven).length} cells, and the first line has ${width}. Copy a rectangle of cells.`,
    )
  if (width > columns.length)
    throw new InputFault(`${width} columns were copied, and there are ${columns.length} from here on.`)
  const wanted = columns.slice(0, width)
  const calculated = wanted.find(({ field }) => !field)
  if (calculated)
    throw new InputFault(`The column “${calculated.name}” is calculated. Paste into another column.`)
  const lines = cells.slice(0, rows.length).map((line, at) => [rows[at]!, ...line.map(writtenCell)])
  const table = Papa.unparse([['id', ...wanted.map(({ name }) => name)], ...lines], { newline: '\r\n' })
  return { table, beyond: Math.max(0, cells.length - rows.length) }
}
