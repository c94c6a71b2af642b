import { addressesOf } from '@viatica/core/address/addresses.ts'
import type { EntryId } from '@viatica/core/plan/ids.ts'
import { isOfPieces, type Site } from '@viatica/core/plan/site.ts'
import { generatedPaths } from '@viatica/core/address/generated.ts'
import { withSignedFiles } from '@viatica/core/render/filePass.ts'
import { withNamedFrames } from '@viatica/core/render/previewFrames.ts'
import { previewed } from '@viatica/core/render/previewed.ts'
import { sharedDigest } from '@viatica/core/render/sharedDigest.ts'
import { createPageWriter } from '@viatica/core/render/pageWriter.ts'
import { styleSheet } from '@viatica/core/render/style/styleSheet.ts'
import { previewPass } from '../api/previewPass.ts'
import { sitesApi } from '../api/sites.ts'
import { thisYear } from '@viatica/core/standard/date.ts'
import { PIECE_ENDS, pieceBegins } from './laidOut.ts'
import livePage from './livePage.js?url&no-inline'

/** A page with a comment before and after each piece: they change nothing of how it looks. */
const pageWithPiecesMarked = (site: Site, id: EntryId): string =>
  createPageWriter(site, thisYear()).shown(id, (piece, html) => pieceBegins(piece) + html + PIECE_ENDS)

/** A page with the style sheet of this moment in place of the one that is saved. */
function withStylesOfNow(site: Site, html: string, top: string): string {
  if (!isOfPieces(site) || !site.surround.headFiles.ourStyles) return html
  const sheet = styleSheet(site.surround, top + generatedPaths(site).fonts)
  // The author's own sheets come after ours.
  return html.replace(/<link rel="stylesheet" href="[^"]*">/, () => `<style>${sheet}</style>`)
}

/**
 * A page as it will come out, made ready for a frame: with the address it stands at, so that relative links and
 * pictures work; with the style sheet of this moment in place of the one that is saved; and with the script that says
 * which link was followed, and where the pieces stand. Empty for what is not a page.
 */
export function framedPage(shown: Site, siteId: string, page: EntryId): string {
  const shared = sharedDigest(shown)
  const top = sitesApi.previewUrl(siteId, '', shared)
  const site = previewed(shown, top)
  const path = addressesOf(site).paths.get(page)
  if (path === undefined) return ''
  const base = new URL(top + path, location.href).href
  const unsigned = withStylesOfNow(site, withNamedFrames(pageWithPiecesMarked(site, page)), top)
  const pass = previewPass.of(siteId)
  const html = pass ? withSignedFiles(unsigned, pass, { path, top }) : unsigned
  const ours = `<base href="${base.replaceAll('"', '%22')}"><script src="${livePage}"><${'/'}script>`
  const head = /<head(?:\s[^>]*)?>/i.exec(html)
  const start = head ? head.index + head[0].length : (/^\s*<!doctype[^>]*>/i.exec(html)?.[0].length ?? 0)
  return html.slice(0, start) + ours + html.slice(start)
}
