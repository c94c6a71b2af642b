import { type AddressInfo, connect, createServer, type Server, type Socket } from 'node:net'
import ssh2, { type Attributes, type SFTPWrapper } from 'ssh2'
import { newSshKey, fingerprintOfKey } from '../standIn/sshKey.ts'

/** A server that does not behave as a host should. */
export interface LyingHost {
  readonly port: number
  /** The connections that are open. */
  readonly open: ReadonlySet<Socket>
  stop(): Promise<void>
}

/** How often what drips, or has no end, is written, in milliseconds. */
const DRIP_MS = 20

async function listening(server: Server): Promise<LyingHost> {
  const open = new Set<Socket>()
  server.on('connection', (socket: Socket) => {
    open.add(socket)
    // What nobody reads would hide that the other side has closed.
    socket.resume()
    socket.on('error', () => socket.destroy())
    socket.on('close', () => open.delete(socket))
  })
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
  return {
    port: (server.address() as AddressInfo).port,
    open,
    async stop() {
      const closed = new Promise((resolve) => server.close(resolve))
      for (const socket of open) socket.destroy()
      await closed
    },
  }
}

/** Writes to a connection again and again, as fast as it is read, until it is closed. */
export function pour(socket: Socket, text: string | Buffer): void {
  const write = () => {
    while (!socket.destroyed && socket.write(text));
  }
  socket.on('drain', write)
  write()
}

/** Writes one byte at a time, from the start again at the end. */
export function drip(socket: Socket, text: string): void {
  let at = 0
  const timer = setInterval(() => socket.write(text[at++ % text.length]!), DRIP_MS)
  socket.on('close', () => clearInterval(timer))
}

/** A server that does one thing with every connection. */
export const lyingServer = (behave: (socket: Socket) => void): Promise<LyingHost> =>
  listening(createServer(behave))

/** What a port can do instead of being a server of any kind. */
export const LYING_PORTS: readonly (readonly [string, (socket: Socket) => void])[] = [
  ['says nothing', () => undefined],
  ['closes', (socket) => socket.end()],
  ['resets', (socket) => socket.resetAndDestroy()],
  ['sends endless lines', (socket) => pour(socket, `${'line '.repeat(40)}\r\n`)],
  ['sends a line without an end', (socket) => pour(socket, 'x'.repeat(1000))],
  [
    'sends random bytes',
    (socket) => pour(socket, Buffer.from(Array.from({ length: 997 }, (_, n) => (n * 167) % 256))),
  ],
  ['drips a greeting of SSH', (socket) => drip(socket, 'SSH-2.0-x\r\n')],
  ['greets as SSH without an end', (socket) => pour(socket, 'SSH-2.0-')],
  ['greets as SSH and is silent', (socket) => socket.write('SSH-2.0-x\r\n')],
  [
    'greets as SSH and sends garbage',
    (socket) => {
      socket.write('SSH-2.0-x\r\n')
      pour(socket, Buffer.alloc(500, 0xff))
    },
  ],
  ['greets as FTP and is silent', (socket) => socket.write('220 Welcome\r\n')],
  ['greets as FTP without an end', (socket) => pour(socket, '220-Welcome\r\n')],
  ['drips a greeting of FTP', (socket) => drip(socket, '220-x\r\n')],
  [
    'answers everything like HTTP',
    (socket) => socket.on('data', () => socket.write('HTTP/1.1 400 No\r\n\r\n')),
  ],
]

/** Passes on to a true server, and cuts the connection after so many of the bytes that it answers. */
export const cuttingServer = (port: number, bytes: number): Promise<LyingHost> =>
  lyingServer((near) => {
    const far = connect(port, '127.0.0.1')
    let left = bytes
    far.on('error', () => near.destroy())
    near.on('close', () => far.destroy())
    far.on('close', () => near.destroy())
    near.pipe(far)
    far.on('data', (part) => {
      near.write(part.subarray(0, left))
      left -= part.length
      if (left <= 0) near.end(() => near.destroy())
    })
  })

/** What an SFTP server can lie about. */
export interface SftpLies {
  /** Lists entries for ever. */
  readonly hasEndlessList?: boolean
  /** What a folder lists, in place of what is there. */
  readonly names?: readonly string[]
  /** The size that every file has by what it says. */
  readonly size?: number
  /** Files have no end. */
  readonly hasEndlessFiles?: boolean
  /** Answers nothing after the login. */
  readonly isSilent?: boolean
}

const REGULAR = 0o100644
const FOLDER = 0o040755

function lie(sftp: SFTPWrapper, lies: SftpLies): void {
  const { STATUS_CODE } = ssh2.utils.sftp
  const attributes = (mode: number) =>
    ({ mode, uid: 0, gid: 0, size: lies.size ?? 1, atime: 0, mtime: 0 }) satisfies Attributes
  const handle = Buffer.from('h')
  let listed = 0
  let read = 0
  const entry = (filename: string) => ({ filename, longname: filename, attrs: attributes(REGULAR) })
  sftp.on('error', () => undefined)
  if (lies.isSilent) return
  sftp.on('OPENDIR', (request) => sftp.handle(request, handle))
  sftp.on('OPEN', (request) => sftp.handle(request, handle))
  sftp.on('CLOSE', (request) => sftp.status(request, STATUS_CODE.OK))
  sftp.on('READDIR', (request) => {
    const first = listed === 0
    listed += 100
    if (lies.hasEndlessList)
      return sftp.name(
        request,
        Array.from({ length: 100 }, (_, n) => entry(`file-${listed + n}.html`)),
      )
    return first && lies.names
      ? sftp.name(request, lies.names.map(entry))
      : sftp.status(request, STATUS_CODE.EOF)
  })
  sftp.on('READ', (request, _handle, _offset, length) => {
    if (lies.hasEndlessFiles) return sftp.data(request, Buffer.alloc(length))
    return read++ === 0 ? sftp.data(request, Buffer.from('ab')) : sftp.status(request, STATUS_CODE.EOF)
  })
  for (const kind of ['STAT', 'LSTAT'] as const)
    sftp.on(kind, (request: number, path: string) =>
      sftp.attrs(request, attributes(/\.html$/.test(path) ? REGULAR : FOLDER)),
    )
  sftp.on('FSTAT', (request) => sftp.attrs(request, attributes(REGULAR)))
}

