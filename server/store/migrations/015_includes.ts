import type { Knex } from 'knex'

/** Hosts of before there were include files get every page whole, as they did. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`update hosts set settings = jsonb_set(settings, '{choices,includes}', '"none"')
    where settings #> '{choices,includes}' is null`)
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw("update hosts set settings = settings #- '{choices,includes}'")
}
