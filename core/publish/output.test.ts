import { withTemplates } from '../plan/surround/surround.ts'
import { readFileSync } from 'node:fs'
import fc from 'fast-check'
import robotsParser from 'robots-parser'
import { validateXML } from 'xmllint-wasm'
import { addressesOf } from '../address/addresses.ts'
import { absoluteUrl } from '../address/href.ts'
import { notFoundPage } from '../address/notFound.ts'
import { redirectsOf } from '../address/redirects.ts'
import { encodePath } from '../address/relative.ts'
import { outputFiles } from '../formats/archive.ts'
import { readOpml } from '../formats/opml.ts'
import { applyChange } from '../plan/change/apply.ts'
import type { Change } from '../plan/change/change.ts'
import { walk } from '../plan/plan.ts'
import { isWritten, type Site } from '../plan/site.ts'
import { createPageWriter } from '../render/pageWriter.ts'
import { nameKey } from '../standard/fileName.ts'
import { arbitrarySite } from '../testing/arbitrarySite.ts'
import { attribute, readPage } from '../testing/readPage.ts'
import { servedBy } from '../testing/webServers.ts'
import { YEAR } from '../testing/year.ts'
import { INCLUDES, REDIRECT_RULES, USUAL_CHOICES } from './choices.ts'
import { leftOut, publishedFiles } from './publishedFiles.ts'
import { robotsText } from './robots.ts'
import { pagesForSearch, sitemapFiles } from './sitemap.ts'

const TOP = 'https://example.org/'
const SITEMAP = readFileSync(
  new URL('../../node_modules/sitemap/schema/sitemap.xsd', import.meta.url),
  'utf8',
)

const at = (site: Site, baseUrl: string): Site => ({ ...site, settings: { ...site.settings, baseUrl } })
const edited = (site: Site, ...changes: Change[]) =>
  changes.reduce((now, change) => applyChange(now, change).site, site)
const set = (entry: string, field: string, value: unknown) =>
  ({ kind: 'setEntry', entry, field, value }) as Change

const THREE = readOpml(
  `<opml version="2.0"><head><title>T</title></head><body><outline text="Home"><outline text="Walks"><outline text="Stage 1"/></outline><outline text="Gone"/></outline></body></opml>`,
)
const idOf = (site: Site, title: string) =>
  [...site.plan.entries.values()].find((entry) => entry.kind === 'page' && entry.title === title)!.id

const choices = fc.record({
  sitemap: fc.boolean(),
  robots: fc.boolean(),
  redirectPages: fc.boolean(),
  rules: fc.constantFrom(...REDIRECT_RULES),
  includes: fc.constantFrom(...INCLUDES),
})
const locations = (xml: string) =>
  [...xml.matchAll(/<loc>([^<]*)<\/loc>/g)].map(([, url]) =>
    url!.replaceAll('&amp;', '&').replaceAll('&#x27;', "'"),
  )

describe('sitemap.xml', () => {
  // https://www.sitemaps.org/schemas/sitemap/0.9/sitemap.xsd
  test('of any site holds to the schema of its standard, and lists what search engines may list', async () => {
    const texts: string[] = []
    fc.assert(
      fc.property(arbitrarySite(), (given) => {
        const site = at(given, `${TOP}a%20b/`)
        const [file] = sitemapFiles(site)
        const { paths } = addressesOf(site)
        const wanted = [...walk(site.plan)].flatMap(({ entry }) => {
          const isListed =
            entry.kind === 'page' &&
            entry.state !== 'planned' &&
            entry.inSearch &&
            entry.id !== notFoundPage(site)
          return isListed ? [absoluteUrl(site.settings, paths.get(entry.id)!)] : []
        })
        expect(locations(file?.text ?? '')).toEqual(wanted)
        if (file) texts.push(file.text)
      }),
      { numRuns: 60 },
    )
    const xml = texts.map((contents, n) => ({ fileName: `${n}.xml`, contents }))
    const { valid, errors } = await validateXML({ xml, schema: [SITEMAP] })
    expect(errors).toEqual([])
    expect(valid).toBe(true)
  })

  test('lists a page with the day its content changed, and not one that is kept out', () => {
    const walks = idOf(THREE, 'Walks')
    const site = edited(
      at(THREE, TOP),
      set(walks, 'body', { html: '<p>x</p>', changed: '2026-05-01' }),
      set(idOf(THREE, 'Gone'), 'inSearch', false),
    )
    const [{ text } = { text: '' }] = sitemapFiles(site)
    expect(text).toContain('<loc>https://example.org/walks.html</loc><lastmod>2026-05-01</lastmod>')
    expect(text).not.toContain('gone.html')
  })

  test.each([
    ['addresses', { mostUrls: 2 }],
    ['bytes', { mostBytes: 260 }],
  ])('beyond the %s of one file is an index of several, each within them', async (_, limits) => {
    const files = sitemapFiles(at(THREE, TOP), limits)
    expect(files.length).toBeGreaterThan(2)
    const [index, ...parts] = files
    expect(index!.path).toBe('sitemap.xml')
    expect(locations(index!.text)).toEqual(parts.map(({ path }) => TOP + path))
    expect(parts.flatMap(({ text }) => locations(text))).toEqual(
      locations(sitemapFiles(at(THREE, TOP))[0]!.text),
    )
    for (const { text } of parts) {
      expect(locations(text).length).toBeLessThanOrEqual(2)
      expect(Buffer.byteLength(text)).toBeLessThanOrEqual(260)
    }
    const xml = parts.map(({ path, text }) => ({ fileName: path, contents: text }))
    expect((await validateXML({ xml, schema: [SITEMAP] })).errors).toEqual([])
  })

  test('is not there without a base URL, and the author is told', () => {
    expect(sitemapFiles(THREE)).toEqual([])
    expect(leftOut(THREE, USUAL_CHOICES).join()).toContain('base URL')
  })
})

