import type { Change } from '@viatica/core/plan/change/change.ts'
import { differenceOf } from '@viatica/core/plan/change/restore.ts'
import type { Site } from '@viatica/core/plan/site.ts'
import type { PastChange } from '@viatica/core/protocol/history.ts'
import type { Knex } from 'knex'
import { pastChanges, stateAt } from './changeLog.ts'
import { UnknownPoint } from './faults.ts'
import type { LogReader } from './readLogged.ts'
import type { Revised, Revisions } from './revisions.ts'

/** A site as it was at a revision. @param newest the site now @throws UnknownPoint */
export async function pointIn(
  trx: Knex.Transaction,
  id: string,
  newest: Revised,
  to: number,
  readLogged: LogReader,
): Promise<Site> {
  const then = await stateAt(trx, id, newest, to, readLogged)
  if (!then) throw new UnknownPoint(`The history of this site has no step ${to} any more.`)
  return then
}

/** What was changed on each site, and the way back to any point of it. */
export class History {
  readonly #database: Knex
  readonly #readLogged: LogReader
  readonly #revisions: Revisions

  constructor(database: Knex, readLogged: LogReader, revisions: Revisions) {
    this.#database = database
    this.#readLogged = readLogged
    this.#revisions = revisions
  }

  /** Up to `most` changes before a revision, the newest first. @throws UnknownSite */
  async list(id: string, before: number, most: number): Promise<PastChange[]> {
    await this.#revisions.read(id)
    return pastChanges(this.#database, id, before, most)
  }

  /**
   * The change that makes the newest revision of a site what it was at an earlier one. Undefined when nothing is
   * different. @throws UnknownSite, UnknownPoint
   */
  async wayBack(id: string, to: number): Promise<{ revision: number; change: Change | undefined }> {
    return this.#revisions.reading(async (trx) => {
      const newest = await this.#revisions.readIn(trx, id)
      const then = await pointIn(trx, id, newest, to, this.#readLogged)
      return { revision: newest.revision, change: differenceOf(newest.site, then) }
    })
  }
}
