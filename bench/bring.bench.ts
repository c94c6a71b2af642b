import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { bring } from '@viatica/core/existing/bring.ts'
import { outputFiles } from '@viatica/core/formats/archive.ts'
import { bytesOfText } from '@viatica/core/formats/textBytes.ts'
import { planOfBranch } from '@viatica/core/plan/branch.ts'
import { siteWith } from '@viatica/core/plan/site.ts'
import { parse } from 'parse5'
import { makeBranch } from './makeBranch.ts'

/**
 * Brings existing pages in beside parsing them once with parse5: the Debian handbook, and generated sites of two sizes,
 * which should take time in proportion.
 */

const HANDBOOK = '/usr/share/doc/debian-handbook/html/en-US'
/** Of the build: any will do here. */
const YEAR = 2026

type Files = readonly { readonly path: string; readonly bytes: Uint8Array }[]

function handbook(): Files {
  return readdirSync(HANDBOOK, { recursive: true, encoding: 'utf8', withFileTypes: true })
    .filter((entry) => entry.isFile())
    .map((entry) => join(entry.parentPath, entry.name))
    .map((path) => ({ path: path.slice(HANDBOOK.length + 1), bytes: new Uint8Array(readFileSync(path)) }))
}

function generated(pages: number): Files {
  const site = siteWith({ name: 'Benchmark', layout: 'nested' }, planOfBranch(makeBranch(pages)))
  return [...outputFiles(site, YEAR)].flatMap((file) =>
    'text' in file ? [{ path: file.path, bytes: bytesOfText(file) }] : [],
  )
}

function timed(work: () => void): number {
  const start = performance.now()
  work()
  return performance.now() - start
}

for (const [name, files] of [
  ['the Debian handbook', handbook()],
  ['500 generated pages', generated(500)],
  ['1000 generated pages', generated(1000)],
] as const) {
  const pages = files
    .filter(({ path }) => path.endsWith('.html'))
    .map(({ bytes }) => new TextDecoder().decode(bytes))
  timed(() => pages.forEach((page) => parse(page)))
  const parsing = timed(() => pages.forEach((page) => parse(page)))
  globalThis.gc?.()
  const before = process.memoryUsage().heapUsed
  const bringing = timed(() => bring(files))
  const memory = (process.memoryUsage().heapUsed - before) / 1e6
  console.log(
    `${name.padEnd(24)} parse5 ${parsing.toFixed(0).padStart(6)} ms   bring ${bringing.toFixed(0).padStart(6)} ms  ` +
      `${(bringing / parsing).toFixed(1)} ×   ${memory.toFixed(0)} MB more on the heap`,
  )
}
