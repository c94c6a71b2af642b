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
})

describe('wrong keys', () => {
  let guarded: Serving
  beforeEach(async () => {
    guarded = await serve({ accessKey: KEY })
  })
  afterEach(() => guarded.stop())

  /** Sends a key from an address, as a proxy on the same machine tells it. */
  const from = (ip: string, key: string, way: 'form' | 'header', path = '/api/sites') =>
    fetch(guarded.url + (way === 'form' ? '/api/access' : path), {
      ...(way === 'form' ? { method: 'POST', body: JSON.stringify({ key }) } : {}),
      headers: {
        'x-forwarded-for': ip,
        'content-type': 'application/json',
        ...(way === 'header' ? { authorization: `Bearer ${key}` } : {}),
      },
    }).then(({ status }) => status)

  test('are counted for an address, however they come; the right key works from others', async () => {
    const places = ['/api/sites', '/api/health', '/preview/x/', '/', '/api/access']
    for (let n = 0; n < 10; n++)
      expect(await from('192.0.2.1', `wrong ${n}`, n % 2 ? 'form' : 'header', places[n % 5])).toBe(401)
    for (const way of ['form', 'header'] as const) {
      expect(await from('192.0.2.1', 'wrong', way)).toBe(429)
      expect(await from('192.0.2.1', KEY, way)).toBe(429)
    }
    expect(await from('192.0.2.2', KEY, 'header')).toBe(200)
    expect(await from('192.0.2.2', KEY, 'form')).toBe(204)
  })

  test('are counted for the whole network of an IPv6 host', async () => {
    for (let n = 0; n < 10; n++) await from(`2001:db8::${n}`, 'wrong', 'header')
    expect(await from('2001:db8::ffff', 'wrong', 'header')).toBe(429)
  })

  test('are counted in all: then each address has one try, and the right key still works', async () => {
    for (let n = 0; n < 100; n++) expect(await from(`198.51.100.${n}`, 'wrong', 'form')).toBe(401)
    expect(await from('203.0.113.1', 'wrong', 'header')).toBe(401)
    expect(await from('203.0.113.1', 'wrong', 'header')).toBe(429)
    expect(await from('203.0.113.2', KEY, 'header')).toBe(200)
    expect(await from('203.0.113.2', KEY, 'header')).toBe(200)
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
  const blank = `short${' '.repeat(20)}`
  expect(() => readConfig({ ...env, HOST: '0.0.0.0', VIATICA_ACCESS_KEY: blank })).toThrow(/not blank/)
  expect(readConfig({ ...env, HOST: '0.0.0.0', VIATICA_ACCESS_KEY: KEY }).accessKey).toBe(KEY)
})
