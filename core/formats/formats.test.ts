import fc from 'fast-check'
import { SaxesParser } from 'saxes'
import type { Site } from '../plan/site.ts'
import { entryOf, walk } from '../plan/plan.ts'
import { labelOf } from '../plan/entry.ts'
import { EMPTY_SURROUND } from '../plan/surround/surround.ts'
import { arbitrarySite } from '../testing/arbitrarySite.ts'
import { InputFault } from './inputFault.ts'
import { readOpml, writeOpml } from './opml.ts'
import { readSiteFile, writeSiteFile } from './siteFile.ts'

const outlineOf = (site: Site) =>
  [...walk(site.plan)].map(({ entry, depth }) => `${depth} ${entry.kind} ${labelOf(entry)}`)

function faultOf(read: () => unknown): InputFault {
  try {
    read()
  } catch (error) {
    if (error instanceof InputFault) return error
    throw error
  }
  throw new Error('was not refused')
}

describe('site files', () => {
  test('carry files as large as a site can hold, and say which is not base64 (RFC 4648, section 4)', () => {
    const file = (content: string) =>
      JSON.stringify({
        ...{ format: 'viatica-site', version: 3, settings: { name: 'Trust' } },
        surround: EMPTY_SURROUND,
        files: [{ id: 'a', path: 'a.pdf', content: 'k' }],
        ...{ plan: { kind: 'page', id: 'home', title: 'Home' }, contents: { k: content } },
      })
    const bytes = Buffer.alloc(20_000_000, 7)
    const { site } = readSiteFile(file(bytes.toString('base64')))
    expect(site.files.get('a')!.size).toBe(bytes.length)
    for (const content of ['AAA', 'AA=A', 'A===', 'A A=', 'ä123'])
      expect(faultOf(() => readSiteFile(file(content))).message).toMatch(/base64/)
  })

  test('any site comes back from its file as it was, and gives the same text again', () => {
    fc.assert(
      fc.property(arbitrarySite(), (site) => {
        const contents = new Map([...site.files.values()].map(({ content }) => [content, 'AA==']))
        const text = writeSiteFile(site, contents)
        const { site: back } = readSiteFile(text)
        expect(writeSiteFile(back, contents)).toBe(text)
        expect(back.files).toEqual(site.files)
        expect(back.settings).toEqual(site.settings)
        expect(outlineOf(back)).toEqual(outlineOf(site))
      }),
    )
  })

  const good = {
    format: 'viatica-site',
    version: 3,
    settings: { name: 'Trust' },
    plan: { kind: 'page', id: 'home', title: 'Home', entries: [{ kind: 'group', id: 'g', label: 'G' }] },
  }
  const withPlan = (plan: object) => JSON.stringify({ ...good, plan: { ...good.plan, ...plan } }, null, 1)

  test('what is left out has its usual value', () => {
    const { site } = readSiteFile(JSON.stringify(good))
    expect(site.settings).toMatchObject({ layout: 'flat', extension: '.html' })
    expect(entryOf(site.plan, 'home')).toMatchObject({ state: 'draft', inMenu: true, body: { html: '' } })
  })

  test.each([
    ['nothing', '', /not a site file/],
    ['something else', '{"a": 1}', /not a site file/],
    ['a later version', JSON.stringify({ ...good, version: 4 }), /later version/],
    [
      'a file that is cut off',
      JSON.stringify(good, null, 1).slice(0, 120),
      /^Line \d+, column \d+: .*cut off/,
    ],
    [
      'pieces and templates beside each other, which was so in version 2',
      JSON.stringify({ ...good, surround: { places: EMPTY_SURROUND.places, templates: null } }),
      /^surround|^Line \d+, column \d+: surround/,
    ],
    ['an unknown state', withPlan({ state: 'done' }), /^Line 18, column \d+: plan\.state: must be planned/],
    ['an unknown field', withPlan({ colour: 'red' }), /colour/],
    [
      'an id twice',
      withPlan({ entries: [{ kind: 'group', id: 'home', label: 'x' }] }),
      /Two entries have the id "home"/,
    ],
    [
      'something under a link',
      withPlan({
        entries: [
          {
            kind: 'link',
            id: 'l',
            label: 'x',
            target: { to: 'address', url: 'https://e.org' },
            entries: [good.plan],
          },
        ],
      }),
      /link cannot have/,
    ],
    [
      'a home page that is a group',
      JSON.stringify({ ...good, plan: { kind: 'group', id: 'g', label: 'G' } }),
      /home page/,
    ],
    ['a planned home page', withPlan({ state: 'planned' }), /draft or ready/],
    [
      'a banner without its file',
      withPlan({ banner: { file: 'x', alt: '' } }),
      /banner picture of “Home” is not among the files/,
    ],
    [
      'a file without its bytes',
      JSON.stringify({ ...good, files: [{ id: 'a', path: 'a.svg', content: 'k' }] }),
      /contents of a\.svg are missing/,
    ],
    [
      'a path out of the site',
      JSON.stringify({ ...good, files: [{ id: 'a', path: '../a.svg', content: 'k' }] }),
      /files\.0\.path/,
    ],
    ['a label with a control character', withPlan({ label: 'a\u0007' }), /control characters/],
    [
      'a key called __proto__',
      JSON.stringify(good).replace('"version"', '"__proto__": {"x": 1}, "version"'),
      /__proto__|Invalid key/,
    ],
    ['120 MB', `"${'x'.repeat(120_000_000)}"`, /larger than 110 MB/],
  ])('%s is refused: %#', (_, text, reason) => {
    expect(faultOf(() => readSiteFile(text)).message).toMatch(reason)
  })

  test.each([30, 1000, 100_000])('a plan of %i levels is refused with the place', (levels) => {
    const open = '{"kind":"group","id":"x","label":"x","entries":['
    const fault = faultOf(() => readSiteFile(`{"plan":${open.repeat(levels)}`))
    expect(fault.message).toMatch(/more than 24 levels/)
    expect(fault.place?.line).toBe(1)
  })
})

