import { entryIdSchema } from '@viatica/core/plan/entry.ts'
import { json, Router } from 'express'
import * as v from 'valibot'
import type { SiteStore } from '../store/siteStore.ts'

const windowSchema = v.strictObject({
  window: v.pipe(v.string('must be an id'), v.uuid('must be a UUID')),
  asks: v.boolean('must be true or false'),
  page: v.union([v.literal(''), entryIdSchema], 'must be the id of a page, or empty'),
})

/** `POST /api/sites/:id/windows`: a window says on which page it writes; all windows on the site hear of it. */
export function windowRoutes(store: SiteStore): Router {
  return Router().post('/sites/:id/windows', json({ limit: '1kb' }), async (request, response) => {
    await store.announceWindow(request.params['id']!, v.parse(windowSchema, request.body))
    response.status(204).end()
  })
}
