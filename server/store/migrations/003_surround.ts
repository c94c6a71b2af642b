import type { Knex } from 'knex'
import { STANDARD_SURROUND } from '@viatica/core/plan/surround/surround.ts'

/** What stands around the main content, in pieces; and words on banners. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('sites', (table) => {
    table.jsonb('surround')
  })
  await knex.schema.alterTable('entries', (table) => {
    table.text('banner_text')
    table.check('banner_text is null or banner_file is not null', [], 'text_on_a_banner')
  })
  await knex('sites').update({ surround: JSON.stringify(STANDARD_SURROUND) })
  await knex.schema.alterTable('sites', (table) => table.dropNullable('surround'))
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.alterTable('entries', (table) => table.dropColumn('banner_text'))
  await knex.schema.alterTable('sites', (table) => table.dropColumn('surround'))
}
