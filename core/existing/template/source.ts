import { encodePath } from '../../address/relative.ts'
import type { Stretch } from '../../standard/pageTokens.ts'
import { referencesOf, tailOf } from '../../template/content.ts'
import type { Address, Bit, Bits, Spelling } from '../../template/model.ts'
import { type Published, spellingOf } from '../../template/spelling.ts'
import type { ReadFolder } from '../pages/folder.ts'
import type { ReadPage } from '../pages/readPage.ts'
import { type Target, targetKey } from '../pages/targets.ts'

/** The entry or file of the site that stands at a path of the folder. */
export type IdOf = (path: string) => { readonly to: 'entry' | 'site-file'; readonly id: string } | undefined

/** A reference in the source of a page. */
export interface SourceReference extends Stretch {
  readonly raw: string
  readonly target: Target
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
  readonly #references = new Map<ReadPage, readonly SourceReference[]>()

  constructor(folder: ReadFolder, idOf: IdOf) {
    this.#folder = folder
    this.#idOf = idOf
    this.published = folder.targets.published
  }

  /** All references of a page, in their order. */
  references(page: ReadPage): readonly SourceReference[] {
    let found = this.#references.get(page)
    if (!found) {
      found = [...referencesOf(page.text)].map(({ start, end, raw, value }) => ({
        start,
        end,
        raw,
        target: this.#folder.targets.resolve(page.path, value, page.base),
      }))
      this.#references.set(page, found)
    }
    return found
  }

  /** A reference as an address that follows its target; undefined where it would not come out as it is written. */
  address(page: ReadPage, { raw, target }: SourceReference): Address | undefined {
    if (target.to !== 'file' || page.base !== undefined) return undefined
    const at = this.#idOf(target.path)
    const tail = tailOf(raw)
    const spelling =
      at && spellingOf(page.path, target.path, raw.slice(0, raw.length - tail.length), this.published)
    return at && spelling ? { ...at, tail, ...spelling } : undefined
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

  /** How most references of the folder are written. */
  usualSpelling(): Spelling {
    const counts = new Map<string, { spelling: Spelling; times: number }>()
    for (const page of this.#folder.pages.slice(0, 200))
      for (const reference of this.references(page)) {
        const address = this.address(page, reference)
        // What looks the same in several ways says nothing.
        if (!address || address.to !== 'entry') continue
        const { start, index, isPlain } = address
        const key = `${start} ${index} ${isPlain}`
        const there = counts.get(key)
        if (there) there.times++
        else counts.set(key, { spelling: { start, index, isPlain }, times: 1 })
      }
    return (
      [...counts.values()].sort((a, b) => b.times - a.times)[0]?.spelling ?? {
        start: 'relative',
        index: 'named',
        isPlain: false,
      }
    )
  }
}

/** Those of some references that stand in a stretch. */
function within(references: readonly SourceReference[], start: number, end: number): SourceReference[] {
  let low = 0
  let high = references.length
  while (low < high) {
    const middle = (low + high) >> 1
    if (references[middle]!.start < start) low = middle + 1
    else high = middle
  }
  const found: SourceReference[] = []
  for (let at = low; at < references.length && references[at]!.end <= end; at++) found.push(references[at]!)
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
      .slice(0, 50)
      .replace(/-+$/, '') || 'page'
  let id = bare
  for (let n = 2; taken.has(id); n++) id = `${bare}-${n}`
  taken.add(id)
  return id
}
