import {
  columnFilteringFeature,
  columnVisibilityFeature,
  createColumnHelper,
  createFilteredRowModel,
  createSortedRowModel,
  type FilterFn,
  rowSortingFeature,
  type SortFn,
  tableFeatures,
} from '@tanstack/vue-table'
import type { CellValue, Column } from '@viatica/core/inventory/columns.ts'
import { COLUMNS } from '@viatica/core/inventory/columns.ts'
import type { EntryId } from '@viatica/core/plan/ids.ts'

/** A page as a row of the inventory: what stands under the name of each column. */
export interface InventoryRow {
  readonly id: EntryId
  /** Its place in plan order, which rows have when nothing else sorts them. */
  readonly cells: Readonly<Record<string, CellValue>>
}

/** What is not shown of a page: it is the same for all, or for machines. */
const NOT_SHOWN = ['id', 'kind', 'parent', 'leads to']
export const SHOWN_COLUMNS: readonly Column[] = COLUMNS.filter(({ name }) => !NOT_SHOWN.includes(name))

/** Columns that a first look does without. */
export const HIDDEN_AT_FIRST: Readonly<Record<string, boolean>> = Object.fromEntries(
  ['description', 'date', 'note', 'depth', 'in order', 'links out'].map((name) => [name, false]),
)

/** How wide columns are, in pixels. */
const WIDTHS: Readonly<Record<string, number>> = {
  title: 172,
  'menu label': 112,
  'file name': 96,
  description: 260,
  state: 86,
  note: 200,
  address: 184,
}
export const widthOf = (name: string): number => WIDTHS[name] ?? 62

export const features = tableFeatures({
  rowSortingFeature,
  sortedRowModel: createSortedRowModel(),
  columnFilteringFeature,
  filteredRowModel: createFilteredRowModel(),
  columnVisibilityFeature,
})
export type InventoryFeatures = typeof features

const collator = new Intl.Collator(undefined, { numeric: true, sensitivity: 'base' })

const byValue: SortFn<InventoryFeatures, InventoryRow> = (a, b, name) => {
  const [one, other] = [a.original.cells[name], b.original.cells[name]]
  if (typeof one === 'number' || typeof other === 'number')
    return ((one as number | undefined) ?? Infinity) - ((other as number | undefined) ?? Infinity) || 0
  return collator.compare(String(one ?? ''), String(other ?? ''))
}

/** Words that a text holds; yes or no; or a number with `<`, `>` or `=` before it. */
const byWords: FilterFn<InventoryFeatures, InventoryRow> = (row, name, wanted: string) => {
  const value = row.original.cells[name]
  const said = wanted.trim().toLowerCase()
  if (said === '') return true
  if (typeof value === 'boolean') return (value ? 'yes' : 'no') === said
  const compared = /^([<>]=?|=)?\s*(\d+)$/.exec(said)
  if (typeof value === 'number' && compared) {
    const number = Number(compared[2])
    const outcomes: Readonly<Record<string, boolean>> = {
      '<': value < number,
      '<=': value <= number,
      '>': value > number,
      '>=': value >= number,
    }
    return outcomes[compared[1] ?? '='] ?? value === number
  }
  return String(value ?? '')
    .toLowerCase()
    .includes(said)
}

const helper = createColumnHelper<InventoryFeatures, InventoryRow>()

export const columns = helper.columns(
  SHOWN_COLUMNS.map(({ name }) =>
    helper.accessor((row) => row.cells[name], {
      id: name,
      header: name,
      sortFn: byValue,
      filterFn: byWords,
      sortUndefined: false,
      sortDescFirst: false,
    }),
  ),
)