describe('robots.txt', () => {
  // RFC 9309, as an independent reader of it has it.
  test('lets search engines read what they may list, and of any site names the list of pages', () => {
    fc.assert(
      fc.property(arbitrarySite(), (given) => {
        const site = at(given, TOP)
        const robots = robotsParser(`${TOP}robots.txt`, robotsText(site, true)!)
        const { paths } = addressesOf(site)
        for (const { id } of pagesForSearch(site))
          expect(robots.isAllowed(absoluteUrl(site.settings, paths.get(id)!), 'anybot')).toBe(true)
        expect(robots.getSitemaps()).toEqual([`${TOP}sitemap.xml`])
      }),
      { numRuns: 40 },
    )
  })

  test('shuts out a page that cannot say so in a head of its own, at each of its addresses, and no other', () => {
    const walks = idOf(THREE, 'Walks')
    const templates = {
      templates: [],
      menus: [],
      breadcrumbs: [],
      pagers: [],
      included: [],
      pages: {},
      root: '/',
      letters: 'plain',
      signs: 'plain',
      texts: {},
    }
    const made = edited(
      at(THREE, TOP),
      { kind: 'setSite', field: 'layout', value: 'folders' },
      set(walks, 'fileName', 'a b'),
      set(walks, 'inSearch', false),
    )
    const site = { ...made, surround: withTemplates(made.surround, templates as never) }
    const robots = robotsParser(`${TOP}robots.txt`, robotsText(site, false)!)
    expect(robots.isAllowed(`${TOP}a%20b/index.html`)).toBe(false)
    expect(robots.isAllowed(`${TOP}a%20b/`)).toBe(false)
    expect(robots.isAllowed(`${TOP}a%20b/stage-1/index.html`)).toBe(true)
    expect(robots.isAllowed(`${TOP}axxb/`)).toBe(true)
  })

  test('is not there for a site in a folder of its host', () => {
    expect(robotsText(at(THREE, `${TOP}trust/`), true)).toBeUndefined()
    expect(leftOut(at(THREE, `${TOP}trust/`), USUAL_CHOICES).join()).toContain('in a folder')
  })
})

test('a page that is kept out of search engines says so in its head, as the 404 page does; no other does', () => {
  fc.assert(
    fc.property(arbitrarySite(), (site) => {
      const renderer = createPageWriter(site, YEAR)
      for (const { entry } of walk(site.plan)) {
        if (!isWritten(site, entry)) continue
        const isListed = entry.inSearch && entry.state !== 'planned' && entry.id !== notFoundPage(site)
        expect(renderer.page(entry.id).includes('<meta name="robots" content="noindex">')).toBe(!isListed)
      }
    }),
    { numRuns: 40 },
  )
})

