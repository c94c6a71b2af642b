import fc from 'fast-check'
import { Stretches } from './stretches.ts'

const stretch = fc.tuple(fc.nat(12), fc.nat(6)).map(([start, length]) => ({ start, end: start + length }))

test('finds what comparing with every stretch finds', () => {
  fc.assert(
    fc.property(fc.array(stretch), stretch, (all, one) => {
      const stretches = new Stretches(all)
      expect(stretches.covers(one)).toBe(all.some(({ start, end }) => start <= one.start && end >= one.end))
      expect(stretches.overlapping(one)).toEqual(
        all.filter(({ start, end }) => start < one.end && one.start < end),
      )
    }),
    { numRuns: 1000 },
  )
})
