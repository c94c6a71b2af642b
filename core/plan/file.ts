import * as v from 'valibot'
import { sitePathFault } from '../standard/sitePath.ts'
import { exactLine, line } from '../standard/text.ts'
import { fileIdSchema } from './ids.ts'
import { tableOf } from '../standard/table.ts'

/** What pages do with a file: show it, be styled by it, run it, write with it, or offer it. */
export type FileKind = 'picture' | 'style' | 'script' | 'font' | 'download'

/** What a site holds under an ending. */
export interface FileType {
  readonly kind: FileKind
  /** As the IANA registry has it. */
  readonly media: string
}

const picture = (media: string): FileType => ({ kind: 'picture', media })
const font = (media: string): FileType => ({ kind: 'font', media })
const download = (media: string): FileType => ({ kind: 'download', media })
const script: FileType = { kind: 'script', media: 'text/javascript' }
const OFFICE = 'application/vnd.openxmlformats-officedocument'
const OPEN_DOCUMENT = 'application/vnd.oasis.opendocument'

/** Kinds of files that a site can hold, by ending. */
export const FILE_TYPES = tableOf<FileType>({
  svg: picture('image/svg+xml'),
  png: picture('image/png'),
  jpg: picture('image/jpeg'),
  jpeg: picture('image/jpeg'),
  gif: picture('image/gif'),
  webp: picture('image/webp'),
  avif: picture('image/avif'),
  ico: picture('image/x-icon'),
  css: { kind: 'style', media: 'text/css' },
  js: script,
  mjs: script,
  woff2: font('font/woff2'),
  woff: font('font/woff'),
  ttf: font('font/ttf'),
  otf: font('font/otf'),
  pdf: download('application/pdf'),
  txt: download('text/plain'),
  md: download('text/markdown'),
  csv: download('text/csv'),
  ics: download('text/calendar'),
  json: download('application/json'),
  zip: download('application/zip'),
  epub: download('application/epub+zip'),
  docx: download(`${OFFICE}.wordprocessingml.document`),
  xlsx: download(`${OFFICE}.spreadsheetml.sheet`),
  pptx: download(`${OFFICE}.presentationml.presentation`),
  odt: download(`${OPEN_DOCUMENT}.text`),
  ods: download(`${OPEN_DOCUMENT}.spreadsheet`),
  odp: download(`${OPEN_DOCUMENT}.presentation`),
  mp3: download('audio/mpeg'),
  mp4: download('video/mp4'),
  webm: download('video/webm'),
})

/** What stands after the last dot of a name, in lower case; empty without one. */
export function endingOf(name: string): string {
  return /\.([^./]*)$/.exec(name)?.[1]!.toLowerCase() ?? ''
}

/** The type that the name of a file says it has; undefined for one that sites do not hold. */
export function fileTypeOf(name: string): FileType | undefined {
  return FILE_TYPES.get(endingOf(name))
}

/** The media type of a file of the site. */
export function mediaTypeOf(path: string): string {
  return fileTypeOf(path)?.media ?? 'application/octet-stream'
}

/** All files of a site together: as much as existing pages may bring. */
export const MAX_SITE_BYTES = 200_000_000
/** How many characters the path of a file may have. */
export const MAX_PATH = 1000
/** How many files a site may have. */
export const MAX_FILES = 20_000

/** What is wrong with a path at which a file was found, whatever it is called there; undefined when it leads out of nothing. */
export function foundPathFault(path: string): string | undefined {
  const isSound = path.split('/').every((name) => name !== '' && name !== '.' && name !== '..')
  // eslint-disable-next-line no-control-regex -- no system takes them all
  return isSound && !/[\u0000-\u001f\\]/.test(path) ? undefined : 'must lead to a file within the site'
}

const pixelCount = v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(1_000_000))
const pixelsSchema = v.strictObject({ width: pixelCount, height: pixelCount })
export type Pixels = v.InferOutput<typeof pixelsSchema>

/** A file of the site that pages use. Its bytes are kept apart, under `content`. */
export const siteFileSchema = v.pipe(
  v.strictObject({
    id: fileIdSchema,
    /** Where it stands in the finished site, such as `pictures/lock.svg`. */
    path: exactLine(MAX_PATH),
    /** Whether it came with existing pages: it keeps its name, whatever that is. */
    asFound: v.optional(v.literal(true, 'must be true')),
    /** The key of the bytes in the store of contents. */
    content: v.pipe(v.string(), v.regex(/^[a-z0-9]{1,64}$/, 'must be a content key')),
    /** How many bytes it has. */
    size: v.optional(v.pipe(v.number(), v.integer(), v.minValue(0)), 0),
    /** Of a picture: what it says to those who do not see it, wherever nothing else is said for it. */
    alt: v.optional(line(300), ''),
    /** Of a picture: how wide and high it is, in pixels; absent where that is not known. */
    pixels: v.optional(pixelsSchema),
  }),
  v.rawCheck(({ dataset, addIssue }) => {
    if (!dataset.typed) return
    const { path, asFound } = dataset.value
    const fault = asFound
      ? foundPathFault(path)
      : (sitePathFault(path) ??
        (fileTypeOf(path) === undefined
          ? `must end in one of ${[...FILE_TYPES.keys()].join(', ')}`
          : undefined))
    if (fault)
      addIssue({
        message: fault,
        path: [{ type: 'object', origin: 'value', input: dataset.value, key: 'path', value: path }],
      })
  }),
)
export type SiteFile = v.InferOutput<typeof siteFileSchema>
