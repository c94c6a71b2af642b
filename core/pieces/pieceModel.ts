import * as v from 'valibot'
import { type FileId, pieceIdSchema, type MenuId } from '../plan/ids.ts'
import type { Following } from '../plan/surround/following.ts'
import type { PickedLink } from '../plan/surround/pickedLink.ts'

/** The fields of every piece, and those of one kind. @param kind what its data says */
export function pieceSchemaOf<const Kind extends string, Fields extends v.ObjectEntries>(
  kind: Kind,
  fields: Fields,
) {
  return v.strictObject({
    id: pieceIdSchema,
    kind: v.literal(kind),
    /** Whether it stands in one row with the piece before it. */
    beside: v.optional(v.boolean('must be true or false'), false),
    ...fields,
  })
}

/** A choice of yes or no. @param usual where nothing is said */
export const flag = (usual: boolean) => v.optional(v.boolean('must be true or false'), usual)

/** Links that an author picked, with what their list is called. */
export interface PickedList {
  readonly label: string
  readonly links: readonly PickedLink[]
}

/** What a kind of piece is; how it is written is its output. See docs/architecture.md for what a new kind needs. */
export interface PieceModel<Schema extends v.GenericSchema> {
  readonly schema: Schema
  /** What authors call it. */
  readonly name: string
  /** Whether it is a landmark of its own. Beside the main content all else belongs into that. */
  readonly isNavigation: boolean
  /** The part of a page that it is; undefined where it belongs to that of its place. */
  readonly part: 'menu' | 'banner' | 'breadcrumb' | 'heading' | 'pager' | undefined
  /** What a new one holds. @param menu the id of a menu that there is */
  fresh(menu: MenuId): Omit<v.InferOutput<Schema>, 'id' | 'kind' | 'beside'>
  /** The files of the site that it cannot be without. */
  files(piece: v.InferOutput<Schema>): readonly FileId[]
  pickedLists(piece: v.InferOutput<Schema>): readonly PickedList[]
  /** The same with its links following; the same object where none does. */
  after(piece: v.InferOutput<Schema>, following: Following): v.InferOutput<Schema>
}

/** Of kinds that lead nowhere by themselves, and show no file. */
export const LEADS_NOWHERE = {
  files: () => [],
  pickedLists: () => [],
  after: <One>(piece: One): One => piece,
} as const
