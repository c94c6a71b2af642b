import fc from 'fast-check'
import type { Change, SingleChange } from '../plan/change/change.ts'
import type { Entry, LinkTarget } from '../plan/entry.ts'
import type { EntryId } from '../plan/ids.ts'
import type { SiteFile } from '../plan/file.ts'
import { goneByPointer } from '../plan/gone.ts'
import { type Plan, walk } from '../plan/plan.ts'
import {
  DEFAULT_SETTINGS,
  EXTENSIONS,
  LAYOUTS,
  PLANNED_RULES,
  SEPARATORS,
  type OwnRedirect,
  type Settings,
  type Site,
} from '../plan/site.ts'
import type { Menu } from '../plan/surround/menu.ts'
import { STANDARD_SURROUND, type Surround } from '../plan/surround/surround.ts'

/** Names that are hard on files, links and markup, beside ordinary ones. */
const HARD_NAMES = [
  'Walks',
  'walks',
  'WALKS!',
  'Über uns',
  'Ärger & Öl',
  '東京',
  '???',
  'index',
  'Index',
  'CON',
  'com1',
  'Walks 2',
  'walks-2',
  '<script>alert(1)</script>',
  '"quoted" & \'single\'',
  'a/b\\c:d',
  '..',
  '100 % #1',
  'page',
  '👣 footpath',
]
const name = fc.oneof(
  fc.constantFrom(...HARD_NAMES),
  fc
    .string({ minLength: 1, maxLength: 30, unit: 'grapheme-ascii' })
    .map((text) => text.trim())
    .filter((text) => text !== ''),
)

/** Author's own file names: plain ones, and ones that must be percent-encoded in links. */
const fileName = fc.oneof(
  { weight: 4, arbitrary: fc.constant('') },
  {
    weight: 1,
    arbitrary: fc.constantFrom(
      'walks',
      'Walks',
      'stage 1',
      'café',
      'a%20b',
      'x#y',
      "it's",
      'index',
      'nul',
      'v1.2',
      'con.x',
      'aux.html',
      'walks.html',
      'index.html',
      'style.css',
      'fonts',
      'Σ',
      'ς',
      '日'.repeat(80),
    ),
  },
)

interface Sketch {
  readonly kind: Entry['kind']
  readonly name: string
  readonly fileName: string
  /** Which of the entries before it is its parent, as a share of them. */
  readonly parent: number
  readonly state: 'planned' | 'draft' | 'ready'
  readonly inMenu: boolean
  readonly inOrder: boolean
  readonly inSearch: boolean
  readonly isPinned: boolean
  /** Which of the entries before it its body or its target leads to. */
  readonly leadsTo: number
}

const sketch: fc.Arbitrary<Sketch> = fc.record({
  kind: fc.constantFrom('page', 'page', 'page', 'page', 'group', 'link'),
  name,
  fileName,
  parent: fc.nat(1000),
  state: fc.constantFrom('planned', 'draft', 'ready', 'ready'),
  inMenu: fc.boolean(),
  inOrder: fc.boolean(),
  inSearch: fc.boolean(),
  isPinned: fc.integer({ min: 0, max: 9 }).map((n) => n === 0),
  leadsTo: fc.nat(1000),
})

/** Names of pins and addresses that were given out: some the same, some where others would stand. */
const PINNED = ['kept', 'walks', 'nul.x', 'Walks'] as const
const GIVEN_OUT = [
  'walks.html',
  'kept.html',
  'walks/index.html',
  'page.html',
  'style.css',
  'style.css/x.html',
  'fonts',
] as const

/** What main content calls: nothing on most pages. */
const COMPUTED = [
  ...['', '', '', '', '', ''],
  '<put-pages></put-pages>',
  '<put-pages cards depth="3"></put-pages>',
  '<put-pages newest depth="2"></put-pages>',
  '<put-pages cards newest of="e3 e1 e2"></put-pages>',
  '<put-pages cards of="e2  e0 none e1 e2"></put-pages>',
  '<put-pages of="e1 e3" descriptions></put-pages>',
  '<p>Under it: <put-pages depth="2" descriptions all></p>',
  '<put-site-map></put-site-map>',
  '<div><put-menu menu="Main" shape="row"></put-menu><p>© <put-year></p></div>',
] as const

