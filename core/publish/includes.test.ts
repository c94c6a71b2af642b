import fc from 'fast-check'
import { encodePath } from '../address/relative.ts'
import { rootPath } from '../address/href.ts'
import { bring } from '../existing/bring.ts'
import type { OutputFile } from '../formats/archive.ts'
import { readOpml } from '../formats/opml.ts'
import { bytesOfText } from '../formats/textBytes.ts'
import { applyChange } from '../plan/change/apply.ts'
import type { Change } from '../plan/change/change.ts'
import type { Site } from '../plan/site.ts'
import { arbitrarySite } from '../testing/arbitrarySite.ts'
import { arbitraryHandSite, handFiles } from '../testing/handMade.ts'
import { servedBy } from '../testing/webServers.ts'
import { YEAR } from '../testing/year.ts'
import { INCLUDES, type IncludesBy, USUAL_CHOICES } from './choices.ts'
import { candidatesIn } from './includeCandidates.ts'
import { leftOut, publishedFiles } from './publishedFiles.ts'

type By = Exclude<IncludesBy, 'none'>
const BY = INCLUDES.filter((by) => by !== 'none')
const EXTENSION = { php: '.php', ssi: '.shtml' } as const

const bytesOf = (file: OutputFile): string =>
  'text' in file ? Buffer.from(bytesOfText(file)).toString('latin1') : ''
/** The bytes of all files by path, as latin1. */
const files = (site: Site, includes: IncludesBy) =>
  new Map(
    [...publishedFiles(site, YEAR, { ...USUAL_CHOICES, includes })].map((file) => [file.path, bytesOf(file)]),
  )
/** Whether a page has code of the server that reads it: what another would read is text to this one. */
const hasCode = (bytes: string, by: By) => bytes.includes({ php: '<?', ssi: '<!--#' }[by])

/** Sites of every kind, whose pages are read by a server: those with a surround of ours, and pages made by hand. */
const arbitraryServed = (by: By): fc.Arbitrary<Site> =>
  fc.oneof(
    fc
      .tuple(arbitrarySite(10), fc.constantFrom('', 'https://example.org/', 'https://example.org/a%20b/'))
      .map(([site, baseUrl]) => ({
        ...site,
        settings: { ...site.settings, extension: EXTENSION[by], baseUrl },
      })),
    arbitraryHandSite.map((hand) => {
      const { site } = bring(
        handFiles(hand).map(({ path, bytes }) => ({
          path: path.replace(/\.\w+$/, (end) => (/^\.(html?|php|shtml)$/.test(end) ? EXTENSION[by] : end)),
          bytes,
        })),
      )
      return site
    }),
  )

/** What a server makes of a page: read by a pattern of its own, apart from how calls are written. */
function expanded(
  by: By,
  path: string,
  bytes: string,
  all: ReadonlyMap<string, string>,
  root: string,
): string {
  const inFolder = (to: string) => new URL(to, `http://x.invalid/${encodePath(path)}`).pathname.slice(1)
  switch (by) {
    case 'php':
      return bytes.replace(/<\?php readfile\(__DIR__ \. '\/([^']*)'\); \?>\n/g, (_, to: string) =>
        all.get(decodeURI(inFolder(to)))!,
      )
    case 'ssi':
      return bytes.replace(/<!--#include virtual="([^"]*)" -->/g, (_, to: string) =>
        all.get(decodeURIComponent(to.slice(root.length)))!,
      )
  }
}

test.each(BY)(
  'by %s, every page of any site comes out as it was, and only what pages share is put in',
  (by) => {
    fc.assert(
      fc.property(arbitraryServed(by), (site) => {
        const whole = files(site, 'none')
        const apart = files(site, by)
        const root = rootPath(site.settings.baseUrl)
        const fresh = [...apart.keys()].filter((path) => !whole.has(path))
        const uses = new Map(fresh.map((path) => [path, 0]))
        for (const [path, bytes] of whole) {
          const own = apart.get(path)!
          if (hasCode(bytes, by)) expect(own).toBe(bytes)
          else expect(expanded(by, path, own, apart, root)).toBe(bytes)
          if (!path.endsWith(EXTENSION[by])) expect(own).toBe(bytes)
          for (const one of fresh) if (own.includes(one.split('/')[1]!)) uses.set(one, uses.get(one)! + 1)
        }
        for (const [, count] of uses) expect(count).toBeGreaterThan(1)
        // Ours stand in a folder of their own.
        const tops = new Set(fresh.map((path) => path.split('/')[0]!.toLowerCase()))
        expect(tops.size).toBeLessThan(2)
        for (const path of whole.keys()) expect(tops.has(path.split('/')[0]!.toLowerCase())).toBe(false)
      }),
      { numRuns: 120 },
    )
  },
)

// Debian's PHP, Apache HTTP Server and nginx: what visitors get of them.
test.each([
  ['php', 'php'],
  ['ssi', 'apache'],
  ['ssi', 'nginx'],
] as const)('by %s, %s gives out every page of any site byte for byte', async (by, server) => {
  await fc.assert(
    fc.asyncProperty(arbitraryServed(by), async (site) => {
      const whole = files(site, 'none')
      const prefix = decodeURIComponent(rootPath(site.settings.baseUrl).slice(1))
      const apart = new Map([...files(site, by)].map(([path, bytes]) => [prefix + path, bytes]))
      await servedBy(server, apart, async (read) => {
        for (const [path, bytes] of whole) {
          if (!path.endsWith(EXTENSION[by]) || hasCode(bytes, by)) continue
          const { status, text } = await read(encodePath(prefix + path))
          expect(`${path} ${status}`).toBe(`${path} 200`)
          expect(text).toBe(bytes)
        }
      })
    }),
    { numRuns: 12 },
  )
})

