import { Readable, Writable } from 'node:stream'
import { type Client, type FileInfo, FTPError } from 'basic-ftp'
import { type HostLimits, transferTime, USUAL_LIMITS, within } from '../limits.ts'
import { HostFault } from '../hostFault.ts'
import { type Connection, type FileSeen, type FolderSeen, isEntryName } from './connection.ts'
import {
  bytesOnceSecured,
  connectFtp,
  type FtpAccess,
  ftpFault,
  isNotAvailable,
  isNotKnown,
} from './ftpAccess.ts'
import { FtpPool, MOST_CONNECTIONS } from './ftpPool.ts'
import { replaceFile } from './replace.ts'

/** More bytes of a listing are not read for each of its entries. */
const ENTRY_BYTES = 300
/** How often the size of a listing is looked at while it comes in, in milliseconds. */
const LOOK_MS = 100

const secondsOf = (date: Date) => Math.floor(date.getTime() / 1000)

/** When a file was last changed. https://datatracker.ietf.org/doc/html/rfc3659#section-3 */
async function modified(name: string, client: Client, path: string): Promise<number> {
  try {
    return secondsOf(await client.lastMod(path))
  } catch (error) {
    if (!isNotKnown(error)) throw error
    throw new HostFault(
      'not stored',
      `${name} does not tell when a file was changed (MDTM). Without that, what others changed there would be lost: use SFTP, or another host.`,
    )
  }
}

/** A file; undefined where there is none. */
async function seen(name: string, client: Client, path: string): Promise<FileSeen | undefined> {
  try {
    // A folder has no size, and so is no file.
    const size = await client.size(path)
    return { size, modified: await modified(name, client, path) }
  } catch (error) {
    if (isNotAvailable(error)) return undefined
    throw error
  }
}

async function isFolder(client: Client, path: string): Promise<boolean> {
  try {
    await client.cd(path)
    return true
  } catch (error) {
    if (error instanceof FTPError) return false
    throw error
  }
}

/** The list of the folder that was changed to; one without an end closes the connection. */
async function boundedList(client: Client, { entries }: HostLimits): Promise<FileInfo[]> {
  const looking = setInterval(() => {
    if ((client.ftp.dataSocket?.bytesRead ?? 0) > entries * ENTRY_BYTES) client.close()
  }, LOOK_MS)
  try {
    return await client.list()
  } finally {
    clearInterval(looking)
  }
}

/** What a folder holds, links followed. */
async function listed(
  name: string,
  client: Client,
  folder: string,
  limits: HostLimits,
): Promise<FolderSeen | undefined> {
  // Of a folder that is not there, many list that it is empty; and a path with a space is not one to all.
  if (!(await isFolder(client, folder))) return undefined
  const files = new Map<string, FileSeen>()
  const folders = new Set<string>()
  for (const { name: entry, isDirectory, isFile, size, modifiedAt } of await boundedList(client, limits)) {
    if (!isEntryName(entry)) continue
    const path = folder === '/' ? `/${entry}` : `${folder}/${entry}`
    if (isDirectory) folders.add(entry)
    else if (isFile && modifiedAt) files.set(entry, { size, modified: secondsOf(modifiedAt) })
    else {
      // A list that people read has no exact time; a link is what it leads to.
      const file = await seen(name, client, path)
      if (file) files.set(entry, file)
      else if (await isFolder(client, path)) folders.add(entry)
    }
  }
  return { files, folders }
}

/** Connects to a host by FTP. @throws HostFault */
export async function openFtp(access: FtpAccess, limits = USUAL_LIMITS): Promise<Connection> {
  const { name } = access
  const { client: first, top } = await connectFtp(access, limits)
  const pool = new FtpPool(access, first, limits)
  const using = async <Result>(
    path: string,
    work: (client: Client) => Promise<Result>,
    milliseconds = limits.answer,
  ): Promise<Result> => {
    // What a name holds that ends a line would be a command of its own.
    if (/[\r\n\0]/.test(path))
      throw new HostFault('rights', `${JSON.stringify(path)} is no name that FTP can send: rename it.`)
    const client = await pool.take()
    try {
      return await within(milliseconds, work(client), () => {
        client.close()
        return new HostFault(
          'lost',
          `${name} did not answer in time: ${path === '' ? 'the folder of the site' : path}`,
        )
      })
    } catch (error) {
      const fault = ftpFault(name, path, error)
      // Only what the server answered, and goes on after, leaves the connection in order.
      if (fault.kind === 'lost' || !(error instanceof FTPError)) client.close()
      throw fault
    } finally {
      pool.giveBack(client)
    }
  }

  const at = (path: string) => (path === '' ? top : `${top}/${path}`)
  const order = async (path: string, work: (client: Client) => Promise<unknown>, milliseconds?: number) => {
    await using(path, work, milliseconds)
  }
  const see = (path: string) => using(path, (client) => seen(name, client, at(path)))
  const remove = (path: string) => order(path, (client) => client.remove(at(path)))
  const replacing = {
    isThere: async (path: string) => (await see(path)) !== undefined,
    rename: (from: string, to: string) => order(to, (client) => client.rename(at(from), at(to))),
    remove,
  }
  return {
    atOnce: MOST_CONNECTIONS,
    list: (folder) => using(folder, (client) => listed(name, client, at(folder) || '/', limits), limits.list),
    see,
    read: (path) =>
      using(
        path,
        async (client) => {
          const size = await client.size(at(path))
          const parts: Buffer[] = []
          let read = 0
          const into = new Writable({
            write(part: Buffer, _, done) {
              parts.push(part)
              read += part.length
              const isTooLarge = read > limits.readBytes
              done(
                isTooLarge
                  ? new HostFault(
                      'not stored',
                      `${path} on ${name} is too large to be read. Remove it there.`,
                    )
                  : undefined,
              )
            },
          })
          const end = () => {
            client.close()
            return new HostFault('lost', `${name} did not answer in time: ${path}`)
          }
          const most = Math.min(Math.max(size, 0), limits.readBytes)
          await within(transferTime(limits, most), client.downloadTo(into, at(path)), end)
          return Buffer.concat(parts)
        },
        transferTime(limits, limits.readBytes),
      ),
    write: (path, bytes) =>
      order(
        path,
        (client) => client.uploadFrom(Readable.from(bytesOnceSecured(client, bytes)), at(path)),
        transferTime(limits, bytes.length),
      ),
    rename: (from, to) => replaceFile(replacing, from, to),
    remove,
    makeFolder: (path) => order(path, (client) => client.send(`MKD ${at(path)}`)),
    removeFolder: (path) =>
      order(path, (client) => client.send(`RMD ${at(path)}`)).catch((error: unknown) => {
        if ((error as HostFault).kind === 'lost') throw error
      }),
    close: () => pool.close(),
  }
}
