import { addressesOf } from '../address/addresses.ts'
import { redirectsOf } from '../address/redirects.ts'
import type { OutputFile } from '../formats/archive.ts'
import type { EntryId } from '../plan/ids.ts'
import { isWritten, type Site } from '../plan/site.ts'
import type { OutputChoices } from './choices.ts'
import { publishedFiles } from './publishedFiles.ts'

/** What a file of a publication is to its visitors. */
export const FILE_ROLES = ['page', 'redirect', 'file'] as const
export type FileRole = (typeof FILE_ROLES)[number]

/** A file as a host has it, or is to have it. */
export interface HostFile {
  readonly path: string
  /** SHA-256 of its bytes, in hexadecimal. */
  readonly digest: string
  /** In bytes. */
  readonly size: number
  readonly role: FileRole
  /** The page that it is; null for what is none. */
  readonly page: EntryId | null
}

/** A file of the finished site, with what it is. */
export type FileToPublish = OutputFile & Pick<HostFile, 'role' | 'page'>

/** Every file of a publication, with what it is to visitors. @param year of the build */
export function* filesToPublish(site: Site, year: number, choices: OutputChoices): Generator<FileToPublish> {
  const pages = new Map<string, EntryId>()
  for (const [id, path] of addressesOf(site).paths)
    if (isWritten(site, site.plan.entries.get(id))) pages.set(path, id)
  const redirects = new Set(
    redirectsOf(site).flatMap(({ from, rests }) => (rests === undefined ? [from] : [])),
  )
  for (const file of publishedFiles(site, year, choices)) {
    const page = pages.get(file.path) ?? null
    yield { ...file, page, role: page !== null ? 'page' : redirects.has(file.path) ? 'redirect' : 'file' }
  }
}
