import type { FileSource } from '@viatica/core/formats/archive.ts'
import { bytesOfText } from '@viatica/core/formats/textBytes.ts'
import { fontBytes } from '@viatica/fonts/fontFiles.ts'
import type { SiteStore } from './siteStore.ts'

/** The bytes of a file of the finished site. */
export async function bytesOf(store: SiteStore, file: FileSource): Promise<Buffer> {
  if ('text' in file) return Buffer.from(bytesOfText(file))
  return 'font' in file ? fontBytes(file.font) : (await store.readContent(file.content))!
}
