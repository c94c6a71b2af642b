import * as v from 'valibot'
import { isWebAddress } from '../../standard/target.ts'
import { filledLine } from '../../standard/text.ts'
import { entryIdSchema, fileIdSchema } from '../ids.ts'

const flag = v.boolean('must be true or false')

/** A name for `class`, as CSS can select it without escapes. */
const className = v.pipe(
  v.string('must be text'),
  v.regex(
    /^[a-zA-Z][a-zA-Z0-9_-]{0,49}$/,
    'must be one class name: letters, digits, - and _, a letter first',
  ),
)

/** How menus show where a visitor is. */
export const hereRuleSchema = v.pipe(
  v.strictObject({
    /** Whether the item of the current page stays a link or becomes plain text. */
    form: v.picklist(['link', 'text'], 'must be link or text'),
    here: className,
    within: className,
    /** Whether the items above the marked one carry the class of sections too. */
    marksSections: flag,
    /** Whether the body element carries an id of the page, so that a style sheet can tell pages apart. */
    bodyId: flag,
  }),
  v.check(({ here, within }) => here !== within, 'must have two different class names'),
)
export type HereRule = v.InferOutput<typeof hereRuleSchema>

export const BREADCRUMB_SEPARATORS = ['chevron', 'slash', 'arrow', 'dot'] as const

export const breadcrumbRuleSchema = v.strictObject({
  /** The first level below the home page whose pages have one. */
  from: v.picklist([1, 2], 'must be 1 or 2'),
  separator: v.picklist(BREADCRUMB_SEPARATORS, `must be ${BREADCRUMB_SEPARATORS.join(', ')}`),
  /** Whether the page itself ends it. */
  showsPage: flag,
  /** Whether the head carries it as a schema.org BreadcrumbList. */
  data: flag,
})
export type BreadcrumbRule = v.InferOutput<typeof breadcrumbRuleSchema>

export const ORDER_SCOPES = ['site', 'section', 'series'] as const

/** Within what previous and next lead: the whole site, each top-level section for itself, or picked sections alone. */
export const orderRuleSchema = v.strictObject({
  scope: v.picklist(ORDER_SCOPES, 'must be site, section or series'),
  /** The sections that are read as series, where the scope says so. */
  series: v.pipe(v.array(entryIdSchema), v.maxLength(500, 'must name at most 500 sections')),
})
export type OrderRule = v.InferOutput<typeof orderRuleSchema>

/** A style sheet or script that every page names: a file of the site, or one that is fetched from elsewhere. */
const headFileSchema = v.variant('from', [
  v.strictObject({ from: v.literal('site'), file: fileIdSchema }),
  v.strictObject({
    from: v.literal('elsewhere'),
    url: v.pipe(
      filledLine(2000),
      v.check(isWebAddress, 'must be an address that starts with http: or https:'),
    ),
  }),
])
export type HeadFile = v.InferOutput<typeof headFileSchema>

const headFileList = v.pipe(v.array(headFileSchema), v.maxLength(50, 'must name at most 50 files'))

/** The style sheets and scripts of all pages. The author's own come after ours, in their order. */
export const headFilesSchema = v.strictObject({
  /** Whether the style sheet made from the look is one of them. */
  ourStyles: flag,
  /** Whether the script is one of them that opens submenus and folds menus. */
  ourScript: flag,
  styles: headFileList,
  scripts: headFileList,
})
export type HeadFiles = v.InferOutput<typeof headFilesSchema>
