import { absoluteUrl } from '../address/href.ts'
import { notFoundPage } from '../address/notFound.ts'
import { bannerOf, type ShownBanner } from '../navigate/banner.ts'
import { documentTitle } from '../navigate/title.ts'
import { isBegun, type PageEntry, type Picture } from '../plan/entry.ts'
import { fileTypeOf } from '../plan/file.ts'
import { altOf, type Site } from '../plan/site.ts'
import { piecesShown, type Surround } from '../plan/surround/surround.ts'
import { escapeAttribute } from '../standard/escape.ts'

/** Pictures that the programs which show shared links can draw (common practice): no drawings, no icons. */
const DRAWN = new Set(['image/png', 'image/jpeg', 'image/gif', 'image/webp', 'image/avif'])

const NO_BANNER: ShownBanner = { picture: null, text: '' }
const siteBanners = new WeakMap<Surround, ShownBanner>()

/** The banner of all pages that have none of their own. */
function siteBanner(surround: Surround): ShownBanner {
  let banner = siteBanners.get(surround)
  if (!banner) {
    const piece = [...piecesShown(surround)].find((standing) => standing.piece.kind === 'banner')?.piece
    banner = piece?.kind === 'banner' ? piece : NO_BANNER
    siteBanners.set(surround, banner)
  }
  return banner
}

/** The picture that stands for a page: its banner, else the banner of its section or of the site, else the logo. */
function pictureOf(
  site: Site,
  page: PageEntry,
): { readonly picture: Picture; readonly path: string } | undefined {
  const { picture } = bannerOf(site.plan, siteBanner(site.surround), page.id)
  for (const one of [picture, site.settings.logo]) {
    const path = one ? site.files.get(one.file)?.path : undefined
    if (one && path !== undefined && DRAWN.has(fileTypeOf(path)?.media ?? '')) return { picture: one, path }
  }
  return undefined
}

/**
 * Returns the metadata of a page for programs that show a link to it, as property and content; empty where the site has no
 * base URL, since all addresses in them are absolute.
 * The Open Graph protocol: https://ogp.me/#metadata
 */
export function sharingOf(site: Site, page: PageEntry, path: string): readonly (readonly [string, string])[] {
  const { settings, plan } = site
  if (!settings.sharing || settings.baseUrl === '' || !isBegun(page) || notFoundPage(site) === page.id)
    return []
  const picture = pictureOf(site, page)
  const alt = picture ? altOf(site, picture.picture) : ''
  const all: (readonly [string, string])[] = [
    ['og:type', 'website'],
    ['og:title', page.id === plan.home ? documentTitle({ plan, settings }, page) : page.title],
    ['og:description', page.description],
    ['og:url', absoluteUrl(settings, path)],
    ['og:image', picture ? absoluteUrl(settings, picture.path) : ''],
    ['og:image:alt', alt],
    ['og:site_name', settings.name],
  ]
  return all.filter(([, content]) => content !== '')
}

/** The same as lines of `head`. */
export const sharingLines = (site: Site, page: PageEntry, path: string): string =>
  sharingOf(site, page, path)
    .map(([property, content]) => `    <meta property="${property}" content="${escapeAttribute(content)}">\n`)
    .join('')
