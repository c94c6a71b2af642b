import { type Response, Router } from 'express'
import type { Announcements } from '../store/announcements.ts'
import type { SiteStore } from '../store/siteStore.ts'

/** A comment now and then keeps the connection open through proxies, and shows when it is not. */
const HEARTBEAT_MS = 20_000

/**
 * `GET /api/sites/:id/events`: server-sent events that say the newest revision of a site, at once and at every change,
 * and which windows write on which page.
 * https://html.spec.whatwg.org/multipage/server-sent-events.html
 */
export function eventRoutes(
  store: SiteStore,
  announcements: Announcements,
): { routes: Router; endAll(): void } {
  const open = new Set<Response>()
  const routes = Router().get('/sites/:id/events', async (request, response) => {
    const { id } = request.params
    const say = (revision: number) => response.write(`event: revision\ndata: ${revision}\n\n`)
    // First listening, then reading: what happens in between is said twice rather than not at all.
    const stops = [
      announcements.on(id, say),
      announcements.onWindow(id, (at) => response.write(`event: window\ndata: ${JSON.stringify(at)}\n\n`)),
    ]
    const stop = () => {
      for (const end of stops) end()
    }
    let heartbeat: NodeJS.Timeout | undefined
    response.on('close', () => {
      stop()
      clearInterval(heartbeat)
      open.delete(response)
    })
    try {
      const { revision } = await store.read(id)
      response.type('text/event-stream').set('Cache-Control', 'no-store').flushHeaders()
      open.add(response)
      heartbeat = setInterval(() => response.write(':\n\n'), HEARTBEAT_MS)
      say(revision)
    } catch (error) {
      stop()
      throw error
    }
  })
  return {
    routes,
    endAll() {
      for (const response of open) response.end()
    },
  }
}
