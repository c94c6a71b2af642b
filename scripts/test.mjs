// Sets everything up and runs all checks and tests, or those that are asked for. Needs Node and, on Debian, only that.
import { mkdirSync, rmSync } from 'node:fs'
import { parseArgs } from 'node:util'
import { ensureBuilt } from './setup/build.mjs'
import { startCluster } from './setup/cluster.mjs'
import { ensureDebianPackages } from './setup/debian.mjs'
import { ensurePackages } from './setup/packages.mjs'
import { LOCAL } from './setup/paths.mjs'
import { main, SetupFault } from './setup/run.mjs'
import { stopSignal } from './setup/stopping.mjs'
import { runChecks } from './testing/checks.mjs'
import { checkCoverage } from './testing/coverage.mjs'
import { changedFiles, projectFiles } from './testing/importGraph.mjs'
import { IN_THREADS, runJest, runPlaywright, WITH_STAND_INS } from './testing/runners.mjs'
import { selectAffected, selectNamed } from './testing/selection.mjs'
import { Tally } from './testing/tally.mjs'

const USAGE = `npm test                    everything
npm test -- PATH …          the tests of these files and folders
npm test -- --changed       what an edit since the last commit can affect
npm test -- --changed PATH … of that, the tests of these files and folders`

/** What the tests use of Debian. */
const DEBIAN = [
  ...['postgresql', 'chromium-headless-shell', 'debian-handbook', 'default-jre-headless', 'php-cli'],
  ...[
    'apache2-bin',
    'nginx-light',
    'openssh-server',
    'vsftpd',
    'openssl',
    'libfftw3-doc',
    'python-kombu-doc',
  ],
]

function readArguments() {
  try {
    const options = { changed: { type: 'boolean' }, help: { type: 'boolean', short: 'h' } }
    return parseArgs({ options, allowPositionals: true })
  } catch (error) {
    throw new SetupFault(`${error.message}\n${USAGE}`)
  }
}

/** Everything, phase after phase: what one phase leaves idle, the next one uses. */
const wholeRun = (run) => [
  () => runChecks(run.tally, run.signal),
  () => runJest(IN_THREADS, run, { isMeasured: true }),
  // Next to the browser tests while these begin, which leaves a processor idle.
  () =>
    Promise.all([
      runJest(WITH_STAND_INS, run, { options: ['--maxWorkers=1'] }),
      runPlaywright(run),
      checkCoverage(run),
    ]),
]

/** The tests that were selected, and for an edit the checks of the changed files. */
const selectedRun = (run, { inThreads, withStandIns, specs, needsBuild }, changed) => [
  () => (needsBuild ? ensureBuilt() : undefined),
  () => (changed ? runChecks(run.tally, run.signal, changed) : undefined),
  () => (inThreads.length > 0 ? runJest(IN_THREADS, run, { files: inThreads }) : undefined),
  () => (withStandIns.length > 0 ? runJest(WITH_STAND_INS, run, { files: withStandIns }) : undefined),
  () => (specs.length > 0 ? runPlaywright(run, { files: specs }) : undefined),
]

await main(async () => {
  ensurePackages()
  ensureDebianPackages(...DEBIAN)
  const { values, positionals } = readArguments()
  if (values.help) return void console.log(USAGE)
  const files = projectFiles()
  const changed = values.changed ? changedFiles() : undefined
  const isWhole = !changed && positionals.length === 0
  const selection = changed
    ? selectAffected(changed, positionals, files)
    : isWhole
      ? undefined
      : selectNamed(positionals, files)
  const needsDatabase = selection?.needsDatabase ?? true

  // Asked to stop, the running command ends and no other one starts.
  const stopped = stopSignal()

  // A cluster for this run only: tests can run next to the application, and next to each other.
  const name = `test-${process.pid}`
  const folder = `${LOCAL}/${name}-results`
  mkdirSync(folder, { recursive: true })
  const cluster =
    process.env.DATABASE_URL || !needsDatabase
      ? undefined
      : await startCluster(name, { fsync: 'off', max_connections: 200 })
  const env = { ...process.env, VIATICA_TEST_DATABASE: process.env.DATABASE_URL ?? cluster?.url }
  delete env.DATABASE_URL
  if (env.VIATICA_TEST_DATABASE === undefined) delete env.VIATICA_TEST_DATABASE

  const tally = new Tally()
  const run = { tally, env, folder, signal: stopped }
  try {
    const phases = isWhole ? wholeRun(run) : selectedRun(run, selection, changed)
    for (const phase of phases) if (!stopped.aborted) await phase()
  } finally {
    cluster?.remove()
    rmSync(folder, { recursive: true, force: true })
  }
  if (stopped.aborted) console.log('Stopped before the end.')
  tally.print()
  process.exit(tally.failed > 0 || stopped.aborted ? 1 : 0)
})
