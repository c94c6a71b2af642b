import { filePointer } from '../pointer/pointer.ts'
import type { Statistics } from '../statistics/statistics.ts'
import type { Addresses } from '../address/layout.ts'
import { type Entry, type EntryField, FIELDS_OF_KIND, type LinkTarget } from '../plan/entry.ts'
import type { Plan } from '../plan/plan.ts'

/** What a cell of the inventory may hold: text, one of two words, or a number. */
export type CellValue = string | boolean | number | undefined

/** What the cells of one row are worked out from. */
export interface RowSource {
  readonly plan: Plan
  readonly entry: Entry
  readonly addresses: Addresses
  readonly statistics: Statistics
}

/** A column of the inventory: a table with a row for each entry of the plan. */
export interface Column {
  /** The name of the column at the head of a file, and its key. */
  readonly name: string
  /** The field of the entry that it shows and can set; without it the column is worked out. */
  readonly field?: EntryField
  readonly value: (source: RowSource) => CellValue
}

function fieldColumn(name: string, field: EntryField): Column {
  return {
    name,
    field,
    value: ({ entry }) =>
      FIELDS_OF_KIND[entry.kind].includes(field)
        ? ((entry as unknown as Record<string, unknown>)[field] as CellValue)
        : undefined,
  }
}

/** Whether a field holds yes or no. */
export const isYesNoField = (field: EntryField | undefined): boolean =>
  field === 'inMenu' || field === 'inOrder' || field === 'inSearch'

/** Where a link leads, in one cell: an address, the id of a file, or the id of an entry with its fragment. */
export function targetText(target: LinkTarget): string {
  if (target.to === 'address') return target.url
  if (target.to === 'file') return filePointer(target.file)
  return target.fragment === '' ? target.entry : `${target.entry}#${target.fragment}`
}

const ofPage =
  (pick: 'depth' | 'words' | 'linksOut' | 'linksIn' | 'clicks') =>
  ({ entry, statistics }: RowSource): CellValue =>
    statistics.pages.get(entry.id)?.[pick]

/** Every column, in the order of a file. */
export const COLUMNS: readonly Column[] = [
  { name: 'id', value: ({ entry }) => entry.id },
  { name: 'kind', value: ({ entry }) => entry.kind },
  { name: 'parent', value: ({ entry, plan }) => plan.parents.get(entry.id) ?? '' },
  fieldColumn('title', 'title'),
  fieldColumn('menu label', 'label'),
  fieldColumn('file name', 'fileName'),
  fieldColumn('description', 'description'),
  fieldColumn('date', 'date'),
  fieldColumn('state', 'state'),
  fieldColumn('in menus', 'inMenu'),
  fieldColumn('in order', 'inOrder'),
  fieldColumn('in search engines', 'inSearch'),
  {
    name: 'leads to',
    field: 'target',
    value: ({ entry }) => (entry.kind === 'link' ? targetText(entry.target) : undefined),
  },
  fieldColumn('note', 'note'),
  { name: 'address', value: ({ entry, addresses }) => addresses.paths.get(entry.id) },
  { name: 'depth', value: ofPage('depth') },
  { name: 'words', value: ofPage('words') },
  { name: 'links out', value: ofPage('linksOut') },
  { name: 'links in', value: ofPage('linksIn') },
  { name: 'clicks from home', value: ofPage('clicks') },
]

/** The column with a name, whatever its case. */
export function columnNamed(name: string): Column | undefined {
  const wanted = name.trim().toLowerCase()
  return COLUMNS.find((column) => column.name === wanted)
}
