import { once } from 'node:events'
import { Readable } from 'node:stream'
import type { MessagePort } from 'node:worker_threads'
import { checkJson } from '@viatica/core/formats/jsonDepth.ts'
import type { FileSource } from '@viatica/core/formats/archive.ts'
import { bytesOfText } from '@viatica/core/formats/textBytes.ts'
import { readOpml } from '@viatica/core/formats/opml.ts'
import { readSiteArchive, siteArchiveFiles } from '@viatica/core/formats/siteArchive.ts'
import { readSiteFile } from '@viatica/core/formats/siteFile.ts'
import type { Site } from '@viatica/core/plan/site.ts'
import { type OutputChoices, usualChoices } from '@viatica/core/publish/choices.ts'
import { publishedFiles } from '@viatica/core/publish/publishedFiles.ts'
import { fontBytes } from '@viatica/fonts/fontFiles.ts'
import * as v from 'valibot'
import { ZipFile } from 'yazl'
import { checkFile } from '../fileCheck.ts'
import { problemOf } from '../http/problem.ts'
import { editSchema } from '../http/editSchema.ts'
import { type Prepared, prepare } from '../publish/prepare.ts'
import { openDatabase } from '../store/database.ts'
import { SiteStore } from '../store/siteStore.ts'

/** What is read in a thread. */
export type ReadTask =
  | { readonly kind: 'edit'; readonly bytes: Uint8Array }
  | { readonly kind: 'outline'; readonly bytes: Uint8Array }
  | { readonly kind: 'site file'; readonly bytes: Uint8Array }
  | { readonly kind: 'site archive'; readonly bytes: Uint8Array }
  | { readonly kind: 'file'; readonly bytes: Uint8Array; readonly name: string }

export interface SiteToStore {
  readonly site: Site
  readonly contents: ReadonlyMap<string, Uint8Array>
}

/** @template Task an edit comes as JSON: its text is handed over, and read again, in a third of the time of its objects */
export type Reading<Task extends ReadTask> = Task['kind'] extends 'edit'
  ? string
  : Task['kind'] extends 'file'
    ? undefined
    : SiteToStore

/** The text of what came in, without its byte order mark; what is not UTF-8 in it reads as U+FFFD. */
const textOf = (bytes: Uint8Array) => new TextDecoder().decode(bytes)

function siteOfFile(text: string): SiteToStore {
  const { site, contents } = readSiteFile(text)
  const bytes = new Map([...contents].map(([key, base64]) => [key, Buffer.from(base64, 'base64')] as const))
  return { site, contents: bytes }
}

async function readingOf(task: ReadTask): Promise<string | SiteToStore | undefined> {
  switch (task.kind) {
    case 'edit':
      return JSON.stringify(v.parse(editSchema, checkJson(textOf(task.bytes)), { abortEarly: true }))
    case 'outline':
      return { site: readOpml(textOf(task.bytes)), contents: new Map() }
    case 'site file':
      return siteOfFile(textOf(task.bytes))
    case 'site archive':
      return readSiteArchive(task.bytes)
    case 'file':
      await checkFile(task.bytes, task.name)
      return undefined
  }
}

/** Reads what came in; what is wrong with it comes back as the words of a problem. */
export async function read(task: ReadTask): Promise<object> {
  try {
    return { read: await readingOf(task) }
  } catch (error) {
    const { status, title, message, extra } = problemOf(error as Error)
    if (status >= 500) throw error
    return { problem: [status, title, message, extra] }
  }
}

/** A site whose archive is written. The thread reads it by itself: a large one would take long to hand over. */
export interface ArchiveTask {
  /** The finished site, or all that is needed to open it again. */
  readonly what: 'finished site' | 'site to open again'
  readonly databaseUrl: string
  readonly site: string
  readonly year: number
  /** What stands beside the pages and files of the finished site; undefined for what is usual. */
  readonly choices: OutputChoices | undefined
}

/**
 * What comes from a thread that writes an archive; a piece is answered when it has been taken. Nobody takes the next when
 * the port is closed: the thread then ends its task by itself. To end the thread instead can end the whole process: Node
 * allows no end while it makes a compressor.
 */
export type FromArchive = { readonly piece: Uint8Array } | { readonly end: true }

/** The same moment in every archive: what did not change gives the same bytes. */
const MTIME = new Date(Date.UTC(2000, 0, 1))

/**
 * Writes the finished site as a zip archive to a port. Each file is made when its turn comes, and each piece is sent
 * when the one before has been taken, so that no more than a few are held at once.
 */
export async function archive(task: ArchiveTask & { port: MessagePort }): Promise<void> {
  const database = openDatabase(task.databaseUrl)
  try {
    await writeArchive(new SiteStore(database, checkFile), task)
  } finally {
    await database.destroy()
  }
}

async function writeArchive(
  store: SiteStore,
  { what, site: id, year, choices, port }: ArchiveTask & { port: MessagePort },
): Promise<void> {
  const gone = new AbortController()
  port.on('close', () => gone.abort())
  const { site } = await store.read(id)
  const say = (what: FromArchive) => port.postMessage(what)
  const bytesOf = async (file: FileSource): Promise<Uint8Array> => {
    if ('text' in file) return bytesOfText(file)
    if ('font' in file) return fontBytes(file.font)
    return (await store.readContent(file.content)) ?? new Uint8Array()
  }
  const zip = new ZipFile()
  const files =
    what === 'finished site'
      ? publishedFiles(site, year, choices ?? usualChoices(site))
      : siteArchiveFiles(site)
  for (const file of files) {
    zip.addReadStreamLazy(file.path, { mtime: MTIME, mode: 0o644 }, (give) => {
      bytesOf(file).then(
        (all) => give(null, Readable.from([all])),
        (error: unknown) => give(error as Error, Readable.from([])),
      )
    })
  }
  zip.end()
  for await (const piece of zip.outputStream) {
    say({ piece: piece as Uint8Array })
    const taken = once(port, 'message', { signal: gone.signal })
    if (!(await taken.catch(() => undefined))) return
  }
  say({ end: true })
}

/** A publication that is worked out; see publish/prepare.ts. */
export interface PrepareTask {
  readonly databaseUrl: string
  readonly site: string
  readonly year: number
  readonly choices: OutputChoices
  readonly keepFor: string | undefined
}

/** Works out what a site would publish, and keeps it where that is asked for. */
export async function publication(task: PrepareTask): Promise<Prepared> {
  const database = openDatabase(task.databaseUrl)
  try {
    return await prepare(database, new SiteStore(database, checkFile), task)
  } finally {
    await database.destroy()
  }
}
