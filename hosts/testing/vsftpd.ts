import { execFileSync, spawn } from 'node:child_process'
import { chmodSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { connect } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { setTimeout as wait } from 'node:timers/promises'
import { X509Certificate } from 'node:crypto'
import type { FtpSecurity } from '@viatica/core/publish/host.ts'
import { freePort } from './sshd.ts'

/** Debian's vsftpd, in a folder of its own on loopback. */
export interface Vsftpd {
  readonly port: number
  /** It lets one in with this password alone. */
  readonly user: string
  readonly password: string
  /** The SHA-256 fingerprint of its certificate, and the file of who vouches for it. */
  readonly certificate: string
  readonly authority: string
  /** The certificate and its key, for another that answers with them. */
  readonly pair: { readonly cert: Buffer; readonly key: Buffer }
  /** A folder for a site. */
  readonly folder: string
  stop(): Promise<void>
}

const answers = (port: number) =>
  new Promise<boolean>((resolve) => {
    const socket = connect(port, '127.0.0.1', () => {
      socket.destroy()
      resolve(true)
    }).once('error', () => resolve(false))
  })

const openssl = (cwd: string, ...args: string[]) =>
  execFileSync('openssl', args, { cwd, stdio: ['ignore', 'pipe', 'pipe'] })

/** A certificate for `localhost`, signed by an authority that nobody knows. */
function newCertificate(own: string): void {
  const newKey = ['req', '-newkey', 'ec', '-pkeyopt', 'ec_paramgen_curve:P-256', '-nodes']
  openssl(
    own,
    ...newKey,
    ...['-x509', '-days', '2', '-subj', '/CN=An authority of a test'],
    ...['-addext', 'basicConstraints=critical,CA:TRUE', '-keyout', 'authority.key', '-out', 'authority.pem'],
  )
  openssl(own, ...newKey, '-subj', '/CN=localhost', '-keyout', 'host.key', '-out', 'host.csr')
  writeFileSync(join(own, 'names'), 'subjectAltName=DNS:localhost\n')
  openssl(
    own,
    ...['x509', '-req', '-days', '2', '-in', 'host.csr', '-CA', 'authority.pem', '-CAkey', 'authority.key'],
    ...['-CAcreateserial', '-extfile', 'names', '-out', 'host.pem'],
  )
}

/** The processes that one has started, and theirs. https://man7.org/linux/man-pages/man5/proc_pid_task.5.html */
function descendantsOf(pid: number): number[] {
  const children = readFileSync(`/proc/${pid}/task/${pid}/children`, 'utf8').split(' ').filter(Boolean)
  return children.map(Number).flatMap((child) => [...descendantsOf(child), child])
}

/**
 * Starts it for a user without an account on this machine.
 * https://security.appspot.com/vsftpd/vsftpd_conf.html
 */
export async function startVsftpd(security: FtpSecurity, more: readonly string[] = []): Promise<Vsftpd> {
  const own = mkdtempSync(join(tmpdir(), 'vsftpd-'))
  const top = join(own, 'top')
  const folder = join(top, 'site')
  mkdirSync(folder, { recursive: true })
  mkdirSync(join(own, 'empty'))
  // Started by root, it gives its rights up for those of a user of its own.
  chmodSync(own, 0o755)
  chmodSync(folder, 0o777)
  newCertificate(own)
  const password = 'let-me@in.invalid'
  writeFileSync(join(own, 'passwords'), `${password}\n`)
  const port = await freePort()
  const settings = [
    ...['listen=YES', 'listen_ipv6=NO', 'listen_address=127.0.0.1', `listen_port=${port}`, 'background=NO'],
    ...['run_as_launching_user=YES', `secure_chroot_dir=${join(own, 'empty')}`, 'seccomp_sandbox=NO'],
    ...['local_enable=NO', 'anonymous_enable=YES', `anon_root=${top}`, 'allow_writeable_chroot=YES'],
    ...['secure_email_list_enable=YES', `email_password_file=${join(own, 'passwords')}`],
    ...['write_enable=YES', 'anon_upload_enable=YES', 'anon_mkdir_write_enable=YES'],
    ...['anon_other_write_enable=YES', 'anon_world_readable_only=NO', 'anon_umask=022', 'xferlog_enable=NO'],
    ...(security === 'none'
      ? []
      : [
          ...['ssl_enable=YES', 'allow_anon_ssl=YES', 'force_anon_logins_ssl=YES'],
          ...['force_anon_data_ssl=YES', `implicit_ssl=${security === 'implicit' ? 'YES' : 'NO'}`],
          ...[`rsa_cert_file=${join(own, 'host.pem')}`, `rsa_private_key_file=${join(own, 'host.key')}`],
        ]),
    ...more,
  ]
  writeFileSync(join(own, 'settings'), settings.map((one) => `${one}\n`).join(''))
  const server = spawn('/usr/sbin/vsftpd', [join(own, 'settings')], { stdio: 'ignore' })
  for (let tries = 0; tries < 400 && !(await answers(port)); tries++) await wait(25)
  // It counts who is connected, and hears a little later that this one has gone.
  await wait(200)
  return {
    port,
    user: 'anonymous',
    password,
    certificate: new X509Certificate(readFileSync(join(own, 'host.pem'))).fingerprint256,
    authority: join(own, 'authority.pem'),
    pair: { cert: readFileSync(join(own, 'host.pem')), key: readFileSync(join(own, 'host.key')) },
    folder,
    async stop() {
      // Each connection is a process of its own.
      server.kill('SIGSTOP')
      const below = descendantsOf(server.pid!)
      server.kill('SIGKILL')
      for (const one of below) process.kill(one, 'SIGKILL')
      await new Promise((resolve) =>
        server.exitCode === null && server.signalCode === null ? server.once('exit', resolve) : resolve(null),
      )
      rmSync(own, { recursive: true, force: true })
    },
  }
}