/** An SFTP server that lets everybody in. @returns it with the fingerprint of its key */
export async function lyingSftp(lies: SftpLies): Promise<LyingHost & { readonly hostKey: string }> {
  const key = newSshKey().private
  const server = new ssh2.Server({ hostKeys: [key] }, (client) => {
    client.on('error', () => undefined)
    client.on('authentication', (context) => context.accept())
    client.on('session', (accept) => {
      accept().on('sftp', (acceptSftp) => lie(acceptSftp(), lies))
    })
  })
  // The library wraps a server of the network, whose connections are the ones to count.
  const { _srv: network } = server as unknown as { readonly _srv: Server }
  return { ...(await listening(network)), hostKey: fingerprintOfKey(key) }
}

/** What an FTP server can lie about. */
export interface FtpLies {
  /** Asks for the password again and again. */
  readonly asksForEver?: boolean
  /** What comes over the connection of a listing or file. */
  readonly data?: (socket: Socket) => void
  /** The size of every file by what it says. */
  readonly size?: number
  /** Commands, by their first word, that are not answered. */
  readonly ignores?: readonly string[]
}

/** An FTP server without encryption that lets everybody in. */
export const lyingFtp = (lies: FtpLies): Promise<LyingHost & { readonly passwords: readonly string[] }> => {
  const passwords: string[] = []
  const behave = (socket: Socket) => {
    let data: Server | undefined
    const travellers: Promise<Socket>[] = []
    const say = (line: string) => void socket.write(`${line}\r\n`)
    const send = async () => {
      const traveller = await travellers.shift()
      say('150 Begin')
      if (!traveller) return
      traveller.on('close', () => say('226 Done'))
      if (lies.data) lies.data(traveller)
      else traveller.end()
    }
    socket.on('close', () => data?.close())
    const answer = (line: string) => {
      const word = line.split(' ')[0]!.toUpperCase()
      if (lies.ignores?.includes(word)) return
      switch (word) {
        case 'USER':
          return say('331 And the password?')
        case 'PASS':
          passwords.push(line)
          return say(lies.asksForEver ? '331 And the password?' : '230 In')
        case 'FEAT':
          return say('211-It knows\r\n MLST type*;size*;modify*;\r\n EPSV\r\n211 End')
        case 'PWD':
          return say('257 "/"')
        case 'SIZE':
          return say(`213 ${lies.size ?? 1}`)
        case 'MDTM':
          return say('213 20260101000000')
        case 'EPSV':
          data = createServer((traveller) => traveller.on('error', () => traveller.destroy()))
          travellers.push(new Promise((resolve) => data!.once('connection', resolve)))
          return void data.listen(0, '127.0.0.1', () =>
            say(`229 Come in (|||${(data!.address() as AddressInfo).port}|)`),
          )
        case 'MLSD':
        case 'LIST':
        case 'RETR':
          return void send()
        default:
          return say('250 Yes')
      }
    }
    socket.on('data', (bytes) => bytes.toString().split('\r\n').slice(0, -1).forEach(answer))
    say('220 Welcome')
  }
  return lyingServer(behave).then((host) => ({ ...host, passwords }))
}

/** What a web server can do instead of answering, by what it writes when it is asked. */
export const LYING_WEB: readonly (readonly [string, (socket: Socket) => void])[] = [
  ['says nothing', () => undefined],
  ['closes', (socket) => socket.end()],
  [
    'switches to another protocol',
    (socket) => socket.write('HTTP/1.1 101 Other\r\nupgrade: x\r\nconnection: upgrade\r\n\r\n'),
  ],
  ['says Continue for ever', (socket) => pour(socket, 'HTTP/1.1 100 Continue\r\n\r\n')],
  ['drips Continue', (socket) => drip(socket, 'HTTP/1.1 100 Continue\r\n\r\n')],
  [
    'sends headers for ever',
    (socket) => {
      socket.write('HTTP/1.1 200 OK\r\n')
      pour(socket, `x: ${'y'.repeat(500)}\r\n`)
    },
  ],
  [
    'sends a page for ever',
    (socket) => {
      socket.write('HTTP/1.1 200 OK\r\n\r\n')
      pour(socket, '<p>x</p>'.repeat(1000))
    },
  ],
  [
    'drips a page',
    (socket) => {
      socket.write('HTTP/1.1 200 OK\r\n\r\n')
      drip(socket, 'page ')
    },
  ],
  ['closes in the middle', (socket) => socket.end('HTTP/1.1 200 OK\r\ncontent-length: 500\r\n\r\nshort')],
  ['has a wrong length', (socket) => socket.end('HTTP/1.1 200 OK\r\ncontent-length: -1\r\n\r\nx')],
  ['sends garbage', (socket) => socket.end('garbage \0\r\n\r\n')],
]
