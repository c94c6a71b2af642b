import type { useChosen } from './chosen.ts'
import { createPinia, setActivePinia } from 'pinia'
import { testSites } from '../testing/testSite.ts'
import { setTitle } from '../testing/twoPages.ts'
import { nextTick } from 'vue'

const newSite = testSites()

async function start() {
  const { id } = await newSite()
  setActivePinia(createPinia())
  const { useOpenSite } = await import('./openSite.ts')
  const { useChosen } = await import('./chosen.ts')
  const openSite = useOpenSite()
  const chosen = useChosen()
  await openSite.open(id)
  await nextTick()
  return { openSite, chosen }
}

const rowsOf = ({ rows }: ReturnType<typeof useChosen>) => rows.map(({ id, level }) => `${level} ${id}`)

test('the home page is chosen at first, and again when what was chosen is gone', async () => {
  const { openSite, chosen } = await start()
  expect(chosen.id).toBe('home')
  chosen.choose('stage-1')
  openSite.make({ kind: 'remove', entries: ['walks'] })
  expect(chosen.id).toBe('home')
  expect([...chosen.ids]).toEqual(['home'])
  openSite.undo()
  expect(chosen.id).toBe('stage-1')
})

test('a fold hides what is under it; choosing something hidden unfolds the way to it', async () => {
  const { chosen } = await start()
  expect(rowsOf(chosen)).toEqual(['1 home', '2 walks', '3 stage-1', '3 stage-2', '2 news'])
  chosen.fold('walks', true)
  expect(rowsOf(chosen)).toEqual(['1 home', '2 walks', '2 news'])
  chosen.choose('stage-2')
  expect(rowsOf(chosen)).toContain('3 stage-2')
})

test('the rows are the same objects after an edit that leaves the hierarchy as it is', async () => {
  const { openSite, chosen } = await start()
  const { rows } = chosen
  openSite.make(setTitle('news', 'Old news'))
  expect(chosen.rows).toBe(rows)
  openSite.make({ kind: 'move', entry: 'news', parent: 'home', place: 0 })
  expect(chosen.rows).not.toBe(rows)
  expect(rowsOf(chosen).slice(0, 2)).toEqual(['1 home', '2 news'])
})

test('a range goes from the one that was chosen alone, both ways; one by one adds and lets go', async () => {
  const { chosen } = await start()
  chosen.choose('stage-1')
  chosen.chooseTo('news')
  expect([...chosen.ids]).toEqual(['stage-1', 'stage-2', 'news'])
  chosen.chooseTo('walks')
  expect([...chosen.ids]).toEqual(['walks', 'stage-1'])
  expect(chosen.id).toBe('walks')
  chosen.toggle('news')
  chosen.toggle('walks')
  expect([...chosen.ids].sort()).toEqual(['news', 'stage-1'])
  chosen.toggle('stage-1')
  chosen.toggle('news')
  expect([...chosen.ids]).toEqual(['news'])
})

test('going on with the lead leaves what is chosen', async () => {
  const { chosen } = await start()
  chosen.choose('walks')
  chosen.lookAt('news')
  expect(chosen.id).toBe('news')
  expect([...chosen.ids]).toEqual(['walks'])
})

test('beside what goes, the next sibling that stays is chosen, else the one before, else the parent', async () => {
  const { chosen } = await start()
  chosen.choose('walks')
  expect(chosen.neighbour()).toBe('news')
  chosen.choose('news')
  expect(chosen.neighbour()).toBe('walks')
  chosen.chooseAll(['stage-1', 'stage-2'], 'stage-1')
  expect(chosen.neighbour()).toBe('walks')
})
