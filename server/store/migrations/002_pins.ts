import type { Knex } from 'knex'

/** Pinned pages: the name that they keep, and the addresses that they were given out at. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('entries', (table) => {
    table.jsonb('pin')
    table.check("pin is null or kind = 'page'", [], 'only_pages_are_pinned')
  })
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.alterTable('entries', (table) => table.dropColumn('pin'))
}
