// Makes the pictures in docs/screenshots from the demo site, in a database that is removed afterwards.
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { ensureBuilt } from './setup/build.mjs'
import { startCluster } from './setup/cluster.mjs'
import { ensureDebianPackages } from './setup/debian.mjs'
import { ensurePackages } from './setup/packages.mjs'
import { startHost } from './setup/host.mjs'
import { main, show } from './setup/run.mjs'
import { startServer } from './setup/server.mjs'

await main(async () => {
  ensurePackages()
  ensureDebianPackages('postgresql', 'chromium-headless-shell')
  ensureBuilt()
  const cluster = await startCluster(`pictures-${process.pid}`, { fsync: 'off' })
  const folder = mkdtempSync(join(tmpdir(), 'pictures-'))
  const host = await startHost(folder)
  const server = await startServer({
    ...{ DATABASE_URL: cluster.url, PORT: '0', LOG_LEVEL: 'error' },
    ...{ VIATICA_STAND_IN: JSON.stringify(host.access), VIATICA_SECRET: 'of the pictures alone' },
  })
  try {
    const pictures = ['--import', 'tsx', 'e2e/takePictures.ts', server.url, 'docs/screenshots']
    if (!(await show('node', pictures))) process.exitCode = 1
  } finally {
    await server.stop()
    await host.stop()
    rmSync(folder, { recursive: true, force: true })
    cluster.remove()
  }
})
