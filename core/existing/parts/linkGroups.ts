import { itemAt } from '../../standard/present.ts'
import { attributeOf, type PageElement } from '../pages/nodes.ts'
import { directionOf } from './directions.ts'
import { sourceOffset, type Stretch } from '../../standard/pageTokens.ts'
import { oneLine, type PageLink, type ReadPage } from '../pages/readPage.ts'

/**
 * Links of a page that stand together: lists, cells of a table, links in a line. What they are — a menu, a breadcrumb, a
 * pager — shows only beside the other pages.
 */

/** A link of a group, or a text among them that stands like one. */
export interface GroupItem extends Stretch {
  readonly label: string
  readonly link: PageLink | undefined
  /** 1 for the first level, one more for each list that it stands in within the group. */
  readonly level: number
}

export interface LinkGroup extends Stretch {
  readonly page: ReadPage
  /** What all of it stands in. */
  readonly container: PageElement
  readonly items: readonly GroupItem[]
  /** How it is made, the same for groups in the same place of different pages. */
  readonly place: string
  /** The names that its author gave it: classes, ids, labels of the container and of what that stands in. */
  readonly names: string
  /** What stands between its first items. */
  readonly separator: string
}

const LISTS = new Set(['ul', 'ol', 'dl', 'menu', 'dir'])
/** Elements that lines are made of. https://html.spec.whatwg.org/multipage/dom.html#phrasing-content-2, and those of old pages. */
const INLINE = new Set(
  (
    'a abbr acronym area b bdi bdo big br button cite code data del dfn em font i img ins kbd label map mark nobr q s ' +
    'samp script small span strike strong sub sup svg time tt u var wbr'
  ).split(' '),
)
const SEPARATORS = /[|›»>→•·▸▶‣~«‹<←–—/]|::|--/
const HAS_WORDS = /[\p{L}\p{N}]/u
const MOST_WORDS = 80

/** Sums over the tokens before each: how much text, how much of it in links, how many links and headings. */
interface Sums {
  readonly text: Uint32Array
  readonly linked: Uint32Array
  readonly links: Uint32Array
  readonly headings: Uint32Array
}

function sumsOf({ tokens, links }: ReadPage): Sums {
  const size = tokens.length + 2
  const sums = {
    text: new Uint32Array(size),
    linked: new Uint32Array(size),
    links: new Uint32Array(size),
    headings: new Uint32Array(size),
  }
  const linkEnds = new Map(links.map(({ element }) => [element.firstToken, element.lastToken]))
  let linkEnd = -1
  let silent = false
  tokens.forEach((token, at) => {
    let text = 0
    if (token.kind === 'text' && !silent) text = token.text.replace(/[\s\u00a0]/g, '').length
    if (token.kind === 'open' && /^(?:script|style)$/.test(token.tag)) silent = true
    if (token.kind === 'close' && /^(?:script|style)$/.test(token.tag)) silent = false
    const ends = linkEnds.get(at)
    if (ends !== undefined) linkEnd = Math.max(linkEnd, ends)
    const isHeading = token.kind === 'open' && /^h[1-6]$/.test(token.tag)
    sums.text[at + 1] = sums.text[at]! + text
    sums.linked[at + 1] = sums.linked[at]! + (at <= linkEnd ? text : 0)
    sums.links[at + 1] = sums.links[at]! + (ends === undefined ? 0 : 1)
    sums.headings[at + 1] = sums.headings[at]! + (isHeading ? 1 : 0)
  })
  return sums
}

