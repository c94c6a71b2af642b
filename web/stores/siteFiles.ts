import { pathBeside, pathForIncoming, pathOfReplacement } from '@viatica/core/files/incoming.ts'
import { filesNamedBy, followMoves } from '@viatica/core/files/styleLinks.ts'
import { fileUses, removalOf } from '@viatica/core/files/uses.ts'
import type { SingleChange } from '@viatica/core/plan/change/change.ts'
import type { FileId } from '@viatica/core/plan/ids.ts'
import { type FileKind, fileTypeOf, MAX_SITE_BYTES, type SiteFile } from '@viatica/core/plan/file.ts'
import { filesByPath } from '@viatica/core/plan/site.ts'
import { valueFor } from '@viatica/core/standard/present.ts'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { Refusal } from '../api/request.ts'
import type { Room } from '@viatica/core/protocol/sites.ts'
import { sitesApi } from '../api/sites.ts'
import { useOpenSite } from './openSite.ts'

/** Room that is used up to this share is told. */
const NEARLY = 0.8

/** A file of the author's computer, with the folders that it came in. */
export interface Incoming {
  readonly file: File
  /** Parted by slashes, its own name last. */
  readonly path: string
}

/** What is being sent. */
interface Sending {
  readonly done: number
  readonly total: number
  readonly name: string
}

/** What a file of a site says of its bytes. */
type KeptBytes = Pick<SiteFile, 'content' | 'size' | 'pixels'>
/** A file that gets other bytes. */
const withoutBytes = ({ content: _, size: __, pixels: ___, ...file }: SiteFile) => file

