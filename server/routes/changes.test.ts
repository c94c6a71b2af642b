import { randomUUID } from 'node:crypto'
import { applyChange } from '@viatica/core/plan/change/apply.ts'
import type { Change } from '@viatica/core/plan/change/change.ts'
import { ChangeRefused } from '@viatica/core/plan/change/refused.ts'
import { childrenOf, walk } from '@viatica/core/plan/plan.ts'
import type { Site } from '@viatica/core/plan/site.ts'
import { arbitraryPick, changeOfPick } from '@viatica/core/testing/arbitrarySite.ts'
import fc from 'fast-check'
import { ask, serve, type Serving } from '../testing/serve.ts'

let server: Serving
beforeAll(async () => {
  server = await serve()
})
afterAll(() => server.stop())

/** All that is stored of a site, row by row. */
async function rowsOf(id: string) {
  const entries = await server.database('entries').where('site_id', id).orderBy('id')
  const files = await server.database('files').where('site_id', id).orderBy('id')
  const changes = await server.database('changes').where('site_id', id).orderBy('revision')
  const { settings, revision } = await server.database('sites').where({ id }).first()
  return { entries, files, changes, settings, revision }
}

const plain = ({ plan, settings, files }: Site) => ({
  settings,
  files: [...files].sort(),
  entries: [...walk(plan)].map(({ entry, depth }) => ({ depth, entry })),
})

const group = (id: string): Change => ({
  kind: 'add',
  parent: 'home',
  place: 0,
  branches: [{ kind: 'group', id, label: id, fileName: '', note: '', inMenu: true, entries: [] }],
})

test('a full disk is told, stores nothing and ends with room', async () => {
  const id = await server.demo()
  await server.api.post(id, 0, group('g1'))
  const before = await rowsOf(id)
  // PostgreSQL itself says that it has no room, in the middle of the transaction.
  await server.database.raw(`
    create function no_room() returns trigger language plpgsql as
      $$ begin raise exception 'could not extend file' using errcode = 'disk_full'; end $$;
    create trigger no_room before insert on changes for each row execute function no_room()`)
  const edit = randomUUID()
  const refused = await server.api.post(id, 1, group('g2'), edit)
  expect(refused).toMatchObject({ status: 507, json: { title: 'Disk full' } })
  expect((await ask(`${server.url}/api/health`)).status).toBe(507)
  expect(await rowsOf(id)).toEqual(before)
  // What is there can still be read.
  expect((await server.api.read(id)).revision).toBe(1)

  await server.database.raw('drop trigger no_room on changes; drop function no_room()')
  expect(await server.api.post(id, 1, group('g2'), edit)).toMatchObject({
    status: 200,
    json: { revision: 2 },
  })
  expect((await ask(`${server.url}/api/health`)).status).toBe(200)
})

