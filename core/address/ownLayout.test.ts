import fc from 'fast-check'
import { applyChange } from '../plan/change/apply.ts'
import type { Entry } from '../plan/entry.ts'
import type { EntryId } from '../plan/ids.ts'
import { newGroup, newPage } from '../plan/newEntry.ts'
import { childrenOf } from '../plan/plan.ts'
import { newSite, type Site, siteWith } from '../plan/site.ts'
import { arbitrarySite } from '../testing/arbitrarySite.ts'
import { addressesOf } from './addresses.ts'

/** A site of existing pages at these paths: ids are the paths, each below the one that is named beside it. */
function existing(paths: Readonly<Record<string, string>>): Site {
  const [home, ...others] = Object.keys(paths) as [string, ...string[]]
  const pageAt = (path: string) => newPage(path, path, { pin: { name: 'kept', addresses: [path] } })
  const { settings, plan } = newSite('Walks', home)
  const start = siteWith(
    { ...settings, layout: 'own' },
    { ...plan, entries: new Map([[home, pageAt(home)]]) },
  )
  return others.reduce((site, path) => add(site, paths[path] || home, pageAt(path)), start)
}

function add(site: Site, parent: EntryId, entry: Entry): Site {
  const place = childrenOf(site.plan, parent).length
  return applyChange(site, { kind: 'add', parent, place, branches: [{ ...entry, entries: [] }] }).site
}

const pathOf = (site: Site, id: string) => addressesOf(site).paths.get(id)

test('pages keep the paths that they have, wherever they stand in the plan', () => {
  const paths = {
    'home.html': '',
    'Walks/Stage1.HTM': 'home.html',
    'pages/about_team.html': 'Walks/Stage1.HTM',
  }
  const site = existing(paths)
  expect(pathOf(site, 'home.html')).toBe('home.html')
  expect(pathOf(site, 'Walks/Stage1.HTM')).toBe('Walks/Stage1.HTM')
  expect(pathOf(site, 'pages/about_team.html')).toBe('pages/about_team.html')
})

// Common practice: who adds a page to a site copies one that stands beside it, and names it alike.
test.each([
  [
    'in their folder, with their extension',
    { 'index.htm': '', 'Walks/a.HTM': '', 'Walks/b.HTM': '' },
    '',
    'Walks/new-page.HTM',
  ],
  [
    'with their separator',
    { 'index.html': '', 'the_locks.html': '', 'the_inns.html': '' },
    '',
    'new_page.html',
  ],
  [
    'in a folder of its own',
    { 'index.html': '', 'a/index.html': '', 'b/index.html': '' },
    '',
    'new-page/index.html',
  ],
  [
    'with the name of the section',
    { 'index.html': '', 'walks.html': '', 'walks-a.html': 'walks.html' },
    'walks.html',
    'walks-new-page.html',
  ],
  [
    'as the page above where there are none',
    { 'index.html': '', 'walks/start.php': '' },
    'walks/start.php',
    'walks/new-page.php',
  ],
])('a new page is named as its siblings are: %s', (_, paths, parent, expected) => {
  const site = existing(paths as unknown as Record<string, string>)
  expect(pathOf(add(site, parent || site.plan.home, newPage('n', 'New page')), 'n')).toBe(expected)
})

test('a new page in a new group stands where the page above the group does', () => {
  const site = existing({ 'index.html': '', 'walks/start.php': '' })
  const grouped = add(site, 'walks/start.php', newGroup('g', 'Guide'))
  expect(pathOf(add(grouped, 'g', newPage('n', 'New page')), 'n')).toBe('walks/new-page.php')
})

test('the home page goes round what other pages keep, and round files', () => {
  const site = existing({ 'index.html': '', 'start.html': '' })
  const named = { kind: 'setEntry', entry: site.plan.home, field: 'pin', value: null } as const
  const other = { name: 'start', addresses: ['index.html'] }
  const kept = { kind: 'setEntry', entry: 'start.html', field: 'pin', value: other } as const
  const both = applyChange(site, { kind: 'batch', changes: [named, kept] }).site
  expect([...addressesOf(both).paths.values()].sort()).toEqual(['index-2.html', 'index.html'])
  const file = { id: 'found', path: 'index.html', content: 'a'.repeat(64), size: 1, alt: '' }
  const beside = applyChange(site, { kind: 'batch', changes: [named, { kind: 'addFile', file }] }).site
  expect(pathOf(beside, beside.plan.home)).toBe('index-2.html')
})

test('whatever the plan is, every page has a path of its own, and what is kept stays', () => {
  fc.assert(
    fc.property(arbitrarySite(12), (site) => {
      // What the author put at a path, files and redirects, comes before a page.
      const settings = { ...site.settings, layout: 'own' as const, redirects: [] }
      const own = { ...site, settings, files: new Map() }
      const { paths } = addressesOf(own)
      const taken = [...paths.values()].map((path) => path.toLowerCase())
      expect(new Set(taken).size).toBe(taken.length)
      for (const entry of own.plan.entries.values()) {
        expect(paths.has(entry.id)).toBe(entry.kind === 'page')
        if (entry.kind !== 'page' || entry.fileName !== '' || !entry.pin) continue
        const kept = entry.pin.addresses.at(-1)!
        // So does the style sheet that is generated.
        if (kept !== 'style.css') expect(taken).toContain(kept.toLowerCase())
      }
    }),
    { numRuns: 200 },
  )
})
