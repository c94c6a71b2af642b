import * as v from 'valibot'
import { lastOf } from '../../standard/present.ts'
import type { FileId } from '../ids.ts'
import { isSameData } from '../../standard/sameData.ts'
import { type Templates, templatesSchema } from './templates.ts'
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

/** The rules by which pages are put together of pieces. */
const piecesRuleSchemas = {
  here: hereRuleSchema,
  breadcrumb: breadcrumbRuleSchema,
  look: lookSchema,
  headFiles: headFilesSchema,
} as const

/** The rules of both kinds of surround. */
const commonRuleSchemas = {
  order: orderRuleSchema,
  /** The author's own, in place of those of the language. */
  words: ownWordsSchema,
} as const

/** The parts of the surround that are set whole, each by its name. */
export const surroundRuleSchemas = {
  ...piecesRuleSchemas,
  ...commonRuleSchemas,
  /** The author's own HTML, in place of pieces; null for these. */
  templates: v.nullable(templatesSchema),
} as const
export type SurroundRule = keyof typeof surroundRuleSchemas
/** A rule with what it is. */
export type SurroundRuleValue = {
  readonly [Rule in SurroundRule]: {
    readonly field: Rule
    readonly value: v.InferOutput<(typeof surroundRuleSchemas)[Rule]>
  }
}[SurroundRule]

const NO_PIECES = { header: [], side: [], before: [], after: [], footer: [] }

const PIECES_RULES: {
  readonly [Rule in keyof typeof piecesRuleSchemas]: v.InferOutput<(typeof piecesRuleSchemas)[Rule]>
} = {
  here: { form: 'link', here: 'here', within: 'within', marksSections: true, bodyId: false },
  breadcrumb: { from: 1, separator: 'chevron', showsPage: true, data: false },
  look: DEFAULT_LOOK,
  headFiles: { ourStyles: true, ourScript: true, styles: [], scripts: [] },
}
const COMMON_RULES: {
  readonly [Rule in keyof typeof commonRuleSchemas]: v.InferOutput<(typeof commonRuleSchemas)[Rule]>
} = {
  order: { scope: 'site', series: [] },
  words: {},
}

const piecesEntries = {
  /** The pieces of every place, in their order. */
  places: v.strictObject({ header: pieces, side: pieces, before: pieces, after: pieces, footer: pieces }),
  here: v.optional(hereRuleSchema, PIECES_RULES.here),
  breadcrumb: v.optional(breadcrumbRuleSchema, PIECES_RULES.breadcrumb),
  look: v.optional(lookSchema, PIECES_RULES.look),
  headFiles: v.optional(headFilesSchema, PIECES_RULES.headFiles),
}
const piecesSchema = v.strictObject(piecesEntries)
/** Pieces with the rules by which pages are put together of them. */
export type Pieces = v.InferOutput<typeof piecesSchema>
export type Places = Pieces['places']

/** No pieces, by the rules that a site starts with. */
export const EMPTY_PIECES: Pieces = { places: NO_PIECES, ...PIECES_RULES }

const commonEntries = {
  menus: v.optional(
    v.pipe(v.array(menuSchema), v.maxLength(MAX_MENUS, `must hold at most ${MAX_MENUS} menus`)),
    [],
  ),
  order: v.optional(orderRuleSchema, COMMON_RULES.order),
  words: v.optional(ownWordsSchema, COMMON_RULES.words),
}

const piecesSurroundSchema = v.strictObject({
  kind: v.literal('pieces'),
  ...commonEntries,
  ...piecesEntries,
})
const templatesSurroundSchema = v.pipe(
  v.strictObject({
    kind: v.literal('templates'),
    ...commonEntries,
    templates: templatesSchema,
    /** The pieces in whose place the templates are; left out where there are none. */
    replaced: v.exactOptional(piecesSchema),
  }),
  // There is one way to say that there are none, so that a change and its inverse give the same site.
  v.transform(({ replaced, ...rest }) => ({ ...rest, ...keptPieces(replaced ?? EMPTY_PIECES) })),
)

/** Everything around the main content, decided once for all pages. */
export const surroundSchema = v.variant('kind', [piecesSurroundSchema, templatesSurroundSchema])
export type PiecesSurround = v.InferOutput<typeof piecesSurroundSchema>
export type TemplatesSurround = v.InferOutput<typeof templatesSurroundSchema>
export type Surround = PiecesSurround | TemplatesSurround

/** What a surround of templates keeps of the pieces in whose place they are. */
function keptPieces(replaced: Pieces): { replaced?: Pieces } {
  return isSameData(replaced, EMPTY_PIECES) ? {} : { replaced }
}

/** The templates that pages are written from; undefined where they are put together of pieces. */
export const templatesOf = (surround: Surround): Templates | undefined =>
  surround.kind === 'templates' ? surround.templates : undefined

/** What pages are put together of; where they are written from templates, what would be in their place. */
export function piecesOf(surround: Surround): Pieces {
  if (surround.kind === 'templates') return surround.replaced ?? EMPTY_PIECES
  const { places, here, breadcrumb, look, headFiles } = surround
  return { places, here, breadcrumb, look, headFiles }
}

