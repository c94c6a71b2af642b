import { fileTypeOf, mediaTypeOf } from '@viatica/core/plan/file.ts'
import { type Request, Router } from 'express'
import { type Access, needsKey, noKey } from '../http/access.ts'
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

/** Returns the path of a preview as its reader requested it. @param segment the id, with what may follow it */
function topOf(url: string, segment: string): string {
  const top = `/${encodeURIComponent(segment)}/`
  return url.slice(0, url.indexOf(top) + top.length)
}

/**
 * Returns the pass for what a page or style sheet loads in turn; undefined where no key is needed.
 * @throws Problem 401 where the request has neither a session nor a signed address
 */
async function passFor(access: Access, request: Request, site: string, path: string) {
  if (!access.isNeeded) return undefined
  const pass = await access.passOf(request, { site, path })
  if (pass) return pass
  const visitor = await access.visitor(request)
  if (!visitor) throw noKey()
  return access.newPass(site, visitor)
}

/** Of files whose address says that they are of this moment: with each edit, a live page asks for all of them. */
const KEPT = 'private, max-age=3600, immutable'

/** `POST /api/sites/:id/preview-pass`: what a window signs the addresses of files with, in the pages that it shows; none is needed without a key. */
export function previewPassRoutes(access: Access): Router {
  return Router().post('/sites/:id/preview-pass', async (request, response) => {
    const visitor = await access.visitor(request)
    if (!visitor) throw noKey()
    const pass = access.isNeeded ? access.newPass(request.params.id, visitor) : null
    response.set('Cache-Control', 'no-store').json({ pass })
  })
}

/** `GET /preview/:id/…`: every page of a site at its own address, planned ones too, in a sandbox. */
export function previewRoutes(store: SiteStore, workshop: Workshop, access: Access): Router {
  const routes = Router({ strict: true })
  routes.use(previewHeaders)

  routes.get<'/:id', { id: string }>('/:id', needsKey(access), (request, response) => {
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
      pass: await passFor(access, request, id, path),
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
      .send(Buffer.from('bytes' in file ? file.bytes : ((await store.contents.read(file.content)) ?? '')))
  })

  return routes
}
