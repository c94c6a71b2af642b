import { randomUUID } from 'node:crypto'
import { gzipSync } from 'node:zlib'
import { bring } from '@viatica/core/existing/bring.ts'
import { readMarkdown } from '@viatica/core/formats/markdown.ts'
import { writeSiteFile } from '@viatica/core/formats/siteFile.ts'
import { readInventory } from '@viatica/core/inventory/read.ts'
import { writeInventory } from '@viatica/core/inventory/write.ts'
import { applyChange } from '@viatica/core/plan/change/apply.ts'
import { planOfBranch } from '@viatica/core/plan/branch.ts'
import { type Site, siteWith } from '@viatica/core/plan/site.ts'
import { STANDARD_SURROUND, withTemplates } from '@viatica/core/plan/surround/surround.ts'
import { damagedArchives, hostileFolders, hostsThatBreakOff } from './hostile.ts'
import { makeBranch } from './makeBranch.ts'
import { print, type Sent, serveToMeasure, SITE_FILE } from './served.ts'
import { slowFolders } from './slowFolders.ts'

/**
 * Inputs that are small to send and could be much to do: how long each takes, what the answer is, and the longest that
 * another request (/api/health) had to wait meanwhile. None shall hold others up for more than 200 ms, or take the server
 * past 1 GB. Whatever is under 1 MB shall take no more than 2 s.
 */

const { child, send, measure } = await serveToMeasure()

/** Pages of the site whose archives are asked for. */
const ARCHIVED = 3000

const OPML = 'text/x-opml'
const JSON_TYPE = 'application/json'

const created = async (site: Site): Promise<string> => {
  const answer = await send({ path: '/api/sites', body: writeSiteFile(site, new Map()), type: SITE_FILE })
  return (JSON.parse(answer.text) as { id: string }).id
}
const edit = (change: object, base = 0) => JSON.stringify({ id: randomUUID(), base, change })
const changes = (id: string, change: object, base = 0): Sent => ({
  path: `/api/sites/${id}/changes`,
  body: edit(change, base),
  type: JSON_TYPE,
})
const zeros = (before: string, after: string) => `${before}${'0,'.repeat(10_000_000)}0${after}`
const body = (html: string) => ({ kind: 'setEntry', entry: 'home', field: 'body', value: { html } })
const bold = Array.from({ length: 200 }, (_, n) => `<b id=b${n}>`).join('')
const piece = (html: string) => ({
  kind: 'addPiece',
  place: 'footer',
  at: 0,
  piece: { id: 'own', kind: 'html', html },
})

const small = await created(siteWith({ name: 'Small' }, planOfBranch(makeBranch(10))))
const home = (
  JSON.parse((await send({ path: `/api/sites/${small}` })).text) as { site: { plan: { id: string } } }
).site.plan.id
const onHome = (html: string) => ({ ...body(html), entry: home })

print('', 'status', 'ms', 'health ms', 'MB')
await measure('20 MB of entries to remove that are numbers', {
  path: `/api/sites/${small}/changes`,
  body: zeros(`{"id":"${randomUUID()}","base":0,"change":{"kind":"remove","entries":[`, ']}}').slice(
    0,
    20_000_000,
  ),
  type: JSON_TYPE,
})
await measure('19 MB of the same, whole', {
  path: `/api/sites/${small}/changes`,
  body: `{"id":"${randomUUID()}","base":0,"change":{"kind":"remove","entries":[${'0,'.repeat(9_500_000)}0]}}`,
  type: JSON_TYPE,
})
await measure('a site file of 20 MB whose files are numbers', {
  path: '/api/sites',
  body: zeros('{"format":"viatica-site","version":2,"settings":{"name":"x"},"files":[', '],"plan":{}}'),
  type: SITE_FILE,
})
await measure('109 MB of spaces, gzipped', {
  path: '/api/sites',
  body: gzipSync(Buffer.alloc(109_000_000, ' ')),
  type: SITE_FILE,
  zipped: true,
})
await measure(
  '34 kB with 200 elements open before 8,000 paragraphs',
  changes(small, onHome(`<p>${bold}${'<p>x'.repeat(8000)}`)),
)
const styled = 'url(entry:home) '.repeat(1000)
await measure(
  '1,000 references in a style attribute',
  changes(small, onHome(`<p style="background:${styled}">x</p>`)),
)
await measure('… its page', { path: `/preview/${small}/index.html` })
const maps = Array.from({ length: 50 }, (_, n) => ({
  ...piece('<put-site-map></put-site-map>'.repeat(300)).piece,
  id: `map-${n}`,
}))
const { places } = STANDARD_SURROUND
const withSurround = (surround: Site['surround']): Sent => ({
  path: '/api/sites',
  body: writeSiteFile({ ...siteWith({ name: 'x' }, planOfBranch(makeBranch(10))), surround }, new Map()),
  type: SITE_FILE,
})
await measure(
  '50 pieces with 300 site maps each',
  withSurround({ ...STANDARD_SURROUND, places: { ...places, footer: maps as never } }),
)
const spelling = { start: 'relative', index: 'named', isPlain: false } as const
const templatesWith = (parts: readonly object[]) =>
  ({
    templates: [{ id: 't', name: 't', parts }],
    ...{ menus: [], breadcrumbs: [], pagers: [], pages: {}, included: [], spelling, root: '/', texts: {} },
  }) as never
