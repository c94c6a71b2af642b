import { itemAt } from '@viatica/core/standard/present.ts'
import { createHash } from 'node:crypto'
import ssh2, {
  type Client as SshClient,
  type ConnectConfig,
  type FileEntryWithStats,
  type SFTPWrapper,
  type Stats,
} from 'ssh2'
import pLimit from 'p-limit'
import { type HostLimits, transferTime, USUAL_LIMITS, within } from '../limits.ts'
import { HostFault } from '../hostFault.ts'
import { type Connection, type FileSeen, type FolderSeen, isEntryName } from './connection.ts'
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
  /** The fingerprint that the host must have; empty where none is trusted yet. */
  readonly hostKey: string
}

/** A file is read in parts of this size, a few of them requested at a time. */
const PART_BYTES = 32_768
const PARTS_AT_ONCE = 16
/** So many links of a folder are followed at a time. */
const LINKS_AT_ONCE = 16

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
const END_OF_FILE = 1
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

/** Why the key of a host is not accepted. */
function keyFault({ name, hostKey }: SftpAccess, found: string): HostFault {
  return new HostFault(
    'key',
    hostKey === ''
      ? `${name} has an unknown host key: ${found}. Check it with your provider, then trust it.`
      : `${name} has another host key (${found}) than the one that is trusted (${hostKey}). Nothing was sent. Check with your provider whether it was changed.`,
    found,
  )
}

/** Connects and logs in; nothing secret is sent to a host whose key is not trusted. @throws HostFault */
async function connect(access: SftpAccess, limits: HostLimits): Promise<SshClient> {
  const client = new ssh2.Client()
  // Listens for good: a connection that failed can fail again, and an error that nobody hears ends the process.
  client.on('error', () => undefined)
  let found = ''
  const config: ConnectConfig = {
    host: access.address,
    port: access.port,
    username: access.user,
    // The time for all of it is set below.
    readyTimeout: 0,
    keepaliveInterval: 10_000,
    keepaliveCountMax: 3,
    hostVerifier: (key: Buffer) => {
      found = fingerprintOf(key)
      return access.hostKey === found
    },
    ...(access.password === undefined ? {} : { password: access.password }),
    ...(access.privateKey === undefined ? {} : { privateKey: access.privateKey }),
    ...(access.passphrase === undefined ? {} : { passphrase: access.passphrase }),
  }
  const ready = new Promise<void>((resolve, reject) => {
    client.once('ready', resolve)
    // Requests are small and wait for each other: held back to be sent together, each would take a moment longer.
    client.once('connect', () => client.setNoDelay(true))
    client.once('error', (error) => {
      const isOther = found !== '' && access.hostKey !== found
      reject(isOther ? keyFault(access, found) : connectFault(access, error as SshError))
    })
    client.once('close', () => reject(new HostFault('lost', `${access.name} closed the connection.`)))
    try {
      client.connect(config)
    } catch (error) {
      // A private key is read before anything is sent.
      reject(connectFault(access, error as SshError))
    }
  })
  try {
    const late = { level: 'client-timeout', name: '', message: '' }
    await within(limits.connect, ready, () => connectFault(access, late))
  } catch (error) {
    client.destroy()
    throw error
  }
  return client
}

