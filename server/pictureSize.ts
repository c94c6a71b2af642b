import { fileTypeOf, type Pixels } from '@viatica/core/plan/file.ts'
import { disableTypes, imageSize, types } from 'image-size'

/** The formats that sites hold, as the library names them. */
const READ: ReadonlySet<string> = new Set(['svg', 'png', 'jpg', 'gif', 'webp', 'heif', 'ico'])
disableTypes(types.filter((type) => !READ.has(type)))

/** Values of the orientation of Exif 2.32 (tag 274) that lay a picture on its side. */
const ON_ITS_SIDE = 5

/**
 * Returns how wide and high a picture is shown, in CSS pixels: from its header, turned as its Exif data say. An icon of several
 * sizes counts as its largest.
 * @param name a file name or path; only pictures have a size
 * @returns undefined where it is not told, as in an SVG without a size
 */
export function pixelsOf(bytes: Uint8Array, name: string): Pixels | undefined {
  if (fileTypeOf(name)?.kind !== 'picture') return undefined
  try {
    const { width, height, orientation = 1 } = imageSize(bytes)
    const [across, down] = orientation >= ON_ITS_SIDE ? [height, width] : [width, height]
    const pixels = { width: Math.round(across), height: Math.round(down) }
    return pixels.width >= 1 && pixels.height >= 1 && Math.max(pixels.width, pixels.height) <= 1_000_000
      ? pixels
      : undefined
  } catch {
    // A picture that the library cannot read may still be one that browsers can.
    return undefined
  }
}
