import { Fault } from './fault.ts'
import type { Outcome } from './outcome.ts'
import { USAGE } from './usage.ts'

type Command = (args: readonly string[], folder: string) => Promise<Outcome>

const [command, ...args] = process.argv.slice(2)

/** What the command line can do: each command is read when it is called, since one needs little of what others do. */
const COMMANDS: Readonly<Record<keyof typeof USAGE, () => Promise<Command>>> = {
  build: async () => (await import('./build.ts')).build,
  bring: async () => (await import('./bring.ts')).bringCommand,
  publish: async () => (await import('./publish/publish.ts')).publish,
}
const isCommand = (name: string): name is keyof typeof USAGE => Object.hasOwn(COMMANDS, name)

try {
  if (command === undefined || !isCommand(command))
    throw new Fault(`Usage: ${Object.values(USAGE).join(', or ')}`)
  const run = await COMMANDS[command]()
  // npm runs scripts in the folder of the project; the paths were typed in the author's.
  const { said, status } = await run(args, process.env['INIT_CWD'] ?? process.cwd())
  console.log(said)
  process.exitCode = status
} catch (error) {
  if (!(error instanceof Fault)) throw error
  console.error(error.message)
  process.exitCode = 2
}
