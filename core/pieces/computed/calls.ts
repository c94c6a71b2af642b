import { documentTitle } from '../../navigate/title.ts'
import type { PiecesSite, Site } from '../../plan/site.ts'
import { shapeNamed } from '../../plan/surround/menuShape.ts'
import type { Call } from '../../render/authorHtml.ts'
import { escapeText } from '../../standard/escape.ts'
import type { Around, Prepared } from '../around.ts'
import { breadcrumbLinks, prepareBreadcrumb } from '../breadcrumb/output.ts'
import { prepareMenu } from '../menu/folderMenu.ts'
import { menuLinks } from '../menu/output.ts'
import { pagerLinks, preparePager } from '../pager/output.ts'
import type { LinksOnPage, ShownMenu } from '../pieceOutput.ts'
import { pageListLinks, preparePageList } from './pageList.ts'

/** The menu that a computed part names; undefined where there is none of this name. */
export function menuCalled({ surround }: Site, attributes: Call['attributes']): ShownMenu | undefined {
  const menu = surround.menus.find(({ name }) => name === attributes['menu'])
  return menu && { menu, shape: shapeNamed(attributes['shape']) }
}

/** A computed part that an author's HTML calls; nothing where it names a menu that is not there. */
export function prepareCall({ element, attributes }: Call, around: Around): Prepared {
  switch (element) {
    case 'put-menu': {
      const shown = menuCalled(around.site, attributes)
      if (!shown) return ''
      const prepared = prepareMenu({ ...shown, folds: 'folds' in attributes }, around)
      return ({ page }) => prepared.render(page.id)
    }
    case 'put-breadcrumb':
      return prepareBreadcrumb(around)
    case 'put-pager':
      return preparePager({ shows: 'both', up: 'up' in attributes }, around)
    case 'put-pages':
    case 'put-site-map':
      return preparePageList(element, attributes, around)
    case 'put-title':
      return ({ page }) =>
        escapeText(attributes['of'] === 'window' ? documentTitle(around.site, page) : page.title)
    case 'put-year':
      return String(around.year)
  }
}

/** The links that a computed part writes on a page. */
export function callLinks(site: PiecesSite, { element, attributes }: Call): LinksOnPage {
  switch (element) {
    case 'put-breadcrumb':
      return breadcrumbLinks(site)
    case 'put-pager':
      return pagerLinks(site, 'up' in attributes)
    case 'put-menu': {
      const shown = menuCalled(site, attributes)
      return shown ? menuLinks(site, shown) : () => []
    }
    case 'put-pages':
    case 'put-site-map':
      return pageListLinks(site, element, attributes)
    case 'put-title':
    case 'put-year':
      return () => []
  }
}
