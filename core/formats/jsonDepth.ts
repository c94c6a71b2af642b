import { InputFault, placeIn } from './inputFault.ts'

const [QUOTE, BACKSLASH, OPEN_LIST, CLOSE_LIST, OPEN_OBJECT, CLOSE_OBJECT] = [
  0x22, 0x5c, 0x5b, 0x5d, 0x7b, 0x7d,
]

/** Where brackets of JSON come to stand deeper than `most`; undefined where none do. */
export function tooDeepAt(text: string, most: number): number | undefined {
  let depth = 0
  for (let at = 0; at < text.length; at++) {
    switch (text.charCodeAt(at)) {
      case QUOTE:
        // To the end of the text: a quote after an odd number of backslashes does not end it.
        for (at++; at < text.length && text.charCodeAt(at) !== QUOTE; at++)
          if (text.charCodeAt(at) === BACKSLASH) at++
        break
      case OPEN_LIST:
      case OPEN_OBJECT:
        if (++depth > most) return at
        break
      case CLOSE_LIST:
      case CLOSE_OBJECT:
        depth--
        break
    }
  }
  return undefined
}

/** Each level of a plan opens a list and an object; what is around and inside of them needs some more. */
const MOST_LEVELS = 80

/**
 * Reads JSON of unknown origin: how deep it is comes first, before anything calls itself for each level.
 * @throws InputFault with the place
 */
export function checkJson(text: string): unknown {
  const deep = tooDeepAt(text, MOST_LEVELS)
  if (deep !== undefined)
    throw new InputFault(`The request is nested more than ${MOST_LEVELS} deep.`, placeIn(text, deep))
  try {
    return JSON.parse(text)
  } catch (error) {
    throw new InputFault(`The request is not JSON: ${(error as Error).message}`)
  }
}
