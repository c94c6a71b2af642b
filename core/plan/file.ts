import * as v from 'valibot'
import { entryIdSchema } from './entry.ts'
import { line } from '../standard/text.ts'

/** Kinds of files that a site can hold, by ending, with their media types (IANA registry). */
export const MEDIA_TYPES: Readonly<Record<string, string>> = {
  svg: 'image/svg+xml',
  png: 'image/png',
  jpg: 'image/jpeg',
  jpeg: 'image/jpeg',
  gif: 'image/gif',
  webp: 'image/webp',
  avif: 'image/avif',
}

const SEGMENT = '[a-z0-9][a-z0-9_-]*'

/** A file of the site that pages use: a picture. Its bytes are kept apart, under `content`. */
export const siteFileSchema = v.strictObject({
  id: entryIdSchema,
  /** Where it stands in the finished site, such as `pictures/lock.svg`. */
  path: v.pipe(
    line(200),
    v.regex(
      new RegExp(`^(${SEGMENT}/)*${SEGMENT}\\.(${Object.keys(MEDIA_TYPES).join('|')})$`),
      `must be a lower-case path ending in ${Object.keys(MEDIA_TYPES).join(', ')}`,
    ),
  ),
  /** The key of the bytes in the store of contents. */
  content: v.pipe(v.string(), v.regex(/^[a-z0-9]{1,64}$/, 'must be a content key')),
})
export type SiteFile = v.InferOutput<typeof siteFileSchema>

/** The media type of a file of the site. */
export function mediaTypeOf(path: string): string {
  return MEDIA_TYPES[path.slice(path.lastIndexOf('.') + 1)] ?? 'application/octet-stream'
}
