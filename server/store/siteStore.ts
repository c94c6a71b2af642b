import type { Knex } from 'knex'
import { Announcing } from './announcing.ts'
import { ContentStore } from './contentStore.ts'
import type { FileCheck } from './difference.ts'
import { Disk } from './disk.ts'
import { Edits } from './edits.ts'
import { History } from './history.ts'
import { type LogReader, readLogged } from './readLogged.ts'
import { Revisions } from './revisions.ts'
import { Sites } from './sites.ts'

/** All that is kept of sites. Every write is one transaction: it is stored whole, or not at all. */
export class SiteStore {
  readonly #database: Knex
  readonly disk = new Disk()
  readonly sites: Sites
  readonly edits: Edits
  readonly history: History
  readonly contents: ContentStore
  readonly announcing: Announcing

  /**
   * @param check throws when the bytes of a file are not what its name says
   * @param mostBytes that the files of all sites may have together
   * @param read reads changes from the log; a server lets a thread read long ones
   */
  constructor(database: Knex, check: FileCheck, mostBytes = Infinity, read: LogReader = readLogged) {
    this.#database = database
    const revisions = new Revisions(database, read)
    this.contents = new ContentStore(database, this.disk, mostBytes)
    this.sites = new Sites(database, check, revisions, this.contents, this.disk)
    this.edits = new Edits(database, check, read, revisions, this.disk)
    this.history = new History(database, read, revisions)
    this.announcing = new Announcing(database)
  }

  /** Whether the database answers. */
  async isReachable(): Promise<boolean> {
    return this.#database.raw('select 1').then(
      () => true,
      () => false,
    )
  }
}
