import { randomBytes } from 'node:crypto'
import type { HostFile } from '@viatica/core/publish/publication.ts'
import type { FoundFile, Progress } from '@viatica/core/publish/report.ts'
import { type Stage, stagesOf, type Step } from '@viatica/core/publish/steps.ts'
import { folderKeys } from '@viatica/core/standard/fileName.ts'
import pLimit from 'p-limit'
import type { Connection, FileSeen } from './connection/connection.ts'
import { HostFault, isLost } from './hostFault.ts'
import { foldsCase, type Lock, lockHost, PATIENCE_MS } from './lock.ts'
import { leftoversOn, type Look, lookAt } from './look.ts'
import type { HostRecord } from './record.ts'

/** What a publication has done so far, over all the connections that it takes. */
export class Tally {
  put = 0
  removed = 0
  bytes = 0
  /** What was there before the first of it was done, as far as it concerns the publication. */
  there: readonly HostFile[] | undefined
}

/** What a publication did. */
export interface Sent extends Readonly<Tally> {
  /** Files of others that went from the host; their bytes are kept. */
  readonly keptAside: readonly FoundFile[]
}

export interface Sending {
  readonly connection: Connection
  readonly record: HostRecord
  /** What the host is to have. */
  readonly wanted: readonly HostFile[]
  /** The bytes of a file of it. */
  bytesOf(file: HostFile): Promise<Uint8Array>
  /** The digests, by path, of files of others that the author lets go. */
  readonly letGo: ReadonlyMap<string, string>
  /** Of who publishes: see lock.ts. */
  readonly token: string
  /** How long a lock may stand there of which nothing is said yet. */
  readonly patienceMs?: number
  readonly signal: AbortSignal
  /** Of connections that broke off before, where there were any. */
  readonly tally?: Tally
  tell(progress: Progress): void
}

/** Files that somebody else made or changed would go, and nobody was asked. */
export class AsksFirst extends HostFault {
  constructor(readonly found: readonly FoundFile[]) {
    const [first] = found
    const others = found.length === 1 ? '' : ` and ${found.length - 1} more`
    super(
      'asks',
      `${first!.path}${others} changed on the host since: look at what is there, and say whether it may go.`,
    )
  }
}

const deepestFirst = (folders: readonly string[]) =>
  [...folders].sort((a, b) => b.split('/').length - a.split('/').length)
const parentOf = (path: string) => path.slice(0, Math.max(0, path.lastIndexOf('/')))
const nameOf = (path: string) => path.slice(path.lastIndexOf('/') + 1)

/** Makes the folders of paths, each once. */
class Folders {
  readonly #made = new Map<string, Promise<void>>()

  constructor(
    readonly connection: Connection,
    readonly look: Look,
  ) {}

  #isThere(folder: string): boolean {
    return folder === '' || (this.look.folders.get(parentOf(folder))?.folders.has(nameOf(folder)) ?? false)
  }

  async #make(folder: string): Promise<void> {
    await this.ensure(parentOf(folder))
    try {
      await this.connection.makeFolder(folder)
    } catch (error) {
      if (!(error instanceof HostFault) || error.kind === 'lost') throw error
      // Somebody made it in between; or a file stands there.
      const above = await this.connection.list(parentOf(folder))
      if (above?.folders.has(nameOf(folder))) return
      if (!above?.files.has(nameOf(folder))) throw error
      throw new HostFault(
        'in the way',
        `A file stands at ${folder} on the host, where a folder must be: move it away there, and publish again.`,
      )
    }
  }

  ensure(folder: string): Promise<void> {
    if (this.#isThere(folder)) return Promise.resolve()
    const known = this.#made.get(folder)
    if (known) return known
    const making = this.#make(folder)
    this.#made.set(folder, making)
    return making
  }
}

/** Does one stage, several things at once; when one fails, none is begun any more, and those that were end. */
async function doStage(stage: Stage, atOnce: number, doStep: (step: Step) => Promise<void>): Promise<void> {
  const limit = pLimit(atOnce)
  let failed: { readonly error: unknown } | undefined
  await Promise.all(
    stage.map((step) =>
      limit(async () => {
        if (failed) return
        await doStep(step).catch((error: unknown) => (failed ??= { error }))
      }),
    ),
  )
  if (failed) throw failed.error
}

/** Locks a host. One without room for the lock gets some, where publications that broke off left files behind. */
async function lockWithRoom({ connection, record, wanted, token, patienceMs }: Sending): Promise<Lock> {
  const lock = () => lockHost(connection, token, patienceMs ?? PATIENCE_MS)
  try {
    return await lock()
  } catch (error) {
    // Somebody else who publishes would have been found before.
    if (!(error instanceof HostFault) || error.kind !== 'not stored') throw error
    const left = await leftoversOn(connection, record, wanted)
    if (left.length === 0) throw error
    for (const path of left) await removeQuietly(connection, path)
    return lock()
  }
}

/**
 * Makes a host hold what it is to hold, so that its visitors get whole pages whose links work at every moment; wherever it
 * breaks off, the next time goes on from there.
 * @throws HostFault; AsksFirst before anything is changed; the reason of the signal when it is stopped
 */
