// The command line: sets up the packages when they are missing, builds it when it changed, then runs it.
import { spawnSync } from 'node:child_process'
import { ensureBuilt } from './setup/build.mjs'
import { ensurePackages } from './setup/packages.mjs'
import { ROOT } from './setup/paths.mjs'
import { main } from './setup/run.mjs'

await main(async () => {
  ensurePackages()
  ensureBuilt('cli')
  const { status } = spawnSync(
    'node',
    ['--enable-source-maps', 'cli/dist/main.mjs', ...process.argv.slice(2)],
    {
      cwd: ROOT,
      stdio: 'inherit',
    },
  )
  process.exit(status ?? 1)
})
