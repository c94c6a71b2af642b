import { addressesOf } from '../address/addresses.ts'
import { folderOf } from '../address/relative.ts'
import { type HereMark, hereMark, itemParents, mainMenu } from '../navigate/menu.ts'
import { neighboursIn, readingOrder } from '../navigate/readingOrder.ts'
import type { EntryId } from '../plan/entry.ts'
import { entryOf } from '../plan/plan.ts'
import type { Site } from '../plan/site.ts'
import { renderBrand } from './brand.ts'
import { renderBreadcrumb } from './breadcrumb.ts'
import { escapeAttribute } from './escape.ts'
import { renderFooter } from './footer.ts'
import { type HeadParts, headParts, renderHead } from './head.ts'
import { type Links, linksFrom } from './links.ts'
import { renderBanner, renderContent, renderHeading, renderMain } from './main.ts'
import { type FolderMenu, menuForFolder, UNMARKED } from './menu.ts'
import { renderPager } from './pager.ts'
import { WORDS } from './words.ts'

/** A page in its parts, each as HTML. */
export interface PageParts extends HeadParts {
  readonly brand: string
  readonly menu: string
  readonly banner: string
  readonly breadcrumb: string
  readonly heading: string
  readonly content: string
  readonly pager: string
  readonly footer: string
}

/** Writes the pages of one site. */
export interface Renderer {
  /** A page as HTML. @throws when the id is not that of a page. */
  page(id: EntryId): string
  /** The same page in its parts. @throws when the id is not that of a page. */
  parts(id: EntryId): PageParts
  /** The links that stand on a page. */
  linksOn(id: EntryId): Links
  /** The menu of a page without its marks, and the marks. */
  markedMenu(id: EntryId): { readonly unmarked: string; readonly mark: HereMark }
}

/** What the pages of one folder share. */
interface Folder {
  readonly links: Links
  readonly brand: string
  readonly menu: FolderMenu
}

/** Enough for a walk through the plan to find the folders of all sections it is in; memory stays bounded. */
const MAX_FOLDERS = 64

/** Prepares what all pages of a site share, and gives back what writes each page. */
export function createRenderer(site: Site): Renderer {
  const { plan, settings } = site
  const { paths } = addressesOf(site)
  const neighbours = neighboursIn(readingOrder(plan))
  const menu = mainMenu(site)
  const parentsInMenu = itemParents(menu)
  const footer = renderFooter(site)
  const language = escapeAttribute(settings.language)
  const folders = new Map<string, Folder>()

  function folderAt(path: string): Folder {
    let folder = folders.get(path)
    if (!folder) {
      const links = linksFrom(site, path)
      folder = { links, brand: renderBrand(site, links), menu: menuForFolder(site, menu, links) }
      if (folders.size >= MAX_FOLDERS) folders.clear()
      folders.set(path, folder)
    }
    return folder
  }

  function parts(id: EntryId): PageParts {
    const page = entryOf(plan, id)
    if (page.kind !== 'page') throw new Error(`${id} is a ${page.kind}, not a page`)
    const path = paths.get(id)!
    const { links, brand, menu: folderMenu } = folderAt(folderOf(path))
    const order = neighbours(id)
    return {
      ...headParts(site, page, path, order, links),
      brand,
      menu: folderMenu.render(hereMark(plan, parentsInMenu, id)),
      banner: renderBanner(page, links),
      breadcrumb: renderBreadcrumb(site, page, links),
      heading: renderHeading(page),
      content: renderContent(page, links),
      pager: renderPager(site, order, links),
      footer,
    }
  }

  return {
    parts,
    page(id) {
      const page = parts(id)
      return (
        `<!doctype html>\n<html lang="${language}">\n  <head>\n` +
        renderHead(page) +
        `  </head>\n  <body>\n    <a class="skip-link" href="#main">${WORDS.skip}</a>\n` +
        '    <header class="site-header">\n' +
        page.brand +
        page.menu +
        page.banner +
        '    </header>\n' +
        page.breadcrumb +
        renderMain(page.heading, page.content) +
        page.pager +
        page.footer +
        '  </body>\n</html>\n'
      )
    },
    linksOn: (id) => folderAt(folderOf(paths.get(id)!)).links,
    markedMenu(id) {
      const { menu: folderMenu } = folderAt(folderOf(paths.get(id)!))
      return { unmarked: folderMenu.render(UNMARKED), mark: hereMark(plan, parentsInMenu, id) }
    },
  }
}
