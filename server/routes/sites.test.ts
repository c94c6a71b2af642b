import { writeSiteArchive } from '@viatica/core/formats/siteArchive.ts'
import { readSiteFile } from '@viatica/core/formats/siteFile.ts'
import { entryOf } from '@viatica/core/plan/plan.ts'
import { newSite } from '@viatica/core/plan/site.ts'
import { demoSiteFile } from '@viatica/demo/load.ts'
import yauzl from 'yauzl'
import { ask, serve, type Serving } from '../testing/serve.ts'

const SITE_FILE = 'application/vnd.viatica.site+json'
const OPML = 'text/x-opml'

let server: Serving
const at = (path: string) => `${server.url}/api${path}`
const countOf = async (table: string) => Number((await server.database(table).count())[0]!['count'])

beforeAll(async () => {
  server = await serve()
})
afterAll(() => server.stop())

describe('sites', () => {
  test('the server is well, and says so', async () => {
    expect(await ask(at('/health'))).toMatchObject({ status: 200, json: { status: 'well' } })
  })

  test('are made empty, listed, read and removed', async () => {
    const made = await ask(at('/sites'), 'POST', { name: ' New <site> ' })
    expect(made.status).toBe(201)
    const { id } = made.json
    expect(made.headers.get('location')).toBe(`/api/sites/${id}`)
    expect((await ask(at('/sites'))).json.sites).toContainEqual(
      expect.objectContaining({ id, name: 'New <site>', pages: 1 }),
    )
    const { site, revision } = await server.api.read(id)
    expect(revision).toBe(0)
    expect(entryOf(site.plan, 'home')).toMatchObject({ title: 'Home', heading: 'New <site>' })
    expect((await ask(at(`/sites/${id}`), 'DELETE')).status).toBe(204)
    expect((await ask(at(`/sites/${id}`))).status).toBe(404)
    expect((await ask(at(`/sites/${id}`), 'DELETE')).status).toBe(404)
  })

  test('one with much in it goes out as an archive, which any program reads, and comes in again', async () => {
    const large = Buffer.alloc(38_000_000, 'a long sound ')
    const files = [
      {
        id: 'large',
        path: 'sounds/large.xyz',
        content: 'k',
        size: large.length,
        alt: '',
        asFound: true as const,
      },
    ]
    const site = { ...newSite('Songs', 'home'), files: new Map(files.map((file) => [file.id, file])) }
    const archive = writeSiteArchive(site, new Map([['k', large]]))
    const made = await ask(at('/sites?name=Birds'), 'POST', archive, 'application/zip')
    expect(made.status).toBe(201)
    const out = await fetch(at(`/sites/${made.json.id}/site.json`))
    expect(out.headers.get('content-type')).toBe('application/zip')
    expect(out.headers.get('content-disposition')).toBe('attachment; filename=birds.site.zip')
    const bytes = Buffer.from(await out.arrayBuffer())
    const zip = await yauzl.fromBufferPromise(bytes)
    const sizes = new Map<string, number>()
    for await (const { fileName, uncompressedSize } of zip.eachEntry()) sizes.set(fileName, uncompressedSize)
    expect([...sizes.keys()]).toEqual(['site.json', 'files/sounds/large.xyz'])
    expect(sizes.get('files/sounds/large.xyz')).toBe(large.length)
    const again = await ask(at('/sites'), 'POST', bytes, 'application/zip')
    const { files: came } = (await server.api.read(again.json.id)).site
    expect(came).toEqual((await server.api.read(made.json.id)).site.files)
    const cut = await ask(at('/sites'), 'POST', bytes.subarray(0, bytes.length >> 1), 'application/zip')
    expect([cut.status, cut.json.detail]).toEqual([400, expect.stringMatching(/archive cannot be read/)])
  })

  test('a site file comes in and goes out as the same bytes, pictures and all', async () => {
    const first = demoSiteFile()
    const made = await ask(at('/sites'), 'POST', first, SITE_FILE)
    expect(made.status).toBe(201)
    const out = await ask(at(`/sites/${made.json.id}/site.json`))
    expect(out.headers.get('content-disposition')).toBe(
      'attachment; filename=wetherlock-canal-trust.site.json',
    )
    // The server names contents by their digest; from then on the text stays the same.
    const again = await ask(at('/sites'), 'POST', out.text, SITE_FILE)
    expect((await ask(at(`/sites/${again.json.id}/site.json`))).text).toBe(out.text)
    const digestFree = (text: string) => {
      const { site, contents } = readSiteFile(text)
      return { settings: site.settings, plan: [...site.plan.entries], bytes: [...contents.values()].sort() }
    }
    expect(digestFree(out.text)).toEqual(digestFree(first))
  })

  test('an outline comes in, and goes out again', async () => {
    const opml =
      '<opml version="2.0"><head><title>T</title></head><body><outline text="A"/><outline text="B"/></body></opml>'
    const { json } = await ask(at('/sites'), 'POST', opml, OPML)
    const out = await ask(at(`/sites/${json.id}/plan.opml`))
    expect(out.text).toContain(
      '<outline text="T"><outline text="A"></outline><outline text="B"></outline></outline>',
    )
    expect(out.headers.get('content-disposition')).toContain('t.opml')
  })

  const deep = '<outline text="x">'.repeat(1000)
  test.each([
    ['JSON that is none', '{"name":', 'application/json', 400, /not JSON/],
    ['a site without a name', { name: ' ' }, 'application/json', 400, /name: must not be empty/],
    ['an unknown field', { name: 'x', colour: 1 }, 'application/json', 400, /colour/],
    ['no site file', '{"format":"x"}', SITE_FILE, 400, /^Line 1, column \d+: .*not a site file/],
    [
      'a site file that is cut off',
      demoSiteFile().slice(0, 5000),
      SITE_FILE,
      400,
      /^Line \d+, column \d+: .*cut off/,
    ],
    ['no OPML', 'Home', OPML, 400, /^Line 1/],
    ['1,000 levels', `<opml version="2.0"><body>${deep}`, OPML, 400, /more than 24 levels/],
    ['an entity bomb', '<!DOCTYPE opml [<!ENTITY a "b">]><opml/>', OPML, 400, /declarations of its own/],
    ['50 MB', 'x'.repeat(50_000_000), OPML, 413, /too large \(limit 20 MB\)/],
    ['another kind of file', 'x', 'text/plain', 415, /application\/json/],
    [
      'a picture that is none',
      demoSiteFile().replace(/"([a-z0-9]+)": "PHN2Zy[^"]*"/, '"$1": "aGVsbG8="'),
      SITE_FILE,
      415,
      /not an SVG picture/,
    ],
  ])('%s is refused with the reason, and nothing is stored', async (_, body, type, status, reason) => {
    const before = [await countOf('sites'), await countOf('entries'), await countOf('contents')]
    const answer = await ask(at('/sites'), 'POST', body, type)
    expect(answer.status).toBe(status)
    expect(answer.headers.get('content-type')).toMatch('application/problem+json')
    expect(answer.json).toMatchObject({
      status,
      title: expect.any(String),
      detail: expect.stringMatching(reason),
    })
    expect([await countOf('sites'), await countOf('entries'), await countOf('contents')]).toEqual(before)
  })
})

