import fc from 'fast-check'
import { html as standard, parse, serialize } from 'parse5'
import { addressesOf } from '../address/addresses.ts'
import { encodePath } from '../address/relative.ts'
import { applyChange } from '../plan/change/apply.ts'
import type { SingleChange } from '../plan/change/change.ts'
import type { EntryId } from '../plan/ids.ts'
import { walk } from '../plan/plan.ts'
import { isWritten, type Site } from '../plan/site.ts'
import { type Place, PLACES } from '../plan/surround/place.ts'
import type { PageWriter } from '../page/pageWriter.ts'
import { createPageWriter } from '../render/pageWriter.ts'
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
 * Where a page differs from all of others, in other parts than these. What is wrong is gathered, and expected to be nothing
 * once for a site: an expectation for each part of each page would take a third of the time.
 * @param mayMake whether a part may be there now that was empty before
 */
function* differences(
  names: readonly string[],
  before: readonly string[],
  after: string,
  mayMake: boolean,
): Generator<unknown> {
  for (const scriptingEnabled of [true, false]) {
    const is = read(after, scriptingEnabled)
    const was = before.map((page) => read(page, scriptingEnabled))
    if (is.head !== was[0]!.head) yield { head: is.head, was: was[0]!.head }
    if (JSON.stringify(is.body) !== JSON.stringify(was[0]!.body)) yield { body: is.body, was: was[0]!.body }
    const others = othersIn(is, names)
    if (!was.some((one) => JSON.stringify(othersIn(one, names)) === JSON.stringify(others)))
      yield { others, was: was.map((one) => othersIn(one, names)) }
    const more = countIn(is, names) - countIn(was[0]!, names)
    if (more > (mayMake ? 1 : 0)) yield { more, names }
    // In a drawing, an element of this name is none that links follow.
    if (is.elements.some(isBase)) yield 'base'
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

/** What is wrong with the files of a finished site by themselves. */
function* faults(site: Site): Generator<unknown> {
  const renderer = createPageWriter(site, YEAR)
  const paths = [...outputFiles(site, YEAR)].map(({ path }) => path)
  const keys = new Set(paths.map(nameKey))
  if (keys.size !== paths.length) yield { twice: paths }
  for (const key of keys)
    for (const folder of folderKeys(key)) if (keys.has(folder)) yield { file: folder, isFolderOf: key }
  const files = new Set(paths.map((path) => new URL(hostOf(site) + encodePath(path)).href))
  for (const id of written(site)) {
    const html = renderer.page(id)
    for (const leads of leadNowhere(site, files, id, html)) yield { id, leads }
    for (const { attrs } of read(html, true).elements)
      for (const { value } of attrs) if (OURS.test(value)) yield { id, pointer: value }
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
        expect([...faults(site)]).toEqual([])
        expect(await htmlFaults(createPageWriter(site, YEAR).page(ids.at(-1)!))).toEqual([])

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
        expect([...faults(hostileSite)]).toEqual([])
        const [plain, headed, is] = [site, withBodies(() => '<h1>Own</h1>'), hostileSite].map((one) =>
          createPageWriter(one, YEAR),
        ) as [PageWriter, PageWriter, PageWriter]
        const fromBodies = ids.flatMap((id) => [
          ...differences(['main'], [plain.page(id), headed.page(id)], is.page(id), false),
        ])
        expect(fromBodies).toEqual([])

        // And in a piece.
        const piece = { id: 'hostile', kind: 'html' as const, beside: false, html: bodies[0]! }
        const around = applyChange(site, { kind: 'addPiece', place, at: 0, piece }).site
        expect([...faults(around)]).toEqual([])
        const pieced = createPageWriter(around, YEAR)
        const fromPiece = ids.flatMap((id) => [
          ...differences(PART_OF[place], [plain.page(id)], pieced.page(id), true),
        ])
        expect(fromPiece).toEqual([])
      },
    ),
    { numRuns: Number(process.env['VIATICA_SITES'] ?? 1000) },
  )
}, 600_000)
