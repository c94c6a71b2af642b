import { runCommand } from './command.ts'

// npm runs scripts in the folder of the project; the paths were typed in the author's.
const { stdout, stderr, status } = await runCommand(
  process.argv.slice(2),
  process.env['INIT_CWD'] ?? process.cwd(),
)
if (stderr !== '') console.error(stderr)
else console.log(stdout)
process.exitCode = status
