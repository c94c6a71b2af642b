import fc from 'fast-check'
import { html as standard, parse, serialize } from 'parse5'
import { addressesOf } from '../address/addresses.ts'
import { encodePath } from '../address/relative.ts'
import { applyChange } from '../plan/change/apply.ts'
import type { SingleChange } from '../plan/change/change.ts'
import type { EntryId } from '../plan/entry.ts'
import { walk } from '../plan/plan.ts'
import { isWritten, type Site } from '../plan/site.ts'
import { type Place, PLACES } from '../plan/surround/place.ts'
import { createRenderer, type Renderer } from '../render/renderer.ts'
import { type Element, elementsOf, fragmentFault, isElement } from '../standard/fragment.ts'
import { folderKeys, nameKey } from '../standard/fileName.ts'
import { arbitraryDraws, withAnySettings } from '../testing/arbitraryChange.ts'
import { hostileHtml, REFERENCES } from '../testing/arbitraryHtml.ts'
import { arbitrarySite } from '../testing/arbitrarySite.ts'
import { arbitrarySurround } from '../testing/arbitrarySurround.ts'
import { htmlFaults } from '../testing/htmlValidator.ts'
import { OURS } from '../testing/ours.ts'
import { YEAR } from '../testing/year.ts'
import { outputFiles } from './archive.ts'

/** Every kind of entry, setting, piece and menu. */
const anySite: fc.Arbitrary<Site> = fc
  .tuple(arbitrarySite(7, arbitrarySurround), arbitraryDraws)
  .map(([site, draws]) => withAnySettings(site, draws))

/** HTML as nobody should write it, that names pages and files of the random sites. */
const hostile = hostileHtml
  .map((html) => html.replaceAll(/entry:home/gi, 'entry:e1').replaceAll('site-file:lock', 'site-file:f0'))
  .filter((html) => fragmentFault(html) === undefined)

const written = (site: Site): EntryId[] =>
  [...walk(site.plan)].flatMap(({ entry }) => (isWritten(site, entry) ? [entry.id] : []))

/** The host that a site is put on, where it does not say so itself. */
const hostOf = ({ settings }: Site) => settings.baseUrl || 'https://host.example/'

type Reading = ReturnType<typeof parsed>
/** What was read of the pages of one site: each is looked at in several ways. */
const readings = new Map<string, Reading>()

/** A page as a browser reads it. */
function read(html: string, scriptingEnabled: boolean): Reading {
  const key = `${scriptingEnabled} ${html}`
  const known = readings.get(key) ?? parsed(html, scriptingEnabled)
  readings.set(key, known)
  return known
}

function parsed(html: string, scriptingEnabled: boolean) {
  const page = parse(html, { scriptingEnabled })
  const [head, body] = page.childNodes.find(isElement)!.childNodes.filter(isElement) as [Element, Element]
  const parts = body.childNodes.filter(isElement)
  return {
    elements: [...elementsOf(page)].map(({ element }) => element),
    head: serialize(head),
    body: body.attrs,
    /** What stands right under body, each with all in it. */
    parts: parts.map((part) => ({
      name: part.tagName,
      html: JSON.stringify(part.attrs) + serialize(part, { scriptingEnabled }),
    })),
  }
}

/** The outermost part in which a place stands; beside the content, it depends on the piece. */
const PART_OF: Readonly<Record<Place, readonly string[]>> = {
  header: ['header'],
  side: ['div', 'aside'],
  before: ['div', 'main'],
  after: ['div', 'main'],
  footer: ['footer'],
}

const isBase = ({ tagName, namespaceURI }: Element) => tagName === 'base' && namespaceURI === standard.NS.HTML

/** What stands under body apart from some parts. */
const othersIn = ({ parts }: Reading, names: readonly string[]) =>
  parts.filter(({ name }) => !names.includes(name)).map(({ html }) => html)
const countIn = ({ parts }: Reading, names: readonly string[]) =>
  parts.filter(({ name }) => names.includes(name)).length

/**
 * Expects that a page differs from one of others in no other part than these.
 * @param mayMake whether a part may be there now that was empty before
 */
