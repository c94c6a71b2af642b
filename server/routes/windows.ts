import { windowAtSchema } from '@viatica/core/protocol/windows.ts'
import { json, Router } from 'express'
import * as v from 'valibot'
import type { SiteStore } from '../store/siteStore.ts'

/** `POST /api/sites/:id/windows`: a window says on which page it writes; all windows on the site hear of it. */
export function windowRoutes(store: SiteStore): Router {
  return Router().post('/sites/:id/windows', json({ limit: '1kb' }), async (request, response) => {
    await store.announcing.window(request.params['id']!, v.parse(windowAtSchema, request.body))
    response.status(204).end()
  })
}
