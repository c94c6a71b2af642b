import { sitesAnswer } from '@viatica/core/protocol/sites.ts'
import { noAnswer } from '@viatica/core/protocol/values.ts'
import { Refusal, request } from './request.ts'

const { fetch } = globalThis
afterEach(() => {
  globalThis.fetch = fetch
})

/** The server answers this. */
function answering(body: string | null, status = 200): void {
  globalThis.fetch = () => Promise.resolve(new Response(body, { status }))
}
const refusalOf = (asked: Promise<unknown>) =>
  asked.then(
    () => undefined,
    (error: unknown) => error as Refusal,
  )

const SITE = { id: 'a', name: 'A', tagline: '', baseUrl: '', pages: 1, changedAt: '2026-05-01' }

test('an answer is read by its schema; what a later version adds is passed over', async () => {
  answering(JSON.stringify({ sites: [{ ...SITE, later: 1 }], more: true }))
  expect(await request(sitesAnswer, 'GET', '/api/sites')).toEqual({ sites: [SITE] })
  answering(null, 204)
  expect(await request(noAnswer, 'DELETE', '/api/sites/a')).toBeUndefined()
})

test.each([
  JSON.stringify({ sites: [{ ...SITE, pages: '1' }] }),
  JSON.stringify({ sites: null }),
  JSON.stringify({}),
  'null',
  '<!doctype html><title>Welcome to the café</title>',
  '',
])('an answer that is something else is a refusal that may pass: %s', async (body) => {
  answering(body)
  const refusal = await refusalOf(request(sitesAnswer, 'GET', '/api/sites'))
  expect(refusal).toBeInstanceOf(Refusal)
  expect(refusal).toMatchObject({ status: 502, isPassing: true })
  expect(refusal?.message).toMatch(/not understood/)
})

test('a problem is told in its own words, and by its status where it has none', async () => {
  answering(JSON.stringify({ detail: 'There is no site a.' }), 404)
  expect(await refusalOf(request(sitesAnswer, 'GET', '/'))).toMatchObject({
    status: 404,
    message: 'There is no site a.',
  })
  answering('no JSON', 500)
  expect(await refusalOf(request(sitesAnswer, 'GET', '/'))).toMatchObject({
    status: 500,
    message: expect.stringContaining('status 500'),
  })
})
