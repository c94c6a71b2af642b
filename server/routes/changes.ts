import { MAX_INPUT } from '@viatica/core/formats/inputFault.ts'
import { changeSchema } from '@viatica/core/plan/change/change.ts'
import express, { Router } from 'express'
import * as v from 'valibot'
import { Problem } from '../http/problem.ts'
import { ChangeRefused } from '@viatica/core/plan/change/refused.ts'
import { fileTypeOf } from '@viatica/core/plan/file.ts'
import { checkFile } from '../fileCheck.ts'
import type { SiteStore } from '../store/siteStore.ts'

const editSchema = v.strictObject({
  id: v.pipe(v.string(), v.uuid('must be a UUID')),
  base: v.pipe(v.number(), v.integer(), v.minValue(0)),
  change: changeSchema,
})

/** What stands under the digest of its bytes is the same for good. */
const UNCHANGING = 'private, max-age=31536000, immutable'

/**
 * Making changes, and keeping the bytes of files that changes are about to add.
 * @param maxFileBytes the most that one file may have
 */
export function changeRoutes(store: SiteStore, maxFileBytes: number): Router {
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
    express.raw({ type: () => true, limit: maxFileBytes }),
    async (request, response) => {
      const bytes = request.body as Buffer
      await checkFile(bytes, request.params.name)
      response.status(201).json({ content: await store.keepContent(bytes) })
    },
  )

  // Pictures by their bytes are there before the change that brings them is saved. They are shown, and run nothing.
  routes.get('/contents/:key/picture/:name', async (request, response) => {
    const bytes = await store.readContent(request.params.key)
    const type = fileTypeOf(request.params.name)
    if (!bytes || type?.kind !== 'picture') throw new Problem(404, 'Not found', 'There is no such picture.')
    response
      .set('Content-Security-Policy', "sandbox; default-src 'none'; style-src 'unsafe-inline'")
      .set('Cache-Control', UNCHANGING)
      .type(type.media)
      .send(bytes)
  })

  // As JSON, so that what an author wrote never runs as a document of ours.
  routes.get('/contents/:key/text', async (request, response) => {
    const bytes = await store.readContent(request.params.key)
    if (!bytes) throw new Problem(404, 'Not found', 'There are no bytes under this key.')
    response.set('Cache-Control', UNCHANGING).json({ text: bytes.toString('utf8') })
  })

  return routes
}
