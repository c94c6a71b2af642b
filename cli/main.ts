import { BUILD_USAGE, build } from './build.ts'
import { Fault } from './fault.ts'

const [command, ...args] = process.argv.slice(2)

try {
  if (command !== 'build') throw new Fault(`Usage: ${BUILD_USAGE}`)
  // npm runs scripts in the folder of the project; the paths were typed in the author's.
  console.log(build(args, process.env['INIT_CWD'] ?? process.cwd()))
} catch (error) {
  if (!(error instanceof Fault)) throw error
  console.error(error.message)
  process.exitCode = 2
}
