import { createPinia, setActivePinia } from 'pinia'
import { setTimeout as wait } from 'node:timers/promises'
import { nextTick } from 'vue'
import { eventually, testSites } from '../testing/testSite.ts'
import type { Incoming } from './siteFiles.ts'

const newSite = testSites()

async function start() {
  const server = await newSite()
  setActivePinia(createPinia())
  const { useOpenSite } = await import('./openSite.ts')
  const { useSiteFiles } = await import('./siteFiles.ts')
  const openSite = useOpenSite()
  await openSite.open(server.id)
  return { server, openSite, siteFiles: useSiteFiles() }
}
type Started = Awaited<ReturnType<typeof start>>

const incoming = (path: string, text: string): Incoming => ({
  path,
  file: new File([text], path.slice(path.lastIndexOf('/') + 1)),
})
/** The smallest picture: a dot. */
const DOT = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNkYPhfDwAChwGA60e6kgAAAABJRU5ErkJggg==',
  'base64',
)
const svg = (id: string) => `<svg xmlns="http://www.w3.org/2000/svg" id="${id}"/>`
const [SVG, SVG_A, SVG_B] = [svg('gate'), svg('a'), svg('b')] as const
const SHEET = 'b { background: url("../Big Pictures/Gate 1.svg") }'
const BOTH = [incoming('looks/own.css', SHEET), incoming('Big Pictures/Gate 1.svg', SVG)]
/** What they are on the server. */
const BOTH_STORED: [string, string][] = [
  ['big-pictures/gate-1.svg', SVG],
  ['looks/own.css', 'b { background: url("../big-pictures/gate-1.svg") }'],
]

/** Waits until the server has some files, by paths and texts, and no others. */
const toBeStored = ({ server }: Pick<Started, 'server'>, files: [string, string][]) =>
  eventually(() => server.files(), files)

const fileAt = ({ siteFiles }: Started, path: string) => siteFiles.files.find((one) => one.path === path)!

test('files that come in get sound names, and a style sheet among them follows, as one step', async () => {
  const started = await start()
  const { openSite, siteFiles } = started
  expect(await siteFiles.takeIn(BOTH, '')).toHaveLength(2)
  await toBeStored(started, BOTH_STORED)
  expect(openSite.done.map(({ words }) => words)).toEqual(['2 files added to the site'])
  // The same again is nothing new; other bytes take the place of the old.
  expect(await siteFiles.takeIn([BOTH[1]!], '')).toEqual([])
  await siteFiles.takeIn([incoming('Big Pictures/Gate 1.svg', SVG_A)], '')
  await toBeStored(started, [['big-pictures/gate-1.svg', SVG_A], BOTH_STORED[1]!])
  openSite.undo()
  await toBeStored(started, BOTH_STORED)
})

test('as long as files are sent their site must stay open; what was said of them is not said of another', async () => {
  const { openSite, siteFiles } = await start()
  const sent = siteFiles.takeIn([incoming('a.txt', 'a'), incoming('b.exe', 'b')], '')
  expect(siteFiles.isWorking).toBe(true)
  const [added] = await sent
  expect(siteFiles).toMatchObject({ isWorking: false, chosenId: added })
  expect(siteFiles.faults).toEqual([expect.stringContaining('b.exe')])
  await openSite.open((await newSite()).id)
  await nextTick()
  expect(siteFiles).toMatchObject({ isWorking: false, chosenId: '', faults: [] })
})

test('a file that is renamed is followed by the style sheet that names it; undo brings both back', async () => {
  const started = await start()
  const { openSite, siteFiles } = started
  await siteFiles.takeIn(BOTH, '')
  await toBeStored(started, BOTH_STORED)
  const picture = fileAt(started, 'big-pictures/gate-1.svg')
  expect(siteFiles.usesOf(picture.id)).toMatchObject([{ where: 'style sheet', label: 'looks/own.css' }])
  expect(siteFiles.rename(picture, 'gate.svg')).toBeUndefined()
  await toBeStored(started, [
    ['gate.svg', SVG],
    ['looks/own.css', 'b { background: url("../gate.svg") }'],
  ])
  expect(openSite.done.at(-1)!.words).toBe('big-pictures/gate-1.svg is now gate.svg')
  openSite.undo()
  await toBeStored(started, BOTH_STORED)
  const steps = openSite.done.length
  expect(siteFiles.rename(picture, '../out.svg')).toMatch(/dot/)
  expect(siteFiles.rename(picture, 'looks/own.css')).toMatch(/own\.css/)
  await openSite.settle()
  expect(openSite.done).toHaveLength(steps)
  await toBeStored(started, BOTH_STORED)
})

