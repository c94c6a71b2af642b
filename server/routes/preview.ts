import { fileTypeOf, mediaTypeOf } from '@viatica/core/plan/file.ts'
import { Router } from 'express'
import { Problem } from '../http/problem.ts'
import { previewHeaders } from '../http/security.ts'
import type { SiteStore } from '../store/siteStore.ts'
import type { Workshop } from '../threads/workshop.ts'
import { escapeAttribute, escapeText } from '@viatica/core/standard/escape.ts'
import { thisYear } from '@viatica/core/standard/date.ts'

/** What is said in the place of a page that is not there, or not any more. */
const missingPage = (site: string, path: string, home: string): string =>
  `<!doctype html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width">` +
  `<title>Not found</title></head><body style="max-width:34em;margin:18vh auto 0;padding:0 24px;font:16px/1.5 system-ui,sans-serif">` +
  `<h1>Not found</h1><p>The site “${escapeText(site)}” has no page or file at <code>${escapeText(path)}</code>. ` +
  `It may have been removed, renamed or moved.</p><p><a href="${escapeAttribute(home)}">Go to the home page of the preview</a></p></body></html>`

/** The path of a preview as its reader asked for it: before the id, a key may stand. */
function topOf(url: string, segment: string): string {
  const top = `/${encodeURIComponent(segment)}/`
  return url.slice(0, url.indexOf(top) + top.length)
}

/** Of files whose address says that they are of this moment: with each edit, a live page asks for all of them. */
const KEPT = 'private, max-age=3600, immutable'

/** `GET /preview/:id/…`: every page of a site at its own address, planned ones too, in a sandbox. */
export function previewRoutes(store: SiteStore, workshop: Workshop): Router {
  const routes = Router({ strict: true })
  routes.use(previewHeaders)

  routes.get('/:id', (request, response) => {
    response.redirect(308, `/preview/${encodeURIComponent(request.params.id)}/`)
  })

  routes.get('/:top/{*path}', async (request, response) => {
    const segments = (request.params as { path?: string[] }).path ?? []
    const path = segments.join('/')
    const { top } = request.params
    // After the id may stand what its reader takes the shared files to be.
    const [id = '', shared] = top.split('~')
    const shown = await workshop.show({
      site: id,
      path,
      top: topOf(request.originalUrl, top),
      year: thisYear(),
    })
    response.set('Cache-Control', 'no-store')
    if (shown.kind === 'page') return void response.type('html').send(shown.html)
    if (shown.kind === 'nothing') {
      if (request.accepts(['json', 'html']) !== 'html')
        throw new Problem(404, 'Not found', `The site has no page or file at ${path}.`)
      const home = `/preview/${encodeURIComponent(id)}/`
      return void response
        .status(404)
        .type('html')
        .send(missingPage(shown.siteName, path, home))
    }
    const { file } = shown
    // Fonts are the one kind of file that a page of an opaque origin may load only where it is let.
    if (fileTypeOf(path)?.kind === 'font') response.set('Access-Control-Allow-Origin', '*')
    response
      .set('Cache-Control', shared === shown.shared ? KEPT : 'no-cache')
      .type(mediaTypeOf(path))
      .send(Buffer.from('bytes' in file ? file.bytes : ((await store.readContent(file.content)) ?? '')))
  })

  return routes
}
