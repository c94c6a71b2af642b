import fc from 'fast-check'
import { readOpml } from '../formats/opml.ts'
import type { Site } from '../plan/site.ts'
import { outputFiles } from '../formats/archive.ts'
import { applyChange } from '../plan/change/apply.ts'
import type { SingleChange } from '../plan/change/change.ts'
import { applySoundly } from '../plan/change/sound.ts'
import { newPage } from '../plan/newEntry.ts'
import { fileNameFault, folderKeys, isReservedName } from '../standard/fileName.ts'
import { YEAR } from '../testing/year.ts'
import { ChangeRefused } from '../plan/change/refused.ts'
import { anyChange, arbitraryDraws, arbitraryStart } from '../testing/arbitraryChange.ts'
import { arbitrarySite } from '../testing/arbitrarySite.ts'
import { addressesOf, pageAtPath } from './addresses.ts'
import { encodePath, folderOf, relativeHref } from './relative.ts'

const outline = readOpml(`<opml version="2.0"><head><title>Home</title></head><body>
  <outline text="Home">
    <outline text="Walks"><outline text="The summit level"/></outline>
    <outline text="Guide" type="group"><outline text="Locks"/></outline>
  </outline></body></opml>`)

const withSettings = (site: Site, settings: Partial<Site['settings']>): Site => ({
  ...site,
  settings: { ...site.settings, ...settings },
})
const make = (site: Site, changes: SingleChange[]) => applyChange(site, { kind: 'batch', changes }).site
const pathsOf = (site: Site) => [...addressesOf(site).paths.values()]