describe('changes', () => {
  test('are stored with their inverse and the new revision, and read back', async () => {
    const id = await server.demo()
    expect(
      await server.api.post(id, 0, {
        kind: 'setEntry',
        entry: 'tanyard',
        field: 'title',
        value: 'Tanyard Locks',
      }),
    ).toMatchObject({
      status: 200,
      json: { revision: 1, missed: [] },
    })
    const { changes } = await rowsOf(id)
    expect(changes).toMatchObject([
      {
        revision: 1,
        inverse: { field: 'title', value: 'Tanyard Staircase' },
        words: '“Tanyard Staircase” renamed “Tanyard Locks”',
      },
    ])
    expect((await server.api.read(id)).site.plan.entries.get('tanyard')).toMatchObject({
      title: 'Tanyard Locks',
    })
  })

  test('random sequences are stored as core applies them; the stored inverses bring back the first state exactly', async () => {
    const id = await server.demo()
    await server.keepTestContents()
    const start = (await server.api.read(id)).site
    let now = start
    let revision = 0
    const picks = fc.sample(arbitraryPick, { numRuns: 120, seed: 20260501 })
    for (const [at, pick] of picks.entries()) {
      const change = changeOfPick(now.plan, pick, at)
      let expected: Site | undefined
      try {
        expected = applyChange(now, change).site
      } catch (error) {
        if (!(error instanceof ChangeRefused)) throw error
      }
      const answer = await server.api.post(id, revision, change)
      if (expected) {
        expect(answer).toMatchObject({ status: 200, json: { revision: revision + 1 } })
        now = expected
        revision++
      } else expect([400, 422]).toContain(answer.status)
    }
    expect(revision).toBeGreaterThan(40)
    // Read by another store, which remembers nothing.
    const { site } = await server.api.read(id)
    expect(plain(site)).toEqual(plain(now))
    const { changes } = await rowsOf(id)
    for (const { inverse } of changes.reverse()) {
      expect((await server.api.post(id, revision++, inverse)).status).toBe(200)
    }
    expect(plain((await server.api.read(id)).site)).toEqual(plain(start))
  })

  test.each([
    ['under itself', { kind: 'move', entry: 'boating', parent: 'tanyard', place: 0 }, 422, /under itself/],
    ['of the home page', { kind: 'remove', entries: ['home'] }, 422, /root of the plan/],
    ['of an unknown kind', { kind: 'paint' }, 400, /^change\.kind: /],
    ['with a field missing', { kind: 'move', entry: 'boating', parent: 'visit' }, 400, /^change\.place: /],
    [
      'with a slash in a file name',
      { kind: 'setEntry', entry: 'visit', field: 'fileName', value: 'a/b' },
      400,
      /^change\.value: .*"\/"/,
    ],
    [
      'half of which is wrong',
      {
        kind: 'batch',
        changes: [
          { kind: 'remove', entries: ['visit'] },
          { kind: 'remove', entries: ['gone'] },
        ],
      },
      422,
      /no longer/,
    ],
    [
      'with bytes that nobody sent',
      { kind: 'addFile', file: { id: 'x', path: 'x.svg', content: 'nothere' } },
      422,
      /not among the contents/,
    ],
  ])('a change %s is refused and leaves nothing behind', async (_, change, status, reason) => {
    const id = await server.demo()
    const before = await rowsOf(id)
    const answer = await server.api.post(id, 0, change)
    expect(answer).toMatchObject({ status, json: { detail: expect.stringMatching(reason) } })
    expect(await rowsOf(id)).toEqual(before)
  })

  test('a change on a revision that is yet to come, or on no site, is refused', async () => {
    const id = await server.api.create()
    expect(await server.api.post(id, 7, group('a'))).toMatchObject({ status: 400, json: { path: 'base' } })
    expect((await server.api.post('nosite', 0, group('a'))).status).toBe(404)
  })

  test('a body too large is refused with 413', async () => {
    const id = await server.api.create()
    const answer = await server.api.post(id, 0, {
      kind: 'setEntry',
      entry: 'home',
      field: 'note',
      value: 'x'.repeat(21_000_000),
    })
    expect(answer.status).toBe(413)
  })

  test('posting the same edit twice makes it once', async () => {
    const id = await server.api.create()
    const edit = randomUUID()
    const first = await server.api.post(id, 0, group('a'), edit)
    expect(await server.api.post(id, 0, group('a'), edit)).toMatchObject({ status: 200, json: first.json })
    expect((await server.api.read(id)).revision).toBe(1)
  })

  test('an edit on an older revision is carried forward, with the changes that its author missed', async () => {
    const id = await server.demo()
    await server.api.post(id, 0, { kind: 'setEntry', entry: 'visit', field: 'title', value: 'Come' })
    const late = await server.api.post(id, 0, {
      kind: 'setEntry',
      entry: 'news',
      field: 'title',
      value: 'Latest',
    })
    expect(late).toMatchObject({
      status: 200,
      json: { revision: 2, missed: [{ revision: 1, change: { entry: 'visit', value: 'Come' } }] },
    })
  })

  test('tells a long text that was missed, and goes back before it, through a thread', async () => {
    const id = await server.demo()
    const { site } = await server.api.read(id)
    const long = { html: '<p>Tide table <put-year></put-year></p>'.repeat(2000) }
    await server.api.post(id, 0, { kind: 'setEntry', entry: 'visit', field: 'body', value: long })
    const short = { html: '<p>No tides</p>' }
    await server.api.post(id, 1, { kind: 'setEntry', entry: 'visit', field: 'body', value: short })
    const late = await server.api.post(id, 0, group('late'))
    expect(late).toMatchObject({
      status: 200,
      json: { missed: [{ change: { entry: 'visit', value: long } }, { change: { value: short } }] },
    })
    const back = await server.store.edits.restore(id, { id: randomUUID(), base: 3 }, 1, 'Back')
    expect(back.revision).toBe(4)
    const then = (await server.api.read(id)).site
    expect(then.plan.entries.get('visit')).toMatchObject({ body: long })
    expect(then.plan.entries.size).toBe(site.plan.entries.size)
  })

  test('an edit that was overtaken is refused with 409', async () => {
    const id = await server.demo()
    await server.api.post(id, 0, { kind: 'remove', entries: ['visit'] })
    const late = await server.api.post(id, 0, {
      kind: 'setEntry',
      entry: 'access',
      field: 'title',
      value: 'Ramps',
    })
    expect(late).toMatchObject({ status: 409, json: { title: 'Overtaken' } })
    expect((await server.api.read(id)).revision).toBe(1)
  })

  test('two writers on one base both end in a consistent plan, whatever they do', async () => {
    const id = await server.demo()
    const writer = async (who: string) => {
      for (let n = 0; n < 15; n++) {
        const { plan } = (await server.api.read(id)).site
        const [first, second] = [...plan.entries.keys()].filter((key) => key !== 'home').slice(n % 7)
        await Promise.all([
          server.api.post(id, 0, group(`${who}-${n}`)),
          server.api.post(id, 0, { kind: 'move', entry: first!, parent: second!, place: 0 }),
          server.api.post(id, 0, { kind: 'setSite', field: 'tagline', value: `${who} ${n}` }),
        ])
      }
    }
    await Promise.all([writer('a'), writer('b')])
    const { site, revision } = await server.api.read(id)
    const walked = [...walk(site.plan)].map(({ entry }) => entry.id)
    expect(new Set(walked).size).toBe(walked.length)
    expect(walked.length).toBe(site.plan.entries.size)
    for (const who of ['a', 'b'])
      for (let n = 0; n < 15; n++)
        expect(childrenOf(site.plan, 'home').concat(walked)).toContain(`${who}-${n}`)
    const { changes, entries } = await rowsOf(id)
    expect(changes.map((row) => row.revision)).toEqual(Array.from({ length: revision }, (_, at) => at + 1))
    // What is stored equals the log played back from the start.
    const replayed = changes.reduce((now, { change }) => applyChange(now, change).site, await demoSite())
    expect(plain(site)).toEqual(plain(replayed))
    expect(entries).toHaveLength(walked.length)
  })

  async function demoSite(): Promise<Site> {
    return (await server.api.read(await server.demo())).site
  }
})