test('a path that is typed is kept before it is an edit, unless style sheets would have to follow', async () => {
  const started = await start()
  const { openSite, siteFiles } = started
  await siteFiles.takeIn([...BOTH, incoming('pictures/plan.svg', SVG)], '')
  await openSite.settle()
  const isKept = (path: string) => {
    const file = fileAt(started, path)
    if (!siteFiles.movesSheets(file))
      openSite.keepTyped('field', () => siteFiles.rename(file, `a/${path}`), false)
    const { saveState } = openSite
    openSite.forgetTyped('field')
    return saveState === 'typing'
  }
  expect(isKept('pictures/plan.svg')).toBe(true)
  expect(isKept('big-pictures/gate-1.svg')).toBe(false)
  expect(isKept('looks/own.css')).toBe(false)
  expect(fileAt(started, 'pictures/plan.svg')).toBeDefined()
})

test('style sheets that could not be read at first are read before a file moves; where that fails nothing moves', async () => {
  const started = await start()
  await started.siteFiles.takeIn(BOTH, '')
  await toBeStored(started, BOTH_STORED)
  const { server, openSite } = started
  // Another window, which is opened while the server gives no files.
  setActivePinia(createPinia())
  const { useOpenSite } = await import('./openSite.ts')
  const { useSiteFiles } = await import('./siteFiles.ts')
  const other = useOpenSite()
  await other.open(server.id)
  server.isDown = true
  const siteFiles = useSiteFiles()
  await wait(20)
  expect(other.notice).toBe('')
  const picture = siteFiles.files.find(({ path }) => path.endsWith('.svg'))!
  expect(siteFiles.rename(picture, 'gate.svg')).toBeUndefined()
  await eventually(() => [other.notice, other.done], ['The server of Viatica cannot be reached.', []])
  server.isDown = false
  siteFiles.rename(picture, 'gate.svg')
  await toBeStored(started, [
    ['gate.svg', SVG],
    ['looks/own.css', 'b { background: url("../gate.svg") }'],
  ])
  expect(openSite.done).toHaveLength(1)
})

test('what cannot be kept is told by name, and the rest comes in', async () => {
  const started = await start()
  const { server, siteFiles } = started
  const files = [
    incoming('run.exe', 'x'),
    incoming('fake.png', 'not a picture'),
    incoming('plan.txt', 'The plan.'),
  ]
  expect(await siteFiles.takeIn(files, 'docs/')).toHaveLength(1)
  expect(siteFiles.faults).toEqual([
    'run.exe is of a kind that a site does not hold.',
    expect.stringMatching(/fake\.png/),
  ])
  await toBeStored(started, [['docs/plan.txt', 'The plan.']])
  server.isDown = true
  expect(await siteFiles.takeIn([incoming('more.txt', 'More.')], '')).toEqual([])
  expect(siteFiles.faults).toEqual(['The server of Viatica cannot be reached.'])
})

test('another file takes the place of one, with its ending; links and style sheets go on leading there', async () => {
  const started = await start()
  const { siteFiles } = started
  await siteFiles.takeIn(BOTH, '')
  await toBeStored(started, BOTH_STORED)
  await siteFiles.replace(fileAt(started, 'big-pictures/gate-1.svg'), new File([DOT], 'Photo.png'))
  await toBeStored(started, [
    ['big-pictures/gate-1.png', DOT.toString('latin1')],
    ['looks/own.css', 'b { background: url("../big-pictures/gate-1.png") }'],
  ])
})

test('a file that is removed goes with the logo that showed it, and the next one is chosen', async () => {
  const started = await start()
  const { server, openSite, siteFiles } = started
  await siteFiles.takeIn([incoming('a.svg', SVG), incoming('b.svg', SVG_B)], '')
  const [a, b] = siteFiles.files
  openSite.makeOrTell({ kind: 'setSite', field: 'logo', value: { file: a!.id, alt: '' } })
  siteFiles.remove(a!)
  await openSite.settle()
  expect([(await server.site()).settings.logo, siteFiles.chosenId]).toEqual([null, b!.id])
  openSite.undo()
  await openSite.settle()
  const { settings, files } = await server.site()
  expect([settings.logo?.file, files.size]).toEqual([a!.id, 2])
})

test('sending is stopped at will: what was sent by then is kept', async () => {
  const started = await start()
  const { server, siteFiles } = started
  const many = Array.from({ length: 30 }, (_, n) => incoming(`f${n}.txt`, `Text ${n}.`))
  const taking = siteFiles.takeIn(many, '')
  while ((siteFiles.sending?.done ?? 0) < 3) await wait(1)
  siteFiles.stop()
  const { length } = await taking
  expect(length).toBeGreaterThanOrEqual(3)
  expect(length).toBeLessThan(30)
  expect(siteFiles.sending).toBeUndefined()
  await eventually(async () => (await server.files()).length, length)
})

test('room that is nearly used up is told before it is', async () => {
  const { siteFiles, openSite } = await start()
  expect(siteFiles.roomWords).toBe('')
  const file = { id: 'large', path: 'docs/large.pdf', content: '0', size: 170_000_000, alt: '' }
  openSite.makeOrTell({ kind: 'addFile', file })
  expect(siteFiles.roomWords).toBe('The files of this site have 170 of 200 MB.')
})
