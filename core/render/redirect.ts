import { hrefsFrom } from '../address/href.ts'
import { addressesOf } from '../address/addresses.ts'
import { folderOf, fragmentHref } from '../address/relative.ts'
import { labelOf } from '../plan/entry.ts'
import { entryOf } from '../plan/plan.ts'
import type { OwnRedirect, Site } from '../plan/site.ts'
import { escapeAttribute, escapeText } from './escape.ts'
import { WORDS } from './words.ts'

/**
 * A page that leads on by itself: what a plain host can do for an address that has moved. A delay of 0 is taken
 * for a permanent move: https://html.spec.whatwg.org/multipage/semantics.html#attr-meta-http-equiv-refresh
 */
export function renderRedirect(site: Site, { from, to }: OwnRedirect): string {
  const { plan, settings } = site
  const href =
    to.to === 'address'
      ? to.url
      : hrefsFrom(settings, folderOf(from))(addressesOf(site).paths.get(to.entry)!) +
        fragmentHref(to.fragment)
  const name = to.to === 'address' ? to.url : labelOf(entryOf(plan, to.entry))
  const url = escapeAttribute(href)
  return (
    `<!doctype html>\n<html lang="${escapeAttribute(settings.language)}">\n  <head>\n` +
    '    <meta charset="utf-8">\n' +
    '    <meta name="viewport" content="width=device-width, initial-scale=1">\n' +
    `    <title>${WORDS.moved}</title>\n` +
    `    <meta http-equiv="refresh" content="0; url=${url}">\n` +
    '    <meta name="robots" content="noindex">\n' +
    `  </head>\n  <body>\n    <main>\n      <h1>${WORDS.moved}</h1>\n` +
    `      <p>${WORDS.movedTo} <a href="${url}">${escapeText(name)}</a>.</p>\n    </main>\n  </body>\n</html>\n`
  )
}
