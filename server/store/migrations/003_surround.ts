import type { Knex } from 'knex'
import { FIRST_VERSION_NAMES, surroundOfFirstVersion } from '@viatica/core/formats/firstVersion.ts'

interface SingleChange {
  readonly kind: string
  readonly field?: string
}
type Change = SingleChange & { readonly changes?: readonly SingleChange[] }

/** A change without what it did to settings that are part of the surround now. */
function withoutOldSettings(change: Change): Change {
  const isKept = ({ kind, field = '' }: SingleChange) =>
    kind !== 'setSite' || !FIRST_VERSION_NAMES.includes(field)
  if (change.changes) return { ...change, changes: change.changes.filter(isKept) }
  return isKept(change) ? change : { kind: 'batch', changes: [] }
}

/**
 * What stands around the main content, in pieces. What sites had settled about it before becomes pieces; their
 * history goes back past that, and leaves the surround as it is.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('sites', (table) => {
    table.jsonb('surround')
  })
  await knex.schema.alterTable('entries', (table) => {
    table.text('banner_text')
    table.check('banner_text is null or banner_file is not null', [], 'text_on_a_banner')
  })
  const sites = await knex<{ id: string; settings: Record<string, unknown> }>('sites').select(
    'id',
    'settings',
  )
  for (const { id, settings } of sites) {
    const kept = Object.entries(settings).filter(([name]) => !FIRST_VERSION_NAMES.includes(name))
    await knex('sites')
      .where({ id })
      .update({
        settings: JSON.stringify(Object.fromEntries(kept)),
        surround: JSON.stringify(surroundOfFirstVersion(settings)),
      })
  }
  const changes = await knex<{ site_id: string; revision: number; change: Change; inverse: Change }>(
    'changes',
  ).select('site_id', 'revision', 'change', 'inverse')
  for (const { site_id, revision, change, inverse } of changes) {
    const [made, back] = [withoutOldSettings(change), withoutOldSettings(inverse)]
    if (JSON.stringify(made) === JSON.stringify(change)) continue
    await knex('changes')
      .where({ site_id, revision })
      .update({ change: JSON.stringify(made), inverse: JSON.stringify(back) })
  }
  await knex.schema.alterTable('sites', (table) => table.dropNullable('surround'))
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.alterTable('entries', (table) => table.dropColumn('banner_text'))
  await knex.schema.alterTable('sites', (table) => table.dropColumn('surround'))
}
