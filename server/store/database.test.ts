import { once } from 'node:events'
import { type AddressInfo, connect, createServer } from 'node:net'
import { makeDatabase } from '../testing/database.ts'
import { answering, openDatabase } from './database.ts'

test('a server that is started before its database waits for it, and says so once', async () => {
  const made = await makeDatabase()
  const { hostname, port } = new URL(made.url)
  // What leads to the database, and is not there at first.
  const way = createServer((one) => {
    const other = connect(Number(port), hostname)
    for (const [from, to] of [
      [one, other],
      [other, one],
    ] as const)
      from.on('error', () => to.destroy()).pipe(to)
  })
  way.listen(0, '127.0.0.1')
  await once(way, 'listening')
  const free = (way.address() as AddressInfo).port
  way.close()
  await once(way, 'close')
  const url = new URL(made.url)
  url.port = String(free)
  url.hostname = '127.0.0.1'
  const database = openDatabase(url.href)
  const told: unknown[] = []
  let isThere = false
  const waiting = answering(database, (error) => told.push(error)).then(() => (isThere = true))
  while (told.length === 0) await new Promise((resolve) => setTimeout(resolve, 20))
  expect(isThere).toBe(false)
  way.listen(free, '127.0.0.1')
  await waiting
  expect(told).toHaveLength(1)
  expect((told[0] as { code: string }).code).toBe('ECONNREFUSED')
  await database.destroy()
  way.close()
  await made.drop()
})
