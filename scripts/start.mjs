// Sets everything up and starts Viatica with its demo site. Needs Node and, on Debian, nothing else.
import { ensureBuilt } from './setup/build.mjs'
import { startCluster } from './setup/cluster.mjs'
import { ensurePackages } from './setup/packages.mjs'
import { freePort } from './setup/ports.mjs'
import { accessKey } from './setup/access.mjs'
import { startHost, USUAL_HOST_PORTS } from './setup/host.mjs'
import { LOCAL } from './setup/paths.mjs'
import { hostSecret } from './setup/secret.mjs'
import { main } from './setup/run.mjs'
import { startServer } from './setup/server.mjs'
import { stopSignal, untilStopped } from './setup/stopping.mjs'

const USUAL_PORT = 4310
/** How often it is looked whether the database still runs. */
const WATCH_MS = 5000

/** Starts a database again that has ended by itself, or says what to do. Edits wait in the browser meanwhile. */
async function revive(cluster) {
  try {
    if (await cluster.revive()) console.error('The database had ended; it was started again.')
  } catch (error) {
    console.error(`The database has ended and does not start again. Is the disk full?\n${error.message}`)
  }
}

await main(async () => {
  ensurePackages()
  ensureBuilt()
  const cluster = process.env.DATABASE_URL ? undefined : await startCluster('database')

  const stop = stopSignal()
  const access = accessKey(process.env)
  let status = 0
  let host
  try {
    // What is not reached from elsewhere tries publishing out on a host of its own.
    if (!access.key && !process.env.VIATICA_STAND_IN) {
      host = await startHost(`${LOCAL}/stand-in`, {
        sftp: await freePort(USUAL_HOST_PORTS.sftp),
        ftp: await freePort(USUAL_HOST_PORTS.ftp),
        web: await freePort(USUAL_HOST_PORTS.web),
      })
    }
    const server = await startServer({
      DATABASE_URL: process.env.DATABASE_URL ?? cluster.url,
      PORT: process.env.PORT ?? String(await freePort(USUAL_PORT)),
      ...(access.key ? { VIATICA_ACCESS_KEY: access.key } : {}),
      LOG_LEVEL: process.env.LOG_LEVEL ?? 'warn',
      VIATICA_SECRET: hostSecret(process.env),
      ...(host ? { VIATICA_STAND_IN: JSON.stringify(host.access) } : {}),
    })
    console.log(`Viatica is ready at ${server.url} (Ctrl+C stops it)`)
    if (access.file) console.log(`Whoever opens it gives the access key, which is in ${access.file}`)
    const watching = cluster && setInterval(() => void revive(cluster), WATCH_MS)
    await Promise.race([untilStopped(stop), server.exited])
    clearInterval(watching)
    if (stop.aborted) await server.stop()
    else status = await server.exited
  } catch (error) {
    // Stopped while it was starting.
    if (!stop.aborted) throw error
  } finally {
    await host?.stop()
    if (cluster?.startedHere) cluster.stop()
  }
  process.exit(status)
})
