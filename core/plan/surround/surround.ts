import * as v from 'valibot'
import type { EntryId } from '../entry.ts'
import { templatesSchema } from './templates.ts'
import { DEFAULT_LOOK, lookSchema } from './look.ts'
import { type Menu, menuSchema } from './menu.ts'
import type { PickedList } from '../../pieces/pieceModel.ts'
import { modelOf, type Piece, pieceSchema } from './piece.ts'
import { type Place, PLACES } from './place.ts'
import { breadcrumbRuleSchema, headFilesSchema, hereRuleSchema, orderRuleSchema } from './rules.ts'
import { ownWordsSchema } from './siteWords.ts'

export const MAX_PIECES = 60
export const MAX_MENUS = 30

const pieces = v.optional(
  v.pipe(v.array(pieceSchema), v.maxLength(MAX_PIECES, `must hold at most ${MAX_PIECES} pieces`)),
  [],
)

/** The parts of the surround that are set whole, each by its name. */
export const surroundRuleSchemas = {
  here: hereRuleSchema,
  breadcrumb: breadcrumbRuleSchema,
  order: orderRuleSchema,
  look: lookSchema,
  headFiles: headFilesSchema,
  /** The author's own, in place of those of the language. */
  words: ownWordsSchema,
  /** The author's own HTML, in place of pieces; null for these. */
  templates: v.nullable(templatesSchema),
} as const
export type SurroundRule = keyof typeof surroundRuleSchemas

const DEFAULT_RULES: {
  readonly [Rule in SurroundRule]: v.InferOutput<(typeof surroundRuleSchemas)[Rule]>
} = {
  here: { form: 'link', here: 'here', within: 'within', marksSections: true, bodyId: false },
  breadcrumb: { from: 1, separator: 'chevron', showsPage: true, data: false },
  order: { scope: 'site', series: [] },
  look: DEFAULT_LOOK,
  headFiles: { ourStyles: true, ourScript: true, styles: [], scripts: [] },
  words: {},
  templates: null,
}

/** Everything around the main content, decided once for all pages. */
export const surroundSchema = v.strictObject({
  /** The pieces of every place, in their order. */
  places: v.strictObject({ header: pieces, side: pieces, before: pieces, after: pieces, footer: pieces }),
  menus: v.optional(
    v.pipe(v.array(menuSchema), v.maxLength(MAX_MENUS, `must hold at most ${MAX_MENUS} menus`)),
    [],
  ),
  here: v.optional(hereRuleSchema, DEFAULT_RULES.here),
  breadcrumb: v.optional(breadcrumbRuleSchema, DEFAULT_RULES.breadcrumb),
  order: v.optional(orderRuleSchema, DEFAULT_RULES.order),
  look: v.optional(lookSchema, DEFAULT_RULES.look),
  headFiles: v.optional(headFilesSchema, DEFAULT_RULES.headFiles),
  words: v.optional(ownWordsSchema, DEFAULT_RULES.words),
  templates: v.optional(surroundRuleSchemas.templates, null),
})
export type Surround = v.InferOutput<typeof surroundSchema>
export type Places = Surround['places']

/** A surround with nothing in it. */
export const EMPTY_SURROUND: Surround = {
  places: { header: [], side: [], before: [], after: [], footer: [] },
  menus: [],
  ...DEFAULT_RULES,
}

/** What a new site starts with: brand and main menu, breadcrumb, pager. */
export const STANDARD_SURROUND: Surround = {
  ...EMPTY_SURROUND,
  places: {
    header: [
      { id: 'brand', kind: 'brand', beside: false, picture: true, name: true, tagline: true },
      { id: 'main-menu', kind: 'menu', beside: false, menu: 'main', shape: 'opening', folds: true },
      { id: 'banner', kind: 'banner', beside: false, picture: null, text: '' },
    ],
    side: [],
    before: [{ id: 'breadcrumb', kind: 'breadcrumb', beside: false }],
    after: [{ id: 'pager', kind: 'pager', beside: false, shows: 'both', up: false }],
    footer: [{ id: 'copyright', kind: 'copyright', beside: false, holder: '', from: null }],
  },
  menus: [{ id: 'main', kind: 'plan', name: 'Main', from: { at: 'home' }, depth: 2, exceptions: [] }],
}

