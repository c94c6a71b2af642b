import { request } from 'node:http'
import { ask, serve, type Serving } from '../testing/serve.ts'

let server: Serving
beforeAll(async () => {
  server = await serve()
})
afterAll(() => server.stop())

/** As a client would that names the host itself, which fetch does not allow. */
function statusWith(headers: Record<string, string>, method = 'GET', path = '/api/sites'): Promise<number> {
  return new Promise((resolve, reject) => {
    const sent = request(server.url + path, { method, headers }, (response) => {
      response.resume()
      resolve(response.statusCode!)
    })
    sent.on('error', reject)
    sent.end()
  })
}

describe('the server', () => {
  test('answers only to its own host names', async () => {
    const { host } = new URL(server.url)
    expect(await statusWith({ host })).toBe(200)
    expect(await statusWith({ host: 'attacker.example.org' })).toBe(421)
    expect(await statusWith({ host: '127.0.0.1.attacker.example.org' })).toBe(421)
  })

  test('takes changes from its own pages and from programs, not from other sites or sandboxed frames', async () => {
    const { host } = new URL(server.url)
    const remove = (origin: string) => statusWith({ host, origin }, 'DELETE', '/api/sites/none')
    expect(await remove(`http://${host}`)).toBe(404)
    expect(await remove('null')).toBe(403)
    expect(await remove('https://attacker.example.org')).toBe(403)
  })

  test('sends the usual security headers, and does not say what it runs on', async () => {
    const { headers } = await ask(`${server.url}/api/sites`)
    expect(headers.get('content-security-policy')).toMatch(/default-src 'self'.*frame-ancestors 'none'/)
    expect(headers.get('x-content-type-options')).toBe('nosniff')
    expect(headers.get('referrer-policy')).toBe('no-referrer')
    expect(headers.get('x-powered-by')).toBeNull()
  })

  test('answers unknown addresses with a problem (RFC 9457)', async () => {
    const answer = await ask(`${server.url}/api/nothing`)
    expect(answer.headers.get('content-type')).toMatch('application/problem+json')
    expect(answer.json).toEqual({
      type: 'about:blank',
      title: 'Not found',
      status: 404,
      detail: 'There is nothing at /api/nothing.',
    })
  })
})
