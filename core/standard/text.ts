import * as v from 'valibot'

/** Control characters have no place in a line of text: HTML and XML cannot carry most of them. */
// eslint-disable-next-line no-control-regex -- naming control characters is the point
const CONTROL = /[\u0000-\u001f\u007f-\u009f\u2028\u2029]/
/** Code points that are no characters: HTML may not carry them. https://infra.spec.whatwg.org/#noncharacter */
const NONE = /\p{Noncharacter_Code_Point}/u
/** What shows nothing: format characters, spaces of any kind, and fillers. */
const INVISIBLE = /^[\p{Cf}\p{Z}\p{Default_Ignorable_Code_Point}\s]*$/u
// eslint-disable-next-line no-control-regex -- as above, but tabs and line ends may stay
const CONTROL_IN_LINES = /[\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f]/

/** Whether a text is one line that HTML and XML can carry: no control characters, no noncharacters, no half of a character. */
export const isLine = (text: string): boolean =>
  text.isWellFormed() && !CONTROL.test(text) && !NONE.test(text)

/**
 * Returns a text as one line that can be stored, of at most `max` UTF-16 units: what cannot be in it is left out. Empty where
 * nothing of it would show.
 */
export function soundLine(text: string, max: number): string {
  const sound = text.toWellFormed().replace(new RegExp(`${CONTROL.source}|${NONE.source}`, 'gu'), '')
  const cut = sound
    .trim()
    .slice(0, max)
    .replace(/[\ud800-\udbff]$/, '')
    .trim()
  return INVISIBLE.test(cut) ? '' : cut
}

/** One line of text of at most `max` characters, trimmed, without control characters. */
export function line(max: number) {
  return v.pipe(
    v.string('must be text'),
    v.trim(),
    v.maxLength(max, `must be at most ${max} characters long`),
    v.check(isLine, 'must not contain control characters'),
  )
}

/** As `line`, but not trimmed: the name of a file may begin or end with a space. */
export function exactLine(max: number) {
  return v.pipe(
    v.string('must be text'),
    v.maxLength(max, `must be at most ${max} characters long`),
    v.check(isLine, 'must not contain control characters'),
  )
}

/** As `line`, but not empty. */
export function filledLine(max: number) {
  return v.pipe(
    line(max),
    v.minLength(1, 'must not be empty'),
    v.check((text) => !INVISIBLE.test(text), 'must show something'),
  )
}

/** Text of several lines, kept as it stands. */
export function lines(max: number) {
  return v.pipe(
    v.string('must be text'),
    v.maxLength(max, `must be at most ${max} characters long`),
    v.rawCheck(({ dataset, addIssue }) => {
      if (!dataset.typed) return
      const text = dataset.value
      const at = text.search(CONTROL_IN_LINES)
      if (at >= 0)
        addIssue({ message: `must not contain control characters, as in line ${lineAt(text, at)}` })
      else if (NONE.test(text)) addIssue({ message: 'must not contain code points that are no characters' })
      else if (!text.isWellFormed()) addIssue({ message: 'must not contain halves of characters' })
    }),
  )
}

/** A text cut to at most `most` characters, with an ellipsis where something is missing; no character is cut in two. */
export function shortened(text: string, most: number): string {
  if (text.length <= most) return text
  return `${text.slice(0, most - 1).replace(/[\ud800-\udbff]$/, '')}…`
}

/** The line of a place in a text, from 1. */
const lineAt = (text: string, at: number) => text.slice(0, at).split('\n').length
