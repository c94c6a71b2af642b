import type { Knex } from 'knex'

/** Files of any kind: how large they are, and what pictures say to those who do not see them. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('files', (table) => {
    table.integer('size').notNullable().defaultTo(0).comment('in bytes')
    table.text('alt').notNullable().defaultTo('')
    table.check('size >= 0', [], 'size_is_counted')
  })
  await knex.schema.alterTable('entries', (table) => {
    table
      .text('target_file')
      .comment('may name a file that was removed: the link is then dead, and mended by undo')
    table.dropChecks(['links_have_one_target'])
    table.check(
      `case when kind = 'link'
         then num_nonnulls(target_url, target_entry, target_file) = 1
         else num_nonnulls(target_url, target_entry, target_file, target_fragment) = 0
       end`,
      [],
      'links_have_one_target',
    )
  })
  await knex.raw(
    'update files set size = octet_length(bytes) from contents where contents.key = files.content',
  )
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.alterTable('entries', (table) => {
    table.dropChecks(['links_have_one_target'])
    table.dropColumn('target_file')
    table.check(
      `case when kind = 'link'
         then num_nonnulls(target_url, target_entry) = 1
         else num_nonnulls(target_url, target_entry, target_fragment) = 0
       end`,
      [],
      'links_have_one_target',
    )
  })
  await knex.schema.alterTable('files', (table) => {
    table.dropColumn('size')
    table.dropColumn('alt')
  })
}
