import { lastOf } from '@viatica/core/standard/present.ts'
import { setImmediate as immediate } from 'node:timers/promises'
import { promisify } from 'node:util'
import { gunzip, gzip } from 'node:zlib'
import { applyChange } from '@viatica/core/plan/change/apply.ts'
import { type Change, readChange } from '@viatica/core/plan/change/change.ts'
import { unguarded } from '@viatica/core/plan/change/guard.ts'
import { setsSameField } from '@viatica/core/plan/change/sameField.ts'
import { changeWords } from '@viatica/core/plan/change/changeWords.ts'
import type { Site } from '@viatica/core/plan/site.ts'
import { fromSiteData, readSiteData, siteForJson } from '@viatica/core/plan/siteData.ts'
import type { MadeChange } from '@viatica/core/protocol/edits.ts'
import type { PastChange } from '@viatica/core/protocol/history.ts'
import type { Knex } from 'knex'
import { Problem } from '../http/problem.ts'
import { jsonOf } from '../slicedJson.ts'
import type { LogReader } from './readLogged.ts'

/** What is put into the log. */
export interface Made {
  readonly before: Site
  readonly after: Site
  /** Of the site after it. */
  readonly revision: number
  readonly edit: { readonly id: string; readonly continues?: string | undefined }
  readonly change: Change
  readonly inverse: Change
}

/** `change` and `inverse` are as the version stored them that made the change: see `readChange`. */
interface ChangeRow {
  readonly site_id: string
  readonly revision: number
  readonly change_id: string
  readonly change: Change
  readonly inverse: Change
  readonly words: string
  readonly made_at: Date
}

/** A whole state is kept after so many revisions: the way to any state between is at most as many steps long. */
const STATE_EVERY = 200
/** How many steps are read from the log at once. */
const STEPS_AT_ONCE = 20
/** A window that missed more than this reads the site anew. */
const MOST_MISSED = 500
const MOST_MISSED_BYTES = 4_000_000

const packed = promisify(gzip)
const unpacked = promisify(gunzip)

const changes = (trx: Knex) => trx<ChangeRow>('changes')

/** Whether a site has the point of its history that a revision was: steps that became one with the next are none. */
async function isPoint(trx: Knex.Transaction, site: string, revision: number): Promise<boolean> {
  if (revision === 0) return true
  return (await changes(trx).where({ site_id: site, revision }).first('revision')) !== undefined
}

async function keepState(trx: Knex.Transaction, site: string, revision: number, state: Site): Promise<void> {
  const bytes = await packed(await jsonOf(siteForJson(state)))
  await trx('states')
    .insert({ site_id: site, revision, state: bytes })
    .onConflict(['site_id', 'revision'])
    .ignore()
}

/** Of two edits that are one step: the first takes both back, and the words tell both. */
async function joined(
  trx: Knex.Transaction,
  site: string,
  made: Made,
): Promise<Pick<ChangeRow, 'inverse' | 'words'>> {
  const { before, change, edit, inverse, revision } = made
  const own = { inverse, words: changeWords(before, change) }
  if (edit.continues === undefined) return own
  const last = await changes(trx)
    .where({ site_id: site, revision: revision - 1 })
    .first()
  if (last?.change_id !== edit.continues || !setsSameField(readChange(last.change), change)) return own
  await changes(trx).where({ site_id: site, revision: last.revision }).delete()
  await trx('states').where({ site_id: site, revision: last.revision }).delete()
  return {
    inverse: last.inverse,
    words: changeWords(applyChange(before, readChange(last.inverse)).site, change),
  }
}

/** Puts a change into the log; one that goes on with the last one becomes one step with it. */
export async function appendChange(trx: Knex.Transaction, site: string, made: Made): Promise<void> {
  const { change, edit, revision } = made
  const { inverse, words } = await joined(trx, site, made)
  await trx('edits_made').insert({ site_id: site, edit_id: edit.id, revision })
  await trx('changes').insert({
    site_id: site,
    revision,
    change_id: edit.id,
    // What it was guarded against is settled now.
    change: await jsonOf(unguarded(change)),
    inverse: await jsonOf(inverse),
    words,
  })
  if (revision % STATE_EVERY === 0) await keepState(trx, site, revision, made.after)
}

