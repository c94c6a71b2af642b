import { outputFiles } from '../formats/archive.ts'
import { bytesOfText } from '../formats/textBytes.ts'
import type { Site } from '../plan/site.ts'
import { YEAR } from './year.ts'

/** Files by path, each byte one character: what differs is seen at once. */
export type Files = ReadonlyMap<string, string>

const asText = (bytes: Uint8Array) => Buffer.from(bytes).toString('latin1')

/** The finished site. @param contents the bytes of its files, by key */
export function written(site: Site, contents: ReadonlyMap<string, Uint8Array>): Files {
  return new Map(
    [...outputFiles(site, YEAR)].map((file) => {
      if ('text' in file) return [file.path, asText(bytesOfText(file))]
      return [file.path, 'content' in file ? asText(contents.get(file.content)!) : file.font]
    }),
  )
}

/** A folder of files, in the same form. */
export const found = (files: readonly { readonly path: string; readonly bytes: Uint8Array }[]): Files =>
  new Map(files.map(({ path, bytes }) => [path, asText(bytes)]))
