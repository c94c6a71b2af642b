// Sets everything up and runs all checks and tests. Needs Node and, on Debian, nothing else.
import { mkdirSync, readFileSync, rmSync } from 'node:fs'
import { availableParallelism } from 'node:os'
import { stripVTControlCharacters } from 'node:util'
import { startCluster } from './setup/cluster.mjs'
import { ensureDebianPackages } from './setup/debian.mjs'
import { ensurePackages } from './setup/packages.mjs'
import { LOCAL } from './setup/paths.mjs'
import { main, show } from './setup/run.mjs'

const bin = (name) => `node_modules/.bin/${name}`

/** The native compiler, for all that is not a screen: vue-tsc and the linter need the one before it. */
const TSC = 'node_modules/typescript-native/bin/tsc'

/** Checks that pass or fail as a whole: name, command, arguments; those that take longest first. */
const CHECKS = [
  ['build', 'node', ['scripts/build.mjs']],
  ['types of web', bin('vue-tsc'), ['-p', 'web']],
  ['lint', bin('eslint'), ['.']],
  ['format', bin('oxfmt'), ['--check', '.']],
  ['types of tests', 'node', [TSC, '-p', 'tsconfig.tests.json']],
  ['types of server, hosts, cli and demo', 'node', [TSC, '-p', 'tsconfig.node.json']],
  ['types of core', 'node', [TSC, '-p', 'core']],
]

/** Asked to stop: the command that is running ends, and nothing further is started. */
const asked = new AbortController()

const count = { passed: 0, failed: 0 }

/** What failed, to be said once more at the end: the whole output is long, and often only its end is at hand. */
const failures = []

/** Remembers a failed test by its name and the first lines of what it said. */
function failed(name, message = '') {
  const lines = stripVTControlCharacters(message)
    .split('\n')
    .filter((line) => line.trim() !== '')
    .slice(0, 8)
    .map((line) => `    ${line.slice(0, 240)}`)
  failures.push([name, ...lines].join('\n'))
}

/** Adds what a test runner counted; one that ended badly and counted no failure failed as a whole. */
function add(name, endedWell, passed, failed) {
  count.passed += passed
  count.failed += failed > 0 || endedWell ? failed : 1
  console.log(`${endedWell ? 'passed' : 'FAILED'}: ${name}`)
}

const read = (path) => {
  try {
    return JSON.parse(readFileSync(path, 'utf8'))
  } catch {
    return undefined
  }
}

/** Does the checks, as many at once as there are processors. */
async function runChecks() {
  const waiting = [...CHECKS]
  const next = async () => {
    for (let check = waiting.shift(); check && !asked.signal.aborted; check = waiting.shift()) {
      const [name, command, args] = check
      const endedWell = await show(command, args, { signal: asked.signal })
      add(name, endedWell, endedWell ? 1 : 0, endedWell ? 0 : 1)
    }
  }
  await Promise.all(Array.from({ length: availableParallelism() }, next))
}

/**
 * For Jest and the processes in which it tests: modules are ES modules everywhere. Tests of properties make much that does
 * not last: with room for it, collecting it takes a fraction.
 */
const JEST_OPTIONS = '--experimental-vm-modules --no-warnings=ExperimentalWarning --max-semi-space-size=64'

/** @param project as it is called in jest.config.mjs */
async function runJest(project, env, folder, ...options) {
  const out = `${folder}/jest ${project}.json`
  const endedWell = await show(
    'node',
    [
      ...['node_modules/jest/bin/jest.js', '--selectProjects', project, ...options],
      ...['--json', `--outputFile=${out}`, '--silent=false'],
    ],
    {
      env: { ...env, NODE_OPTIONS: JEST_OPTIONS },
      stdio: ['ignore', 'ignore', 'inherit'],
      signal: asked.signal,
    },
  )
  const report = read(out)
  for (const { assertionResults, message } of report?.testResults ?? []) {
    const inFile = assertionResults.filter(({ status }) => status === 'failed')
    for (const { fullName, failureMessages } of inFile) failed(fullName, failureMessages[0])
    if (assertionResults.length === 0) failed('a test file that did not run', message)
  }
  add(
    `unit and server tests, ${project}`,
    endedWell,
    report?.numPassedTests ?? 0,
    report?.numFailedTests ?? 0,
  )
}

const specsOf = (suites) => suites.flatMap(({ specs, suites = [] }) => [...specs, ...specsOf(suites)])

async function runPlaywright(env, folder) {
  const out = `${folder}/playwright.json`
  const endedWell = await show(
    bin('playwright'),
    ['test', '-c', 'e2e/playwright.config.ts', '--reporter=list,json'],
    // Each look that has to be repeated would be drawn in colours for a report that nobody sees.
    { env: { ...env, PLAYWRIGHT_JSON_OUTPUT_NAME: out, FORCE_COLOR: '0' }, signal: asked.signal },
  )
  const report = read(out)
  for (const { title, tests } of specsOf(report?.suites ?? []))
    for (const { status, results } of tests)
      if (status === 'unexpected') failed(title, results.at(-1)?.error?.message)
  const stats = report?.stats
  add('browser tests', endedWell, stats?.expected ?? 0, (stats?.unexpected ?? 0) + (stats?.flaky ?? 0))
}

await main(async () => {
  ensurePackages()
  ensureDebianPackages(
    ...['postgresql', 'chromium-headless-shell', 'debian-handbook', 'default-jre-headless'],
    ...[
      'php-cli',
      'apache2-bin',
      'nginx-light',
      'openssh-server',
      'vsftpd',
      'openssl',
      'libfftw3-doc',
      'python-kombu-doc',
    ],
  )

  // A cluster for this run alone: tests can run beside the application, and beside each other.
  const name = `test-${process.pid}`
  const folder = `${LOCAL}/${name}-results`
  mkdirSync(folder, { recursive: true })
  const cluster = process.env.DATABASE_URL
    ? undefined
    : await startCluster(name, { fsync: 'off', max_connections: 200 })
  const env = { ...process.env, VIATICA_TEST_DATABASE: process.env.DATABASE_URL ?? cluster.url }
  delete env.DATABASE_URL
  const clean = () => {
    cluster?.remove()
    rmSync(folder, { recursive: true, force: true })
  }
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => asked.abort())
  try {
    const parts = [
      runChecks,
      () => runJest('in threads', env, folder),
      // Beside the browser tests while these begin, which leaves a processor idle.
      () =>
        Promise.all([runJest('with stand-ins', env, folder, '--maxWorkers=1'), runPlaywright(env, folder)]),
    ]
    for (const part of parts) if (!asked.signal.aborted) await part()
  } finally {
    clean()
  }
  for (const failure of failures) console.log(failure)
  if (asked.signal.aborted) console.log('Stopped before the end.')
  console.log(`${count.passed} passed, ${count.failed} failed`)
  process.exit(count.failed > 0 || asked.signal.aborted ? 1 : 0)
})
