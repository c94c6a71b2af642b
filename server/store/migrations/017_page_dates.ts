import type { Knex } from 'knex'

/** Pages may have a date that readers go by. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('entries', (table) => {
    table.date('page_date')
    table.check("page_date is null or kind = 'page'", [], 'only_pages_have_a_date')
  })
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.alterTable('entries', (table) => table.dropColumn('page_date'))
}
