import { MEDIA_TYPES } from '@viatica/core/plan/file.ts'
import { fileTypeFromBuffer } from 'file-type'
import { SaxesParser } from 'saxes'
import { Problem } from './http/problem.ts'

/** Whether text is well-formed XML with an `svg` element at its root. */
function isSvg(bytes: Uint8Array): boolean {
  const parser = new SaxesParser()
  let root: string | undefined
  parser.on('opentag', ({ name }) => (root ??= name))
  try {
    parser.write(new TextDecoder('utf-8', { fatal: true }).decode(bytes)).close()
  } catch {
    return false
  }
  return root === 'svg'
}

/**
 * The media type of a picture, by its content.
 * @param name a file name or path, which must have the ending of that type
 * @throws Problem 415 for what is not a picture that sites can hold, or whose name says something else
 */
export async function pictureTypeOf(bytes: Uint8Array, name: string): Promise<string> {
  const ending = name.slice(name.lastIndexOf('.') + 1).toLowerCase()
  const found = isSvg(bytes) ? MEDIA_TYPES['svg'] : (await fileTypeFromBuffer(bytes))?.mime
  if (found === undefined || !Object.values(MEDIA_TYPES).includes(found)) {
    throw new Problem(
      415,
      'Not a picture',
      `${name} is not a picture that a site can hold (SVG, PNG, JPEG, GIF, WebP or AVIF).`,
    )
  }
  if (MEDIA_TYPES[ending] !== found) {
    throw new Problem(
      415,
      'Not what its name says',
      `${name} is of the type ${found}, which its name does not say.`,
    )
  }
  return found
}
