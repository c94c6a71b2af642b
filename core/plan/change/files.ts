import { labelOf } from '../entry.ts'
import type { Site } from '../site.ts'
import type { AddFile, RemoveFile } from './change.ts'
import { ChangeRefused } from './refused.ts'

/** Keeps a file with the site. @throws ChangeRefused when its id or path is taken. */
export function addFile(site: Site, { file }: AddFile): { files: Site['files']; inverse: RemoveFile } {
  if (site.files.has(file.id)) throw new ChangeRefused(`The site already has a file with the id ${file.id}.`)
  for (const other of site.files.values()) {
    if (other.path === file.path) throw new ChangeRefused(`The site already has a file ${file.path}.`)
  }
  return { files: new Map(site.files).set(file.id, file), inverse: { kind: 'removeFile', file: file.id } }
}

/** Takes a file away. @throws ChangeRefused while the logo or a banner shows it. */
export function removeFile(site: Site, { file: id }: RemoveFile): { files: Site['files']; inverse: AddFile } {
  const file = site.files.get(id)
  if (!file) throw new ChangeRefused('This file is no longer among the files of the site.')
  if (site.settings.logo?.file === id) throw new ChangeRefused(`${file.path} is the logo of the site.`)
  for (const entry of site.plan.entries.values()) {
    if (entry.kind === 'page' && entry.banner?.file === id) {
      throw new ChangeRefused(`${file.path} is the banner of “${labelOf(entry)}”.`)
    }
  }
  const files = new Map(site.files)
  files.delete(id)
  return { files, inverse: { kind: 'addFile', file } }
}
