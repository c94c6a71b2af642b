import { diffArrays } from 'diff'
import { folderOf } from '../address/relative.ts'
import { addressesOf } from '../address/addresses.ts'
import { itemAt, valueFor } from '../standard/present.ts'
import type { DifferingLines } from './compare.ts'
import { isSameEverywhere } from '../navigate/menu.ts'
import type { EntryId } from '../plan/ids.ts'
import type { TemplatesSite } from '../plan/site.ts'
import { menuOf } from '../plan/surround/surround.ts'
import type { TemplatePart } from '../plan/surround/templates.ts'
import { isDifference } from '../template/kept.ts'
import type { WrittenPiece } from '../template/partOf.ts'
import type { TemplateWriter } from '../template/write.ts'
import type { PagePart } from '../page/parts.ts'
import { partOfPieces } from '../template/partOf.ts'

/** Why two pages that are made of templates differ somewhere; `drift`: nothing explains it. */
export type TemplatedCause = PagePart | 'path' | 'section menu' | 'template' | 'drift'

const LINE_END = /\r\n|\r|\n/

/** Lines that differ, with why. */
export interface TemplatedDifference extends DifferingLines {
  readonly cause: TemplatedCause
  readonly region: PagePart
}

/** What a page says in the place of some parts of its template. */
interface Segment {
  readonly from: number
  to: number
  text: string
  /** Whether it keeps something there that its template does not say. */
  isDrift: boolean
  readonly region: PagePart
}

/** A page in segments that begin and end with parts of its template; what is between two parts belongs to the first. */
function segmentsOf(pieces: readonly WrittenPiece[]): Segment[] {
  const regions = partOfPieces(pieces)
  const segments: Segment[] = []
  let at = 0
  pieces.forEach(({ text, parts, kept }, n) => {
    const isDrift = kept !== undefined && isDifference(kept, parts)
    const last = segments.at(-1)
    if (last && (parts.length === 0 || last.to === 0)) {
      last.text += text
      last.isDrift ||= isDrift
      last.to = at += parts.length
      return
    }
    segments.push({ from: at, to: (at += parts.length), text, isDrift, region: regions[n]! })
  })
  return segments
}

/** The same segments with some put together, so that both pages have them of the same parts. */
function paired(a: readonly Segment[], b: readonly Segment[]): [Segment, Segment][] {
  const ends = (all: readonly Segment[]) => new Set(all.map(({ to }) => to))
  const [endsA, endsB] = [ends(a), ends(b)]
  const last = Math.max(a.at(-1)?.to ?? 0, b.at(-1)?.to ?? 0)
  const joined = (all: readonly Segment[]) => {
    const whole: Segment[] = []
    let open: Segment | undefined
    for (const segment of all) {
      // What stands after the last part is a segment of its own on some pages only.
      if (open) {
        open.to = segment.to
        open.text += segment.text
        open.isDrift ||= segment.isDrift
      } else open = { ...segment }
      if (segment.to < last && endsA.has(segment.to) && endsB.has(segment.to)) {
        whole.push(open)
        open = undefined
      }
    }
    return open ? [...whole, open] : whole
  }
  const [left, right] = [joined(a), joined(b)]
  return left.map((segment, n) => [segment, right[n]!])
}

/** Joins neighbours that belong to the same part of the page. */
function runsOf(segments: readonly Segment[]): Segment[] {
  const runs: Segment[] = []
  for (const segment of segments) {
    const last = runs.at(-1)
    if (last?.region === segment.region) {
      last.text += segment.text
      last.isDrift ||= segment.isDrift
    } else runs.push({ ...segment })
  }
  return runs
}

const missing = ({ region }: Segment): Segment => ({ from: 0, to: 0, text: '', isDrift: false, region })

/** Pairs the parts of two pages in their order. A part that only one of them has is paired with an empty one. */
function alike(a: readonly Segment[], b: readonly Segment[]): [Segment, Segment][] {
  const [left, right] = [a, b].map((runs) => runs.map(({ region }) => region)) as [PagePart[], PagePart[]]
  let [atA, atB] = [0, 0]
  return diffArrays(left, right).flatMap(({ value, added, removed }) =>
    value.map((): [Segment, Segment] => {
      if (added) return [missing(b[atB]!), b[atB++]!]
      if (removed) return [a[atA]!, missing(a[atA++]!)]
      return [a[atA++]!, b[atB++]!]
    }),
  )
}

