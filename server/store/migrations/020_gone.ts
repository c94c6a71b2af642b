import type { Knex } from 'knex'

/** What is remembered of pages and files that were removed: references that still lead to them keep their paths. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('sites', (table) => {
    table.jsonb('gone').notNullable().defaultTo('[]')
  })
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.alterTable('sites', (table) => table.dropColumn('gone'))
}
