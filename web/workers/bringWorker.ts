import { bring, type Brought, NothingToBring, type Step } from '@viatica/core/existing/bring.ts'
import type { Correction } from '@viatica/core/existing/corrections.ts'
import { broughtIntoLine } from '@viatica/core/existing/decide.ts'
import {
  type DrawnPage,
  drawPage,
  elementsToPointAt,
  type PointedElement,
} from '@viatica/core/existing/drawn.ts'
import type { FoundFile } from '@viatica/core/existing/intake/folderFiles.ts'
import { Room } from '@viatica/core/existing/intake/room.ts'
import { withoutTop } from '@viatica/core/existing/intake/withoutTop.ts'
import { type Overview, overviewOf } from '@viatica/core/existing/overview.ts'
import { likelyFolder } from '@viatica/core/existing/join/folder.ts'
import { type Joined, joinPages, type ReadForSite, readForSite } from '@viatica/core/existing/join/join.ts'
import type { Joining } from '@viatica/core/existing/join/branches.ts'
import { templatesInstead } from '@viatica/core/existing/join/templatesInstead.ts'
import { isArchived, writeSiteArchive } from '@viatica/core/formats/siteArchive.ts'
import { writeSiteFile } from '@viatica/core/formats/siteFile.ts'
import { inPieces } from '@viatica/core/shape/toPieces.ts'
import type { Change } from '@viatica/core/plan/change/change.ts'
import { ChangeRefused } from '@viatica/core/plan/change/refused.ts'
import type { Site } from '@viatica/core/plan/site.ts'
import { siteFault } from '@viatica/core/plan/siteFault.ts'
import { bytesOfText } from '@viatica/core/formats/textBytes.ts'
import { valueFor } from '@viatica/core/standard/present.ts'
import { isDifference } from '@viatica/core/template/kept.ts'
import { thisYear } from '@viatica/core/standard/date.ts'
import { base64 } from '@viatica/core/standard/base64.ts'
import { expose } from 'comlink'
import { filesInZip } from './zip.ts'

/** What was picked or dropped: the files of a folder with their paths, or an archive. */
export type Picked =
  | { readonly kind: 'folder'; readonly files: readonly { readonly path: string; readonly file: Blob }[] }
  | { readonly kind: 'zip'; readonly file: Blob }

/** How far it is: which files are read, or what is being worked out. */
export type Progress =
  | { readonly step: 'read'; readonly done: number; readonly total: number }
  | { readonly step: Step }

/** Folders that tools keep beside the pages, and that nobody publishes. */
const PASSED_OVER = /(?:^|\/)(?:\.git|\.hg|\.svn|node_modules)\/|(?:^|\/)(?:\.DS_Store|Thumbs\.db)$/

/** What is taken of existing pages: all of their HTML, or content and plan alone. */
export type Taken = 'html' | 'content'

/** Pages on their way into a site that is open. */
export type JoinedFiles = Joined & {
  /** The folder of the site that they are put into. */
  readonly folder: string
}

/** A site on its way from pieces to templates. */
export interface TurnedSite {
  readonly change: Change
  /** What becomes a file of the site, by the key that the change has for it; without bytes where it is a font. */
  readonly files: readonly {
    readonly key: string
    readonly path: string
    readonly bytes: Uint8Array | undefined
  }[]
  /** On how many pages something differs from their template. */
  readonly differences: number
}

/** On how many pages of a site something differs from their template, once a change is made. */
function differencesLeft(change: Change): number {
  const all = change.kind === 'batch' ? change.changes : [change]
  const set = all.find((one) => one.kind === 'setSurround' && one.field === 'templates')
  const templates = set?.kind === 'setSurround' && set.field === 'templates' ? set.value : null
  if (!templates) return 0
  const parts = new Map(templates.templates.map((template) => [template.id, template.parts]))
  return Object.values(templates.pages).filter(({ template, overrides }) =>
    overrides.some((override) =>
      isDifference(override, valueFor(parts, template).slice(override.from, override.to)),
    ),
  ).length
}

/** The one folder that all of some files stand in, ending in `/`; empty where there is none. */
function topOf(files: readonly FoundFile[]): string {
  const top = /^[^/]+\//.exec(files[0]?.path ?? '')?.[0] ?? ''
  return files.every(({ path }) => path.startsWith(top)) ? top : ''
}

/**
 * Works out a folder of existing pages, away from the screen. Whoever wants to stop it ends the worker. What cannot be
 * taken in comes back as words.
 */
