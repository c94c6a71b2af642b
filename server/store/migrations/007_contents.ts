import type { Knex } from 'knex'

/** How large bytes are, what they were found to be, when they were last kept, and which sites need them. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('contents', (table) => {
    table.integer('size').notNullable().defaultTo(0).comment('in bytes')
    table
      .specificType('checked', 'text[]')
      .notNullable()
      .defaultTo('{}')
      .comment('endings of file names under which they were checked')
    table.timestamp('kept_at').notNullable().defaultTo(knex.fn.now())
  })
  await knex.raw(
    `update contents set size = octet_length(bytes), checked = array(
       select distinct lower(substring(path from '[^.]*$')) from files where files.content = contents.key)`,
  )
  await knex.schema.createTable('content_uses', (table) => {
    table.text('site_id').notNullable().references('sites.id').onDelete('CASCADE')
    table.text('key').notNullable().references('contents.key').comment('that the site has, or had once')
    table.primary(['site_id', 'key'])
    table.index('key')
  })
  await knex.raw('insert into content_uses (site_id, key) select distinct site_id, content from files')
  // The history may bring back what it once had.
  await knex.raw(
    `insert into content_uses (site_id, key)
     select distinct changes.site_id, contents.key from changes
     cross join lateral regexp_matches(changes.change::text || changes.inverse::text, '"content": "([a-z0-9]+)"', 'g') as found
     join contents on contents.key = found[1]
     on conflict do nothing`,
  )
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.dropTable('content_uses')
  await knex.schema.alterTable('contents', (table) => {
    for (const column of ['size', 'checked', 'kept_at']) table.dropColumn(column)
  })
}
