import { itemAt, lastOf, valueFor } from '../../standard/present.ts'
import { isVoid } from '../../standard/voidElements.ts'
import type { Stretch } from '../../standard/pageTokens.ts'
import { linksOfCells, type Matched } from './match.ts'
import type { Cell } from './cells.ts'

/** What a template is put together from, before its parts are written: cells of one page, and the holes between them. */
export type Slot =
  | { readonly kind: 'cell'; readonly cell: Cell; readonly isInHead: boolean }
  | { readonly kind: 'own'; readonly isInHead: boolean }
  | { readonly kind: 'content' }

/** Pages that are made alike. */
export interface Alignment<Page> {
  readonly pages: readonly Page[]
  /** The page whose cells the template is made of. */
  readonly reference: Page
  readonly slots: readonly Slot[]
  /** Of each page: the cell that stands for each slot; undefined where it has none. */
  readonly cells: ReadonlyMap<Page, readonly (Cell | undefined)[]>
}

/** What the pages have in common with most others, for telling which are made alike. */
function framesOf<Page>(cells: ReadonlyMap<Page, readonly Cell[]>): Map<Page, Set<string>> {
  const counts = new Map<string, number>()
  const keys = new Map<Page, Set<string>>()
  for (const [page, own] of cells) {
    const telling = new Set(own.filter((cell) => cell.isTelling).map(({ key }) => key))
    keys.set(page, telling)
    for (const key of telling) counts.set(key, (counts.get(key) ?? 0) + 1)
  }
  const least = Math.max(2, Math.ceil(cells.size * 0.05))
  return new Map(
    [...keys].map(([page, own]) => [page, new Set([...own].filter((key) => valueFor(counts, key) >= least))]),
  )
}

/** How many kinds of pages are told apart; what is left goes to the kind that it is likest. */
const MOST_KINDS = 12

/** Puts pages together that are made alike, the largest kind first. */
export function kindsOfPages<Page>(cells: ReadonlyMap<Page, readonly Cell[]>): Page[][] {
  const frames = framesOf(cells)
  interface Kind {
    pages: Page[]
    counts: Map<string, number>
    core: Set<string>
  }
  const kinds: Kind[] = []
  const likeness = (frame: ReadonlySet<string>, { core }: Kind) => {
    let both = 0
    for (const key of frame) if (core.has(key)) both++
    return both / (frame.size + core.size - both || 1)
  }
  const add = (kind: Kind, page: Page) => {
    kind.pages.push(page)
    for (const key of valueFor(frames, page)) kind.counts.set(key, (kind.counts.get(key) ?? 0) + 1)
    // The core settles early: it is worked out anew only while few pages are there.
    const size = kind.pages.length
    if (size < 32 || (size & (size - 1)) === 0)
      kind.core = new Set(
        [...kind.counts].filter(([, times]) => times * 2 > size || size < 3).map(([key]) => key),
      )
  }
  for (const page of cells.keys()) {
    const frame = valueFor(frames, page)
    const [best] = kinds
      .map((kind) => ({ kind, like: likeness(frame, kind) }))
      .sort((a, b) => b.like - a.like)
    if (best && (best.like >= 0.6 || kinds.length >= MOST_KINDS)) add(best.kind, page)
    else {
      const kind: Kind = { pages: [], counts: new Map(), core: new Set() }
      kinds.push(kind)
      add(kind, page)
    }
  }
  // A kind of one page that is nearly like another is that with something wrong.
  kinds.sort((a, b) => b.pages.length - a.pages.length)
  const [largest] = kinds
  for (const kind of [...kinds]) {
    if (kind === largest || kind.pages.length > 1 || !largest) continue
    const [page] = kind.pages
    const near = kinds.find(
      (other) => other !== kind && other.pages.length > 1 && likeness(valueFor(frames, page!), other) >= 0.45,
    )
    if (!near) continue
    add(near, page!)
    kinds.splice(kinds.indexOf(kind), 1)
  }
  return kinds.map(({ pages }) => pages)
}

/** The page that has most of what the others have, and least besides. */
function referenceOf<Page extends object>(
  pages: readonly Page[],
  cells: ReadonlyMap<Page, readonly Cell[]>,
): Page {
  const counts = new Map<string, number>()
  for (const page of pages)
    for (const key of new Set(
      valueFor(cells, page)
        .filter(({ isTelling }) => isTelling)
        .map(({ key }) => key),
    ))
      counts.set(key, (counts.get(key) ?? 0) + 1)
  let best = pages[0]!
  let most = -Infinity
  for (const page of pages) {
    let score = 0
    for (const key of new Set(valueFor(cells, page).map((cell) => cell.key))) {
      const times = counts.get(key) ?? 0
      score += times * 2 > pages.length ? 100 : -0.01
    }
    if (score > most) [best, most] = [page, score]
  }
  return best
}