test('every link of the 404 page leads to a file of the site from any address, with the page in any layout', () => {
  fc.assert(
    fc.property(
      arbitrarySite(),
      fc.constantFrom('relative', 'root', 'absolute'),
      fc.constantFrom('', 'deep/', 'deep/er/still/'),
      fc.boolean(),
      (given, linkStyle, folder, inFolder) => {
        const host = 'https://host.example/'
        const top = inFolder ? `${host}some%20where/` : host
        const [notFound] = [...given.plan.entries.values()].flatMap((entry) =>
          isWritten(given, entry) && entry.id !== given.plan.home ? [entry.id] : [],
        )
        const site = at(
          { ...given, settings: { ...given.settings, linkStyle, notFound: notFound ?? null } } as Site,
          top,
        )
        if (notFound === undefined) return
        const files = new Set(
          [...outputFiles(site, YEAR)].map(({ path }) => new URL(top + encodePath(path)).href),
        )
        const { elements } = readPage(createPageWriter(site, YEAR).page(notFound))
        let links = 0
        for (const element of elements) {
          const href = attribute(element, 'href') ?? attribute(element, 'src')
          if (href === undefined || href.startsWith('#')) continue
          const url = new URL(href, `${top}${folder}no-such-page`).href.replace(/#.*$/, '')
          if (!url.startsWith(top)) continue
          links++
          expect(files).toContain(url.replace(/\/$/, `/index${site.settings.extension}`))
        }
        expect(links).toBeGreaterThan(0)
      },
    ),
    { numRuns: 100 },
  )
})

test('of any site and choice no two files share a path, an author’s own file stays, and no file is lost', () => {
  fc.assert(
    fc.property(arbitrarySite(), choices, (given, chosen) => {
      const own = { id: 'own', path: 'sitemap.xml', content: 'k0', size: 1, alt: '' }
      const site = { ...at(given, TOP), files: new Map(given.files).set('own', own) }
      const files = [...publishedFiles(site, YEAR, chosen)]
      expect(new Set(files.map(({ path }) => nameKey(path))).size).toBe(files.length)
      expect(files.find(({ path }) => path === 'sitemap.xml')).toEqual({ path: 'sitemap.xml', content: 'k0' })
      const redirects = new Set(
        redirectsOf(site).flatMap(({ from, rests }) => (rests === undefined ? [from] : [])),
      )
      const paths = new Set(files.map(({ path }) => path))
      for (const { path } of outputFiles(site, YEAR))
        expect(paths.has(path)).toBe(chosen.redirectPages || !redirects.has(path))
      expect(paths.has('robots.txt')).toBe(chosen.robots)
    }),
    { numRuns: 60 },
  )
})

/** Names that are hard on the rules of servers, beside ordinary ones. */
const HARD_PATHS = [
  'old.html',
  'a b.html',
  'a.b+c(d)[e]{f}^g$1.html',
  'per%20cent.html',
  'é/日本.html',
  'q;x=1&y.html',
  'old/index.html',
  "it's #1.html",
]

describe.each(['apache', 'nginx'] as const)('the rules for %s', (server) => {
  const rulesPath = server === 'apache' ? '.htaccess' : 'redirects.conf'

  test.each(['', 'trust/', 'a b/'])(
    'lead on from every old address of a site at /%s, and show the 404 page',
    async (folder) => {
      const [walks, gone] = [idOf(THREE, 'Walks'), idOf(THREE, 'Gone')]
      const site = edited(
        at(THREE, `http://example.org/${encodePath(folder)}`),
        { kind: 'setSite', field: 'layout', value: 'nested' },
        set(walks, 'fileName', 'walks $1 %2 é'),
        {
          kind: 'setSite',
          field: 'redirects',
          value: HARD_PATHS.map((from, n) => ({
            from,
            to:
              n % 3 === 2
                ? { to: 'address', url: `https://elsewhere.example.org/x%20y?a=$1&b=%25#c${n}` }
                : {
                    to: 'entry',
                    entry: n % 3 === 0 ? walks : idOf(THREE, 'Stage 1'),
                    fragment: n % 2 ? 'a b' : '',
                  },
          })),
        } as Change,
        { kind: 'setSite', field: 'notFound', value: gone },
      )
      const chosen = { ...USUAL_CHOICES, redirectPages: false, rules: server } as const
      const files = new Map(
        [...publishedFiles(site, YEAR, chosen)].flatMap((file) =>
          'text' in file
            ? [[folder + file.path, Buffer.from(file.text(), 'utf8').toString('latin1')] as const]
            : [],
        ),
      )
      const redirects = redirectsOf(site)
      expect(redirects.map(({ from }) => from).sort()).toEqual([...HARD_PATHS].sort())
      const { paths } = addressesOf(site)
      const read = async (
        ask: (path: string) => ReturnType<Parameters<Parameters<typeof servedBy>[2]>[0]>,
      ) => {
        for (const { from, to } of redirects) {
          for (const asked of [from, ...(from.endsWith('/index.html') ? [from.slice(0, -10)] : [])]) {
            const { status, location } = await ask(encodePath(folder + asked))
            expect(`${asked} ${status}`).toBe(`${asked} 301`)
            const url = new URL(location, 'http://127.0.0.1/')
            // In the rules of nginx, `$` stands for itself only in its escape.
            const told = (href: string) => (server === 'nginx' ? href.replaceAll('$', '%24') : href)
            if (to.to === 'address') expect(url.href).toBe(told(new URL(to.url).href))
            else {
              expect(decodeURIComponent(url.pathname)).toBe(`/${folder}${paths.get(to.entry)}`)
              expect(decodeURIComponent(url.hash)).toBe(to.fragment === '' ? '' : `#${to.fragment}`)
              expect((await ask(url.pathname.slice(1))).status).toBe(200)
            }
          }
        }
        const lost = await ask(`${encodePath(folder)}deep/er/nowhere.html`)
        expect(lost.status).toBe(404)
        expect(lost.text).toBe(files.get(folder + paths.get(gone)!))
        expect((await ask(`${encodePath(folder)}index.html`)).status).toBe(200)
        // What is like an old address is none.
        expect((await ask(`${encodePath(folder)}oldxhtml`)).status).toBe(404)
        expect((await ask(`${encodePath(folder)}x/old.html`)).status).toBe(404)
        // The rules are nobody's to read.
        expect([403, 404]).toContain((await ask(`${encodePath(folder)}${rulesPath}`)).status)
      }
      await servedBy(server, files, read, folder + rulesPath)
    },
  )
})
