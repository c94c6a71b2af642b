// The command line: sets up the packages when they are missing, then runs cli/main.ts.
import { spawnSync } from 'node:child_process'
import { ensurePackages } from './setup/packages.mjs'
import { ROOT } from './setup/paths.mjs'
import { main } from './setup/run.mjs'

await main(async () => {
  ensurePackages()
  const { status } = spawnSync('node', ['--import', 'tsx', 'cli/main.ts', ...process.argv.slice(2)], {
    cwd: ROOT,
    stdio: 'inherit',
  })
  process.exit(status ?? 1)
})
