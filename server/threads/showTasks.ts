import { isUtf8 } from 'node:buffer'
import { pageAtPath } from '@viatica/core/address/addresses.ts'
import { type FileSource, sharedFiles } from '@viatica/core/formats/archive.ts'
import { bytesOfText } from '@viatica/core/formats/textBytes.ts'
import { filesByPath } from '@viatica/core/plan/site.ts'
import {
  type FilePass,
  type Referring,
  withSignedFiles,
  withSignedStyle,
} from '@viatica/core/render/filePass.ts'
import { createPageWriter } from '@viatica/core/render/pageWriter.ts'
import { withNamedFrames } from '@viatica/core/render/previewFrames.ts'
import { previewed } from '@viatica/core/render/previewed.ts'
import { sharedDigest } from '@viatica/core/render/sharedDigest.ts'
import { fontBytes } from '@viatica/fonts/fontFiles.ts'
import { checkFile } from '../fileCheck.ts'
import { openDatabase } from '../store/database.ts'
import { SiteStore } from '../store/siteStore.ts'
import { type Outcome, outcomeOf } from './outcome.ts'

/** A page or file of a site that somebody wants to see. */
export interface ShowTask {
  readonly databaseUrl: string
  readonly site: string
  readonly path: string
  /** The path of the preview, `/` at both ends. */
  readonly top: string
  readonly year: number
  /** What the addresses of its files are signed with; undefined where no key is needed. */
  readonly pass: FilePass | undefined
}

/** What is shown: a page as HTML, or a file, of which the key of its bytes may be enough; what shared files are by now is told with it. */
export type Shown =
  | { readonly kind: 'page'; readonly html: string }
  | {
      readonly kind: 'file'
      readonly file: { readonly bytes: Uint8Array } | { readonly content: string }
      readonly shared: string
    }
  | { readonly kind: 'nothing'; readonly siteName: string }

/** Kept from one task to the next: a site that was shown is at hand when the next page of it is wanted. */
let store: SiteStore | undefined

async function bytesOf(file: FileSource, from: SiteStore): Promise<Uint8Array> {
  if ('content' in file) return (await from.contents.read(file.content)) ?? new Uint8Array()
  return 'text' in file ? bytesOfText(file) : fontBytes(file.font)
}

/** A style sheet with its files signed. A name that is not in UTF-8 stays as it is, byte for byte. */
function withSignedBytes(bytes: Uint8Array, pass: FilePass, referring: Referring): Uint8Array {
  const encoding = isUtf8(bytes) ? 'utf8' : 'latin1'
  return Buffer.from(withSignedStyle(Buffer.from(bytes).toString(encoding), pass, referring), encoding)
}

/** A point in the history of a site, to be compared with its newest revision. */
export interface WayBackTask {
  readonly databaseUrl: string
  readonly site: string
  readonly to: number
}

const storeAt = (databaseUrl: string): SiteStore =>
  (store ??= new SiteStore(openDatabase(databaseUrl), checkFile))

/** Compares a point in the history with now: see `History.wayBack`. @returns its answer as JSON, in UTF-8 */
export const wayBack = ({ databaseUrl, site, to }: WayBackTask): Promise<Outcome<Uint8Array>> =>
  outcomeOf(async () => Buffer.from(JSON.stringify(await storeAt(databaseUrl).history.wayBack(site, to))))

/** Writes the page, or finds the file, at a path of a site as it is now. */
export const show = (task: ShowTask): Promise<Outcome<Shown>> => outcomeOf(() => shownOf(task))

async function shownOf({ databaseUrl, site: id, path, top, year, pass }: ShowTask): Promise<Shown> {
  const from = storeAt(databaseUrl)
  const { site: saved } = await from.sites.read(id)
  const site = previewed(saved, top)
  const page = pageAtPath(site, path)
  if (page !== undefined) {
    const html = withNamedFrames(createPageWriter(site, year).shown(page))
    return { kind: 'page', html: pass ? withSignedFiles(html, pass, { path, top }) : html }
  }
  const file = [...sharedFiles(site), ...filesByPath(site)].find((candidate) => candidate.path === path)
  if (!file) return { kind: 'nothing', siteName: site.settings.name }
  const shared = sharedDigest(saved)
  const isSigned = pass !== undefined && path.toLowerCase().endsWith('.css')
  if ('content' in file && !isSigned) return { kind: 'file', file: { content: file.content }, shared }
  const bytes = await bytesOf(file, from)
  return {
    kind: 'file',
    file: { bytes: isSigned ? withSignedBytes(bytes, pass, { path, top }) : bytes },
    shared,
  }
}
