import type { Knex } from 'knex'

/** Signed-in browsers. A session ends at sign-out, whatever cookies are still around. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable('sessions', (table) => {
    table.text('id').primary().comment('part of the addresses of previews: no secret')
    table.binary('token').notNullable().unique().comment('the SHA-256 of what the cookie holds')
    table.text('access_key').notNullable().comment('a mark of the key that was given')
    table.timestamp('expires').notNullable().index()
  })
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.dropTable('sessions')
}
