import { execFile } from 'node:child_process'
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { tmpdir } from 'node:os'
import { dirname, join } from 'node:path'
import { promisify } from 'node:util'
import { outputFiles } from '@viatica/core/formats/archive.ts'
import { LAYOUTS, type Site } from '@viatica/core/plan/site.ts'
import { loadDemo } from './load.ts'

const { resolve } = createRequire(import.meta.url)
/** The Nu HTML checker, which the W3C's own service runs. */
const CHECKER = join(dirname(resolve('vnu-jar/package.json')), 'build/dist/vnu.jar')

interface Message {
  readonly type: string
  readonly url: string
  readonly lastLine?: number
  readonly message: string
}

/** What the checker finds in the pages and style sheets of a folder, a line each. */
async function findings(folder: string): Promise<string[]> {
  // It runs too short for its code to be worth compiling at its best.
  const java = ['-Xss16m', '-XX:TieredStopAtLevel=1', '-XX:+UseSerialGC', '-jar', CHECKER]
  const args = [...java, '--format', 'json', '--also-check-css', '--skip-non-html', folder]
  // It writes what it finds to standard error, and ends with status 1 when there is anything.
  const ran = promisify(execFile)('java', args, { maxBuffer: 20_000_000 })
  const { stderr } = await ran.catch((error: { stderr: string }) => error)
  const { messages } = JSON.parse(stderr) as { messages: Message[] }
  return messages.map(
    ({ type, url, lastLine, message }) =>
      `${url.slice(url.indexOf('checked-'))}:${lastLine}: ${type}: ${message}`,
  )
}

/** Writes the pages and style sheets of a site into a folder. */
function write(folder: string, site: Site, spoil: (html: string) => string = (html) => html): void {
  for (const file of outputFiles(site, 2026)) {
    if (!('text' in file) || !/\.(html|css)$/.test(file.path)) continue
    const path = join(folder, file.path)
    mkdirSync(dirname(path), { recursive: true })
    writeFileSync(path, spoil(file.text()))
  }
}

test('the Nu HTML checker finds nothing in the demo in any layout, and finds what is spoiled by hand', async () => {
  const { site } = loadDemo()
  const folder = mkdtempSync(join(tmpdir(), 'checked-'))
  try {
    for (const layout of LAYOUTS)
      write(join(folder, layout), { ...site, settings: { ...site.settings, layout } })
    const spoil = (html: string) => html.replace('<main id="main">', '<main id="main"><p><div></p>')
    write(join(folder, 'spoiled'), site, spoil)
    // One start of the checker for all: it is slow to warm up.
    const found = await findings(folder)
    const isPlanted = (line: string) => line.includes('/spoiled/')
    expect(found.filter((line) => !isPlanted(line))).toEqual([])
    expect(found.filter(isPlanted).length).toBeGreaterThan(30)
  } finally {
    rmSync(folder, { recursive: true })
  }
}, 240_000)