function expectSameBut(
  names: readonly string[],
  before: readonly string[],
  after: string,
  mayMake: boolean,
): void {
  for (const scriptingEnabled of [true, false]) {
    const is = read(after, scriptingEnabled)
    const was = before.map((page) => read(page, scriptingEnabled))
    expect(is.head).toBe(was[0]!.head)
    expect(is.body).toEqual(was[0]!.body)
    expect(was.map((one) => othersIn(one, names))).toContainEqual(othersIn(is, names))
    expect(countIn(is, names) - countIn(was[0]!, names)).toBeLessThanOrEqual(mayMake ? 1 : 0)
    // In a drawing, an element of this name is none that links follow.
    expect(is.elements.filter(isBase).length).toBe(0)
  }
}

const NOT_FILES = /^(#|data:|mailto:|tel:|javascript:)/i
/** References that a reader of the page follows, by their elements' attributes. */
const FOLLOWED = ['href', 'src', 'poster', 'data', 'cite', 'action', 'formaction', 'xlink:href']

/** What the links of a page lead to within the site: no file of the finished site, and nothing that an author typed. */
function leadNowhere(site: Site, files: ReadonlySet<string>, page: EntryId, html: string): string[] {
  const host = hostOf(site)
  const url = host + encodePath(addressesOf(site).paths.get(page)!)
  return read(html, true).elements.flatMap(({ attrs }) =>
    attrs.flatMap(({ name, prefix, value }) => {
      if (!FOLLOWED.includes(prefix ? `${prefix}:${name}` : name)) return []
      if (NOT_FILES.test(value) || REFERENCES.includes(value) || !URL.canParse(value, url)) return []
      const to = new URL(value, url).href.replace(/[?#].*$/, '')
      if (!to.startsWith(host)) return []
      const file = to.endsWith('/') ? `${to}index${site.settings.extension}` : to
      return files.has(file) ? [] : [value]
    }),
  )
}

function expectRight(site: Site): void {
  const renderer = createRenderer(site, YEAR)
  const paths = [...outputFiles(site, YEAR)].map(({ path }) => path)
  const keys = new Set(paths.map(nameKey))
  expect(keys.size).toBe(paths.length)
  for (const key of keys) expect([...folderKeys(key)].filter((folder) => keys.has(folder))).toEqual([])
  const files = new Set(paths.map((path) => new URL(hostOf(site) + encodePath(path)).href))
  for (const id of written(site)) {
    const html = renderer.page(id)
    expect(leadNowhere(site, files, id, html)).toEqual([])
    const values = read(html, true).elements.flatMap(({ attrs }) => attrs.map(({ value }) => value))
    expect(values.filter((value) => OURS.test(value))).toEqual([])
  }
}

test('the finished site of any plan is contained, conforming, and has every link resolved', async () => {
  await fc.assert(
    fc.asyncProperty(
      anySite,
      fc.array(hostile, { minLength: 1, maxLength: 3 }),
      fc.constantFrom(...PLACES),
      async (site, bodies, place) => {
        readings.clear()
        const ids = written(site)
        expectRight(site)
        expect(await htmlFaults(createRenderer(site, YEAR).page(ids.at(-1)!))).toEqual([])

        // Main content that nobody should write, on every page. A first heading in it stands for that of the page,
        // wherever that would be.
        const withBodies = (html: (n: number) => string) => {
          const changes = ids.map((entry, n): SingleChange => {
            const value = { html: html(n), changed: '' }
            return { kind: 'setEntry', entry, field: 'body', value }
          })
          return applyChange(site, { kind: 'batch', changes }).site
        }
        const hostileSite = withBodies((n) => bodies[n % bodies.length]!)
        expectRight(hostileSite)
        const [plain, headed, is] = [site, withBodies(() => '<h1>Own</h1>'), hostileSite].map((one) =>
          createRenderer(one, YEAR),
        ) as [Renderer, Renderer, Renderer]
        for (const id of ids) expectSameBut(['main'], [plain.page(id), headed.page(id)], is.page(id), false)

        // And in a piece.
        const piece = { id: 'hostile', kind: 'html' as const, beside: false, html: bodies[0]! }
        const around = applyChange(site, { kind: 'addPiece', place, at: 0, piece }).site
        expectRight(around)
        const pieced = createRenderer(around, YEAR)
        for (const id of ids) expectSameBut(PART_OF[place], [plain.page(id)], pieced.page(id), true)
      },
    ),
    { numRuns: Number(process.env['VIATICA_SITES'] ?? 1000) },
  )
}, 600_000)
