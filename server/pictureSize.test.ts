import fc from 'fast-check'
import { pixelsOf } from './pictureSize.ts'

const ascii = (text: string) => Buffer.from(text, 'latin1')
const u32 = (value: number) => Buffer.from([value >>> 24, value >>> 16, value >>> 8, value])
const u16 = (value: number) => Buffer.from([value >>> 8, value])
const u16le = (value: number) => Buffer.from([value, value >>> 8])

/** The head of a PNG (PNG specification, third edition, 11.2.1: IHDR). */
const png = (width: number, height: number) =>
  Buffer.concat([
    Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]),
    u32(13),
    ascii('IHDR'),
    u32(width),
    u32(height),
    Buffer.from([8, 2, 0, 0, 0, 0, 0, 0, 0]),
  ])

/** The head of a GIF (GIF89a specification, 17 and 18). */
const gif = (width: number, height: number) =>
  Buffer.concat([ascii('GIF89a'), u16le(width), u16le(height), Buffer.from([0, 0, 0])])

/** A JPEG as far as its frame header (ITU-T T.81, B.2.2), with an orientation in Exif (CIPA DC-008, 4.6.4) before it. */
function jpeg(width: number, height: number, orientation: number): Buffer {
  const tiff = Buffer.concat([
    ascii('MM'),
    u16(42),
    u32(8),
    u16(1),
    u16(274),
    u16(3),
    u32(1),
    u16(orientation),
    u16(0),
    u32(0),
  ])
  const exif = Buffer.concat([ascii('Exif\0\0'), tiff])
  const frame = Buffer.concat([Buffer.from([8]), u16(height), u16(width), Buffer.from([1, 1, 0x11, 0])])
  return Buffer.concat([
    ...[u16(0xffd8), u16(0xffe1), u16(exif.length + 2), exif],
    ...[u16(0xffc0), u16(frame.length + 2), frame, u16(0xffd9), Buffer.alloc(16)],
  ])
}

test.each([
  ['a.png', png(640, 480), { width: 640, height: 480 }],
  ['a.gif', gif(3, 70), { width: 3, height: 70 }],
  ['a.jpg', jpeg(400, 300, 1), { width: 400, height: 300 }],
  // Values 5 to 8 lay the picture on its side; browsers turn it (CSS Images 3, image-orientation).
  ['a.jpeg', jpeg(400, 300, 6), { width: 300, height: 400 }],
  ['a.jpeg', jpeg(400, 300, 3), { width: 400, height: 300 }],
  [
    'a.svg',
    ascii('<svg xmlns="http://www.w3.org/2000/svg" width="120" height="40.4"/>'),
    { width: 120, height: 40 },
  ],
  [
    'a.svg',
    ascii('<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 24 12"/>'),
    { width: 24, height: 12 },
  ],
  ['a.svg', ascii('<svg xmlns="http://www.w3.org/2000/svg"/>'), undefined],
  ['a.png', png(0, 480), undefined],
  ['a.png', ascii('not a picture'), undefined],
  ['a.png', Buffer.alloc(0), undefined],
  ['a.pdf', png(640, 480), undefined],
])('reads the size of %s', (name, bytes, expected) => {
  expect(pixelsOf(bytes, name)).toEqual(expected)
})

test('whatever a picture holds, its size is two whole numbers or none', () => {
  const heads = [
    png(5, 5),
    gif(5, 5),
    jpeg(5, 5, 6),
    ascii('RIFF\0\0\0\0WEBPVP8 '),
    ascii('\0\0\0\x18ftypavif'),
    ascii('\0\0\x01\0\xff\xff'),
    ascii('<svg '),
  ]
  fc.assert(
    fc.property(
      fc.constantFrom(...heads),
      fc.nat(40),
      fc.uint8Array({ maxLength: 200 }),
      fc.constantFrom('png', 'jpg', 'gif', 'webp', 'avif', 'ico', 'svg'),
      (head, kept, rest, ending) => {
        const pixels = pixelsOf(Buffer.concat([head.subarray(0, kept), rest]), `a.${ending}`)
        if (pixels === undefined) return
        for (const side of [pixels.width, pixels.height]) {
          expect(Number.isInteger(side)).toBe(true)
          expect(side).toBeGreaterThan(0)
        }
      },
    ),
    { numRuns: 3000 },
  )
})
