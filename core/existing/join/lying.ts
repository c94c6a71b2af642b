import type { TemplatePart } from '../../plan/surround/templates.ts'
import type { Stretch } from '../../standard/pageTokens.ts'
import { itemAt, lastOf } from '../../standard/present.ts'
import { linksOfCells } from '../template/match.ts'
import type { Lying } from '../template/deviations.ts'

/** A word, blanks, or a sign of a page, and the part of the template that it belongs to. */
interface Unit extends Stretch {
  readonly key: string
  readonly isTelling: boolean
  readonly part: number
}

const UNITS = /[\p{L}\p{N}_]+|\s+|[^\p{L}\p{N}_\s]/gu

/** @param at where the text begins */
const unitsOf = (text: string, part: number, at = 0): Unit[] =>
  [...text.matchAll(UNITS)].map(({ 0: key, index }) => ({
    ...{ key, part, start: at + index, end: at + index + key.length },
    isTelling: /[\p{L}\p{N}]{2}/u.test(key),
  }))

/**
 * Lays a page over a template that it was not read for: where each part of the template stands in it word for word.
 * @param content where the content of the page stands; undefined where it has none of its own
 * @param written what each part is on this page by the plan and the patterns
 */
export function layOver(
  text: string,
  content: Stretch | undefined,
  parts: readonly TemplatePart[],
  written: (part: TemplatePart) => string,
): Lying {
  const lying = new Array<Stretch | undefined>(parts.length).fill(undefined)
  const contentAt = parts.findIndex(({ kind }) => kind === 'content')

  const lay = (from: number, to: number, { start, end }: Stretch) => {
    const expected = parts
      .slice(from, to)
      .flatMap((part, n) => (part.kind === 'content' ? [] : unitsOf(written(part), from + n)))
    const actual = unitsOf(text.slice(start, end), -1, start)
    const matched = linksOfCells(expected, actual)
    for (let first = 0; first < expected.length;) {
      const { part } = expected[first]!
      let next = first + 1
      while (next < expected.length && itemAt(expected, next).part === part) next++
      const there = matched.slice(first, next)
      // All of it, with nothing in between.
      if (there.every((at, n) => at >= 0 && at === there[0]! + n))
        lying[part] = { start: itemAt(actual, there[0]!).start, end: itemAt(actual, lastOf(there)).end }
      first = next
    }
  }

  if (content && contentAt >= 0) {
    lay(0, contentAt, { start: 0, end: content.start })
    lay(contentAt + 1, parts.length, { start: content.end, end: text.length })
  } else lay(0, parts.length, { start: 0, end: text.length })
  return lying
}
