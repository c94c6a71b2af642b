import { BRING_USAGE, bringCommand } from './bring.ts'
import { BUILD_USAGE, build } from './build.ts'
import { Fault } from './fault.ts'

const [command, ...args] = process.argv.slice(2)

/** What the command line can do; each gives what is to be printed. */
const COMMANDS: Readonly<Record<string, (args: readonly string[], folder: string) => Promise<string>>> = {
  build,
  bring: bringCommand,
}

try {
  const run = command !== undefined && Object.hasOwn(COMMANDS, command) ? COMMANDS[command] : undefined
  if (!run) throw new Fault(`Usage: ${BUILD_USAGE}, or ${BRING_USAGE}`)
  // npm runs scripts in the folder of the project; the paths were typed in the author's.
  console.log(await run(args, process.env['INIT_CWD'] ?? process.cwd()))
} catch (error) {
  if (!(error instanceof Fault)) throw error
  console.error(error.message)
  process.exitCode = 2
}
