import { randomUUID } from 'node:crypto'
import { once } from 'node:events'
import { Readable } from 'node:stream'
import { deserialize } from 'node:v8'
import type { MessagePort } from 'node:worker_threads'
import { addressesOf } from '@viatica/core/address/addresses.ts'
import { pinPages } from '@viatica/core/address/pins.ts'
import type { FileSource } from '@viatica/core/formats/archive.ts'
import { siteArchiveFiles } from '@viatica/core/formats/siteArchive.ts'
import { bytesOfText } from '@viatica/core/formats/textBytes.ts'
import { type OutputChoices, usualChoices } from '@viatica/core/publish/choices.ts'
import { publishedFiles } from '@viatica/core/publish/publishedFiles.ts'
import { fontBytes } from '@viatica/fonts/fontFiles.ts'
import { ZipFile } from 'yazl'
import { checkFile } from '../fileCheck.ts'
import { prepare, type Preparing } from '../publish/prepare.ts'
import { openDatabase } from '../store/database.ts'
import { SiteStore } from '../store/siteStore.ts'
import { type Outcome, outcomeOf } from './outcome.ts'
import type { SiteToStore } from './readTasks.ts'

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
  const { site } = await store.sites.read(id)
  const say = (what: FromArchive) => port.postMessage(what)
  const bytesOf = async (file: FileSource): Promise<Uint8Array> => {
    if ('text' in file) return bytesOfText(file)
    if ('font' in file) return fontBytes(file.font)
    return (await store.contents.read(file.content)) ?? new Uint8Array()
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

/** A new site that is stored. */
export interface CreateTask {
  readonly databaseUrl: string
  /** As a thread that reads handed it over: `SiteToStore`. */
  readonly site: Uint8Array
  readonly name: string | undefined
  /** How many bytes of files all sites may have together. */
  readonly mostBytes: number
}

/** Stores a new site. @returns its id */
export const create = ({ databaseUrl, site: bytes, name, mostBytes }: CreateTask): Promise<Outcome<string>> =>
  outcomeOf(async () => {
    const { site, contents } = deserialize(bytes) as SiteToStore
    const settings = { ...site.settings, ...(name === undefined ? {} : { name }) }
    const database = openDatabase(databaseUrl)
    try {
      return await new SiteStore(database, checkFile, mostBytes).sites.create({ ...site, settings }, contents)
    } finally {
      await database.destroy()
    }
  })

/** Pages of a publication whose addresses are pinned. */
export interface PinTask {
  readonly databaseUrl: string
  readonly site: string
  readonly published: readonly { readonly page: string; readonly path: string }[]
}

/** Pins what was published at its address: where it moves later, a redirect stays. */
export const pin = ({ databaseUrl, site: id, published }: PinTask): Promise<Outcome<void>> =>
  outcomeOf(async () => {
    const database = openDatabase(databaseUrl)
    try {
      const store = new SiteStore(database, checkFile)
      const { site, revision, stamp } = await store.sites.read(id)
      const { paths } = addressesOf(site)
      const pages = published.flatMap(({ page, path }) => (paths.get(page) === path ? [page] : []))
      const change = pinPages(site, pages)
      if (change)
        await store.edits.change(id, { id: randomUUID(), base: revision, stamp: stamp ?? undefined, change })
    } finally {
      await database.destroy()
    }
  })

/** A publication that is worked out; see publish/prepare.ts. */
export interface PrepareTask {
  readonly databaseUrl: string
  readonly site: string
  readonly year: number
  readonly choices: OutputChoices
  readonly keepFor: string | undefined
}

/** How far a publication is that is worked out. */
export interface FromPublication {
  readonly files: number
  readonly allFiles: number
}

/** How often it is told how far a publication is. */
const TELL_MS = 250

/**
 * Works out what a site would publish, and keeps it where that is asked for.
 * @param task with a port that hears how far it is; whoever closes the other end stops it
 */
export const publication = ({ port, ...task }: PrepareTask & { port: MessagePort }) =>
  outcomeOf(async () => {
    let isWanted = true
    port.on('close', () => (isWanted = false))
    let told = performance.now()
    const tell: Preparing = (files, allFiles) => {
      if (performance.now() - told > TELL_MS) {
        port.postMessage({ files, allFiles } satisfies FromPublication)
        told = performance.now()
      }
      return isWanted
    }
    const database = openDatabase(task.databaseUrl)
    try {
      return await prepare(database, new SiteStore(database, checkFile), task, tell)
    } finally {
      port.close()
      await database.destroy()
    }
  })