/** What tells where the content of a page is. */
interface ContentSigns<Page> {
  /** Of one that has none to be compared with. */
  readonly alone: (page: Page) => Stretch | undefined
  /** As an element of it says. */
  readonly main: (page: Page) => Stretch | undefined
  /** As its author says. */
  readonly pointed: (page: Page) => Stretch | undefined
}

/** Lays some pages over each other. */
export function align<Page extends object>(
  pages: readonly Page[],
  cells: ReadonlyMap<Page, readonly Cell[]>,
  signs: ContentSigns<Page>,
): Alignment<Page> {
  const reference = referenceOf(pages, cells)
  const base = valueFor(cells, reference)
  const matched = new Map<Page, Matched>(
    pages.map((page) => [
      page,
      page === reference ? base.map((_, at) => at) : linksOfCells(base, valueFor(cells, page)),
    ]),
  )
  const times = base.map((_, at) =>
    pages.reduce((sum, page) => sum + (valueFor(matched, page)[at]! >= 0 ? 1 : 0), 0),
  )
  const common = base.flatMap((_, at) => (times[at]! * 2 > pages.length ? [at] : []))
  const gapOf = (page: Page, before: number | undefined, after: number | undefined): string | undefined => {
    const own = valueFor(cells, page)
    const from = before === undefined ? -1 : valueFor(matched, page)[before]!
    const to = after === undefined ? own.length : valueFor(matched, page)[after]!
    if ((before !== undefined && from < 0) || (after !== undefined && to < 0)) return undefined
    let gap = ''
    for (let at = from + 1; at < to; at++) gap += itemAt(own, at).key
    return gap
  }
  const gaps = [...common, undefined].map((after, n) =>
    pages.map((page) => gapOf(page, common[n - 1], after)),
  )
  const content = contentAt()
  function contentAt(): ContentPlace | undefined {
    const said = signs.pointed(reference)
    if (said) return contentIn(base, common, said)
    if (pages.length === 1) return contentAlone(base, common, signs.alone(reference))
    const own = signs.main(reference)
    // That of one page alone says nothing of the others.
    const main = own && common.some((at) => itemAt(base, at).end === own.start) ? own : undefined
    const isFirm = (at: number) => times[at]! * 10 >= pages.length * 8
    const between = contentBetween(base, common, gaps, isFirm, main)
    // Where all pages say the same yet, each will say something of its own.
    return between ?? (main && contentAlone(base, common, main))
  }
  const bodyAt = base.findIndex(({ opens }) => opens === 'body')
  const slots: Slot[] = []
  const refs: (number | undefined)[] = []
  const put = (slot: Slot, ref?: number) => {
    slots.push(slot)
    refs.push(ref)
  }
  for (let n = 0; n <= common.length; n++) {
    const at = common[n]
    const isInHead = bodyAt >= 0 && (at ?? base.length) <= bodyAt
    if (content && n === content.first) {
      put({ kind: 'content' })
      n = content.last
    } else {
      const filled = itemAt(gaps, n).filter((gap) => gap !== undefined && gap.trim() !== '').length
      if (filled * 2 > pages.length) put({ kind: 'own', isInHead })
    }
    const cell = common[n]
    if (cell !== undefined)
      put({ kind: 'cell', cell: base[cell]!, isInHead: bodyAt >= 0 && cell < bodyAt }, cell)
  }
  const ofPages = new Map(
    pages.map((page) => {
      const own = valueFor(cells, page)
      return [
        page,
        refs.map((ref) => {
          const at = ref === undefined ? -1 : valueFor(matched, page)[ref]!
          return at < 0 ? undefined : own[at]!
        }),
      ]
    }),
  )
  return { pages, reference, slots, cells: ofPages }
}

/** Which gaps, from one to another, the content takes: as numbers of what is common, see `align`. */
interface ContentPlace {
  readonly first: number
  readonly last: number
}

/** How much a stretch says: its text, and a little for its tags. */
function weightOf(html: string): number {
  let text = 0
  let isTag = false
  for (const sign of html) {
    if (sign === '<') isTag = true
    else if (sign === '>') isTag = false
    else if (!isTag) text++
  }
  return text + (html.length - text) / 5
}