/** The items among some tokens; undefined where they read as prose. */
function itemsIn(
  page: ReadPage,
  linkAt: ReadonlyMap<number, PageLink>,
  first: number,
  last: number,
): { items: GroupItem[]; separator: string } | undefined {
  const items: GroupItem[] = []
  let level = 0
  let prose = 0
  let links = 0
  let separator = ''
  let isOpened = true
  let isAlone = false
  for (let at = first; at <= last; at++) {
    const token = page.tokens[at]
    if (!token) break
    const link = linkAt.get(at)
    if (link) {
      const { start, end } = link.element
      items.push({ start, end, label: link.label, link, level: Math.max(1, level) })
      links++
      at = Math.max(at, link.element.lastToken)
      isOpened = false
      continue
    }
    if (token.kind === 'open') {
      if (LISTS.has(token.tag)) level++
      if (
        /^(?:p|h[1-6]|form|input|textarea|select|iframe|object|video|blockquote|pre)$/.test(token.tag) &&
        at > first
      )
        if (token.tag !== 'p' || items.length > 0) prose += token.tag === 'p' ? 0 : 2
      isOpened = true
      isAlone = !/^(?:br|img|hr)$/.test(token.tag)
    } else if (token.kind === 'close') {
      if (LISTS.has(token.tag)) level--
      isAlone = false
    } else if (token.kind === 'text') {
      const marks = SEPARATORS.exec(token.text)
      if (separator === '' && items.length > 0 && marks) separator = marks[0].trim()
      if (!HAS_WORDS.test(token.text)) continue
      let from = 0
      for (const part of token.text.split(SEPARATORS)) {
        const found = token.text.indexOf(part, from)
        from = found + part.length
        if (!HAS_WORDS.test(part)) continue
        const label = oneLine(part)
        if (label.length > MOST_WORDS) return undefined
        // “Next:” before a link reads as its name.
        const isName = /:\s*$/.test(part) && directionOf({ link: undefined, label }) !== undefined
        const isBounded = marks !== null || (isOpened && isAlone) || isName
        if (!isBounded) prose++
        const lead = part.length - part.trimStart().length
        const raw = page.text.slice(token.start, token.end)
        const start = token.start + sourceOffset(raw, found + lead)
        const end = token.start + sourceOffset(raw, found + lead + part.trim().length)
        items.push({ start, end, label, link: undefined, level: Math.max(1, level) })
      }
      isAlone = false
    }
    if (prose > 1) return undefined
  }
  const texts = items.length - links
  // A link by itself may be all that a pager has on the first page.
  if (links === 0 || texts > links + 2 || (links === 1 && texts === 0 && prose > 0)) return undefined
  return { items, separator }
}

/** Which ids and classes stand on more than one page: any other tells a page apart, and no place. */
export type IsShared = (name: string) => boolean

/** The ids and classes of a page, as `IsShared` takes them. */
export function namesOn({ tokens }: Pick<ReadPage, 'tokens'>): Set<string> {
  const names = new Set<string>()
  for (const token of tokens) {
    if (token.kind !== 'open') continue
    for (const { name, value } of token.attributes) {
      if (name === 'id') names.add(`#${value}`)
      else if (name === 'class') for (const one of oneLine(value).split(' ')) names.add(`.${one}`)
    }
  }
  return names
}

/** How an element is called: its tag, id and classes without what marks it on single pages. */
function nameOf(element: PageElement, isShared: IsShared): { name: string; hasId: boolean } {
  if (element.tag === 'body' || element.tag === 'html') return { name: element.tag, hasId: true }
  const id = `#${attributeOf(element, 'id') ?? ''}`
  const hasId = id !== '#' && isShared(id)
  const classes = oneLine(attributeOf(element, 'class') ?? '')
    .split(' ')
    .map((one) => `.${one}`)
    .filter((one) => one !== '.' && isShared(one))
  return { name: element.tag + (hasId ? id : '') + classes.join(''), hasId }
}

/** The way to an element from the nearest with an id, its own name included. */
function placeOf(element: PageElement, isShared: IsShared): string {
  const way: string[] = []
  for (let at: PageElement | undefined = element; at && at.tag !== '' && way.length < 6; at = at.parent) {
    const { name, hasId } = nameOf(at, isShared)
    way.push(name)
    if (hasId) break
  }
  return way.reverse().join('>')
}

function namesOf(element: PageElement): string {
  let names = ''
  let at: PageElement | undefined = element
  for (let up = 0; up < 3 && at && at.tag !== 'body' && at.tag !== ''; up++, at = at.parent) {
    names += ` ${at.tag} ${attributeOf(at, 'id') ?? ''} ${attributeOf(at, 'class') ?? ''} ${attributeOf(at, 'aria-label') ?? ''} ${attributeOf(at, 'role') ?? ''}`
  }
  return names.toLowerCase()
}

