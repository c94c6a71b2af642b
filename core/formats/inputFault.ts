/** Where in a file a fault is, both counted from 1. */
export interface TextPlace {
  readonly line: number
  readonly column: number
}

/** A file that cannot be read as what it should be. The message says what is wrong and where. */
export class InputFault extends Error {
  override name = 'InputFault'
  readonly place: TextPlace | undefined

  constructor(what: string, place?: TextPlace) {
    super(place ? `Line ${place.line}, column ${place.column}: ${what}` : what)
    this.place = place
  }
}

/** The line and column of a character of a text. */
export function placeIn(text: string, offset: number): TextPlace {
  const before = text.slice(0, offset)
  const line = before.split('\n').length
  return { line, column: offset - before.lastIndexOf('\n') }
}

/** Larger files are refused before they are read. Counted in characters. */
export const MAX_INPUT = 20_000_000

/** @throws InputFault for a text that is too long to be read. */
export function checkSize(text: string, most = MAX_INPUT): void {
  if (text.length > most) throw new InputFault(`The file is larger than ${most / 1_000_000} MB.`)
}
