import Papa from 'papaparse'
import { addressesOf } from '../address/addresses.ts'
import { statisticsOf } from '../statistics/statistics.ts'
import { walk } from '../plan/plan.ts'
import type { Site } from '../plan/site.ts'
import { writtenCell } from './cells.ts'
import { COLUMNS, type RowSource } from './columns.ts'

/** What tells spreadsheets that a file is UTF-8. */
const BYTE_ORDER_MARK = '\ufeff'

/** Writes the inventory of a site as CSV (RFC 4180): every entry a row, in plan order. */
export function writeInventory(site: Site): string {
  const { plan } = site
  const shared = { plan, addresses: addressesOf(site), statistics: statisticsOf(site) }
  const rows = [...walk(plan)].map(({ entry }) => {
    const source: RowSource = { ...shared, entry }
    return COLUMNS.map((column) => writtenCell(column.value(source)))
  })
  return (
    BYTE_ORDER_MARK + Papa.unparse([COLUMNS.map(({ name }) => name), ...rows], { newline: '\r\n' }) + '\r\n'
  )
}
