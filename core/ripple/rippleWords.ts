import type { PagePart } from '../page/parts.ts'
import type { PageRipple, Ripple } from './ripple.ts'

const some = (count: number, one: string, many: string) => `${count} ${count === 1 ? one : many}`

/** “the menus of 39 pages”, and after that “breadcrumbs of 6”. */
const PART_WORDS: readonly (readonly [PagePart, string])[] = [
  ['menu', 'menus'],
  ['here mark', 'here marks'],
  ['breadcrumb', 'breadcrumbs'],
  ['pager', 'previous and next'],
  ['title', 'titles'],
  ['heading', 'headings'],
  ['description', 'descriptions'],
  ['header', 'headers'],
  ['side', 'sides'],
  ['banner', 'banners'],
  ['footer', 'footers'],
  ['around the content', 'pieces around the content'],
  ['main content', 'main content'],
]

/** Pages that the change brings onto the site, takes off it, and puts at another address. */
export function movements({ pages }: Ripple): {
  readonly come: readonly PageRipple[]
  readonly gone: readonly PageRipple[]
  readonly moved: readonly PageRipple[]
} {
  return {
    come: pages.filter(({ before }) => before === undefined),
    gone: pages.filter(({ after }) => after === undefined),
    moved: pages.filter(
      ({ before, after }) => before !== undefined && after !== undefined && before !== after,
    ),
  }
}

/** What a change did over the whole site, in one line: “1 address, the menus of 39 pages, breadcrumbs of 6”. */
export function rippleWords(ripple: Ripple): string {
  const { come, gone, moved } = movements(ripple)
  const said: string[] = []
  if (come.length > 0) said.push(`${some(come.length, 'page', 'pages')} more`)
  if (gone.length > 0) said.push(`${some(gone.length, 'page', 'pages')} fewer`)
  if (moved.length > 0) said.push(some(moved.length, 'address', 'addresses'))
  let saidPages = false
  for (const [part, words] of PART_WORDS) {
    const count = ripple.pages.filter(({ parts }) => parts.includes(part)).length
    if (count === 0) continue
    said.push(saidPages ? `${words} of ${count}` : `the ${words} of ${some(count, 'page', 'pages')}`)
    saidPages = true
  }
  const links = ripple.pages.reduce((sum, { textLinks }) => sum + textLinks, 0)
  if (links > 0) said.push(`${some(links, 'link', 'links')} in text`)
  if (ripple.styles) said.push(said.length === 0 ? 'the style sheet of all pages' : 'the style sheet')
  const [included, ...more] = ripple.included
  if (included !== undefined)
    said.push(more.length === 0 ? `the shared part ${included}` : `${more.length + 1} shared parts`)
  if (ripple.files > 0) said.push(some(ripple.files, 'file', 'files'))
  if (said.length === 0)
    return ripple.pages.length === 0
      ? 'no page changes'
      : `the heads of ${some(ripple.pages.length, 'page', 'pages')}`
  return said.join(', ')
}
