/** Something before and after one @, without spaces. */
const AROUND_AT = /^[^\s@<>,;:]+@([^\s@<>,;:]+)$/

/** Whether a text is a mail address rather than any other: one @, and a dot within what follows it. */
function isMailAddress(text: string): boolean {
  const [, host = ''] = AROUND_AT.exec(text) ?? []
  return host.slice(1, -1).includes('.')
}

/** Digits with what people put between them, six at the least; a + at the front for the country. */
const PHONE_NUMBER = /^\+?[\d\s()./–-]+$/

/**
 * What a mail address or a phone number is linked to (RFC 6068, RFC 3966); undefined for any other text. A trunk zero
 * in brackets after a country code is not dialled from abroad, so it is left out.
 */
export function contactTarget(text: string): string | undefined {
  if (isMailAddress(text)) return `mailto:${encodeURI(text).replace(/[?&#]/g, encodeURIComponent)}`
  if (!PHONE_NUMBER.test(text)) return undefined
  const number = (text.startsWith('+') ? text.replace(/\(0\)/, '') : text).replace(/[^\d+]/g, '')
  return number.replace('+', '').length >= 6 ? `tel:${number}` : undefined
}

/** A line of contact. */
export interface ContactLine {
  /** What stands before what is linked: `Phone: `. */
  readonly before: string
  readonly value: string
  readonly target: string | undefined
}

/** Reads lines such as `Phone: +44 1632 960123`; a line without a target is all value. */
export function contactLines(text: string): readonly ContactLine[] {
  return text
    .trim()
    .split('\n')
    .map((line) => {
      const whole = line.trim()
      const before = /^[^:]{1,60}:\s+/.exec(whole)?.[0] ?? ''
      const value = whole.slice(before.length)
      const target = contactTarget(value)
      return target === undefined ? { before: '', value: whole, target } : { before, value, target }
    })
}
