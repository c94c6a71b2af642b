import { restoreRequest } from '@viatica/core/protocol/editRequests.ts'
import { changesQuery, historyQuery, wholeNumber } from '@viatica/core/protocol/history.ts'
import express, { Router } from 'express'
import * as v from 'valibot'
import { sendJson } from '../slicedJson.ts'
import type { Workshop } from '../threads/workshop.ts'
import type { SiteStore } from '../store/siteStore.ts'

/** What was done to a site, and the way back to any point of it. */
export function historyRoutes(store: SiteStore, workshop: Workshop): Router {
  const routes = Router()

  routes.get('/sites/:id/history', async (request, response) => {
    const { before, most } = v.parse(historyQuery, request.query)
    response.json({ changes: await store.history.list(request.params.id, before, most) })
  })

  routes.get('/sites/:id/history/:revision/way-back', async (request, response) => {
    const to = v.parse(wholeNumber, request.params.revision)
    response.type('json').end(await workshop.wayBack({ site: request.params.id, to }))
  })

  routes.post(
    '/sites/:id/history/:revision/restore',
    express.json({ limit: '10kb' }),
    async (request, response) => {
      const to = v.parse(wholeNumber, request.params.revision)
      const { words, ...edit } = v.parse(restoreRequest, request.body)
      response.json(await store.edits.restore(request.params.id, edit, to, words))
    },
  )

  routes.get('/sites/:id/changes', async (request, response) => {
    const { after } = v.parse(changesQuery, request.query)
    await sendJson(response, await store.edits.changesAfter(request.params.id, after))
  })

  return routes
}
