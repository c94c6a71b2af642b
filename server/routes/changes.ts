import { MAX_INPUT } from '@viatica/core/formats/inputFault.ts'
import { changeSchema } from '@viatica/core/plan/change/change.ts'
import express, { Router } from 'express'
import * as v from 'valibot'
import { Problem } from '../http/problem.ts'
import { ChangeRefused } from '@viatica/core/plan/change/refused.ts'
import { pictureTypeOf } from '../pictureType.ts'
import type { SiteStore } from '../store/siteStore.ts'

const editSchema = v.strictObject({
  id: v.pipe(v.string(), v.uuid('must be a UUID')),
  base: v.pipe(v.number(), v.integer(), v.minValue(0)),
  change: changeSchema,
})

/** Making changes, and keeping the bytes of pictures that changes are about to add. */
export function changeRoutes(store: SiteStore): Router {
  const routes = Router()

  routes.post('/sites/:id/changes', express.json({ limit: MAX_INPUT }), async (request, response) => {
    const edit = v.parse(editSchema, request.body)
    const { id } = request.params
    const { revision } = await store.read(id)
    if (edit.base > revision)
      throw new Problem(400, 'Bad request', `base: the site is at revision ${revision}.`, { path: 'base' })
    try {
      response.json(await store.change(id, edit))
    } catch (error) {
      // On the revision that its author saw it was wrong from the start; on a newer one, somebody was faster.
      if (error instanceof ChangeRefused && edit.base < revision)
        throw new Problem(409, 'Overtaken', error.message)
      throw error
    }
  })

  routes.post(
    '/contents/:name',
    express.raw({ type: () => true, limit: '10mb' }),
    async (request, response) => {
      const bytes = request.body as Buffer
      await pictureTypeOf(bytes, request.params.name)
      response.status(201).json({ content: await store.keepContent(bytes) })
    },
  )

  return routes
}