function entryOfSketch(
  id: EntryId,
  { kind, name: label, fileName: own, ...rest }: Sketch,
  target: EntryId,
): Entry {
  const shared = { id, note: '', inMenu: rest.inMenu }
  if (kind === 'group') return { ...shared, kind, label, fileName: own }
  if (kind === 'link') {
    const targets: LinkTarget[] = [
      { to: 'entry', entry: target, fragment: 'top' },
      { to: 'address', url: 'https://example.org/?a=1&b=2' },
      { to: 'file', file: `f${rest.leadsTo % 5}` },
    ]
    return { ...shared, kind, label, target: targets[rest.leadsTo % 3]! }
  }
  const picture = rest.leadsTo % 4 === 0 ? ` <img src="site-file:f${rest.leadsTo % 3}">` : ''
  return {
    ...shared,
    kind,
    title: label,
    label: '',
    fileName: own,
    heading: '',
    description: label,
    banner: null,
    date: ['', '2026-05-01', '2026-05-02'][(rest.leadsTo % 7) % 3]!,
    state: rest.state,
    inOrder: rest.inOrder,
    inSearch: rest.inSearch,
    body: {
      html: `<p>To <a href="entry:${target}#part">there</a>.${picture}</p>${COMPUTED[rest.leadsTo % COMPUTED.length]!}`,
      changed: '',
    },
    pin: rest.isPinned
      ? { name: PINNED[rest.leadsTo % 4]!, addresses: ['old/kept.html', GIVEN_OUT[rest.leadsTo % 5]!] }
      : null,
    seen: rest.leadsTo % 5 === 0 ? { on: '2026-05-01', marks: { page: '1f' } } : null,
  }
}

/** Up to four files, some of which are called like those that Viatica makes. */
const arbitraryFiles: fc.Arbitrary<SiteFile[]> = fc
  .subarray([
    'pictures/lock 1.svg',
    'style.css',
    'menu.js',
    'fonts/Own.woff2',
    'docs/plan.pdf',
    'walks.html/map.svg',
    'page/index.css',
  ])
  .map((paths) =>
    paths.map((path, n) => ({
      ...{ id: `f${n}`, path, content: `k${n}`, size: 1, alt: 'A "lock" & <gate>' },
      ...(path.endsWith('.svg') ? { pixels: { width: 640, height: 320 } } : {}),
    })),
  )

/** Ids of entries by turn; one is what every object has of itself. */
const idAt = (turn: number): EntryId => (turn === 4 ? 'constructor' : `e${turn}`)

/** What is remembered of what is not there any more: of some sites. */
const goneOf = (turns: number): Site['gone'] =>
  goneByPointer(
    turns % 2 === 0
      ? []
      : [
          { to: 'entry:removed', path: 'removed/page.html', label: 'Removed' },
          { to: 'site-file:removed', path: 'removed.png', label: '' },
        ],
  )

function siteOfSketches(
  settings: Settings,
  surround: Surround,
  files: readonly SiteFile[],
  sketches: readonly Sketch[],
): Site {
  const home = entryOfSketch('e0', { ...HOME, name: 'Home' }, 'e0')
  const entries = new Map<EntryId, Entry>([['e0', home]])
  const parents = new Map<EntryId, EntryId>()
  const children = new Map<EntryId, EntryId[]>()
  const canHold = ['e0']
  sketches.forEach((one, at) => {
    const id = idAt(at + 1)
    const parent = canHold[one.parent % canHold.length]!
    entries.set(id, entryOfSketch(id, one, idAt(one.leadsTo % (at + 1))))
    parents.set(id, parent)
    children.set(parent, [...(children.get(parent) ?? []), id])
    if (one.kind !== 'link' && depthOf(parents, id) < 10) canHold.push(id)
  })
  const kept = new Map(files.map((file) => [file.id, file]))
  const plan = { home: 'e0', entries, parents, children }
  return { settings, surround, files: kept, plan, gone: goneOf(sketches.length) }
}

const HOME: Sketch = {
  kind: 'page',
  name: 'Home',
  fileName: '',
  parent: 0,
  state: 'ready',
  inMenu: true,
  inOrder: true,
  inSearch: true,
  isPinned: false,
  leadsTo: 0,
}

function depthOf(parents: ReadonlyMap<EntryId, EntryId>, id: EntryId): number {
  let depth = 0
  for (let up = parents.get(id); up; up = parents.get(up)) depth++
  return depth
}