describe('the table constraints', () => {
  test.each([
    [
      'two home pages',
      "insert into entries (site_id, id, kind, place, title, heading, description, state, in_order, in_search, body) values ($, 'h2', 'page', 0, 'x', '', '', 'ready', true, true, '')",
      'one_home_page_a_site',
    ],
    [
      'two entries at one place',
      "insert into entries (site_id, id, kind, parent_id, place, label) values ($, 'a', 'group', 'home', 0, 'x'), ($, 'b', 'group', 'home', 0, 'x')",
      'one_entry_a_place',
    ],
    [
      'an unknown kind',
      "insert into entries (site_id, id, kind, parent_id, place, label) values ($, 'a', 'thing', 'home', 0, 'x')",
      'known_kind',
    ],
    ['an unknown state', "update entries set state = 'done' where site_id = $", 'known_state'],
    [
      'an entry under nothing',
      "insert into entries (site_id, id, kind, parent_id, place, label) values ($, 'a', 'group', 'gone', 0, 'x')",
      'foreign',
    ],
    [
      'a group as home page',
      "update entries set kind = 'group', label = 'x', title = null, heading = null, description = null, state = null, in_order = null, in_search = null, body = null where site_id = $",
      'home_is_a_page',
    ],
    ['a page without a title', "update entries set title = '' where site_id = $", 'fields_of_kind'],
    [
      'a link with two targets',
      "insert into entries (site_id, id, kind, parent_id, place, label, target_url, target_entry) values ($, 'a', 'link', 'home', 0, 'x', 'https://e.org', 'home')",
      'links_have_one_target',
    ],
    ['a site without its home page', 'delete from entries where site_id = $', 'foreign'],
  ])('refuse %s', async (_, sql, constraint) => {
    const id = await server.api.create()
    await expect(
      server.database.transaction((trx) => trx.raw(sql.replaceAll('$', `'${id}'`))),
    ).rejects.toThrow(constraint)
  })
})
