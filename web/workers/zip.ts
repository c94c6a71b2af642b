import type { FoundFile } from '@viatica/core/existing/intake/folderFiles.ts'
import { archivePath } from '@viatica/core/existing/intake/foundPaths.ts'
import { BlobReader, configure, type FileEntry, ZipReader } from '@zip.js/zip.js'

configure({ useWebWorkers: false })

/** The kind of file in the attributes that Unix keeps: a link of the file system. */
const KIND = 0o170000
const LINK = 0o120000

/** The bytes of a file in an archive: no more than it says that there are. */
async function bytesOf(entry: FileEntry): Promise<Uint8Array> {
  const bytes = new Uint8Array(entry.uncompressedSize)
  let at = 0
  const into = new WritableStream<Uint8Array>({
    write(piece) {
      if (at + piece.length > bytes.length)
        throw new Error(`${entry.filename} holds more than the archive says`)
      bytes.set(piece, at)
      at += piece.length
    },
  })
  await entry.getData(into, { checkSignature: true })
  return bytes.subarray(0, at)
}

/**
 * The files of a zip archive.
 * @param refusalOf says why the files of such an archive are not read
 * @returns why it cannot be read, in words for the author
 */
export async function filesInZip(
  archive: Blob,
  refusalOf: (files: readonly { readonly path: string; readonly size: number }[]) => string | undefined,
  progress: (done: number, total: number) => void,
): Promise<readonly FoundFile[] | string> {
  const reader = new ZipReader(new BlobReader(archive))
  try {
    const entries = (await reader.getEntries()).filter(
      (entry): entry is FileEntry =>
        !entry.directory && ((entry.externalFileAttributes >>> 16) & KIND) !== LINK,
    )
    const refusal = refusalOf(
      entries.map(({ filename, uncompressedSize }) => ({ path: filename, size: uncompressedSize })),
    )
    if (refusal !== undefined) return refusal
    const locked = entries.find(({ encrypted }) => encrypted)
    if (locked) return `${locked.filename} is locked with a password.`
    const files: FoundFile[] = []
    for (const entry of entries) {
      files.push({ path: archivePath(entry.filename), bytes: await bytesOf(entry) })
      progress(files.length, entries.length)
    }
    return files
  } catch (error) {
    return `This archive cannot be read: ${(error as Error).message}.`
  } finally {
    await reader.close()
  }
}
