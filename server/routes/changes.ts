import { MAX_INPUT } from '@viatica/core/formats/inputFault.ts'
import { checkJson } from '@viatica/core/formats/jsonDepth.ts'
import express, { Router } from 'express'
import * as v from 'valibot'
import { Problem } from '../http/problem.ts'
import { fileTypeOf } from '@viatica/core/plan/file.ts'
import { bodyOf } from '../http/body.ts'
import { type Edit, editSchema, editsMadeRequest } from '@viatica/core/protocol/editRequests.ts'
import type { Workshop } from '../threads/workshop.ts'
import { readJson } from '../slicedJson.ts'
import type { SiteStore } from '../store/siteStore.ts'

/** An edit of so many bytes is read in less time than handing it to a thread would take. */
const SMALL_BYTES = 20_000

/** What stands under the digest of its bytes is the same for good. */
const UNCHANGING = 'private, max-age=31536000, immutable'

/**
 * Making changes, and keeping the bytes of files that changes are about to add.
 * @param maxFileBytes the most that one file may have
 */
export function changeRoutes(store: SiteStore, workshop: Workshop, maxFileBytes: number): Router {
  const routes = Router()

  const rawJson = express.raw({ type: 'application/json', limit: MAX_INPUT })
  routes.post('/sites/:id/changes', rawJson, async (request, response) => {
    response.json(await store.edits.change(request.params.id, await readEdit(bodyOf(request))))
  })

  /** What is small is read at once; the rest where it holds nobody up. */
  async function readEdit(bytes: Buffer): Promise<Edit> {
    if (bytes.length > SMALL_BYTES)
      return (await readJson(await workshop.read({ kind: 'edit', bytes }))) as Edit
    return v.parse(editSchema, checkJson(new TextDecoder().decode(bytes)), { abortEarly: true })
  }

  // For a window that was closed before it heard whether its edits had been made.
  routes.post('/sites/:id/changes/made', express.json({ limit: '1mb' }), async (request, response) => {
    const { ids } = v.parse(editsMadeRequest, request.body)
    response.json({ made: await store.edits.editsMade(request.params.id, ids) })
  })

  routes.post(
    '/contents/:name',
    express.raw({ type: () => true, limit: maxFileBytes }),
    async (request, response) => {
      const bytes = bodyOf(request)
      // What came with existing pages is of any kind: nothing is found of it, so it never stands for more than its bytes.
      const checkedAs = 'found' in request.query ? undefined : request.params.name
      const pixels =
        checkedAs === undefined ? undefined : await workshop.read({ kind: 'file', bytes, name: checkedAs })
      response
        .status(201)
        .json({ ...(await store.contents.keep(bytes, checkedAs)), size: bytes.length, pixels })
    },
  )

  // Pictures by their bytes are there before the change that brings them is saved. They are shown, and run nothing.
  routes.get('/contents/:key/picture/:name', async (request, response) => {
    const bytes = await store.contents.read(request.params.key)
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
    const bytes = await store.contents.read(request.params.key)
    if (!bytes) throw new Problem(404, 'Not found', 'There are no bytes under this key.')
    response.set('Cache-Control', UNCHANGING).json({ text: bytes.toString('utf8') })
  })

  return routes
}
