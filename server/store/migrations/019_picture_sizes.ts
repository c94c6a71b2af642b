import type { Knex } from 'knex'
import { pixelsOf } from '../../pictureSize.ts'

const PICTURE = '[.](svg|png|jpe?g|gif|webp|avif|ico)$'
/** Pictures whose bytes are read together. */
const AT_ONCE = 20

interface StoredPicture {
  readonly site_id: string
  readonly id: string
  readonly path: string
  readonly content: string
}

/** How wide and high pictures are: read from those that are stored. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('files', (table) => {
    table.integer('width')
    table.integer('height')
    table.check('(width is null) = (height is null)', [], 'both_sides_are_known')
  })
  const pictures = await knex<StoredPicture>('files')
    .whereRaw('path ~* ?', [PICTURE])
    .select('site_id', 'id', 'path', 'content')
  for (let from = 0; from < pictures.length; from += AT_ONCE) {
    const some = pictures.slice(from, from + AT_ONCE)
    const rows = await knex<{ key: string; bytes: Buffer }>('contents')
      .whereIn(
        'key',
        some.map(({ content }) => content),
      )
      .select('key', 'bytes')
    const bytes = new Map(rows.map((row) => [row.key, row.bytes]))
    for (const { site_id, id, path, content } of some) {
      const found = bytes.get(content)
      const pixels = found && pixelsOf(found, path)
      if (pixels) await knex('files').where({ site_id, id }).update(pixels)
    }
  }
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.alterTable('files', (table) => table.dropColumns('width', 'height'))
}
