import * as v from 'valibot'
import { fileNameFault } from '../standard/fileName.ts'
import { isAllowedTarget } from '../standard/target.ts'
import { fragmentFault } from '../standard/fragment.ts'
import { dayOrNoneSchema, daySchema } from '../standard/date.ts'
import { entryIdSchema, fileIdSchema } from './ids.ts'
import { recordOf } from '../standard/record.ts'
import { sitePathSchema } from '../standard/sitePath.ts'
import { filledLine, line, lines } from '../standard/text.ts'

export const STATES = ['planned', 'draft', 'ready'] as const
export type PageState = (typeof STATES)[number]

/** A picture of the site and what it says to those who do not see it. */
export const pictureSchema = v.strictObject({ file: fileIdSchema, alt: v.optional(line(300), '') })
export type Picture = v.InferOutput<typeof pictureSchema>

/** What a page shows large at its top: a picture, and words on it. */
export const bannerSchema = v.strictObject({ ...pictureSchema.entries, text: v.optional(line(300), '') })
export type Banner = v.InferOutput<typeof bannerSchema>

const fileNameSchema = v.pipe(
  line(200),
  v.rawCheck(({ dataset, addIssue }) => {
    const fault = dataset.typed && dataset.value !== '' && fileNameFault(dataset.value)
    if (fault) addIssue({ message: fault })
  }),
)

/** How long main content may be, in characters. */
export const MAX_CONTENT = 1_000_000

const bodySchema = v.pipe(
  v.strictObject({
    /** The author's own bytes; parsed only when a page is written. */
    html: v.optional(lines(MAX_CONTENT), ''),
    /** The day of the last change, `YYYY-MM-DD`, or empty. */
    changed: v.optional(dayOrNoneSchema, ''),
  }),
  v.rawCheck(({ dataset, addIssue }) => {
    const fault = dataset.typed && fragmentFault(dataset.value.html)
    if (fault) addIssue({ message: fault })
  }),
)
export type Body = v.InferOutput<typeof bodySchema>

/**
 * A page that was given out keeps its name, whatever its title becomes, and goes on answering where it was.
 */
const pinSchema = v.strictObject({
  /** Of its file, without folder, carried section or extension. */
  name: v.pipe(fileNameSchema, v.minLength(1, 'must not be empty')),
  /** Whether the author pinned it, and not a publication. */
  byHand: v.optional(v.literal(true, 'must be true')),
  /** The paths that it was given out at, the oldest first. */
  addresses: v.pipe(
    v.array(sitePathSchema),
    v.minLength(1, 'must hold at least one address'),
    v.maxLength(100, 'must hold at most 100 addresses'),
  ),
})

export type Pin = v.InferOutput<typeof pinSchema>

/** That somebody looked at a page as it came out then. */
const seenSchema = v.strictObject({
  on: daySchema,
  /** Of each part of the page, by its name: see core/seen. */
  marks: v.pipe(
    recordOf(v.pipe(v.string(), v.regex(/^[0-9a-f]{1,16}$/, 'must be a mark of a text'))),
    v.check((marks) => Object.keys(marks).length <= 30, 'must be at most 30 marks'),
    v.check(
      (marks) => Object.keys(marks).every((part) => v.is(line(40), part)),
      'must be under names of parts',
    ),
  ),
})
export type Seen = v.InferOutput<typeof seenSchema>

const toAddress = v.strictObject({
  to: v.literal('address'),
  url: v.pipe(
    filledLine(2000),
    v.check(isAllowedTarget, 'must be an address that starts with http:, https:, mailto: or tel:'),
  ),
})
const toEntry = v.strictObject({
  to: v.literal('entry'),
  entry: entryIdSchema,
  /** Without the `#`. */
  fragment: v.optional(line(200), ''),
})
const toFile = v.strictObject({ to: v.literal('file'), file: fileIdSchema })

/** The same, or empty where its author has not said yet where it leads. */
const toAddressOrNone = v.strictObject({
  to: v.literal('address'),
  url: v.pipe(
    line(2000),
    v.check(
      (url) => url === '' || isAllowedTarget(url),
      'must be an address that starts with http:, https:, mailto: or tel:',
    ),
  ),
})

