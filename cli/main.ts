import { BRING_USAGE, bringCommand } from './bring.ts'
import { BUILD_USAGE, build } from './build.ts'
import { Fault } from './fault.ts'
import type { Outcome } from './outcome.ts'
import { PUBLISH_USAGE, publish } from './publish/publish.ts'

const [command, ...args] = process.argv.slice(2)

/** What the command line can do. */
const COMMANDS: Readonly<Record<string, (args: readonly string[], folder: string) => Promise<Outcome>>> = {
  build,
  bring: bringCommand,
  publish,
}

try {
  const run = command !== undefined && Object.hasOwn(COMMANDS, command) ? COMMANDS[command] : undefined
  if (!run) throw new Fault(`Usage: ${[BUILD_USAGE, BRING_USAGE, PUBLISH_USAGE].join(', or ')}`)
  // npm runs scripts in the folder of the project; the paths were typed in the author's.
  const { said, status } = await run(args, process.env['INIT_CWD'] ?? process.cwd())
  console.log(said)
  process.exitCode = status
} catch (error) {
  if (!(error instanceof Fault)) throw error
  console.error(error.message)
  process.exitCode = 2
}
