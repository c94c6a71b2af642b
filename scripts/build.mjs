// Builds what is run, unless it was built from just these sources.
import { ensureBuilt } from './setup/build.mjs'
import { ensurePackages } from './setup/packages.mjs'
import { main } from './setup/run.mjs'

await main(() => {
  ensurePackages()
  ensureBuilt()
})
