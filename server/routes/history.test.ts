import { randomUUID } from 'node:crypto'
import { applyChange } from '@viatica/core/plan/change/apply.ts'
import type { Change } from '@viatica/core/plan/change/change.ts'
import { ChangeRefused } from '@viatica/core/plan/change/refused.ts'
import { arbitraryPick, changeOfPick } from '@viatica/core/testing/arbitrarySite.ts'
import fc from 'fast-check'
import { ask, serve, type Serving } from '../testing/serve.ts'

let server: Serving
beforeAll(async () => {
  server = await serve()
})
afterAll(() => server.stop())

const retitled = (title: string): Change => ({
  kind: 'setEntry',
  entry: 'news',
  field: 'title',
  value: title,
})
const at = (id: string, path: string) => `${server.url}/api/sites/${id}/${path}`

describe('the history of a site', () => {
  test('tells every change in words, the newest first and page by page', async () => {
    const id = await server.demo()
    for (const [base, title] of ['One', 'Two', 'Three'].entries())
      await server.api.post(id, base, retitled(title))
    const { json } = await ask(at(id, 'history?most=2'))
    expect(json.changes).toMatchObject([
      { revision: 3, words: '“Two” renamed “Three”' },
      { revision: 2, words: '“One” renamed “Two”' },
    ])
    expect(Date.now() - Date.parse(json.changes[0].madeAt)).toBeLessThan(60_000)
    const rest = await ask(at(id, 'history?before=2'))
    expect(rest.json.changes.map(({ revision }: { revision: number }) => revision)).toEqual([1])
  })

  test('leads back to any point, on random changes', async () => {
    const id = await server.demo()
    const states = [(await server.api.read(id)).site]
    const picks = fc.sample(arbitraryPick, { numRuns: 25, seed: 7 })
    for (const [n, pick] of picks.entries()) {
      const change = changeOfPick(states.at(-1)!.plan, pick, n)
      if (change.kind === 'addFile' || change.kind === 'removeFile' || change.kind === 'batch') continue
      try {
        states.push(applyChange(states.at(-1)!, change).site)
      } catch (error) {
        expect(error).toBeInstanceOf(ChangeRefused)
        continue
      }
      await server.store.change(id, { id: randomUUID(), base: states.length - 2, change })
    }
    expect(states.length).toBeGreaterThan(8)
    const middle = Math.floor(states.length / 2)
    const { json } = await ask(at(id, `history/${middle}/way-back`))
    expect(json.revision).toBe(states.length - 1)
    const posted = await server.api.post(id, json.revision, { ...json.change, words: 'Gone back' })
    expect(posted.status).toBe(200)
    expect((await server.api.read(id)).site).toEqual(states[middle])
    expect((await ask(at(id, 'history?most=1'))).json.changes[0].words).toBe('Gone back')
    expect((await ask(at(id, `history/${states.length}/way-back`))).json.change).toBeUndefined()
  })

  test('gives out the changes that somebody missed', async () => {
    const id = await server.demo()
    await server.api.post(id, 0, retitled('One'))
    await server.api.post(id, 1, retitled('Two'))
    const { json } = await ask(at(id, 'changes?after=1'))
    expect(json).toEqual({ revision: 2, changes: [{ revision: 2, change: retitled('Two') }] })
  })

  test.each([
    ['history?before=x', 400],
    ['history?most=0', 400],
    ['history?most=1000', 400],
    ['history/now/way-back', 400],
    ['changes', 400],
  ])('%s is refused', async (path, status) => {
    const id = await server.demo()
    expect((await ask(at(id, path))).status).toBe(status)
  })

  test.each(['history', 'history/0/way-back', 'changes?after=0', 'events'])(
    'of no site: %s',
    async (path) => {
      expect((await ask(at('nothing', path))).status).toBe(404)
    },
  )
})

describe('events', () => {
  /** The revisions that a stream of server-sent events says, as they come. */
  async function* revisions(url: string): AsyncGenerator<number> {
    const response = await fetch(url)
    expect(response.headers.get('content-type')).toMatch(/^text\/event-stream/)
    let text = ''
    for await (const chunk of response.body!.pipeThrough(new TextDecoderStream())) {
      text += chunk
      for (let end = text.indexOf('\n\n'); end >= 0; end = text.indexOf('\n\n')) {
        const said = /^event: revision\ndata: (\d+)$/.exec(text.slice(0, end))
        text = text.slice(end + 2)
        if (said) yield Number(said[1])
      }
    }
  }

  test('say the revision at once and at every change, also of another server process', async () => {
    const id = await server.demo()
    const stream = revisions(at(id, 'events'))
    const next = async () => (await stream.next()).value as number
    expect(await next()).toBe(0)
    await server.api.post(id, 0, retitled('One'))
    expect(await next()).toBe(1)
    // As another process would: through the database alone.
    await server.database.raw("select pg_notify('viatica_changes', ?)", [`${id} 2`])
    expect(await next()).toBe(2)
    await server.database.raw("select pg_notify('viatica_changes', 'other 9')")
    await server.api.post(id, 1, retitled('Two'))
    expect(await next()).toBe(2)
    await stream.return(undefined)
  })

  test('say which window writes on which page, to all who have the site open', async () => {
    const id = await server.demo()
    const other = await server.api.create('Other')
    const response = await fetch(at(id, 'events'))
    const reader = response.body!.pipeThrough(new TextDecoderStream()).getReader()
    const window = randomUUID()
    const say = (site: string, said: object) =>
      ask(`${server.url}/api/sites/${site}/windows`, 'POST', { window, page: 'news', asks: true, ...said })
    expect((await say(other, {})).status).toBe(204)
    expect((await say(id, {})).status).toBe(204)
    expect((await say(id, { page: '', asks: false })).status).toBe(204)
    let text = ''
    while (text.split('event: window').length < 3) text += (await reader.read()).value
    await reader.cancel()
    expect([...text.matchAll(/event: window\ndata: (.*)/g)].map(([, said]) => JSON.parse(said!))).toEqual([
      { window, asks: true, page: 'news' },
      { window, asks: false, page: '' },
    ])
    expect((await say('nothing', {})).status).toBe(404)
    for (const wrong of [{ window: 'me' }, { page: '../x' }, { asks: 1 }, { more: true }])
      expect((await say(id, wrong)).status).toBe(400)
  })

  test('are heard again after the connection to the database was broken off', async () => {
    const id = await server.demo()
    const stream = revisions(at(id, 'events'))
    expect((await stream.next()).value).toBe(0)
    const listeners = async () => {
      const { rows } = await server.database.raw(
        "select pid from pg_stat_activity where query = 'listen viatica_changes' and state = 'idle' and datname = current_database()",
      )
      return (rows as { pid: number }[]).map(({ pid }) => pid)
    }
    const [before] = await listeners()
    await server.database.raw('select pg_terminate_backend(?)', [before!])
    let now = await listeners()
    while (now.length !== 1 || now[0] === before) {
      await new Promise((resolve) => setTimeout(resolve, 50))
      now = await listeners()
    }
    await server.api.post(id, 0, retitled('One'))
    expect((await stream.next()).value).toBe(1)
    await stream.return(undefined)
  })
})
