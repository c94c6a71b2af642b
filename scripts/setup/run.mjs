import { spawn, spawnSync } from 'node:child_process'
import { ROOT } from './paths.mjs'

/** Something that the person at the terminal can put right. Its message is printed alone, without a trace. */
export class SetupFault extends Error {}

/** Runs a command to its end and gives back what it printed. @throws SetupFault with its last words */
export function run(command, args, options = {}) {
  const result = spawnSync(command, args, { cwd: ROOT, encoding: 'utf8', maxBuffer: 1 << 26, ...options })
  if (result.status === 0) return result.stdout
  const said = `${result.stdout ?? ''}\n${result.stderr ?? ''}`.trim().split('\n').slice(-15).join('\n')
  throw new SetupFault(`${command} ${args.join(' ')} failed:\n${result.error?.message ?? said}`)
}

/**
 * Runs a command whose output goes to the terminal.
 * @param options those of `spawn`; its `signal` ends the command
 * @returns whether it ended well
 */
export async function show(command, args, options = {}) {
  const child = spawn(command, args, { cwd: ROOT, stdio: 'inherit', ...options })
  return new Promise((resolve, reject) => {
    child.on('error', (error) => {
      if (error.name !== 'AbortError') reject(error)
    })
    child.on('exit', (code) => resolve(code === 0))
  })
}

/**
 * V8 lets the heap of a server double before it looks for what is free, which takes a large site over 1 GB while it is
 * published; like this, the heap grows by a third.
 */
const KEEPS_TO_MEMORY = '--heap-growing-percent=30'

/**
 * How a program of the project is started as a process of its own: as it was built, or from its sources.
 * @param built its file in server/dist
 * @param source its TypeScript file
 * @returns the path and the options for `fork`
 */
export function programOf(built, source, fromSources) {
  return fromSources
    ? { path: `${ROOT}/${source}`, execArgv: ['--import', `${ROOT}/core/testing/typescript.mjs`] }
    : { path: `${ROOT}/server/dist/${built}`, execArgv: ['--enable-source-maps', KEEPS_TO_MEMORY] }
}

/** Runs the main part of a script: faults of the set-up are said in plain words. */
export async function main(part) {
  try {
    await part()
  } catch (error) {
    if (!(error instanceof SetupFault)) throw error
    console.error(error.message)
    process.exit(1)
  }
}