describe('addresses', () => {
  test.each([
    [{ layout: 'flat' }, ['index.html', 'walks.html', 'the-summit-level.html', 'locks.html']],
    [
      { layout: 'flat', carrySection: true },
      ['index.html', 'walks.html', 'walks-the-summit-level.html', 'guide-locks.html'],
    ],
    [{ layout: 'nested' }, ['index.html', 'walks.html', 'walks/the-summit-level.html', 'guide/locks.html']],
    [
      { layout: 'folders' },
      ['index.html', 'walks/index.html', 'walks/the-summit-level/index.html', 'guide/locks/index.html'],
    ],
    [
      { layout: 'nested', separator: '_', extension: '.php' },
      ['index.php', 'walks.php', 'walks/the_summit_level.php', 'guide/locks.php'],
    ],
  ] as const)('are laid out by the rule %j', (settings, expected) => {
    expect(pathsOf(withSettings(outline, settings)).sort()).toEqual([...expected].sort())
  })

  test('equal titles in one folder get numbers in plan order; in different folders they do not', () => {
    const site = readOpml(`<opml version="2.0"><head/><body><outline text="Home">
      <outline text="Locks"><outline text="Guide"/></outline>
      <outline text="Moorings"><outline text="Guide"/><outline text="GUIDE"/></outline></outline></body></opml>`)
    expect(pathsOf(withSettings(site, { layout: 'nested' })).filter((path) => path.includes('/'))).toEqual(
      expect.arrayContaining(['locks/guide.html', 'moorings/guide.html', 'moorings/guide-2.html']),
    )
    expect(pathsOf(withSettings(site, { layout: 'flat' }))).toEqual(
      expect.arrayContaining(['guide.html', 'guide-2.html', 'guide-3.html']),
    )
  })

  test('no two outputs share a path, none is the folder of another, and all can be written on common systems', () => {
    fc.assert(
      fc.property(arbitrarySite(), (site) => {
        const paths = [...outputFiles(site, YEAR)].map(({ path }) => path)
        // As systems compare that do not count case: full case folding, by way of the capitals.
        const keys = paths.map((path) => path.normalize('NFC').toUpperCase())
        expect(new Set(keys).size).toBe(paths.length)
        const folders = new Set(keys.flatMap((key) => [...folderKeys(key)]))
        expect(keys.filter((key) => folders.has(key))).toEqual([])
        for (const part of paths.flatMap((path) => path.split('/'))) {
          expect(isReservedName(part)).toBe(false)
          expect(fileNameFault(part.slice(0, 100))).toBeUndefined()
          expect(Buffer.byteLength(part)).toBeLessThanOrEqual(255)
        }
      }),
      { numRuns: 400 },
    )
  })

  test.each(['flat', 'nested', 'folders'] as const)('no file can be where the home page is: %s', (layout) => {
    const site = withSettings(outline, { layout })
    const add = (path: string) =>
      ({ kind: 'addFile', file: { id: 'f', path, content: 'a'.repeat(64), size: 1, alt: '' } }) as const
    for (const path of ['index.html', 'INDEX.HTML', 'index.html/lock.svg'])
      expect(() => applySoundly(site, add(path))).toThrow(
        'The home page is at index.html: no file or folder can be there.',
      )
    const other = applySoundly(site, add('index.php')).site
    const php = { kind: 'setSite', field: 'extension', value: '.php' } as const
    expect(() => applySoundly(other, php)).toThrow(
      'The home page is at index.php: no file or folder can be there.',
    )
  })

  test('a page that was given out keeps its address, whoever comes before it in the plan', () => {
    const addresses = ['walks.html']
    const site = make(withSettings(outline, { layout: 'nested' }), [
      { kind: 'setEntry', entry: 'walks', field: 'pin', value: { name: 'walks', addresses } },
      { kind: 'setEntry', entry: 'guide', field: 'label', value: 'Tours' },
      {
        kind: 'add',
        parent: 'home',
        place: 0,
        branches: [{ ...newPage('other', 'Walks'), entries: [] }],
      },
    ])
    const { paths } = addressesOf(site)
    expect([paths.get('walks'), paths.get('other')]).toEqual(['walks.html', 'walks-2.html'])
  })

  test.each(['con.x', 'aux.html', 'nul.x'])(
    'the name %s, also of a pin or a section, ends in a sound one',
    (name) => {
      const value = { name, addresses: [`${name}.html`] }
      for (const settings of [{ layout: 'flat', carrySection: true }, { layout: 'folders' }] as const) {
        const site = make(withSettings(outline, settings), [
          { kind: 'setEntry', entry: 'walks', field: 'pin', value },
          { kind: 'setEntry', entry: 'guide', field: 'fileName', value: name },
        ])
        for (const path of pathsOf(site))
          for (const part of path.split('/')) expect(isReservedName(part)).toBe(false)
      }
    },
  )

  test('stay the same object after an edit of a text, and are those of a site that was never seen after any change', () => {
    const met = { kept: 0, moved: 0 }
    const steps = fc.array(arbitraryDraws, { minLength: 1, maxLength: 6 })
    fc.assert(
      fc.property(arbitraryStart(10), steps, (start, all) => {
        let site = start
        for (const [fresh, draws] of all.entries()) {
          const before = addressesOf(site)
          const [id] = [...site.plan.entries].find(([, { kind }]) => kind === 'page')!
          const body = { html: `<p>${fresh}</p>`, changed: '' }
          const edited = applyChange(site, { kind: 'setEntry', entry: id, field: 'body', value: body }).site
          expect(addressesOf(edited)).toBe(before)
          try {
            site = applyChange(site, anyChange(site, draws, fresh)).site
          } catch (error) {
            if (!(error instanceof ChangeRefused)) throw error
          }
          const after = addressesOf(site)
          expect(after).toEqual(addressesOf(structuredClone(site)))
          met[after === before ? 'kept' : 'moved']++
        }
      }),
      { numRuns: 300 },
    )
    expect(Math.min(met.kept, met.moved)).toBeGreaterThan(0)
  })

  test('a page is found by its path, without regard to case, and by its folder', () => {
    const site = withSettings(outline, { layout: 'folders' })
    expect(pageAtPath(site, 'Walks/index.html')).toBe('walks')
    expect(pageAtPath(site, 'walks/')).toBe('walks')
    expect(pageAtPath(site, '')).toBe('home')
    expect(pageAtPath(site, 'nowhere.html')).toBeUndefined()
  })
})

describe('relative links', () => {
  test('lead to their target by the WHATWG URL standard, from every page to every page, also in a subfolder', () => {
    fc.assert(
      fc.property(
        arbitrarySite(14),
        fc.constantFrom('https://example.org/', 'https://example.org/a%20b/c/'),
        (site, top) => {
          const paths = pathsOf(site)
          for (const from of paths) {
            for (const to of paths) {
              const href = relativeHref(folderOf(from), to)
              expect(href).not.toMatch(/^(#|\/|$)/)
              expect(new URL(href, top + encodePath(from)).href).toBe(new URL(top + encodePath(to)).href)
            }
          }
        },
      ),
    )
  })

  test('a page links to itself by its own file name (common practice)', () => {
    expect(relativeHref('walks/', 'walks/index.html')).toBe('index.html')
    expect(relativeHref('', 'stage 1.html')).toBe('stage%201.html')
  })
})
