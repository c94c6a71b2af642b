import { createHash } from 'node:crypto'
import ssh2, {
  type Client as SshClient,
  type ConnectConfig,
  type FileEntryWithStats,
  type SFTPWrapper,
  type Stats,
} from 'ssh2'
import { HostFault } from '../hostFault.ts'
import type { Connection, FileSeen } from './connection.ts'
import { replaceFile } from './replace.ts'

/** What is needed to get to a host by SFTP. */
export interface SftpAccess {
  /** As the author wrote it: for messages. */
  readonly name: string
  /** Where it leads: an address of the network. */
  readonly address: string
  readonly port: number
  readonly user: string
  readonly password?: string
  readonly privateKey?: string
  readonly passphrase?: string
  /** The folder of the site there; relative to where the login leads. */
  readonly folder: string
  /** The fingerprint that the host must have; undefined when it is met for the first time. */
  readonly hostKey: string | undefined
}

const CONNECT_MS = 15_000
/** An answer that does not come within this time does not come. */
const ANSWER_MS = 60_000

/** The fingerprint of a key of a host, as `ssh-keygen -l` writes it. */
export const fingerprintOf = (key: Buffer): string =>
  `SHA256:${createHash('sha256').update(key).digest('base64').replaceAll('=', '')}`

/** Whether a private key takes a passphrase. One that cannot be read at all is told so when it is used. */
export function isLocked(privateKey: string): boolean {
  const key = ssh2.utils.parseKey(privateKey)
  return key instanceof Error && /no passphrase given/.test(key.message)
}

interface SshError extends Error {
  readonly level?: string
  readonly code?: string | number
}

/** https://datatracker.ietf.org/doc/html/draft-ietf-secsh-filexfer-02, section 7 */
const NO_SUCH_FILE = 2
const PERMISSION_DENIED = 3
const NO_CONNECTION = 6
const CONNECTION_LOST = 7

/** Why a host could not be got to. */
function connectFault({ name, port, user }: SftpAccess, { level, code, message }: SshError): HostFault {
  if (level === 'client-authentication')
    return new HostFault(
      'login',
      `${name} does not let ${user} in: check the user name, and the password or key.`,
    )
  if (code === 'ENOTFOUND' || code === 'EAI_AGAIN')
    return new HostFault('name', `There is no host ${name}: check its name.`)
  if (code === 'ECONNREFUSED' || code === 'EHOSTUNREACH' || code === 'ENETUNREACH')
    return new HostFault(
      'port',
      `${name} does not answer at port ${port}: check the port, and whether SFTP is switched on.`,
    )
  if (level === 'client-timeout' || code === 'ETIMEDOUT')
    return new HostFault(
      'port',
      `${name} did not answer at port ${port} in time: check the name and the port.`,
    )
  if (level === 'protocol' || level === 'handshake')
    return new HostFault('port', `What answers at port ${port} of ${name} is not SFTP: check the port.`)
  // The library takes a key of a host that was refused for an error of its own kind.
  if (/parse|privatekey|passphrase/i.test(message))
    return new HostFault('login', `The private key cannot be read: ${message}`)
  return new HostFault('lost', `The connection to ${name} broke off: ${message}`)
}

function faultOf(name: string, path: string, { code, message }: SshError): HostFault {
  const file = path === '' ? 'the folder of the site' : path
  if (code === PERMISSION_DENIED)
    return new HostFault(
      'rights',
      `${name} does not allow it: ${file}. Give the user the right to write there.`,
    )
  if (code === NO_SUCH_FILE) return new HostFault('folder', `${name} has no ${file}.`)
  if (code === NO_CONNECTION || code === CONNECTION_LOST || typeof code !== 'number')
    return new HostFault('lost', `The connection to ${name} broke off at ${file}: ${message}`)
  return new HostFault(
    'not stored',
    `${name} could not do it: ${file} (${message}). Is there room on the host, and no folder or file in the way?`,
  )
}

const seen = ({ size, mtime }: Pick<Stats, 'size' | 'mtime'>): FileSeen => ({ size, modified: mtime })

/** Connects, and gives back the client with the fingerprint that it met. @throws HostFault */
async function connect(access: SftpAccess): Promise<{ client: SshClient; met: string }> {
  const client = new ssh2.Client()
  let met = ''
  const config: ConnectConfig = {
    host: access.address,
    port: access.port,
    username: access.user,
    readyTimeout: CONNECT_MS,
    keepaliveInterval: 10_000,
    keepaliveCountMax: 3,
    hostVerifier: (key: Buffer) => {
      met = fingerprintOf(key)
      return access.hostKey === undefined || access.hostKey === met
    },
    ...(access.password === undefined ? {} : { password: access.password }),
    ...(access.privateKey === undefined ? {} : { privateKey: access.privateKey }),
    ...(access.passphrase === undefined ? {} : { passphrase: access.passphrase }),
  }
  const otherKey = () =>
    new HostFault(
      'key',
      `${access.name} answers with another key (${met}) than at first (${access.hostKey}). Ask who runs it whether its key was changed: it may be somebody else.`,
      met,
    )
  await new Promise<void>((resolve, reject) => {
    client.once('ready', resolve)
    // Requests are small and wait for each other: held back to be sent together, each would take a moment longer.
    client.once('connect', () => client.setNoDelay(true))
    client.once('error', (error) => {
      const isOther = met !== '' && access.hostKey !== undefined && access.hostKey !== met
      reject(isOther ? otherKey() : connectFault(access, error as SshError))
    })
    client.once('close', () => reject(new HostFault('lost', `${access.name} closed the connection.`)))
    try {
      client.connect(config)
    } catch (error) {
      // A private key is read before anything is sent.
      reject(connectFault(access, error as SshError))
    }
  }).catch((error: unknown) => {
    client.end()
    throw error
  })
  return { client, met }
}

