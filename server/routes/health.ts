import { Router } from 'express'
import { Problem } from '../http/problem.ts'
import type { SiteStore } from '../store/siteStore.ts'

/** `GET /api/health`: 200 when the server and its database answer, else 503. */
export function healthRoutes(store: SiteStore): Router {
  return Router().get('/health', async (_request, response) => {
    if (!(await store.isReachable())) throw new Problem(503, 'Not well', 'The database cannot be reached.')
    response.json({ status: 'well' })
  })
}
