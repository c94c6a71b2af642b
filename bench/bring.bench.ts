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

const ms = (time: number) => `${time.toFixed(0)} ms`

for (const [name, files] of [
  ['the Debian handbook', handbook()],
  ['500 generated pages', generated(500)],
  ['1000 generated pages', generated(1000)],
] as const) {
  const pages = files
    .filter(({ path }) => path.endsWith('.html'))
    .map(({ bytes }) => new TextDecoder().decode(bytes))
  const parsing = [1, 2, 3].map(() => timed(() => pages.forEach((page) => parse(page))))
  globalThis.gc?.()
  const before = process.memoryUsage().heapUsed
  const bringing: number[] = []
  let kept: unknown
  for (let run = 0; run < 3; run++) bringing.push(timed(() => (kept = bring(files))))
  globalThis.gc?.()
  const memory = (process.memoryUsage().heapUsed - before) / 1e6
  const row = ([first, ...more]: readonly number[]) => [first!, Math.min(...more)] as const
  const [[parseFirst, parseThen], [bringFirst, bringThen]] = [row(parsing), row(bringing)]
  console.log(
    `${name.padEnd(24)} first: parse5 ${ms(parseFirst)}, bring ${ms(bringFirst)}, ${(bringFirst / parseFirst).toFixed(1)} ×; ` +
      `then: parse5 ${ms(parseThen)}, bring ${ms(bringThen)}, ${(bringThen / parseThen).toFixed(1)} ×; ` +
      `${kept ? memory.toFixed(0) : 0} MB kept`,
  )
}
