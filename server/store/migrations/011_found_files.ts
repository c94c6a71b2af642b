import type { Knex } from 'knex'

/** Files that came with existing pages keep their names, whatever these are. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('files', (table) => {
    table.boolean('as_found').notNullable().defaultTo(false)
  })
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.alterTable('files', (table) => table.dropColumn('as_found'))
}
