import { fork } from 'node:child_process'
import { randomBytes } from 'node:crypto'
import { ROOT } from './paths.mjs'
import { programOf } from './run.mjs'

/** Where the stand-in host is, if these are free. */
export const USUAL_HOST_PORTS = { sftp: 4322, ftp: 4321, web: 4380 }

/**
 * Starts the stand-in host in a process of its own and waits until it takes files.
 * @param folder where it keeps what it is sent
 * @param options `fromSources`: not as it was built
 * @returns how it is got to, and what stops it
 */
export async function startHost(folder, ports = {}, { fromSources = false } = {}) {
  const { path, execArgv } = programOf('host.mjs', 'hosts/standIn/main.ts', fromSources)
  const child = fork(path, {
    cwd: ROOT,
    execArgv,
    env: {
      ...process.env,
      VIATICA_HOST_FOLDER: folder,
      VIATICA_HOST_PASSWORD: process.env.VIATICA_HOST_PASSWORD ?? randomBytes(18).toString('base64url'),
      ...(ports.sftp ? { VIATICA_HOST_SFTP_PORT: String(ports.sftp) } : {}),
      ...(ports.ftp ? { VIATICA_HOST_FTP_PORT: String(ports.ftp) } : {}),
      ...(ports.web ? { VIATICA_HOST_WEB_PORT: String(ports.web) } : {}),
    },
  })
  const exited = new Promise((resolve) => child.once('exit', (code) => resolve(code ?? 1)))
  const access = await new Promise((resolve, reject) => {
    child.once('message', resolve)
    void exited.then((code) => reject(new Error(`The stand-in host stopped with status ${code}.`)))
  })
  return {
    access,
    exited,
    async stop() {
      child.kill('SIGTERM')
      await exited
    },
  }
}
