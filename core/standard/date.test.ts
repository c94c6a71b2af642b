import fc from 'fast-check'
import * as v from 'valibot'
import { dayOrNoneSchema, daySchema } from './date.ts'

const isDay = (text: string) => v.is(daySchema, text)

test.each(['2024-02-29', '2000-02-29', '2026-12-31', '0001-01-01', '9999-12-31'])('%s is a day', (text) => {
  expect(isDay(text)).toBe(true)
})

// RFC 3339, section 5.7: the days of each month, and of February in leap years (appendix C).
test.each([
  '2026-02-31',
  '2026-02-29',
  '1900-02-29',
  '2026-13-01',
  '2026-00-10',
  '2026-04-31',
  '0000-01-01',
  '',
  'x',
])('%s is none', (text) => {
  expect(isDay(text)).toBe(false)
})

test('every day of the calendar of the platform is one, and only those are', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 9999 }), fc.nat(13), fc.nat(33), (year, month, day) => {
      const text = [
        String(year).padStart(4, '0'),
        String(month).padStart(2, '0'),
        String(day).padStart(2, '0'),
      ].join('-')
      const moment = new Date(`${text}T00:00:00Z`)
      const exists = !Number.isNaN(moment.getTime()) && moment.toISOString().startsWith(text)
      expect(isDay(text)).toBe(exists)
      expect(v.is(dayOrNoneSchema, text)).toBe(exists)
    }),
  )
  expect(v.is(dayOrNoneSchema, '')).toBe(true)
})
