import { randomUUID } from 'node:crypto'
import { mkdir, open, readdir, rename, rmdir, stat, unlink } from 'node:fs/promises'
import type { Stats } from 'node:fs'
import { type AddressInfo, createServer, type Server, type Socket } from 'node:net'
import { join, normalize } from 'node:path/posix'
import { pipeline } from 'node:stream/promises'
import { StringDecoder } from 'node:string_decoder'
import { createSecureContext, type SecureContext, TLSSocket } from 'node:tls'
import { type Account, letsIn, NoRoom, VisitorFiles } from './account.ts'

export interface FtpServerSettings extends Account {
  /** Its certificate and the key to it, as PEM. */
  readonly cert: string
  readonly key: string
}

/** https://datatracker.ietf.org/doc/html/rfc2389#section-3 */
const FEATURES = ['AUTH TLS', 'EPSV', 'MDTM', 'MLST type*;size*;modify*;', 'PBSZ', 'PROT', 'SIZE', 'UTF8']

/** A command is a line; nobody sends a longer one. */
const LONGEST_LINE = 8192

/** `YYYYMMDDHHMMSS` in universal time. https://datatracker.ietf.org/doc/html/rfc3659#section-2.3 */
const timeOf = ({ mtime }: Stats) => mtime.toISOString().slice(0, 19).replace(/\D/g, '')

/** https://datatracker.ietf.org/doc/html/rfc3659#section-7.5 */
const factsOf = (is: Stats) =>
  `type=${is.isDirectory() ? 'dir' : 'file'};size=${is.size};modify=${timeOf(is)};`

/** What an error of the file system is in the protocol. https://datatracker.ietf.org/doc/html/rfc959#section-4.2 */
function answerTo(error: unknown): string {
  if (error instanceof NoRoom) return '552 There is no room for it'
  const { code } = error as { code?: string }
  if (code === 'EACCES' || code === 'EPERM') return '550 Permission denied'
  return `550 It cannot be done: ${code ?? 'something else'}`
}

/** One who is connected. https://datatracker.ietf.org/doc/html/rfc959, with TLS as in https://datatracker.ietf.org/doc/html/rfc4217 */
class Visitor {
  readonly #settings: FtpServerSettings
  readonly #files: VisitorFiles
  readonly #secure: SecureContext
  #control: Socket
  /** A character may come in two pieces. */
  readonly #decoder = new StringDecoder()
  #heard = ''
  /** Commands are done one after the other. */
  #queue = Promise.resolve()
  #name = ''
  #isIn = false
  #folder = '/'
  #renamed = ''
  #protects = false
  /** Where the connection that the next file travels on is waited for, and that connection. */
  #port: Server | undefined
  #data: Promise<Socket> | undefined

  constructor(socket: Socket, settings: FtpServerSettings, secure: SecureContext) {
    this.#settings = settings
    this.#secure = secure
    this.#files = new VisitorFiles(settings)
    this.#control = socket
    this.#listen(socket)
    this.#say('220 The stand-in host')
  }

