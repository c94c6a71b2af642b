import { jest } from '@jest/globals'
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
  const listens = jest.fn(() => () => undefined)
  const announcements = { on: listens, onReturn: listens, onWindow: listens } as unknown as Announcements
  const beats = jest.spyOn(globalThis, 'setInterval')
  await goneWhileReading(
    '/sites/a/events',
    (read) => eventRoutes({ read } as unknown as SiteStore, announcements).routes,
  )
  expect(listens).not.toHaveBeenCalled()
  expect(beats).not.toHaveBeenCalled()
  beats.mockRestore()
})

test('whoever asks for an archive and goes at once keeps no thread busy', async () => {
  const archive = jest.fn(() => Promise.resolve())
  await goneWhileReading('/sites/a/archive.zip', (nameOf) =>
    Router().get(
      '/sites/:id/archive.zip',
      giveArchive({ nameOf } as unknown as SiteStore, { archive } as unknown as Workshop, 'finished site'),
    ),
  )
  expect(archive).not.toHaveBeenCalled()
})
