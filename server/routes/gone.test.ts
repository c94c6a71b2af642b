import type { Access } from '../http/access.ts'
import { once } from 'node:events'
import { request } from 'node:http'
import type { AddressInfo } from 'node:net'
import express, { Router } from 'express'
import type { Announcements } from '../store/announcements.ts'
import type { SiteStore } from '../store/siteStore.ts'
import type { Workshop } from '../threads/workshop.ts'
import { giveArchive } from './archive.ts'
import { eventRoutes } from './events.ts'

/** Asks for something and goes away while the store still reads; gives back when the route has ended. */
async function goneWhileReading(path: string, routesWith: (reads: () => Promise<unknown>) => Router) {
  let read = () => {}
  const reading = new Promise<string>((resolve) => (read = () => resolve('A name')))
  let hasBegun = () => {}
  const begun = new Promise<void>((resolve) => (hasBegun = resolve))
  const app = express()
  const closed = new Promise((resolve) => {
    app.use((_request, response, next) => {
      response.on('close', resolve)
      next()
    })
  })
  app.use(
    routesWith(() => {
      hasBegun()
      return reading
    }),
  )
  const server = app.listen(0, '127.0.0.1')
  await once(server, 'listening')
  const asked = request({ port: (server.address() as AddressInfo).port, path, agent: false })
  asked.on('error', () => undefined)
  asked.end()
  await begun
  asked.destroy()
  await closed
  read()
  await reading
  await new Promise((resolve) => setImmediate(resolve))
  await new Promise((resolve) => server.close(resolve))
}

test('whoever asks for events and goes at once leaves nothing behind: no listener, no heartbeat', async () => {
  const left: string[] = []
  const listens = (to: string) => () => {
    left.push(to)
    return () => undefined
  }
  const announcements = {
    on: listens('changes'),
    onReturn: listens('its return'),
    onWindow: listens('windows'),
  } as unknown as Announcements
  const { setInterval } = globalThis
  globalThis.setInterval = ((...args: Parameters<typeof setInterval>) => {
    left.push('a heartbeat')
    return setInterval(...args)
  }) as typeof setInterval
  await goneWhileReading(
    '/sites/a/events',
    (read) => eventRoutes({ sites: { read } } as unknown as SiteStore, announcements, {} as Access).routes,
  )
  globalThis.setInterval = setInterval
  expect(left).toEqual([])
})

test('whoever asks for an archive and goes at once keeps no thread busy', async () => {
  let asked = 0
  const archive = () => Promise.resolve(asked++)
  await goneWhileReading('/sites/a/archive.zip', (nameOf) =>
    Router().get(
      '/sites/:id/archive.zip',
      giveArchive(
        { sites: { nameOf } } as unknown as SiteStore,
        { archive } as unknown as Workshop,
        'finished site',
      ),
    ),
  )
  expect(asked).toBe(0)
})
