import { spawn } from 'node:child_process'
import { chmodSync, existsSync, mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { createServer, connect } from 'node:net'
import { tmpdir, userInfo } from 'node:os'
import { join } from 'node:path'
import { setTimeout as wait } from 'node:timers/promises'
import ssh2 from 'ssh2'
import { newSshKey } from '../standIn/sshKey.ts'
import { fingerprintOf } from '../connection/sftp.ts'

/** Debian's OpenSSH server, in a folder of its own on loopback. */
export interface Sshd {
  readonly port: number
  readonly user: string
  /** A private key that it lets in. */
  readonly privateKey: string
  /** The fingerprint of its own key. */
  readonly hostKey: string
  /** A folder for a site. */
  readonly folder: string
  /** Ends the connections of the moment. */
  stop(): Promise<void>
}

export const freePort = (): Promise<number> =>
  new Promise((resolve) => {
    const server = createServer().listen(0, '127.0.0.1', () => {
      const { port } = server.address() as { port: number }
      server.close(() => resolve(port))
    })
  })

const answers = (port: number) =>
  new Promise<boolean>((resolve) => {
    const socket = connect(port, '127.0.0.1')
    socket.once('data', () => resolve(true)).once('error', () => resolve(false))
    socket.once('data', () => socket.destroy())
  })

/** https://man.openbsd.org/sshd_config */
export async function startSshd(): Promise<Sshd> {
  const own = mkdtempSync(join(tmpdir(), 'sshd-'))
  const folder = join(own, 'site')
  mkdirSync(folder)
  const host = newSshKey()
  const user = newSshKey()
  writeFileSync(join(own, 'host'), host.private, { mode: 0o600 })
  writeFileSync(join(own, 'authorized'), user.public)
  const port = await freePort()
  writeFileSync(
    join(own, 'settings'),
    [
      ...[`Port ${port}`, 'ListenAddress 127.0.0.1', `HostKey ${join(own, 'host')}`],
      ...[`AuthorizedKeysFile ${join(own, 'authorized')}`, 'StrictModes no', 'UsePAM no'],
      ...['PasswordAuthentication no', 'PermitRootLogin yes', `PidFile ${join(own, 'pid')}`],
      'Subsystem sftp internal-sftp',
    ].join('\n'),
  )
  chmodSync(own, 0o755)
  // Where it is not run as a service, nobody has made this.
  if (userInfo().uid === 0 && !existsSync('/run/sshd')) mkdirSync('/run/sshd', { mode: 0o755 })
  const server = spawn('/usr/sbin/sshd', ['-D', '-e', '-f', join(own, 'settings')], { stdio: 'ignore' })
  for (let tries = 0; tries < 400 && !(await answers(port)); tries++) await wait(25)
  const key = ssh2.utils.parseKey(host.public)
  if (key instanceof Error) throw key
  return {
    port,
    user: userInfo().username,
    privateKey: user.private,
    hostKey: fingerprintOf(key.getPublicSSH()),
    folder,
    async stop() {
      server.kill('SIGTERM')
      await new Promise((resolve) =>
        server.exitCode === null ? server.once('exit', resolve) : resolve(null),
      )
      rmSync(own, { recursive: true, force: true })
    },
  }
}