const OUTLINE = readOpml(
  `<opml version="2.0"><head><title>Beekeepers of the valley</title></head><body><outline text="Home"><outline text="Hives"><outline text="Spring"/><outline text="Autumn"/></outline><outline text="Includes"/><outline text="Contact"/></outline></body></opml>`,
)
const site = (...changes: Change[]) => changes.reduce((now, change) => applyChange(now, change).site, OUTLINE)
const set = (field: string, value: unknown) => ({ kind: 'setSite', field, value }) as Change
const idOf = (title: string) =>
  [...OUTLINE.plan.entries.values()].find((entry) => entry.kind === 'page' && entry.title === title)!.id
const TAGLINE = `For everybody who keeps bees${' and for all who would like to'.repeat(8)}`
const PHP = [
  set('tagline', TAGLINE),
  set('extension', '.php'),
  set('linkStyle', 'root'),
  set('baseUrl', 'https://example.org/'),
]

test('links from the top of the host make the header the same on pages: an edit of them is one file', () => {
  const before = files(site(...PHP), 'php')
  const renamed = files(site(...PHP, set('name', 'Beekeepers of the hill')), 'php')
  const differ = [...renamed].flatMap(([path, bytes]) => (before.get(path) === bytes ? [] : [path]))
  // The name of the site stands in the title of every page, too.
  expect(differ.filter((path) => path.startsWith('includes/'))).toEqual(['includes/header.html'])
  expect(renamed.get('includes/header.html')).toBe(
    before.get('includes/header.html')!.replaceAll('the valley', 'the hill'),
  )
  const calls = [...before].filter(([, bytes]) => bytes.includes("/includes/header.html'); ?>"))
  expect(calls.length).toBeGreaterThan(3)
})

test('the folder is another where a page of the site stands in one of that name', () => {
  const paths = [...files(site(...PHP, set('layout', 'folders')), 'php').keys()]
  expect(paths).toContain('includes/index.php')
  expect(paths).toContain('includes-2/header.html')
})

test('a text that is edited changes its own page alone', () => {
  const before = files(site(...PHP), 'php')
  const body = { html: '<p>Bees wake up.</p>', changed: '2026-05-01' }
  const after = files(
    site(...PHP, { kind: 'setEntry', entry: idOf('Spring'), field: 'body', value: body }),
    'php',
  )
  const differ = [...after].flatMap(([path, bytes]) => (before.get(path) === bytes ? [] : [path]))
  expect(differ.filter((path) => path !== 'sitemap.xml')).toEqual(['spring.php'])
})

test('what a server would not do is told', () => {
  const by = (includes: IncludesBy, ...changes: Change[]) =>
    leftOut(site(set('baseUrl', 'https://example.org/'), ...changes), { ...USUAL_CHOICES, includes })
  expect(by('php')).toEqual([
    expect.stringMatching(/^PHP reads pages that end in \.php, and this site has none/),
  ])
  expect(by('ssi', set('extension', '.php'))).toEqual([
    expect.stringMatching(/\.shtml, and this site has none/),
  ])
  expect(by('php', set('extension', '.php'))).toEqual([])
  expect(by('ssi', set('extension', '.shtml'))).toEqual([])
  expect(
    leftOut(site(set('extension', '.shtml')), { ...USUAL_CHOICES, sitemap: false, includes: 'ssi' }),
  ).toEqual([expect.stringMatching(/base URL/)])
})

test('elements are found where they stand in the source, whatever that is', () => {
  const bit = fc.constantFrom(
    ...['<header>', '</header>', '<div>', '</div>', '<main>', '</main>', '<table>', '<tr><td>', '</table>'],
    ...[
      '<body>',
      '<p>',
      '<footer>',
      '</footer>',
      `x${'y'.repeat(200)}`,
      '<!-- c -->',
      '<b>',
      '</b>',
      '<svg>',
      '</svg>',
    ],
  )
  fc.assert(
    fc.property(fc.array(bit, { maxLength: 40 }), (bits) => {
      const html = bits.join('')
      let at = 0
      const inside = (candidates: readonly ReturnType<typeof candidatesIn>[number][], to: number) => {
        for (const { start, end, inside: more } of candidates) {
          expect(start).toBeGreaterThanOrEqual(at)
          expect(end).toBeLessThanOrEqual(to)
          expect(html.slice(start, end)).toMatch(/^<(\w+)[^]*<\/\1>$/)
          at = start
          inside(more, end)
          at = end
        }
      }
      inside(candidatesIn(html), html.length)
    }),
    { numRuns: 400 },
  )
})

test('a page that is nested as deep as it is long is read all the same', () => {
  const deep = `<body>${'<div>'.repeat(20_000)}${'</div>'.repeat(20_000)}`
  expect(candidatesIn(deep).length).toBe(1)
})
