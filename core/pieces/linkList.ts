import { endKey, shownLinks } from '../navigate/leads.ts'
import type { PiecesSite } from '../plan/site.ts'
import type { PickedLink } from '../plan/surround/pickedLink.ts'
import { escapeText } from '../standard/escape.ts'
import type { Around } from './around.ts'
import type { Leads } from './pieceOutput.ts'

/** Picked links as list items; what leads nowhere yet is text. */
export function renderLinks(links: readonly PickedLink[], around: Around, indent: string): string {
  return shownLinks(around.site, links)
    .map(({ link: { isButton }, label, leads }) => {
      const href = leads && around.links.toTarget(leads)
      const text = escapeText(label)
      return href === undefined
        ? `${indent}<li><span>${text}</span></li>\n`
        : `${indent}<li><a${isButton ? ' class="button"' : ''} href="${href}">${text}</a></li>\n`
    })
    .join('')
}

/** Where picked links lead. */
export function linksOfList(site: PiecesSite, links: readonly PickedLink[]): readonly Leads[] {
  return shownLinks(site, links).flatMap(({ leads }) =>
    leads ? [leads.to === 'entry' ? leads.entry : 'elsewhere'] : [],
  )
}

/** What tells picked links as they stand on pages from those of the site before or after a change. */
export const keyOfList = (site: PiecesSite, links: readonly PickedLink[]): string =>
  JSON.stringify(shownLinks(site, links).map(({ label, leads }) => [label, endKey(site, leads)]))
