import { jest } from '@jest/globals'
import { createPinia } from 'pinia'
import type { WindowAt } from '@viatica/core/protocol/windows.ts'
import { browserHere } from '../testing/browserHere.ts'

/** Windows that hear what the others say, as the server carries it to all who have the site open. */
async function openWindows(count: number) {
  browserHere()
  const { useWindows } = await import('./windows.ts')
  const windows = Array.from({ length: count }, () => useWindows(createPinia()))
  endAll = () => {
    for (const window of windows) window.write('site', '')
  }
  const said: { path: string; at: WindowAt }[] = []
  let carrying = Promise.resolve()
  Object.defineProperty(globalThis, 'navigator', {
    configurable: true,
    value: {
      sendBeacon(path: string, body: Blob) {
        carrying = carrying.then(async () => {
          const at = JSON.parse(await body.text()) as WindowAt
          said.push({ path, at })
          if (path.includes('/site/')) for (const window of windows) window.hear(at)
        })
        return true
      },
    },
  })
  /** Waits until nothing is on its way any more. */
  const quiet = async () => {
    for (let before; before !== carrying; await carrying) before = carrying
  }
  return { windows, said, quiet }
}

/** Ends what the windows of a test do now and then. */
let endAll: () => void = () => undefined
afterEach(() => {
  endAll()
  jest.useRealTimers()
})

test('two windows learn of each other, whichever came first, and of it when one goes', async () => {
  const { windows, quiet } = await openWindows(2)
  const [one, two] = windows as [(typeof windows)[0], (typeof windows)[0]]
  one.write('site', 'news')
  await quiet()
  two.write('site', 'news')
  await quiet()
  expect([one.countOn('news'), two.countOn('news'), one.countOn('walks')]).toEqual([1, 1, 0])
  two.write('site', 'walks')
  await quiet()
  expect([one.countOn('news'), one.countOn('walks'), two.countOn('news')]).toEqual([0, 1, 1])
  two.write('site', '')
  await quiet()
  expect([one.countOn('news'), one.countOn('walks')]).toEqual([0, 0])
  // Whoever does not write says nothing when asked.
  one.ask()
  await quiet()
  expect(one.others.size).toBe(0)
})

test('a window whose events begin anew asks where the others are', async () => {
  const { windows, said, quiet } = await openWindows(2)
  const [one, two] = windows as [(typeof windows)[0], (typeof windows)[0]]
  two.write('site', 'news')
  one.write('other', 'news')
  await quiet()
  expect(one.countOn('news')).toBe(1)
  // On another site the windows of the first are not counted.
  one.write('site', 'news')
  expect(one.countOn('news')).toBe(0)
  await quiet()
  one.ask()
  await quiet()
  expect(one.countOn('news')).toBe(1)
  expect(said.filter(({ at }) => at.asks).length).toBe(4)
})

test('a window that says nothing any more is forgotten; one that goes on is not', async () => {
  jest.useFakeTimers()
  const { windows, quiet } = await openWindows(2)
  const [one, two] = windows as [(typeof windows)[0], (typeof windows)[0]]
  one.write('site', 'news')
  two.write('site', 'news')
  await quiet()
  for (let n = 0; n < 5; n++) {
    jest.advanceTimersByTime(20_000)
    await quiet()
  }
  expect(one.countOn('news')).toBe(1)
  one.hear({ window: 'a window that was lost', page: 'news', asks: false })
  expect(one.countOn('news')).toBe(2)
  for (let n = 0; n < 3; n++) {
    jest.advanceTimersByTime(20_000)
    await quiet()
  }
  expect(one.countOn('news')).toBe(1)
})
