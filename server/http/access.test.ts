import { ask, serve, type Serving } from '../testing/serve.ts'
import { readConfig } from '../config.ts'
import { Access } from './access.ts'

const KEY = 'a-key-of-more-than-16-characters'

let server: Serving
let id: string
beforeAll(async () => {
  server = await serve({ accessKey: KEY })
  id = await server.demo()
})
afterAll(() => server.stop())

const get = (path: string, headers: Record<string, string> = {}) =>
  fetch(server.url + path, { headers, redirect: 'manual' })
const signIn = (key: string) => ask(`${server.url}/api/access`, 'POST', { key })

describe('a server with an access key', () => {
  test.each([
    '/api/sites',
    '/api/sites/ID',
    '/api/sites/ID/events',
    '/api/sites/ID/archive.zip',
    '/preview/ID/',
    '/api/nothing',
  ])('lets nobody to %s without it', async (path) => {
    const response = await get(path.replace('ID', id))
    expect(response.status).toBe(401)
    expect(response.headers.get('content-type')).toMatch('application/problem+json')
    const wrong = await get(path.replace('ID', id), { authorization: 'Bearer wrong' })
    expect(wrong.status).toBe(401)
  })

  test('says without it only that it lives', async () => {
    expect(await (await get('/api/health')).json()).toEqual({ status: 'alive' })
    expect(await (await get('/api/health', { authorization: `Bearer ${KEY}` })).json()).toEqual({
      status: 'well',
    })
  })

  test('lets a program in by a header, and a browser by a cookie that its scripts cannot read', async () => {
    expect((await get('/api/sites', { authorization: `Bearer ${KEY}` })).status).toBe(200)
    const signedIn = await signIn(KEY)
    expect(signedIn.status).toBe(204)
    const cookie = signedIn.headers.get('set-cookie')!
    expect(cookie).toMatch(/; HttpOnly/)
    expect(cookie).toMatch(/; SameSite=Strict/)
    expect(cookie).not.toContain(KEY)
    const own = { cookie: cookie.split(';')[0]! }
    expect((await get('/api/sites', own)).status).toBe(200)
    expect(
      (await get('/api/sites', { cookie: own.cookie.replace(/.$/, (end) => (end === 'A' ? 'B' : 'A')) }))
        .status,
    ).toBe(401)
  })

  test('shows previews, whose pages send no cookie, at addresses that hold a pass', async () => {
    const { preview } = (await (await get('/api/access', { authorization: `Bearer ${KEY}` })).json()) as {
      preview: string
    }
    expect((await get(`/preview/~${preview}/${id}/style.css`)).status).toBe(200)
    expect((await get(`/preview/~${preview}x/${id}/style.css`)).status).toBe(401)
    // A pass for previews opens nothing else.
    expect((await get('/api/sites', { cookie: `viatica-access=${preview}` })).status).toBe(401)
    expect(await (await get('/api/access')).json()).toEqual({ isNeeded: true, isIn: false, preview: '' })
  })

  test('takes no more than a few wrong keys from one address', async () => {
    const statuses = []
    for (let n = 0; n < 12; n++) statuses.push((await signIn(`wrong ${n}`)).status)
    expect(statuses.slice(0, 10)).toEqual(Array.from({ length: 10 }, () => 401))
    expect(statuses.slice(10)).toEqual([429, 429])
    expect((await signIn(KEY)).status).toBe(429)
  })
})

test('a pass has an end, and ends with the key that it was given for', () => {
  let now = 1_000_000
  const access = new Access(KEY, () => now)
  const pass = access.pass('browser', 1000)
  expect(access.isPass('browser', pass)).toBe(true)
  expect(new Access(`${KEY}!`, () => now).isPass('browser', pass)).toBe(false)
  now += 1001
  expect(access.isPass('browser', pass)).toBe(false)
  for (const made of ['', '.', 'zzzzzzzz.', `zzzzzzzz.${pass.split('.')[1]}`])
    expect(access.isPass('browser', made)).toBe(false)
})

test('beyond loopback the server starts only with a key', () => {
  const env = { DATABASE_URL: 'postgres://x' }
  expect(readConfig(env).accessKey).toBeUndefined()
  for (const HOST of ['127.0.0.1', 'localhost', '::1']) expect(readConfig({ ...env, HOST }).host).toBe(HOST)
  for (const HOST of ['0.0.0.0', '::', '192.0.2.1', 'example.org', '127.0.0.1.example.org'])
    expect(() => readConfig({ ...env, HOST })).toThrow(/^VIATICA_ACCESS_KEY must be set/)
  expect(() => readConfig({ ...env, HOST: '0.0.0.0', VIATICA_ACCESS_KEY: 'short' })).toThrow(/16 characters/)
  expect(readConfig({ ...env, HOST: '0.0.0.0', VIATICA_ACCESS_KEY: KEY }).accessKey).toBe(KEY)
})
