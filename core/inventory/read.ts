import * as v from 'valibot'
import { addressesOf } from '../address/addresses.ts'
import { valueFor } from '../standard/present.ts'
import { statisticsOf } from '../statistics/statistics.ts'
import { applySingle } from '../plan/change/apply.ts'
import type { Own } from '../plan/change/own.ts'
import type { Change, SetEntry, SingleChange } from '../plan/change/change.ts'
import { ChangeRefused } from '../plan/change/refused.ts'
import { type Entry, type EntryField, FIELDS_OF_KIND, fieldSchemas, labelOf } from '../plan/entry.ts'
import type { EntryId } from '../plan/ids.ts'
import { newGroup, newPage } from '../plan/newEntry.ts'
import { childrenOf, entryOf } from '../plan/plan.ts'
import type { Site } from '../plan/site.ts'
import { fieldOfCell, writtenCell } from './cells.ts'
import { type Column, columnNamed, type RowSource } from './columns.ts'
import { cellFault, readTable, type TableRow } from './table.ts'

/** One cell that says something else than the plan. */
export interface Difference {
  readonly row: number
  readonly entry: EntryId
  readonly label: string
  /** The name of the column; `new` for an entry that is added. */
  readonly column: string
  readonly before: string
  readonly after: string
}

/** What a file of rows would do to a site. */
export interface InventoryReading {
  readonly differences: readonly Difference[]
  /** All of it as one change; undefined when nothing differs. */
  readonly change: Change | undefined
  /** How many entries of the plan have no row: they stay as they are. */
  readonly withoutRow: number
}

const ID = columnNamed('id')!
const KIND = columnNamed('kind')!
const PARENT = columnNamed('parent')!
const TITLE = columnNamed('title')!
const LABEL = columnNamed('menu label')!

/** A cell as the value that its field takes. @throws InputFault */
function valueOf(row: TableRow, column: Column, field: EntryField): unknown {
  const cell = valueFor(row.cells, column)
  const given = fieldOfCell(cell, field)
  if (given === undefined) throw cellFault(row.number, column.name, `“${cell}” is neither yes nor no.`)
  const checked = v.safeParse(fieldSchemas[field] as v.GenericSchema, given)
  if (!checked.success) throw cellFault(row.number, column.name, checked.issues[0].message)
  return checked.output
}

/** The fields that a row sets, with those of other kinds seen to be empty. @throws InputFault */
function* fieldsOfRow(row: TableRow, kind: Entry['kind']): Generator<[Column, EntryField]> {
  for (const [column, cell] of row.cells) {
    if (!column.field) continue
    if (FIELDS_OF_KIND[kind].includes(column.field)) yield [column, column.field]
    else if (cell.trim() !== '')
      throw cellFault(row.number, column.name, `a ${kind} has no ${column.name}; it must be empty.`)
  }
}

/** The entry of a row without an id: a new page or group. @throws InputFault */
function newEntry(row: TableRow, id: EntryId): Entry {
  const kind = row.cells.get(KIND)?.trim() || 'page'
  if (kind !== 'page' && kind !== 'group')
    throw cellFault(row.number, 'kind', `a new row is a page or a group, not “${kind}”.`)
  const name = (kind === 'page' ? row.cells.get(TITLE) : row.cells.get(LABEL))?.trim() ?? ''
  if (name === '')
    throw cellFault(
      row.number,
      kind === 'page' ? TITLE.name : LABEL.name,
      'a row without an id is a new entry, and needs this.',
    )
  const entry: Record<string, unknown> = { ...(kind === 'page' ? newPage(id, name) : newGroup(id, name)) }
  for (const [column, field] of fieldsOfRow(row, kind)) {
    // An empty cell of a new row says nothing: the field starts as it does in any new entry.
    if (valueFor(row.cells, column).trim() !== '') entry[field] = valueOf(row, column, field)
  }
  return entry as unknown as Entry
}

/** Takes the rows one by one and keeps the site as it would be after them. */
class Reading {
  readonly differences: Difference[] = []
  readonly changes: SingleChange[] = []
  readonly seen = new Set<EntryId>()
  readonly #source: Omit<RowSource, 'entry'>
  /** All of it is one change in the end: each map is copied once. */
  readonly #own: Own = new Set()
  site: Site

