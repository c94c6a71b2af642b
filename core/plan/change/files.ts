import { nameKey } from '../../standard/fileName.ts'
import { labelOf } from '../entry.ts'
import { fileTypeOf, MAX_SITE_BYTES, type SiteFile } from '../file.ts'
import type { Site } from '../site.ts'
import { filesOfSurround } from '../surround/surround.ts'
import type { AddFile, RemoveFile, SetFile } from './change.ts'
import { ChangeRefused } from './refused.ts'

/** The files of a site with one put among them. @throws ChangeRefused when its path is taken, or there is no room */
function withFile(site: Site, file: SiteFile): Site['files'] {
  const files = new Map(site.files).set(file.id, file)
  let bytes = 0
  for (const other of files.values()) {
    bytes += other.size
    // Where case does not count, one would take the place of the other.
    if (other.id !== file.id && nameKey(other.path) === nameKey(file.path))
      throw new ChangeRefused(`The site already has a file ${other.path}.`)
  }
  if (bytes > MAX_SITE_BYTES)
    throw new ChangeRefused(`The files of a site can have ${MAX_SITE_BYTES / 1_000_000} MB together.`)
  return files
}

function fileOf(site: Site, id: string): SiteFile {
  const file = site.files.get(id)
  if (!file) throw new ChangeRefused('This file is no longer among the files of the site.')
  return file
}

/** Keeps a file with the site. @throws ChangeRefused when its id or path is taken. */
export function addFile(site: Site, { file }: AddFile): { files: Site['files']; inverse: RemoveFile } {
  if (site.files.has(file.id)) throw new ChangeRefused(`The site already has a file with the id ${file.id}.`)
  return { files: withFile(site, file), inverse: { kind: 'removeFile', file: file.id } }
}

/** Renames, replaces or describes a file. @throws ChangeRefused when it becomes what its uses cannot do with. */
export function setFile(site: Site, { file }: SetFile): { files: Site['files']; inverse: SetFile } {
  const before = fileOf(site, file.id)
  const [was, is] = [fileTypeOf(before.path)!.kind, fileTypeOf(file.path)!.kind]
  if (was !== is && whatNeeds(site, file.id) !== undefined)
    throw new ChangeRefused(`${before.path} is in use as a ${was}, which ${file.path} would not be.`)
  return { files: withFile(site, file), inverse: { kind: 'setFile', file: before } }
}

/** What of the site needs a file, in words: the logo, a banner, the surround; undefined when nothing does. */
function whatNeeds({ settings, plan, surround }: Site, id: string): string | undefined {
  if (settings.logo?.file === id) return 'the logo of the site'
  for (const entry of plan.entries.values()) {
    if (entry.kind === 'page' && entry.banner?.file === id) return `the banner of “${labelOf(entry)}”`
  }
  return filesOfSurround(surround).includes(id) ? 'used by the surround' : undefined
}

/** Takes a file away. @throws ChangeRefused while the logo, a banner or the surround needs it. */
export function removeFile(site: Site, { file: id }: RemoveFile): { files: Site['files']; inverse: AddFile } {
  const file = fileOf(site, id)
  const need = whatNeeds(site, id)
  if (need) throw new ChangeRefused(`${file.path} is ${need}.`)
  const files = new Map(site.files)
  files.delete(id)
  return { files, inverse: { kind: 'addFile', file } }
}
