import * as v from 'valibot'
import { type Branch, branchSchema, planOfBranch } from '../plan/branch.ts'
import { FIELDS_OF_KIND } from '../plan/entry.ts'
import type { EntryId } from '../plan/ids.ts'
import { MAX_ENTRIES, MAX_LEVELS } from '../plan/plan.ts'
import { type Site, siteWith } from '../plan/site.ts'
import { InputFault } from '../formats/inputFault.ts'
import { valueFor } from '../standard/present.ts'
import { fieldOfCell } from './cells.ts'
import { COLUMNS, columnNamed } from './columns.ts'
import { cellFault, readTable, type TableRow } from './table.ts'

const [ID, PARENT, DEPTH, KIND] = ['id', 'parent', 'depth', 'kind'].map((name) => columnNamed(name)!)

/** An entry that others may still be put under. */
type Opening = Branch & { readonly entries: Branch[] }

/** A row as an entry of its own, without those under it. @throws InputFault */
function entryOfRow(row: TableRow, id: EntryId): Opening {
  const kind = row.cells.get(KIND!)?.trim() || 'page'
  if (kind !== 'page' && kind !== 'group' && kind !== 'link')
    throw cellFault(row.number, 'kind', `“${kind}” is neither page, group nor link.`)
  const given: Record<string, unknown> = { id, kind }
  for (const [{ field }, cell] of row.cells) {
    if (field && cell.trim() !== '' && FIELDS_OF_KIND[kind].includes(field))
      given[field] = fieldOfCell(cell, field) ?? cell
  }
  const checked = v.safeParse(branchSchema, given)
  if (checked.success) return { ...checked.output, entries: [] }
  const issue = checked.issues[0]
  const column = COLUMNS.find(({ field }) => field === issue.path?.[0]?.key)
  const isMissing = column && !row.cells.get(column)?.trim()
  throw cellFault(row.number, column?.name ?? 'id', isMissing ? 'must not be empty.' : issue.message)
}

/** Puts an entry where its row says: under the row that its parent cell names, or by depth under the last higher one. */
function parentOfRow(
  row: TableRow,
  byId: ReadonlyMap<string, Opening>,
  way: readonly Opening[],
): Opening | undefined {
  const named = row.cells.get(PARENT!)?.trim()
  if (named) {
    const parent = byId.get(named)
    if (!parent) throw cellFault(row.number, 'parent', `no row before this one has the id “${named}”.`)
    return parent
  }
  const depth = row.cells.get(DEPTH!)?.trim()
  if (!depth) return way[0]
  if (!/^\d+$/.test(depth)) throw cellFault(row.number, 'depth', `“${depth}” is not a whole number.`)
  if (Number(depth) > way.length)
    throw cellFault(row.number, 'depth', `jumps from ${way.length - 1} to ${depth}.`)
  return way[Number(depth) - 1]
}

/**
 * Makes a new site of a file of rows (see readTable). The first row is the home page; each other stands under the one
 * that its parent cell names, else by its depth, else right under the home page.
 * @param newId gives the ids of rows without one
 * @throws InputFault, with row and column, for what cannot be a plan
 */
export function readNewSite(text: string, name: string, newId: () => EntryId): Site {
  const { rows } = readTable(text)
  if (rows.length === 0) throw new InputFault('The file has no rows below its head.')
  if (rows.length > MAX_ENTRIES) throw new InputFault(`The file has more than ${MAX_ENTRIES} rows.`)
  const byId = new Map<string, Opening>()
  /** The last entry at each depth, the home page first. */
  let way: Opening[] = []
  const levels = new Map<Opening, number>()
  for (const row of rows) {
    const id = row.cells.get(ID!)?.trim() ?? ''
    if (byId.has(id)) throw cellFault(row.number, 'id', `“${id}” stands on another row already.`)
    const entry = entryOfRow(row, id || newId())
    const parent = parentOfRow(row, byId, way)
    if (parent?.kind === 'link') throw cellFault(row.number, 'parent', 'nothing can stand under a link.')
    const level = parent ? valueFor(levels, parent) + 1 : 1
    if (!parent && way.length > 0)
      throw cellFault(row.number, 'depth', 'only the first row is the home page.')
    if (level > MAX_LEVELS)
      throw cellFault(row.number, 'depth', `a plan can have at most ${MAX_LEVELS} levels.`)
    parent?.entries.push(entry)
    levels.set(entry, level)
    way = [...way.slice(0, level - 1), entry]
    if (id !== '') byId.set(id, entry)
  }
  const home = [...levels.keys()][0]!
  if (home.kind !== 'page') throw cellFault(2, 'kind', 'the first row is the home page, and must be a page.')
  if (home.state === 'planned') throw cellFault(2, 'state', 'the home page must be draft or ready.')
  return siteWith({ name }, planOfBranch(home))
}