/** Connects to a host by SFTP. @throws HostFault */
export async function openSftp(access: SftpAccess): Promise<{ connection: Connection; met: string }> {
  const { client, met } = await connect(access)
  const { name } = access
  let lost: ((error: HostFault) => void)[] = []
  let broken: string | undefined
  const breakOff = (why: string) => {
    broken ??= why
    const waiting = lost
    lost = []
    for (const tell of waiting) tell(new HostFault('lost', `The connection to ${name} broke off: ${why}`))
  }
  client.on('error', ({ message }) => breakOff(message))
  client.on('close', () => breakOff('it was closed'))

  /** One question and its answer; whatever happens, it ends. */
  const ask = <Result>(
    path: string,
    question: (answer: (error: Error | undefined | null, result?: Result) => void) => void,
  ) =>
    new Promise<Result>((resolve, reject) => {
      // Nobody answers any more.
      if (broken !== undefined)
        return reject(new HostFault('lost', `The connection to ${name} broke off: ${broken}`))
      const end = (settle: () => void) => {
        clearTimeout(timer)
        lost = lost.filter((one) => one !== fail)
        settle()
      }
      const fail = (error: HostFault) => end(() => reject(error))
      const timer = setTimeout(
        () => fail(new HostFault('lost', `${name} did not answer in time: ${path}`)),
        ANSWER_MS,
      )
      lost.push(fail)
      try {
        question((error, result) =>
          error ? fail(faultOf(name, path, error)) : end(() => resolve(result as Result)),
        )
      } catch (error) {
        fail(new HostFault('lost', `The connection to ${name} broke off: ${(error as Error).message}`))
      }
    })

  /** The same where the answer says no more than that it is done. */
  const order = async (
    path: string,
    question: (answer: (error: Error | undefined | null) => void) => void,
  ): Promise<void> => {
    await ask(path, question)
  }

  const sftp = await ask<SFTPWrapper>('', (answer) => client.sftp(answer)).catch((error: unknown) => {
    client.end()
    throw error
  })
  const top = access.folder.endsWith('/') ? access.folder.slice(0, -1) : access.folder
  const at = (path: string) => [top, path].filter((part) => part !== '').join('/') || '.'
  const missing = async <Result>(work: Promise<Result>): Promise<Result | undefined> =>
    work.catch((error: unknown) => {
      if (error instanceof HostFault && error.kind === 'folder') return undefined
      throw error
    })
  const see = async (path: string) => {
    const is = await missing(ask<Stats>(path, (answer) => sftp.stat(at(path), answer)))
    return is?.isFile() ? seen(is) : undefined
  }
  const remove = (path: string) => order(path, (answer) => sftp.unlink(at(path), answer))
  const replacing = {
    isThere: async (path: string) => (await see(path)) !== undefined,
    rename: (from: string, to: string) => order(to, (answer) => sftp.rename(at(from), at(to), answer)),
    remove,
  }

  let canReplace = true
  const connection: Connection = {
    atOnce: 6,
    async list(folder) {
      const entries = await missing(
        ask<FileEntryWithStats[]>(folder, (answer) => sftp.readdir(at(folder), answer)),
      )
      if (!entries) return undefined
      const files = new Map<string, FileSeen>()
      const folders = new Set<string>()
      for (const { filename, attrs } of entries) {
        if (filename === '.' || filename === '..') continue
        const path = folder === '' ? filename : `${folder}/${filename}`
        // What a link leads to counts.
        const is = attrs.isSymbolicLink()
          ? await missing(ask<Stats>(path, (answer) => sftp.stat(at(path), answer)))
          : attrs
        if (is?.isDirectory()) folders.add(filename)
        else if (is?.isFile()) files.set(filename, seen(is))
      }
      return { files, folders }
    },
    see,
    read: (path) => ask<Buffer>(path, (answer) => sftp.readFile(at(path), answer)),
    write: (path, bytes) => order(path, (answer) => sftp.writeFile(at(path), Buffer.from(bytes), answer)),
    async rename(from, to) {
      if (canReplace)
        await order(to, (answer) => {
          try {
            sftp.ext_openssh_rename(at(from), at(to), answer)
          } catch {
            // The server did not name this extension when it was met.
            canReplace = false
            answer(undefined)
          }
        })
      if (!canReplace) await replaceFile(replacing, from, to)
    },
    remove,
    makeFolder: (path) => order(path, (answer) => sftp.mkdir(at(path), answer)),
    removeFolder: (path) =>
      order(path, (answer) => sftp.rmdir(at(path), answer)).catch((error: unknown) => {
        if ((error as HostFault).kind === 'lost') throw error
      }),
    close: () =>
      new Promise((resolve) => {
        client.once('close', () => resolve())
        client.end()
        setTimeout(resolve, 1000).unref()
      }),
  }
  return { connection, met }
}
