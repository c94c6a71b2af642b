import { encodePath } from '../../address/relative.ts'
import type { Stretch } from '../../standard/pageTokens.ts'
import { includesIn } from '../../standard/includes.ts'
import { sourceReferences } from '../../pointer/inSource.ts'
import type { Address, Bit, Bits, Spelling } from '../../plan/surround/templates.ts'
import { itemAt } from '../../standard/present.ts'
import { type Published, spellingOf, tailOf, usualSpelling, type Written } from '../../template/spelling.ts'
import type { ReadFolder } from '../pages/folder.ts'
import type { ReadPage } from '../pages/readPage.ts'
import { type Target, targetKey } from '../pages/targets.ts'

/** The entry or file of the site that stands at a path of the folder. */
export type IdOf = (path: string) => { readonly to: 'entry' | 'site-file'; readonly id: string } | undefined

/** The id of the entry or file at a path that is known to have one. @throws where it has none */
export function idAt(idOf: IdOf, path: string): string {
  const at = idOf(path)
  if (!at) throw new Error(`There is no page or file at ${path}.`)
  return at.id
}

/** A reference in the source of a page. */
interface PageReference extends Stretch {
  readonly raw: string
  readonly target: Target
  /** Whether it is a part of a value. */
  readonly isPart: boolean
  /** Whether the server puts what it leads to in its place. */
  readonly isInclude: boolean
}

/** A hole to be cut into a text of the author's. */
export interface Cut extends Stretch {
  readonly bit: Bit
}

/** Reads stretches of the pages of one folder as texts that follow where their references lead. */
export class Sources {
  readonly #folder: ReadFolder
  readonly #idOf: IdOf
  readonly published: Published
  readonly #references = new Map<ReadPage, readonly PageReference[]>()

  constructor(folder: ReadFolder, idOf: IdOf) {
    this.#folder = folder
    this.#idOf = idOf
    this.published = folder.targets.published
  }

  /** All references of a page, in their order. */
  references(page: ReadPage): readonly PageReference[] {
    let found = this.#references.get(page)
    if (!found) {
      const { path, text, tokens, base } = page
      const { targets } = this.#folder
      const inTags = [...sourceReferences(text, tokens)].map(
        ({ start, end, raw, isPart, url }): PageReference => ({
          ...{ start, end, raw, isPart, isInclude: false },
          target: targets.resolve(path, url, base),
        }),
      )
      const included = includesIn(path, text).flatMap(({ start, end, raw, path: to }): PageReference[] => {
        const target: Target = { to: 'file', path: to, tail: tailOf(raw), isOtherCase: false }
        return targets.fileAt(to)?.path === to
          ? [{ start, end, raw, target, isInclude: true, isPart: false }]
          : []
      })
      // In an attribute, code stands within what looks like a reference.
      const apart = included.filter(
        (one) => !inTags.some(({ start, end }) => start < one.end && one.start < end),
      )
      found = apart.length === 0 ? inTags : [...inTags, ...apart].sort((a, b) => a.start - b.start)
      this.#references.set(page, found)
    }
    return found
  }

