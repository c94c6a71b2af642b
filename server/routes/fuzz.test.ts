import { randomUUID } from 'node:crypto'
import { request } from 'node:http'
import fc from 'fast-check'
import { anyChange, arbitraryDraws } from '@viatica/core/testing/arbitraryChange.ts'
import { serve, type Serving } from '../testing/serve.ts'

let server: Serving
let id: string
beforeAll(async () => {
  server = await serve()
  id = await server.demo()
})
afterAll(() => server.stop())

interface Sent {
  readonly method: string
  readonly path: string
  readonly body: string | Buffer
  readonly type: string
}

/** Sends anything, also what a browser would never send. @returns the status */
function send({ method, path, body, type }: Sent): Promise<number> {
  return new Promise((resolve, reject) => {
    const url = new URL(server.url)
    const sent = request(
      { host: url.hostname, port: url.port, method, path, agent: false, headers: { 'content-type': type } },
      (response) => {
        // A stream of events would never end.
        response.on('data', () => path.includes('/events') && response.destroy())
        response.on('close', () => resolve(response.statusCode!))
        response.resume()
      },
    )
    sent.on('error', reject)
    sent.end(body)
  })
}

const PATHS = [
  '/api/health',
  '/api/sites',
  '/api/sites/SITE',
  '/api/sites/SITE/changes',
  '/api/sites/SITE/changes?after=0',
  '/api/sites/SITE/changes/made',
  '/api/sites/SITE/history',
  '/api/sites/SITE/history/0/way-back',
  '/api/sites/SITE/history/0/restore',
  '/api/sites/SITE/windows',
  '/api/sites/SITE/events',
  '/api/sites/SITE/plan.opml',
  '/api/contents/a.css',
  '/api/contents/a.svg',
  '/api/contents/a.png',
  '/api/contents/KEY/text',
  '/api/contents/KEY/picture/a.png',
  '/preview/SITE/index.html',
  '/preview/SITE',
]
const ODD = [
  '%00',
  '%',
  '%zz',
  '..',
  '%2e%2e',
  'é',
  '%F0%9F',
  '?',
  '?before=x',
  '?after=-1',
  '?most=999999999999',
  '//',
  'a'.repeat(3000),
]

const path = fc
  .tuple(
    fc.constantFrom(...PATHS),
    fc.constantFrom('demo', 'none', '', ...ODD),
    fc.constantFrom('', '', ...ODD),
  )
  .map(([one, site, end]) =>
    // eslint-disable-next-line no-control-regex -- what stands in a request line
    encodeURI((one.replace('SITE', site === 'demo' ? id : site) + end).replace(/[\s\u0000]/g, '')).replace(
      /%25/g,
      '%',
    ),
  )

const odd = fc.constantFrom<unknown>(
  ...[
    null,
    0,
    -1,
    1e308,
    '',
    '\0',
    '\ud800',
    'constructor',
    '__proto__',
    [],
    {},
    [[]],
    'x'.repeat(5000),
    '2026-02-31',
    true,
  ],
)

/** JSON that is right but for one value, and JSON that is anything. */
const json = fc.oneof(
  fc.jsonValue().map((value) => JSON.stringify(value)),
  fc.tuple(arbitraryDraws, odd, fc.nat(30)).map(([draws, value, at]) => {
    const change = JSON.parse(JSON.stringify(anyChange(site, draws, at))) as object
    const edit = { id: randomUUID(), base: 0, change }
    // One of the values, wherever it stands, becomes an odd one.
    let count = 0
    return JSON.stringify(edit, (_, one: unknown) => (count++ === at ? value : one))
  }),
  fc.constant('{"__proto__":{"id":1},"id":"x"}'),
  fc.constant('['.repeat(50_000)),
  fc.constant(`{"id":"${'x'.repeat(100_000)}"`),
)
/** Set before the first request: what random changes are made for. */
let site: Parameters<typeof anyChange>[0]

const HEADS = [
  '89504e470d0a1a0a',
  'ffd8ffe0',
  '47494638',
  '52494646',
  '0000001c66747970',
  '504b0304',
  '25504446',
  '774f4632',
  '494433',
  '1a45dfa3',
  '3c737667',
  'fffe',
  'feff',
]
const bytes = fc.oneof(
  fc
    .tuple(fc.constantFrom(...HEADS), fc.uint8Array({ maxLength: 40 }))
    .map(([head, rest]) => Buffer.concat([Buffer.from(head, 'hex'), rest])),
  fc.uint8Array({ maxLength: 200 }).map((all) => Buffer.from(all)),
)

const sent: fc.Arbitrary<Sent> = fc.record({
  method: fc.constantFrom('GET', 'POST', 'DELETE', 'PUT', 'HEAD', 'PATCH', 'POST', 'POST'),
  path,
  body: fc.oneof(json, bytes, fc.constant('')),
  type: fc.constantFrom(
    'application/json',
    'application/json',
    'application/octet-stream',
    'application/vnd.viatica.site+json',
    'text/x-opml',
    'text/plain',
    'application/json; charset=utf-16',
    'x',
  ),
})

test('whatever is sent, the server answers, and never with an error of its own', async () => {
  site = (await server.api.read(id)).site
  await fc.assert(
    fc.asyncProperty(sent, async (one) => {
      // The demo is needed on.
      if (one.method === 'DELETE' && one.path.startsWith(`/api/sites/${id}`)) return
      const status = await send(one)
      expect(status).toBeLessThan(500)
    }),
    { numRuns: Number(process.env['VIATICA_FUZZ'] ?? 1200) },
  )
  expect(await send({ method: 'GET', path: '/api/health', body: '', type: '' })).toBe(200)
}, 600_000)

test('a request that is right but for one value is refused with the place of it', async () => {
  const wrong = {
    id: randomUUID(),
    base: 0,
    change: { kind: 'setEntry', entry: 'news', field: 'seen', value: { on: '2026-02-31', marks: {} } },
  }
  const answer = await server.api.post(id, 0, wrong.change)
  expect(answer).toMatchObject({ status: 400, json: { path: 'change.value.on' } })
})

test('levels without end, files cut short and very many files are refused or work', async () => {
  const deep = `{"id":"${randomUUID()}","base":0,"change":{"kind":"add","parent":"home","place":0,"branches":${'[{"kind":"group","id":"g","label":"g","entries":'.repeat(1000)}[]${'}]'.repeat(1000)}}}`
  const at = `/api/sites/${id}/changes`
  expect(await send({ method: 'POST', path: at, body: deep, type: 'application/json' })).toBe(400)
  const png = Buffer.from('89504e470d0a1a0a0000000d49484452', 'hex')
  for (let length = 1; length <= png.length; length++)
    expect(
      await send({ method: 'POST', path: '/api/contents/a.png', body: png.subarray(0, length), type: 'x/y' }),
    ).toBeLessThan(500)
  const { content } = JSON.parse(
    await (await fetch(`${server.url}/api/contents/a.txt`, { method: 'POST', body: 'text' })).text(),
  ) as { content: string }
  const many = (count: number) => ({
    kind: 'batch',
    changes: Array.from({ length: count }, (_, n) => ({
      kind: 'addFile',
      file: { id: `m${n}`, path: `many/${n}.txt`, content, size: 4 },
    })),
  })
  const site = await server.api.create()
  expect((await server.api.post(site, 0, many(11_000))).status).toBe(200)
  expect(
    (await server.api.post(site, 1, { kind: 'batch', changes: many(20_001).changes.slice(11_000) })).json
      .detail,
  ).toMatch(/at most 20000 files/)
})