/** The revision that an edit was made at; undefined for one that was not made. */
export async function revisionOfEdit(
  trx: Knex.Transaction,
  site: string,
  edit: string,
): Promise<number | undefined> {
  const row = await trx<{ site_id: string; edit_id: string; revision: number }>('edits_made')
    .where({ site_id: site, edit_id: edit })
    .first('revision')
  return row?.revision
}

/** Which of some edits were made, by their ids. */
export async function editsMade(
  trx: Knex.Transaction,
  site: string,
  edits: readonly string[],
): Promise<{ id: string; revision: number }[]> {
  return trx('edits_made')
    .where('site_id', site)
    .whereIn('edit_id', edits)
    .select({ id: 'edit_id' }, 'revision')
}

/** Whether an edit is the one that made a revision. */
export async function isEditOf(
  trx: Knex.Transaction,
  site: string,
  revision: number,
  edit: string,
): Promise<boolean> {
  return (await revisionOfEdit(trx, site, edit)) === revision
}

/** The changes after one revision and before another; undefined where it is less to read the site anew. */
export async function changesBetween(
  trx: Knex.Transaction,
  site: string,
  after: number,
  before: number,
  read: LogReader,
): Promise<MadeChange[] | undefined> {
  if (after >= before - 1) return []
  const missed = () =>
    changes(trx).where('site_id', site).andWhere('revision', '>', after).andWhere('revision', '<', before)
  const { rows } = await trx.raw<{ rows: { count: number; bytes: number }[] }>(
    `select count(*)::int as count, coalesce(sum(octet_length(change::text)), 0)::float as bytes
     from changes where site_id = ? and revision > ? and revision < ?`,
    [site, after, before],
  )
  const { count, bytes } = rows[0]!
  if (count > MOST_MISSED || bytes > MOST_MISSED_BYTES) return undefined
  const logged: { revision: number; id: string; json: string }[] = await missed()
    .orderBy('revision')
    .select('revision', { id: 'change_id' }, trx.raw('change::text as json'))
  const all: MadeChange[] = []
  for (const { json, ...one } of logged) {
    const change = await read(json).catch((error: unknown) => {
      // Threads may be busy: nobody's edit is refused for that.
      if (error instanceof Problem) return undefined
      throw error
    })
    if (!change) return undefined
    all.push({ ...one, change })
    await immediate()
  }
  return all
}

/** Up to `most` changes before a revision, the newest first. */
export async function pastChanges(
  database: Knex,
  site: string,
  before: number,
  most: number,
): Promise<PastChange[]> {
  const rows = await changes(database)
    .where('site_id', site)
    .andWhere('revision', '<', before)
    .orderBy('revision', 'desc')
    .limit(most)
    .select('revision', 'words', 'made_at')
  return rows.map(({ revision, words, made_at }) => ({ revision, words, madeAt: made_at.toISOString() }))
}

/**
 * A site as it was at an earlier revision, from the nearest whole state after it; undefined where the history has no
 * such point.
 */
export async function stateAt(
  trx: Knex.Transaction,
  site: string,
  newest: { readonly site: Site; readonly revision: number },
  to: number,
  read: LogReader,
): Promise<Site | undefined> {
  if (to === newest.revision) return newest.site
  if (to > newest.revision || !(await isPoint(trx, site, to))) return undefined
  const kept = await trx<{ site_id: string; revision: number; state: Buffer }>('states')
    .where('site_id', site)
    .andWhere('revision', '>=', to)
    .orderBy('revision')
    .first('revision', 'state')
  let state = newest.site
  let at = newest.revision + 1
  if (kept) {
    const text = (await unpacked(kept.state)).toString()
    state = fromSiteData(readSiteData(JSON.parse(text)))
    at = kept.revision + 1
  }
  for (;;) {
    const steps = await changes(trx)
      .where('site_id', site)
      .andWhere('revision', '>', to)
      .andWhere('revision', '<', at)
      .orderBy('revision', 'desc')
      .limit(STEPS_AT_ONCE)
      .select<{ revision: number; json: string }[]>('revision', trx.raw('inverse::text as json'))
    if (steps.length === 0) return state
    for (const { json } of steps) state = applyChange(state, await read(json)).site
    at = lastOf(steps).revision
  }
}
