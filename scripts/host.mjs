// Starts the stand-in host alone: it takes files by SFTP and FTP on loopback and shows them over HTTP. Needs Node and nothing else.
import { mkdirSync } from 'node:fs'
import { ensureBuilt } from './setup/build.mjs'
import { startHost, USUAL_HOST_PORTS } from './setup/host.mjs'
import { ensurePackages } from './setup/packages.mjs'
import { LOCAL } from './setup/paths.mjs'
import { freePort } from './setup/ports.mjs'
import { main } from './setup/run.mjs'
import { stopSignal, untilStopped } from './setup/stopping.mjs'

await main(async () => {
  ensurePackages()
  ensureBuilt('server')
  const folder = `${LOCAL}/stand-in`
  mkdirSync(folder, { recursive: true })
  const host = await startHost(folder, {
    sftp: await freePort(USUAL_HOST_PORTS.sftp),
    ftp: await freePort(USUAL_HOST_PORTS.ftp),
    web: await freePort(USUAL_HOST_PORTS.web),
  })
  const { port, user, password, ftp, url } = host.access
  console.log(
    `The stand-in host takes files by SFTP at 127.0.0.1, port ${port}, user ${user}, password ${password}`,
  )
  console.log(`By FTP with TLS: port ${ftp.port}, certificate ${ftp.certificate}`)
  console.log(`It shows the folder of a site at ${url.replace('{site}', '<folder>')} (Ctrl+C stops it)`)
  void untilStopped(stopSignal()).then(() => host.stop())
  process.exit(await host.exited)
})
