import type { Knex } from 'knex'

/** Pages that somebody looked at, each with marks of what it was like. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('entries', (table) => {
    table.jsonb('seen')
    table.check("seen is null or kind = 'page'", [], 'only_pages_are_seen')
  })
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.alterTable('entries', (table) => table.dropColumn('seen'))
}
