import type { Knex } from 'knex'

interface Single {
  readonly kind: string
  readonly [field: string]: unknown
}
type Inverse = Single & { readonly changes?: readonly Single[] }

const AT_ONCE = 500

/** What takes an edit back may name what is gone meanwhile: it says so now. */
function puttingBack(inverse: Inverse): Inverse {
  if (inverse.changes) return { ...inverse, changes: inverse.changes.map(puttingBack) }
  return inverse.kind === 'setSite' || inverse.kind === 'setEntry' ? { ...inverse, back: true } : inverse
}

async function letInversesPutBack(knex: Knex): Promise<void> {
  let last = { site_id: '', revision: -1 }
  for (;;) {
    const rows = await knex<{ site_id: string; revision: number; inverse: Inverse }>('changes')
      .whereRaw('(site_id, revision) > (?, ?)', [last.site_id, last.revision])
      .orderBy(['site_id', 'revision'])
      .limit(AT_ONCE)
      .select('site_id', 'revision', 'inverse')
    for (const { site_id, revision, inverse } of rows)
      await knex('changes')
        .where({ site_id, revision })
        .update({ inverse: JSON.stringify(puttingBack(inverse)) })
    if (rows.length < AT_ONCE) return
    last = rows.at(-1)!
  }
}

/**
 * A log that stays thin: a text that is typed on is one step, whole states stand at intervals, and which edits were
 * made is kept apart, so that it is known also of those that became one with the next.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable('edits_made', (table) => {
    table.text('site_id').notNullable().references('sites.id').onDelete('CASCADE')
    table.uuid('edit_id').notNullable().comment('chosen by who made it, so that posting twice is making once')
    table.integer('revision').notNullable().comment('of the site after the edit')
    table.primary(['site_id', 'edit_id'])
    table.unique(['site_id', 'revision'])
  })
  await knex.raw(
    'insert into edits_made (site_id, edit_id, revision) select site_id, change_id, revision from changes',
  )
  await knex.schema.alterTable('changes', (table) => {
    table.dropUnique(['site_id', 'change_id'])
  })
  await letInversesPutBack(knex)
  await knex.schema.createTable('states', (table) => {
    table.text('site_id').notNullable().references('sites.id').onDelete('CASCADE')
    table.integer('revision').notNullable()
    table.binary('state').notNullable().comment('the whole site as JSON, gzipped')
    table.primary(['site_id', 'revision'])
  })
  await knex.schema.alterTable('sites', (table) => {
    table.uuid('stamp').comment('of the last edit: the same revision of another history has another one')
  })
  await knex.raw(
    `update sites set stamp = change_id from changes
     where changes.site_id = sites.id and changes.revision = sites.revision`,
  )
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.alterTable('sites', (table) => table.dropColumn('stamp'))
  await knex.schema.dropTable('states')
  await knex.schema.alterTable('changes', (table) => table.unique(['site_id', 'change_id']))
  await knex.schema.dropTable('edits_made')
}
