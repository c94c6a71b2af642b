import { type Response, Router } from 'express'
import type { Access } from '../http/access.ts'
import { type Announcements, REMOVED } from '../store/announcements.ts'
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
  access: Access,
): { routes: Router; endAll(): void } {
  const open = new Set<Response>()
  const routes = Router().get('/sites/:id/events', async (request, response) => {
    const { id } = request.params
    // Whether there is such a site is known before anything is said: 404 and 503 are still possible then.
    await store.sites.read(id)
    // Who has gone meanwhile is not told of by another “close”.
    if (response.closed) return
    response.type('text/event-stream').set('Cache-Control', 'no-store').flushHeaders()
    const say = (event: string, data: string) => {
      if (!response.writableEnded) response.write(`event: ${event}\ndata: ${data}\n\n`)
    }
    const sayRevision = (revision: number) =>
      revision === REMOVED ? say('removed', '') : say('revision', String(revision))
    // Reads and says which revision is the newest: at the start, and when announcements may have been missed.
    const sayNewest = () => {
      store.sites.read(id).then(
        ({ revision }) => sayRevision(revision),
        // Gone meanwhile, or out of reach: who listens comes again, and is told then.
        () => response.end(),
      )
    }
    const stops = [
      announcements.on(id, sayRevision),
      announcements.onReturn(sayNewest),
      announcements.onPublishing(id, () => say('publishing', '')),
      announcements.onWindow(id, (at) => say('window', JSON.stringify(at))),
    ]
    const heartbeat = setInterval(() => {
      response.write(':\n\n')
      // A session may have ended, and the stream with it.
      access.visitor(request).then(
        (visitor) => visitor ?? response.end(),
        () => response.end(),
      )
    }, HEARTBEAT_MS)
    open.add(response)
    response.on('close', () => {
      for (const end of stops) end()
      clearInterval(heartbeat)
      open.delete(response)
    })
    // First listening, then reading: what happens in between is said twice rather than not at all.
    sayNewest()
  })
  return {
    routes,
    endAll() {
      for (const response of open) response.end()
    },
  }
}
