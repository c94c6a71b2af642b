import { readFileSync } from 'node:fs'
import { show } from '../setup/run.mjs'
import { coverageIn } from './coverage.mjs'

/**
 * For Jest and the threads in which it tests: modules are ES modules everywhere. Property tests create much short-lived
 * data: with room for it, collecting it takes a fraction of the time.
 */
const JEST_OPTIONS = '--experimental-vm-modules --no-warnings=ExperimentalWarning --max-semi-space-size=64'

/** The names of the projects in jest.config.mjs. */
export const IN_THREADS = 'in threads'
export const WITH_STAND_INS = 'with stand-ins'

function read(path) {
  try {
    return JSON.parse(readFileSync(path, 'utf8'))
  } catch {
    return undefined
  }
}

/**
 * Runs one project of Jest.
 * @param run what all runners share: `tally`, `env`, the `folder` for reports, and the `signal` that stops them
 * @param options further arguments of Jest; `files` limits the run to these test files; `isMeasured` has V8 write down what
 *   runs, see `checkCoverage`
 */
export async function runJest(
  project,
  { tally, env, folder, signal },
  { files, options = [], isMeasured = false } = {},
) {
  const out = `${folder}/jest ${project}.json`
  const chosen = files ? ['--runTestsByPath', ...files] : []
  const endedWell = await show(
    'node',
    [
      ...['node_modules/jest/bin/jest.js', '--selectProjects', project, ...options],
      ...['--json', `--outputFile=${out}`, '--silent=false', ...chosen],
    ],
    {
      env: {
        ...{ ...env, NODE_OPTIONS: JEST_OPTIONS },
        ...(isMeasured ? { NODE_V8_COVERAGE: coverageIn(folder) } : {}),
      },
      stdio: ['ignore', 'ignore', 'inherit'],
      signal,
    },
  )
  const report = read(out)
  for (const { assertionResults, message } of report?.testResults ?? []) {
    const failed = assertionResults.filter(({ status }) => status === 'failed')
    for (const { fullName, failureMessages } of failed) tally.remember(fullName, failureMessages[0])
    if (assertionResults.length === 0) tally.remember('a test file that did not run', message)
  }
  const [passed, failed] = [report?.numPassedTests ?? 0, report?.numFailedTests ?? 0]
  tally.add(`unit and server tests, ${project}`, endedWell, passed, failed)
}

const specsOf = (suites) => suites.flatMap(({ specs, suites = [] }) => [...specs, ...specsOf(suites)])

/** Runs the browser tests, all of them or those of some files. The parameters are those of `runJest`. */
export async function runPlaywright({ tally, env, folder, signal }, { files = [] } = {}) {
  const out = `${folder}/playwright.json`
  const endedWell = await show(
    'node_modules/.bin/playwright',
    ['test', '-c', 'e2e/playwright.config.ts', '--reporter=list,json', ...files],
    // Each repeated attempt would be coloured for a report that nobody sees.
    { env: { ...env, PLAYWRIGHT_JSON_OUTPUT_NAME: out, FORCE_COLOR: '0' }, signal },
  )
  const report = read(out)
  for (const { title, tests } of specsOf(report?.suites ?? []))
    for (const { status, results } of tests)
      if (status === 'unexpected') tally.remember(title, results.at(-1)?.error?.message)
  const stats = report?.stats
  tally.add('browser tests', endedWell, stats?.expected ?? 0, (stats?.unexpected ?? 0) + (stats?.flaky ?? 0))
}
