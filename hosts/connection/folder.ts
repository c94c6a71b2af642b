import { mkdir, readdir, readFile, rename, rmdir, stat, unlink, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
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

/** A folder of the machine that the server runs on. @throws HostFault when it is not there */
export async function openFolder(top: string): Promise<Connection> {
  const is = await stat(top).catch(() => undefined)
  if (!is?.isDirectory()) throw new HostFault('folder', `The folder ${top} is not there: make it first.`)
  const at = (path: string) => join(top, path)
  const told = async <Result>(path: string, work: Promise<Result>): Promise<Result> =>
    work.catch((error: unknown) => {
      throw faultOf(error, path)
    })
  const missing = async <Result>(path: string, work: Promise<Result>): Promise<Result | undefined> =>
    work.catch((error: unknown) => {
      if (isMissing(error)) return undefined
      throw faultOf(error, path)
    })
  return {
    atOnce: 8,
    async list(folder) {
      const entries = await missing(folder, readdir(at(folder), { withFileTypes: true }))
      if (!entries) return undefined
      const files = new Map<string, FileSeen>()
      const folders = new Set<string>()
      for (const entry of entries) {
        if (entry.isDirectory()) folders.add(entry.name)
        // What went away since the folder was read is not there.
        const is = await missing(entry.name, stat(join(at(folder), entry.name)))
        if (is?.isFile()) files.set(entry.name, seen(is))
        else if (is?.isDirectory()) folders.add(entry.name)
      }
      return { files, folders } satisfies FolderSeen
    },
    async see(path) {
      const is = await missing(path, stat(at(path)))
      return is?.isFile() ? seen(is) : undefined
    },
    read: (path) => told(path, readFile(at(path))),
    write: (path, bytes) => told(path, writeFile(at(path), bytes)),
    rename: (from, to) => told(to, rename(at(from), at(to))),
    remove: (path) => told(path, unlink(at(path))),
    makeFolder: (path) => told(path, mkdir(at(path))),
    removeFolder: (path) => rmdir(at(path)).catch(() => undefined),
    close: () => Promise.resolve(),
  }
}
