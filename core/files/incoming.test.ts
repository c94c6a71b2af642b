import fc from 'fast-check'
import { endingOf } from '../plan/file.ts'
import { pathBeside, pathForIncoming } from './incoming.ts'

test('a file beside others takes no path of theirs, whatever its letters, and keeps its ending', () => {
  const name = fc
    .tuple(
      fc.constantFrom('gate', 'Gate', 'gate-2', 'a.b', ''),
      fc.constantFrom('', '.png', '.PNG', '.jpeg', '.'),
    )
    .map((parts) => `pictures/${parts.join('')}`)
  fc.assert(
    fc.property(name, fc.array(name), (path, taken) => {
      const next = pathBeside(path, taken)
      const lower = taken.map((one) => one.toLowerCase())
      expect(lower).not.toContain(next.toLowerCase())
      expect(endingOf(next)).toBe(endingOf(path))
      if (!lower.includes(path.toLowerCase())) expect(next).toBe(path)
    }),
  )
  expect(pathBeside('pictures/gate.png', ['pictures/gate.png', 'pictures/GATE-2.png'])).toBe(
    'pictures/gate-3.png',
  )
})

test.each([
  ['image.png', 'pictures/image.png'],
  ['Screenshot 2026-12-01 at 10.34.12.PNG', 'pictures/screenshot-2026-12-01-at-10-34-12.png'],
  ['Fotos/Schöne Brücke.jpg', 'fotos/schone-brucke.jpg'],
  ['notes', undefined],
])('%s is stored as %s', (name, path) => {
  expect(pathForIncoming(name, '')).toBe(path)
})
