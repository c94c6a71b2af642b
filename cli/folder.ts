import { readdirSync, readFileSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { promisify } from 'node:util'
import { type Brought, bring, NothingToBring } from '@viatica/core/existing/bring.ts'
import type { FoundFile } from '@viatica/core/existing/intake/folderFiles.ts'
import { archivePath } from '@viatica/core/existing/intake/foundPaths.ts'
import { MOST_BYTES, Room } from '@viatica/core/existing/intake/room.ts'
import { withoutTop } from '@viatica/core/existing/intake/withoutTop.ts'
import { fromBuffer, getFileNameLowLevel, type Entry, type ZipFile } from 'yauzl'
import { Fault } from './fault.ts'

/** Folders that tools keep beside the pages, and that nobody publishes. */
const PASSED_OVER = new Set(['.git', '.hg', '.svn', 'node_modules'])

/** Counts a file that is to be read. @throws Fault where there is no room for it */
function countFile(room: Room, path: string, bytes: number): void {
  const refusal = room.take(path, bytes)
  if (refusal !== undefined) throw new Fault(`${path}: ${refusal}`)
}

export function isFolder(path: string): boolean {
  return statSync(path, { throwIfNoEntry: false })?.isDirectory() ?? false
}

/** All files of a folder. Links of the file system are not followed. @throws Fault for too much, and what cannot be read */
export function readFolderFiles(folder: string): Promise<readonly FoundFile[]> {
  const files: FoundFile[] = []
  const room = new Room()
  const waiting = ['']
  try {
    for (let next = waiting.pop(); next !== undefined; next = waiting.pop()) {
      for (const entry of readdirSync(join(folder, next), { withFileTypes: true })) {
        const path = next + entry.name
        if (entry.isDirectory()) {
          if (!PASSED_OVER.has(entry.name)) waiting.push(`${path}/`)
        } else if (entry.isFile()) {
          countFile(room, path, statSync(join(folder, path)).size)
          files.push({ path, bytes: new Uint8Array(readFileSync(join(folder, path))) })
        }
      }
    }
  } catch (error) {
    if (error instanceof Fault) throw error
    throw new Fault(`${folder}: ${(error as Error).message}`)
  }
  return Promise.resolve(files.sort((a, b) => (a.path < b.path ? -1 : 1)))
}

const openZip = promisify<Buffer, { lazyEntries: boolean; decodeStrings: boolean }, ZipFile>(
  fromBuffer as never,
)

/** The path of a file in an archive. Read as it is: the library would refuse the whole archive for one odd name. */
function pathOf({ generalPurposeBitFlag, fileNameRaw, extraFields }: Entry): string {
  return archivePath(getFileNameLowLevel(generalPurposeBitFlag, fileNameRaw, extraFields, false))
}

/** The bytes of a file in an archive. What it says of its size is checked while it is read: yauzl does that. */
async function bytesIn(zip: ZipFile, entry: Entry): Promise<Uint8Array> {
  const stream = await promisify(
    zip.openReadStream.bind(zip) as never as (
      e: Entry,
      done: (error: Error | null, stream: NodeJS.ReadableStream) => void,
    ) => void,
  )(entry)
  const pieces: Buffer[] = []
  for await (const piece of stream) pieces.push(piece as Buffer)
  return new Uint8Array(Buffer.concat(pieces))
}

/** All files of a zip archive. @param said how the author named it @throws Fault for an archive that is broken, too large, locked, or leads out of itself */
export async function readZipFiles(path: string, said = path): Promise<readonly FoundFile[]> {
  const room = new Room()
  const files: FoundFile[] = []
  try {
    if (statSync(path).size > MOST_BYTES)
      throw new Fault(`${said}: The archive is larger than ${MOST_BYTES / 1_000_000} MB.`)
    const zip = await openZip(readFileSync(path), { lazyEntries: true, decodeStrings: false })
    await new Promise<void>((resolve, reject) => {
      zip.on('error', reject)
      zip.on('end', resolve)
      zip.on('entry', (entry: Entry) => {
        const take = async () => {
          const kind = (entry.externalFileAttributes >>> 16) & 0o170000
          const path = pathOf(entry)
          if (/[/\\]$/.test(entry.fileNameRaw.toString('latin1')) || kind === 0o120000) return
          if ((entry.generalPurposeBitFlag & 1) !== 0)
            throw new Fault(`${said}: ${path} is locked with a password.`)
          countFile(room, path, entry.uncompressedSize)
          files.push({ path, bytes: await bytesIn(zip, entry) })
        }
        take().then(() => zip.readEntry(), reject)
      })
      zip.readEntry()
    })
  } catch (error) {
    if (error instanceof Fault) throw error
    throw new Fault(`${said}: This archive cannot be read: ${(error as Error).message}`)
  }
  return withoutTop(files).sort((a, b) => (a.path < b.path ? -1 : 1))
}

/** @throws Fault for a folder without pages */
export function bringFolder(files: readonly FoundFile[], path: string): Brought {
  try {
    return bring(files)
  } catch (error) {
    if (error instanceof NothingToBring) throw new Fault(`${path}: ${error.message}`)
    throw error
  }
}
