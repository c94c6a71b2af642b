import { valueFor } from '@viatica/core/standard/present.ts'
import { setImmediate as immediate } from 'node:timers/promises'
import type { EntryId } from '@viatica/core/plan/ids.ts'
import { type Plan, walk } from '@viatica/core/plan/plan.ts'
import type { Site } from '@viatica/core/plan/site.ts'
import type { Knex } from 'knex'
import { claimContents } from './contents.ts'
import { type EntryRow, ROWS_BETWEEN, rowOfEntry, rowOfFile, type Standing } from './rows.ts'

/** Throws when bytes are not what a name says. */
export type FileCheck = (bytes: Uint8Array, name: string) => Promise<void>

/** PostgreSQL takes 65,535 parameters in one statement; a row of entries has about twenty. */
const ROWS_AT_ONCE = 1000
/** Of rows of which few columns are sent. */
const UPDATED_AT_ONCE = 5000

function standings(siteId: string, plan: Plan): Map<EntryId, Standing> {
  const all = new Map<EntryId, Standing>([[plan.home, { site_id: siteId, parent_id: null, place: 0 }]])
  for (const [parent, children] of plan.children) {
    children.forEach((id, place) => all.set(id, { site_id: siteId, parent_id: parent, place }))
  }
  return all
}

/** The types that columns are sent as, where that is not text. */
const SENT_AS: Readonly<Partial<Record<keyof EntryRow, string>>> = {
  place: 'int',
  in_menu: 'boolean',
  in_order: 'boolean',
  in_search: 'boolean',
  page_date: 'date',
  body_changed: 'date',
}
/** The columns that hold JSON, which is sent as text. */
const JSON_COLUMNS: ReadonlySet<keyof EntryRow> = new Set(['pin', 'seen'])

/** Sets columns of rows that are there, all rows by one statement. @param columns those that differ in each of them */
async function updateEntries(
  trx: Knex.Transaction,
  siteId: string,
  columns: readonly (keyof EntryRow)[],
  rows: readonly EntryRow[],
): Promise<void> {
  const names = ['id' as const, ...columns]
  const set = columns.map((name) => `${name} = sent.${name}${JSON_COLUMNS.has(name) ? '::jsonb' : ''}`)
  await trx.raw(
    `update entries set ${set.join(', ')}
     from unnest(${names.map((name) => `?::${SENT_AS[name] ?? 'text'}[]`).join(', ')})
       as sent (${names.join(', ')})
     where entries.site_id = ? and entries.id = sent.id`,
    // The driver writes any of these as an item of an array.
    [...names.map((name) => rows.map((row) => row[name]) as string[]), siteId],
  )
}

function differingColumns(before: EntryRow, after: EntryRow): (keyof EntryRow)[] {
  const names: (keyof EntryRow)[] = []
  for (const name in after) {
    const column = name as keyof EntryRow
    if (after[column] !== before[column]) names.push(column)
  }
  return names
}

/** What of the entries of a plan is to be written: rows that are new, and by the columns that differ, those that changed. */
async function changedRows(siteId: string, before: Plan | undefined, after: Plan) {
  const is = standings(siteId, after)
  // Changes share what they do not touch.
  const was = before?.children === after.children ? is : before && standings(siteId, before)
  let sinceOthers = 0
  const added: EntryRow[] = []
  const changed = new Map<string, { columns: (keyof EntryRow)[]; rows: EntryRow[] }>()
  for (const { entry } of walk(after)) {
    if (++sinceOthers % ROWS_BETWEEN === 0) await immediate()
    const standing = valueFor(is, entry.id)
    const old = before?.entries.get(entry.id)
    const stood = was?.get(entry.id)
    const isMoved = stood?.parent_id !== standing.parent_id || stood.place !== standing.place
    if (old === entry && !isMoved) continue
    const row = rowOfEntry(entry, standing)
    if (!old || old.kind !== entry.kind) {
      added.push(row)
      continue
    }
    const columns = differingColumns(rowOfEntry(old, stood!), row)
    if (columns.length === 0) continue
    const key = columns.join()
    const group = changed.get(key)
    if (group) group.rows.push(row)
    else changed.set(key, { columns, rows: [row] })
  }
  return { added, changed: [...changed.values()] }
}

async function saveEntries(
  trx: Knex.Transaction,
  siteId: string,
  before: Plan | undefined,
  after: Plan,
): Promise<void> {
  const removed = before ? [...before.entries.keys()].filter((id) => !after.entries.has(id)) : []
  if (removed.length > 0)
    await trx('entries')
      .where('site_id', siteId)
      .andWhere('id', '=', trx.raw('any(?::text[])', [removed]))
      .delete()
  const { added, changed } = await changedRows(siteId, before, after)
  for (let at = 0; at < added.length; at += ROWS_AT_ONCE) {
    await trx('entries')
      .insert(added.slice(at, at + ROWS_AT_ONCE))
      .onConflict(['site_id', 'id'])
      .merge()
  }
  for (const { columns, rows } of changed)
    for (let at = 0; at < rows.length; at += UPDATED_AT_ONCE)
      await updateEntries(trx, siteId, columns, rows.slice(at, at + UPDATED_AT_ONCE))
}

async function saveFiles(
  trx: Knex.Transaction,
  siteId: string,
  before: Site | undefined,
  after: Site,
  check: FileCheck,
): Promise<void> {
  const added = [...after.files.values()].filter((file) => before?.files.get(file.id) !== file)
  const removed = before ? [...before.files.keys()].filter((id) => !after.files.has(id)) : []
  if (removed.length > 0)
    await trx('files')
      .where('site_id', siteId)
      .andWhere('id', '=', trx.raw('any(?::text[])', [removed]))
      .delete()
  if (added.length === 0) return
  await claimContents(trx, siteId, added, check)
  for (let at = 0; at < added.length; at += ROWS_AT_ONCE) {
    await trx('files')
      .insert(added.slice(at, at + ROWS_AT_ONCE).map((file) => rowOfFile(file, siteId)))
      .onConflict(['site_id', 'id'])
      .merge()
  }
}

/**
 * Writes to the tables what a change made different; without `before`, all of a new site.
 * @param check throws when bytes are not what the name of their file says
 */
export async function saveDifference(
  trx: Knex.Transaction,
  siteId: string,
  before: Site | undefined,
  after: Site,
  check: FileCheck,
): Promise<void> {
  if (before?.files !== after.files) await saveFiles(trx, siteId, before, after, check)
  if (before?.plan !== after.plan) await saveEntries(trx, siteId, before?.plan, after.plan)
}
