import type { Knex } from 'knex'
import { EMPTY_PIECES, type Surround } from '@viatica/core/plan/surround/surround.ts'
import { readSurround } from '@viatica/core/plan/surround/earlier.ts'

async function rewrite(knex: Knex, surroundOf: (stored: unknown) => object): Promise<void> {
  const ids = await knex<{ id: string }>('sites').pluck('id')
  // One after the other: the templates of a site may be large.
  for (const id of ids) {
    const row = await knex<{ id: string; surround: unknown }>('sites').where({ id }).first('surround')
    await knex('sites')
      .where({ id })
      .update({ surround: JSON.stringify(surroundOf(row!.surround)) })
  }
}

/** Pieces and templates, which stood beside each other, become two kinds of surround. */
export const up = (knex: Knex): Promise<void> => rewrite(knex, readSurround)

export const down = (knex: Knex): Promise<void> =>
  rewrite(knex, (stored) => {
    const surround = stored as Surround
    if (surround.kind === 'pieces') {
      const { kind: _, ...rest } = surround
      return { ...rest, templates: null }
    }
    const { kind: _, replaced = EMPTY_PIECES, templates, ...rest } = surround
    // Pages from templates would name our style sheet and script.
    const headFiles = { ...replaced.headFiles, ourStyles: false, ourScript: false }
    return { ...rest, ...replaced, headFiles, templates }
  })
