import { spawn } from 'node:child_process'
import { text } from 'node:stream/consumers'
import { fileURLToPath } from 'node:url'
import { type Ended, runCommand } from '../command.ts'

const ROOT = fileURLToPath(new URL('../..', import.meta.url))

/** What a command line is given beside its arguments. */
export interface Given {
  /** The author's, that paths are named from. */
  readonly folder: string
  /** Secrets, as they stand in its environment. */
  readonly env?: Readonly<Record<string, string>>
}

/** Does what a command line says, here. */
export async function viatica({ folder, env = {} }: Given, ...args: string[]): Promise<Ended> {
  Object.assign(process.env, env)
  try {
    return await runCommand(args, folder)
  } finally {
    for (const name of Object.keys(env)) Reflect.deleteProperty(process.env, name)
  }
}

/** Starts the command line that was built, as npm does, in a process of its own. */
export const startViatica = ({ folder, env = {} }: Given, ...args: string[]) =>
  spawn('node', ['cli/dist/main.mjs', ...args], {
    cwd: ROOT,
    env: { ...process.env, NODE_OPTIONS: '', INIT_CWD: folder, ...env },
    stdio: ['ignore', 'pipe', 'pipe'],
  })

/** Runs the command line that was built, as npm does, in a process of its own. */
export async function viaticaAlone(given: Given, ...args: string[]) {
  const child = startViatica(given, ...args)
  const ended = new Promise<number | null>((resolve) => child.once('exit', resolve))
  const [stdout, stderr, status] = await Promise.all([text(child.stdout), text(child.stderr), ended])
  return { status, stdout, stderr }
}
