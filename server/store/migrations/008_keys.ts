import type { Knex } from 'knex'

/**
 * Keys of entries and files under which only their primary key begins with the site. While a large site is stored,
 * PostgreSQL may hold its tables for small; the check of a foreign key (site, id) then took any index that begins with
 * the site, and read all of the site for each row.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('entries', (table) => {
    table.dropUnique(['site_id', 'parent_id', 'place'], 'one_entry_a_place')
    table.unique(['parent_id', 'site_id', 'place'], {
      deferrable: 'deferred',
      indexName: 'one_entry_a_place',
    })
  })
  await knex.schema.alterTable('files', (table) => {
    table.dropUnique(['site_id', 'path'])
    table.unique(['path', 'site_id'], { deferrable: 'deferred' })
  })
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.alterTable('files', (table) => {
    table.dropUnique(['path', 'site_id'])
    table.unique(['site_id', 'path'], { deferrable: 'deferred' })
  })
  await knex.schema.alterTable('entries', (table) => {
    table.dropUnique(['parent_id', 'site_id', 'place'], 'one_entry_a_place')
    table.unique(['site_id', 'parent_id', 'place'], {
      deferrable: 'deferred',
      indexName: 'one_entry_a_place',
    })
  })
}
