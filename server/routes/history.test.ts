import { randomUUID } from 'node:crypto'
import { applyChange } from '@viatica/core/plan/change/apply.ts'
import type { Change } from '@viatica/core/plan/change/change.ts'
import { ChangeRefused } from '@viatica/core/plan/change/refused.ts'
import { toSiteData } from '@viatica/core/plan/siteData.ts'
import { anyChange, arbitraryDraws } from '@viatica/core/testing/arbitraryChange.ts'
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

  test('leads back to any point, on random changes of every kind', async () => {
    const id = await server.demo()
    await server.keepTestContents()
    const states = [(await server.api.read(id)).site]
    for (const [n, draws] of fc.sample(arbitraryDraws, { numRuns: 90, seed: 7 }).entries()) {
      const now = states.at(-1)!
      const change = anyChange(now, draws, n)
      try {
        states.push(applyChange(now, change).site)
      } catch (error) {
        expect(error).toBeInstanceOf(ChangeRefused)
        continue
      }
      await server.store.edits.change(id, { id: randomUUID(), base: states.length - 2, change })
    }
    expect(states.length).toBeGreaterThan(30)
    for (const to of [0, Math.floor(states.length / 2), states.length - 2]) {
      const { revision } = await server.api.read(id)
      const restored = await restore(id, to, revision)
      expect(restored.status).toBe(200)
      expect(toSiteData((await server.api.read(id)).site)).toEqual(toSiteData(states[to]!))
    }
    expect((await ask(at(id, 'history?most=1'))).json.changes[0].words).toBe('Gone back')
    const { revision } = await server.api.read(id)
    expect((await ask(at(id, `history/${revision}/way-back`))).json.change).toBeUndefined()
  })

  /** Goes back to a step. */
  const restore = (id: string, to: number, base: number) =>
    ask(at(id, `history/${to}/restore`), 'POST', { id: randomUUID(), base, words: 'Gone back' })

  test('leads back over more than a request could carry, from the nearest whole state', async () => {
    const id = await server.demo()
    const start = (await server.api.read(id)).site
    // 1,100 saves of a text of 19 kB.
    for (let n = 0; n < 1100; n++) {
      const html = `<p>${n}</p>${'<p>The lock keeper wrote this.</p>'.repeat(580)}`
      const change: Change = { kind: 'setEntry', entry: 'news', field: 'body', value: { html, changed: '' } }
      await server.store.edits.change(id, { id: randomUUID(), base: n, change })
    }
    const { json } = await ask(at(id, 'history/1/way-back'))
    expect(JSON.stringify(json).length).toBeLessThan(30_000)
    expect((await restore(id, 0, 1100)).json.revision).toBe(1101)
    expect(toSiteData((await server.api.read(id)).site)).toEqual(toSiteData(start))
    const states = await server.database('states').where('site_id', id).orderBy('revision').pluck('revision')
    expect(states).toEqual([200, 400, 600, 800, 1000])
    expect((await ask(at(id, 'history/555/way-back'))).json.change.entries).toMatchObject([
      { id: 'news', body: { html: expect.stringMatching(/^<p>554</) } },
    ])
  })

  test('has one step for what was typed on, which is known by each of its edits', async () => {
    const id = await server.demo()
    const ids: string[] = []
    for (const [base, title] of ['T', 'To', 'Tow', 'Towpath'].entries()) {
      const edit = randomUUID()
      await server.store.edits.change(id, { id: edit, base, change: retitled(title), continues: ids.at(-1) })
      ids.push(edit)
    }
    expect((await ask(at(id, 'history'))).json.changes).toMatchObject([
      { revision: 4, words: '“News” renamed “Towpath”' },
    ])
    expect((await ask(at(id, 'history/0/way-back'))).json.change.entries).toMatchObject([{ title: 'News' }])
    expect((await ask(at(id, 'history/2/way-back'))).status).toBe(404)
    const { json } = await ask(at(id, 'changes/made'), 'POST', { ids: [...ids, randomUUID()] })
    expect(json.made).toEqual(ids.map((edit, n) => ({ id: edit, revision: n + 1 })))
    // A window that saw one of them in between goes on from there.
    expect((await ask(at(id, 'changes?after=2'))).json.changes).toMatchObject([{ revision: 4, id: ids[3] }])
    // Posted again, though it is no step of its own any more, it is not made again.
    expect(await server.api.post(id, 0, retitled('T'), ids[0])).toMatchObject({
      status: 200,
      json: { revision: 1 },
    })
    expect((await server.api.read(id)).revision).toBe(4)
  })

  test('does not make one step of edits in two fields, or over the edit of another', async () => {
    const id = await server.demo()
    const [one, other] = [randomUUID(), randomUUID()]
    await server.store.edits.change(id, { id: one, base: 0, change: retitled('One') })
    const label: Change = { kind: 'setEntry', entry: 'news', field: 'label', value: 'N' }
    await server.store.edits.change(id, { id: other, base: 1, change: label, continues: one })
    await server.store.edits.change(id, {
      id: randomUUID(),
      base: 2,
      change: retitled('Two'),
      continues: one,
    })
    expect((await ask(at(id, 'history'))).json.changes).toHaveLength(3)
  })

  test('of another site with the same numbers is no base: a window then reads anew', async () => {
    const id = await server.demo()
    await server.api.post(id, 0, retitled('One'))
    const edit = { id: randomUUID(), base: 1, stamp: randomUUID(), change: retitled('Two') }
    const answer = await ask(at(id, 'changes'), 'POST', edit)
    expect(answer.json).toEqual({ revision: 2, missed: null })
  })

  test('gives out the changes that somebody missed', async () => {
    const id = await server.demo()
    await server.api.post(id, 0, retitled('One'))
    const second = randomUUID()
    await server.api.post(id, 1, retitled('Two'), second)
    const { json } = await ask(at(id, 'changes?after=1'))
    expect(json).toEqual({ revision: 2, changes: [{ revision: 2, id: second, change: retitled('Two') }] })
    expect((await ask(at(id, 'changes?after=9'))).json).toEqual({ revision: 2, changes: null })
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
    // What was announced meanwhile would be missed: the newest revision is said again.
    expect((await stream.next()).value).toBe(0)
    await server.api.post(id, 0, retitled('One'))
    expect((await stream.next()).value).toBe(1)
    await stream.return(undefined)
  })

  test('say that the site was removed', async () => {
    const id = await server.api.create()
    const reader = (await fetch(at(id, 'events'))).body!.pipeThrough(new TextDecoderStream()).getReader()
    let text = ''
    const until = async (said: string) => {
      while (!text.includes(said)) text += (await reader.read()).value
    }
    await until('event: revision')
    await ask(`${server.url}/api/sites/${id}`, 'DELETE')
    await until('event: removed')
    await reader.cancel()
    expect((await ask(at(id, 'events'))).status).toBe(404)
  })
})
