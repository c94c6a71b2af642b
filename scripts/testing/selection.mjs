import { SetupFault } from '../setup/run.mjs'
import { importersOf, namesBuilt, readFile, reachedFrom } from './importGraph.mjs'
import { IN_THREADS, WITH_STAND_INS } from './runners.mjs'

/** What the browser tests drive is built from these folders. */
const APPLICATION = ['core', 'demo', 'fonts', 'hosts', 'server', 'web']
const IS_TEST = /\.test\.(?:ts|mjs)$/
const IS_SPEC = /\.spec\.ts$/
const IS_DOCUMENT = /^(?:docs\/.*|[^/]*\.md|LICENSE)$/
/** Tests and their helpers, of which some start a program that was built. */
const STARTS_PROGRAMS = /\.test\.ts$|\/testing\/.*\.ts$/
/** Makes a database of its own on the test cluster. */
const DATABASE = 'server/testing/database.ts'
/** Files with such names are sources of tests or of the application; other files are read by paths that no import shows. */
const IS_SOURCE = /\.(?:ts|vue|mjs|js|css)$/

/** Which runner a test file belongs to. */
function runnerOf(path) {
  if (IS_SPEC.test(path)) return 'browser'
  return /^web\/(?:stores|api)\//.test(path) ? WITH_STAND_INS : IN_THREADS
}

/** @param importers those of `importersOf` */
function grouped(tests, importers, files, read = readFile) {
  const usesDatabase = reachedFrom([DATABASE], importers)
  const of = (runner) => tests.filter((path) => runnerOf(path) === runner).sort()
  const specs = of('browser')
  const starters = [...files].filter((path) => STARTS_PROGRAMS.test(path) && namesBuilt(read(path)))
  const startsPrograms = reachedFrom(starters, importers)
  return {
    inThreads: of(IN_THREADS),
    withStandIns: of(WITH_STAND_INS),
    specs,
    needsBuild: specs.length > 0 || tests.some((path) => startsPrograms.has(path)),
    needsDatabase: specs.length > 0 || tests.some((path) => usesDatabase.has(path)),
  }
}

/** Whether a path is one that was named, or inside a folder that was named. */
const isUnder = (path, named) =>
  named.some((name) => path === name || path.startsWith(`${name}/`) || name === '.')

/**
 * Selects the test files that were named: files, or folders for everything in them.
 * @param read returns the text of a file; the one on disk unless a test says otherwise
 * @throws SetupFault for a name without any test
 */
export function selectNamed(names, files, read) {
  const wanted = names.map((name) => name.replace(/^\.\//, '').replace(/\/$/, ''))
  const tests = [...files].filter((path) => IS_TEST.test(path) || IS_SPEC.test(path))
  for (const name of wanted)
    if (!tests.some((path) => isUnder(path, [name])))
      throw new SetupFault(`No test file at ${name}. Name a test file, or a folder with tests in it.`)
  return grouped(
    tests.filter((path) => isUnder(path, wanted)),
    importersOf(files, read),
    files,
    read,
  )
}

/**
 * Selects the test files that some changed files can affect. A browser test can be affected by everything that the
 * application is built from; a changed file that no source names (a picture, a lock file) can affect every test of its
 * folder; a file at the top of the project, such as a configuration, every test.
 * @param names limits the selection to these files and folders; none selects everywhere
 */
export function selectAffected(changed, names, files, read) {
  const known = new Set([...files, ...changed])
  const importers = importersOf(known, read)
  const reached = reachedFrom(changed, importers)
  const touchesApplication = [...reached].some(
    (path) => isUnder(path, APPLICATION) && !IS_TEST.test(path) && !path.includes('/testing/'),
  )
  const hidden = changed.filter(
    (path) =>
      !IS_DOCUMENT.test(path) && (!path.includes('/') || (!IS_SOURCE.test(path) && !importers.has(path))),
  )
  const isHiddenAbove = (test) =>
    hidden.some((path) => test.startsWith(path.replace(/\/.*/, '/')) || !path.includes('/'))
  const tests = [...files].filter((path) => {
    if (names.length > 0 && !isUnder(path, names)) return false
    if (IS_SPEC.test(path)) return reached.has(path) || touchesApplication || isHiddenAbove(path)
    return IS_TEST.test(path) && (reached.has(path) || isHiddenAbove(path))
  })
  return grouped(tests, importers, files, read)
}
