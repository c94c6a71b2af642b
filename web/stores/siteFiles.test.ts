import { createPinia, setActivePinia } from 'pinia'
import { FakeServer } from '../testing/fakeServer.ts'
import { twoPages } from '../testing/twoPages.ts'
import type { Incoming } from './siteFiles.ts'

async function start() {
  const server = new FakeServer(twoPages())
  setActivePinia(createPinia())
  const { useOpenSite } = await import('./openSite.ts')
  const { useSiteFiles } = await import('./siteFiles.ts')
  const openSite = useOpenSite()
  await openSite.open('site')
  return { server, openSite, siteFiles: useSiteFiles() }
}
type Started = Awaited<ReturnType<typeof start>>

const incoming = (path: string, text: string): Incoming => ({
  path,
  file: new File([text], path.slice(path.lastIndexOf('/') + 1)),
})
const SHEET = 'b { background: url("../Big Pictures/Gate 1.svg") }'
const BOTH = [incoming('looks/own.css', SHEET), incoming('Big Pictures/Gate 1.svg', '<svg/>')]

/** Waits for what was done, and gives the files that the server has: their paths and texts. */
async function stored({ server, openSite }: Started): Promise<[string, string | undefined][]> {
  // What a file is called by others is worked out and sent before it moves.
  for (let n = 0; n < 20; n++) await new Promise((resolve) => setTimeout(resolve, 5))
  await openSite.settle()
  return [...server.site.files.values()]
    .map(({ path, content }): [string, string | undefined] => [path, server.contents.get(content)])
    .sort(([a], [b]) => (a < b ? -1 : 1))
}
const fileAt = ({ siteFiles }: Started, path: string) => siteFiles.files.find((one) => one.path === path)!

test('files that come in get sound names, and a style sheet among them follows, as one step', async () => {
  const started = await start()
  const { openSite, siteFiles } = started
  expect(await siteFiles.takeIn(BOTH, '')).toHaveLength(2)
  expect(await stored(started)).toEqual([
    ['big-pictures/gate-1.svg', '<svg/>'],
    ['looks/own.css', 'b { background: url("../big-pictures/gate-1.svg") }'],
  ])
  expect(openSite.done.map(({ words }) => words)).toEqual(['2 files added to the site'])
  // The same again is nothing new; other bytes take the place of the old.
  expect(await siteFiles.takeIn([BOTH[1]!], '')).toEqual([])
  await siteFiles.takeIn([incoming('Big Pictures/Gate 1.svg', '<svg id="a"/>')], '')
  expect(await stored(started)).toContainEqual(['big-pictures/gate-1.svg', '<svg id="a"/>'])
  openSite.undo()
  expect(await stored(started)).toContainEqual(['big-pictures/gate-1.svg', '<svg/>'])
})

test('a file that is renamed is followed by the style sheet that names it; undo brings both back', async () => {
  const started = await start()
  const { openSite, siteFiles } = started
  await siteFiles.takeIn(BOTH, '')
  const before = await stored(started)
  const picture = fileAt(started, 'big-pictures/gate-1.svg')
  expect(siteFiles.usesOf(picture.id)).toMatchObject([{ where: 'style sheet', label: 'looks/own.css' }])
  expect(siteFiles.rename(picture, 'gate.svg')).toBeUndefined()
  expect(await stored(started)).toEqual([
    ['gate.svg', '<svg/>'],
    ['looks/own.css', 'b { background: url("../gate.svg") }'],
  ])
  expect(openSite.done.at(-1)!.words).toBe('big-pictures/gate-1.svg is now gate.svg')
  openSite.undo()
  expect(await stored(started)).toEqual(before)
  expect(siteFiles.rename(picture, '../out.svg')).toMatch(/dot/)
  expect(siteFiles.rename(picture, 'looks/own.css')).toMatch(/own\.css/)
  expect(await stored(started)).toEqual(before)
})

