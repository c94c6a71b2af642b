import { createPinia, setActivePinia } from 'pinia'
import { nextTick } from 'vue'
import { testSites } from '../testing/testSite.ts'
import { twoPages } from '../testing/twoPages.ts'
import { EMPTY_SURROUND } from '@viatica/core/plan/surround/surround.ts'

const newSite = testSites()

async function start(isEmpty = false) {
  const site = twoPages()
  const server = await newSite(isEmpty ? { ...site, surround: EMPTY_SURROUND } : site)
  setActivePinia(createPinia())
  const { useOpenSite } = await import('./openSite.ts')
  const { useSurrounding } = await import('./surrounding.ts')
  const openSite = useOpenSite()
  await openSite.open(server.id)
  await nextTick()
  return { server, openSite, surrounding: useSurrounding() }
}

test('the first menu piece of a site without menus brings one, as one change', async () => {
  const { openSite, surrounding } = await start(true)
  surrounding.add('menu', 'header')
  const [piece] = surrounding.pieces.places.header
  expect(surrounding.surround.menus).toMatchObject([{ kind: 'plan', name: 'Main' }])
  expect(piece).toMatchObject({ kind: 'menu', menu: surrounding.surround.menus[0]!.id })
  expect(surrounding.pieceId).toBe(piece!.id)
  openSite.undo()
  expect(surrounding.surround).toEqual(EMPTY_SURROUND)
})

test('after a piece has gone all pieces are listed, with the focus on the one beside it', async () => {
  const { surrounding } = await start()
  const focused: string[] = []
  const querySelector = (selector: string) => ({ focus: () => focused.push(selector) })
  Object.assign(globalThis, { document: { querySelector }, CSS: { escape: (text: string) => text } })
  surrounding.pieceId = 'main-menu'
  for (const id of ['main-menu', 'banner', 'brand']) {
    surrounding.remove(id)
    expect(surrounding.standing).toBeUndefined()
    await nextTick()
  }
  expect(focused).toEqual(['[data-piece="banner"]', '[data-piece="brand"]', '.place .add'])
})

test('another site of the same beginnings is opened with all pieces listed', async () => {
  const { openSite, surrounding } = await start()
  surrounding.pieceId = 'brand'
  surrounding.menuId = surrounding.pointedAt = 'main-menu'
  await openSite.open((await newSite()).id)
  await nextTick()
  expect(surrounding.pieces.places.header.map(({ id }) => id)).toContain('brand')
  expect(surrounding).toMatchObject({ pieceId: '', menuId: '', pointedAt: '' })
})

test('a piece steps within its place and on into the next, and not past the last', async () => {
  const { surrounding } = await start()
  expect(surrounding.canStep('brand', 'up')).toBe(false)
  surrounding.step('brand', 'down')
  expect(surrounding.pieces.places.header.map(({ id }) => id)).toEqual(['main-menu', 'brand', 'banner'])
  for (let n = 0; n < 12; n++) surrounding.step('brand', 'down')
  surrounding.pieceId = 'brand'
  expect(surrounding.standing).toMatchObject({ place: 'footer', at: 1 })
  expect(surrounding.canStep('brand', 'down')).toBe(false)
})

test('what is refused says why and changes nothing; menus get names that no other has', async () => {
  const { server, openSite, surrounding } = await start()
  surrounding.pieceId = 'pager'
  const { piece } = surrounding.standing!
  expect(surrounding.set(piece, { shows: 'all' } as never)).toMatch(/words, labels or both/)
  expect(surrounding.setRule('here', { ...surrounding.pieces.here, here: 'two words' })).toMatch(/class name/)
  surrounding.addMenu('plan')
  surrounding.addMenu('plan')
  expect(surrounding.surround.menus.map(({ name }) => name)).toEqual(['Main', 'Main 2', 'Main 3'])
  await openSite.settle()
  expect((await server.site()).surround).toEqual(surrounding.surround)
})
