import { hrefsFrom } from '../address/href.ts'
import { addressesOf } from '../address/addresses.ts'
import { folderOf, fragmentHref } from '../address/relative.ts'
import { labelOf } from '../plan/entry.ts'
import { entryOf } from '../plan/plan.ts'
import type { OwnRedirect, Site } from '../plan/site.ts'
import { directionOf, wordsOf } from '../plan/surround/siteWords.ts'
import { escapeAttribute, escapeText } from '../standard/escape.ts'
import { valueFor } from '../standard/present.ts'

/**
 * A page that leads on by itself: what a plain host can do for an address that has moved. A delay of 0 is taken
 * for a permanent move: https://html.spec.whatwg.org/multipage/semantics.html#attr-meta-http-equiv-refresh
 */
export function renderRedirect(site: Site, { from, to }: OwnRedirect): string {
  const { plan, settings, surround } = site
  const words = wordsOf(settings.language, surround.words)
  const href =
    to.to === 'address'
      ? to.url
      : hrefsFrom(settings, folderOf(from))(valueFor(addressesOf(site).paths, to.entry)) +
        fragmentHref(to.fragment)
  const name = to.to === 'address' ? to.url : labelOf(entryOf(plan, to.entry))
  const url = escapeAttribute(href)
  return (
    `<!doctype html>\n<html lang="${escapeAttribute(settings.language)}" dir="${directionOf(settings.language)}">\n  <head>\n` +
    '    <meta charset="utf-8">\n' +
    '    <meta name="viewport" content="width=device-width, initial-scale=1">\n' +
    `    <title>${escapeText(words.moved)}</title>\n` +
    `    <meta http-equiv="refresh" content="0; url=${url}">\n` +
    '    <meta name="robots" content="noindex">\n' +
    `  </head>\n  <body>\n    <main>\n      <h1>${escapeText(words.moved)}</h1>\n` +
    `      <p>${escapeText(words.movedTo)} <a href="${url}">${escapeText(name)}</a>.</p>\n    </main>\n  </body>\n</html>\n`
  )
}
