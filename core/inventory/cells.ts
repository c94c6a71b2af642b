import type { EntryField, LinkTarget } from '../plan/entry.ts'
import { readPointer } from '../pointer/pointer.ts'
import { type CellValue, isYesNoField } from './columns.ts'

/** What a spreadsheet takes for the start of a formula (OWASP, "CSV Injection"). */
const FORMULA = /^'*[=+\-@\t\r]/

/** A cell as it is written: a formula-like text starts with an apostrophe, so that a spreadsheet does not run it. */
export function writtenCell(value: CellValue): string {
  if (value === undefined) return ''
  if (typeof value === 'boolean') return value ? 'yes' : 'no'
  if (typeof value === 'number') return String(value)
  return FORMULA.test(value) ? `'${value}` : value
}

/** The text that a cell was written from. */
export function readCell(cell: string): string {
  return cell.startsWith("'") && FORMULA.test(cell) ? cell.slice(1) : cell
}

/** Yes or no, in the words that people and spreadsheets write; undefined for anything else. */
function readYesNo(cell: string): boolean | undefined {
  const word = cell.trim().toLowerCase()
  if (['yes', 'true', '1', 'x'].includes(word)) return true
  if (['no', 'false', '0', ''].includes(word)) return false
  return undefined
}

/** Where a link leads, as `targetText` writes it. What is no address is the id of an entry. */
function readTarget(cell: string): LinkTarget {
  if (cell === '') return { to: 'address', url: '' }
  const pointer = readPointer(cell)
  if (pointer?.to === 'site-file') return { to: 'file', file: pointer.id }
  if (/^[a-z][a-z0-9+.-]*:/i.test(cell)) return { to: 'address', url: cell }
  const [entry = '', fragment = ''] = cell.split('#', 2)
  return { to: 'entry', entry, fragment }
}

/** The value that a cell asks for in a field, still to be checked; undefined for what is neither yes nor no. */
export function fieldOfCell(cell: string, field: EntryField): string | boolean | LinkTarget | undefined {
  if (isYesNoField(field)) return readYesNo(cell)
  if (field === 'target') return readTarget(cell.trim())
  return cell.replace(/\r\n?/g, '\n')
}
