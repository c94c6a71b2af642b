// Sets everything up and starts Viatica with its demo site. Needs Node and, on Debian, nothing else.
import { ensureBuilt } from './setup/build.mjs'
import { startCluster } from './setup/cluster.mjs'
import { ensurePackages } from './setup/packages.mjs'
import { freePort } from './setup/ports.mjs'
import { main } from './setup/run.mjs'
import { startServer } from './setup/server.mjs'

const USUAL_PORT = 4310

await main(async () => {
  ensurePackages()
  ensureBuilt()
  const cluster = process.env.DATABASE_URL ? undefined : await startCluster('database')

  let stopping = false
  const asked = new Promise((resolve) => {
    for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) {
      process.on(signal, () => {
        stopping = true
        resolve()
      })
    }
  })

  let status = 0
  try {
    const server = await startServer({
      DATABASE_URL: process.env.DATABASE_URL ?? cluster.url,
      PORT: process.env.PORT ?? String(await freePort(USUAL_PORT)),
      LOG_LEVEL: process.env.LOG_LEVEL ?? 'warn',
    })
    console.log(`Viatica is ready at ${server.url} (Ctrl+C stops it)`)
    await Promise.race([asked, server.exited])
    if (stopping) await server.stop()
    else status = await server.exited
  } catch (error) {
    // Stopped while it was starting.
    if (!stopping) throw error
  } finally {
    if (cluster?.startedHere) cluster.stop()
  }
  process.exit(status)
})
