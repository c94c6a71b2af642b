import { ask, serve, type Serving } from '../testing/serve.ts'
import { bring } from '@viatica/core/existing/bring.ts'
import { type FilePass, signedPath } from '@viatica/core/render/filePass.ts'
import { accessAnswer } from '@viatica/core/protocol/access.ts'
import type { Request } from 'express'
import * as v from 'valibot'
import { Sessions } from '../store/sessions.ts'
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
const text = async (path: string, headers: Record<string, string> = {}) => (await get(path, headers)).text()
/** Signs in as a browser does. @returns its cookie */
const session = async () => (await signIn(KEY)).headers.get('set-cookie')!.split(';')[0]!
/** The addresses of a page of the demo that are signed, from the top of the server. */
const signedFiles = (html: string): string[] =>
  [...html.matchAll(/="([^"]*[?]pass=[^"]*)"/g)].map(([, address]) => {
    const { pathname, search } = new URL(
      address!.replaceAll('&amp;', '&'),
      `http://x/preview/${id}/visit.html`,
    )
    return pathname + search
  })
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
    expect(cookie).toMatch(/; SameSite=Lax/)
    expect(cookie).not.toContain(KEY)
    const own = { cookie: cookie.split(';')[0]! }
    expect((await get('/api/sites', own)).status).toBe(200)
    expect(
      (await get('/api/sites', { cookie: own.cookie.replace(/.$/, (end) => (end === 'A' ? 'B' : 'A')) }))
        .status,
    ).toBe(401)
  })

  test('ends a session at sign-out: its cookie, its event streams and its passes open nothing more', async () => {
    const cookie = await session()
    const stays = await session()
    const [file] = signedFiles(await text(`/preview/${id}/`, { cookie }))
    expect((await get(file!)).status).toBe(200)
    const out = await fetch(`${server.url}/api/access`, { method: 'DELETE', headers: { cookie } })
    expect(out.headers.get('set-cookie')).toMatch(/Max-Age=0/)
    expect((await get('/api/sites', { cookie })).status).toBe(401)
    expect((await get(`/preview/${id}/`, { cookie })).status).toBe(401)
    expect((await get(file!)).status).toBe(401)
    expect((await get('/api/sites', { cookie: stays })).status).toBe(200)
  })

  test('shows previews, whose pages send no cookie, with addresses that are signed file by file', async () => {
    const cookie = await session()
    const html = await text(`/preview/${id}/visit.html`, { cookie })
    const files = signedFiles(html)
    expect(files.map((file) => file.replace(/[?].*/, ''))).toContain(`/preview/${id}/style.css`)
    expect(files.length).toBeGreaterThan(2)
    for (const file of files) expect((await get(file)).status).toBe(200)
    // Links of the page lead to pages, for which the browser does send the cookie.
    expect(html).toMatch(/<a href="[^"?]*visit[^"?]*"/)

    const [one = '', other = ''] = files
    const pass = one.slice(one.indexOf('?'))
    for (const path of [
      other.replace(/[?].*/, ''),
      `/preview/${id}/`,
      `/preview/${id}/visit.html`,
      `/preview/another/${one.split('/').slice(3).join('/').replace(/[?].*/, '')}`,
      '/api/sites',
    ])
      expect((await get(path + pass)).status).toBe(401)
    expect((await get(one.replace(/[?].*/, ''))).status).toBe(401)
    expect((await get(one.replace(/.$/, (end) => (end === '0' ? '1' : '0')))).status).toBe(401)
    for (const wrong of ['', '.', '...', 'zzzz.00..00', `${pass.slice(6)}.`, 'a&pass=b'])
      expect((await get(`${one.replace(/[?].*/, '')}?pass=${wrong}`)).status).toBe(401)
  })

  test('signs the files of a style sheet with the pass that it came with', async () => {
    const cookie = await session()
    const html = await text(`/preview/${id}/`, { cookie })
    const style = signedFiles(html).find((file) => file.includes('style.css'))!
    const fonts = [...(await text(style)).matchAll(/url\(["']?([^"')]+)["']?\)/g)].map(([, url]) => url!)
    expect(fonts.length).toBeGreaterThan(0)
    for (const font of fonts) {
      const { pathname, search } = new URL(font, `http://x/preview/${id}/style.css`)
      expect(search.split('.').slice(0, 3)).toEqual(style.slice(style.indexOf('?')).split('.').slice(0, 3))
      const response = await get(pathname + search)
      expect([response.status, response.headers.get('access-control-allow-origin')]).toEqual([200, '*'])
    }
  })

  test('signs the files of a site of templates, from the top of the site too', async () => {
    const page = (title: string, up: string) =>
      `<!DOCTYPE html><html lang=en><head><title>${title}</title><link rel=stylesheet href="/css/own.css"></head>` +
      `<body background=${up}img/back.gif><ul><li><a href=/index.html>Home</a><li><a href=/sub/two.html>Two</a></ul>` +
      `<h1>${title}</h1><p>Text of ${title}<img src="${up}img/a%20b.gif"></body></html>`
    const gif = Buffer.from('R0lGODlhAQABAAAAACH5BAEKAAEALAAAAAABAAEAAAICTAEAOw==', 'base64')
    const files = {
      'index.html': page('Home', ''),
      'sub/two.html': page('Two', '../'),
      'css/own.css': 'p{background:url(../img/back.gif)}',
      'img/back.gif': gif,
      'img/a b.gif': gif,
    }
    const brought = bring(Object.entries(files).map(([path, bytes]) => ({ path, bytes: Buffer.from(bytes) })))
    expect(brought.site.surround.templates).toBeTruthy()
    const own = await server.store.sites.create(brought.site, brought.contents)
    const cookie = await session()
    for (const path of ['index.html', 'sub/two.html']) {
      const at = `http://x/preview/${own}/${path}`
      const html = await text(`/preview/${own}/${path}`, { cookie })
      const signed = [...html.matchAll(/="([^"]*[?]pass=[^"]*)"/g)].map(([, one]) => new URL(one!, at))
      expect(signed.map(({ pathname }) => pathname.slice(`/preview/${own}/`.length)).sort()).toEqual([
        'css/own.css',
        'img/a%20b.gif',
        'img/back.gif',
      ])
      for (const { pathname, search } of signed) expect((await get(pathname + search)).status).toBe(200)
    }
  })

  test('gives a window a pass of its own, and says what is needed', async () => {
    const cookie = await session()
    const ask = async (headers: Record<string, string>) =>
      fetch(`${server.url}/api/sites/${id}/preview-pass`, { method: 'POST', headers })
    expect((await ask({})).status).toBe(401)
    const passes = await Promise.all(
      [1, 2].map(async () => ((await (await ask({ cookie })).json()) as { pass: FilePass }).pass),
    )
    expect(passes[0]!.id).not.toBe(passes[1]!.id)
    for (const pass of passes) {
      const address = `/preview/${id}/style.css?pass=${signedPath(pass, 'style.css')}`
      expect((await get(address)).status).toBe(200)
    }
    const told = async (headers = {}) =>
      v.parse(accessAnswer, await (await get('/api/access', headers)).json())
    expect(await told()).toEqual({ isNeeded: true, isIn: false })
    expect(await told({ cookie })).toEqual({ isNeeded: true, isIn: true })
  })

  test('writes nothing into its log that opens a file', async () => {
    const cookie = await session()
    const [file = ''] = signedFiles(await text(`/preview/${id}/`, { cookie }))
    await get(`${file}&v=1`)
    const logged = server.logged().filter(({ req }) => req?.url.includes('&v=1'))
    expect(logged.map(({ req }) => req!.url)).toEqual([file.replace(/pass=.*/, 'pass=…&v=1')])
    expect(
      server
        .logged()
        .map((line) => JSON.stringify(line))
        .join(''),
    ).not.toContain(cookie.split('=')[1])
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

describe('sessions and passes end', () => {
  let now = Date.UTC(2026, 4, 1)
  const clock = () => now
  const requestWith = (token: string, query: object = {}) =>
    ({ headers: { cookie: `viatica-access=${token}` }, query }) as unknown as Request
  const accessWith = (key: string) => new Access(key, new Sessions(server.database, clock), clock)

  test('with the key, after 30 days, and at sign-out at another server', async () => {
    const [access, other] = [accessWith(KEY), accessWith(KEY)]
    const { token, lastsMs } = await access.signIn()
    const request = requestWith(token)
    const { session } = (await access.visitor(request))!
    expect(await other.visitor(request)).toEqual({ session })
    expect(await accessWith(`${KEY}!`).visitor(request)).toBeUndefined()
    expect(await access.visitor(requestWith(session!))).toBeUndefined()
    await access.signOut(request)
    now += 5001
    expect(await other.visitor(request)).toBeUndefined()
    const next = requestWith((await access.signIn()).token)
    now += lastsMs - 1
    expect(await other.visitor(next)).toBeDefined()
    now += 5001
    expect(await other.visitor(next)).toBeUndefined()
  })

  test('and a pass after half an hour, with its session, and with the key', async () => {
    const access = accessWith(KEY)
    const signIn = requestWith((await access.signIn()).token)
    const visitor = (await access.visitor(signIn))!
    const file = { site: 'a', path: 'b c/ü.png' }
    const said = (pass: FilePass) => requestWith('', { pass: signedPath(pass, file.path) })
    const pass = access.newPass('a', visitor)
    expect(await access.passOf(said(pass), file)).toEqual(pass)
    expect(await access.passOf(said(pass), { ...file, site: 'b' })).toBeUndefined()
    expect(await access.passOf(said(pass), { ...file, path: 'b' })).toBeUndefined()
    expect(await accessWith(`${KEY}!`).passOf(said(pass), file)).toBeUndefined()
    now += 30 * 60_000
    expect(await access.passOf(said(pass), file)).toBeUndefined()
    const later = access.newPass('a', visitor)
    await access.signOut(signIn)
    expect(await access.passOf(said(later), file)).toBeUndefined()
    // A program has no session: its pass ends by time alone.
    const program = access.newPass('a', { session: undefined })
    expect(await access.passOf(said(program), file)).toEqual(program)
  })
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
