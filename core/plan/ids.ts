import * as v from 'valibot'

/**
 * Ids of different kinds cannot be mixed up: one of a file is no id of an entry. Any text can be an id, so that what comes from
 * outside needs no cast; schemas check it.
 */
type Id<Kind extends string> = string & { readonly idOf?: Kind }

export type EntryId = Id<'entry'>
export type FileId = Id<'file'>
export type PieceId = Id<'piece'>
export type MenuId = Id<'menu'>
export type TemplateId = Id<'template'>

/** Ids are ours; a site file may bring readable ones. */
const idSchema = v.pipe(
  v.string('must be an id'),
  v.regex(/^[a-z0-9][a-z0-9-]{0,59}$/, 'must be an id of lower-case letters, digits and hyphens'),
)

export const entryIdSchema = idSchema as v.GenericSchema<string, EntryId>
export const fileIdSchema = idSchema as v.GenericSchema<string, FileId>
export const pieceIdSchema = idSchema as v.GenericSchema<string, PieceId>
export const menuIdSchema = idSchema as v.GenericSchema<string, MenuId>
/** The id of a column or link in a list of a piece. */
export const itemIdSchema = idSchema
