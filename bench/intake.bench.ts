import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { dirname, join } from 'node:path'
import { outputFiles } from '@viatica/core/formats/archive.ts'
import { bytesOfText } from '@viatica/core/formats/textBytes.ts'
import { planOfBranch } from '@viatica/core/plan/branch.ts'
import { siteWith } from '@viatica/core/plan/site.ts'
import { chromium } from '@playwright/test'
import config from '../e2e/playwright.config.ts'
import { startServer } from '../e2e/server.ts'
import { makeBranch } from './makeBranch.ts'

/**
 * Existing pages through the screen: how long until they are worked out, and the longest time between two frames meanwhile,
 * which an author would feel as a standstill. Shall be: never more than 200 ms.
 */
const YEAR = 2026
const generated = mkdtempSync(join(tmpdir(), 'viatica-bench-'))
const site = siteWith({ name: 'Benchmark', layout: 'nested' }, planOfBranch(makeBranch(1000)))
for (const file of outputFiles(site, YEAR)) {
  if (!('text' in file)) continue
  mkdirSync(dirname(join(generated, file.path)), { recursive: true })
  writeFileSync(join(generated, file.path), bytesOfText(file))
}

/** As text: what compiles this file would put names of its own into a function. */
const COUNT_FRAMES = `
  globalThis.frames = { last: performance.now(), longest: 0 }
  requestAnimationFrame(function beat() {
    const now = performance.now()
    frames.longest = Math.max(frames.longest, now - frames.last)
    frames.last = now
    requestAnimationFrame(beat)
  })`

const { child, port } = await startServer(process.env['VIATICA_BENCH_DATABASE']!, 0)
const browser = await chromium.launch(config.use!.launchOptions)
for (const [name, folder] of [
  ['the Debian handbook', '/usr/share/doc/debian-handbook/html/en-US'],
  ['1000 generated pages', generated],
] as const) {
  const page = await browser.newPage()
  await page.goto(`http://127.0.0.1:${port}/existing`)
  const choosing = page.waitForEvent('filechooser')
  await page.getByRole('button', { name: 'Choose a folder' }).click()
  const chooser = await choosing
  await page.evaluate(COUNT_FRAMES)
  const start = performance.now()
  await chooser.setFiles(folder)
  // What the browser itself takes to hand over a thousand files is none of ours.
  await page.evaluate('frames.longest = 0')
  await page.getByRole('button', { name: /^Import/ }).waitFor({ timeout: 200_000 })
  const time = performance.now() - start
  const longest = await page.evaluate<number>('frames.longest')
  console.log(
    `${name.padEnd(24)} worked out in ${(time / 1000).toFixed(1)} s; longest between two frames ${longest.toFixed(0)} ms`,
  )
  await page.close()
}
await browser.close()
child.kill('SIGKILL')
rmSync(generated, { recursive: true })
