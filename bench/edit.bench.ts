import { readFileSync } from 'node:fs'
import { writeSiteFile } from '@viatica/core/formats/siteFile.ts'
import { applyChange } from '@viatica/core/plan/change/apply.ts'
import { planOfBranch } from '@viatica/core/plan/branch.ts'
import { newPage } from '@viatica/core/plan/newEntry.ts'
import { type Site, siteWith } from '@viatica/core/plan/site.ts'
import { rippleOf } from '@viatica/core/ripple/ripple.ts'
import { chromium, type Page } from '@playwright/test'
import config from '../e2e/playwright.config.ts'
import { startServer } from '../e2e/server.ts'
import { makeBranch } from './makeBranch.ts'
import { PLAN, shown, watchFor } from './shown.ts'

/**
 * From the press of a key to the painted result, in the real interface, at 50 and at 2,000 pages on four levels: an edit
 * in the plan of 2,000 pages shall take less than 100 ms, and no longer than twice the same edit at 50. The ripple of a
 * rename shall take 50 ms where it is in every menu, 16 ms where it is in none, in core and at 2,000 pages.
 */
const SIZES = [50, 2000] as const
const ROUNDS = 15
const RIPPLE_ROUNDS = 25
/** Of the build: any will do here. */
const YEAR = 2026
/** A result that does not come in this time will not come. */
const PATIENCE_MS = 30_000

function makeSite(pages: number): Site {
  return siteWith({ name: `${pages} pages`, layout: 'nested' }, planOfBranch(makeBranch(pages)))
}

const median = (times: readonly number[]) => [...times].sort((a, b) => a - b)[Math.floor(times.length / 2)]!

/**
 * Runs in the page: from the time stamp of the next key to the frame after the one in which `holds` first was true, in
 * ms. As text, since what compiles this file adds helpers to functions that the page does not have.
 */
const TIME_NEXT_KEY = `(holds) => {
  window.painted = new Promise((resolve, reject) => {
    setTimeout(() => reject(new Error('it never came to this: ' + holds)), ${PATIENCE_MS})
    addEventListener('keydown', (event) => {
      const look = () => {
        if (!holds()) return void requestAnimationFrame(look)
        // After the next frame is begun, the one that holds it has been painted.
        requestAnimationFrame(() => resolve(performance.now() - event.timeStamp))
      }
      requestAnimationFrame(look)
    }, { capture: true, once: true })
  })
}`

/** Presses a key and gives back how long it took until what it does was painted. @param done an expression of the page */
async function timeKey(page: Page, key: string, done: string): Promise<number> {
  await page.evaluate(`(${TIME_NEXT_KEY})(() => ${done})`)
  await page.keyboard.press(key)
  return page.evaluate('window.painted')
}

async function timeMove(page: Page, key: string): Promise<number> {
  const place = (await page.locator('[role=treeitem][tabindex="0"]').getAttribute('aria-posinset'))!
  return timeKey(
    page,
    key,
    `document.querySelector('[role=treeitem][tabindex="0"]')?.ariaPosInSet !== '${place}'`,
  )
}

/** The edits that are timed: each gives back how long one round took. */
const EDITS: Readonly<Record<string, (page: Page, round: number) => Promise<number>>> = {
  async 'rename a page'(page, round) {
    const name = `Renamed ${round}`
    await page.keyboard.press('F2')
    await page.getByLabel('New name').fill(name)
    return timeKey(
      page,
      'Enter',
      `document.querySelector('[role=treeitem][tabindex="0"]')?.innerText.includes('${name}')`,
    )
  },
  async 'move it with all under it'(page, round) {
    return timeMove(page, round % 2 === 0 ? 'Alt+ArrowDown' : 'Alt+ArrowUp')
  },
  async 'move the last page'(page, round) {
    if (round === 0) await page.keyboard.press('End')
    return timeMove(page, round % 2 === 0 ? 'Alt+ArrowUp' : 'Alt+ArrowDown')
  },
  async 'set its state'(page, round) {
    const state = round % 2 === 0 ? 'planned' : 'ready'
    return timeKey(
      page,
      round % 2 === 0 ? '1' : '3',
      `document.querySelector('[role=treeitem][tabindex="0"] svg')?.ariaLabel === '${state}'`,
    )
  },
  async 'choose the next'(page) {
    const id = (await page.locator('[role=treeitem][tabindex="0"]').getAttribute('data-entry'))!
    return timeKey(
      page,
      'ArrowDown',
      `document.querySelector('[role=treeitem][tabindex="0"]')?.dataset.entry !== '${id}'`,
    )
  },
  async 'find by typing'(page) {
    await page.keyboard.press('/')
    await page.keyboard.type('heron 1')
    const time = await timeKey(
      page,
      '8',
      `document.querySelector('[role=option] mark')?.innerText.includes('18')`,
    )
    await page.keyboard.press('Escape')
    await page.waitForTimeout(50)
    return time
  },
}