  constructor(
    private readonly start: Site,
    private readonly newId: () => EntryId,
  ) {
    this.site = start
    // Statistics take long on a large site, and what is worked out is never read back.
    this.#source = {
      plan: start.plan,
      get addresses() {
        return addressesOf(start)
      },
      get statistics() {
        return statisticsOf(start)
      },
    }
  }

  #make(row: TableRow, column: string, change: SingleChange, difference: Omit<Difference, 'row' | 'column'>) {
    try {
      this.site = applySingle(this.site, change, this.#own).site
    } catch (error) {
      if (error instanceof ChangeRefused) throw cellFault(row.number, column, error.message)
      throw error
    }
    this.changes.push(change)
    this.differences.push({ row: row.number, column, ...difference })
  }

  /** The id in the parent cell. @throws InputFault */
  #parentOf(row: TableRow): EntryId | undefined {
    const cell = row.cells.get(PARENT)?.trim() ?? ''
    if (cell === '') return undefined
    if (!this.start.plan.entries.has(cell))
      throw cellFault(row.number, 'parent', `the plan has no entry with the id “${cell}”.`)
    return cell
  }

  add(row: TableRow): void {
    const entry = newEntry(row, this.newId())
    const parent = this.#parentOf(row) ?? this.site.plan.home
    const place = childrenOf(this.site.plan, parent).length
    this.#make(
      row,
      'new',
      { kind: 'add', parent, place, branches: [{ ...entry, entries: [] }] },
      {
        entry: entry.id,
        label: labelOf(entry),
        before: '',
        after: `a new ${entry.kind} under “${labelOf(entryOf(this.site.plan, parent))}”`,
      },
    )
  }

  change(row: TableRow, id: EntryId): void {
    const entry = this.start.plan.entries.get(id)
    if (!entry) throw cellFault(row.number, 'id', `the plan has no entry with the id “${id}”.`)
    if (this.seen.has(id)) throw cellFault(row.number, 'id', `“${id}” stands on another row already.`)
    this.seen.add(id)
    const kind = row.cells.get(KIND)?.trim()
    if (kind && kind !== entry.kind)
      throw cellFault(row.number, 'kind', `“${labelOf(entry)}” is a ${entry.kind}: that cannot be changed.`)
    const label = labelOf(entry)
    for (const [column, field] of fieldsOfRow(row, entry.kind)) {
      const value = valueOf(row, column, field)
      const now = (entry as unknown as Record<string, unknown>)[field]
      if (JSON.stringify(value) === JSON.stringify(now)) continue
      const change = { kind: 'setEntry', entry: id, field, value } as SetEntry
      this.#make(row, column.name, change, {
        entry: id,
        label,
        before: writtenCell(column.value(Object.assign(Object.create(this.#source), { entry }) as RowSource)),
        after: valueFor(row.cells, column).trim(),
      })
    }
    if (row.cells.has(PARENT)) this.#move(row, id, label)
  }

  #move(row: TableRow, id: EntryId, label: string): void {
    const { plan } = this.start
    const parent = this.#parentOf(row)
    const now = plan.parents.get(id)
    if (parent === now) return
    if (parent === undefined)
      throw cellFault(row.number, 'parent', `“${label}” stands under another page: this must not be empty.`)
    if (id === plan.home) throw cellFault(row.number, 'parent', 'the home page stands under nothing.')
    const place = childrenOf(this.site.plan, parent).length
    this.#make(
      row,
      'parent',
      { kind: 'move', entry: id, parent, place },
      {
        entry: id,
        label,
        before: labelOf(entryOf(plan, now!)),
        after: labelOf(entryOf(plan, parent)),
      },
    )
  }
}

/**
 * Reads an inventory that was changed elsewhere and works out what it would change. Rows are known by their id; a
 * row without one is a new entry; an entry without a row stays as it is. Worked-out columns are passed over.
 * @param newId gives the ids of new entries
 * @param how the beginning of the words of the change
 * @throws InputFault, with row and column, for anything that cannot be kept
 */
export function readInventory(
  text: string,
  site: Site,
  newId: () => EntryId,
  how = 'Inventory imported',
): InventoryReading {
  const { columns, rows } = readTable(text)
  if (!columns.includes(ID))
    throw cellFault(1, 'id', 'the column is missing; without it rows cannot be told apart.')
  const reading = new Reading(site, newId)
  for (const row of rows) {
    const id = valueFor(row.cells, ID).trim()
    if (id === '') reading.add(row)
    else reading.change(row, id)
  }
  const { differences, changes, seen } = reading
  const entries = new Set(differences.map(({ entry }) => entry)).size
  const words = `${how}: ${entries} ${entries === 1 ? 'entry' : 'entries'} changed`
  return {
    differences,
    change: changes.length === 0 ? undefined : { kind: 'batch', words, changes },
    withoutRow: site.plan.entries.size - seen.size,
  }
}
