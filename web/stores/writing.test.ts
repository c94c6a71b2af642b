import { setTimeout as wait } from 'node:timers/promises'
import type { Change } from '@viatica/core/plan/change/change.ts'
import { createPinia, setActivePinia } from 'pinia'
import { until } from '../testing/until.ts'
import { type TestSite, testSites } from '../testing/testSite.ts'

/** Longer than the typing must pause to be saved. */
const PAUSE_MS = 450

const newSite = testSites()

async function start() {
  const server = await newSite()
  setActivePinia(createPinia())
  const { useOpenSite } = await import('./openSite.ts')
  const { useChosen } = await import('./chosen.ts')
  const { useWriting } = await import('./writing.ts')
  const openSite = useOpenSite()
  await openSite.open(server.id)
  useChosen().choose('home')
  const writing = useWriting()
  await wait(0)
  return { server, openSite, writing }
}

async function html(server: TestSite): Promise<string | undefined> {
  const entry = (await server.site()).plan.entries.get('home')
  return entry?.kind === 'page' ? entry.body.html : undefined
}
const setBody = (text: string): Change => ({
  kind: 'setEntry',
  entry: 'home',
  field: 'body',
  value: { html: text, changed: '' },
})

/** Two windows write over the same text; the other was faster, and this one has not heard of it before it saves. */
async function writeOverTheirs() {
  const started = await start()
  const { server, openSite, writing } = started
  const theirs = setBody('<p>theirs</p>')
  await server.change(theirs)
  writing.type('<p>mine</p>')
  writing.saveNow()
  await openSite.settle()
  await until(() => writing.theirs !== undefined)
  return started
}

test('what is typed is saved when the typing pauses, as one step to undo', async () => {
  const { server, openSite, writing } = await start()
  writing.type('<p>o</p>')
  writing.type('<p>one</p>')
  expect(await html(server)).not.toBe('<p>one</p>')
  await wait(PAUSE_MS)
  await openSite.settle()
  expect(await html(server)).toBe('<p>one</p>')
  expect(openSite.done).toHaveLength(1)
})

test('what another window wrote is taken where nothing of its own stands', async () => {
  const { server, openSite, writing } = await start()
  const turn = writing.turn
  openSite.makeOrTell(setBody('<p>theirs</p>'))
  await openSite.settle()
  expect(writing.text).toBe('<p>theirs</p>')
  // The editor is not made anew: its caret stays.
  expect([writing.turn, writing.arrived]).toEqual([turn, 1])
  expect(await html(server)).toBe('<p>theirs</p>')
})

test('what two windows write in different blocks comes together, and what was taken back here is told to nobody', async () => {
  const { server, openSite, writing } = await start()
  writing.type('<p>one</p>\n<p>two</p>')
  writing.saveNow()
  await openSite.settle()
  writing.type('<p>one, by this window</p>\n<p>two</p>')
  openSite.makeOrTell(setBody('<p>one</p>\n<p>two, by another</p>'))
  await until(() => writing.text === '<p>one, by this window</p>\n<p>two, by another</p>')
  expect(writing.theirs).toBeUndefined()
  writing.saveNow()
  await openSite.settle()
  expect(await html(server)).toBe(writing.text)
  openSite.undo()
  await until(() => writing.text === '<p>one</p>\n<p>two, by another</p>')
  expect(writing.replaced).toBeUndefined()
})

test('of two texts over the same one, the later waits for its author and is not lost', async () => {
  const { server, openSite, writing } = await writeOverTheirs()
  expect(writing.theirs).toBe('<p>theirs</p>')
  expect(writing.text).toBe('<p>mine</p>')
  expect(await html(server)).toBe('<p>theirs</p>')
  writing.settle('mine')
  await openSite.settle()
  expect(await html(server)).toBe('<p>mine</p>')
  // What was refused is no step to take back: undo brings the other text.
  openSite.undo()
  await openSite.settle()
  expect(await html(server)).toBe('<p>theirs</p>')
})

test('the other text is taken when its author says so', async () => {
  const { writing } = await writeOverTheirs()
  writing.settle('theirs')
  expect([writing.text, writing.theirs]).toEqual(['<p>theirs</p>', undefined])
})

test('a heading whose id is renamed takes the links of its own page along, and keeps what was written', async () => {
  const { server, openSite, writing } = await start()
  writing.type('<h2 id="locks">Locks</h2><p><a href="entry:home#locks">up</a></p>')
  writing.saveNow()
  await openSite.settle()
  const turn = writing.turn
  writing.type('<h2 id="gates">Locks</h2><p>New words. <a href="entry:home#locks">up</a></p>')
  writing.saveNow()
  await openSite.settle()
  const expected = '<h2 id="gates">Locks</h2><p>New words. <a href="entry:home#gates">up</a></p>'
  expect(await html(server)).toBe(expected)
  expect([writing.text, writing.turn]).toEqual([expected, turn + 1])
})

test('what is typed and not saved yet is kept, and no more once it is saved', async () => {
  const { openSite, writing } = await start()
  writing.type('<p>typed</p>')
  expect(openSite.saveState).toBe('typing')
  writing.saveNow()
  await openSite.settle()
  expect(openSite.saveState).toBe('saved')
})