test('a site that is held up holds up nobody but its own writers, and those not for ever', async () => {
  const [held, free] = [await server.api.create('Held'), await server.api.create('Free')]
  const lock = await server.database.transaction()
  await lock('sites').where({ id: held }).forUpdate().first()
  const waiting = Array.from({ length: 14 }, (_, n) => server.api.post(held, 0, group(`g${n}`)))
  expect((await server.api.post(free, 0, group('g'))).status).toBe(200)
  expect((await server.api.read(held)).revision).toBe(0)
  const first = await waiting[0]!
  expect(first).toMatchObject({ status: 503, json: { title: 'Busy' } })
  await lock.rollback()
  const rest = await Promise.all(waiting.slice(1))
  expect(rest.map(({ status }) => status)).toContain(200)
})

describe('contents', () => {
  const svg = '<svg xmlns="http://www.w3.org/2000/svg"/>'
  const send = (bytes: string | Uint8Array, name: string) =>
    ask(`${server.url}/api/contents/${name}`, 'POST', bytes, 'application/octet-stream')

  test('are kept by their digest, and become a file of a site by a change', async () => {
    const { json } = await send(svg, 'mark.svg')
    expect(json.content).toMatch(/^[0-9a-f]{64}$/)
    const id = await server.api.create()
    const file = { id: 'mark', path: 'pictures/mark.svg', content: json.content, size: json.size }
    const changes = [
      { kind: 'addFile', file },
      { kind: 'setSite', field: 'logo', value: { file: 'mark', alt: 'A mark' } },
    ]
    expect((await server.api.post(id, 0, { kind: 'batch', changes })).status).toBe(200)
    const shown = await ask(`${server.url}/preview/${id}/pictures/mark.svg`)
    expect(shown.text).toBe(svg)
    expect(shown.headers.get('content-type')).toMatch('image/svg+xml')
    expect((await server.api.post(id, 1, { kind: 'removeFile', file: 'mark' })).json.detail).toMatch(/logo/)
  })

  test('of a style sheet are read as text, and never as a document', async () => {
    const { content } = (await send('a { color: red }', 'a.css')).json
    const read = await ask(`${server.url}/api/contents/${content}/text`)
    expect(read.json).toEqual({ text: 'a { color: red }' })
    expect(read.headers.get('content-type')).toMatch('application/json')
    expect((await ask(`${server.url}/api/contents/none/text`)).status).toBe(404)
  })

  test('that came with existing pages are of any kind, and stand for no more than their bytes', async () => {
    expect((await send('no kind that is known', 'notes.xyz')).status).toBe(415)
    const { status, json } = await send('<b>not a picture</b>', 'notes.xyz?found')
    expect(status).toBe(201)
    const id = await server.api.create()
    const file = { id: 'notes', content: json.content, size: json.size }
    const add = (more: object) =>
      server.api.post(id, 0, { kind: 'addFile', file: { ...file, path: 'notes.xyz', ...more } })
    expect((await add({})).status).toBe(400)
    // Under the name of a picture its bytes are looked at after all.
    expect((await add({ path: 'notes.svg' })).status).toBe(415)
    expect((await add({ asFound: true })).status).toBe(200)
  })

  test('past the size that one file may have are refused', async () => {
    expect((await send(Buffer.alloc(1_000_001, 'x'), 'a.txt')).status).toBe(413)
  })

  test('are replaced and renamed by a change, and come back by its inverse', async () => {
    const id = await server.api.create()
    const [first, second] = [
      (await send('a {}', 'a.css')).json.content,
      (await send('b {}', 'a.css')).json.content,
    ]
    const file = { id: 'own', path: 'own.css', content: first, size: 4, alt: '' }
    const next = { ...file, path: 'styles/site.css', content: second }
    expect((await server.api.post(id, 0, { kind: 'addFile', file })).status).toBe(200)
    expect((await server.api.post(id, 1, { kind: 'setFile', file: next })).status).toBe(200)
    expect((await ask(`${server.url}/preview/${id}/own.css`)).status).toBe(404)
    expect((await ask(`${server.url}/preview/${id}/styles/site.css`)).text).toBe('b {}')
    expect((await server.api.post(id, 2, { kind: 'setFile', file })).status).toBe(200)
    expect((await server.api.read(id)).site.files.get('own')).toEqual(file)
    const missing = { ...file, id: 'other', path: 'c.css', content: 'f'.repeat(64) }
    expect((await server.api.post(id, 3, { kind: 'addFile', file: missing })).status).toBe(422)
  })

  test.each([
    ['text', 'hello', 'a.png'],
    ['a page', '<!doctype html><p>x</p>', 'a.svg'],
    ['a picture under a wrong name', svg, 'a.png'],
    ['a picture without an ending', svg, 'a'],
  ])('%s is refused as a picture', async (_, bytes, name) => {
    expect((await send(bytes, name)).status).toBe(415)
  })
})
