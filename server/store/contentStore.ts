import { endingOf } from '@viatica/core/plan/file.ts'
import type { Room } from '@viatica/core/protocol/sites.ts'
import type { Knex } from 'knex'
import { clearContents, keepContent, NoRoom, readContent, roomIn } from './contents.ts'
import type { Disk } from './disk.ts'

/** The bytes of the files of all sites, by key, and the room that there is for more. */
export class ContentStore {
  readonly #database: Knex
  readonly #disk: Disk

  /** @param mostBytes that the files of all sites may have together */
  constructor(
    database: Knex,
    disk: Disk,
    readonly mostBytes: number,
  ) {
    this.#database = database
    this.#disk = disk
  }

  /** @throws NoRoom where more bytes of files are to be stored than there is room for */
  async checkRoom(more: number, database: Knex = this.#database): Promise<Room> {
    const room = await roomIn(database, this.mostBytes)
    if (room.most !== null && room.used + more > room.most)
      throw new NoRoom(
        `All sites together may have ${Math.round(room.most / 1_000_000)} MB of files, and there is no room for more.`,
      )
    return room
  }

  /**
   * Keeps the bytes of a file that is about to be added to a site; see the change `addFile`.
   * @param name that they were checked under; undefined for what was not checked @returns their key, and how much room there is
   * @throws NoRoom
   */
  async keep(bytes: Uint8Array, name: string | undefined): Promise<{ content: string; room: Room }> {
    return this.#disk.writing(async () => {
      const room = await this.checkRoom(bytes.length)
      return {
        content: await keepContent(this.#database, bytes, name === undefined ? [] : [endingOf(name)]),
        room,
      }
    })
  }

  /** Clears bytes away that no site and no history needs any more. @returns how many */
  async clear(): Promise<number> {
    return clearContents(this.#database)
  }

  /** The bytes under a key; undefined when there are none. */
  async read(key: string): Promise<Buffer | undefined> {
    return readContent(this.#database, key)
  }
}
