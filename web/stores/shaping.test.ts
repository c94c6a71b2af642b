import { childrenOf } from '@viatica/core/plan/plan.ts'
import { createPinia, setActivePinia } from 'pinia'
import { nextTick } from 'vue'
import { testSites } from '../testing/testSite.ts'
import { titleOf } from '../testing/twoPages.ts'

const newSite = testSites()

async function start() {
  const { id } = await newSite()
  setActivePinia(createPinia())
  const { useOpenSite } = await import('./openSite.ts')
  const { useChosen } = await import('./chosen.ts')
  const { useShaping } = await import('./shaping.ts')
  const { useRipple } = await import('./ripple.ts')
  const openSite = useOpenSite()
  await openSite.open(id)
  const chosen = useChosen()
  // Without its worker a window cannot foresee: then it must not ask.
  useRipple().movesUnasked = true
  await nextTick()
  const under = (id: string) => childrenOf(openSite.site!.plan, id)
  return { openSite, chosen, shaping: useShaping(), under }
}

describe('moving by steps', () => {
  test('says where the chosen entries can go, and takes them there', async () => {
    const { chosen, shaping, under } = await start()
    chosen.choose('news')
    expect(shaping.canMove).toEqual({ up: true, down: false, in: true, out: false })
    await shaping.move('up')
    expect(under('home')).toEqual(['news', 'walks'])
    await shaping.move('in')
    expect(under('home')).toEqual(['news', 'walks'])
    await shaping.move('down')
    await shaping.move('in')
    expect(under('walks')).toEqual(['stage-1', 'stage-2', 'news'])
    expect(chosen.id).toBe('news')
  })

  test('the home page goes nowhere', async () => {
    const { chosen, shaping } = await start()
    chosen.choose('home')
    expect(Object.values(shaping.canMove)).toEqual([false, false, false, false])
    expect(shaping.movable).toEqual([])
  })
})

describe('dropping', () => {
  test('before, after and under an entry', async () => {
    const { shaping, under } = await start()
    shaping.drop(['news'], 'walks', 'before')
    expect(under('home')).toEqual(['news', 'walks'])
    shaping.drop(['news'], 'stage-1', 'after')
    expect(under('walks')).toEqual(['stage-1', 'news', 'stage-2'])
    shaping.drop(['stage-1', 'stage-2'], 'news', 'under')
    expect(under('news')).toEqual(['stage-1', 'stage-2'])
  })

  test('beside the home page there is no place, and under itself it is refused', async () => {
    const { openSite, shaping, under } = await start()
    expect(shaping.dropChange(['news'], 'home', 'before')).toBeUndefined()
    shaping.drop(['walks'], 'stage-1', 'under')
    expect(openSite.notice).toBe('“Walks” cannot be moved under itself.')
    expect(under('walks')).toEqual(['stage-1', 'stage-2'])
  })
})

describe('naming', () => {
  test('a new entry stands after the chosen one, and is chosen; without a name there is none', async () => {
    const { openSite, chosen, shaping, under } = await start()
    chosen.choose('walks')
    shaping.begin('page', 'beside')
    shaping.finish('  Boating ')
    expect(under('home')[1]).toBe(chosen.id)
    expect(titleOf(openSite.site!, chosen.id)).toBe('Boating')
    shaping.begin('group', 'beneath')
    shaping.finish('   ')
    expect(under(chosen.id)).toEqual([])
  })

  test('nothing stands under a link, and it says so', async () => {
    const { openSite, chosen, shaping } = await start()
    chosen.choose('news')
    shaping.begin('link', 'beside')
    shaping.finish('Shop')
    shaping.begin('page', 'beneath')
    expect(chosen.draft).toBeUndefined()
    expect(openSite.notice).toBe('Nothing can stand under a link.')
  })

  test('the same name, or none, is no change', async () => {
    const { shaping } = await start()
    expect(shaping.renameChange('news', ' News ')).toBeUndefined()
    expect(shaping.renameChange('news', ' ')).toBeUndefined()
    expect(shaping.renameChange('news', 'Old')).toMatchObject({ field: 'title', value: 'Old' })
  })
})

test('what is set for several entries is one change, taken back at once', async () => {
  const { openSite, chosen, shaping } = await start()
  chosen.chooseAll(['stage-1', 'stage-2', 'news'], 'news')
  shaping.setState('ready')
  shaping.stand('inMenu', false)
  expect(openSite.done.map(({ words }) => words)).toEqual([
    '3 pages are now ready',
    '3 entries left out of menus',
  ])
  openSite.undo()
  openSite.undo()
  const states = ['stage-1', 'stage-2', 'news'].map((id) => openSite.site!.plan.entries.get(id))
  expect(states).toEqual(states.map((entry) => ({ ...entry, state: 'draft', inMenu: true })))
})

test('sorting once puts the children in order, and says when they stand so already', async () => {
  const { openSite, chosen, shaping, under } = await start()
  chosen.choose('home')
  await shaping.sort('title')
  expect(under('home')).toEqual(['news', 'walks'])
  await shaping.sort('title')
  expect(openSite.notice).toBe('What is under “Home” stands in the order of its titles already.')
})