const VIEWS = ['Structure', 'Inventory', 'Addresses', 'Statistics'] as const

const { child, port } = await startServer(process.env['VIATICA_BENCH_DATABASE']!, 0)
const url = `http://127.0.0.1:${port}`
const browser = await chromium.launch(config.use!.launchOptions!)
const results = new Map<string, number[]>()
const put = (name: string, time: number) => results.set(name, [...(results.get(name) ?? []), time])

async function openSite(size: number): Promise<Page> {
  const response = await fetch(`${url}/api/sites`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/vnd.viatica.site+json' },
    body: writeSiteFile(makeSite(size), new Map()),
  })
  const { id } = (await response.json()) as { id: string }
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  page.setDefaultTimeout(PATIENCE_MS * 4)
  await watchFor(page, 'plan', PLAN)
  await page.goto(`${url}/sites/${id}/plan`)
  put('open the site', await shown(page, 'plan'))
  await page.locator('[role=treeitem][data-entry=p1]').click()
  return page
}

/** Renames whose ripple is worked out without the screen, each of one entry. */
const RIPPLES = {
  'ripple of one in no menu': (size: number) => `p${size - 1}`,
  'ripple of one in every menu': () => 'top',
  'ripple of a section': () => 'p1',
} as const

/** The ripple of renames, one after the other as an author types them. */
function timeRipple(size: number, entry: string): number {
  const plain = makeSite(size)
  const top = { ...newPage('top', 'Top'), entries: [] }
  let site = applyChange(plain, { kind: 'add', parent: plain.plan.home, place: 0, branches: [top] }).site
  const times = Array.from({ length: RIPPLE_ROUNDS }, (_, n) => {
    const named = { kind: 'setEntry', entry, field: 'title', value: `Renamed ${n}` } as const
    const renamed = applyChange(site, named).site
    const started = performance.now()
    const { pages } = rippleOf(site, renamed, YEAR)
    const time = performance.now() - started
    if (pages.length === 0) throw new Error('the rename touched no page')
    site = renamed
    return time
  })
  return median(times)
}

const pages: Page[] = []
for (const size of SIZES) pages.push(await openSite(size))

for (const [name, edit] of Object.entries(EDITS)) {
  const times: number[][] = SIZES.map(() => [])
  for (const page of pages) {
    await page.bringToFront()
    await page.locator('[role=treeitem]').first().click()
    await page.keyboard.press('Home')
    await page.keyboard.press('ArrowDown')
    await page.keyboard.press('ArrowDown')
  }
  // Turn and turn about, so that what else the machine does falls on both sizes alike.
  for (let round = 0; round < ROUNDS; round++) {
    for (const [at, page] of pages.entries()) {
      await page.bringToFront()
      // What follows from an edit away from the screen must not be counted with the next.
      await page.waitForTimeout(400)
      times[at]!.push(await edit(page, round))
    }
  }
  for (const all of times) put(name, median(all))
}
for (const view of VIEWS) {
  for (const page of pages) {
    await page.bringToFront()
    const started = performance.now()
    await page.getByRole('link', { name: view, exact: true }).click()
    await page.locator('.view *').nth(20).waitFor()
    put(`open ${view.toLowerCase()}`, performance.now() - started)
  }
}
for (const [name, entry] of Object.entries(RIPPLES))
  for (const size of SIZES) put(name, timeRipple(size, entry(size)))
await browser.close()
child.kill()

console.log(
  `From key to paint in Chromium, median of ${ROUNDS}, in ms (Linux ${readFileSync('/proc/version', 'utf8').split(' ')[2]})`,
)
console.log(`${''.padEnd(30)}${SIZES.map((size) => `${size} pages`.padStart(12)).join('')}       ratio`)
for (const [name, [small, large]] of results) {
  const cells = [small!, large!].map((time) => time.toFixed(1).padStart(12))
  console.log(`${name.padEnd(30)}${cells.join('')}${(large! / small!).toFixed(2).padStart(12)}`)
}