/**
 * The content is the largest part that differs: the run of gaps with the most text that is not the same, less what is
 * the same between them. It takes no computed part in, and no tag without its other.
 */
function contentBetween(
  base: readonly Cell[],
  common: readonly number[],
  gaps: readonly (readonly (string | undefined)[])[],
  isFirm: (at: number) => boolean,
  main: Stretch | undefined,
): ContentPlace | undefined {
  const bodyAt = base.findIndex(({ opens }) => opens === 'body')
  const headEnd = Math.max(
    bodyAt,
    base.findIndex(({ closes }) => closes === 'head'),
  )
  const varies = gaps.map((own, n) => {
    const known = own.filter((gap) => gap !== undefined)
    const before = common[n - 1]
    if (before !== undefined && before < headEnd) return 0
    if (before === undefined) return 0
    if (main && (itemAt(base, before).end < main.start || (base[common[n]!]?.start ?? Infinity) > main.end))
      return 0
    return new Set(known).size < 2 ? 0 : known.reduce((sum, gap) => sum + weightOf(gap), 0) / known.length
  })
  let best: ContentPlace | undefined
  let most = 0
  let sum = 0
  let first = 0
  let last: number | undefined
  varies.forEach((value, n) => {
    if (value === 0) return
    if (last !== undefined)
      sum -= costOf(
        common.slice(last, n).map((at) => base[at]!),
        common.slice(last, n).every(isFirm),
      )
    if (sum <= 0 || last === undefined) [sum, first] = [0, n]
    sum += value
    last = n
    if (sum > most) [most, best] = [sum, { first, last: n }]
  })
  if (!best) return undefined
  const isChance = (n: number) =>
    n >= 0 && n < common.length && !isFirm(common[n]!) && !itemAt(base, common[n]!).computed
  let { first: begins, last: ends } = best
  while (isChance(begins - 1) && common[begins - 1]! > headEnd) begins--
  while (isChance(ends)) ends++
  return withParagraph(base, common, balanced(base, common, { first: begins, last: ends }))
}

/** A paragraph of which every page has one is content as its text is: the next that is written stands beside it. */
function withParagraph(base: readonly Cell[], common: readonly number[], place: ContentPlace): ContentPlace {
  const { first, last } = place
  const before = base[common[first - 1] ?? -1]
  const after = base[common[last] ?? -1]
  const isOne = before?.opens === 'p' && after?.closes === 'p' && !before.computed && !after.computed
  return isOne ? { first: first - 1, last: last + 1 } : place
}

/** What speaks against a content that goes over some cells that are the same on all pages. */
function costOf(cells: readonly Cell[], isFirm: boolean): number {
  if (cells.some(({ computed }) => computed)) return Infinity
  const length = cells.reduce((sum, { key }) => sum + key.length, 0)
  // What only some of the pages have is theirs by chance.
  if (!isFirm) return length / 20
  const open: string[] = []
  for (const { opens, closes } of cells) {
    if (opens !== undefined && !isVoid(opens)) open.push(opens)
    if (closes === undefined) continue
    const at = open.lastIndexOf(closes)
    if (at < 0) return length
    open.splice(at)
  }
  // Whole elements in the midst of a text, such as a sentence that stands on several pages.
  return open.every((tag) => OPTIONAL.test(tag)) ? length / 20 : length
}

/** Widens a stretch until no element begins within and ends without, or the other way. */
function balanced(base: readonly Cell[], common: readonly number[], place: ContentPlace): ContentPlace {
  let { first, last } = place
  for (;;) {
    const from = first === 0 ? 0 : common[first - 1]! + 1
    const to = last === common.length ? base.length : common[last]!
    const open: string[] = []
    const strayed: string[] = []
    for (let at = from; at < to; at++) {
      const { opens, closes } = base[at]!
      if (opens !== undefined && !isVoid(opens)) open.push(opens)
      if (closes === undefined) continue
      const there = open.lastIndexOf(closes)
      if (there >= 0) open.splice(there)
      else strayed.push(closes)
    }
    const after = last < common.length ? base[common[last]!] : undefined
    const before = first > 0 ? base[common[first - 1]!] : undefined
    // An element that begins in the content ends in it, too.
    const needed = open.filter((tag) => !OPTIONAL.test(tag))
    if (after && !after.computed && after.closes !== 'body') {
      const isEnd = after.closes !== undefined && open.includes(after.closes)
      if (isEnd || (needed.length > 0 && after.closes === undefined)) {
        last++
        continue
      }
    }
    if (before && !before.computed && before.opens !== 'body') {
      const isStart = before.opens !== undefined && strayed.includes(before.opens)
      if (isStart || (strayed.length > 0 && before.opens === undefined)) {
        first--
        continue
      }
    }
    return { first, last }
  }
}
/** Elements that authors leave open. https://html.spec.whatwg.org/multipage/syntax.html#optional-tags */
const OPTIONAL = /^(?:p|li|dt|dd|tr|td|th|thead|tbody|tfoot|option|colgroup|font|b|i|center)$/

