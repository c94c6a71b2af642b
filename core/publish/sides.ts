import { diffArrays } from 'diff'
import type { PageLine } from '../compare/pages.ts'

/** A line of a file as it was or will be. */
export interface SideLine {
  readonly text: string
  /** The part of the page that it is in; empty for what is no page. */
  readonly part: string
  readonly differs: boolean
}

/** A file before and after a publication. */
export interface Sides {
  readonly before: readonly SideLine[]
  readonly after: readonly SideLine[]
  /** The parts of the page that differ, in the order of the page. */
  readonly parts: readonly string[]
}

/** Texts that have less in common are held for two: to find out more would take long. */
const MOST_EDITS = 3000

/** A text that is no page. */
const linesOf = (text: string) => text.split('\n').map((line) => ({ text: line, region: '' }))

/**
 * Compares two texts of a file: the lines that differ, and the parts of the page that these are in.
 * @param read reads the lines of a page, see `PageSources.published`; undefined for a file that is no page
 */
export function sidesOf(
  before: string,
  after: string,
  read: (text: string) => readonly Pick<PageLine, 'text' | 'region'>[] = linesOf,
): Sides {
  const [was, will] = [before, after].map((text) =>
    read(text).map(({ text: line, region }) => ({ text: line, part: region })),
  ) as [{ text: string; part: string }[], { text: string; part: string }[]]
  const sides: [SideLine[], SideLine[]] = [[], []]
  const parts = new Set<string>()
  const put = (side: 0 | 1, lines: readonly { text: string; part: string }[], differs: boolean) => {
    for (const line of lines) {
      sides[side].push({ ...line, differs })
      if (differs && line.part !== '') parts.add(line.part)
    }
  }
  let [atWas, atWill] = [0, 0]
  const texts = (lines: readonly { text: string }[]) => lines.map(({ text }) => text)
  const steps = diffArrays(texts(was), texts(will), { maxEditLength: MOST_EDITS }) ?? [
    { count: was.length, added: false, removed: true },
    { count: will.length, added: true, removed: false },
  ]
  for (const { count, added, removed } of steps) {
    if (!added) put(0, was.slice(atWas, (atWas += count)), removed)
    if (!removed) put(1, will.slice(atWill, (atWill += count)), added)
  }
  return { before: sides[0], after: sides[1], parts: [...parts] }
}
