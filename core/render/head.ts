import { absoluteUrl } from '../address/href.ts'
import { notFoundPage } from '../address/notFound.ts'
import type { Neighbours } from '../navigate/readingOrder.ts'
import { documentTitle } from '../navigate/title.ts'
import { isBegun, type PageEntry } from '../plan/entry.ts'
import type { PiecesSite, Site } from '../plan/site.ts'
import { breadcrumbData } from './breadcrumbData.ts'
import { escapeAttribute, escapeText } from '../standard/escape.ts'
import type { Links } from './links.ts'
import { sharingLines } from './sharing.ts'

/** The lines inside `head` that tell one page from another. */
export interface HeadParts {
  readonly title: string
  readonly description: string
  /** The canonical address, where the published one is known. */
  readonly canonical: string
  /** The page for programs that show a link to it. */
  readonly sharing: string
  /** Previous and next. */
  readonly order: string
  /** The breadcrumb as data for machines. */
  readonly data: string
  /** The links to style sheets and scripts. */
  readonly files: string
}

const FIRST =
  '    <meta charset="utf-8">\n' +
  '    <meta name="viewport" content="width=device-width, initial-scale=1">\n'

/**
 * Whether search engines may list a page. A stand-in is there for those who follow a link to it, and the 404 page for those
 * who follow a broken one: neither is for those who search.
 */
export function isForSearch(site: Site, page: PageEntry): boolean {
  return page.inSearch && isBegun(page) && notFoundPage(site) !== page.id
}

/** Works out the lines of a page's `head`. @param files the links to style sheets and scripts, as its folder has them */
export function headParts(
  site: PiecesSite,
  page: PageEntry,
  path: string,
  { previous, next }: Neighbours,
  links: Links,
  files: string,
): HeadParts {
  const { plan, settings } = site
  const line = (html: string | undefined | false) => (html ? `    ${html}\n` : '')
  const relation = (rel: string, to: string | undefined) => {
    const href = to === undefined ? undefined : links.toPage(to)
    return line(href !== undefined && `<link rel="${rel}" href="${href}">`)
  }
  return {
    title: line(`<title>${escapeText(documentTitle({ plan, settings }, page))}</title>`),
    description:
      line(
        page.description !== '' && `<meta name="description" content="${escapeAttribute(page.description)}">`,
      ) + line(!isForSearch(site, page) && '<meta name="robots" content="noindex">'),
    canonical: line(
      settings.baseUrl !== '' &&
        `<link rel="canonical" href="${escapeAttribute(absoluteUrl(settings, path))}">`,
    ),
    sharing: sharingLines(site, page, path),
    order: relation('prev', previous) + relation('next', next),
    data: breadcrumbData(site, page, links),
    files,
  }
}

/** The lines inside `head`, in the order in which a careful person would write them. */
export function renderHead({
  title,
  description,
  canonical,
  sharing,
  order,
  files,
  data,
}: HeadParts): string {
  return FIRST + title + description + canonical + sharing + order + files + data
}
