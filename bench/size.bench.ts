import { randomUUID } from 'node:crypto'
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { chromium, type Page } from '@playwright/test'
import { bring } from '@viatica/core/existing/bring.ts'
import { Room } from '@viatica/core/existing/intake/room.ts'
import { writeSiteFile } from '@viatica/core/formats/siteFile.ts'
import { planOfBranch } from '@viatica/core/plan/branch.ts'
import { type Site, siteWith } from '@viatica/core/plan/site.ts'
import { USUAL_CHOICES } from '@viatica/core/publish/choices.ts'
import { parse } from 'parse5'
import config from '../e2e/playwright.config.ts'
import { makeBranch } from './makeBranch.ts'
import { peakOf, print, serveToMeasure, SITE_FILE } from './served.ts'

/**
 * Large sites, of 5,000 and 20,000 pages of 250 words. On the server: how long each thing takes, the longest that another
 * request waited meanwhile (shall be: 200 ms), and the most memory so far (1 GB). In the browser: how long until it is
 * there, and the longest that the window stood still (100 ms at 5,000 pages, 300 at 20,000). The link check and the first
 * Proof shall take no more than 60 s, statistics and a search 2 s once the site has been open for a while. An import of
 * large pages: no more than ten times parsing them, or a refusal before they are read.
 */
const SIZES = [5000, 19_990] as const
const PARAGRAPHS = 5
const PATIENCE_MS = 400_000
const JSON_TYPE = 'application/json'

const folder = mkdtempSync(`${tmpdir()}/viatica-size-`)
process.env['VIATICA_FOLDERS'] = folder
const { child, url, send, timed, mostMemory, measure } = await serveToMeasure()
const browser = await chromium.launch(config.use!.launchOptions!)

const parsed = async <Answer>(path: string) => JSON.parse((await send({ path })).text) as Answer

/** Publishes a site for the first time, into a folder. */
async function publish(id: string, pages: number): Promise<void> {
  mkdirSync(`${folder}/${pages}`)
  const settings = {
    name: 'Folder',
    way: { by: 'folder', folder: `${folder}/${pages}` },
    address: '',
    choices: USUAL_CHOICES,
  }
  const made = await send({
    path: `/api/sites/${id}/hosts`,
    body: JSON.stringify({ settings }),
    type: JSON_TYPE,
  })
  const { id: host } = JSON.parse(made.text) as { id: string }
  const at = `/api/sites/${id}/hosts/${host}/publications`
  const { ms, wait, result } = await timed(async () => {
    await send({ path: at, body: '{}', type: JSON_TYPE })
    for (;;) {
      const { publications } = await parsed<{ publications: { state: string }[] }>(at)
      const state = publications[0]?.state ?? ''
      if (!['preparing', 'sending', 'proving'].includes(state)) return state
      await new Promise((resolve) => setTimeout(resolve, 200))
    }
  })
  print('  first publication', result, ms.toFixed(0), wait.toFixed(0), mostMemory().toFixed(0))
}

/** What the server does with a site of so many pages. @returns the id of the site */
async function onServer(site: Site, pages: number): Promise<string> {
  print(`${pages} pages, on the server`, 'status', 'ms', 'health ms', 'MB')
  const body = writeSiteFile(site, new Map())
  await measure('  storing an import', { path: '/api/sites', body, type: SITE_FILE })
  const { sites } = await parsed<{ sites: { id: string }[] }>('/api/sites')
  const { id } = sites[0]!
  await measure('  opening it', { path: `/api/sites/${id}` })
  await measure('  … by three at once', ...[1, 2, 3].map(() => ({ path: `/api/sites/${id}` })))
  await measure('  site.json', { path: `/api/sites/${id}/site.json` })
  await measure('  a preview of the home page', { path: `/preview/${id}/index.html` })
  const bodies = [...site.plan.entries.values()].flatMap((entry) => (entry.kind === 'page' ? [entry] : []))
  const changes = bodies.slice(0, 9000).map(({ id: entry, body }) => ({
    ...{ kind: 'setEntry', entry, field: 'body' },
    value: { html: body.html.replace('beyond', 'before'), changed: '' },
  }))
  await measure(`  a batch over ${changes.length} texts`, {
    path: `/api/sites/${id}/changes`,
    body: JSON.stringify({ id: randomUUID(), base: 0, change: { kind: 'batch', words: 'Set', changes } }),
    type: JSON_TYPE,
  })
  await measure('  going back before it', { path: `/api/sites/${id}/history/0/way-back` })
  await publish(id, pages)
  return id
}

/** Notes how long tasks of the page took: the browser tells those of more than 50 ms. */
const NOTE_TASKS = `
  window.longest = 0
  new PerformanceObserver((list) => {
    for (const { duration } of list.getEntries()) window.longest = Math.max(window.longest, duration)
  }).observe({ type: 'longtask', buffered: true })`

