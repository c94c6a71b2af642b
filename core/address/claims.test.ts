import fc from 'fast-check'
import { outputFiles } from '../formats/archive.ts'
import type { Entry } from '../plan/entry.ts'
import type { EntryId } from '../plan/ids.ts'
import { newGroup, newPage } from '../plan/newEntry.ts'
import type { Plan } from '../plan/plan.ts'
import { newSite, type Settings, type Site } from '../plan/site.ts'
import { siteFault } from '../plan/siteFault.ts'
import { USUAL_CHOICES } from '../publish/choices.ts'
import { filesToPublish } from '../publish/publication.ts'
import { folderKeys, nameKey } from '../standard/fileName.ts'
import { YEAR } from '../testing/year.ts'
import { addressesOf } from './addresses.ts'
import { redirectsOf } from './redirects.ts'

/** Names that are files here and folders there, as pages, files of the author and of Viatica, and redirects alike. */
const SEGMENTS = [
  'x',
  'X',
  'y.html',
  'index.html',
  'index',
  'style.css',
  'menu.js',
  'fonts',
  'a',
  'a-2',
  'con',
  ...['404.html', 'sitemap.xml', 'robots.txt', '.htaccess'],
]
const path = fc
  .array(fc.constantFrom(...SEGMENTS), { minLength: 1, maxLength: 3 })
  .map((segments) => segments.join('/'))
const title = fc.constantFrom('x', 'y', 'a', 'Index', 'style', 'fonts', 'con')
const layout = fc.constantFrom('flat', 'nested', 'folders', 'own') satisfies fc.Arbitrary<Settings['layout']>

const arbitraryEntry = fc.record({
  title,
  kind: fc.constantFrom('page', 'page', 'page', 'group'),
  parent: fc.nat(8),
  pins: fc.array(path, { maxLength: 2 }),
  fileName: fc.constantFrom('', '', '', 'x', 'y.html'),
})

function siteOf(
  settings: Pick<Settings, 'layout' | 'carrySection'>,
  entries: readonly { title: string; kind: string; parent: number; pins: string[]; fileName: string }[],
  files: readonly string[],
  redirects: readonly { from: string; to: number }[],
  home: readonly string[],
): Site {
  const start = newSite('Home', 'e0')
  const all = new Map<EntryId, Entry>()
  const children = new Map<EntryId, EntryId[]>()
  const parents = new Map<EntryId, EntryId>()
  const pinOf = (addresses: readonly string[]) =>
    addresses.length > 0 ? { name: 'kept', addresses: [...new Set(addresses)] } : null
  all.set('e0', newPage('e0', 'Home', { pin: pinOf(home) }))
  entries.forEach(({ title, kind, parent, pins, fileName }, at) => {
    const id = `e${at + 1}`
    const above = `e${parent % (at + 1)}`
    const page = newPage(id, title, { fileName, pin: pinOf(pins), state: 'draft' })
    all.set(id, kind === 'group' ? newGroup(id, title) : page)
    parents.set(id, above)
    children.set(above, [...(children.get(above) ?? []), id])
  })
  const plan = { home: 'e0', entries: all, children, parents } as unknown as Plan
  const file = (at: string, n: number) =>
    [`f${n}`, { id: `f${n}`, path: at, size: 1, digest: '0'.repeat(64), role: 'other' }] as const
  const own = redirects.map(({ from, to }) => ({
    from,
    to: { to: 'entry' as const, entry: `e${to % (entries.length + 1)}`, fragment: '' },
  }))
  const rule = { ...start.settings, ...settings, redirects: own }
  return { ...start, plan, settings: rule, files: new Map(files.map(file)) as unknown as Site['files'] }
}

const anySite = fc
  .tuple(
    fc.record({ layout, carrySection: fc.boolean() }),
    fc.array(arbitraryEntry, { maxLength: 10 }),
    fc.uniqueArray(path, { maxLength: 4, selector: nameKey }),
    fc.uniqueArray(fc.record({ from: path, to: fc.nat(9) }), {
      maxLength: 3,
      selector: ({ from }) => nameKey(from),
    }),
    fc.array(path, { maxLength: 1 }),
  )
  .map((all) => siteOf(...all))
  .filter((site) => siteFault(site) === undefined)

const EVERYTHING = {
  ...USUAL_CHOICES,
  sitemap: true,
  robots: true,
  redirectPages: true,
  rules: 'apache',
} as const
const withBase = (site: Site): Site => ({
  ...site,
  settings: { ...site.settings, baseUrl: 'https://www.example.org/' },
})

/** What cannot be on one disk, worked out from the paths alone. */
function clashes(paths: readonly string[]): string[] {
  const keys = paths.map(nameKey)
  const known = new Set(keys)
  return keys.filter(
    (key, at) => keys.indexOf(key) !== at || [...folderKeys(key)].some((folder) => known.has(folder)),
  )
}

test('whatever pages, files, redirects and pins ask for, every page has a path and no path is in the way of another', () => {
  const met = new Map<string, number>()
  fc.assert(
    fc.property(anySite, (site) => {
      const { paths } = addressesOf(site)
      for (const entry of site.plan.entries.values())
        if (entry.kind === 'page') expect(paths.get(entry.id)).toBeDefined()
      const files = [...site.files.values()].map((file) => file.path)
      const leading = redirectsOf(site).filter(({ rests }) => rests === undefined)
      expect(clashes([...paths.values(), ...files, ...leading.map(({ from }) => from)])).toEqual([])
      const written = [...outputFiles(site, YEAR)].map((file) => file.path)
      expect(clashes(written)).toEqual([])
      const published = [...filesToPublish(withBase(site), YEAR, EVERYTHING)].map((file) => file.path)
      expect(clashes(published)).toEqual([])
      met.set(site.settings.layout, (met.get(site.settings.layout) ?? 0) + 1)
    }),
    { numRuns: 600 },
  )
  expect(met.size).toBe(4)
})

test('a page that was at a place where a file is now goes to the nearest folder that can be', () => {
  const page = { title: 'y', kind: 'page', parent: 0, pins: ['x/y.html'], fileName: '' }
  const site = siteOf({ layout: 'own', carrySection: false }, [page, { ...page, pins: [] }], ['x'], [], [])
  expect(siteFault(site)).toBeUndefined()
  expect([...addressesOf(site).paths.values()].sort()).toEqual(['index.html', 'kept.html', 'y.html'])
})

test('files of Viatica go round folders of their names, too', () => {
  const site = siteOf(
    { layout: 'flat', carrySection: false },
    [],
    ['style.css/a.png', 'fonts', 'menu.js'],
    [],
    [],
  )
  expect(siteFault(site)).toBeUndefined()
  const paths = [...outputFiles(site, YEAR)].map((file) => file.path)
  expect(clashes(paths)).toEqual([])
  expect(paths).toContain('style-2.css')
})

test('thousands of pages of one title get the numbers in plan order', () => {
  for (const rule of ['flat', 'nested', 'folders', 'own'] as const) {
    const pages = Array.from({ length: 3000 }, () => ({
      title: 'a',
      kind: 'page',
      parent: 0,
      pins: [],
      fileName: '',
    }))
    const { names } = addressesOf(siteOf({ layout: rule, carrySection: false }, pages, [], [], []))
    expect([names.get('e1'), names.get('e2'), names.get('e3000')]).toEqual(['a', 'a-2', 'a-3000'])
  }
})