export async function send(sending: Sending): Promise<Sent> {
  const { connection, record, wanted, letGo, signal, tell } = sending
  const lock = await lockWithRoom(sending)
  const check = () => signal.throwIfAborted()
  try {
    tell({ stage: 'looking', files: 0, allFiles: 0 })
    const look = await lookAt(connection, record, wanted, check)
    const will = new Map(wanted.map((file) => [file.path, file]))
    const asked = look.found.filter(({ path, digest }) => letGo.get(path) !== digest)
    // What an earlier one left behind goes first: a host without room gets some.
    for (const path of look.leftovers) await removeQuietly(connection, path)
    if (asked.length > 0) throw new AsksFirst(asked)

    const folds = await foldsCase(connection)
    const key = (path: string) => (folds ? path.toLowerCase() : path)
    const seenByKey = new Map([...look.seen].map(([path, seen]) => [key(path), seen]))
    const stages = stagesOf(look.there, wanted, folds)
    const steps = stages.flat()
    const done = sending.tally ?? new Tally()
    done.there ??= look.there
    const before = done.put + done.removed
    const say = () =>
      tell({
        stage: 'sending',
        files: done.put + done.removed,
        allFiles: before + steps.length,
      })
    say()
    const folders = new Folders(connection, look)

    /** What is about to go must be what was looked at. */
    async function checkUntouched(path: string): Promise<void> {
      const was = seenByKey.get(key(path))
      const now = await connection.see(path)
      const isSame = now === undefined || (was?.size === now.size && was.modified === now.modified)
      if (!isSame)
        throw new HostFault(
          'asks',
          `${path} changed on the host while it was being published to. Publish again.`,
        )
    }

    /** A folder whose files went gets out of the way, with those that are empty in it. */
    async function removeEmptied(path: string): Promise<void> {
      const below = [...look.folders.keys()].filter((folder) => folder.startsWith(`${path}/`))
      for (const folder of deepestFirst([...below, path])) await connection.removeFolder(folder)
    }

    async function put(file: HostFile): Promise<void> {
      const { path } = file
      const folder = parentOf(path)
      await folders.ensure(folder)
      if (look.folders.get(folder)?.folders.has(nameOf(path))) await removeEmptied(path)
      const beside = `${folder === '' ? '' : `${folder}/`}.new-${randomBytes(6).toString('hex')}`
      const bytes = await sending.bytesOf(file)
      try {
        await connection.write(beside, bytes)
        checkStored(path, file.size, await connection.see(beside))
        await checkUntouched(path)
      } catch (error) {
        // A host without room keeps part of a file. Over a connection that is lost, the next one removes it.
        if (!isLost(error)) await removeQuietly(connection, beside)
        throw error
      }
      await record.intend(path, file.digest)
      try {
        await connection.rename(beside, path)
      } catch (error) {
        if (!(error instanceof HostFault) || error.kind === 'lost') throw error
        await connection.remove(beside)
        throw new HostFault(
          'renaming',
          `${path} was sent, but the host does not let it be put in its place: is there a folder of that name, and may files be renamed there? (${error.message})`,
        )
      }
      const seen = await connection.see(path)
      checkStored(path, file.size, seen)
      await record.put({ ...file, seen: seen! })
      done.put++
      done.bytes += file.size
    }

    async function remove(path: string): Promise<void> {
      await checkUntouched(path)
      if (await connection.see(path)) await connection.remove(path)
      done.removed++
    }

    const doStep = async (step: Step) => {
      check()
      await (step.do === 'put' ? put(step.file) : remove(step.path))
      await lock.hold()
      say()
    }
    for (const stage of stages) await doStage(stage, connection.atOnce, doStep)
    const gone = [...look.missing, ...look.there.map(({ path }) => path)].filter((path) => !will.has(path))
    await tidy(connection, gone)
    // What is gone is forgotten at last: until then, a publication that broke off knows what is to be tidied up.
    for (const path of gone) await record.removed(path)
    return { ...done, keptAside: look.found.filter(({ path, digest }) => will.get(path)?.digest !== digest) }
  } finally {
    // Where the connection broke off, the next publication finds its own lock.
    await lock.release().catch(() => undefined)
  }
}

function checkStored(path: string, size: number, seen: FileSeen | undefined): void {
  if (seen?.size === size) return
  throw new HostFault(
    'not stored',
    seen === undefined
      ? `The host took ${path} and does not have it. Is there room on it, and may files be made there?`
      : `The host has ${seen.size} of the ${size} bytes of ${path}. Is there room on it?`,
  )
}

/** Removes a file that nobody needs; where that is refused, the next publication tries again. */
async function removeQuietly(connection: Connection, path: string): Promise<void> {
  await connection.remove(path).catch((error: unknown) => {
    if (isLost(error)) throw error
  })
}

/** Removes the folders that are empty since some files went. */
async function tidy(connection: Connection, gone: readonly string[]): Promise<void> {
  const emptied = new Set(gone.flatMap((path) => [...folderKeys(path)]))
  for (const folder of deepestFirst([...emptied])) await connection.removeFolder(folder)
}
