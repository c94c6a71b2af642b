import { createHash } from 'node:crypto'
import type { Knex } from 'knex'

/** The key of some bytes: the same bytes have the same key, in every site. */
export function contentKey(bytes: Uint8Array): string {
  return createHash('sha256').update(bytes).digest('hex')
}

/** Keeps bytes and gives back their key. Keeping the same bytes again changes nothing. */
export async function keepContent(database: Knex, bytes: Uint8Array): Promise<string> {
  const key = contentKey(bytes)
  await database('contents')
    .insert({ key, bytes: Buffer.from(bytes) })
    .onConflict('key')
    .ignore()
  return key
}

/** The bytes under a key; undefined when there are none. */
export async function readContent(database: Knex, key: string): Promise<Buffer | undefined> {
  const row = await database<{ key: string; bytes: Buffer }>('contents').where({ key }).first('bytes')
  return row?.bytes
}
