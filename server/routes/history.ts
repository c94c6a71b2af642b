import { filledLine } from '@viatica/core/standard/text.ts'
import express, { Router } from 'express'
import * as v from 'valibot'
import { baseEntries } from '../http/editSchema.ts'
import { sendJson } from '../slicedJson.ts'
import type { Workshop } from '../threads/workshop.ts'
import type { SiteStore } from '../store/siteStore.ts'

const wholeNumber = v.pipe(v.string(), v.regex(/^\d{1,9}$/, 'must be a whole number'), v.transform(Number))

const pageSchema = v.object({
  before: v.optional(wholeNumber, '999999999'),
  most: v.optional(v.pipe(wholeNumber, v.minValue(1), v.maxValue(500, 'must be at most 500')), '100'),
})

const restoreSchema = v.strictObject({
  ...baseEntries,
  words: filledLine(500),
})

/** What was done to a site, and the way back to any point of it. */
export function historyRoutes(store: SiteStore, workshop: Workshop): Router {
  const routes = Router()

  routes.get('/sites/:id/history', async (request, response) => {
    const { before, most } = v.parse(pageSchema, request.query)
    response.json({ changes: await store.history(request.params.id, before, most) })
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
      const { words, ...edit } = v.parse(restoreSchema, request.body)
      response.json(await store.restore(request.params.id, edit, to, words))
    },
  )

  routes.get('/sites/:id/changes', async (request, response) => {
    const { after } = v.parse(v.object({ after: wholeNumber }), request.query)
    await sendJson(response, await store.changesAfter(request.params.id, after))
  })

  return routes
}
