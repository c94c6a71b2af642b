import { pageAtPath } from '@viatica/core/address/addresses.ts'
import { FIXED_FILES } from '@viatica/core/formats/archive.ts'
import { mediaTypeOf } from '@viatica/core/plan/file.ts'
import { createRenderer } from '@viatica/core/render/renderer.ts'
import { Router } from 'express'
import { Problem } from '../http/problem.ts'
import { previewHeaders } from '../http/security.ts'
import type { SiteStore } from '../store/siteStore.ts'

/** `GET /preview/:id/…`: every page of a site at its own address, planned ones too, in a sandbox. */
export function previewRoutes(store: SiteStore): Router {
  const routes = Router({ strict: true })
  routes.use(previewHeaders)

  routes.get('/:id', (request, response) => {
    response.redirect(308, `/preview/${encodeURIComponent(request.params.id)}/`)
  })

  routes.get('/:id/{*path}', async (request, response) => {
    const segments = (request.params as { path?: string[] }).path ?? []
    const path = segments.join('/')
    const { site } = await store.read(request.params.id)
    const page = pageAtPath(site, path)
    response.set('Cache-Control', 'no-store')
    if (page !== undefined) return void response.type('html').send(createRenderer(site).page(page))
    const fixed = FIXED_FILES.get(path)
    // The live pages of the screens ask for these at every change.
    if (fixed !== undefined) return void response.set('Cache-Control', 'max-age=60').type(path).send(fixed)
    const file = [...site.files.values()].find((candidate) => candidate.path === path)
    if (!file) throw new Problem(404, 'Not found', `The site has no page or file at ${path}.`)
    response
      .set('Cache-Control', 'max-age=60')
      .type(mediaTypeOf(path))
      .send(await store.readContent(file.content))
  })

  return routes
}
