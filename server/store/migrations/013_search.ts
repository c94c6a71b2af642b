import type { Knex } from 'knex'

/** Pages that search engines may list: all that were there before. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('entries', (table) => table.boolean('in_search'))
  await knex('entries').where('kind', 'page').update({ in_search: true })
  await knex.schema.alterTable('entries', (table) => {
    table.check("(kind = 'page') = (in_search is not null)", [], 'only_pages_are_searched')
  })
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.alterTable('entries', (table) => table.dropColumn('in_search'))
}
