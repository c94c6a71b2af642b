import { whereIs } from '../../navigate/leads.ts'
import { documentTitle } from '../../navigate/title.ts'
import { isWritten, type Site } from '../../plan/site.ts'
import { shapeNamed } from '../../plan/surround/menuShape.ts'
import type { PieceOf } from '../../plan/surround/piece.ts'
import { pointersIn } from '../../render/slots.ts'
import { escapeText } from '../../standard/escape.ts'
import type { Around, Prepared } from '../around.ts'
import { breadcrumbLinks, prepareBreadcrumb } from '../breadcrumb/output.ts'
import { prepareMenu } from '../menu/folderMenu.ts'
import { menuLinks } from '../menu/output.ts'
import { type Call, compileOwnHtml, renderOwnHtml } from './source.ts'
import { pagerLinks, preparePager } from '../pager/output.ts'
import type { LinksOnPage, PieceOutput, ShownMenu } from '../pieceOutput.ts'

/** The menu that a computed part names; undefined where there is none of this name. */
function menuCalled({ surround }: Site, attributes: Call['attributes']): ShownMenu | undefined {
  const menu = surround.menus.find(({ name }) => name === attributes['menu'])
  return menu && { menu, shape: shapeNamed(attributes['shape']) }
}

/** A computed part that own HTML calls; nothing where it names a menu that is not there. */
function prepareCall({ element, attributes }: Call, around: Around): Prepared {
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
    case 'put-title':
      return ({ page }) =>
        escapeText(attributes['of'] === 'window' ? documentTitle(around.site, page) : page.title)
    case 'put-year':
      return String(around.year)
  }
}

/** The author's own HTML, closed by itself, with its links written and computed parts put in. */
function prepareOwnHtml({ html }: PieceOf<'html'>, around: Around): Prepared {
  const { indent, links } = around
  const compiled = compileOwnHtml(html, indent.length)
  const { texts, between } = compiled
  if (between.length === 0) return texts[0] === '' ? '' : `${indent}${texts[0]}\n`
  const prepared = new Map<Call, Prepared>()
  for (const one of between) if ('element' in one) prepared.set(one, prepareCall(one, around))
  return (on) => {
    // A part begins where its element stood, on a line that is indented already.
    const html = renderOwnHtml(compiled, links, (call) => {
      const part = prepared.get(call)!
      return (typeof part === 'string' ? part : part(on)).trim()
    })
    return html.trim() === '' ? '' : `${indent}${html}\n`
  }
}

const callsIn = (html: string): readonly Call[] =>
  compileOwnHtml(html, 0).between.filter((one): one is Call => 'element' in one)

function callLinks(site: Site, { element, attributes }: Call): LinksOnPage {
  switch (element) {
    case 'put-breadcrumb':
      return breadcrumbLinks(site)
    case 'put-pager':
      return pagerLinks(site, 'up' in attributes)
    case 'put-menu': {
      const shown = menuCalled(site, attributes)
      return shown ? menuLinks(site, shown) : () => []
    }
    case 'put-title':
    case 'put-year':
      return () => []
  }
}

/** The links of own HTML: those to pages by id, those of computed parts, and all others as leaving the site. */
function linksOfOwnHtml(html: string, site: Site): LinksOnPage {
  const { texts, between } = compileOwnHtml(html, 0)
  const elsewhere = texts.flatMap((text) =>
    [...text.matchAll(/<a\b[^>]*\shref="(?!#)/g)].map(() => 'elsewhere' as const),
  )
  const pages = between.flatMap((one) =>
    'to' in one &&
    one.attribute === 'href' &&
    one.to === 'entry' &&
    isWritten(site, site.plan.entries.get(one.id))
      ? [one.id]
      : [],
  )
  const calls = callsIn(html).map((call) => callLinks(site, call))
  return (on) => [...elsewhere, ...pages, ...calls.flatMap((linksOn) => linksOn(on))]
}

export const htmlOutput: PieceOutput<PieceOf<'html'>> = {
  prepare: (piece, around) => ({ html: prepareOwnHtml(piece, around) }),
  links: ({ html }, site) => linksOfOwnHtml(html, site),
  menus: ({ html }, site) =>
    callsIn(html).flatMap(({ element, attributes }) =>
      element === 'put-menu' ? (menuCalled(site, attributes) ?? []) : [],
    ),
  fromPlan({ html }, site) {
    const slots = compileOwnHtml(html, 0).between.filter((one) => 'to' in one)
    return pointersIn(slots)
      .map(({ to, id }) => (to === 'entry' ? whereIs(site, id) : ''))
      .join()
  },
}
