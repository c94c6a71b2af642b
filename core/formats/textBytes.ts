import { encodeText, UTF_8 } from '../standard/encoding.ts'
import type { FileSource } from './archive.ts'

/** The bytes of a text that is made, in the encoding that its page keeps. */
export const bytesOfText = ({
  text,
  encoding = UTF_8,
}: Extract<FileSource, { readonly text: unknown }>): Uint8Array => encodeText(text(), encoding)
