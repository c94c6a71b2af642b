import fc from 'fast-check'
import { readOpml } from '../formats/opml.ts'
import { applyChange } from '../plan/change/apply.ts'
import type { Change, SingleChange } from '../plan/change/change.ts'
import { ChangeRefused } from '../plan/change/refused.ts'
import { planOfBranch } from '../plan/branch.ts'
import { newGroup, newPage } from '../plan/newEntry.ts'
import { type Site, siteWith } from '../plan/site.ts'
import { anyChange, arbitraryDraws, arbitraryStart } from '../testing/arbitraryChange.ts'
import { arbitraryPick, changeOfPick } from '../testing/arbitrarySite.ts'
import { folderAddresses } from './folderLayout.ts'

const inFolders = (site: Site, layout: 'nested' | 'folders'): Site => ({
  ...site,
  settings: { ...site.settings, layout },
})

/** A change among a few entries whose names, pins, redirects and files get in each other's way. */
function collidingChange({ plan }: Site, draws: readonly number[], fresh: number): SingleChange {
  let at = 0
  const of = <Value>(values: readonly Value[]) => values[draws[at++]! % values.length]!
  const ids = [...plan.entries.keys()]
  const [entry, parent] = [of(ids), of(ids)]
  const name = of(['', 'walks', 'walks.html', 'mill', 'index.html'])
  const path = of(['walks.html', 'mill.html', 'walks/mill.html', 'walks/index.html', 'walks.html/mill.html'])
  const pin = of([null, { name: of(['walks', 'mill']), addresses: [path] }])
  const kinds: readonly SingleChange[] = [
    { kind: 'setEntry', entry, field: 'fileName', value: name },
    { kind: 'setEntry', entry, field: 'pin', value: pin },
    { kind: 'setEntry', entry, field: 'note', value: name },
    {
      kind: 'add',
      parent,
      place: 0,
      branches: [{ ...newPage(`new-${fresh}`, 'Walks', { fileName: name }), entries: [] }],
    },
    { kind: 'move', entry, parent, place: 0 },
    { kind: 'remove', entries: [entry] },
    {
      kind: 'replaceEntry',
      entry: { ...of([newPage(entry, 'Walks'), newGroup(entry, 'Walks')]), fileName: name },
    },
    {
      kind: 'setSite',
      field: 'redirects',
      value: of([[], [{ from: path, to: { to: 'entry', entry, fragment: '' } }]]),
    },
    { kind: 'addFile', file: { id: 'file', path, content: 'a'.repeat(64), size: 1, alt: '' } },
    { kind: 'removeFile', file: 'file' },
  ]
  return of(kinds)
}

/**
 * Lays out a site after each of some changes, from what was laid out last and afresh: the same addresses in the same order.
 * @param stays where the layout after a change is not kept: what was laid out last is some changes ago then
 * @returns how many of the changes were made
 */
function holdsAfter(
  start: Site,
  changes: readonly ((site: Site, fresh: number) => Change)[],
  stays: readonly boolean[],
): number {
  const { layout } = start.settings as { layout: 'nested' | 'folders' }
  let made = 0
  let site = start
  let last = { site, addresses: folderAddresses(site) }
  for (const [at, change] of changes.entries()) {
    try {
      site = applyChange(site, change(site, at)).site
      made++
    } catch (error) {
      if (!(error instanceof ChangeRefused)) throw error
    }
    if (!['nested', 'folders'].includes(site.settings.layout)) site = inFolders(site, layout)
    const afresh = folderAddresses(site)
    const quick = folderAddresses(site, last)
    expect([...quick.paths]).toEqual([...afresh.paths])
    expect([...quick.names]).toEqual([...afresh.names])
    if (!stays[at]) last = { site, addresses: quick }
  }
  return made
}

const arbitraryLayout = fc.constantFrom('nested', 'folders')
const arbitraryStays = fc.array(fc.boolean(), { minLength: 8, maxLength: 8 })

test('laid out from what was laid out last, or afresh: the same addresses after any change', () => {
  let made = 0
  fc.assert(
    fc.property(
      arbitraryStart(14),
      arbitraryLayout,
      fc.array(fc.oneof(arbitraryDraws, arbitraryPick), { minLength: 1, maxLength: 8 }),
      arbitraryStays,
      (start, layout, steps, stays) => {
        const changes = steps.map(
          (one) => (site: Site, fresh: number) =>
            'numbers' in one ? anyChange(site, one, fresh) : changeOfPick(site.plan, one, fresh),
        )
        made += holdsAfter(inFolders(start, layout), changes, stays)
      },
    ),
    { numRuns: 200 },
  )
  expect(made).toBeGreaterThan(400)
})

test('the same where names, pins, redirects and files get in each other’s way', () => {
  const few = siteWith({ name: 'Few' }, planOfBranch({ ...newPage('home', 'Home'), entries: [] }))
  let made = 0
  fc.assert(
    fc.property(
      arbitraryLayout,
      fc.array(fc.array(fc.nat(999), { minLength: 10, maxLength: 10 }), { minLength: 8, maxLength: 40 }),
      arbitraryStays,
      (layout, steps, stays) => {
        const changes = steps.map(
          (draws) => (site: Site, fresh: number) => collidingChange(site, draws, fresh),
        )
        made += holdsAfter(inFolders(few, layout), changes, stays)
      },
    ),
    { numRuns: 600 },
  )
  expect(made).toBeGreaterThan(4000)
})

const outline = readOpml(`<opml version="2.0"><head/><body><outline text="Home">
  <outline text="Walks" type="group"><outline text="River"><outline text="Mill"/></outline></outline>
  <outline text="Rides" type="group"><outline text="Hill"/></outline></outline></body></opml>`)
const idOf = (label: string) =>
  [...outline.plan.entries.values()].find(
    (entry) => ('title' in entry ? entry.title : entry.label) === label,
  )!.id

/** The addresses after a change, from those before it. */
function after(site: Site, changes: SingleChange[]): string[] {
  const last = { site, addresses: folderAddresses(site) }
  const { paths } = folderAddresses(applyChange(site, { kind: 'batch', changes }).site, last)
  return [...paths.values()].sort()
}

test('a group that goes elsewhere takes what is under it along, under the same name', () => {
  const move = { kind: 'move', entry: idOf('Walks'), parent: idOf('Rides'), place: 0 } as const
  expect(after(inFolders(outline, 'nested'), [move])).toEqual([
    'index.html',
    'rides/hill.html',
    'rides/walks/river.html',
    'rides/walks/river/mill.html',
  ])
})

test('an entry named as the index file of the page above it goes round that, also where it is the home page', () => {
  const name = (label: string) =>
    ({ kind: 'setEntry', entry: idOf(label), field: 'fileName', value: 'index.html' }) as const
  expect(after(inFolders(outline, 'nested'), [name('Walks')])).toContain('index.html-2/river.html')
  expect(after(inFolders(outline, 'folders'), [name('Mill')])).toContain(
    'walks/river/index.html-2/index.html',
  )
})

test('a page that goes leaves the addresses that it was given out at to others', () => {
  const pin = { name: 'hill', addresses: ['walks/river/mill.html'] }
  const given = applyChange(inFolders(outline, 'nested'), {
    kind: 'setEntry',
    entry: idOf('Hill'),
    field: 'pin',
    value: pin,
  }).site
  expect([...folderAddresses(given).paths.values()]).toContain('walks/river/mill-2.html')
  expect(after(given, [{ kind: 'remove', entries: [idOf('Hill')] }])).toContain('walks/river/mill.html')
})
