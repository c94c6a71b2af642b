// Sets everything up, then runs the benchmarks of bench/ one after the other: all of them, or those named.
import { readdirSync } from 'node:fs'
import { ensureBuilt } from './setup/build.mjs'
import { startCluster } from './setup/cluster.mjs'
import { ensureDebianPackages } from './setup/debian.mjs'
import { ensurePackages } from './setup/packages.mjs'
import { ROOT } from './setup/paths.mjs'
import { main, show } from './setup/run.mjs'

await main(async () => {
  ensurePackages()
  ensureDebianPackages('postgresql', 'chromium-headless-shell', 'debian-handbook')
  ensureBuilt()
  const wanted = process.argv.slice(2)
  const names = readdirSync(`${ROOT}/bench`).filter((file) => file.endsWith('.bench.ts'))
  const cluster = await startCluster(`bench-${process.pid}`, { fsync: 'off' })
  const env = { ...process.env, VIATICA_BENCH_DATABASE: cluster.url }
  try {
    for (const name of names) {
      if (wanted.length > 0 && !wanted.some((word) => name.startsWith(word))) continue
      if (!(await show('node', ['--expose-gc', '--import', 'tsx', `bench/${name}`], { env })))
        process.exitCode = 1
    }
  } finally {
    cluster.remove()
  }
})