  #say(answer: string): void {
    this.#control.write(`${answer}\r\n`)
  }

  #listen(socket: Socket): void {
    this.#control = socket
    socket.setNoDelay(true)
    socket.on('error', () => socket.destroy())
    // Nobody comes to a port whose visitor has gone.
    socket.on('close', () => this.#port?.close())
    socket.on('data', (bytes: Buffer) => {
      this.#heard += this.#decoder.write(bytes)
      const lines = this.#heard.split('\r\n')
      this.#heard = lines.pop()!
      if (this.#heard.length > LONGEST_LINE) socket.destroy()
      for (const line of lines) this.#queue = this.#queue.then(() => this.#obey(line))
    })
  }

  async #obey(line: string): Promise<void> {
    const space = line.indexOf(' ')
    const [word, rest] = space < 0 ? [line, ''] : [line.slice(0, space), line.slice(space + 1)]
    try {
      await this.#files.dawdle()
      const answer = await this.#do(word.toUpperCase(), rest)
      if (answer) this.#say(answer)
    } catch (error) {
      this.#say(answerTo(error))
    }
  }

  #at = (path: string) => this.#files.at(this.#path(path))
  #path = (path: string) => normalize(join(path.startsWith('/') ? '/' : this.#folder, path))

  /** @returns the answer; undefined where it was given already */
  async #do(word: string, rest: string): Promise<string | undefined> {
    switch (word) {
      case 'AUTH':
        return this.#secureControl(rest)
      case 'USER':
        this.#name = rest
        return '331 And the password?'
      case 'PASS':
        this.#isIn = letsIn(this.#settings, this.#name, rest)
        return this.#isIn ? '230 Come in' : '530 Not logged in'
      case 'PBSZ':
        return '200 PBSZ=0'
      case 'PROT':
        this.#protects = rest.toUpperCase() === 'P'
        return '200 As you like'
      case 'FEAT':
        return `211-It knows\r\n${FEATURES.map((one) => ` ${one}\r\n`).join('')}211 That is all`
      case 'OPTS':
      case 'NOOP':
      case 'TYPE':
      case 'STRU':
        return '200 As you like'
      case 'QUIT':
        this.#say('221 Goodbye')
        this.#control.end()
        return undefined
      default:
        return this.#isIn ? this.#doInside(word, rest) : '530 Log in first'
    }
  }

  async #doInside(word: string, rest: string): Promise<string | undefined> {
    switch (word) {
      case 'PWD':
        return `257 "${this.#folder.replaceAll('"', '""')}"`
      case 'CWD':
        await readdir(this.#at(rest))
        this.#folder = this.#path(rest)
        return '250 Here you are'
      case 'EPSV':
        return `229 Come in by (|||${await this.#openData()}|)`
      case 'PASV': {
        const port = await this.#openData()
        return `227 Come in by (127,0,0,1,${port >> 8},${port & 255})`
      }
      case 'MLSD':
        return this.#list(this.#at(rest))
      case 'SIZE':
      case 'MDTM': {
        const is = await stat(this.#at(rest))
        if (!is.isFile()) return '550 It is not a file'
        return `213 ${word === 'SIZE' ? is.size : timeOf(is)}`
      }
      case 'RETR':
        return this.#give(rest)
      case 'STOR':
        return this.#take(rest)
      case 'DELE':
        await unlink(this.#at(rest))
        return '250 It is gone'
      case 'RNFR':
        await stat(this.#at(rest))
        this.#renamed = rest
        return '350 And to what?'
      case 'RNTO':
        await rename(this.#at(this.#renamed), this.#at(rest))
        return '250 It is renamed'
      case 'MKD':
        await mkdir(this.#at(rest))
        return `257 "${this.#path(rest).replaceAll('"', '""')}" is made`
      case 'RMD':
        await rmdir(this.#at(rest))
        return '250 It is gone'
      default:
        return '502 It does not know that'
    }
  }

  #secureControl(kind: string): string | undefined {
    if (kind.toUpperCase() !== 'TLS') return '504 TLS or nothing'
    const plain = this.#control
    plain.removeAllListeners('data')
    this.#heard = ''
    this.#say('234 Go on')
    this.#listen(new TLSSocket(plain, { isServer: true, secureContext: this.#secure }))
    return undefined
  }

  /** Waits at a port for the connection that the next file travels on. */
  async #openData(): Promise<number> {
    // What was asked for before and not used is not waited for any more.
    this.#port?.close()
    void this.#data?.then((unused) => unused.destroy())
    const server = createServer()
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
    this.#data = new Promise((resolve) =>
      server.once('connection', (socket) => {
        server.close()
        socket.on('error', () => socket.destroy())
        resolve(socket)
      }),
    )
    this.#port = server
    return (server.address() as AddressInfo).port
  }

  /** The connection that a file travels on, once the client was told to begin. */
  async #travel(): Promise<Socket> {
    const data = await this.#data
    this.#data = undefined
    if (!data) throw new Error('No port was asked for')
    this.#say('150 Begin')
    if (!this.#protects) return data
    const secured = new TLSSocket(data, { isServer: true, secureContext: this.#secure })
    return secured.on('error', () => secured.destroy())
  }

  async #list(folder: string): Promise<string> {
    const lines = await Promise.all(
      (await readdir(folder)).map(async (name) => `${factsOf(await stat(join(folder, name)))} ${name}\r\n`),
    )
    const data = await this.#travel()
    await pipeline([Buffer.from(lines.join(''))], data)
    return '226 That is all'
  }

  async #give(path: string): Promise<string> {
    const file = await open(this.#at(path))
    if (!(await file.stat()).isFile()) {
      await file.close()
      return '550 It is not a file'
    }
    await pipeline(file.createReadStream(), await this.#travel())
    return '226 That is all'
  }

  async #take(path: string): Promise<string | undefined> {
    const file = await this.#files.openToWrite(this.#path(path), 'w')
    try {
      for await (const bytes of (await this.#travel()) as AsyncIterable<Buffer>) {
        if (!this.#files.holdsAfter(bytes.length)) {
          this.#control.destroy()
          return undefined
        }
        await file?.write(bytes)
      }
    } finally {
      await file?.close()
    }
    return '226 It is here'
  }
}

/** An FTP server for one user and one folder, on loopback, with TLS for those who ask for it. */
export function ftpServer(settings: FtpServerSettings): Server {
  const secure = createSecureContext({
    cert: settings.cert,
    key: settings.key,
    // Sessions are gone on from: what is resumed is from the same host.
    sessionIdContext: randomUUID().slice(0, 32),
  })
  return createServer((socket) => new Visitor(socket, settings, secure))
}
