import { writeSiteFile } from '@viatica/core/formats/siteFile.ts'
import { planOfBranch } from '@viatica/core/plan/branch.ts'
import { siteWith } from '@viatica/core/plan/site.ts'
import { chromium, type Page } from '@playwright/test'
import config from '../e2e/playwright.config.ts'
import { startServer } from '../e2e/server.ts'
import { makeBranch } from './makeBranch.ts'
import { PLAN, shown, watchFor } from './shown.ts'

/**
 * What comes over the wire, and how long it takes, until the list of sites can be used, and from there or by its own
 * address until a site of 50 and of 2,000 pages is open: in a browser that has nothing kept. Shall be: 150 kB of script
 * for the list, 450 kB more for a site, one second to a site of 50 pages, and no more than twice that to one of 2,000.
 */
const SIZES = [50, 2000] as const
const ROUNDS = 5
/** As long as an author reads the list: at once, and long enough for what the site needs to be there. */
const READING_MS = [0, 2000] as const

const median = (all: readonly number[]) => [...all].sort((a, b) => a - b)[Math.floor(all.length / 2)]!

const { child, port } = await startServer(process.env['VIATICA_BENCH_DATABASE']!, 0)
const url = `http://127.0.0.1:${port}`
const paths = new Map<number, string>()
for (const pages of SIZES) {
  const site = siteWith({ name: `${pages} pages`, layout: 'nested' }, planOfBranch(makeBranch(pages)))
  const response = await fetch(`${url}/api/sites`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/vnd.viatica.site+json' },
    body: writeSiteFile(site, new Map()),
  })
  const { id } = (await response.json()) as { id: string }
  paths.set(pages, `/sites/${id}/plan`)
}

/** The bytes of script that came to a page until something was shown, and all of them: compressed, as they come. */
async function scriptBytes(page: Page, mark: string): Promise<{ before: number; all: number }> {
  const { at, scripts } = await page.evaluate(
    (mark) => ({
      at: performance.getEntriesByName(mark)[0]!.startTime,
      scripts: (performance.getEntriesByType('resource') as PerformanceResourceTiming[])
        // What the browser had already says that nothing was transferred.
        .filter(({ name, transferSize }) => name.endsWith('.js') && transferSize > 0)
        .map(({ responseEnd, encodedBodySize }) => ({ end: responseEnd, bytes: encodedBodySize })),
    }),
    mark,
  )
  const sum = (some: typeof scripts) => some.reduce((all, { bytes }) => all + bytes, 0)
  return { before: sum(scripts.filter(({ end }) => end <= at)), all: sum(scripts) }
}

/** Opens a site from the list. @param readingMs how long its author reads that before */
async function openFromList(page: Page, pages: number, readingMs: number) {
  const path = paths.get(pages)!
  await watchFor(page, 'list', `a[href="${path}"]`)
  await page.goto(url)
  const list = await shown(page, 'list')
  await page.waitForTimeout(readingMs)
  await page.evaluate(() => addEventListener('click', () => performance.mark('clicked'), { capture: true }))
  await page.locator(`a[href="${path}"]`).click()
  const site = await shown(page, 'plan', 'clicked')
  await page.waitForTimeout(1500)
  const { before, all } = await scriptBytes(page, 'list')
  return { list, listBytes: before, site, siteBytes: all - before }
}

async function openByAddress(page: Page, pages: number): Promise<number> {
  await page.goto(`${url}${paths.get(pages)}`)
  return shown(page, 'plan')
}

const browser = await chromium.launch(config.use!.launchOptions!)

/** Does something some times, each in a browser that has nothing kept. */
async function rounds<Result>(work: (page: Page) => Promise<Result>): Promise<Result[]> {
  const results: Result[] = []
  for (let round = 0; round < ROUNDS; round++) {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } })
    const page = await context.newPage()
    await watchFor(page, 'plan', PLAN)
    results.push(await work(page))
    await context.close()
  }
  return results
}

for (const readingMs of READING_MS) {
  console.log(`opened ${readingMs} ms after the list was there`)
  for (const pages of SIZES) {
    const all = await rounds((page) => openFromList(page, pages, readingMs))
    const of = (name: keyof (typeof all)[number]) => median(all.map((one) => one[name])).toFixed(0)
    const kilo = (name: 'listBytes' | 'siteBytes') => (Number(of(name)) / 1000).toFixed(0)
    console.log(
      `${String(pages).padStart(5)} pages   list ${of('list').padStart(5)} ms ${kilo('listBytes').padStart(4)} kB   ` +
        `site ${of('site').padStart(5)} ms ${kilo('siteBytes').padStart(4)} kB more`,
    )
  }
}
console.log('opened by its address')
for (const pages of SIZES) {
  const site = median(await rounds((page) => openByAddress(page, pages)))
  console.log(`${String(pages).padStart(5)} pages   site ${site.toFixed(0).padStart(5)} ms`)
}
await browser.close()
child.kill('SIGTERM')
