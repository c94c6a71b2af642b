import { unzipSync, type Zippable, zipSync } from 'fflate'
import { MAX_FILES, MAX_SITE_BYTES } from '../plan/file.ts'
import { filesByPath, type Site } from '../plan/site.ts'
import { valueFor } from '../standard/present.ts'
import type { OutputFile } from './archive.ts'
import { InputFault } from './inputFault.ts'
import { MAX_SITE_FILE, readSiteText, writeSiteFile } from './siteFile.ts'
import { bytesOfText } from './textBytes.ts'

/** A larger site file is a zip archive: the same JSON, with the files of the site beside it as they are. */
export const MOST_AS_JSON = 50_000_000

/** The most that such an archive can have, in bytes: the files and the JSON as they are. */
export const MAX_SITE_ARCHIVE = MAX_SITE_BYTES + MAX_SITE_FILE / 2

const SITE = 'site.json'
const FILES = 'files/'
const NONE = new Uint8Array()

/** The same moment in every archive: what did not change gives the same bytes. */
const MTIME = '2000-01-01T12:00:00'

/** RFC 1951 can make a thousandth of zeros; what is compressed already is taken as it is. */
const isCompressed = (path: string) =>
  /\.(?:jpe?g|png|gif|webp|avif|woff2?|zip|pdf|mp[34]|ogg|webm)$/i.test(path)

/** Whether bytes begin as a zip archive does. https://pkware.cachefly.net/webdocs/casestudies/APPNOTE.TXT, 4.3.7 */
export const isArchive = (bytes: Uint8Array): boolean =>
  bytes[0] === 0x50 && bytes[1] === 0x4b && bytes[2] === 0x03 && bytes[3] === 0x04

/** Whether a site has more than a site file of JSON should have. */
export function isArchived(site: Site): boolean {
  let bytes = 0
  const counted = new Set<string>()
  for (const { content, size } of site.files.values()) {
    if (counted.has(content)) continue
    counted.add(content)
    bytes += Math.ceil(size / 3) * 4
  }
  // What a plan has in it is found out only where it decides.
  return bytes > MOST_AS_JSON || (bytes > MOST_AS_JSON / 2 && bytes + jsonOf(site).length > MOST_AS_JSON)
}

const jsonOf = (site: Site) => writeSiteFile(site, new Map())

/** What stands in the archive of a site that can be opened again. */
export function* siteArchiveFiles(site: Site): Generator<OutputFile> {
  yield { path: SITE, text: () => jsonOf(site) }
  for (const { path, content } of filesByPath(site)) yield { path: FILES + path, content }
}

/** A site as an archive to open again. @param contents the bytes of its files by key */
export function writeSiteArchive(site: Site, contents: ReadonlyMap<string, Uint8Array>): Uint8Array {
  const files: Zippable = {}
  for (const file of siteArchiveFiles(site)) {
    const bytes =
      'text' in file ? bytesOfText(file) : 'content' in file ? valueFor(contents, file.content) : NONE
    files[file.path] = [bytes, { level: isCompressed(file.path) ? 0 : 6 }]
  }
  return zipSync(files, { mtime: MTIME })
}

/** Takes an archive apart. @throws InputFault for one that is broken, too large, or no site file */
function filesIn(archive: Uint8Array): Readonly<Record<string, Uint8Array>> {
  let bytes = 0
  let files = 0
  try {
    return unzipSync(archive, {
      filter({ name, originalSize }) {
        bytes += originalSize
        files++
        if (bytes > MAX_SITE_ARCHIVE)
          throw new InputFault(`The archive holds more than ${MAX_SITE_ARCHIVE / 1_000_000} MB.`)
        if (files > MAX_FILES + 1) throw new InputFault(`The archive holds more than ${MAX_FILES} files.`)
        return name === SITE || name.startsWith(FILES)
      },
    })
  } catch (error) {
    if (error instanceof InputFault) throw error
    throw new InputFault(`This archive cannot be read: ${(error as Error).message}.`)
  }
}

/**
 * Reads a site from an archive.
 * @returns the site, and the bytes of its files by key
 * @throws InputFault for anything that is not a sound site
 */
export function readSiteArchive(archive: Uint8Array): {
  readonly site: Site
  readonly contents: ReadonlyMap<string, Uint8Array>
} {
  const files = filesIn(archive)
  const json = files[SITE]
  if (!json)
    throw new InputFault(
      'There is no site.json in this archive: it is not a site file. Pages that you wrote are imported with “From existing pages”.',
    )
  const at = (path: string) => (Object.hasOwn(files, FILES + path) ? files[FILES + path] : undefined)
  const { site } = readSiteText(new TextDecoder().decode(json), ({ path }) => at(path)?.length)
  const contents = new Map<string, Uint8Array>()
  for (const { path, content } of site.files.values()) {
    const bytes = at(path)!
    const there = contents.get(content)
    if (there && !(there.length === bytes.length && there.every((byte, n) => byte === bytes[n])))
      throw new InputFault(`${path} has other bytes than the file that it is a copy of.`)
    contents.set(content, bytes)
  }
  return { site, contents }
}
