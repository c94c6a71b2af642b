import type { Knex } from 'knex'

/** Sites, their entries and files, the bytes of files, and the log of changes. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable('contents', (table) => {
    table.text('key').primary().comment('SHA-256 of the bytes')
    table.binary('bytes').notNullable()
  })

  await knex.schema.createTable('sites', (table) => {
    table.text('id').primary()
    table.text('home_id').notNullable()
    table.jsonb('settings').notNullable()
    table.integer('revision').notNullable().defaultTo(0)
    table.timestamp('changed_at').notNullable().defaultTo(knex.fn.now())
    table.check("settings->>'name' <> ''", [], 'site_has_name')
    table.check('revision >= 0', [], 'revision_counts_up')
  })

  await knex.schema.createTable('files', (table) => {
    table.text('site_id').notNullable().references('sites.id').onDelete('CASCADE')
    table.text('id').notNullable()
    table.text('path').notNullable()
    table.text('content').notNullable().references('contents.key')
    table.primary(['site_id', 'id'])
    table.unique(['site_id', 'path'], { deferrable: 'deferred' })
  })

  await knex.schema.createTable('entries', (table) => {
    table.text('site_id').notNullable().references('sites.id').onDelete('CASCADE')
    table.text('id').notNullable()
    table.text('kind').notNullable()
    table.text('parent_id').comment('null for the home page alone')
    table.integer('place').notNullable().comment('among its siblings, from 0')
    table.text('label').notNullable().defaultTo('')
    table.text('file_name').notNullable().defaultTo('')
    table.text('note').notNullable().defaultTo('')
    table.boolean('in_menu').notNullable().defaultTo(true)
    table.text('title')
    table.text('heading')
    table.text('description')
    table.text('banner_file')
    table.text('banner_alt')
    table.text('state')
    table.boolean('in_order')
    table.text('body')
    table.date('body_changed')
    table.text('target_url')
    table
      .text('target_entry')
      .comment('may name an entry that was removed: the link is then dead, and mended by undo')
    table.text('target_fragment')
    table.primary(['site_id', 'id'])
    table
      .foreign(['site_id', 'parent_id'])
      .references(['site_id', 'id'])
      .inTable('entries')
      .deferrable('deferred')
    table
      .foreign(['site_id', 'banner_file'])
      .references(['site_id', 'id'])
      .inTable('files')
      .deferrable('deferred')
    table.unique(['site_id', 'parent_id', 'place'], {
      deferrable: 'deferred',
      indexName: 'one_entry_a_place',
    })
    table.check('place >= 0', [], 'place_counts_from_0')
    table.check("kind in ('page', 'group', 'link')", [], 'known_kind')
    table.check("state in ('planned', 'draft', 'ready')", [], 'known_state')
    table.check('parent_id <> id', [], 'not_its_own_parent')
    table.check(
      "parent_id is not null or (kind = 'page' and place = 0 and state <> 'planned')",
      [],
      'home_is_a_page',
    )
    table.check(
      `case when kind = 'page'
         then title <> '' and num_nulls(heading, description, state, in_order, body) = 0
         else label <> '' and num_nonnulls(title, heading, description, state, in_order, body, body_changed, banner_file) = 0
       end`,
      [],
      'fields_of_kind',
    )
    table.check(
      `case when kind = 'link'
         then num_nonnulls(target_url, target_entry) = 1
         else num_nonnulls(target_url, target_entry, target_fragment) = 0
       end`,
      [],
      'links_have_one_target',
    )
  })
  await knex.raw('create unique index one_home_page_a_site on entries (site_id) where parent_id is null')

  await knex.schema.alterTable('sites', (table) => {
    table.foreign(['id', 'home_id']).references(['site_id', 'id']).inTable('entries').deferrable('deferred')
  })

  await knex.schema.createTable('changes', (table) => {
    table.text('site_id').notNullable().references('sites.id').onDelete('CASCADE')
    table.integer('revision').notNullable().comment('of the site after the change')
    table
      .uuid('change_id')
      .notNullable()
      .comment('chosen by who made it, so that posting twice is making once')
    table.jsonb('change').notNullable()
    table.jsonb('inverse').notNullable()
    table.text('words').notNullable()
    table.timestamp('made_at').notNullable().defaultTo(knex.fn.now())
    table.primary(['site_id', 'revision'])
    table.unique(['site_id', 'change_id'])
  })
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.alterTable('sites', (table) => table.dropForeign(['id', 'home_id']))
  for (const table of ['changes', 'entries', 'files', 'sites', 'contents']) await knex.schema.dropTable(table)
}
