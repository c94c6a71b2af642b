import type { Knex } from 'knex'

/** Templates know of the parts that pages put in: those made before had none. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(
    `update sites set surround = jsonb_set(surround, '{templates,included}', '[]')
     where jsonb_typeof(surround->'templates') = 'object' and surround->'templates'->'included' is null`,
  )
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(`update sites set surround = surround #- '{templates,included}'`)
}