const many = (count: number, part: object) => Array.from({ length: count }, () => part)
for (const [words, parts] of [
  ['a template with 20,000 menus', many(20_000, { kind: 'menu', pattern: 'm' })],
  ['a template with 5,000 contents', many(5000, { kind: 'content' })],
] as const)
  await measure(words, withSurround(withTemplates(STANDARD_SURROUND, templatesWith(parts))))
await measure(
  '40,000 calls of the year in a text',
  changes(small, onHome('<put-year></put-year>'.repeat(40_000))),
)
await measure('… its page', { path: `/preview/${small}/index.html` })
await measure('a piece of 2,500 nested elements', changes(small, piece('<div>'.repeat(2500))))
await measure('a line end and 50,000 spaces', changes(small, onHome(`<p>x\n${' '.repeat(50_000)}x</p>`)))
await measure('… its page', { path: `/preview/${small}/index.html` })
const nested = (bytes: number) =>
  `<opml version="2.0"><body><outline text="Home"/>${'<x>'.repeat(bytes / 7)}${'</x>'.repeat(bytes / 7)}</body></opml>`
await measure('an outline of 60 kB, nested 8,000 deep', {
  path: '/api/sites',
  body: nested(60_000),
  type: OPML,
})
await measure('an outline of 300 kB, nested 40,000 deep', {
  path: '/api/sites',
  body: nested(300_000),
  type: OPML,
})
await measure(
  '1,000 levels in one addition',
  changes(small, {
    kind: 'add',
    parent: home,
    place: 0,
    branches: [
      Array.from({ length: 1000 }).reduce<object>(
        (under, _, n) => ({ kind: 'group', id: `g${n}`, label: 'g', entries: [under] }),
        { kind: 'group', id: 'last', label: 'g' },
      ),
    ],
  }),
)

for (const pages of [5000, 19_900]) {
  const site = siteWith({ name: `${pages} pages`, layout: 'nested' }, planOfBranch(makeBranch(pages)))
  const id = await created(site)
  const ids = [...site.plan.entries].flatMap(([one, { kind }]) =>
    kind === 'page' && one !== site.plan.home ? [one] : [],
  )
  const set = (field: string, value: unknown) => ({
    kind: 'batch',
    words: 'Set',
    changes: ids.map((entry) => ({ kind: 'setEntry', entry, field, value })),
  })
  const start = performance.now()
  applyChange(site, set('state', 'planned') as never)
  print(`the state of ${pages} pages, in core`, '', (performance.now() - start).toFixed(0))
  await measure(`the state of ${pages} pages`, changes(id, set('state', 'planned')))
  await measure(`${pages} pages pinned`, changes(id, set('pin', { name: 'x', addresses: ['old.html'] }), 1))
  if (pages > 5000) continue
  const table = writeInventory(site).replaceAll('draft', 'ready')
  const reading = performance.now()
  const { differences } = readInventory(table, site, randomUUID)
  print(
    `an inventory of ${pages} rows, read back in core`,
    differences.length,
    (performance.now() - reading).toFixed(0),
  )
}

// Menus are as long as a site is large: these have one level of eight sections.
const flat = siteWith({ name: 'Archives', layout: 'nested' }, planOfBranch(makeBranch(ARCHIVED)))
const menus = flat.surround.menus.map((menu) => ({ ...menu, depth: 1 as const }))
const archived = await created({ ...flat, surround: { ...flat.surround, menus } as Site['surround'] })
await measure(
  `three archives of ${ARCHIVED} pages at once`,
  ...[1, 2, 3].map(() => ({ path: `/api/sites/${archived}/archive.zip` })),
)

const reading = performance.now()
readMarkdown(`# x${' '.repeat(2000)}x\n\n${'a '.repeat(1000)}`)
print('a Markdown heading with 2,000 spaces, in core', '', (performance.now() - reading).toFixed(0))
child.kill('SIGTERM')

// Folders are read in the browser and on the command line: what counts is their own time, and that it grows in proportion.
print('\nfolders of 4 pages, imported', 'kB', '¼ ms', 'whole ms', 'ratio')
for (const { words, quarter, whole } of slowFolders) {
  const timed = (files: typeof whole) => {
    const start = performance.now()
    bring(files)
    return performance.now() - start
  }
  timed(quarter)
  const [part, all] = [timed(quarter), timed(whole)]
  const size = whole.reduce((sum, { bytes }) => sum + bytes.length, 0)
  print(words, (size / 1000).toFixed(0), part.toFixed(0), all.toFixed(0), (all / part).toFixed(1))
}

// Hosts that break off after each byte, damaged archives and hostile folders: each is read, or refused with a reason.
print('\nhosts, archives and folders', 'tries', 'worst ms', 'faults')
for (const [words, trying] of [
  ['an SFTP host that breaks off after each of 3,300 bytes', () => hostsThatBreakOff(3300)],
  ['damaged archives of a site', () => damagedArchives(20_000)],
  ['folders with hostile names and pages', () => hostileFolders(5000)],
] as const) {
  const { tries, worst, faults } = await trying()
  print(words, tries, worst.toFixed(0), faults.length)
  for (const fault of faults.slice(0, 3)) console.log(fault)
  if (faults.length > 0) process.exitCode = 1
}