/** Where a redirect can lead. */
export const redirectTargetSchema = v.variant('to', [toAddress, toEntry])
export type RedirectTarget = v.InferOutput<typeof redirectTargetSchema>

/** Where a link can lead: to an address, to another entry, to a file of the site. */
export const targetSchema = v.variant('to', [toAddressOrNone, toEntry, toFile])
export type LinkTarget = v.InferOutput<typeof targetSchema>

/** What each field of an entry may hold, whatever the kind. Empty text means "not set". */
export const fieldSchemas = {
  title: filledLine(300),
  label: line(200),
  fileName: fileNameSchema,
  heading: line(300),
  description: line(1000),
  banner: v.nullable(bannerSchema),
  /** The day that readers go by, of a news item or an episode: `YYYY-MM-DD`, or empty. */
  date: dayOrNoneSchema,
  note: lines(10_000),
  state: v.picklist(STATES, 'must be planned, draft or ready'),
  inMenu: v.boolean('must be true or false'),
  inOrder: v.boolean('must be true or false'),
  inSearch: v.boolean('must be true or false'),
  body: bodySchema,
  target: targetSchema,
  pin: v.nullable(pinSchema),
  seen: v.nullable(seenSchema),
} as const
export type EntryField = keyof typeof fieldSchemas

const id = entryIdSchema
const note = v.optional(fieldSchemas.note, '')
const inMenu = v.optional(fieldSchemas.inMenu, true)
const fileName = v.optional(fileNameSchema, '')
const requiredLabel = filledLine(200)

/** A page of the site: a file that a visitor can open. */
export const pageSchema = v.strictObject({
  id,
  kind: v.literal('page'),
  title: fieldSchemas.title,
  label: v.optional(fieldSchemas.label, ''),
  fileName,
  heading: v.optional(fieldSchemas.heading, ''),
  description: v.optional(fieldSchemas.description, ''),
  banner: v.optional(fieldSchemas.banner, null),
  date: v.optional(fieldSchemas.date, ''),
  note,
  state: v.optional(fieldSchemas.state, 'draft'),
  inMenu,
  inOrder: v.optional(fieldSchemas.inOrder, true),
  /** Whether search engines may list it. */
  inSearch: v.optional(fieldSchemas.inSearch, true),
  body: v.optional(bodySchema, { html: '', changed: '' }),
  pin: v.optional(fieldSchemas.pin, null),
  seen: v.optional(fieldSchemas.seen, null),
})
export type PageEntry = v.InferOutput<typeof pageSchema>

/** A label with pages under it but no page of its own. */
export const groupSchema = v.strictObject({
  id,
  kind: v.literal('group'),
  label: requiredLabel,
  fileName,
  note,
  inMenu,
})
export type GroupEntry = v.InferOutput<typeof groupSchema>

/** A place in the plan that leads elsewhere, or to another entry. */
export const linkSchema = v.strictObject({
  id,
  kind: v.literal('link'),
  label: requiredLabel,
  target: targetSchema,
  note,
  inMenu,
})
export type LinkEntry = v.InferOutput<typeof linkSchema>

export const entrySchema = v.variant('kind', [pageSchema, groupSchema, linkSchema])
export type Entry = PageEntry | GroupEntry | LinkEntry
export type EntryKind = Entry['kind']

/** The fields that an author can set on each kind of entry. */
export const FIELDS_OF_KIND: Readonly<Record<EntryKind, readonly EntryField[]>> = {
  page: [
    'title',
    'label',
    'fileName',
    'heading',
    'description',
    'banner',
    'date',
    'note',
    'state',
    'inMenu',
    'inOrder',
    'inSearch',
    'body',
    'pin',
    'seen',
  ],
  group: ['label', 'fileName', 'note', 'inMenu'],
  link: ['label', 'target', 'note', 'inMenu'],
}

/** The short name of an entry in menus, breadcrumbs and the pager: its label, else its title. */
export function labelOf(entry: Entry): string {
  return entry.kind === 'page' ? entry.label || entry.title : entry.label
}

/** Whether an entry is a page that the author has begun: draft or ready. */
export function isBegun(entry: Entry | undefined): entry is PageEntry {
  return entry?.kind === 'page' && entry.state !== 'planned'
}