/** The files of the site: where each is used, and what can be done to it. */
export const useSiteFiles = defineStore('siteFiles', () => {
  const openSite = useOpenSite()
  const chosenId = ref('')
  const sending = shallowRef<Sending>()
  /** What could not be done with which file, in words. */
  const faults = shallowRef<readonly string[]>([])
  let stopping: AbortController | undefined
  watch(
    () => openSite.id,
    () => {
      chosenId.value = ''
      faults.value = []
    },
  )

  /** How many changes wait until files have been read or sent. */
  const begun = ref(0)

  /** Does what ends with a change to the site that is open: as long as it goes on, that must stay open. */
  async function whileOpen<Result>(work: () => Promise<Result>): Promise<Result> {
    begun.value++
    try {
      return await work()
    } finally {
      begun.value--
    }
  }

  const files = computed(() => filesByPath(openSite.shown))
  const chosen = computed(() => openSite.site?.files.get(chosenId.value))
  const ofKind = (kind: FileKind) => files.value.filter(({ path }) => fileTypeOf(path)?.kind === kind)

  /** The texts of style sheets, by the key of their bytes. */
  const texts = shallowRef<ReadonlyMap<string, string>>(new Map())

  /** Reads the style sheets that are not known yet: what they name follows when it is renamed. */
  async function readSheets(): Promise<void> {
    const missing = ofKind('style').filter(({ content }) => !texts.value.has(content))
    if (missing.length === 0) return
    const read = await Promise.all(
      missing.map(async ({ content }) => [content, await sitesApi.readText(content)] as const),
    )
    texts.value = new Map([...texts.value, ...read])
  }
  watch(
    () => openSite.site?.files,
    (now) => {
      // While that fails the screen says that nothing can be saved; before a file moves they are read again.
      if (now) readSheets().catch(passOver)
    },
    { immediate: true },
  )

  const uses = computed(() => {
    const site = openSite.shown
    const named = ofKind('style').map(({ id, path, content }) => {
      const text = texts.value.get(content)
      return [id, text === undefined ? new Set<FileId>() : filesNamedBy(site, path, text)] as const
    })
    return fileUses(site, new Map(named))
  })
  const usesOf = (id: FileId) => uses.value.get(id) ?? []

  function passOver(error: unknown): void {
    if (!(error instanceof Refusal)) throw error
  }

  function tellRefusal(error: unknown): void {
    if (!(error instanceof Refusal)) throw error
    openSite.notice = error.message
  }

  /** What the server said last of the room for files. */
  const room = shallowRef<Room>()

  /** Sends the bytes of a file. @returns what the file of a site says of them */
  async function keep(bytes: Blob, path: string, signal?: AbortSignal): Promise<KeptBytes> {
    const kept = await sitesApi.keepFile(bytes, path, signal)
    room.value = kept.room
    return { content: kept.content, size: bytes.size, ...(kept.pixels ? { pixels: kept.pixels } : {}) }
  }

  /** What is to be told of room that is nearly used up, in words; empty while there is enough. */
  const roomWords = computed(() => {
    const megabytes = (bytes: number) => Math.ceil(bytes / 1_000_000)
    const own = files.value.reduce((sum, { size }) => sum + size, 0)
    if (own > NEARLY * MAX_SITE_BYTES)
      return `The files of this site have ${megabytes(own)} of ${megabytes(MAX_SITE_BYTES)} MB.`
    const { used, most } = room.value ?? { used: 0, most: null }
    if (most === null || used <= NEARLY * most) return ''
    return `The files of all sites have ${megabytes(used)} of ${megabytes(most)} MB.`
  })

  /** The changes that let style sheets go on naming what moves, and name it from where they will stand themselves. */
  async function sheetChanges(moved: ReadonlyMap<string, string>): Promise<SingleChange[]> {
    await readSheets()
    const changes: SingleChange[] = []
    for (const sheet of ofKind('style')) {
      const text = texts.value.get(sheet.content)
      if (text === undefined) continue
      const to = moved.get(sheet.path) ?? sheet.path
      const next = followMoves(text, { from: sheet.path, to }, (path) => moved.get(path) ?? path)
      if (next === text) continue
      const bytes = new Blob([next])
      const kept = await keep(bytes, to)
      texts.value = new Map(texts.value).set(kept.content, next)
      changes.push({ kind: 'setFile', file: { ...sheet, path: to, ...kept } })
    }
    return changes
  }

  /** Whether style sheets may be written anew when a file moves: those that name it, and the file itself if it is one. */
  function movesSheets({ id, path }: SiteFile): boolean {
    if (fileTypeOf(path)?.kind === 'style') return true
    return ofKind('style').some((sheet) => {
      const text = texts.value.get(sheet.content)
      return text === undefined || filesNamedBy(openSite.shown, sheet.path, text).has(id)
    })
  }

  /** Moves files, and lets the style sheets that name them follow, as one change. */
  async function moveAll(moves: ReadonlyMap<FileId, string>, words: string): Promise<void> {
    const { files: before } = openSite.shown
    const moved = new Map([...moves].map(([id, path]) => [valueFor(before, id).path, path]))
    const rewritten = await sheetChanges(moved)
    const isRewritten = new Set(rewritten.map((one) => (one.kind === 'setFile' ? one.file.id : '')))
    const plain = [...moves].flatMap(([id, path]): SingleChange[] =>
      isRewritten.has(id) ? [] : [{ kind: 'setFile', file: { ...valueFor(before, id), path } }],
    )
    openSite.makeOrTell({ kind: 'batch', words, changes: [...plain, ...rewritten] })
  }

  /** Gives a file another path. @returns why that is refused, in words for the author */
  function rename(file: SiteFile, path: string): string | undefined {
    const change: SingleChange = { kind: 'setFile', file: { ...file, path } }
    if (!movesSheets(file)) return openSite.make(change)
    const outcome = openSite.tryOut(change)
    if (typeof outcome === 'string') return outcome
    whileOpen(() => moveAll(new Map([[file.id, path]]), `${file.path} is now ${path}`)).catch(tellRefusal)
    return undefined
  }

  const describe = (file: SiteFile, alt: string) => openSite.make({ kind: 'setFile', file: { ...file, alt } })

  /** Puts the bytes of another file in the place of one; links to it go on leading there. */
  async function replace(file: SiteFile, next: File): Promise<void> {
    faults.value = []
    const path = pathOfReplacement(file.path, next.name)
    try {
      const change: SingleChange = {
        kind: 'setFile',
        file: { ...withoutBytes(file), path, ...(await keep(next, path)) },
      }
      const outcome = openSite.tryOut(change)
      if (typeof outcome === 'string') faults.value = [outcome]
      else if (path === file.path) openSite.makeOrTell(change)
      else {
        const rewritten = await sheetChanges(new Map([[file.path, path]]))
        openSite.makeOrTell({
          kind: 'batch',
          words: `${file.path} replaced by ${path}`,
          changes: [change, ...rewritten],
        })
      }
    } catch (error) {
      if (!(error instanceof Refusal)) throw error
      faults.value = [error.message]
    }
  }

  /** Takes a file away, with what cannot be without it. */
  function remove(file: SiteFile): void {
    const changes = removalOf(openSite.shown, file.id)
    const at = files.value.findIndex(({ id }) => id === file.id)
    const next = files.value[at + 1] ?? files.value[at - 1]
    if (
      openSite.makeOrTell({
        kind: 'batch',
        words: `${file.path} removed from the files of the site`,
        changes,
      })
    )
      chosenId.value = next?.id ?? ''
  }

  /** The bytes to keep of a file that comes in: a style sheet follows those that come along under other names. */
  async function bytesOf(
    { file, path }: Incoming,
    to: string,
    arrivals: ReadonlyMap<string, string>,
  ): Promise<Blob> {
    if (fileTypeOf(to)?.kind !== 'style') return file
    const text = await file.text()
    const next = followMoves(text, { from: path, to }, (named) => arrivals.get(named))
    return next === text ? file : new Blob([next])
  }

  /** Sends one file. @returns the change that keeps it; undefined where the site has the same file already */
  async function send(
    one: Incoming,
    arrivals: ReadonlyMap<string, string>,
  ): Promise<SingleChange | undefined> {
    const to = arrivals.get(one.path)
    if (to === undefined) throw new Refusal(415, `${one.path} is of a kind that a site does not hold.`)
    const bytes = await bytesOf(one, to, arrivals)
    const kept = await keep(bytes, to, stopping?.signal)
    const there = files.value.find(({ path }) => path === to)
    if (there?.content === kept.content) return undefined
    return there
      ? { kind: 'setFile', file: { ...withoutBytes(there), ...kept } }
      : { kind: 'addFile', file: { id: crypto.randomUUID(), path: to, ...kept, alt: '' } }
  }

  /**
   * Takes files in, one after the other, and keeps them as one change; a file of the same path is replaced. What cannot
   * be kept is told, and the rest goes on. @returns the ids of the files that came
   */
  async function takeIn(incoming: readonly Incoming[], folder: string): Promise<FileId[]> {
    stopping = new AbortController()
    const arrivals = new Map(
      incoming.flatMap(({ path }) => {
        const to = pathForIncoming(path, folder)
        return to === undefined ? [] : [[path, to] as const]
      }),
    )
    const changes: SingleChange[] = []
    const refused: string[] = []
    for (const [done, one] of incoming.entries()) {
      if (stopping.signal.aborted) break
      sending.value = { done, total: incoming.length, name: one.path }
      try {
        const change = await send(one, arrivals)
        if (change) changes.push(change)
      } catch (error) {
        if (!(error instanceof Refusal)) throw error
        if (!stopping.signal.aborted) refused.push(error.message)
      }
    }
    sending.value = undefined
    faults.value = refused
    if (changes.length === 0) return []
    const words = changes.length === 1 ? undefined : `${changes.length} files added to the site`
    if (!openSite.makeOrTell(changes.length === 1 ? changes[0]! : { kind: 'batch', words, changes }))
      return []
    const ids = changes.flatMap((one) => ('file' in one && typeof one.file === 'object' ? [one.file.id] : []))
    chosenId.value = ids[0] ?? chosenId.value
    return ids
  }

  /**
   * Adds a picture without replacing another file. @returns the id of its file, or of the one that has the same bytes already;
   * undefined where it is refused, with the reason in `faults`
   */
  async function addPicture(picture: File): Promise<FileId | undefined> {
    faults.value = []
    const wanted = pathForIncoming(picture.name, '')
    if (wanted === undefined || fileTypeOf(wanted)?.kind !== 'picture') {
      faults.value = [`${picture.name} is not a picture that web pages can show.`]
      return undefined
    }
    // Sent as it is shown now: the program that it was dragged from may remove its file.
    const bytes = await picture.arrayBuffer().catch(() => undefined)
    if (!bytes) {
      faults.value = [`${picture.name} cannot be read: it may have been moved or removed. Choose it again.`]
      return undefined
    }
    try {
      const kept = await keep(new Blob([bytes]), wanted)
      const same = files.value.find((file) => file.content === kept.content)
      if (same) return same.id
      const path = pathBeside(
        wanted,
        files.value.map((file) => file.path),
      )
      const file = { id: crypto.randomUUID(), path, ...kept, alt: '' }
      const refused = openSite.make({ kind: 'addFile', file })
      if (refused === undefined) return file.id
      faults.value = [refused]
    } catch (error) {
      if (!(error instanceof Refusal)) throw error
      faults.value = [error.message]
    }
    return undefined
  }

  const stop = () => stopping?.abort()

  return {
    chosenId,
    chosen,
    files,
    isWorking: computed(() => begun.value > 0),
    faults,
    roomWords,
    sending,
    ofKind,
    usesOf,
    movesSheets,
    rename,
    describe,
    replace: (file: SiteFile, next: File) => whileOpen(() => replace(file, next)),
    remove,
    addPicture: (picture: File) => whileOpen(() => addPicture(picture)),
    takeIn: (incoming: readonly Incoming[], folder: string) => whileOpen(() => takeIn(incoming, folder)),
    stop,
  }
})
