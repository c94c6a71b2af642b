import type { MenuId, TemplateId } from '../ids.ts'
import * as v from 'valibot'
import { recordOf } from '../../standard/record.ts'

/**
 * A surround of the author's own HTML: templates, patterns for what is computed in them, and what each page keeps that no
 * rule explains. All of it is plain data.
 */

/** How an author writes where a link leads. */
export const STARTS = ['relative', 'dot', 'root', 'absolute'] as const
export const INDEXES = ['named', 'folder', 'bare'] as const

/** As it is, or as a character reference. https://html.spec.whatwg.org/multipage/syntax.html#character-references */
export const CHARACTERS = ['plain', 'named', 'decimal', 'hexadecimal'] as const

/**
 * Text of an author's page: any character that a page can hold. No page holds NUL, and no half of a character can be
 * encoded. https://html.spec.whatwg.org/multipage/parsing.html#parse-error-unexpected-null-character
 */
const source = v.pipe(
  v.string('must be text'),
  v.check(
    (text) => text.isWellFormed() && !text.includes('\0'),
    'must not contain NUL or halves of characters',
  ),
)

const templateId = source as v.GenericSchema<string, TemplateId>

/** How many menus, breadcrumbs and pagers a template may have: each may have a link to every page of the site. */
export const MOST_COMPUTED_PARTS = 100
const isComputedPart = ({ kind }: { kind: string }) =>
  kind === 'menu' || kind === 'breadcrumb' || kind === 'pager'

const spellingEntries = {
  /** What the reference begins with: the way from the page, the same with `./`, the root of the host, the base URL. */
  start: v.picklist(STARTS),
  /** Whether the index file of a folder is named, or its folder alone, with or without a slash. */
  index: v.picklist(INDEXES),
  /** Whether signs are written as they are, and not percent-encoded. */
  isPlain: v.optional(v.boolean(), false),
}
const spellingSchema = v.strictObject(spellingEntries)
export type Spelling = v.InferOutput<typeof spellingSchema>

/** A reference in the author's HTML that follows its target. */
const addressSchema = v.strictObject({
  /** An entry, a file, or a part that pages put in: the file that it stands in. */
  to: v.picklist(['entry', 'site-file', 'included']),
  id: source,
  /** What stands after the path, as written: `?x&amp;y#z`. */
  tail: v.optional(source, ''),
  /** Whether it is a part of a value, as in a style or a list of pictures: what would end it there is encoded. */
  isPart: v.exactOptional(v.literal(true)),
  ...spellingEntries,
})
export type Address = v.InferOutput<typeof addressSchema>

/** Whose label or address stands in a pattern: that of the item, or of a neighbour. */
const WHOSE = ['item', 'previous', 'next', 'up'] as const
const holeSchema = v.strictObject({
  hole: v.picklist(['label', 'title', 'href']),
  of: v.optional(v.picklist(WHOSE), 'item'),
})
export type PatternHole = v.InferOutput<typeof holeSchema>

const bitSchema = v.union([source, addressSchema, holeSchema])
/** A text of the author's with what is computed in it. */
const bitsSchema = v.pipe(v.array(bitSchema), v.readonly())
export type Bit = v.InferOutput<typeof bitSchema>
export type Bits = v.InferOutput<typeof bitsSchema>

/** How an item is written: all before the first of the items under it, and all after the last. */
const formSchema = v.strictObject({ head: bitsSchema, tail: v.optional(source, '') })
export type ItemForm = v.InferOutput<typeof formSchema>

const menuPatternSchema = v.strictObject({
  id: source,
  /** The menu of the surround whose items it writes. */
  menu: source as v.GenericSchema<string, MenuId>,
  /** Whether a section menu has its section on top of its pages, or in one line with them. */
  shape: v.optional(v.picklist(['stack', 'row']), 'stack'),
  before: bitsSchema,
  after: bitsSchema,
  /** Of each level, from the first: what stands between its items. */
  between: v.array(source),
  /** By level, state and kind: see `formKey`. */
  forms: recordOf(formSchema),
  /** Of items that are written otherwise than the forms say, by item and state. */
  own: v.optional(recordOf(recordOf(formSchema)), {}),
  spelling: spellingSchema,
})
export type MenuPattern = v.InferOutput<typeof menuPatternSchema>

const trailPatternSchema = v.strictObject({
  id: source,
  before: bitsSchema,
  between: source,
  after: bitsSchema,
  link: bitsSchema,
  group: v.nullable(bitsSchema),
  /** How the page itself ends it; null where it does not. */
  self: v.nullable(bitsSchema),
  /** Whether the home page has one, too: of itself alone. */
  isOnHome: v.boolean(),
  spelling: spellingSchema,
})
export type TrailPattern = v.InferOutput<typeof trailPatternSchema>

const pagerPatternSchema = v.strictObject({
  id: source,
  before: bitsSchema,
  between: source,
  after: bitsSchema,
  /** How each link is written. */
  links: v.strictObject({
    previous: v.nullable(bitsSchema),
    next: v.nullable(bitsSchema),
    up: v.nullable(bitsSchema),
  }),
  order: v.array(v.picklist(['previous', 'next', 'up'])),
  /** Whole, where only some of the links are there: by their names. */
  forms: v.optional(recordOf(bitsSchema), {}),
  spelling: spellingSchema,
})
export type PagerPattern = v.InferOutput<typeof pagerPatternSchema>

