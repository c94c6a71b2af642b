import { ChangeRefused } from '@viatica/core/plan/change/refused.ts'
import type { EntryId } from '@viatica/core/plan/entry.ts'
import { type Plan, walk } from '@viatica/core/plan/plan.ts'
import type { Site } from '@viatica/core/plan/site.ts'
import type { Knex } from 'knex'
import { type EntryRow, rowOfEntry, type Standing } from './rows.ts'

/** PostgreSQL takes 65,535 parameters in one statement; a row of entries has about twenty. */
const ROWS_AT_ONCE = 1000

function standings(siteId: string, plan: Plan): Map<EntryId, Standing> {
  const all = new Map<EntryId, Standing>([[plan.home, { site_id: siteId, parent_id: null, place: 0 }]])
  for (const [parent, children] of plan.children) {
    children.forEach((id, place) => all.set(id, { site_id: siteId, parent_id: parent, place }))
  }
  return all
}

async function saveEntries(
  trx: Knex.Transaction,
  siteId: string,
  before: Plan | undefined,
  after: Plan,
): Promise<void> {
  const was = before && standings(siteId, before)
  const is = standings(siteId, after)
  const rows: EntryRow[] = []
  const moved: { id: EntryId; parent: EntryId; place: number }[] = []
  for (const { entry } of walk(after)) {
    const standing = is.get(entry.id)!
    const old = was?.get(entry.id)
    // Changes share what they do not touch: the same object is the same entry.
    if (before?.entries.get(entry.id) !== entry) rows.push(rowOfEntry(entry, standing))
    else if (
      standing.parent_id !== null &&
      (old?.parent_id !== standing.parent_id || old.place !== standing.place)
    ) {
      moved.push({ id: entry.id, parent: standing.parent_id, place: standing.place })
    }
  }
  const removed = before ? [...before.entries.keys()].filter((id) => !after.entries.has(id)) : []
  if (removed.length > 0) await trx('entries').where('site_id', siteId).whereIn('id', removed).delete()
  for (let at = 0; at < rows.length; at += ROWS_AT_ONCE) {
    await trx('entries')
      .insert(rows.slice(at, at + ROWS_AT_ONCE))
      .onConflict(['site_id', 'id'])
      .merge()
  }
  if (moved.length > 0) {
    await trx.raw(
      `update entries set parent_id = new.parent, place = new.place
       from unnest(?::text[], ?::text[], ?::int[]) as new (id, parent, place)
       where entries.site_id = ? and entries.id = new.id`,
      [
        moved.map(({ id }) => id),
        moved.map(({ parent }) => parent),
        moved.map(({ place }) => String(place)),
        siteId,
      ],
    )
  }
}

async function saveFiles(
  trx: Knex.Transaction,
  siteId: string,
  before: Site | undefined,
  after: Site,
): Promise<void> {
  const added = [...after.files.values()].filter((file) => before?.files.get(file.id) !== file)
  const removed = before ? [...before.files.keys()].filter((id) => !after.files.has(id)) : []
  if (removed.length > 0) await trx('files').where('site_id', siteId).whereIn('id', removed).delete()
  if (added.length > 0) {
    const sent = await trx<{ key: string }>('contents')
      .whereIn(
        'key',
        added.map(({ content }) => content),
      )
      .pluck('key')
    const missing = added.find(({ content }) => !sent.includes(content))
    if (missing)
      throw new ChangeRefused(
        `The bytes of ${missing.path} are not among the contents: they must be sent first.`,
      )
    await trx('files')
      .insert(
        added.map(({ id, path, content, size, alt }) => ({ site_id: siteId, id, path, content, size, alt })),
      )
      .onConflict(['site_id', 'id'])
      .merge()
  }
}

/** Writes to the tables what a change made different; without `before`, all of a new site. */
export async function saveDifference(
  trx: Knex.Transaction,
  siteId: string,
  before: Site | undefined,
  after: Site,
): Promise<void> {
  if (before?.files !== after.files) await saveFiles(trx, siteId, before, after)
  if (before?.plan !== after.plan) await saveEntries(trx, siteId, before?.plan, after.plan)
}