test('a path that is typed is kept before it is an edit, unless style sheets would have to follow', async () => {
  const started = await start()
  const { openSite, siteFiles } = started
  await siteFiles.takeIn([...BOTH, incoming('pictures/plan.svg', '<svg/>')], '')
  await stored(started)
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
  await stored(started)
  const { server, openSite } = started
  // Another window, which is opened while the server gives no files.
  setActivePinia(createPinia())
  const { useOpenSite } = await import('./openSite.ts')
  const { useSiteFiles } = await import('./siteFiles.ts')
  const other = useOpenSite()
  await other.open('site')
  server.isDown = true
  const siteFiles = useSiteFiles()
  await new Promise((resolve) => setTimeout(resolve, 20))
  expect(other.notice).toBe('')
  const picture = siteFiles.files.find(({ path }) => path.endsWith('.svg'))!
  expect(siteFiles.rename(picture, 'gate.svg')).toBeUndefined()
  await new Promise((resolve) => setTimeout(resolve, 20))
  expect([other.notice, other.done]).toEqual(['The server of Viatica cannot be reached.', []])
  server.isDown = false
  siteFiles.rename(picture, 'gate.svg')
  expect(await stored({ server, openSite: other, siteFiles })).toContainEqual([
    'looks/own.css',
    'b { background: url("../gate.svg") }',
  ])
  expect(openSite.done).toHaveLength(1)
})

test('what cannot be kept is told by name, and the rest comes in', async () => {
  const started = await start()
  const { server, siteFiles } = started
  server.refused = 'not a picture'
  const files = [
    incoming('run.exe', 'x'),
    incoming('fake.png', 'not a picture'),
    incoming('plan.txt', 'The plan.'),
  ]
  expect(await siteFiles.takeIn(files, 'docs/')).toHaveLength(1)
  expect(siteFiles.faults).toEqual([
    'run.exe is of a kind that a site does not hold.',
    expect.stringMatching(/fake\.png is refused/),
  ])
  expect(await stored(started)).toEqual([['docs/plan.txt', 'The plan.']])
  server.isDown = true
  expect(await siteFiles.takeIn([incoming('more.txt', 'More.')], '')).toEqual([])
  expect(siteFiles.faults).toEqual(['The server of Viatica cannot be reached.'])
})

test('another file takes the place of one, with its ending; links and style sheets go on leading there', async () => {
  const started = await start()
  const { siteFiles } = started
  await siteFiles.takeIn(BOTH, '')
  await siteFiles.replace(fileAt(started, 'big-pictures/gate-1.svg'), new File(['png'], 'Photo.png'))
  expect(await stored(started)).toEqual([
    ['big-pictures/gate-1.png', 'png'],
    ['looks/own.css', 'b { background: url("../big-pictures/gate-1.png") }'],
  ])
})

test('a file that is removed goes with the logo that showed it, and the next one is chosen', async () => {
  const started = await start()
  const { server, openSite, siteFiles } = started
  await siteFiles.takeIn([incoming('a.svg', '<svg/>'), incoming('b.svg', '<svg id="b"/>')], '')
  const [a, b] = siteFiles.files
  openSite.makeOrTell({ kind: 'setSite', field: 'logo', value: { file: a!.id, alt: '' } })
  siteFiles.remove(a!)
  await stored(started)
  expect([server.site.settings.logo, siteFiles.chosenId]).toEqual([null, b!.id])
  openSite.undo()
  await stored(started)
  expect([server.site.settings.logo?.file, server.site.files.size]).toEqual([a!.id, 2])
})

test('sending is stopped at will: what was sent by then is kept', async () => {
  const started = await start()
  const { siteFiles } = started
  const many = Array.from({ length: 30 }, (_, n) => incoming(`f${n}.txt`, `Text ${n}.`))
  const taking = siteFiles.takeIn(many, '')
  while ((siteFiles.sending?.done ?? 0) < 3) await Promise.resolve()
  siteFiles.stop()
  const { length } = await taking
  expect(length).toBeGreaterThanOrEqual(3)
  expect(length).toBeLessThan(30)
  expect(siteFiles.sending).toBeUndefined()
  expect(await stored(started)).toHaveLength(length)
})

test('room that is nearly used up is told before it is', async () => {
  const { siteFiles, openSite } = await start()
  expect(siteFiles.roomWords).toBe('')
  const file = { id: 'large', path: 'docs/large.pdf', content: '0', size: 50_000_000, alt: '' }
  openSite.makeOrTell({ kind: 'addFile', file })
  expect(siteFiles.roomWords).toBe('The files of this site have 50 of 60 MB.')
})
