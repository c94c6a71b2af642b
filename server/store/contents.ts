import { itemAt } from '@viatica/core/standard/present.ts'
import { createHash } from 'node:crypto'
import { endingOf, type SiteFile } from '@viatica/core/plan/file.ts'
import { ChangeRefused } from '@viatica/core/plan/change/refused.ts'
import type { Room } from '@viatica/core/protocol/sites.ts'
import type { Knex } from 'knex'

/** The key of some bytes: the same bytes have the same key, in every site. */
export function contentKey(bytes: Uint8Array): string {
  return createHash('sha256').update(bytes).digest('hex')
}

/** There is no room for more. */
export class NoRoom extends Error {
  override name = 'NoRoom'
}

/**
 * Keeps bytes and gives back their key. Keeping the same bytes again says only that they are needed on.
 * @param checkedAs the endings of file names under which they were found to be what these say
 * @param isFile whether they are those of a file of a site; else they are kept for publications
 */
export async function keepContent(
  database: Knex,
  bytes: Uint8Array,
  checkedAs: readonly string[],
  isFile = true,
): Promise<string> {
  const key = contentKey(bytes)
  await database.raw(
    `insert into contents (key, bytes, size, checked, is_file) values (?, ?, ?, ?::text[], ?)
     on conflict (key) do update set kept_at = now(), is_file = contents.is_file or excluded.is_file,
       checked = array(select distinct unnest(contents.checked || excluded.checked))`,
    [key, Buffer.from(bytes), bytes.length, [...checkedAs], isFile],
  )
  return key
}

/** How much is kept. @param most that may be; Infinity where there is no limit */
export async function roomIn(database: Knex, most: number): Promise<Room> {
  const { rows } = await database.raw<{ rows: { used: string }[] }>(
    'select coalesce(sum(size), 0) as used from contents where is_file',
  )
  return { used: Number(itemAt(rows, 0).used), most: Number.isFinite(most) ? most : null }
}

/** Returns how many bytes of some contents are not stored yet. */
export async function newBytes(database: Knex, contents: Iterable<Uint8Array>): Promise<number> {
  const sizes = new Map([...contents].map((bytes) => [contentKey(bytes), bytes.length]))
  const { rows } = await database.raw<{ rows: { key: string }[] }>(
    'select key from contents where is_file and key = any(?::text[])',
    [[...sizes.keys()]],
  )
  for (const { key } of rows) sizes.delete(key)
  return [...sizes.values()].reduce((sum, size) => sum + size, 0)
}

/** The bytes under a key; undefined when there are none. */
export async function readContent(database: Knex, key: string): Promise<Buffer | undefined> {
  const row = await database<{ key: string; bytes: Buffer }>('contents').where({ key }).first('bytes')
  return row?.bytes
}

/**
 * Checks that the bytes of files are there, are as large as is said, and are what the paths say under which they come:
 * bytes that were sent as text do not become a picture by a change. From now on the site needs them.
 * @param check throws when bytes are not what a name says
 */
export async function claimContents(
  trx: Knex.Transaction,
  site: string,
  files: readonly SiteFile[],
  check: (bytes: Uint8Array, name: string) => Promise<void>,
): Promise<void> {
  const keys = [...new Set(files.map(({ content }) => content))]
  // Locked, so that bytes that nobody needed until now are not cleared away meanwhile.
  const { rows } = await trx.raw<{ rows: { key: string; size: number; checked: string[] }[] }>(
    'select key, size, checked from contents where key = any(?::text[]) for key share',
    [keys],
  )
  const kept = new Map(rows.map((row) => [row.key, row]))
  for (const { path, content, size, asFound } of files) {
    const row = kept.get(content)
    if (!row)
      throw new ChangeRefused(`The bytes of ${path} are not among the contents: they must be sent first.`)
    if (row.size !== size) throw new ChangeRefused(`${path} has ${row.size} bytes, not ${size}.`)
    // What came with existing pages is what it is, and is only ever shown in a sandbox.
    if (asFound) continue
    const ending = endingOf(path)
    if (row.checked.includes(ending)) continue
    await check((await readContent(trx, content))!, path)
    row.checked.push(ending)
    await trx.raw('update contents set checked = checked || ?::text where key = ?', [ending, content])
  }
  await trx.raw(
    'insert into content_uses (site_id, key) select ?, unnest(?::text[]) on conflict do nothing',
    [site, keys],
  )
}

/** Clears bytes away that no site and no history needs, and that nobody sent within a day. @returns how many */
export async function clearContents(database: Knex): Promise<number> {
  const { rowCount } = await database.raw<{ rowCount: number }>(
    `delete from contents where kept_at < now() - interval '1 day'
     and not exists (select from content_uses where content_uses.key = contents.key)
     and not exists (select from publication_files where publication_files.digest = contents.key)
     and not exists (select from host_files where host_files.digest = contents.key)
     and not exists (select from kept_aside where kept_aside.digest = contents.key)`,
  )
  return rowCount
}