export class BringWork {
  #files: readonly FoundFile[] = []
  /** The folder that all files came in. */
  #top = ''
  #brought: Brought | undefined
  /** The site that pages are read for, and what was read for it, by the folder. */
  #site: Site | undefined
  #read = new Map<string, ReadForSite>()

  /** Reads what was picked. @returns why it cannot be taken in */
  async read(picked: Picked, tell: (progress: Progress) => void): Promise<string | undefined> {
    const progress = (done: number, total: number) => tell({ step: 'read', done, total })
    if (picked.kind === 'zip') {
      const files = await filesInZip(picked.file, (all) => new Room().takeAll(all), progress)
      if (typeof files === 'string') return files
      this.#take(files)
      return undefined
    }
    const kept = picked.files.filter(({ path }) => !PASSED_OVER.test(path))
    const refusal = new Room().takeAll(kept.map(({ path, file }) => ({ path, size: file.size })))
    if (refusal !== undefined) return refusal
    const files: FoundFile[] = []
    for (const { path, file } of kept) {
      try {
        files.push({ path, bytes: new Uint8Array(await file.arrayBuffer()) })
      } catch {
        return `${path} cannot be read. It may have changed since it was picked: pick the folder again.`
      }
      progress(files.length, kept.length)
    }
    this.#take(files)
    return undefined
  }

  #take(files: readonly FoundFile[]): void {
    this.#top = topOf(files)
    this.#files = withoutTop(files)
  }

  /** Works out what was read. @returns what there is to be seen, or why there is nothing */
  workOut(corrections: readonly Correction[], tell: (progress: Progress) => void): Overview | string {
    try {
      this.#brought = bring(this.#files, corrections, (step) => tell({ step }))
    } catch (error) {
      if (error instanceof NothingToBring) return error.message
      throw error
    }
    return overviewOf(this.#brought)
  }

  /** A page to be looked at. */
  draw(path: string): DrawnPage | undefined {
    return drawPage(this.#brought!, path)
  }

  elements(path: string): PointedElement[] {
    return elementsToPointAt(this.#brought!, path)
  }

  /**
   * The site as a site file, with some differences brought into line; or why it cannot be stored.
   * @param taken all of the pages' HTML, or their content alone
   */
  siteFile(name: string, inLine: readonly number[], taken: Taken): { readonly file: string | Blob } | string {
    const { site, choices, contents } = this.#brought!
    const decided = broughtIntoLine(
      site,
      inLine.map((choice) => choices[choice]!),
    )
    const whole = { ...decided, settings: { ...decided.settings, name } }
    const named = taken === 'html' ? whole : inPieces(whole)
    const fault = siteFault(named)
    if (fault !== undefined) return fault
    if (isArchived(named))
      return { file: new Blob([writeSiteArchive(named, contents) as Uint8Array<ArrayBuffer>]) }
    return { file: writeSiteFile(named, new Map([...contents].map(([key, bytes]) => [key, base64(bytes)]))) }
  }

  /** Takes the site that pages are to come into. */
  into(site: Site): void {
    this.#site = site
    this.#read.clear()
  }

  /**
   * Works out how what was read comes into that site.
   * @param folder of the site; undefined for the one in which it is likely to stand
   * @returns why it cannot
   */
  join(
    folder: string | undefined,
    joining: Joining,
    tell: (progress: Progress) => void,
  ): JoinedFiles | string {
    const site = this.#site!
    const into = folder ?? likelyFolder(site, this.#files, this.#top)
    try {
      // Another choice about the same pages needs no reading.
      let read = this.#read.get(into)
      if (!read) {
        const files = this.#files.map(({ path, bytes }) => ({ path: into + path, bytes }))
        read = readForSite(site, files, (step) => tell({ step }))
        this.#read = new Map([[into, read]])
      }
      return { ...joinPages(read, joining), folder: into }
    } catch (error) {
      if (error instanceof NothingToBring || error instanceof ChangeRefused) return error.message
      throw error
    }
  }

  /** Works out templates for that site, which is one of pieces. The bytes of fonts are not known here. */
  turn(tell: (progress: Progress) => void): TurnedSite {
    const { change, contents } = templatesInstead(this.#site!, thisYear(), (step) => tell({ step }))
    return {
      change,
      files: [...contents].map(([key, file]) => ({
        ...{ key, path: file.path },
        bytes: 'text' in file ? bytesOfText(file) : undefined,
      })),
      differences: differencesLeft(change),
    }
  }
}

expose(new BringWork())
