import { htmlFaults } from '../content/htmlFaults.ts'
import { shownLinks } from '../navigate/leads.ts'
import { itemsShown } from '../navigate/menu.ts'
import { walk } from '../plan/plan.ts'
import { altOf, isWritten, type Site } from '../plan/site.ts'
import type { PickedLink, Piece, PieceOf } from '../plan/surround/piece.ts'
import { menuOf, standingOf } from '../plan/surround/surround.ts'
import { elementsOf, parseMainContent } from '../standard/fragment.ts'

/** Longer labels do not fit beside others in a menu (common practice). */
const LONG_LABEL = 60

function linkDoubts(site: Site, links: readonly PickedLink[]): string[] {
  return links.flatMap((link) => {
    const { label } = link
    const [shown] = shownLinks(site, [link])
    const doubts = shown?.leads ? [] : [`“${shown?.label ?? label}” leads to what is not on the site.`]
    return label.length > LONG_LABEL
      ? [...doubts, `“${label.slice(0, 30)}…” has ${label.length} characters: too long for a menu.`]
      : doubts
  })
}

function menuDoubts(site: Site, { menu: id, shape }: PieceOf<'menu'>): string[] {
  const menu = menuOf(site.surround, id)
  if (!menu) return ['The menu that this piece shows is gone: choose another.']
  const doubts = menu.kind === 'picked' ? linkDoubts(site, menu.links) : []
  const pages = [...walk(site.plan)].filter(({ entry }) => isWritten(site, entry))
  const isEmpty = pages.every(({ entry }) => itemsShown(site, menu, shape, entry.id).length === 0)
  return isEmpty ? [...doubts, `The menu “${menu.name}” is empty on every page.`] : doubts
}

function htmlDoubts(site: Site, { html }: PieceOf<'html'>): string[] {
  const doubts = htmlFaults(html).map(({ line, what }) => `Line ${line}: ${what}.`)
  for (const { element } of elementsOf(parseMainContent(html, true))) {
    const line = element.sourceCodeLocation?.startLine ?? 1
    if (element.tagName === 'h1')
      doubts.push(`Line ${line}: each page has a heading of the first level already.`)
    const name = element.attrs.find((one) => one.name === 'menu')?.value
    if (element.tagName === 'put-menu' && !site.surround.menus.some((menu) => menu.name === name))
      doubts.push(`Line ${line}: there is no menu called “${name ?? ''}”.`)
  }
  return doubts
}

/** The skip link leads to the main content: a first heading that stands elsewhere is skipped with the rest. */
function headingDoubts({ surround }: Site, { id }: PieceOf<'heading'>): string[] {
  const place = standingOf(surround, id)?.place
  return place === 'header' || place === 'side' || place === 'footer'
    ? [
        'Those who skip to the content do not meet this heading: it stands outside. Put it before the content.',
      ]
    : []
}

/** What is doubtful about a piece, in words; the pages come out sound all the same. */
export function pieceDoubts(site: Site, piece: Piece): string[] {
  switch (piece.kind) {
    case 'menu':
      return menuDoubts(site, piece)
    case 'links':
      return piece.links.length === 0 ? ['There is no link in it yet.'] : linkDoubts(site, piece.links)
    case 'columns':
      return piece.columns.flatMap(({ heading, links }) =>
        links.length === 0 ? [`The column “${heading}” has no link yet.`] : linkDoubts(site, links),
      )
    case 'banner':
      return piece.picture && altOf(site, piece.picture) === ''
        ? ['The picture has no alternative text.']
        : []
    case 'html':
      return htmlDoubts(site, piece)
    case 'brand':
      return piece.picture && !piece.name && site.settings.logo && altOf(site, site.settings.logo) === ''
        ? ['The picture stands alone and has no alternative text: it says the name of the site.']
        : []
    case 'heading':
      return headingDoubts(site, piece)
    case 'breadcrumb':
    case 'pager':
    case 'contact':
    case 'address':
    case 'copyright':
    case 'text':
      return []
  }
}
