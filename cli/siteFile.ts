import { renameSync, rmSync, writeFileSync } from 'node:fs'
import { InputFault } from '@viatica/core/formats/inputFault.ts'
import { isArchived, readSiteArchive, writeSiteArchive } from '@viatica/core/formats/siteArchive.ts'
import { readSiteFile, writeSiteFile } from '@viatica/core/formats/siteFile.ts'
import type { Site } from '@viatica/core/plan/site.ts'
import { Fault } from './fault.ts'

/** Writes files beside their places first, so that none is there half. */
export function writeAll(
  files: readonly { readonly path: string; readonly data: string | Uint8Array }[],
): void {
  const beside = files.map(({ path }) => `${path}.part`)
  try {
    files.forEach(({ data }, at) => writeFileSync(beside[at]!, data))
    files.forEach(({ path }, at) => renameSync(beside[at]!, path))
  } catch (error) {
    for (const path of beside) rmSync(path, { force: true })
    throw new Fault((error as Error).message)
  }
}

/** A site file: JSON, or an archive where that would be large. */
export function siteFileOf(site: Site, contents: ReadonlyMap<string, Uint8Array>): string | Uint8Array {
  if (isArchived(site)) return writeSiteArchive(site, contents)
  return writeSiteFile(
    site,
    new Map([...contents].map(([key, bytes]) => [key, Buffer.from(bytes).toString('base64')])),
  )
}

/**
 * Makes sure that a site file that was written can be read again.
 * @throws Fault when it cannot: nobody should keep a file that does not open
 */
export function checkOpens(data: string | Uint8Array, from: string): void {
  try {
    if (typeof data === 'string') readSiteFile(data)
    else readSiteArchive(data)
  } catch (error) {
    if (error instanceof InputFault) throw new Fault(`${from}: This cannot be imported: ${error.message}`)
    throw error
  }
}
