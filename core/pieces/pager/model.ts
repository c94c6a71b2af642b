import * as v from 'valibot'
import { flag, LEADS_NOWHERE, type PieceModel, pieceSchemaOf } from '../pieceModel.ts'

export const PAGER_SHOWS = ['words', 'labels', 'both'] as const

const schema = pieceSchemaOf('pager', {
  shows: v.optional(v.picklist(PAGER_SHOWS, 'must be words, labels or both'), 'both'),
  /** Whether a link leads up to the parent. */
  up: flag(false),
})

/** Links to the page before and the page after. */
export const pager: PieceModel<typeof schema> = {
  schema,
  name: 'Previous/next links',
  isNavigation: true,
  part: 'pager',
  fresh: () => ({ shows: 'both', up: false }),
  ...LEADS_NOWHERE,
}
