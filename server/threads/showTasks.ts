import { pageAtPath } from '@viatica/core/address/addresses.ts'
import { sharedFiles } from '@viatica/core/formats/archive.ts'
import { bytesOfText } from '@viatica/core/formats/textBytes.ts'
import { filesByPath } from '@viatica/core/plan/site.ts'
import { createRenderer } from '@viatica/core/render/renderer.ts'
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

/** Writes the page, or finds the file, at a path of a site as it is now. */
export const show = (task: ShowTask): Promise<Outcome<Shown>> => outcomeOf(() => shownOf(task))

async function shownOf({ databaseUrl, site: id, path, top, year }: ShowTask): Promise<Shown> {
  store ??= new SiteStore(openDatabase(databaseUrl), checkFile)
  const { site: saved } = await store.read(id)
  const site = previewed(saved, top)
  const page = pageAtPath(site, path)
  if (page !== undefined)
    return { kind: 'page', html: withNamedFrames(createRenderer(site, year).shown(page)) }
  const file = [...sharedFiles(site), ...filesByPath(site)].find((candidate) => candidate.path === path)
  if (!file) return { kind: 'nothing', siteName: site.settings.name }
  const shared = sharedDigest(saved)
  if ('content' in file) return { kind: 'file', file: { content: file.content }, shared }
  const bytes = 'text' in file ? bytesOfText(file) : await fontBytes(file.font)
  return { kind: 'file', file: { bytes }, shared }
}
