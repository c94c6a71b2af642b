import { eventually, testSites } from '../testing/testSite.ts'
import { setTitle, titleOf } from '../testing/twoPages.ts'

const newSite = testSites()

async function start() {
  const server = await newSite()
  const { useOpenSite } = await import('./openSite.ts')
  return { server, open: () => server.openWindow(useOpenSite) }
}

describe('an edit', () => {
  test('shows at once, is saved on the revision it was made on, and can be taken back and done again', async () => {
    const { server, open } = await start()
    const window = await open()
    expect(window.make(setTitle('walks', 'Towpath walks'))).toBeUndefined()
    expect(titleOf(window.site!, 'walks')).toBe('Towpath walks')
    expect(window.saveState).toBe('saving')
    expect(await window.settle()).toBe(true)
    expect(titleOf(await server.site(), 'walks')).toBe('Towpath walks')

    window.undo()
    expect(titleOf(window.site!, 'walks')).toBe('Walks')
    expect(window.lastWords).toBe('Undone: “Walks” renamed “Towpath walks”')
    window.redo()
    expect(titleOf(window.site!, 'walks')).toBe('Towpath walks')
    await window.settle()
    expect(titleOf(await server.site(), 'walks')).toBe('Towpath walks')
    expect(await server.revision()).toBe(3)
  })

  test('of one field that goes on is one step to undo; of another field it is its own', async () => {
    const { open } = await start()
    const window = await open()
    for (const title of ['T', 'To', 'Tow'])
      window.whileTyping('visit', () => window.make(setTitle('walks', title)))
    window.whileTyping('visit', () => window.make(setTitle('news', 'Old news')))
    expect(window.done).toHaveLength(2)
    window.undo()
    window.undo()
    expect(titleOf(window.site!, 'walks')).toBe('Walks')
    expect(titleOf(window.site!, 'news')).toBe('News')
    expect(window.done).toHaveLength(0)
  })

  test('of one field that is made twice, however fast, is two steps to undo where it is not typed', async () => {
    const { open } = await start()
    const window = await open()
    for (const value of ['ready', 'draft'] as const)
      window.make({ kind: 'setEntry', entry: 'walks', field: 'state', value })
    expect(window.done).toHaveLength(2)
    for (const visit of ['first', 'second'])
      window.whileTyping(visit, () => window.make(setTitle('walks', visit)))
    expect(window.done).toHaveLength(4)
  })

  test('that makes no sense is refused with the reason, and nothing is sent', async () => {
    const { server, open } = await start()
    const window = await open()
    const before = window.site
    expect(window.make({ kind: 'move', entry: 'home', parent: 'news', place: 0 })).toMatch(/home page/)
    expect(window.make({ kind: 'setEntry', entry: 'walks', field: 'fileName', value: 'a/b' })).toMatch('/')
    expect(window.site).toBe(before)
    expect(await window.settle()).toBe(true)
    expect(await server.revision()).toBe(0)
  })

  test('that is only tried out leaves the site as it is', async () => {
    const { server, open } = await start()
    const window = await open()
    const before = window.site
    const outcome = window.tryOut(setTitle('walks', 'Tried'))
    expect(typeof outcome === 'string' ? outcome : titleOf(outcome.site, 'walks')).toBe('Tried')
    expect(window.tryOut({ kind: 'remove', entries: ['home'] })).toMatch(/home page/)
    expect(window.site).toBe(before)
    expect(await server.revision()).toBe(0)
  })

  test('waits while the server is away and is saved when it is back, once though its answer was lost', async () => {
    const { server, open } = await start()
    const window = await open()
    server.isDown = true
    window.make(setTitle('walks', 'Kept'))
    await window.settle()
    expect(window.saveState).toBe('failed')
    expect(titleOf(window.site!, 'walks')).toBe('Kept')
    server.isDown = false
    server.losesAnswers = 1
    while (window.saveState !== 'saved') await new Promise((resolve) => setTimeout(resolve, 50))
    expect(titleOf(await server.site(), 'walks')).toBe('Kept')
    expect(await server.revision()).toBe(1)
  })
})

describe('two windows', () => {
  test('hear of each other, and keep both edits of different things', async () => {
    const { server, open } = await start()
    const [here, there] = [await open(), await open()]
    here.make(setTitle('walks', 'From here'))
    there.make(setTitle('news', 'From there'))
    await Promise.all([here.settle(), there.settle()])
    await server.announce()
    for (const window of [here, there])
      await eventually(
        () => ['walks', 'news'].map((id) => titleOf(window.site!, id)),
        ['From here', 'From there'],
      )
  })

  test('tell of an edit that came too late', async () => {
    const { open } = await start()
    const [here, there] = [await open(), await open()]
    here.make({ kind: 'remove', entries: ['walks'] })
    await here.settle()
    there.make(setTitle('walks', 'Too late'))
    await there.settle()
    await eventually(() => there.apart.map(({ reason }) => reason), ['This entry is no longer in the plan.'])
    await eventually(() => there.site!.plan.entries.has('walks'), false)
  })
})
