import fc from 'fast-check'
import type { Change } from '@viatica/core/plan/change/change.ts'
import { toSiteData } from '@viatica/core/plan/siteData.ts'
import { arbitraryPick, arbitrarySite, changeOfPick } from '@viatica/core/testing/arbitrarySite.ts'
import { FakeServer, openWindow } from '../testing/fakeServer.ts'
import { setTitle, titleOf, twoPages } from '../testing/twoPages.ts'

async function start(site = twoPages()) {
  const server = new FakeServer(site)
  const { useOpenSite } = await import('./openSite.ts')
  return { server, open: () => openWindow(useOpenSite) }
}

/** What the server answers comes in the turns of the event loop that follow. */
const afterAnswers = () => new Promise((resolve) => setTimeout(resolve, 5))

describe('an edit', () => {
  test('shows at once, is saved on the revision it was made on, and can be taken back and done again', async () => {
    const { server, open } = await start()
    const window = await open()
    expect(window.make(setTitle('walks', 'Towpath walks'))).toBeUndefined()
    expect(titleOf(window.site!, 'walks')).toBe('Towpath walks')
    expect(window.saveState).toBe('saving')
    expect(await window.settle()).toBe(true)
    expect(titleOf(server.site, 'walks')).toBe('Towpath walks')

    window.undo()
    expect(titleOf(window.site!, 'walks')).toBe('Walks')
    expect(window.lastWords).toBe('Undone: “Walks” renamed “Towpath walks”')
    window.redo()
    expect(titleOf(window.site!, 'walks')).toBe('Towpath walks')
    await window.settle()
    expect(titleOf(server.site, 'walks')).toBe('Towpath walks')
    expect(server.revision).toBe(3)
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
    expect(server.revision).toBe(0)
  })

  test('that is only tried out leaves the site as it is', async () => {
    const { server, open } = await start()
    const window = await open()
    const before = window.site
    const outcome = window.tryOut(setTitle('walks', 'Tried'))
    expect(typeof outcome === 'string' ? outcome : titleOf(outcome.site, 'walks')).toBe('Tried')
    expect(window.tryOut({ kind: 'remove', entries: ['home'] })).toMatch(/home page/)
    expect(window.site).toBe(before)
    expect(server.revision).toBe(0)
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
    expect(titleOf(server.site, 'walks')).toBe('Kept')
    expect(server.revision).toBe(1)
  })
})

describe('two windows', () => {
  test('hear of each other, and keep both edits of different things', async () => {
    const { server, open } = await start()
    const [here, there] = [await open(), await open()]
    here.make(setTitle('walks', 'From here'))
    there.make(setTitle('news', 'From there'))
    await Promise.all([here.settle(), there.settle()])
    server.announce()
    await afterAnswers()
    for (const { site } of [here, there]) {
      expect(titleOf(site!, 'walks')).toBe('From here')
      expect(titleOf(site!, 'news')).toBe('From there')
    }
  })

  test('tell of an edit that came too late', async () => {
    const { open } = await start()
    const [here, there] = [await open(), await open()]
    here.make({ kind: 'remove', entries: ['walks'] })
    await here.settle()
    there.make(setTitle('walks', 'Too late'))
    await there.settle()
    await afterAnswers()
    expect(there.apart).toMatchObject([{ reason: 'This entry is no longer in the plan.' }])
    expect(there.site!.plan.entries.has('walks')).toBe(false)
  })

  test('show what the server has in the end, whatever both do at once', async () => {
    await fc.assert(
      fc.asyncProperty(
        arbitrarySite(8),
        fc.array(fc.tuple(fc.boolean(), arbitraryPick), { minLength: 2, maxLength: 10 }),
        async (site, picks) => {
          const { server, open } = await start(site)
          const windows = [await open(), await open()]
          for (const [n, [isFirst, pick]] of picks.entries()) {
            const window = windows[isFirst ? 0 : 1]!
            const change: Change = changeOfPick(window.site!.plan, pick, n)
            window.makeOrTell(change)
            if (pick.b % 3 === 0) await window.settle()
          }
          await Promise.all(windows.map((window) => window.settle()))
          server.announce()
          await afterAnswers()
          for (const window of windows) expect(toSiteData(window.site!)).toEqual(toSiteData(server.site))
        },
      ),
      { numRuns: 60 },
    )
  })
})