/** Where a part of a template stands on its pages. */
const WHERE = ['head', 'header', 'footer'] as const
const where = v.optional(v.picklist(WHERE), 'header')

/** The same on all pages, but for where its references start. */
const textPartSchema = v.strictObject({ kind: v.literal('text'), where, bits: bitsSchema })
const menuPartSchema = v.strictObject({ kind: v.literal('menu'), pattern: source })

const partSchema = v.variant('kind', [
  textPartSchema,
  /** In code of a server between quotes, where it says of which kind. */
  v.strictObject({ kind: v.literal('title'), quote: v.optional(v.picklist(['"', "'"])) }),
  v.strictObject({ kind: v.literal('description') }),
  v.strictObject({ kind: v.literal('heading') }),
  v.strictObject({ kind: v.literal('content') }),
  menuPartSchema,
  v.strictObject({ kind: v.literal('breadcrumb'), pattern: source }),
  v.strictObject({ kind: v.literal('pager'), pattern: source }),
  /** What no rule explains: each page has its own, and a new one takes the commonest. */
  v.strictObject({
    kind: v.literal('own'),
    where,
    name: v.picklist(['page name', 'banner', 'head', 'own']),
    usual: bitsSchema,
  }),
])
export type TemplatePart = v.InferOutput<typeof partSchema>
export type Where = (typeof WHERE)[number]

const templateSchema = v.strictObject({
  id: templateId,
  name: source,
  parts: v.pipe(
    v.array(partSchema),
    v.check(
      (parts) => parts.filter(isComputedPart).length <= MOST_COMPUTED_PARTS,
      `must have at most ${MOST_COMPUTED_PARTS} menus, breadcrumbs and previous/next links`,
    ),
    v.check(
      (parts) => parts.filter(({ kind }) => kind === 'content').length <= 1,
      'must have one content at most',
    ),
  ),
})
export type Template = v.InferOutput<typeof templateSchema>

/** What stands on one page in the place of some parts of its template. */
const overrideSchema = v.strictObject({
  /** The first part that it stands for, and the first after it; the same where it stands between two. */
  from: v.number(),
  to: v.number(),
  bits: bitsSchema,
  /**
   * The mark of what the parts would be: once they would be something else, the page follows. Without it the page keeps
   * this until its author decides.
   */
  over: v.optional(source),
})
export type Override = v.InferOutput<typeof overrideSchema>

const encoding = v.optional(v.strictObject({ name: source, hasMark: v.boolean() }), {
  name: 'utf-8',
  hasMark: false,
})
/** In their order; none overlaps another. */
const overrides = v.optional(v.array(overrideSchema), [])

/**
 * A part that pages put in from a file of its own (PHP, SSI). It is the same for all of them, so nothing in it can be marked
 * but by code of the author's.
 */
const includedSchema = v.strictObject({
  /** The file of the site that it stands in. */
  file: source,
  /** The bytes of that file: where it has others by now, its author has put another in its place, which is given out. */
  content: source,
  /** The page that puts it in whose folder its references start from. */
  from: source,
  encoding,
  parts: v.array(v.variant('kind', [textPartSchema, menuPartSchema])),
  overrides,
})
export type Included = v.InferOutput<typeof includedSchema>
export type IncludedPart = Included['parts'][number]

export const makingSchema = v.strictObject({
  template: templateId,
  encoding,
  overrides,
  /** How the references of its content are written, by the pointer, where otherwise than most of the site. */
  spelt: v.optional(recordOf(spellingSchema), {}),
})
/** How one page is made. */
export type PageMaking = v.InferOutput<typeof makingSchema>

export const templatesSchema = v.strictObject({
  templates: v.pipe(v.array(templateSchema), v.minLength(1)),
  menus: v.array(menuPatternSchema),
  breadcrumbs: v.array(trailPatternSchema),
  pagers: v.array(pagerPatternSchema),
  /** By the id of the page. */
  pages: recordOf(makingSchema),
  /** Parts that pages put in from files of their own. */
  included: v.optional(v.array(includedSchema), []),
  /** How most references of the site are written. */
  spelling: spellingSchema,
  /** What references from the root of the host begin with, `/` at both ends. */
  root: v.optional(source, '/'),
  /** How letters beyond ASCII are written in texts, and all other signs beyond it. */
  letters: v.optional(v.picklist(CHARACTERS), 'plain'),
  signs: v.optional(v.picklist(CHARACTERS), 'plain'),
  /** Texts that are written in yet another way, as they stand between tags: a line break, a lone `&`. */
  texts: v.optional(recordOf(source), {}),
})
export type Templates = v.InferOutput<typeof templatesSchema>

/** How an item stands to the page that it is on. */
export type ItemState = 'plain' | 'here' | 'within'
/** What an item is: leads to a page or file of the site, elsewhere, nowhere; `+` where items stand under it. */
export type ItemKind = 'page' | 'away' | 'group' | 'page+' | 'away+' | 'group+'

/** The form of items of a level, in a state, of a kind. */
export const formKey = (level: number, state: ItemState, kind: ItemKind): string =>
  `${level} ${state} ${kind}`

/** The same templates where the bytes of files are kept under other keys. @param keys by the keys until now */
export const withContentKeys = (templates: Templates, keys: ReadonlyMap<string, string>): Templates => ({
  ...templates,
  included: templates.included.map((one) => ({ ...one, content: keys.get(one.content) ?? one.content })),
})
