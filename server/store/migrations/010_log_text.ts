import type { Knex } from 'knex'

/**
 * Changes are only ever read whole: as the text that they came as, packed the quick way, a change of thousands of entries
 * is kept in a fifth of the time. https://www.postgresql.org/docs/current/datatype-json.html
 */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(
    `alter table changes
       alter column change type json, alter column change set compression lz4,
       alter column inverse type json, alter column inverse set compression lz4`,
  )
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(
    `alter table changes
       alter column change type jsonb, alter column change set compression default,
       alter column inverse type jsonb, alter column inverse set compression default`,
  )
}