/** The lines of a text; a text that is not there has none, nor has what follows the last line end. */
const linesOf = (text: string): string[] => {
  const lines = text.split(LINE_END)
  return lines.at(-1) === '' ? lines.slice(0, -1) : lines
}

/** The lines of two texts without those that are the same at their beginnings and ends; at least one is left of each. */
function differingLines(a: string, b: string) {
  const [left, right] = [a, b].map((text) => text.split(LINE_END)) as [string[], string[]]
  const shorter = Math.min(left.length, right.length)
  let skipped = 0
  while (skipped < shorter - 1 && left[skipped] === right[skipped]) skipped++
  let rest = 0
  while (rest < shorter - 1 - skipped && left.at(-1 - rest) === right.at(-1 - rest)) rest++
  const cut = (lines: readonly string[]) => lines.slice(skipped, lines.length - rest)
  return { skipped, lines: [cut(left), cut(right)] as const }
}

/** The number of each line at which some texts begin that stand one after the other, from 1. */
function linesAt(texts: readonly string[]): number[] {
  let line = 1
  return texts.map((text) => {
    const at = line
    line += text.split(LINE_END).length - 1
    return at
  })
}

/**
 * The differences of two pages that are made of templates, each with why it is there: by how they are made, so that
 * nothing is guessed. All that is not told is the same on both.
 */
export function compareTemplated(
  site: TemplatesSite,
  writer: TemplateWriter,
  [a, b]: readonly [EntryId, EntryId],
): TemplatedDifference[] {
  if (a === b) return []
  const { paths } = addressesOf(site)
  const isSameFolder = folderOf(valueFor(paths, a)) === folderOf(valueFor(paths, b))
  const [templateA, templateB] = [writer.templateOf(a), writer.templateOf(b)]
  const isSameTemplate = templateA.id === templateB.id
  const segments = [a, b].map((id) => segmentsOf(writer.pieces(id))) as [Segment[], Segment[]]

  const ofMenu = (part: TemplatePart & { readonly kind: 'menu' }): TemplatedCause => {
    const pattern = site.surround.templates.menus.find(({ id }) => id === part.pattern)
    const menu = pattern && menuOf(site.surround, pattern.menu)
    if (menu && !isSameEverywhere(menu)) return 'section menu'
    return isSameFolder || writer.unmarked(a, part) === writer.unmarked(b, part) ? 'here mark' : 'path'
  }
  /** Why parts of the same template differ where neither page keeps anything else. */
  const causeOf = (parts: readonly TemplatePart[], region: PagePart): TemplatedCause => {
    const menu = parts.find((part) => part.kind === 'menu')
    if (menu) return ofMenu(menu)
    return parts.every(({ kind }) => kind === 'text') ? 'path' : region
  }

  const pairs = isSameTemplate ? paired(...segments) : alike(runsOf(segments[0]), runsOf(segments[1]))
  const starts = ([0, 1] as const).map((side) => linesAt(pairs.map((pair) => pair[side].text)))
  return pairs.flatMap(([left, right], n): TemplatedDifference[] => {
    if (left.text === right.text) return []
    const parts = templateA.parts.slice(left.from, left.to)
    const cause =
      left.isDrift || right.isDrift
        ? 'drift'
        : isSameTemplate
          ? causeOf(parts, left.region)
          : SHARED.has(left.region)
            ? 'template'
            : left.region
    const isMissing = !isSameTemplate && (left.text === '' || right.text === '')
    const { skipped, lines } = isMissing
      ? { skipped: 0, lines: [linesOf(left.text), linesOf(right.text)] as const }
      : differingLines(left.text, right.text)
    return [
      {
        cause,
        region: left.region,
        at: [itemAt(starts, 0)[n]! + skipped, itemAt(starts, 1)[n]! + skipped],
        lines,
      },
    ]
  })
}

/** Parts that follow from the template, and not from the page. */
const SHARED: ReadonlySet<PagePart> = new Set<PagePart>(['head', 'header', 'menu', 'footer'])
