import * as v from 'valibot'
import { entryIdSchema, menuIdSchema, pieceIdSchema } from '../ids.ts'
import { menuSchema } from '../surround/menu.ts'
import { pieceSchema } from '../surround/piece.ts'
import { PLACES } from '../surround/place.ts'
import { makingSchema } from '../surround/templates.ts'
import { type SurroundRule, surroundRuleSchemas } from '../surround/surround.ts'
import { overSchema as over } from './mark.ts'

/** Places count from 0 among the other pieces of the place, or the other menus; past the end means last. */
const at = v.pipe(
  v.number('must be a number'),
  v.integer('must be a whole number'),
  v.minValue(0, 'must not be negative'),
)
const place = v.picklist(PLACES, `must be ${PLACES.join(', ')}`)

const addPieceSchema = v.strictObject({ kind: v.literal('addPiece'), place, at, piece: pieceSchema })
const removePieceSchema = v.strictObject({ kind: v.literal('removePiece'), piece: pieceIdSchema, over })
/** Puts a piece elsewhere; `beside`: in one row with the piece before it. */
const movePieceSchema = v.strictObject({
  kind: v.literal('movePiece'),
  piece: pieceIdSchema,
  place,
  at,
  beside: v.boolean('must be true or false'),
  over,
})
/** Sets a piece whole; its id and kind stay. */
const setPieceSchema = v.strictObject({ kind: v.literal('setPiece'), piece: pieceSchema, over })

const addMenuSchema = v.strictObject({ kind: v.literal('addMenu'), at, menu: menuSchema })
const removeMenuSchema = v.strictObject({ kind: v.literal('removeMenu'), menu: menuIdSchema, over })
const setMenuSchema = v.strictObject({ kind: v.literal('setMenu'), menu: menuSchema, over })

const RULES = Object.keys(surroundRuleSchemas) as SurroundRule[]
const setSurroundSchema = v.variant(
  'field',
  RULES.map((field) =>
    v.strictObject({
      kind: v.literal('setSurround'),
      field: v.literal(field),
      value: surroundRuleSchemas[field] as v.GenericSchema,
      over,
    }),
  ),
)

/** Sets how one page is made of its template; null for as its neighbours are. */
const setMakingSchema = v.strictObject({
  kind: v.literal('setMaking'),
  page: entryIdSchema,
  making: v.nullable(makingSchema),
  over,
})

export type AddPiece = v.InferOutput<typeof addPieceSchema>
export type RemovePiece = v.InferOutput<typeof removePieceSchema>
export type MovePiece = v.InferOutput<typeof movePieceSchema>
export type SetPiece = v.InferOutput<typeof setPieceSchema>
export type AddMenu = v.InferOutput<typeof addMenuSchema>
export type RemoveMenu = v.InferOutput<typeof removeMenuSchema>
export type SetMenu = v.InferOutput<typeof setMenuSchema>
export type SetSurround = {
  [Rule in SurroundRule]: {
    kind: 'setSurround'
    field: Rule
    value: v.InferOutput<(typeof surroundRuleSchemas)[Rule]>
    over?: string | undefined
  }
}[SurroundRule]

export type SetMaking = v.InferOutput<typeof setMakingSchema>

/** An edit of what stands around the main content. */
export type SurroundChange =
  | AddPiece
  | RemovePiece
  | MovePiece
  | SetPiece
  | AddMenu
  | RemoveMenu
  | SetMenu
  | SetSurround
  | SetMaking

export const surroundChangeSchemas = [
  addPieceSchema,
  removePieceSchema,
  movePieceSchema,
  setPieceSchema,
  addMenuSchema,
  removeMenuSchema,
  setMenuSchema,
  setSurroundSchema,
  setMakingSchema,
] as const
