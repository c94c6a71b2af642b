import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { makeDatabase } from '@viatica/server/testing/database.ts'
import { type Gate, openGate } from './gate.ts'
import { originalDatabase } from './original.ts'
import { keepRows } from './keptRows.ts'
import { KeptWindow } from './keptWindow.ts'
import { startServer } from './server.ts'
import { goWithin, isOpenAt } from './within.ts'
import {
  test as base,
  type BrowserContext,
  type ConsoleMessage,
  expect,
  type Frame,
  type Locator,
  type Page,
  type Request,
} from '@playwright/test'

const AXE = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8')

/** A server like that of npm start, with the demo as it is at first, on a free port. */
export interface Served {
  readonly url: string
}

/** One with a database of its own, which can be stopped and shut. */
export interface ServedAlone extends Served {
  /** Shutting it is as stopping the database. */
  readonly gate: Gate
  stop(signal?: NodeJS.Signals): Promise<void>
  start(): Promise<void>
}

interface Watched {
  /** Console errors and uncaught exceptions so far. */
  readonly errors: string[]
  /** Requests to other hosts so far. */
  readonly strangers: string[]
}

/** What the tests of one worker share: a server and a browser that has fetched its files before. */
interface Shared extends Served {
  readonly context: BrowserContext
  readonly window: KeptWindow
  /** Makes the database what it was at first. */
  reset(): Promise<void>
}

export const test = base.extend<
  { served: Served; servedAlone: ServedAlone; watched: Watched },
  { shared: Shared }
>({
  shared: [
    async ({ browser }, use) => {
      const database = await makeDatabase(originalDatabase())
      const rows = await keepRows(database.url)
      const { child, port } = await startServer(database.url, 0)
      // Nothing fades or slides in here, so that none waits for it; contexts of their own move as usual.
      const context = await browser.newContext({
        viewport: { width: 1280, height: 800 },
        reducedMotion: 'reduce',
      })
      context.setDefaultTimeout(30_000)
      const url = `http://127.0.0.1:${port}`
      const window = await KeptWindow.begin(context, url)
      await use({ url, context, window, reset: () => rows.bringBack() })
      await context.close()
      child.kill('SIGKILL')
      await rows.end()
      await database.drop()
    },
    { scope: 'worker' },
  ],

  context: ({ shared }, use) => use(shared.context),

  page: async ({ shared, viewport }, use, testInfo) => {
    const page = await shared.window.take()
    if (viewport) await page.setViewportSize(viewport)
    await use(page)
    await shared.window.giveBack(page, testInfo.status === testInfo.expectedStatus)
  },

  served: async ({ shared }, use) => {
    await shared.reset()
    await use({ url: shared.url })
  },

  // eslint-disable-next-line no-empty-pattern -- Playwright asks for a pattern
  servedAlone: async ({}, use) => {
    const database = await makeDatabase(originalDatabase())
    const gate = await openGate(database.url)
    let { child, port } = await startServer(gate.url, 0)
    const served: ServedAlone = {
      url: `http://127.0.0.1:${port}`,
      gate,
      stop: (signal = 'SIGTERM') =>
        new Promise((resolve) => {
          child.once('exit', () => resolve())
          child.kill(signal)
        }),
      start: async () => void ({ child, port } = await startServer(gate.url, port)),
    }
    await use(served)
    if (child.exitCode === null) await served.stop('SIGKILL')
    await gate.remove()
    await database.drop()
  },

  watched: async ({ page }, use, testInfo) => {
    const watched: Watched = { errors: [], strangers: [] }
    const onConsole = (message: ConsoleMessage) => {
      if (message.type() === 'error') watched.errors.push(`${message.text()} (${message.location().url})`)
    }
    const onError = (error: Error) => watched.errors.push(error.message)
    const onRequest = (request: Request) => {
      const url = new URL(request.url())
      if (/^https?:$/.test(url.protocol) && url.hostname !== '127.0.0.1')
        watched.strangers.push(request.url())
    }
    page.on('console', onConsole).on('pageerror', onError).on('request', onRequest)
    await use(watched)
    page.off('console', onConsole).off('pageerror', onError).off('request', onRequest)
    // What the page said may tell why a test failed.
    if (testInfo.status !== testInfo.expectedStatus && watched.errors.length > 0) console.log(watched.errors)
  },
})

