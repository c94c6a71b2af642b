import { writeSiteArchive } from '@viatica/core/formats/siteArchive.ts'
import { newSite } from '@viatica/core/plan/site.ts'
import { ask, serve, type Serving } from '../testing/serve.ts'

let server: Serving
beforeAll(async () => {
  server = await serve({ mostBytes: 100_000 })
})
afterAll(() => server.stop())

const SCRIPTED = '<svg xmlns="http://www.w3.org/2000/svg"><script>alert(1)</script></svg>'
const send = (bytes: string, name: string) =>
  ask(`${server.url}/api/contents/${name}`, 'POST', bytes, 'application/octet-stream')
const add = (content: string, size: number, path: string) => ({
  kind: 'addFile',
  file: { id: 'own', path, content, size, alt: '' },
})
const keys = () => server.database('contents').pluck('key')

test('bytes are checked against every path that they come under, not only the first', async () => {
  const id = await server.api.create()
  const { content, size } = (await send(SCRIPTED, 'a.txt')).json
  const refused = await server.api.post(id, 0, add(content, size, 'pictures/a.svg'))
  expect(refused).toMatchObject({ status: 415, json: { detail: expect.stringMatching(/script/) } })
  expect((await server.api.post(id, 0, add(content, size, 'notes/a.txt'))).status).toBe(200)
  const file = { id: 'own', path: 'pictures/a.svg', content, size, alt: '' }
  expect((await server.api.post(id, 1, { kind: 'setFile', file })).status).toBe(415)
  const other = await server.api.create()
  expect((await server.api.post(other, 0, add(content, size, 'a.svg'))).status).toBe(415)
})

test('the size of a file is that of its bytes, whatever a change says', async () => {
  const id = await server.api.create()
  const { content } = (await send('four', 'a.txt')).json
  const answer = await server.api.post(id, 0, add(content, 3, 'a.txt'))
  expect(answer).toMatchObject({ status: 422, json: { detail: 'a.txt has 4 bytes, not 3.' } })
  expect((await server.api.post(id, 0, add(content, 4, 'a.txt'))).status).toBe(200)
})

test('bytes that nothing needs are cleared away after a day; those of a site and of its history stay', async () => {
  const id = await server.api.create()
  const [used, once, never] = await Promise.all(
    ['used', 'once used', 'never used'].map(
      async (text) => (await send(text, 'a.txt')).json.content as string,
    ),
  )
  await server.api.post(id, 0, add(once!, 9, 'a.txt'))
  const file = { id: 'own', path: 'a.txt', content: used, size: 4, alt: '' }
  await server.api.post(id, 1, { kind: 'setFile', file })
  await server.store.contents.clear()
  expect(await keys()).toEqual(expect.arrayContaining([used, once, never]))
  await server.database('contents').update({ kept_at: new Date(Date.now() - 25 * 3_600_000) })
  await server.store.contents.clear()
  expect(await keys()).toEqual(expect.arrayContaining([used, once]))
  expect(await keys()).not.toContain(never)
  // The history leads back to bytes that no file has any more.
  const back = await ask(`${server.url}/api/sites/${id}/history/1/way-back`)
  expect(back.json.change.files).toMatchObject([{ content: once }])
  await ask(`${server.url}/api/sites/${id}`, 'DELETE')
  await server.store.contents.clear()
  expect(await keys()).not.toEqual(expect.arrayContaining([once]))
})

test('bytes sent again before they are cleared away are kept on', async () => {
  const { content } = (await send('sent again', 'a.txt')).json
  await server.database('contents').update({ kept_at: new Date(0) })
  await send('sent again', 'a.txt')
  await server.store.contents.clear()
  expect(await keys()).toContain(content)
})

test('all sites together have so much room, which is told with every file', async () => {
  const first = await send('x'.repeat(60_000), 'a.txt')
  expect(first.json.room).toMatchObject({ most: 100_000 })
  const second = await send('y'.repeat(60_000), 'a.txt')
  expect(second).toMatchObject({ status: 507, json: { title: 'No room' } })
  // A site that comes as an archive takes room, too; bytes that are there already take none.
  const archiveOf = (text: string) => {
    const file = { id: 'f', path: 'notes/a.txt', content: 'k', size: text.length, alt: '' }
    const site = { ...newSite('Archived', 'home'), files: new Map([['f', file]]) }
    return writeSiteArchive(site, new Map([['k', Buffer.from(text)]]))
  }
  const create = (archive: Uint8Array) => ask(`${server.url}/api/sites`, 'POST', archive, 'application/zip')
  const before = await keys()
  expect(await create(archiveOf('z'.repeat(60_000)))).toMatchObject({
    status: 507,
    json: { title: 'No room' },
  })
  expect(await keys()).toEqual(before)
  expect((await create(archiveOf('x'.repeat(60_000)))).status).toBe(201)
  // Nothing is wrong with the server.
  expect((await ask(`${server.url}/api/health`)).status).toBe(200)
})