/** The same surround with other pieces, shown or kept. */
export function withPieces(surround: Surround, changed: Partial<Pieces>): Surround {
  if (surround.kind === 'pieces') return { ...surround, ...changed }
  const { replaced, ...rest } = surround
  return { ...rest, ...keptPieces({ ...(replaced ?? EMPTY_PIECES), ...changed }) }
}

/** The same surround written from templates, in place of its pieces. */
export function withTemplates(surround: Surround, templates: Templates): TemplatesSurround {
  const { menus, order, words } = surround
  return { kind: 'templates', menus, order, words, templates, ...keptPieces(piecesOf(surround)) }
}

/** The same surround put together of the pieces that it keeps. */
export function withoutTemplates(surround: Surround): PiecesSurround {
  const { menus, order, words } = surround
  return { kind: 'pieces', menus, order, words, ...piecesOf(surround) }
}

/** A part of a surround that is set whole; null where it has no templates. */
export function ruleOf(surround: Surround, rule: SurroundRule): unknown {
  switch (rule) {
    case 'here':
    case 'breadcrumb':
    case 'look':
    case 'headFiles':
      return piecesOf(surround)[rule]
    case 'order':
    case 'words':
      return surround[rule]
    case 'templates':
      return templatesOf(surround) ?? null
  }
}

/** The same surround with another rule. */
export function withRule(surround: Surround, rule: SurroundRuleValue): Surround {
  switch (rule.field) {
    case 'here':
    case 'breadcrumb':
    case 'look':
    case 'headFiles':
      return withPieces(surround, { [rule.field]: rule.value })
    case 'order':
    case 'words':
      return { ...surround, [rule.field]: rule.value }
    case 'templates':
      return rule.value === null ? withoutTemplates(surround) : withTemplates(surround, rule.value)
  }
}

/** A surround with nothing in it. */
export const EMPTY_SURROUND: PiecesSurround = {
  kind: 'pieces',
  menus: [],
  ...COMMON_RULES,
  ...EMPTY_PIECES,
}

/** What a new site starts with: brand and main menu, breadcrumb, pager. */
export const STANDARD_SURROUND: PiecesSurround = {
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

/** Every piece of these places. */
export function* standings({ places }: Pick<Pieces, 'places'>): Generator<Standing> {
  for (const place of PLACES) for (const [at, piece] of places[place].entries()) yield { piece, place, at }
}

/** Every piece that a surround has, shown or kept. */
export const allPieces = (surround: Surround): Generator<Standing> => standings(piecesOf(surround))

/** The pieces that pages show: none where they are made of templates. */
export function* piecesShown(surround: Surround): Generator<Standing> {
  if (surround.kind === 'pieces') yield* standings(surround)
}

/** Looks a piece up; undefined when the surround has none with this id. */
export function standingOf(surround: Surround, id: string): Standing | undefined {
  for (const standing of allPieces(surround)) if (standing.piece.id === id) return standing
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
    if (piece.beside && rows.length > 0) lastOf(rows).push(piece)
    else rows.push([piece])
  }
  return rows
}

/** The files of the site that pieces show, and the style sheets and scripts of all pages. */
export function filesOfSurround(surround: Surround): readonly FileId[] {
  const { styles, scripts } = piecesOf(surround).headFiles
  return [
    ...[...allPieces(surround)].flatMap(({ piece }) => modelOf(piece.kind).files(piece)),
    ...[...styles, ...scripts].flatMap((one) => (one.from === 'site' ? [one.file] : [])),
  ]
}

/** Every list of links that the author picked: of menus and of pieces, with what it is called. @param pieces whose lists are meant */
export function pickedLinksOf(
  surround: Surround,
  pieces: Iterable<Standing> = allPieces(surround),
): readonly PickedList[] {
  const ofMenus = surround.menus.flatMap((menu) =>
    menu.kind === 'picked' ? [{ label: `Menu “${menu.name}”`, links: menu.links }] : [],
  )
  const ofPieces = [...pieces].flatMap(({ piece }) => modelOf(piece.kind).pickedLists(piece))
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
  const pieceIds = [...allPieces(surround)].map(({ piece }) => piece.id)
  if (pieceIds.length > MAX_PIECES) return `A surround can have at most ${MAX_PIECES} pieces.`
  if (new Set(pieceIds).size < pieceIds.length) return 'Two pieces of the surround have the same id.'
  if (new Set(surround.menus.map(({ id }) => id)).size < surround.menus.length)
    return 'Two menus have the same id.'
  for (const { label, links } of pickedLinksOf(surround)) {
    if (new Set(links.map(({ id }) => id)).size < links.length) return `${label}: two links have the same id.`
  }
  const called = [...allPieces(surround)].reduce((sum, { piece }) => sum + partsCalledIn(piece), 0)
  if (called > MOST_PARTS)
    return `Custom HTML can insert at most ${MOST_PARTS} menus, lists and site maps on a page; this surround has ${called}.`
  if ([...allPieces(surround)].filter(({ piece }) => piece.kind === 'heading').length > 1)
    return 'A page has one first heading: the surround can hold one page heading only.'
  return undefined
}