export { expect }

/** Opens an address of the application: in a window that shows it, without loading it anew. */
export async function openAt(page: Page, { url }: Served, address: string): Promise<void> {
  if (await isOpenAt(page, url)) await goWithin(page, address)
  else await page.goto(url + address)
}

/** Opens the demo at Plan and gives back its id. */
export async function openDemo(page: Page, served: Served): Promise<string> {
  await openAt(page, served, '/')
  await page.getByRole('link', { name: /Wetherlock Canal Trust/ }).click()
  await expect(page.getByRole('tree', { name: 'Plan' })).toBeVisible()
  return /sites\/(\w+)/.exec(page.url())![1]!
}

/** A row of the outline by the id of its entry. */
export const row = (page: Page, id: string) =>
  page.locator(`[aria-label=Plan] [role=treeitem][data-entry="${id}"]`)

/** Scrolls the outline until a row is drawn: only what is in sight is. */
export async function reveal(page: Page, id: string): Promise<Locator> {
  const tree = page.getByRole('tree', { name: 'Plan' })
  for (let top = 0; (await row(page, id).count()) === 0 && top < 100_000; top += 300) {
    await tree.evaluate(async (element, to) => {
      element.scrollTop = to
      await new Promise((resolve) => requestAnimationFrame(() => requestAnimationFrame(resolve)))
    }, top)
  }
  return row(page, id)
}

/** Chooses an entry in the outline. */
export const choose = async (page: Page, id: string) => (await reveal(page, id)).click()

/** Opens the source of the chosen page at Write, and puts a text in its place. */
export async function writeSource(page: Page, html: string): Promise<void> {
  await page.getByRole('link', { name: 'Write', exact: true }).click()
  await page.getByRole('link', { name: 'HTML' }).click()
  await fillSource(page, html)
}

/**
 * Puts a text in the place of that in the source editor: by the editor's own key, since it may forget what only the browser
 * has selected when an edit is shown in between.
 */
export async function fillSource(page: Page, html: string): Promise<void> {
  await page.getByRole('textbox', { name: 'Source of the main content' }).focus()
  await page.keyboard.press('ControlOrMeta+a')
  await page.keyboard.press('Backspace')
  if (html !== '') await page.keyboard.insertText(html)
}

/** The row of the outline with this label. */
export const rowNamed = (page: Page, label: string) =>
  page
    .getByRole('tree', { name: 'Plan' })
    .getByRole('treeitem')
    .filter({ has: page.getByText(label, { exact: true }) })

/** Waits until everything that was done is saved. */
export const saved = (page: Page) =>
  expect(page.getByRole('status').filter({ hasText: /^ ?Saved$/ })).toBeVisible()

/** Waits until a page stands still: what fades or slides in has come to its end, and nothing is still being fetched. */
async function standsStill(page: Page | Frame): Promise<void> {
  await expect(page.locator('.ant-spin-spinning')).toHaveCount(0)
  await page.evaluate(async () => {
    const runsOut = ({ effect }: Animation) => effect?.getComputedTiming().endTime !== Infinity
    // One that ends may begin another.
    for (let last = 0; last < 3; last++) {
      await new Promise((resolve) => requestAnimationFrame(resolve))
      const running = document.getAnimations().filter(runsOut)
      await Promise.all(running.map(({ finished }) => finished.catch(() => undefined)))
    }
  })
}

/** What axe-core finds on a page that stands still (WCAG 2.2 A and AA, and its best practices). */
export async function axeFindings(page: Page | Frame): Promise<string[]> {
  await standsStill(page)
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(AXE)
  return page.evaluate(async () => {
    const { axe } = window as unknown as {
      axe: {
        run(where: object, how: object): Promise<{ violations: { id: string; nodes: { html: string }[] }[] }>
      }
    }
    const { violations } = await axe.run(document, { iframes: false, resultTypes: ['violations'] })
    return violations.flatMap(({ id, nodes }) => nodes.map(({ html }) => `${id}: ${html.slice(0, 160)}`))
  })
}

/** Opens the settings of a piece at Surround, from the list of all. */
export async function choosePiece(page: Page, id: string): Promise<void> {
  const back = page.getByRole('button', { name: 'All pieces' })
  if (await back.isVisible()) await back.click()
  await page.locator(`[data-piece="${id}"]`).click()
}