/** Where a piece stands. */
export interface Standing {
  readonly piece: Piece
  readonly place: Place
  readonly at: number
}

/** Every piece of a surround, place by place. */
export function* standings({ places }: Pick<Surround, 'places'>): Generator<Standing> {
  for (const place of PLACES) for (const [at, piece] of places[place].entries()) yield { piece, place, at }
}

/** Looks a piece up; undefined when the surround has none with this id. */
export function standingOf(surround: Surround, id: string): Standing | undefined {
  for (const standing of standings(surround)) if (standing.piece.id === id) return standing
  return undefined
}

export function menuOf({ menus }: Pick<Surround, 'menus'>, id: string): Menu | undefined {
  return menus.find((menu) => menu.id === id)
}

/** What the menus are called that follow the page a visitor is on. */
export function sectionMenuNames({ menus }: Pick<Surround, 'menus'>): Set<string> {
  return new Set(
    menus.flatMap((menu) => (menu.kind === 'plan' && menu.from.at === 'section' ? [menu.name] : [])),
  )
}

/** The rows of a place: each begins with a piece that does not stand beside the one before it. */
export function rowsOf(pieces: readonly Piece[]): readonly (readonly Piece[])[] {
  const rows: Piece[][] = []
  for (const piece of pieces) {
    if (piece.beside && rows.length > 0) rows.at(-1)!.push(piece)
    else rows.push([piece])
  }
  return rows
}

/** The files of the site that pieces show, and the style sheets and scripts of all pages. */
export function filesOfSurround(surround: Surround): readonly EntryId[] {
  const { styles, scripts } = surround.headFiles
  return [
    ...[...standings(surround)].flatMap(({ piece }) => modelOf(piece.kind).files(piece)),
    ...[...styles, ...scripts].flatMap((one) => (one.from === 'site' ? [one.file] : [])),
  ]
}

/** Every list of links that the author picked: of menus and of pieces, with what it is called. */
export function pickedLinksOf(surround: Surround): readonly PickedList[] {
  const ofMenus = surround.menus.flatMap((menu) =>
    menu.kind === 'picked' ? [{ label: `Menu “${menu.name}”`, links: menu.links }] : [],
  )
  const ofPieces = [...standings(surround)].flatMap(({ piece }) => modelOf(piece.kind).pickedLists(piece))
  return [...ofMenus, ...ofPieces]
}

/** How many menus, lists and maps the HTML of a page may call: each may have a link to every page of the site. */
export const MOST_PARTS = 50

/** How many menus, lists and maps the HTML of a piece calls, at most. */
function partsCalledIn(piece: Piece): number {
  return piece.kind === 'html'
    ? (piece.html.match(/<put-(?:menu|breadcrumb|pager|pages|site-map)\b/gi)?.length ?? 0)
    : 0
}

/** What is wrong with a surround as a whole, in words; undefined when it is sound. */
export function surroundFault(surround: Surround): string | undefined {
  const pieceIds = [...standings(surround)].map(({ piece }) => piece.id)
  if (pieceIds.length > MAX_PIECES) return `A surround can have at most ${MAX_PIECES} pieces.`
  if (new Set(pieceIds).size < pieceIds.length) return 'Two pieces of the surround have the same id.'
  if (new Set(surround.menus.map(({ id }) => id)).size < surround.menus.length)
    return 'Two menus have the same id.'
  for (const { label, links } of pickedLinksOf(surround)) {
    if (new Set(links.map(({ id }) => id)).size < links.length) return `${label}: two links have the same id.`
  }
  const called = [...standings(surround)].reduce((sum, { piece }) => sum + partsCalledIn(piece), 0)
  if (called > MOST_PARTS)
    return `Custom HTML can insert at most ${MOST_PARTS} menus, lists and site maps on a page; this surround has ${called}.`
  if ([...standings(surround)].filter(({ piece }) => piece.kind === 'heading').length > 1)
    return 'A page has one first heading: the surround can hold one page heading only.'
  return undefined
}
