import { addressesOf } from '../address/addresses.ts'
import { folderOf } from '../address/relative.ts'
import { hereMark, itemParents, mainMenu } from '../navigate/menu.ts'
import { neighboursIn, readingOrder } from '../navigate/readingOrder.ts'
import type { EntryId } from '../plan/entry.ts'
import { entryOf } from '../plan/plan.ts'
import type { Site } from '../plan/site.ts'
import { renderBrand } from './brand.ts'
import { renderBreadcrumb } from './breadcrumb.ts'
import { escapeAttribute } from './escape.ts'
import { renderFooter } from './footer.ts'
import { renderHead } from './head.ts'
import { type Links, linksFrom } from './links.ts'
import { renderBanner, renderMain } from './main.ts'
import { type FolderMenu, menuForFolder } from './menu.ts'
import { renderPager } from './pager.ts'
import { WORDS } from './words.ts'

/** Writes the pages of one site. */
export interface Renderer {
  /** A page as HTML. @throws when the id is not that of a page. */
  page(id: EntryId): string
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

  return {
    page(id) {
      const page = entryOf(plan, id)
      if (page.kind !== 'page') throw new Error(`${id} is a ${page.kind}, not a page`)
      const path = paths.get(id)!
      const { links, brand, menu: folderMenu } = folderAt(folderOf(path))
      const order = neighbours(id)
      return (
        `<!doctype html>\n<html lang="${language}">\n  <head>\n` +
        renderHead(site, page, path, order, links) +
        `  </head>\n  <body>\n    <a class="skip-link" href="#main">${WORDS.skip}</a>\n` +
        '    <header class="site-header">\n' +
        brand +
        folderMenu.render(hereMark(plan, parentsInMenu, id)) +
        renderBanner(page, links) +
        '    </header>\n' +
        renderBreadcrumb(site, page, links) +
        renderMain(page, links) +
        renderPager(site, order, links) +
        footer +
        '  </body>\n</html>\n'
      )
    },
  }
}
