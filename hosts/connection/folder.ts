import { constants, type Stats } from 'node:fs'
import { lstat, mkdir, open, readdir, readlink, rename, rmdir, stat, unlink } from 'node:fs/promises'
import { isAbsolute, join, relative } from 'node:path'
import { HostFault } from '../hostFault.ts'
import type { Connection, FileSeen, FolderSeen } from './connection.ts'

interface SystemError extends Error {
  readonly code?: string
}

const isMissing = (error: unknown) => /^(ENOENT|ENOTDIR)$/.test((error as SystemError).code ?? '')

/** What an error of the file system means for who publishes. */
function faultOf(error: unknown, path: string): HostFault {
  const { code, message } = error as SystemError
  switch (code) {
    case 'EACCES':
    case 'EPERM':
    case 'EROFS':
      return new HostFault('rights', `${path} may not be written: give the server the right to do so.`)
    case 'ENOSPC':
    case 'EDQUOT':
      return new HostFault(
        'not stored',
        `There is no room for ${path}: make some on the host, and publish again.`,
      )
    case 'EISDIR':
    case 'ELOOP':
    case 'ENOTDIR':
    case 'EEXIST':
      return new HostFault(
        'in the way',
        `${path} cannot be written: a folder stands there, or a file where its folder must be. Move it away on the host.`,
      )
    default:
      return new HostFault('not stored', `${path}: ${message}`)
  }
}

const seen = ({ size, mtimeMs }: { size: number; mtimeMs: number }): FileSeen => ({
  size,
  modified: Math.floor(mtimeMs / 1000),
})

/** Open folders by their numbers: what is reached through one stays in it, whatever becomes of its path (proc(5)). */
const OPEN = '/proc/self/fd'

const { O_CREAT, O_DIRECTORY, O_NOFOLLOW, O_NONBLOCK, O_RDONLY, O_TRUNC, O_WRONLY } = constants

const isInside = (path: string, root: string): boolean => {
  const way = relative(root, path)
  return way === '' || (!/^\.\.(?:$|\/)/.test(way) && !isAbsolute(way))
}

const outside = (path: string) =>
  new HostFault(
    'rights',
    `${path === '' ? 'The folder' : path} is outside of the allowed folder: a link goes there.`,
  )

/** Splits a path into its folder and its name. */
function placeOf(path: string): { readonly folder: string; readonly name: string } {
  const at = path.lastIndexOf('/')
  return { folder: path.slice(0, Math.max(0, at)), name: path.slice(at + 1) }
}

/**
 * A folder of the machine that the server runs on. Everything in it is reached through the open folder that it is in, once that
 * is known to be inside of the root: a link that is put in its place meanwhile changes nothing.
 * @param root the folder that nothing may leave, with all links resolved; `top` is in it
 * @throws HostFault when it is not there
 */
export async function openFolder(top: string, root: string): Promise<Connection> {
  /** Opens a folder, and works with it. @throws HostFault for one that links lead out to */
  const inFolder = async <Result>(
    folder: string,
    work: (at: (name: string) => string) => Promise<Result>,
  ): Promise<Result> => {
    const handle = await open(join(top, folder), O_RDONLY | O_DIRECTORY)
    try {
      const opened = `${OPEN}/${handle.fd}`
      if (!isInside(await readlink(opened), root)) throw outside(folder)
      return await work((name) => `${opened}/${name}`)
    } finally {
      await handle.close()
    }
  }
  const told = async <Result>(path: string, work: Promise<Result>): Promise<Result> =>
    work.catch((error: unknown) => {
      throw error instanceof HostFault ? error : faultOf(error, path)
    })
  const missing = async <Result>(path: string, work: Promise<Result>): Promise<Result | undefined> =>
    work.catch((error: unknown) => {
      if (isMissing(error)) return undefined
      throw error instanceof HostFault ? error : faultOf(error, path)
    })
  const inFolderOf = <Result>(path: string, work: (at: string) => Promise<Result>): Promise<Result> => {
    const { folder, name } = placeOf(path)
    return inFolder(folder, (at) => work(at(name)))
  }
  /** What is at a place: a link is what it points to, as long as that is inside; undefined for one that points out. */
  const statInside = async (at: string): Promise<Stats | undefined> => {
    const is = await lstat(at)
    if (!is.isSymbolicLink()) return is
    const handle = await open(at, O_RDONLY | O_NONBLOCK)
    try {
      return isInside(await readlink(`${OPEN}/${handle.fd}`), root) ? await handle.stat() : undefined
    } finally {
      await handle.close()
    }
  }
  const is = await missing(
    '',
    inFolder('', (at) => stat(at('.'))),
  )
  if (!is?.isDirectory()) throw new HostFault('folder', `The folder ${top} is not there: make it first.`)
  return {
    atOnce: 8,
    list: (folder) =>
      missing(
        folder,
        inFolder(folder, async (at) => {
          const files = new Map<string, FileSeen>()
          const folders = new Set<string>()
          for (const name of await readdir(at('.'))) {
            // What went away since the folder was read is not there.
            const is = await missing(name, statInside(at(name)))
            if (is?.isFile()) files.set(name, seen(is))
            else if (is?.isDirectory()) folders.add(name)
          }
          return { files, folders } satisfies FolderSeen
        }),
      ),
    async see(path) {
      const is = await missing(path, inFolderOf(path, statInside))
      return is?.isFile() ? seen(is) : undefined
    },
    read: (path) =>
      told(
        path,
        inFolderOf(path, async (at) => {
          const handle = await open(at, O_RDONLY | O_NONBLOCK)
          try {
            if (!isInside(await readlink(`${OPEN}/${handle.fd}`), root)) throw outside(path)
            return await handle.readFile()
          } finally {
            await handle.close()
          }
        }),
      ),
    write: (path, bytes) =>
      told(
        path,
        inFolderOf(path, async (at) => {
          const handle = await open(at, O_WRONLY | O_CREAT | O_TRUNC | O_NOFOLLOW, 0o666)
          try {
            await handle.writeFile(bytes)
          } finally {
            await handle.close()
          }
        }),
      ),
    rename: (from, to) =>
      told(
        to,
        inFolderOf(from, (source) => inFolderOf(to, (target) => rename(source, target))),
      ),
    remove: (path) => told(path, inFolderOf(path, unlink)),
    makeFolder: (path) =>
      told(
        path,
        inFolderOf(path, (at) => mkdir(at)),
      ),
    removeFolder: (path) => inFolderOf(path, (at) => rmdir(at)).catch(() => undefined),
    close: () => Promise.resolve(),
  }
}
