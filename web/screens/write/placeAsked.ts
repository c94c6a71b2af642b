import type { LocationQuery } from 'vue-router'

/** The place in a text that the address of the screen asks for, in characters of the source; undefined where it asks for none. */
export function placeAsked({ at }: LocationQuery, text: string): number | undefined {
  const place = typeof at === 'string' && at !== '' ? Number(at) : Number.NaN
  return Number.isInteger(place) && place >= 0 && place <= text.length ? place : undefined
}
