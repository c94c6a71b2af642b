import type { Knex } from 'knex'

/** The hosts of sites, what publications put there, and the publications. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable('hosts', (table) => {
    table.text('id').primary()
    table.text('site_id').notNullable().references('sites.id').onDelete('CASCADE').index()
    table.text('name').notNullable()
    table.jsonb('settings').notNullable().comment('what the author set, without secrets')
    table.binary('secret').comment('encrypted under a key outside the database')
    table.text('host_key').comment('the fingerprint that the host had at first')
    table.timestamp('made_at').notNullable().defaultTo(knex.fn.now())
  })
  await knex.schema.createTable('host_files', (table) => {
    table.text('host_id').notNullable().references('hosts.id').onDelete('CASCADE')
    table.text('path').notNullable()
    table.text('digest').notNullable().comment('SHA-256 of what a publication put there')
    table.integer('size').notNullable()
    table.bigInteger('modified').notNullable().comment('as the host told, in seconds')
    table.text('role').notNullable()
    table.text('page')
    table.primary(['host_id', 'path'])
    table.index('digest')
  })
  await knex.schema.createTable('host_intents', (table) => {
    table.text('host_id').notNullable().references('hosts.id').onDelete('CASCADE')
    table.text('path').notNullable()
    table.text('digest').notNullable().comment('of what was about to be put there')
    table.primary(['host_id', 'path'])
  })
  await knex.schema.createTable('kept_aside', (table) => {
    table.text('host_id').notNullable().references('hosts.id').onDelete('CASCADE')
    table.text('path').notNullable()
    table.text('digest').notNullable().references('contents.key').index()
    table.timestamp('kept_at').notNullable().defaultTo(knex.fn.now())
    table.primary(['host_id', 'path', 'digest'])
  })
  await knex.schema.createTable('publications', (table) => {
    table.text('id').primary()
    table.text('host_id').notNullable().references('hosts.id').onDelete('CASCADE').index()
    table.integer('number').notNullable().comment('among those of its host, from 1')
    table.integer('revision').notNullable().comment('of the site')
    table.integer('again_of').comment('the number of the one that was published again')
    table.text('made_by').notNullable().defaultTo('')
    table.text('state').notNullable()
    table.jsonb('report').notNullable().comment('progress, counts, what went wrong, what was proven')
    table.timestamp('begun_at').notNullable().defaultTo(knex.fn.now())
    table.timestamp('alive_at').notNullable().defaultTo(knex.fn.now()).comment('last said by whoever does it')
    table.timestamp('ended_at')
    table.unique(['host_id', 'number'])
  })
  // One at a time for each host, whichever server process does it.
  await knex.raw(
    `create unique index one_publication_at_a_time on publications (host_id) where state in ('preparing', 'sending', 'proving')`,
  )
  await knex.schema.createTable('publication_files', (table) => {
    table.text('publication_id').notNullable().references('publications.id').onDelete('CASCADE')
    table.text('path').notNullable()
    table.text('digest').notNullable().references('contents.key').index()
    table.integer('size').notNullable()
    table.text('role').notNullable()
    table.text('page')
    table.primary(['publication_id', 'path'])
  })
}

export async function down(knex: Knex): Promise<void> {
  for (const table of [
    'publication_files',
    'publications',
    'kept_aside',
    'host_intents',
    'host_files',
    'hosts',
  ])
    await knex.schema.dropTable(table)
}
