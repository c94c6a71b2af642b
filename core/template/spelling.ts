import { encodePath, folderOf, relativeHref } from '../address/relative.ts'
import { decoded } from '../pointer/pointer.ts'
import { INDEXES, type Spelling, STARTS } from '../plan/surround/templates.ts'

/** The index file at the end of a path, whatever it is called. */
const INDEX_FILE = /(^|\/)(?:index|default|home)\.[a-z]+$/i

/** What follows the path of a reference, as it is written. */
export function tailOf(raw: string): string {
  const at = raw.search(/[?#]/)
  return at < 0 ? '' : raw.slice(at)
}

/** What would end a reference in a style, or in a list. */
const ENDING = /[\s'"(),;\\]/g
const encoded = (sign: string) => `%${sign.charCodeAt(0).toString(16).toUpperCase().padStart(2, '0')}`

/** Where the site is published, for references that do not start at the page. */
export interface Published {
  readonly baseUrl: string
  /** `/` at both ends. */
  readonly root: string
  /** Whether the page is shown at any address, so that its references start from the top. */
  readonly isFromTop?: boolean
}

/** How a reference really starts: without a base URL there is nothing that an absolute one could begin with. */
function startOn({ baseUrl, isFromTop = false }: Published, start: Spelling['start']): Spelling['start'] {
  const possible = start === 'absolute' && baseUrl === '' ? 'relative' : start
  return isFromTop && possible !== 'absolute' ? 'root' : possible
}

/**
 * A reference to a file of the site, as its author writes them.
 * @param from the path of the page that it stands on
 * @param to the path that it leads to
 */
export function spelt(
  from: string,
  to: string,
  { start, index, isPlain, isPart }: Spelling & { readonly isPart?: boolean },
  published: Published,
): string {
  const folder = folderOf(from)
  let href: string
  switch (startOn(published, start)) {
    case 'relative':
      href = relativeHref(folder, to)
      break
    case 'dot': {
      const way = relativeHref(folder, to)
      href = way.startsWith('../') ? way : `./${way}`
      break
    }
    case 'root':
      href = published.root + encodePath(to)
      break
    case 'absolute':
      href = published.baseUrl + encodePath(to)
      break
  }
  if (isPlain) href = decoded(href)
  if (isPart) href = href.replace(ENDING, encoded)
  if (index === 'named' || !INDEX_FILE.test(to)) return href
  const cut = href.replace(INDEX_FILE, '$1')
  if (index === 'bare') return cut === '/' ? cut : cut.replace(/\/$/, '') || '.'
  return cut || './'
}

/** Every way of writing, the commonest first. */
const SPELLINGS: readonly Spelling[] = [false, true].flatMap((isPlain) =>
  STARTS.flatMap((start) => INDEXES.map((index) => ({ start, index, isPlain }))),
)

/** A reference to a file of the site, and how it is written. */
export interface Written {
  readonly from: string
  readonly to: string
  /** Without its tail. */
  readonly path: string
  /** Whether it is a part of a value. */
  readonly isPart: boolean
}

const isWrittenSo = ({ from, to, path, isPart }: Written, spelling: Spelling, published: Published) =>
  (spelling.start !== 'absolute' || published.baseUrl !== '') &&
  spelt(from, to, { ...spelling, isPart }, published) === path

/**
 * How a reference is written; undefined where it is written in no way that could be told.
 * @param usual is taken where it may be that one
 */
export function spellingOf(reference: Written, usual: Spelling, published: Published): Spelling | undefined {
  return [usual, ...SPELLINGS].find((spelling) => isWrittenSo(reference, spelling, published))
}

/**
 * Signs that may stay as they are in a path: who writes them so does not also write blanks so. RFC 3986, section 3.3, `pchar`
 */
const MAY_STAY = /[@:&=+$,;]/

/** The way of writing that most of some references may be written in; the commonest where there are none. */
export function usualSpelling(all: readonly Written[], published: Published): Spelling {
  const references = all.filter(({ path }) => !MAY_STAY.test(path))
  let best = SPELLINGS[0]!
  let most = 0
  for (const spelling of SPELLINGS) {
    const times = references.filter((one) => isWrittenSo(one, spelling, published)).length
    if (times > most) [best, most] = [spelling, times]
    if (most === references.length) break
  }
  return best
}
