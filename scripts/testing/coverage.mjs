import { readdirSync, readFileSync, rmSync } from 'node:fs'
import { ROOT } from '../setup/paths.mjs'
import { show } from '../setup/run.mjs'
import { projectFiles } from './importGraph.mjs'

/** The least that tests run of core, in percent. */
const LEAST = { statements: 95, branches: 95 }

/** Whether a file holds the computation that is measured. */
const isMeasured = (path) => /^core\/(?!testing\/).*(?<!\.test|\.d)\.ts$/.test(path)

/** Whether a TypeScript file is more than types: those are gone before it runs. */
async function hasCode(path) {
  // The script that imports this one installs the packages first.
  const { transform } = await import('@swc/core')
  const jsc = {
    target: 'es2023',
    parser: { syntax: 'typescript' },
    minify: { compress: false, mangle: false },
  }
  const { code } = await transform(readFileSync(`${ROOT}/${path}`, 'utf8'), {
    jsc,
    minify: true,
  })
  return !/^(?:export *\{ *\};?)?\s*$/.test(code)
}

/** Where V8 writes which parts of which file ran. https://nodejs.org/docs/latest-v20.x/api/cli.html#node_v8_coveragedir */
export const coverageIn = (folder) => `${folder}/coverage`

/** What every thread loads in which tests run (jest.config.mjs). */
const IN_TESTS = 'core/testing/typescript.mjs'

/**
 * Deletes what other threads and processes wrote: they load the same files through another compiler, and what ran where in
 * its output says nothing about ours.
 */
function keepOfTests(folder) {
  for (const name of readdirSync(folder)) {
    const path = `${folder}/${name}`
    if (!readFileSync(path).includes(IN_TESTS)) rmSync(path)
  }
}

/** Reports how much of core the tests ran, and fails below the least, or where a file was not run at all. */
export async function checkCoverage({ tally, folder, signal }) {
  const reports = `${folder}/coverage-report`
  keepOfTests(coverageIn(folder))
  const limits = Object.entries(LEAST).map(([what, percent]) => `--${what}=${percent}`)
  const endedWell = await show(
    'node_modules/.bin/c8',
    [
      ...['report', '--temp-directory', coverageIn(folder), '--reports-dir', reports],
      ...['--reporter', 'text-summary', '--reporter', 'json-summary'],
      ...['--include', 'core/**/*.ts', '--exclude', '**/*.test.ts', '--exclude', 'core/testing/**'],
      ...['--check-coverage', '--lines=0', '--functions=0', ...limits],
    ],
    { signal },
  )
  if (signal.aborted) return
  const report = JSON.parse(readFileSync(`${reports}/coverage-summary.json`, 'utf8'))
  const isRun = (path) => (report[`${ROOT}/${path}`]?.statements.pct ?? 0) > 0
  const missing = [...projectFiles()].filter((path) => isMeasured(path) && !isRun(path))
  let notRun = 0
  for (const path of missing) {
    if (!(await hasCode(path))) continue
    tally.remember(`no test runs ${path}`)
    notRun++
  }
  tally.add('coverage of core', endedWell && notRun === 0, endedWell && notRun === 0 ? 1 : 0, notRun)
}
