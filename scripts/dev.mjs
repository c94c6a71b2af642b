// Starts Viatica from its sources, with its demo, for work on it: what is saved is reloaded.
import { startCluster } from './setup/cluster.mjs'
import { ensurePackages } from './setup/packages.mjs'
import { LOCAL, ROOT } from './setup/paths.mjs'
import { freePort } from './setup/ports.mjs'
import { main } from './setup/run.mjs'
import { hostSecret } from './setup/secret.mjs'
import { startHost } from './setup/host.mjs'
import { startServer } from './setup/server.mjs'
import { stopSignal, untilStopped } from './setup/stopping.mjs'

const USUAL_PORT = 4330
/** Several files that are saved together restart the server once. */
const SETTLE_MS = 150
/** What the server is made of; the screens reload by themselves. */
const SERVER_SOURCES = ['core', 'demo', 'fonts', 'hosts', 'server']
const IS_SERVER_SOURCE = new RegExp(`^${ROOT}/(?:${SERVER_SOURCES.join('|')})/.*\\.(?:ts|mjs)$`)

await main(async () => {
  const started = performance.now()
  ensurePackages()
  const stop = stopSignal()

  const { createServer } = await import('vite')
  const [port, serverPort] = [await freePort(Number(process.env.PORT) || USUAL_PORT), await freePort()]
  const target = `http://127.0.0.1:${serverPort}`
  // The sources of the screens have a folder api/, too; the API itself serves no scripts.
  const api = {
    target,
    bypass: ({ url, headers }) => (headers['sec-fetch-dest'] === 'script' ? url : undefined),
  }
  const [cluster, screens] = await Promise.all([
    startCluster('dev'),
    createServer({
      root: `${ROOT}/web`,
      configFile: `${ROOT}/web/vite.config.ts`,
      logLevel: 'warn',
      clearScreen: false,
      server: { host: '127.0.0.1', port, strictPort: true, proxy: { '/api': api, '/preview': target } },
    }),
  ])
  await screens.listen()
  const host = await startHost(`${LOCAL}/dev-stand-in`, {}, { fromSources: true })
  const settings = {
    DATABASE_URL: cluster.url,
    PORT: String(serverPort),
    LOG_LEVEL: process.env.LOG_LEVEL ?? 'warn',
    VIATICA_SECRET: hostSecret(process.env),
    VIATICA_STAND_IN: JSON.stringify(host.access),
  }
  let server
  const start = async () => {
    try {
      server = await startServer(settings, { fromSources: true })
    } catch (error) {
      // A fault in the sources was printed by the server itself: the next save tries again.
      console.error(error.message)
      server = undefined
    }
  }
  await start()
  const seconds = ((performance.now() - started) / 1000).toFixed(1)
  console.log(`Viatica is ready at http://127.0.0.1:${port}/ after ${seconds} s (Ctrl+C stops it)`)

  let restarting = Promise.resolve()
  let timer
  screens.watcher.add(SERVER_SOURCES.map((folder) => `${ROOT}/${folder}`))
  screens.watcher.on('all', (_event, path) => {
    if (!IS_SERVER_SOURCE.test(path) || /\.test\.(?:ts|mjs)$/.test(path)) return
    clearTimeout(timer)
    timer = setTimeout(() => {
      restarting = restarting.then(async () => {
        if (stop.aborted) return
        await server?.stop()
        await start()
        if (server) console.log('The server was restarted.')
      })
    }, SETTLE_MS)
  })

  await untilStopped(stop)
  clearTimeout(timer)
  await restarting
  await Promise.all([server?.stop(), host.stop(), screens.close()])
  if (cluster.startedHere) cluster.stop()
  process.exit(0)
})
