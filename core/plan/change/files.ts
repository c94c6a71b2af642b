import { folderKeys, nameKey } from '../../standard/fileName.ts'
import { labelOf } from '../entry.ts'
import type { FileId } from '../ids.ts'
import { fileTypeOf, MAX_FILES, MAX_SITE_BYTES, type SiteFile } from '../file.ts'
import { withGone, withoutGone } from '../gone.ts'
import type { Site } from '../site.ts'
import { filesOfSurround } from '../surround/surround.ts'
import type { AddFile, RemoveFile, SetFile } from './change.ts'
import { type Own, ownCopy } from './own.ts'
import { ChangeRefused } from './refused.ts'

/** The files of a map by the keys of their paths, and how many bytes they have together. */
interface FileIndex {
  readonly byKey: Map<string, SiteFile>
  /** How many files stand in each folder, or under it. */
  readonly folders: Map<string, number>
  bytes: number
}

/** Of each map of files; a change of many parts keeps that of its copy up. */
const indexes = new WeakMap<Site['files'], FileIndex>()

/** Takes a file into an index, or out of it. */
function count(index: FileIndex, file: SiteFile, by: 1 | -1): void {
  const key = nameKey(file.path)
  if (by === 1) index.byKey.set(key, file)
  else index.byKey.delete(key)
  for (const folder of folderKeys(key)) index.folders.set(folder, (index.folders.get(folder) ?? 0) + by)
  index.bytes += by * file.size
}

function indexOf(files: Site['files']): FileIndex {
  let index = indexes.get(files)
  if (!index) {
    index = { byKey: new Map(), folders: new Map(), bytes: 0 }
    for (const file of files.values()) count(index, file, 1)
    indexes.set(files, index)
  }
  return index
}

/** The files of a site without one, and with another in its place. */
function exchanged(
  site: Site,
  { before, after }: { before?: SiteFile; after?: SiteFile },
  own: Own,
): Site['files'] {
  const files = ownCopy(site.files, own)
  const index = indexOf(files)
  if (before) {
    files.delete(before.id)
    count(index, before, -1)
  }
  if (after) {
    files.set(after.id, after)
    count(index, after, 1)
  }
  return files
}

/** @throws ChangeRefused when the path of a file is taken, or there is no room for it in the place of the one before */
function checkRoom(site: Site, file: SiteFile, before?: SiteFile): void {
  const { byKey, folders, bytes } = indexOf(site.files)
  // Where case does not count, one would take the place of the other.
  const there = byKey.get(nameKey(file.path))
  if (there && there.id !== file.id) throw new ChangeRefused(`The site already has a file ${there.path}.`)
  const key = nameKey(file.path)
  const ownFolders = new Set(before ? folderKeys(nameKey(before.path)) : [])
  if ((folders.get(key) ?? 0) > (ownFolders.has(key) ? 1 : 0))
    throw new ChangeRefused(`The site has a folder ${file.path}.`)
  const above = [...folderKeys(key)]
    .flatMap((folder) => byKey.get(folder) ?? [])
    .find(({ id }) => id !== file.id)
  if (above) throw new ChangeRefused(`${above.path} is a file of the site: it cannot be a folder, too.`)
  if (site.files.size >= MAX_FILES && !before)
    throw new ChangeRefused(`A site can have at most ${MAX_FILES} files.`)
  if (bytes - (before?.size ?? 0) + file.size > MAX_SITE_BYTES)
    throw new ChangeRefused(`The files of a site can have ${MAX_SITE_BYTES / 1_000_000} MB together.`)
}

function fileOf(site: Site, id: string): SiteFile {
  const file = site.files.get(id)
  if (!file) throw new ChangeRefused('This file is no longer among the files of the site.')
  return file
}

const pointerTo = (id: FileId) => `site-file:${id}`

/** Keeps a file with the site. @throws ChangeRefused when its id or path is taken. */
export function addFile(
  site: Site,
  { file }: AddFile,
  own: Own,
): Pick<Site, 'files' | 'gone'> & { inverse: RemoveFile } {
  if (site.files.has(file.id)) throw new ChangeRefused(`The site already has a file with the id ${file.id}.`)
  checkRoom(site, file)
  const { gone, forgotten } = withoutGone(site.gone, [pointerTo(file.id)])
  return {
    files: exchanged(site, { after: file }, own),
    gone,
    inverse: { kind: 'removeFile', file: file.id, ...(forgotten.length === 0 ? {} : { gone: forgotten }) },
  }
}

/** Renames, replaces or describes a file. @throws ChangeRefused when it becomes what its uses cannot do with. */
export function setFile(site: Site, { file }: SetFile, own: Own): { files: Site['files']; inverse: SetFile } {
  const before = fileOf(site, file.id)
  const [was, is] = [before, file].map(({ path }) => fileTypeOf(path)?.kind)
  if (was !== is && whatNeeds(site, file.id) !== undefined)
    throw new ChangeRefused(`${before.path} is in use as a ${was}, which ${file.path} would not be.`)
  checkRoom(site, file, before)
  return {
    files: exchanged(site, { before, after: file }, own),
    inverse: { kind: 'setFile', file: before },
  }
}

/** What of the site needs a file, in words: the logo, the icon, a banner, the surround; undefined when nothing does. */
function whatNeeds({ settings, plan, surround }: Site, id: string): string | undefined {
  if (settings.logo?.file === id) return 'the logo of the site'
  if (settings.icon === id) return 'the icon of the site'
  for (const entry of plan.entries.values()) {
    if (entry.kind === 'page' && entry.banner?.file === id) return `the banner of “${labelOf(entry)}”`
  }
  return filesOfSurround(surround).includes(id) ? 'used by the surround' : undefined
}

/** Takes a file away. @throws ChangeRefused while the logo, the icon, a banner or the surround needs it. */
export function removeFile(
  site: Site,
  { file: id, gone: told }: RemoveFile,
  own: Own,
): Pick<Site, 'files' | 'gone'> & { inverse: AddFile } {
  const file = fileOf(site, id)
  const need = whatNeeds(site, id)
  if (need) throw new ChangeRefused(`${file.path} is ${need}.`)
  const gone = withGone(
    site.gone,
    (told ?? []).filter(({ to }) => to === pointerTo(id)),
  )
  return { files: exchanged(site, { before: file }, own), gone, inverse: { kind: 'addFile', file } }
}
