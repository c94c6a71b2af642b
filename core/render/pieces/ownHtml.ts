import { documentTitle } from '../../navigate/title.ts'
import { type PieceOf, shapeNamed } from '../../plan/surround/piece.ts'
import { escapeText } from '../../standard/escape.ts'
import type { Around, Prepared } from './around.ts'
import { prepareBreadcrumb } from './breadcrumb.ts'
import { prepareMenu } from './menu.ts'
import { type Call, compileOwnHtml, renderOwnHtml } from './ownHtmlSource.ts'
import { preparePager } from './pager.ts'

/** A computed part that own HTML calls; nothing where it names a menu that is not there. */
function prepareCall({ element, attributes }: Call, around: Around): Prepared {
  switch (element) {
    case 'put-menu': {
      const menu = around.site.surround.menus.find(({ name }) => name === attributes['menu'])
      if (!menu) return ''
      const standing = { menu, shape: shapeNamed(attributes['shape']), folds: 'folds' in attributes }
      const prepared = prepareMenu(standing, around)
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
export function prepareOwnHtml({ html }: PieceOf<'html'>, around: Around): Prepared {
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