/** Where the author's own redirects start: some where something stands, or would have to be a folder. */
const arbitraryRedirects: fc.Arbitrary<OwnRedirect[]> = fc
  .subarray([
    ...[
      'walks',
      'walks.html',
      'style.css',
      'a.html/b.html',
      'a.html',
      'old/kept.html',
      'fonts',
      'docs/plan.pdf/x',
    ],
    ...['index/index.html', 'here.html'],
  ])
  .map((paths) =>
    paths.map((from, n) => ({
      from,
      to:
        n % 2 === 0
          ? { to: 'entry' as const, entry: `e${n % 3}`, fragment: n % 4 === 0 ? 'a b' : '' }
          : { to: 'address' as const, url: `${BASE_URL}here.html` },
    })),
  )

const BASE_URL = 'https://example.org/a%20b/c/'

/** Settings over all that changes addresses, menus and marks. */
export const arbitrarySettings: fc.Arbitrary<Settings> = fc
  .record({
    layout: fc.constantFrom(...LAYOUTS),
    carrySection: fc.boolean(),
    separator: fc.constantFrom(...SEPARATORS),
    extension: fc.constantFrom(...EXTENSIONS),
    namesIndex: fc.boolean(),
    sharing: fc.boolean(),
    plannedPages: fc.constantFrom(...PLANNED_RULES),
    notFound: fc.option(fc.constantFrom('home', 'e0', 'e1', 'e2', 'e5')),
    redirects: arbitraryRedirects,
    name,
  })
  .map((chosen) => ({ ...DEFAULT_SETTINGS, ...chosen }) as Settings)

/** The surround of new sites, with the choices that change menus and marks. */
const standardSurround: fc.Arbitrary<Surround> = fc
  .record({ depth: fc.constantFrom(1, 2), form: fc.constantFrom('link', 'text') })
  .map(({ depth, form }) => ({
    ...STANDARD_SURROUND,
    menus: STANDARD_SURROUND.menus.map((menu) => ({ ...menu, depth }) as Menu),
    here: { ...STANDARD_SURROUND.here, form },
  }))

/** A site with up to `size` entries under its home page, in any shape and of every kind. */
export function arbitrarySite(size = 25, surround = standardSurround): fc.Arbitrary<Site> {
  return fc
    .tuple(arbitrarySettings, surround, arbitraryFiles, fc.array(sketch, { maxLength: size }))
    .map((parts) => siteOfSketches(...parts))
}

/** What a random change needs: numbers to pick entries and places with. */
export const arbitraryPick = fc.record({ kind: fc.nat(9), a: fc.nat(1000), b: fc.nat(1000), name })

/** A file of one of three kinds that may or may not be there already. */
function fileOfPick(a: number, b: number): SiteFile {
  const path = ['pictures/p', 'styles/s', 'docs/d'][b % 3]! + (a % 7) + ['.svg', '.css', '.pdf'][b % 3]!
  return { id: `f${b % 7}`, path, content: `k${a % 3}`, size: 2, alt: b % 2 ? 'A picture' : '' }
}

/** A change of any kind that may or may not make sense on the site. `fresh` makes the ids of new entries differ. */
export function changeOfPick(
  plan: Plan,
  { kind, a, b, name: text }: { kind: number; a: number; b: number; name: string },
  fresh: number,
): Change {
  const ids = [...walk(plan)].map(({ entry }) => entry.id)
  const entry = ids[a % ids.length]!
  const other = ids[b % ids.length]!
  const page: Entry = entryOfSketch(`n${fresh}`, { ...HOME, name: text }, entry)
  const group: Entry = entryOfSketch(`g${fresh}`, { ...HOME, kind: 'group', name: text }, entry)
  const singles: SingleChange[] = [
    {
      kind: 'add',
      parent: entry,
      place: b % 4,
      branches: [{ ...group, entries: [{ ...page, entries: [] }] }],
    },
    { kind: 'remove', entries: a % 3 === 0 ? [entry, other] : [entry] },
    { kind: 'move', entry, parent: other, place: b % 5 },
    { kind: 'setEntry', entry, field: 'label', value: text },
    { kind: 'setEntry', entry, field: 'state', value: (['planned', 'draft', 'ready'] as const)[b % 3]! },
    { kind: 'setSite', field: 'layout', value: LAYOUTS[b % 3]! },
    { kind: 'addFile', file: fileOfPick(a, b) },
    { kind: 'setFile', file: fileOfPick(a, b) },
    { kind: 'removeFile', file: `f${b % 7}` },
  ]
  const single = singles[kind % singles.length]!
  return kind === 9
    ? { kind: 'batch', changes: [singles[a % singles.length]!, singles[b % singles.length]!] }
    : single
}
