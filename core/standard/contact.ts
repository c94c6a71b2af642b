import { type CountryCode, isSupportedCountry, parsePhoneNumberFromString } from 'libphonenumber-js'

/** Something before and after one @, without spaces. */
const AROUND_AT = /^[^\s@<>,;:]+@([^\s@<>,;:]+)$/

/** Whether a text is a mail address rather than any other: one @, and a dot within what follows it. */
function isMailAddress(text: string): boolean {
  const [, host = ''] = AROUND_AT.exec(text) ?? []
  return host.slice(1, -1).includes('.')
}

/** Digits with what people put between them; a + at the front for the country. */
const PHONE_NUMBER = /^\+?[\d\s()./-]+$/
/** As a number is written that is dialled within a country: with its trunk zero, or its area in brackets. */
const WITHIN_A_COUNTRY = /^(?:0|\()/
/** Hours of the day: `09.00 - 17.00`. */
const HOURS = /^\d{1,2}\.\d\d\s*-\s*\d{1,2}\.\d\d$/
const FEWEST_DIGITS = 6

/** The country that a language tag names: `GB` of `en-GB`. */
function countryOf(language: string): CountryCode | undefined {
  try {
    const region = new Intl.Locale(language).region ?? ''
    return isSupportedCountry(region) ? region : undefined
  } catch {
    return undefined
  }
}

/**
 * A phone number as it is dialled from anywhere (E.164) where its country is known: from the number itself, or from the
 * language of the site; then the digits of a register that no number of the country can have are none. Where the country
 * is not known, it stays as it is dialled at home.
 */
function dialled(text: string, language: string): string | undefined {
  if (!PHONE_NUMBER.test(text) || HOURS.test(text)) return undefined
  const country = countryOf(language)
  if (text.startsWith('+')) {
    const number = parsePhoneNumberFromString(text)
    return number?.isPossible() ? number.number : undefined
  }
  if (country !== undefined) {
    const number = parsePhoneNumberFromString(text, country)
    return number?.isValid() ? number.number : undefined
  }
  const digits = text.replace(/\D/g, '')
  return WITHIN_A_COUNTRY.test(text) && digits.length >= FEWEST_DIGITS ? digits : undefined
}

/**
 * What a mail address or a phone number is linked to (RFC 6068, RFC 3966); undefined for any other text.
 * @param language of the site, where that is known
 */
export function contactTarget(text: string, language = ''): string | undefined {
  if (isMailAddress(text)) return `mailto:${encodeURI(text).replace(/[?&#]/g, encodeURIComponent)}`
  const number = dialled(text, language)
  return number && `tel:${number}`
}

/** A line of contact. */
export interface ContactLine {
  /** What stands before what is linked: `Phone: `. */
  readonly before: string
  readonly value: string
  readonly target: string | undefined
}

/** Reads lines such as `Phone: +44 1632 960123`; a line without a target is all value. */
export function contactLines(text: string, language = ''): readonly ContactLine[] {
  return text
    .trim()
    .split('\n')
    .map((line) => {
      const whole = line.trim()
      const before = /^[^:]{1,60}:\s+/.exec(whole)?.[0] ?? ''
      const value = whole.slice(before.length)
      const target = contactTarget(value, language)
      return target === undefined ? { before: '', value: whole, target } : { before, value, target }
    })
}