describe('OPML', () => {
  const opml = (body: string, head = '<title>Trust</title>') =>
    `<?xml version="1.0" encoding="UTF-8"?>\n<opml version="2.0">\n<head>${head}</head>\n<body>${body}</body>\n</opml>`

  test('the only top-level outline is the home page; of several, one is made above them', () => {
    expect(outlineOf(readOpml(opml('<outline text="Start"><outline text="A"/></outline>')))).toEqual([
      '0 page Start',
      '1 page A',
    ])
    expect(outlineOf(readOpml(opml('<outline text="A"/><outline text="B"/>')))).toEqual([
      '0 page Trust',
      '1 page A',
      '1 page B',
    ])
  })

  test('OPML 2.0: a link has type="link" and a url; markup and entities in text are text; unknown attributes and namespaces are passed over', () => {
    const site = readOpml(
      opml(
        '<outline text="Home" xmlns:x="urn:x" x:y="1" created="Mon, 05 May 2025 10:00:00 GMT"><outline text="A &lt;b&gt; &amp; c" type="link" url="https://example.org/?a&amp;b"/></outline>',
      ),
    )
    expect(outlineOf(site)).toEqual(['0 page Home', '1 link A <b> & c'])
    expect(entryOf(site.plan, 'a-b-c')).toMatchObject({
      target: { to: 'address', url: 'https://example.org/?a&b' },
    })
  })

  test('what is written is well-formed and has the elements and attributes that OPML 2.0 asks for', () => {
    fc.assert(
      fc.property(arbitrarySite(), (site) => {
        const text = writeOpml(site)
        const path: string[] = []
        const seen: string[] = []
        const parser = new SaxesParser()
        parser.on('error', (error) => {
          throw error
        })
        parser.on('opentag', ({ name, attributes }) => {
          path.push(name)
          seen.push(path.join('/').replace(/(\/outline)+$/, '/outline'))
          if (name === 'opml') expect(attributes['version']).toBe('2.0')
          if (name === 'outline') expect(attributes['text']).toEqual(expect.any(String))
          if (attributes['type'] === 'link') expect(attributes['url']).toEqual(expect.any(String))
        })
        parser.on('closetag', () => void path.pop())
        parser.write(text).close()
        expect([...new Set(seen)]).toEqual([
          'opml',
          'opml/head',
          'opml/head/title',
          'opml/body',
          'opml/body/outline',
        ])
      }),
      { numRuns: 50 },
    )
  })

  test('a plan comes back from its outline with its titles, kinds and levels', () => {
    fc.assert(
      fc.property(arbitrarySite(), (site) => {
        const tidy = (lines: string[]) => lines.map((line) => line.replace(/\s+/g, ' '))
        expect(tidy(outlineOf(readOpml(writeOpml(site))))).toEqual(tidy(outlineOf(site)))
      }),
      { numRuns: 60 },
    )
  })

  const bomb = `<!DOCTYPE opml [<!ENTITY a "aaaaaaaaaa"><!ENTITY b "&a;&a;&a;&a;&a;&a;&a;&a;">]>${opml('<outline text="&b;"/>').replace(/^.*\n/, '')}`

  test.each([
    ['an empty file', '', /not OPML/],
    ['plain text', 'Home\n  Visit', /not OPML/],
    ['another kind of XML', '<rss version="2.0"><channel/></rss>', /<rss>, not <opml>/],
    ['a file that is cut off', opml('<outline text="A">').slice(0, 90), /^Line \d+, column \d+: .*cut off/],
    ['no outline', opml(''), /has no pages/],
    [
      'an outline without text',
      opml('<outline text="A"><outline/></outline>'),
      /^Line 4, column \d+: This outline has no text/,
    ],
    ['an entity bomb', bomb, /declarations of its own/],
    ['an entity that nobody declared', opml('<outline text="&b;"/>'), /not OPML|entity/],
    [
      'a link that runs a script',
      opml('<outline text="A"/><outline text="x" type="link" url="javascript:alert(1)"/>'),
      /not an http/,
    ],
    [
      'a link to a page that is not there',
      opml('<outline text="A"/><outline text="x" type="link" url="gone.html"/>'),
      /not an http/,
    ],
    [
      'something under a link',
      opml(
        '<outline text="A"/><outline text="x" type="link" url="https://e.org"><outline text="y"/></outline>',
      ),
      /nothing can stand under/,
    ],
    ['1,000 levels', opml('<outline text="x">'.repeat(1000)), /more than 24 levels/],
    ['50 MB', opml(`<outline text="${'x'.repeat(50_000_000)}"/>`), /larger than 20 MB/],
    ['a title of 400 characters', opml(`<outline text="${'x'.repeat(400)}"/>`), /at most 300/],
  ])('%s is refused: %#', (_, text, reason) => {
    expect(faultOf(() => readOpml(text)).message).toMatch(reason)
  })
})

