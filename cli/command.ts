import { Fault } from './fault.ts'
import type { Outcome } from './outcome.ts'
import { USAGE } from './usage.ts'

type Command = (args: readonly string[], folder: string) => Promise<Outcome>

/** What the command line can do: each command is read when it is called, since one needs little of what others do. */
const COMMANDS: Readonly<Record<keyof typeof USAGE, () => Promise<Command>>> = {
  build: async () => (await import('./build.ts')).build,
  bring: async () => (await import('./bring.ts')).bringCommand,
  publish: async () => (await import('./publish/publish.ts')).publish,
}
const isCommand = (name: string): name is keyof typeof USAGE => Object.hasOwn(COMMANDS, name)

/** What a command line ends with: what it prints where, without the last line end, and its exit status. */
export interface Ended {
  readonly stdout: string
  readonly stderr: string
  /** 2 for bad input: then nothing was written. */
  readonly status: Outcome['status'] | 2
}

/**
 * Does what a command line says.
 * @param folder the author's, that paths are named from
 */
export async function runCommand([command, ...args]: readonly string[], folder: string): Promise<Ended> {
  try {
    if (command === undefined || !isCommand(command))
      throw new Fault(`Usage: ${Object.values(USAGE).join(', or ')}`)
    const run = await COMMANDS[command]()
    const { said, status } = await run(args, folder)
    return { stdout: said, stderr: '', status }
  } catch (error) {
    if (!(error instanceof Fault)) throw error
    return { stdout: '', stderr: error.message, status: 2 }
  }
}
