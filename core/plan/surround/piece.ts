import * as v from 'valibot'
import { PIECE_MODELS } from '../../pieces/models.ts'
import type { PieceModel } from '../../pieces/pieceModel.ts'
import { valueFor } from '../../standard/present.ts'

type SchemasOf<Models extends readonly { readonly schema: unknown }[]> = {
  [At in keyof Models]: Models[At]['schema']
}

export const pieceSchema = v.variant(
  'kind',
  PIECE_MODELS.map(({ schema }) => schema) as unknown as SchemasOf<typeof PIECE_MODELS>,
)
/** One part that stands in a place of the surround. */
export type Piece = v.InferOutput<typeof pieceSchema>
export type PieceKind = Piece['kind']
export type PieceOf<Kind extends PieceKind> = Extract<Piece, { kind: Kind }>

type AnyModel = PieceModel<v.GenericSchema<Piece>>
const MODELS = new Map<PieceKind, AnyModel>(
  PIECE_MODELS.map((model) => [model.schema.entries.kind.literal, model as unknown as AnyModel]),
)

export const PIECE_KINDS: readonly PieceKind[] = [...MODELS.keys()]

/** What a kind of piece is. */
export const modelOf = (kind: PieceKind): AnyModel => valueFor(MODELS, kind)

/** What authors call a kind of piece. */
export const pieceName = (kind: PieceKind): string => modelOf(kind).name