  #written(page: ReadPage, { raw, target, isPart, isInclude }: PageReference): Written | undefined {
    // A `base` is for browsers, which see nothing of an include.
    if (target.to !== 'file' || (page.base !== undefined && !isInclude)) return undefined
    const path = raw.slice(0, raw.length - tailOf(raw).length)
    return { from: page.path, to: target.path, path, isPart }
  }

  /** A reference as an address that follows its target; undefined where it would not come out as it is written. */
  address(page: ReadPage, reference: PageReference, usual: Spelling = this.usual): Address | undefined {
    const written = this.#written(page, reference)
    const at = written && this.#idOf(written.to)
    const habit = reference.isInclude ? this.#usualInclude : usual
    const spelling = at && spellingOf(written, habit, this.published)
    if (!at || !spelling || (reference.isInclude && at.to === 'entry')) return undefined
    const to = reference.isInclude ? 'included' : at.to
    const part = reference.isPart ? { isPart: true as const } : {}
    return { to, id: at.id, tail: tailOf(reference.raw), ...part, ...spelling }
  }

  /** A stretch of a page. @param cuts holes in it, in their order */
  bits(page: ReadPage, { start, end }: Stretch, cuts: readonly Cut[] = []): Bits {
    const bits: Bit[] = []
    const put = (bit: Bit) => {
      if (bit === '') return
      const last = bits.at(-1)
      if (typeof bit === 'string' && typeof last === 'string') bits[bits.length - 1] = last + bit
      else bits.push(bit)
    }
    const holes: Cut[] = [...cuts]
    for (const reference of within(this.references(page), start, end)) {
      if (cuts.some((cut) => cut.start < reference.end && reference.start < cut.end)) continue
      const address = this.address(page, reference)
      if (address) holes.push({ start: reference.start, end: reference.end, bit: address })
    }
    let at = start
    for (const hole of holes.sort((a, b) => a.start - b.start)) {
      put(page.text.slice(at, hole.start))
      put(hole.bit)
      at = hole.end
    }
    put(page.text.slice(at, end))
    return bits
  }

  /** A stretch as two of them are compared: references by where they lead, blanks as one. */
  key(page: ReadPage, { start, end }: Stretch): string {
    let key = ''
    let at = start
    for (const { start: from, end: to, target } of within(this.references(page), start, end)) {
      key += page.text.slice(at, from) + targetKey(target)
      at = to
    }
    key += page.text.slice(at, end)
    return key.trim() === '' ? ' ' : key.replace(/\s+/g, ' ')
  }

  #usual: Spelling | undefined

  /** How most references of the folder are written. */
  get usual(): Spelling {
    this.#usual ??= this.usualIn(
      this.#folder.pages.map((page) => ({ page, start: 0, end: page.text.length })),
    )
    return this.#usual
  }

  /** How most references in some stretches are written. */
  usualIn(stretches: readonly (Stretch & { readonly page: ReadPage })[]): Spelling {
    const written: Written[] = []
    const each = Math.max(4, Math.ceil(MOST_ASKED / (stretches.length || 1)))
    for (const { page, start, end } of stretches) {
      const own = within(this.references(page), start, end).flatMap((one) =>
        one.isInclude ? [] : (this.#written(page, one) ?? []),
      )
      written.push(...own.slice(0, each))
      if (written.length >= MOST_ASKED) break
    }
    return usualSpelling(written, this.published)
  }

  #usualOfIncludes: Spelling | undefined

  /** How most names of what pages put in are written: a habit of its own. */
  get #usualInclude(): Spelling {
    const included = (page: ReadPage) =>
      this.references(page).flatMap((one) => (one.isInclude ? (this.#written(page, one) ?? []) : []))
    this.#usualOfIncludes ??= usualSpelling(
      this.#folder.pages.slice(0, MOST_ASKED).flatMap(included),
      this.published,
    )
    return this.#usualOfIncludes
  }
}

/** So many references tell a habit. */
const MOST_ASKED = 1000

/** Those of some references that stand in a stretch. */
function within(references: readonly PageReference[], start: number, end: number): PageReference[] {
  let low = 0
  let high = references.length
  while (low < high) {
    const middle = (low + high) >> 1
    if (itemAt(references, middle).start < start) low = middle + 1
    else high = middle
  }
  const found: PageReference[] = []
  for (let at = low; at < references.length && itemAt(references, at).end <= end; at++)
    found.push(references[at]!)
  return found
}

/** A path as an id of an entry or file: readable, and taken by no other. */
export function claimId(path: string, taken: Set<string>): string {
  const bare =
    encodePath(path)
      .toLowerCase()
      .replace(/\.(?:x?html?|php|shtml)$/, '')
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-+/, '')
      .slice(0, 50) || 'page'
  const stem = bare.endsWith('-') ? bare.slice(0, -1) : bare
  let id = stem
  for (let n = 2; taken.has(id); n++) id = `${stem}-${n}`
  taken.add(id)
  return id
}
