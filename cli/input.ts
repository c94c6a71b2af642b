import { readFileSync, statSync } from 'node:fs'
import { InputFault } from '@viatica/core/formats/inputFault.ts'
import { readOpml } from '@viatica/core/formats/opml.ts'
import { isArchive, readSiteArchive } from '@viatica/core/formats/siteArchive.ts'
import { MAX_SITE_FILE, readSiteFile } from '@viatica/core/formats/siteFile.ts'
import type { Site } from '@viatica/core/plan/site.ts'
import { Fault } from './fault.ts'
import { bringFolder, isFolder, readFolderFiles } from './folder.ts'

/** A site with the bytes of its files by key. */
export interface Input {
  readonly site: Site
  readonly contents: ReadonlyMap<string, Uint8Array>
}

function readBytes(path: string): Buffer {
  try {
    // What is too large is refused before it is read: four bytes is the most that a character takes.
    if (statSync(path).size > MAX_SITE_FILE * 4)
      throw new Fault(`${path}: The file is larger than ${MAX_SITE_FILE / 1_000_000} MB.`)
    return readFileSync(path)
  } catch (error) {
    if (error instanceof Fault) throw error
    const { code } = error as NodeJS.ErrnoException
    const reason = {
      ENOENT: 'There is no such file.',
      EISDIR: 'This is a folder.',
      EACCES: 'You may not read it.',
    }[code ?? '']
    throw new Fault(`${path}: ${reason ?? (error as Error).message}`)
  }
}

function textOf(path: string, bytes: Uint8Array): string {
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes)
  } catch {
    throw new Fault(`${path}: This is not text in UTF-8.`)
  }
}

/**
 * Reads a site file (JSON, or an archive with the files in it), an OPML outline when the text begins as XML does, or a folder of existing pages.
 * @throws Fault with the place in the file
 */
export async function readInput(path: string): Promise<Input> {
  if (isFolder(path)) return bringFolder(await readFolderFiles(path), path)
  const bytes = readBytes(path)
  try {
    if (isArchive(bytes)) return readSiteArchive(bytes)
    const text = textOf(path, bytes)
    if (text.trimStart().startsWith('<')) return { site: readOpml(text), contents: new Map() }
    const { site, contents } = readSiteFile(text)
    return {
      site,
      contents: new Map([...contents].map(([key, base64]) => [key, Buffer.from(base64, 'base64')])),
    }
  } catch (error) {
    if (error instanceof InputFault) throw new Fault(`${path}: ${error.message}`)
    throw error
  }
}
