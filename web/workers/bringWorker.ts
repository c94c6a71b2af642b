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
import { withoutTop } from '@viatica/core/existing/intake/withoutTop.ts'
import { type Overview, overviewOf } from '@viatica/core/existing/overview.ts'
import { writeSiteFile } from '@viatica/core/formats/siteFile.ts'
import { inPieces } from '@viatica/core/shape/toPieces.ts'
import { siteFault } from '@viatica/core/plan/siteFault.ts'
import { base64 } from '@viatica/core/standard/base64.ts'
import { expose } from 'comlink'
import { filesInZip } from './zip.ts'

/** What was picked or dropped: the files of a folder with their paths, or an archive. */
export type Picked =
  | { readonly kind: 'folder'; readonly files: readonly { readonly path: string; readonly file: Blob }[] }
  | { readonly kind: 'zip'; readonly file: Blob }

/** How far it is: which files are read, or what is being worked out. */
export type Progress =
  { readonly step: 'read'; readonly done: number; readonly total: number } | { readonly step: Step }

/** What is taken in at most. */
export const MOST_FILES = 5000
export const MOST_BYTES = 200_000_000

/** Folders that tools keep beside the pages, and that nobody publishes. */
const PASSED_OVER = /(?:^|\/)(?:\.git|\.hg|\.svn|node_modules)\/|(?:^|\/)(?:\.DS_Store|Thumbs\.db)$/

/** Why nothing can be taken in, in words for the author. */
function refusalOf(paths: number, bytes: number): string | undefined {
  if (paths > MOST_FILES) return `There are ${paths} files. At most ${MOST_FILES} can be imported.`
  if (bytes > MOST_BYTES)
    return `The files have ${Math.ceil(bytes / 1_000_000)} MB together. At most ${MOST_BYTES / 1_000_000} MB can be imported.`
  return undefined
}

/** What is taken of existing pages: all of their HTML, or content and plan alone. */
export type Taken = 'html' | 'content'

/**
 * Works out a folder of existing pages, away from the screen. Whoever wants to stop it ends the worker. What cannot be
 * taken in comes back as words.
 */
export class BringWork {
  #files: readonly FoundFile[] = []
  #brought: Brought | undefined

  /** Reads what was picked. @returns why it cannot be taken in */
  async read(picked: Picked, tell: (progress: Progress) => void): Promise<string | undefined> {
    const progress = (done: number, total: number) => tell({ step: 'read', done, total })
    if (picked.kind === 'zip') {
      const files = await filesInZip(picked.file, refusalOf, progress)
      if (typeof files === 'string') return files
      this.#files = withoutTop(files)
      return undefined
    }
    const kept = picked.files.filter(({ path }) => !PASSED_OVER.test(path))
    const refusal = refusalOf(
      kept.length,
      kept.reduce((sum, { file }) => sum + file.size, 0),
    )
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
    this.#files = withoutTop(files)
    return undefined
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
  siteFile(name: string, inLine: readonly number[], taken: Taken): { readonly text: string } | string {
    const { site, choices, contents } = this.#brought!
    const decided = broughtIntoLine(
      site,
      inLine.map((choice) => choices[choice]!),
    )
    const whole = { ...decided, settings: { ...decided.settings, name } }
    const named = taken === 'html' ? whole : inPieces(whole)
    const fault = siteFault(named)
    if (fault !== undefined) return fault
    return { text: writeSiteFile(named, new Map([...contents].map(([key, bytes]) => [key, base64(bytes)]))) }
  }
}

expose(new BringWork())
