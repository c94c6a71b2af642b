import { existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { createServer } from 'node:http'
import { type AddressInfo, createServer as createTcpServer } from 'node:net'
import { join } from 'node:path'
import { createSecureContext, TLSSocket } from 'node:tls'
import { execFile } from 'node:child_process'
import { promisify } from 'node:util'
import { HostFault } from '../hostFault.ts'
import { type StandIn, startStandIn } from '../standIn/standIn.ts'
import { freePort, type Sshd, startSshd } from '../testing/sshd.ts'
import { startVsftpd, type Vsftpd } from '../testing/vsftpd.ts'
import type { Connection } from './connection.ts'
import { openFolder } from './folder.ts'
import { openFtp } from './ftp.ts'
import type { FtpAccess } from './ftpAccess.ts'
import { openSftp, type SftpAccess } from './sftp.ts'

const bytesOf = (text: string) => new TextEncoder().encode(text)

let sshd: Sshd
let vsftpd: Vsftpd
let plain: Vsftpd
let standIn: StandIn
const folder = mkdtempSync(join(tmpdir(), 'folder-'))
const standInFolder = mkdtempSync(join(tmpdir(), 'stand-in-'))
/** The folder of a site on the stand-in host. */
const shown = (name: string) => () => {
  const site = join(standInFolder, 'sites', name)
  mkdirSync(site, { recursive: true })
  return site
}

beforeAll(async () => {
  const own = { folder: standInFolder, password: 'of the test', sftpPort: 0, ftpPort: 0, webPort: 0 }
  ;[sshd, vsftpd, plain, standIn] = await Promise.all([
    ...([startSshd(), startVsftpd('tls'), startVsftpd('none'), startStandIn(own)] as const),
  ])
})
afterAll(async () => {
  await Promise.all([sshd, vsftpd, plain, standIn].map((server) => server.stop()))
  for (const one of [folder, standInFolder]) rmSync(one, { recursive: true, force: true })
})

const access = (more: Partial<SftpAccess> = {}): SftpAccess => ({
  name: 'host.example.org',
  address: '127.0.0.1',
  port: sshd.port,
  user: sshd.user,
  privateKey: sshd.privateKey,
  folder: sshd.folder,
  hostKey: sshd.hostKey,
  ...more,
})
const ftpAccess = (server: Vsftpd, more: Partial<FtpAccess> = {}): FtpAccess => ({
  name: 'localhost',
  address: '127.0.0.1',
  port: server.port,
  security: 'tls',
  user: server.user,
  password: server.password,
  folder: server.folder,
  certificate: server.certificate,
  ...more,
})
const standInAccess = ({ access: { port, ftp, user, password, hostKey } } = standIn) => ({
  sftp: access({ port, user, password, hostKey, privateKey: undefined, folder: 'by-sftp' }),
  ftp: ftpAccess(vsftpd, { ...ftp, user, password, folder: 'by-ftp' }),
})
const faultOf = async (work: Promise<unknown>): Promise<HostFault> => {
  const fault = await work.then(
    () => undefined,
    (error: unknown) => error,
  )
  expect(fault).toBeInstanceOf(HostFault)
  return fault as HostFault
}

/** Every way to a host, with the folder where its files end up. */
const WAYS: readonly [string, () => Promise<Connection>, () => string][] = [
  ['a folder', () => openFolder(folder, folder), () => folder],
  ['SFTP (OpenSSH)', () => openSftp(access()), () => sshd.folder],
  ['FTP with TLS (vsftpd)', () => openFtp(ftpAccess(vsftpd)), () => vsftpd.folder],
  ['SFTP (the stand-in host)', () => openSftp(standInAccess().sftp), shown('by-sftp')],
  ['FTP with TLS (the stand-in host)', () => openFtp(standInAccess().ftp), shown('by-ftp')],
  ['plain FTP (vsftpd)', () => openFtp(ftpAccess(plain, { security: 'none' })), () => plain.folder],
]

describe.each(WAYS)('%s', (_, open, top) => {
  beforeAll(() => void top())
  const using = async (work: (connection: Connection) => Promise<void>) => {
    const connection = await open()
    try {
      await work(connection)
    } finally {
      await connection.close()
    }
  }

  test('keeps bytes as they are, replaces files by renaming, and tells what is there', () =>
    using(async (connection) => {
      const bytes = Uint8Array.from({ length: 300_000 }, (_, n) => (n * 7) % 256)
      await connection.makeFolder('walks')
      await connection.makeFolder('walks/ä ö')
      await connection.write('walks/ä ö/x 1.bin', bytes)
      const isSame = (there: Uint8Array) => Buffer.compare(there, bytes) === 0
      expect(isSame(await connection.read('walks/ä ö/x 1.bin'))).toBe(true)
      expect(isSame(readFileSync(join(top(), 'walks/ä ö/x 1.bin')))).toBe(true)
      const seen = await connection.see('walks/ä ö/x 1.bin')
      expect(seen!.size).toBe(300_000)
      expect(Math.abs(seen!.modified - Date.now() / 1000)).toBeLessThan(10)
      await connection.write('a.html', bytesOf('old'))
      await connection.write('.new-0', bytesOf('new'))
      await connection.rename('.new-0', 'a.html')
      expect(new TextDecoder().decode(await connection.read('a.html'))).toBe('new')
      await connection.write('empty.txt', bytesOf(''))
      expect((await connection.read('empty.txt')).length).toBe(0)
      const { files, folders } = (await connection.list(''))!
      expect([...files.keys()].sort()).toEqual(['a.html', 'empty.txt'])
      expect(files.get('a.html')).toEqual(await connection.see('a.html'))
      expect([...folders]).toEqual(['walks'])
      expect([...(await connection.list('walks'))!.folders]).toEqual(['ä ö'])
    }))

  test('says of what is not there that it is not; a full folder stays, an empty one goes', () =>
    using(async (connection) => {
      expect(await connection.see('none.html')).toBeUndefined()
      expect(await connection.list('none')).toBeUndefined()
      await connection.removeFolder('walks')
      expect(existsSync(join(top(), 'walks'))).toBe(true)
      await connection.remove('walks/ä ö/x 1.bin')
      await connection.removeFolder('walks/ä ö')
      await connection.removeFolder('walks')
      expect(existsSync(join(top(), 'walks'))).toBe(false)
      await faultOf(connection.read('none.html'))
      await faultOf(connection.remove('none.html'))
    }))

  test('goes where links of the host lead, and says what is in the way', () =>
    using(async (connection) => {
      mkdirSync(join(top(), 'real'))
      writeFileSync(join(top(), 'real/page.html'), 'x')
      symlinkSync('real', join(top(), 'linked'))
      const { folders } = (await connection.list(''))!
      expect([...folders].sort()).toEqual(['linked', 'real'])
      expect([...(await connection.list('linked'))!.files.keys()]).toEqual(['page.html'])
      await connection.write('.new-1', bytesOf('x'))
      await faultOf(connection.rename('.new-1', 'real'))
      await faultOf(connection.makeFolder('a.html'))
      await faultOf(connection.write('a.html/x.html', bytesOf('x')))
      await connection.remove('.new-1')
    }))
})

describe('getting to a host by SFTP', () => {
  test('shows the fingerprint that ssh-keygen would, and goes on only with that one', async () => {
    const unknown = await faultOf(openSftp(access({ hostKey: '' })))
    expect([unknown.kind, unknown.fingerprint]).toEqual(['key', sshd.hostKey])
    expect(unknown.message).toContain(sshd.hostKey)
    await (await openSftp(access({ hostKey: unknown.fingerprint }))).close()
    const other = await faultOf(openSftp(access({ hostKey: 'SHA256:another' })))
    expect([other.kind, other.fingerprint]).toEqual(['key', sshd.hostKey])
    expect(other.message).toContain(sshd.hostKey)
  })

  test.each([
    ['a wrong user', { user: 'nobody-of-that-name' }, 'login', /does not let nobody-of-that-name in/],
    ['a wrong password', { privateKey: undefined, password: 'planted-secret' }, 'login', /does not let/],
    ['a key that is none', { privateKey: 'planted-secret' }, 'login', /private key cannot be read/],
    ['a name that is none', { address: 'no-such-host.invalid' }, 'name', /There is no host/],
  ] as const)('with %s: says so in words, and no secret with them', async (_, wrong, kind, words) => {
    const fault = await faultOf(openSftp(access(wrong as Partial<SftpAccess>)))
    expect(fault.kind).toBe(kind)
    expect(fault.message).toMatch(words)
    expect(fault.message).not.toContain('planted-secret')
  })

  test('at a port where nothing, or something else, answers: says that', async () => {
    expect((await faultOf(openSftp(access({ port: await freePort() })))).kind).toBe('port')
    const other = createServer()
    await new Promise<void>((resolve) => other.listen(0, '127.0.0.1', resolve))
    const { port } = other.address() as { port: number }
    expect((await faultOf(openSftp(access({ port })))).kind).toBe('port')
    other.close()
  })

  test('a folder that is not there is no folder', async () => {
    const connection = await openSftp(access({ folder: `${sshd.folder}/none` }))
    expect(await connection.list('')).toBeUndefined()
    await connection.close()
  })
})

/** What says that it is an FTP server, with or without TLS, and hears what it is told. */
async function eavesdropper(pair: Vsftpd['pair'] | undefined) {
  const heard: string[] = []
  const server = createTcpServer((socket) => {
    socket.on('error', () => undefined)
    socket.write('220 Welcome\r\n')
    socket.on('data', (sent) => {
      heard.push(sent.toString())
      if (!/^AUTH/.test(sent.toString())) return
      if (!pair) return void socket.write('502 Not here\r\n')
      socket.removeAllListeners('data')
      socket.write('234 Go on\r\n')
      const secured = new TLSSocket(socket, { isServer: true, secureContext: createSecureContext(pair) })
      secured.on('data', (more) => heard.push(more.toString())).on('error', () => undefined)
    })
  })
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
  return { heard, port: (server.address() as AddressInfo).port, stop: () => server.close() }
}

describe('getting to a host by FTP', () => {
  test('a certificate that nobody known vouches for is taken only when the author trusts this one', async () => {
    const fault = await faultOf(openFtp(ftpAccess(vsftpd, { certificate: '' })))
    expect(fault.kind).toBe('certificate')
    expect(fault.fingerprint).toBe(vsftpd.certificate)
    expect(fault.message).toContain(vsftpd.certificate)
    await (await openFtp(ftpAccess(vsftpd, { certificate: fault.fingerprint }))).close()
    // Another one, whatever the certificate of this run begins with.
    const another = fault.fingerprint.replace(/^../, (start) => (start === '00' ? '01' : '00'))
    const other = await faultOf(openFtp(ftpAccess(vsftpd, { certificate: another })))
    expect([other.kind, other.fingerprint]).toEqual(['certificate', vsftpd.certificate])
  })

  test('one that a known authority vouches for is taken, for the name that it is made out to alone', async () => {
    const open = async (name: string) => {
      const given = JSON.stringify(ftpAccess(vsftpd, { certificate: '', name }))
      const code = `const { openFtp } = await import('./hosts/connection/ftp.ts');
        await openFtp(${given}).then((host) => host.close().then(() => 'in'), (fault) => fault.message).then(console.log)`
      const env = { ...process.env, NODE_EXTRA_CA_CERTS: vsftpd.authority, NODE_OPTIONS: '' }
      const { stdout } = await promisify(execFile)(
        process.execPath,
        ['--import', 'tsx', '--input-type=module', '-e', code],
        { env, cwd: join(import.meta.dirname, '../..') },
      )
      return stdout.trim()
    }
    expect(await open('localhost')).toBe('in')
    expect(await open('ftp.example.org')).toMatch(/is made out to another name than ftp\.example\.org/)
  })

  test('no name and no password is sent before the certificate was looked at, or where there is no TLS', async () => {
    const secured = await eavesdropper(plain.pair)
    const bare = await eavesdropper(undefined)
    const to = ({ port }: { port: number }) =>
      openFtp(ftpAccess(vsftpd, { port, password: 'planted-secret' }))
    expect((await faultOf(to(secured))).kind).toBe('certificate')
    const without = await faultOf(to(bare))
    expect(without.kind).toBe('certificate')
    expect(without.message).toMatch(/offers no encryption/)
    for (const { heard, stop } of [secured, bare]) {
      expect(heard.join('')).toMatch(/^AUTH TLS\r\n/)
      expect(heard.join('')).not.toMatch(/USER|PASS/)
      stop()
    }
  })

  test('TLS that starts at once is another setting: where it is wrong, that is said', async () => {
    const implicit = await startVsftpd('implicit')
    const connection = await openFtp(ftpAccess(implicit, { security: 'implicit' }))
    await connection.write('a.html', bytesOf('a'))
    expect(readFileSync(join(implicit.folder, 'a.html'), 'utf8')).toBe('a')
    await connection.close()
    expect((await faultOf(openFtp(ftpAccess(vsftpd, { security: 'implicit' })))).kind).toBe('port')
    await implicit.stop()
  })

  test.each([
    ['a wrong password', { password: 'planted-secret' }],
    ['a user that is none', { user: 'nobody' }],
    ['a line break in the password', { password: 'x\r\nDELE a.html' }],
  ])('with %s: says so in words, and no secret with them', async (_, wrong) => {
    const fault = await faultOf(openFtp(ftpAccess(vsftpd, wrong)))
    expect(fault.kind).toBe('login')
    expect(fault.message).not.toContain('planted-secret')
  })

  test('at a port where nothing answers: says that', async () => {
    expect((await faultOf(openFtp(ftpAccess(vsftpd, { port: await freePort() })))).kind).toBe('port')
  })

  test('a name that ends a line is never sent', async () => {
    const connection = await openFtp(ftpAccess(vsftpd))
    await connection.write('kept.html', bytesOf('kept'))
    const fault = await faultOf(connection.see('x\r\nDELE kept.html'))
    expect(fault.kind).toBe('rights')
    expect(await connection.see('kept.html')).toBeDefined()
    await connection.close()
  })

  test('a host that gives one connection is published to by that one', async () => {
    const narrow = await startVsftpd('tls', ['max_per_ip=1'])
    const connection = await openFtp(ftpAccess(narrow))
    const names = Array.from({ length: 12 }, (_, n) => `page ${n}.html`)
    await Promise.all(names.map((name) => connection.write(name, bytesOf(name))))
    expect([...(await connection.list(''))!.files.keys()].sort()).toEqual(names.sort())
    await connection.close()
    await narrow.stop()
  })

  test('what breaks off in the midst is told as lost', async () => {
    const server = await startVsftpd('tls')
    const connection = await openFtp(ftpAccess(server))
    const names = Array.from({ length: 40 }, (_, n) => `page ${n}.html`)
    const writing = names.map((name) => connection.write(name, new Uint8Array(200_000)))
    const ended = Promise.allSettled(writing)
    await writing[0]
    await server.stop()
    const ends = await ended
    const faults = ends.flatMap((end) => (end.status === 'rejected' ? [end.reason as HostFault] : []))
    expect(new Set(faults.map(({ kind }) => kind))).toEqual(new Set(['lost']))
    await connection.close()
  })
})
