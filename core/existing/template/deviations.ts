import type { Stretch } from '../../standard/pageTokens.ts'
import type { Bits, Override, TemplatePart, Where } from '../../plan/surround/templates.ts'
import type { ReadPage } from '../pages/readPage.ts'
import type { Sources } from './source.ts'

/** A stretch of a page that its template does not say: what stands there in the place of which parts. */
export interface Deviation {
  readonly page: ReadPage
  readonly override: Override
  readonly stretch: Stretch
  /** The parts that it stands for. */
  readonly parts: readonly TemplatePart[]
  /** What these would be. */
  readonly would: string
  /** Where in its page the template has it. */
  readonly where: Where
}

/** How one page lies over its template: the stretch of each slot; undefined where it has none; none overlaps another, and all go upwards. */
export type Lying = readonly (Stretch | undefined)[]

/** The stretch of a page between the slots before and after some. */
export function between(page: ReadPage, lying: Lying, from: number, to: number): Stretch {
  const before = from > 0 ? lying[from - 1]! : undefined
  const after = to < lying.length ? lying[to]! : undefined
  return { start: before?.end ?? 0, end: after?.start ?? page.text.length }
}

/** The runs of slots that a page has no cell for, each with the stretch that stands there; stretches may be empty. */
export function* looseRuns(lying: Lying): Generator<{ from: number; to: number }> {
  let from = 0
  for (let at = 0; at <= lying.length; at++) {
    if (at < lying.length && lying[at] === undefined) continue
    yield { from, to: at }
    from = at + 1
  }
}

/** What writes the parts of one page. */
export interface Expected {
  part(part: TemplatePart): string
  bits(bits: Bits): string
  /** Whether the body of the page comes out as this. */
  isContent(text: string): boolean
}

/** For each place in a list, and the one after its end, where the next item of a kind is; the length where none follows. */
function nextOf<Item>(items: readonly Item[], is: (item: Item) => boolean): readonly number[] {
  const next = new Array<number>(items.length + 1).fill(items.length)
  for (let at = items.length - 1; at >= 0; at--) next[at] = is(items[at]!) ? at : next[at + 1]!
  return next
}

/** What of a page its template does not say, so that both together are the page to the byte. */
export function deviationsOf(
  sources: Sources,
  page: ReadPage,
  parts: readonly TemplatePart[],
  lying: Lying,
  content: Stretch | undefined,
  expected: Expected,
): Deviation[] {
  const deviations: Deviation[] = []
  const firstContent = parts.findIndex(({ kind }) => kind === 'content')
  const nextContent = nextOf(parts, ({ kind }) => kind === 'content')
  const nextPlaced = nextOf(parts, (part) => 'where' in part)
  const whereAt = (at: number): Where => {
    const near = parts[nextPlaced[at]!]
    if (near && 'where' in near && near.where === 'head') return 'head'
    return firstContent >= 0 && at > firstContent ? 'footer' : 'header'
  }
  const put = (from: number, to: number, stretch: Stretch, would: string) => {
    // What is written of a stretch must be what it is: a reference that would come out otherwise stays as it stands.
    const text = page.text.slice(stretch.start, stretch.end)
    const learnt = sources.bits(page, stretch)
    const bits = expected.bits(learnt) === text ? learnt : text === '' ? [] : [text]
    const override: Override = { from, to, bits }
    deviations.push({ page, override, stretch, parts: parts.slice(from, to), would, where: whereAt(from) })
  }
  /** Compares a stretch with what some parts would be, and keeps it where it is something else. */
  const compare = (from: number, to: number, stretch: Stretch) => {
    const text = page.text.slice(stretch.start, stretch.end)
    const would = parts
      .slice(from, to)
      .map((part) => expected.part(part))
      .join('')
    if (text === would) return
    put(from, to, stretch, would)
  }
  for (const { from, to } of looseRuns(lying)) {
    const stretch = between(page, lying, from, to)
    const contentAt = nextContent[from]!
    if (contentAt < to && content) {
      compare(from, contentAt, { start: stretch.start, end: content.start })
      if (!expected.isContent(page.text.slice(content.start, content.end)))
        put(contentAt, contentAt + 1, content, '')
      compare(contentAt + 1, to, { start: content.end, end: stretch.end })
    } else if (from === to) {
      if (stretch.end > stretch.start) put(from, to, stretch, '')
    } else compare(from, to, stretch)
    const cell = lying[to]
    if (cell) compare(to, to + 1, cell)
  }
  return deviations
}