/** Connects to a host by SFTP. @throws HostFault */
export async function openSftp(access: SftpAccess, limits = USUAL_LIMITS): Promise<Connection> {
  const client = await connect(access, limits)
  const { name } = access
  const lost = new Set<(error: HostFault) => void>()
  let broken: string | undefined
  const breakOff = (why: string) => {
    broken ??= why
    for (const tell of lost) tell(new HostFault('lost', `The connection to ${name} broke off: ${why}`))
  }
  client.on('error', ({ message }) => breakOff(message))
  client.on('close', () => breakOff('it was closed'))

  /** Ends the connection: the library goes on with what nobody waits for otherwise. */
  const giveUp = (path: string) => {
    client.destroy()
    breakOff('it was too slow')
    return new HostFault(
      'lost',
      `${name} did not answer in time: ${path === '' ? 'the folder of the site' : path}`,
    )
  }

  /** One question and its answer; whatever happens, it ends. */
  const ask = <Result>(
    path: string,
    question: (answer: (error: Error | undefined | null, result?: Result) => void) => void,
    milliseconds = limits.answer,
  ) => {
    let fail: (error: HostFault) => void = () => undefined
    const work = new Promise<Result>((resolve, reject) => {
      // Nobody answers.
      if (broken !== undefined)
        return reject(new HostFault('lost', `The connection to ${name} broke off: ${broken}`))
      fail = reject
      lost.add(fail)
      try {
        question((error, result) => (error ? reject(faultOf(name, path, error)) : resolve(result as Result)))
      } catch (error) {
        reject(new HostFault('lost', `The connection to ${name} broke off: ${(error as Error).message}`))
      }
    })
    return within(milliseconds, work, () => giveUp(path)).finally(() => lost.delete(fail))
  }

  /** The same where the answer says no more than that it is done. */
  const order = async (
    path: string,
    question: (answer: (error: Error | undefined | null) => void) => void,
    milliseconds = limits.answer,
  ): Promise<void> => {
    await ask(path, question, milliseconds)
  }

  const sftp = await ask<SFTPWrapper>('', (answer) => client.sftp(answer), limits.connect).catch(
    (error: unknown) => {
      client.destroy()
      throw error
    },
  )
  sftp.on('error', ({ message }: Error) => breakOff(message))
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

  /** Works with an open file or folder of the host, and closes it. */
  const opened = async <Result>(
    path: string,
    open: (answer: (error: Error | undefined, handle: Buffer) => void) => void,
    work: (handle: Buffer) => Promise<Result>,
  ): Promise<Result> => {
    const handle = await ask<Buffer>(path, open as Parameters<typeof ask<Buffer>>[1])
    try {
      return await work(handle)
    } finally {
      await order(path, (answer) => sftp.close(handle, answer)).catch(() => undefined)
    }
  }

  /** A part of a file; it is shorter where the file ends, or where the host gives less at a time. */
  const readPart = (path: string, handle: Buffer, position: number) =>
    ask<Buffer>(path, (answer) =>
      sftp.read(handle, Buffer.alloc(PART_BYTES), 0, PART_BYTES, position, (error, count, buffer) => {
        // The types forget the end of a file, which has no bytes.
        const isEnd = (error as SshError | undefined)?.code === END_OF_FILE
        answer(isEnd ? undefined : error, error ? Buffer.alloc(0) : buffer.subarray(0, count))
      }),
    )

  /** Reads to the end of a file, whatever size the host tells of it. */
  const readWhole = async (path: string, handle: Buffer): Promise<Buffer> => {
    const whole: Buffer[] = []
    const started = performance.now()
    let size = 0
    for (let count = 1; ; count = PARTS_AT_ONCE) {
      const positions = Array.from({ length: count }, (_, n) => size + n * PART_BYTES)
      const parts = await Promise.all(positions.map((position) => readPart(path, handle, position)))
      if (itemAt(parts, 0).length === 0) return Buffer.concat(whole)
      for (const part of parts) {
        whole.push(part)
        size += part.length
        // What follows was read from too far on.
        if (part.length < PART_BYTES) break
      }
      if (performance.now() - started > transferTime(limits, size)) throw giveUp(path)
      if (size > limits.readBytes)
        throw new HostFault('not stored', `${path} on ${name} is too large to be read. Remove it there.`)
    }
  }

  const listEntries = async (folder: string, handle: Buffer): Promise<FileEntryWithStats[]> => {
    const entries: FileEntryWithStats[] = []
    for (;;) {
      const some = await ask<FileEntryWithStats[] | undefined>(folder, (answer) =>
        sftp.readdir(handle, (error, list) => {
          const isEnd = (error as SshError | undefined)?.code === END_OF_FILE
          answer(isEnd ? undefined : error, isEnd ? undefined : list)
        }),
      )
      if (some === undefined) return entries
      entries.push(...some)
      if (entries.length > limits.entries)
        throw new HostFault(
          'not stored',
          `${name} lists too many files in ${folder || 'the folder of the site'}.`,
        )
    }
  }

  const listFolder = async (folder: string): Promise<FolderSeen> => {
    const openFolder = (answer: (error: Error | undefined, handle: Buffer) => void) =>
      sftp.opendir(at(folder), answer)
    const entries = await opened(folder, openFolder, (handle) => listEntries(folder, handle))
    const files = new Map<string, FileSeen>()
    const folders = new Set<string>()
    const limit = pLimit(LINKS_AT_ONCE)
    await Promise.all(
      entries
        .filter(({ filename }) => isEntryName(filename))
        .map(async ({ filename, attrs }) => {
          const path = folder === '' ? filename : `${folder}/${filename}`
          // What a link points to counts.
          const is = attrs.isSymbolicLink()
            ? await limit(() => missing(ask<Stats>(path, (answer) => sftp.stat(at(path), answer))))
            : attrs
          if (is?.isDirectory()) folders.add(filename)
          else if (is?.isFile()) files.set(filename, seen(is))
        }),
    )
    return { files, folders }
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
    list: (folder) => missing(within(limits.list, listFolder(folder), () => giveUp(folder))),
    see,
    read: (path) =>
      opened(
        path,
        (answer) => sftp.open(at(path), 'r', answer),
        (handle) => readWhole(path, handle),
      ),
    write: (path, bytes) =>
      order(
        path,
        (answer) => sftp.writeFile(at(path), Buffer.from(bytes), answer),
        transferTime(limits, bytes.length),
      ),
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
  return connection
}
