// Sets up the packages, then runs the benchmarks of bench/ one after the other.
import { readdirSync } from 'node:fs'
import { ensurePackages } from './setup/packages.mjs'
import { ROOT } from './setup/paths.mjs'
import { main, show } from './setup/run.mjs'

await main(async () => {
  ensurePackages()
  for (const name of readdirSync(`${ROOT}/bench`).filter((file) => file.endsWith('.bench.ts'))) {
    if (!(await show('node', ['--expose-gc', '--import', 'tsx', `bench/${name}`]))) process.exit(1)
  }
})