/** A stretch without the tags before and after all that it says whose other half stands outside of it. */
function withoutHalves(base: readonly Cell[], stretch: readonly number[]): readonly number[] {
  const halves = new Set<number>()
  const open: number[] = []
  /** How many of each are open: thousands of stray tags are not looked for among thousands. */
  const waiting = new Map<string, number>()
  const count = (tag: string, more: number) => waiting.set(tag, (waiting.get(tag) ?? 0) + more)
  for (const at of stretch) {
    const { opens, closes } = base[at]!
    if (opens !== undefined && !isVoid(opens)) {
      open.push(at)
      count(opens, 1)
    }
    if (closes === undefined) continue
    if (!waiting.get(closes)) halves.add(at)
    else
      for (let tag; tag !== closes;) {
        tag = itemAt(base, open.pop()!).opens!
        count(tag, -1)
      }
  }
  for (const at of open) if (!OPTIONAL.test(itemAt(base, at).opens!)) halves.add(at)
  const says = (at: number) => {
    const { opens, closes, key } = base[at]!
    return (opens === undefined || isVoid(opens)) && closes === undefined && key.trim() !== ''
  }
  const from = stretch.findIndex(says)
  if (from < 0) return stretch
  const to = stretch.findLastIndex(says)
  const end = stretch.findIndex((at, n) => n > to && halves.has(at))
  return stretch.slice(
    stretch.findLastIndex((at, n) => n < from && halves.has(at)) + 1,
    end < 0 ? stretch.length : end,
  )
}

/** The content of a page that stands alone: what it says is its main content, else all between its computed parts. */
function contentAlone(
  base: readonly Cell[],
  common: readonly number[],
  said: Stretch | undefined,
): ContentPlace | undefined {
  const bodyAt = base.findIndex(({ opens }) => opens === 'body')
  const bodyEnd = base.findLastIndex(({ closes }) => closes === 'body')
  const start = said?.start ?? (bodyAt >= 0 ? itemAt(base, bodyAt).end : undefined)
  const end = said?.end ?? (bodyEnd >= 0 ? itemAt(base, bodyEnd).start : undefined)
  if (start === undefined || end === undefined) return undefined
  const inside = common.filter((at) => itemAt(base, at).start >= start && itemAt(base, at).end <= end)
  // The longest stretch without a computed part.
  let best: readonly number[] = []
  let run: number[] = []
  const size = (cells: readonly number[]) =>
    cells.length === 0 ? 0 : itemAt(base, lastOf(cells)).end - itemAt(base, cells[0]!).start
  for (const at of [...inside, undefined]) {
    if (at !== undefined && !itemAt(base, at).computed) run.push(at)
    else {
      if (size(run) > size(best)) best = run
      run = []
    }
  }
  best = withoutHalves(base, best)
  if (best.length === 0) return undefined
  const first = common.indexOf(best[0]!)
  return { first, last: first + best.length }
}

/** The content within an element that the author pointed out: the longest stretch in it without a computed part. */
function contentIn(
  base: readonly Cell[],
  common: readonly number[],
  { start, end }: Stretch,
): ContentPlace | undefined {
  const computed = base.filter((cell) => cell.computed && cell.start >= start && cell.end <= end)
  let best: Stretch = { start, end: start }
  let from = start
  for (const next of [...computed, { start: end, end }]) {
    if (next.start - from > best.end - best.start) best = { start: from, end: next.start }
    from = next.end
  }
  if (best.end <= best.start) return undefined
  const first = common.filter((at) => itemAt(base, at).end <= best.start).length
  const last = common.filter((at) => itemAt(base, at).start < best.end).length
  return balanced(base, common, { first, last: Math.max(first, last) })
}
