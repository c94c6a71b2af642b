import { Router } from 'express'
import type { Access } from '../http/access.ts'
import { Problem } from '../http/problem.ts'
import type { SiteStore } from '../store/siteStore.ts'

/**
 * `GET /api/health`: 200 when the server and its database answer, 503 without the database, 507 without room. Who has not
 * the key learns only that the server lives.
 */
export function healthRoutes(store: SiteStore, access: Access): Router {
  return Router().get('/health', async (request, response) => {
    if (!(await access.visitor(request))) return void response.json({ status: 'alive' })
    if (!(await store.isReachable())) throw new Problem(503, 'Not well', 'The database cannot be reached.')
    if (store.disk.isFull) throw new Problem(507, 'Not well', 'The disk of the server is full.')
    response.json({ status: 'well' })
  })
}