/** All groups of links on a page, in the order of its source. No two overlap. */
export function linkGroups(page: ReadPage, isShared: IsShared): readonly LinkGroup[] {
  const groups: LinkGroup[] = []
  const sums = sumsOf(page)
  const linkAt = new Map(page.links.map((link) => [link.element.firstToken, link]))
  const count = (sum: Uint32Array, first: number, last: number) =>
    sum[Math.min(last + 1, sum.length - 1)]! - sum[first]!
  const isLikely = (first: number, last: number) => {
    const linked = count(sums.linked, first, last)
    return count(sums.text, first, last) - linked <= 2 * linked + 120
  }
  const emit = (
    container: PageElement,
    first: number,
    last: number,
    range: Stretch,
    suffix: string,
  ): boolean => {
    if (!isLikely(first, last)) return false
    const found = itemsIn(page, linkAt, first, last)
    if (!found) return false
    groups.push({
      ...range,
      page,
      container,
      ...found,
      place: placeOf(container, isShared) + suffix,
      names: namesOf(container),
    })
    return true
  }
  const waiting: PageElement[] = [page.root]
  for (let element = waiting.pop(); element; element = waiting.pop()) {
    const { firstToken: first, lastToken: last } = element
    const isRoot = element.tag === ''
    const links = count(sums.links, first, Math.min(last, page.tokens.length - 1))
    if (links === 0) continue
    if (element.tag === 'a' || element.tag === 'script' || element.tag === 'head') continue
    const holders = element.children.filter(
      (child) => child.tag !== 'head' && count(sums.links, child.firstToken, child.lastToken) > 0,
    )
    if (!isRoot && LISTS.has(element.tag)) {
      if (emit(element, first, last, { start: element.from, end: element.to }, '')) continue
      waiting.push(...holders.reverse())
      continue
    }
    const [only] = holders
    const isOnly = holders.length === 1 && count(sums.links, only!.firstToken, only!.lastToken) === links
    // Cells or lines of one kind, of which only one is a link: the page's own stands there as text.
    const isUniform = element.children.length > 1 && element.children.every(({ tag }) => tag === only?.tag)
    const hasOthers =
      isUniform && count(sums.text, first, last) > count(sums.text, only!.firstToken, only!.lastToken)
    if (isOnly && only!.tag !== 'a' && !hasOthers && !hasOwnWords(page, element)) {
      waiting.push(only!)
      continue
    }
    const isEach = holders.every((child) => count(sums.links, child.firstToken, child.lastToken) === 1)
    const isRows =
      /^(?:table|tbody|tr)$/.test(element.tag) && holders.every(({ tag }) => /^(?:tbody|tr|td|th)$/.test(tag))
    const isLines = holders.every(({ tag }) => INLINE.has(tag))
    const hasHeadings = count(sums.headings, first, last) > 0
    const isOfOne = isEach && (holders.length > 1 || hasOthers || hasOwnWords(page, element)) && !isLines
    if (!isRoot && element.tag !== 'body' && element.tag !== 'html' && !hasHeadings && (isOfOne || isRows)) {
      if (emit(element, first, last, { start: element.from, end: element.to }, '')) continue
    }
    // Lines between blocks.
    const blocks = element.children.filter(({ tag }) => !INLINE.has(tag))
    let from = isRoot ? 0 : first + 1
    let line = 0
    const until = isRoot ? page.tokens.length - 1 : element.close ? last - 1 : last
    for (const block of [...blocks, undefined]) {
      const to = block ? block.firstToken - 1 : until
      if (to >= from && count(sums.links, from, to) > 0) {
        const range = { start: itemAt(page.tokens, from).start, end: itemAt(page.tokens, to).end }
        const at = blocks.length === 0 ? '' : `/${line}`
        emit(element, from, to, blocks.length === 0 ? range : trimmed(page, range), at)
        line++
      }
      if (block) from = block.lastToken + 1
    }
    waiting.push(...blocks.filter((block) => holders.includes(block)).reverse())
  }
  return groups.sort((a, b) => a.start - b.start)
}

/** Whether text stands right in an element, beside its children. */
function hasOwnWords({ tokens }: ReadPage, element: PageElement): boolean {
  let at = element.firstToken + 1
  for (const child of [...element.children, undefined]) {
    const to = child ? child.firstToken : element.lastToken + 1
    for (; at < to && at < tokens.length; at++) {
      const token = tokens[at]!
      if (token.kind === 'text' && HAS_WORDS.test(token.text)) return true
    }
    if (child) at = Math.max(at, child.lastToken + 1)
  }
  return false
}

/** A stretch without the blanks at its ends. */
function trimmed({ text }: ReadPage, { start, end }: Stretch): Stretch {
  const raw = text.slice(start, end)
  const lead = raw.length - raw.trimStart().length
  return { start: start + lead, end: Math.max(start + lead, end - (raw.length - raw.trimEnd().length)) }
}
