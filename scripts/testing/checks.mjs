import { availableParallelism } from 'node:os'
import { show } from '../setup/run.mjs'

const bin = (name) => `node_modules/.bin/${name}`

/** The native compiler, for everything that is not a screen: vue-tsc and the linter need the earlier one. */
const TSC = 'node_modules/typescript-native/bin/tsc'

const IS_CODE = /\.(?:ts|mts|vue|mjs|js)$/
const inFolders = (...folders) => {
  const pattern = new RegExp(`^(?:${folders.join('|')})/`)
  return (path) => pattern.test(path) && IS_CODE.test(path)
}

/**
 * The checks that pass or fail as a whole, those that take longest first.
 * `concerns` tells whether a changed file can change the result; `args` take the changed files where a check can be
 * limited to them.
 */
const CHECKS = [
  { name: 'build', command: 'node', args: () => ['scripts/build.mjs'], concerns: undefined },
  {
    name: 'types of web',
    command: bin('vue-tsc'),
    args: () => ['-p', 'web'],
    concerns: inFolders('web', 'core'),
  },
  {
    name: 'lint',
    command: bin('eslint'),
    args: (changed) => changed?.filter((path) => IS_CODE.test(path)) ?? ['.'],
    concerns: (path) => IS_CODE.test(path),
  },
  {
    name: 'format',
    command: bin('oxfmt'),
    args: (changed) => ['--check', ...(changed ?? ['.'])],
    concerns: (path) => /\.(?:ts|mts|vue|mjs|js|css|md|json|html)$/.test(path),
  },
  {
    name: 'types of tests',
    command: 'node',
    args: () => [TSC, '-p', 'tsconfig.tests.json'],
    concerns: inFolders('core', 'demo', 'hosts', 'server', 'cli', 'web', 'e2e', 'bench'),
  },
  {
    name: 'types of server, hosts, cli and demo',
    command: 'node',
    args: () => [TSC, '-p', 'tsconfig.node.json'],
    concerns: inFolders('core', 'demo', 'fonts', 'hosts', 'server', 'cli'),
  },
  {
    name: 'types of core',
    command: 'node',
    args: () => [TSC, '-p', 'core'],
    concerns: inFolders('core'),
  },
]

/**
 * Runs the checks, as many in parallel as there are processors.
 * @param changed the changed files that a check is limited to; undefined runs every check over everything
 */
export async function runChecks(tally, signal, changed) {
  const waiting = changed
    ? CHECKS.filter(({ concerns }) => concerns !== undefined && changed.some(concerns))
    : [...CHECKS]
  const next = async () => {
    for (let check = waiting.shift(); check && !signal.aborted; check = waiting.shift()) {
      const { name, command, args } = check
      const endedWell = await show(command, args(changed), { signal })
      tally.add(name, endedWell, endedWell ? 1 : 0, endedWell ? 0 : 1)
    }
  }
  await Promise.all(Array.from({ length: availableParallelism() }, next))
}
