import type { Knex } from 'knex'

/** Bytes that are kept for publications alone take no room from the files of sites. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('contents', (table) => {
    table.boolean('is_file').notNullable().defaultTo(true).comment('of a site; else kept for publications')
  })
  await knex.raw(`update contents set is_file = false
    where not exists (select from content_uses where content_uses.key = contents.key)
    and (exists (select from publication_files where digest = contents.key)
      or exists (select from kept_aside where digest = contents.key))`)
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.alterTable('contents', (table) => table.dropColumn('is_file'))
}
