import { valueFor } from '@viatica/core/standard/present.ts'
import { createHash } from 'node:crypto'
import type { HostFile } from '@viatica/core/publish/publication.ts'
import type { FoundFile } from '@viatica/core/publish/report.ts'
import { folderKeys } from '@viatica/core/standard/fileName.ts'
import pLimit from 'p-limit'
import type { Connection, FileSeen, FolderSeen } from './connection/connection.ts'
import type { HostRecord } from './record.ts'

/** A host as it is. */
export interface Look {
  /** The files that concern a publication, as they are now. */
  readonly there: readonly HostFile[]
  readonly seen: ReadonlyMap<string, FileSeen>
  readonly folders: ReadonlyMap<string, FolderSeen>
  /** Those that somebody else made or changed. */
  readonly found: readonly FoundFile[]
  /** Those that a publication put there, and that are gone: by somebody else, or by a publication that broke off. */
  readonly missing: readonly string[]
  /** What a publication that broke off left behind. */
  readonly leftovers: readonly string[]
}

/** Files are written under such a name, and renamed when they are whole. */
export const LEFTOVER = /^\.new-[0-9a-f]{12}(?:-old)?$/

export const digestOf = (bytes: Uint8Array): string => createHash('sha256').update(bytes).digest('hex')

/** Everything above some paths, the folder of the site itself first. */
function foldersAbove(paths: Iterable<string>): string[] {
  const folders = new Set([''])
  for (const path of paths) for (const folder of folderKeys(path)) folders.add(folder)
  return [...folders].sort((a, b) => a.split('/').length - b.split('/').length)
}

/** Lists the folders that concern a publication; one whose own folder does not have it is not asked for. */
async function listFolders(
  connection: Connection,
  paths: Iterable<string>,
  check: () => void,
): Promise<Map<string, FolderSeen>> {
  const listed = new Map<string, FolderSeen>()
  for (const folder of foldersAbove(paths)) {
    const at = folder.lastIndexOf('/')
    const above = listed.get(folder.slice(0, Math.max(0, at)))
    if (folder !== '' && !above?.folders.has(folder.slice(at + 1))) continue
    check()
    const seen = await connection.list(folder)
    if (seen) listed.set(folder, seen)
  }
  return listed
}

const join = (folder: string, name: string) => (folder === '' ? name : `${folder}/${name}`)

/** What publications that broke off left behind in the folders that concern a publication. */
export async function leftoversOn(
  connection: Connection,
  record: HostRecord,
  wanted: readonly HostFile[],
): Promise<string[]> {
  const paths = [...(await record.files()), ...wanted].map(({ path }) => path)
  const intended = [...(await record.intended()).keys()]
  const folders = await listFolders(connection, [...paths, ...intended], () => undefined)
  return [...folders].flatMap(([folder, { files }]) =>
    [...files.keys()].filter((name) => LEFTOVER.test(name)).map((name) => join(folder, name)),
  )
}

/**
 * Reads what is on a host, as far as it concerns a publication. A file of a size and time that it had when it was put there
 * is taken for the same; the bytes of every other are read.
 * @param check throws when the publication is to end
 */
export async function lookAt(
  connection: Connection,
  record: HostRecord,
  wanted: readonly HostFile[],
  check: () => void,
): Promise<Look> {
  const recorded = new Map((await record.files()).map((file) => [file.path, file]))
  const intended = await record.intended()
  const will = new Map(wanted.map((file) => [file.path, file]))
  const concerned = new Set([...recorded.keys(), ...intended.keys(), ...will.keys()])
  const folders = await listFolders(connection, concerned, check)
  const seen = new Map<string, FileSeen>()
  const leftovers: string[] = []
  for (const [folder, { files }] of folders) {
    for (const [name, file] of files) {
      const path = join(folder, name)
      if (concerned.has(path)) seen.set(path, file)
      else if (LEFTOVER.test(name)) leftovers.push(path)
    }
  }

  const there: HostFile[] = []
  const found: FoundFile[] = []
  const known = (path: string, digest: string): HostFile => {
    const like = [will.get(path), recorded.get(path)].find((file) => file?.digest === digest)
    return like ?? { path, digest, size: valueFor(seen, path).size, role: 'file', page: null }
  }
  async function read(path: string): Promise<void> {
    check()
    const was = recorded.get(path)
    const bytes = await connection.read(path)
    const digest = digestOf(bytes)
    const now = { size: bytes.length, modified: valueFor(seen, path).modified }
    const isOurs =
      digest === was?.digest || digest === intended.get(path) || digest === will.get(path)?.digest
    // A file of another's that is what is wanted anyway is taken over.
    if (isOurs) await record.put({ ...known(path, digest), seen: now })
    else {
      await record.keepAside(path, digest, bytes)
      found.push({ path, was: was?.digest ?? null, digest, size: bytes.length })
    }
    there.push({ ...known(path, digest), size: bytes.length })
  }
  const limit = pLimit(connection.atOnce)
  const reads: Promise<void>[] = []
  for (const [path, { size, modified }] of seen) {
    const was = recorded.get(path)
    const isAsLeft = was?.seen.size === size && was.seen.modified === modified && !intended.has(path)
    if (was && isAsLeft) there.push(was)
    else reads.push(limit(() => read(path)))
  }
  await Promise.all(reads)
  const missing = [...recorded.keys()].filter((path) => !seen.has(path))
  found.sort((a, b) => (a.path < b.path ? -1 : 1))
  return { there, seen, folders, found, missing, leftovers }
}