/** What the window does with the site. */
async function inBrowser(id: string, pages: number): Promise<void> {
  print(`${pages} pages, in the browser`, '', 'ms', 'stop ms')
  const page: Page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  page.setDefaultTimeout(PATIENCE_MS)
  await page.addInitScript(NOTE_TASKS)
  const row = async (words: string, work: () => Promise<unknown>) => {
    await page.evaluate('window.longest = 0')
    const start = performance.now()
    await work()
    const ms = performance.now() - start
    // What follows from it belongs to it.
    await page.waitForTimeout(1500)
    print(`  ${words}`, '', ms.toFixed(0), Number(await page.evaluate('window.longest')).toFixed(0))
  }
  const link = (name: string | RegExp) => page.getByRole('link', { name, exact: true }).first().click()
  const isThere = (selector: string) => page.locator(selector).first().waitFor()
  const search = async (words: string) => {
    await page.getByRole('tree', { name: 'Plan' }).press('/')
    await page.keyboard.type(words)
    await isThere('[role=option] mark')
    await page.keyboard.press('Escape')
  }
  await row('opening', async () => {
    await page.goto(`${url}/sites/${id}/plan`)
    await isThere('[role=treeitem]')
  })
  await row('searching while it is checked', () => search('heron 18'))
  await row('the first Proof, to its end', async () => {
    await link(/^Proof/)
    await page.getByText('Checked; kept up as you edit.').waitFor()
  })
  await row('the link check', async () => {
    await link('Link check')
    await page.getByRole('button', { name: 'Check all links' }).click()
    await page.getByRole('button', { name: 'Check again' }).waitFor()
  })
  await row('Write', async () => {
    await link('Write')
    await isThere('[contenteditable=true]')
  })
  await row('another page at Write', async () => {
    await page.locator('[role=treeitem]').nth(4).click()
    await page.waitForTimeout(300)
  })
  await link('Plan')
  await row('statistics', async () => {
    await link('Statistics')
    await isThere('.statistics dd.figure')
  })
  for (const view of ['Inventory', 'Structure', 'Addresses'])
    await row(view.toLowerCase(), async () => {
      await link(view)
      await page.locator('.view *').nth(20).waitFor()
    })
  await row('a search', () => search('gate 1'))
  await row('a new title for a section', async () => {
    await page.locator('[role=treeitem][data-entry=p1]').click()
    await page.keyboard.press('F2')
    await page.getByLabel('New name').fill('Another name')
    await page.keyboard.press('Enter')
    await page.locator('[role=treeitem]', { hasText: 'Another name' }).first().waitFor()
  })
  for (const stop of ['Surround', 'Publish'])
    await row(stop, async () => {
      await link(stop)
      await page.waitForTimeout(1000)
    })
  await page.close()
}

for (const pages of SIZES) {
  const site = siteWith(
    { name: `${pages} pages`, layout: 'nested' },
    planOfBranch(makeBranch(pages, PARAGRAPHS)),
  )
  const id = await onServer(site, pages)
  await inBrowser(id, pages)
}
await browser.close()
child.kill('SIGTERM')
rmSync(folder, { recursive: true })

/** So many pages of a folder, each with as many bytes in its content. */
function largePages(count: number, bytes: number) {
  const sentence = 'The heron & the gate lie beyond the <b>summit</b> of the cutting. '
  const paragraphs = `<p>${sentence.repeat(8)}</p>\n`.repeat(Math.ceil(bytes / (8 * sentence.length)))
  const items = Array.from({ length: 8 }, (_, n) => `<li><a href="page-${n}.html">Page ${n}</a></li>`).join(
    '',
  )
  return Array.from({ length: count }, (_, n) => ({
    path: n === 0 ? 'index.html' : `page-${n}.html`,
    bytes: new TextEncoder().encode(
      `<!doctype html><html lang="en"><head><meta charset="utf-8"><title>Page ${n}</title></head><body>` +
        `<nav><ul>${items}</ul></nav><main><h1>Page ${n}</h1>\n${paragraphs}</main><footer>Written by hand</footer></body></html>`,
    ),
  }))
}
print('importing large pages', 'MB', 'parse ms', 'ms', 'ratio', 'most MB')
for (const count of [25, 100, 500]) {
  const files = largePages(count, 400_000)
  const size = files.reduce((sum, { bytes }) => sum + bytes.length, 0)
  const refusal = new Room().takeAll(files.map(({ path, bytes }) => ({ path, size: bytes.length })))
  if (refusal !== undefined) {
    print(`  ${count} pages of 400 kB: ${refusal}`)
    continue
  }
  const decoder = new TextDecoder()
  const start = performance.now()
  for (const { bytes } of files) parse(decoder.decode(bytes))
  const parsing = performance.now() - start
  globalThis.gc?.()
  // From here on the most memory is noted anew: https://docs.kernel.org/filesystems/proc.html
  writeFileSync('/proc/self/clear_refs', '5')
  const from = performance.now()
  bring(files)
  const ms = performance.now() - from
  const times = [size / 1e6, parsing, ms].map((n) => n.toFixed(0))
  print(`  ${count} pages of 400 kB`, ...times, (ms / parsing).toFixed(1), peakOf('self').toFixed(0))
}