describe('outlines that people make', () => {
  const outline = (labels: readonly string[]) =>
    `<opml version="2.0"><body><outline text="Home">${labels.map((text) => `<outline text="${text}"/>`).join('')}</outline></body></opml>`

  test('of any labels give each entry an id of its own', () => {
    const label = fc.constantFrom('a', 'a 2', 'a 2 2', 'a 2 3', 'a 3', 'A', '日本', 'b')
    fc.assert(
      fc.property(fc.array(label, { maxLength: 40 }), (labels) => {
        expect(readOpml(outline(labels)).plan.entries.size).toBe(labels.length + 1)
      }),
    )
    expect(readOpml(outline(['a 2', 'a', 'a', 'a 2 3'])).plan.entries.size).toBe(5)
  })

  test('are refused where elements of whatever name are nested without end', () => {
    const deep = '<x>'.repeat(20_000) + '</x>'.repeat(20_000)
    expect(() => readOpml(`<opml version="2.0"><head>${deep}</head><body/></opml>`)).toThrow(/100 deep/)
  })

  test('cut a title that is too long between two characters', () => {
    const text = '👣'.repeat(200)
    const several = `<opml version="2.0"><head><title>${text}</title></head><body><outline text="a"/><outline text="b"/></body></opml>`
    expect(readOpml(several).settings.name.isWellFormed()).toBe(true)
  })

  test('are refused where the fragment of a link is none', () => {
    const link = `<outline text="Link" type="link" plan:to="0" plan:fragment="${'x'.repeat(300)}"/>`
    const text = `<opml version="2.0" xmlns:plan="urn:viatica:plan"><body><outline text="Home">${link}</outline></body></opml>`
    expect(() => readOpml(text)).toThrow(/fragment.*200 characters/)
  })
})
