import * as v from 'valibot'

/** Whether a text is a day of the calendar, `YYYY-MM-DD` (RFC 3339, full-date); the year 0000 is none to databases. */
function isDay(text: string): boolean {
  const [, year, month, day] = /^(\d{4})-(\d{2})-(\d{2})$/.exec(text)?.map(Number) ?? []
  if (!year || !month || !day || month > 12) return false
  // The day before the first of the next month is the last of this one.
  return day <= new Date(Date.UTC(2000 + (year % 400), month, 0)).getUTCDate()
}

/** A day, `YYYY-MM-DD`. */
export const daySchema = v.pipe(v.string('must be text'), v.check(isDay, 'must be a date like 2026-05-01'))

/** A day, or empty where there is none. */
export const dayOrNoneSchema = v.pipe(
  v.string('must be text'),
  v.check((text) => text === '' || isDay(text), 'must be a date like 2026-05-01'),
)

/** The year that copyright lines run to, by the clock of this machine: for who asks for a build, which is told the year. */
export const thisYear = (): number => new Date().getFullYear()
