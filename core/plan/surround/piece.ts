import * as v from 'valibot'
import { fragmentFault } from '../../standard/fragment.ts'
import { filledLine, line, lines } from '../../standard/text.ts'
import { entryIdSchema, pictureSchema, targetSchema } from '../entry.ts'

export const PLACES = ['header', 'side', 'before', 'after', 'footer'] as const
/** Where pieces stand: around the main content, and on every page the same. */
export type Place = (typeof PLACES)[number]

export const MENU_SHAPES = ['row', 'stack', 'opening', 'line', 'columns'] as const
/** How a menu is drawn: a row, a stack, a row with submenus that open, one line with separators, columns. */
export type MenuShape = (typeof MENU_SHAPES)[number]

/** The shape that own HTML asks for by name; a stack for any other word. */
export function shapeNamed(name: string | undefined): MenuShape {
  return MENU_SHAPES.find((shape) => shape === name) ?? 'stack'
}

const id = entryIdSchema
/** Whether it stands in one row with the piece before it. */
const beside = v.optional(v.boolean('must be true or false'), false)
const flag = (usual: boolean) => v.optional(v.boolean('must be true or false'), usual)
const list = <Schema extends v.GenericSchema>(schema: Schema, most: number) =>
  v.optional(v.pipe(v.array(schema), v.maxLength(most, `must hold at most ${most}`)), [])

/** A link that the author picks, with its own label. */
export const pickedLinkSchema = v.pipe(
  v.strictObject({
    id,
    /** Empty for that of the entry which it leads to, whatever that comes to be. */
    label: line(200),
    target: targetSchema,
    /** Drawn as a button: a call to action. */
    isButton: flag(false),
  }),
  v.check(
    ({ label, target }) => label !== '' || target.to === 'entry',
    'needs a label where it leads out of the plan',
  ),
)
export type PickedLink = v.InferOutput<typeof pickedLinkSchema>

/** Picture, name and tagline of the site, linked to the home page. */
const brandSchema = v.strictObject({
  id,
  kind: v.literal('brand'),
  beside,
  picture: flag(true),
  name: flag(true),
  tagline: flag(true),
})

const menuSchema = v.strictObject({
  id,
  kind: v.literal('menu'),
  beside,
  menu: id,
  shape: v.picklist(MENU_SHAPES, `must be ${MENU_SHAPES.join(', ')}`),
  /** Whether it folds behind a button on a narrow screen. */
  folds: flag(false),
})

const linksSchema = v.strictObject({
  id,
  kind: v.literal('links'),
  beside,
  /** What a screen reader calls the list. */
  label: filledLine(100),
  links: list(pickedLinkSchema, 50),
})

/** The page's own banner, else that of the section it is in, else this one. */
const bannerSchema = v.strictObject({
  id,
  kind: v.literal('banner'),
  beside,
  picture: v.optional(v.nullable(pictureSchema), null),
  text: v.optional(line(300), ''),
})

const breadcrumbSchema = v.strictObject({ id, kind: v.literal('breadcrumb'), beside })
const headingSchema = v.strictObject({ id, kind: v.literal('heading'), beside })

export const PAGER_SHOWS = ['words', 'labels', 'both'] as const
const pagerSchema = v.strictObject({
  id,
  kind: v.literal('pager'),
  beside,
  shows: v.optional(v.picklist(PAGER_SHOWS, 'must be words, labels or both'), 'both'),
  /** Whether a link leads up to the parent. */
  up: flag(false),
})

const columnsSchema = v.strictObject({
  id,
  kind: v.literal('columns'),
  beside,
  /** What a screen reader calls them. */
  label: filledLine(100),
  columns: list(v.strictObject({ id, heading: filledLine(200), links: list(pickedLinkSchema, 50) }), 12),
})

/** A line each: an e-mail address and a phone number become links. */
const contactSchema = v.strictObject({
  id,
  kind: v.literal('contact'),
  beside,
  heading: v.optional(line(200), ''),
  lines: v.optional(lines(1000), ''),
})

const addressSchema = v.strictObject({
  id,
  kind: v.literal('address'),
  beside,
  lines: v.optional(lines(1000), ''),
})

/** © holder, first year to the year of the build. */
const copyrightSchema = v.strictObject({
  id,
  kind: v.literal('copyright'),
  beside,
  holder: v.optional(line(300), ''),
  from: v.optional(
    v.nullable(
      v.pipe(
        v.number('must be a year'),
        v.integer('must be a whole year'),
        v.minValue(1000, 'must be a year of four digits'),
        v.maxValue(9999, 'must be a year of four digits'),
      ),
    ),
    null,
  ),
})

/** Paragraphs, parted by empty lines. */
const textSchema = v.strictObject({
  id,
  kind: v.literal('text'),
  beside,
  text: v.optional(lines(5000), ''),
})

/** The author's own HTML, which may call computed parts. */
const htmlSchema = v.strictObject({
  id,
  kind: v.literal('html'),
  beside,
  html: v.optional(
    v.pipe(
      lines(100_000),
      v.rawCheck(({ dataset, addIssue }) => {
        const fault = dataset.typed && fragmentFault(dataset.value)
        if (fault) addIssue({ message: fault })
      }),
    ),
    '',
  ),
})

export const pieceSchema = v.variant('kind', [
  brandSchema,
  menuSchema,
  linksSchema,
  bannerSchema,
  breadcrumbSchema,
  headingSchema,
  pagerSchema,
  columnsSchema,
  contactSchema,
  addressSchema,
  copyrightSchema,
  textSchema,
  htmlSchema,
])
/** One part that stands in a place of the surround. */
export type Piece = v.InferOutput<typeof pieceSchema>
export type PieceKind = Piece['kind']
export type PieceOf<Kind extends PieceKind> = Extract<Piece, { kind: Kind }>

export const PIECE_KINDS = pieceSchema.options.map((option) => option.entries.kind.literal) as PieceKind[]
