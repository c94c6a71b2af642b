import { writeSiteFile } from '@viatica/core/formats/siteFile.ts'
import { planOfBranch } from '@viatica/core/plan/branch.ts'
import { siteWith } from '@viatica/core/plan/site.ts'
import { type Browser, chromium, type Page } from '@playwright/test'
import config from '../e2e/playwright.config.ts'
import { startServer } from '../e2e/server.ts'
import { makeBranch } from './makeBranch.ts'

/**
 * What comes over the wire, and how long it takes, until the list of sites can be used, and from there until a site of
 * 50 and of 2,000 pages is open: in a browser that has nothing kept. Shall be: 150 kB of script for the list, 450 kB more
 * for a site, one second to a site of 50 pages, and no more than twice that to one of 2,000.
 */
const SIZES = [50, 2000] as const
const ROUNDS = 5
/** As long as an author reads the list: at once, and long enough for what the site needs to be there. */
const READING_MS = [0, 2000] as const

const median = (all: readonly number[]) => [...all].sort((a, b) => a - b)[Math.floor(all.length / 2)]!

const { child, port } = await startServer(process.env['VIATICA_BENCH_DATABASE']!, 0)
const url = `http://127.0.0.1:${port}`
for (const pages of SIZES) {
  const site = siteWith({ name: `${pages} pages`, layout: 'nested' }, planOfBranch(makeBranch(pages)))
  await fetch(`${url}/api/sites`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/vnd.viatica.site+json' },
    body: writeSiteFile(site, new Map()),
  })
}

/** Counts the bytes of script that come to a page, compressed as they come. */
function countScripts(page: Page): { take(): number } {
  let bytes = 0
  page.on('requestfinished', (request) => {
    if (request.resourceType() !== 'script') return
    void request.sizes().then(({ responseBodySize }) => (bytes += responseBodySize))
  })
  return {
    take() {
      const taken = bytes
      bytes = 0
      return taken
    },
  }
}

async function open(browser: Browser, pages: number, readingMs: number) {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } })
  const page = await context.newPage()
  const scripts = countScripts(page)
  const start = performance.now()
  await page.goto(url)
  const link = page.getByRole('link', { name: `${pages} pages` })
  await link.waitFor()
  const list = performance.now() - start
  const listBytes = scripts.take()
  await page.waitForTimeout(readingMs)
  const begun = performance.now()
  await link.click()
  await page.locator('[role=treeitem]').first().waitFor()
  const site = performance.now() - begun
  await page.waitForTimeout(1500)
  const siteBytes = scripts.take()
  await context.close()
  return { list, listBytes, site, siteBytes }
}

const browser = await chromium.launch(config.use!.launchOptions!)
for (const readingMs of READING_MS) {
  console.log(`opened ${readingMs} ms after the list was there`)
  for (const pages of SIZES) {
    const rounds: Awaited<ReturnType<typeof open>>[] = []
    for (let round = 0; round < ROUNDS; round++) rounds.push(await open(browser, pages, readingMs))
    const of = (name: keyof (typeof rounds)[number]) => median(rounds.map((one) => one[name])).toFixed(0)
    const kilo = (name: 'listBytes' | 'siteBytes') => (Number(of(name)) / 1000).toFixed(0)
    console.log(
      `${String(pages).padStart(5)} pages   list ${of('list').padStart(5)} ms ${kilo('listBytes').padStart(4)} kB   ` +
        `site ${of('site').padStart(5)} ms ${kilo('siteBytes').padStart(4)} kB more`,
    )
  }
}
await browser.close()
child.kill('SIGTERM')
