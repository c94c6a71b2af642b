import fc from 'fast-check'
import { MOST_BYTES, MOST_FILES, MOST_PAGE_BYTES, Room } from './room.ts'

test('files are refused before they are read just where they are too many or too large together', () => {
  const size = fc.oneof(fc.nat(10_000), fc.nat(6_000_000), fc.nat(120_000_000))
  const files = fc.array(
    fc.record({ path: fc.constantFrom('a.html', 'b/C.HTM', 'c.php', 'd.jpg', 'html', 'e.shtml'), size }),
    { maxLength: 60 },
  )
  fc.assert(
    fc.property(files, fc.constantFrom(0, 0, 0, MOST_FILES - 30, MOST_FILES), (some, small) => {
      const all = [...Array.from({ length: small }, () => ({ path: 'x.css', size: 1 })), ...some]
      const sum = (of: typeof all) => of.reduce((bytes, one) => bytes + one.size, 0)
      const pages = all.filter(({ path, size }) => /\.(?:s?html?|php)$/i.test(path) && size <= 5_000_000)
      const tooMuch = all.length > MOST_FILES || sum(all) > MOST_BYTES || sum(pages) > MOST_PAGE_BYTES
      expect(new Room().takeAll(all) !== undefined).toBe(tooMuch)
    }),
    { numRuns: 300 },
  )
})

test('the reason says what is too much', () => {
  const page = { path: 'page.html', size: 400_000 }
  expect(new Room().takeAll(Array.from({ length: 500 }, () => page))).toMatch(/pages have more than 50 MB/)
  expect(
    new Room().takeAll(Array.from({ length: 3 }, () => ({ path: 'film.mp4', size: 90_000_000 }))),
  ).toMatch(/files have more than 200 MB/)
})
