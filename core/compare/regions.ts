import { type Element, elementsOf } from '../standard/fragment.ts'
import { linesOf, type ParsedPage, parsePage } from './parsedPage.ts'

/** Parts that are the page's own: between pages they may differ in anything, and be missing. */
const OWN = [
  'title',
  'description',
  'canonical',
  'link preview',
  'previous and next',
  'breadcrumb data',
  'body id',
  'section menu',
  'banner',
  'breadcrumb',
  'heading',
  'content',
  'pager',
] as const
/** Parts that are the same on all pages, but for marks and paths. */
type SharedRegion = 'head' | 'skip link' | 'header' | 'menu' | 'side' | 'around the content' | 'footer'

export type OwnRegion = (typeof OWN)[number]
/** A part of a finished page, told by reading it. */
export type Region = OwnRegion | SharedRegion

export const OWN_REGIONS: ReadonlySet<Region> = new Set(OWN)

/** A line of a page's source, and the part that it belongs to. */
export interface SourceLine {
  readonly text: string
  readonly region: Region
  /** From 1. */
  readonly at: number
}

const attribute = (element: Element, name: string) =>
  element.attrs.find((one) => one.name === name)?.value ?? ''
const hasClass = (element: Element, name: string) => attribute(element, 'class').split(/\s+/).includes(name)

function headRegion(element: Element): Region | undefined {
  const { tagName } = element
  if (tagName === 'title') return 'title'
  // What search engines are told of a page: what it is about, and of a stand-in that it is none.
  if (tagName === 'meta' && /^(description|robots)$/.test(attribute(element, 'name'))) return 'description'
  if (tagName === 'meta' && attribute(element, 'property').startsWith('og:')) return 'link preview'
  if (tagName === 'script' && attribute(element, 'type') === 'application/ld+json') return 'breadcrumb data'
  if (tagName !== 'link') return undefined
  const rel = attribute(element, 'rel')
  if (rel === 'canonical') return 'canonical'
  return rel === 'prev' || rel === 'next' ? 'previous and next' : undefined
}

/** A frame is there for what stands in it: where that is all the page's own, so is the frame. */
function frameRegion<Usual extends Region | undefined>(
  element: Element,
  usual: Usual,
  sectionMenus: ReadonlySet<string>,
): Region | Usual {
  const regions = element.childNodes.flatMap((node) =>
    'tagName' in node ? [bodyRegion(node, sectionMenus) ?? usual] : [],
  )
  const isOwn = regions.every((region) => region !== undefined && OWN_REGIONS.has(region))
  return isOwn ? (regions[0] ?? usual) : usual
}

/** Whether a label is one of some names; one that stands twice on a page has a number. */
const isNamed = (label: string, names: ReadonlySet<string>) =>
  names.has(label) || names.has(label.replace(/ \d+$/, ''))

/** What an element of the body is; undefined where it belongs to the part that it stands in. */
function bodyRegion(element: Element, sectionMenus: ReadonlySet<string>): Region | undefined {
  const { tagName } = element
  if (tagName === 'h1') return 'heading'
  if (tagName === 'main') return 'content'
  if (tagName === 'header' && hasClass(element, 'site-header'))
    return frameRegion(element, 'header', sectionMenus)
  if (tagName === 'footer' && hasClass(element, 'site-footer'))
    return frameRegion(element, 'footer', sectionMenus)
  if (hasClass(element, 'side') && (tagName === 'aside' || tagName === 'div'))
    return frameRegion(element, 'side', sectionMenus)
  if (tagName === 'nav' && hasClass(element, 'breadcrumb')) return 'breadcrumb'
  if (tagName === 'nav' && hasClass(element, 'pager')) return 'pager'
  if (tagName === 'nav' && hasClass(element, 'menu'))
    return isNamed(attribute(element, 'aria-label'), sectionMenus) ? 'section menu' : 'menu'
  if (hasClass(element, 'banner')) return 'banner'
  if (hasClass(element, 'row')) return frameRegion(element, undefined, sectionMenus)
  if (hasClass(element, 'skip-link')) return 'skip link'
  if (hasClass(element, 'before') || hasClass(element, 'after'))
    return frameRegion(element, 'around the content', sectionMenus)
  return undefined
}

/**
 * Tells the lines of a page's source apart by the part that they belong to: the innermost that begins or ends on the
 * line, or that the line stands in.
 * @param sectionMenus what the menus that follow the page are called
 * @param page the same, where it was parsed already
 */
export function sourceLines(
  html: string,
  sectionMenus: ReadonlySet<string>,
  page: ParsedPage = parsePage(html),
): SourceLine[] {
  const texts = html.replace(/\n$/, '').split('\n')
  const regions: Region[] = texts.map(() => 'head')
  // From the outside in, so that the innermost has the last word.
  for (const { element } of elementsOf(page)) {
    const { first, last } = linesOf(element)
    if (element.tagName === 'body') regions[first - 1] = 'body id'
    const region = headRegion(element) ?? bodyRegion(element, sectionMenus)
    if (region) regions.fill(region, first - 1, last)
  }
  return texts.map((text, line) => ({ text, region: regions[line]!, at: line + 1 }))
}
