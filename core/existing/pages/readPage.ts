import type { Encoding } from '../../standard/encoding.ts'
import { attributeOf, elementsOf, elementsUnder, type PageElement } from './nodes.ts'
import type { Target, Targets } from './targets.ts'
import {
  type AttributeToken,
  type PageToken,
  type Stretch,
  tokensOf,
  valueOf,
} from '../../standard/pageTokens.ts'

/** A link that visitors can follow. */
export interface PageLink {
  readonly element: PageElement
  readonly href: AttributeToken
  /** As it reads; the alternative text of its picture where it has no text. */
  readonly label: string
  readonly target: Target
}

/** A relation that a `link` element of the head names. */
interface PageRelation {
  readonly rel: string
  readonly target: Target
  readonly at: PageElement
}

/** What a page is called in its head. */
interface Named extends Stretch {
  readonly text: string
  /** The quote around it, where it stands in code that a server runs. */
  readonly quote?: string
}

/** An existing page as it was read. */
export interface ReadPage {
  readonly path: string
  readonly text: string
  readonly encoding: Encoding
  readonly tokens: readonly PageToken[]
  readonly root: PageElement
  /** What its `base` element says. */
  readonly base: string | undefined
  /** What stands in its `title`. */
  readonly title: Named | undefined
  /** The value of the `content` attribute of its description. */
  readonly description: Named | undefined
  /** Where the first `h1` is, and what it says. */
  readonly heading: Named | undefined
  readonly links: readonly PageLink[]
  /** The `link` elements of its head that say prev, next, up, or home. */
  readonly relations: readonly PageRelation[]
}

/** A text as it reads, in one line; blanks that do not break stay. https://infra.spec.whatwg.org/#strip-and-collapse-ascii-whitespace */
export const oneLine = (text: string): string => text.replace(/[\t\n\f\r ]+/g, ' ').replace(/^ | $/g, '')

/** Whether what is in an element is no text that is read. */
const isUnread = (tag: string) => tag === 'script' || tag === 'style'

/**
 * Returns what an element says, its pictures by their alternative texts.
 * @param ender the tag of an element that ends it: a link ends where the next one begins, whether or not it is closed
 *   (https://html.spec.whatwg.org/multipage/parsing.html#parsing-main-inbody, "A start tag whose tag name is a")
 */
export function wordsIn(
  { tokens }: Pick<ReadPage, 'tokens'>,
  { firstToken, lastToken }: Pick<PageElement, 'firstToken' | 'lastToken'>,
  ender?: string,
): string {
  let text = ''
  let alt = ''
  let skips = 0
  for (let at = firstToken; at <= lastToken && at < tokens.length; at++) {
    const token = tokens[at]!
    if (token.kind === 'open' && token.tag === ender && at > firstToken) break
    if (token.kind === 'open' && isUnread(token.tag)) skips++
    else if (token.kind === 'close' && isUnread(token.tag)) skips = Math.max(0, skips - 1)
    else if (token.kind === 'text' && skips === 0) text += token.text
    else if (token.kind === 'open' && token.tag === 'br') text += ' '
    else if (token.kind === 'open' && token.tag === 'img')
      alt ||= token.attributes.find(({ name }) => name === 'alt')?.value ?? ''
  }
  return oneLine(text) || oneLine(alt)
}

/** The source of an element's content without the blanks around it. */
function inside(page: Pick<ReadPage, 'text' | 'tokens'>, element: PageElement): Named {
  const raw = page.text.slice(element.from, element.to)
  const start = element.from + (raw.length - raw.trimStart().length)
  const end = Math.max(start, element.to - (raw.length - raw.trimEnd().length))
  return { start, end, text: wordsIn(page, element) }
}

/** A title that a page sets before it puts in a part that shows it: `$title = 'Roses'`. */
function titleInCode({ text, tokens }: Pick<ReadPage, 'text' | 'tokens'>): Named | undefined {
  for (const token of tokens) {
    if (token.kind !== 'code') continue
    const code = text.slice(token.start, token.end)
    const found = /\$(?:page_?)?title\s{0,9}=\s{0,9}(["'])((?:[^"'\\\n]|\\.){1,300})\1/i.exec(code)
    if (!found) continue
    const [whole, quote, said] = found as unknown as [string, string, string]
    const start = token.start + found.index + whole.length - 1 - said.length
    return { start, end: start + said.length, text: oneLine(said.replace(/\\(.)/g, '$1')), quote }
  }
  return undefined
}

/** A page whose links and relations are not resolved. */
type Unresolved = Omit<ReadPage, 'links' | 'relations'> & {
  readonly links: readonly Omit<PageLink, 'target'>[]
  readonly relations: readonly Omit<PageRelation, 'target'>[]
}

/** A page with the targets that its links have among the files of a folder. */
export function withTargets(page: Unresolved, targets: Targets): ReadPage {
  const { path, base } = page
  return {
    ...page,
    links: page.links.map((link) => ({ ...link, target: targets.resolve(path, link.href.value, base) })),
    relations: page.relations.map((relation) => ({
      ...relation,
      target: targets.resolve(path, attributeOf(relation.at, 'href')!, base),
    })),
  }
}

/** Reads a page for what there is to be found in it. @param targets knows all files of the folder */
export const readPage = (path: string, text: string, encoding: Encoding, targets: Targets): ReadPage =>
  withTargets(unresolved(path, text, encoding), targets)

function unresolved(path: string, text: string, encoding: Encoding): Unresolved {
  const tokens = tokensOf(text)
  const root = elementsOf(text, tokens)
  const read = { text, tokens }
  let base: string | undefined
  let title: Named | undefined
  let description: Named | undefined
  let heading: Named | undefined
  const links: Unresolved['links'][number][] = []
  const relations: Unresolved['relations'][number][] = []
  for (const element of elementsUnder(root)) {
    switch (element.tag) {
      case 'base':
        base ??= attributeOf(element, 'href')
        break
      case 'title':
        // Those of drawings are not the page's.
        if (element.parent?.tag !== 'svg') title ??= inside(read, element)
        break
      case 'meta': {
        const content = element.open.attributes.find(({ name }) => name === 'content')
        if (!content || attributeOf(element, 'name')?.toLowerCase() !== 'description') break
        description ??= { ...valueOf(text, content), text: oneLine(content.value) }
        break
      }
      case 'h1':
        heading ??= inside(read, element)
        break
      case 'link': {
        const rels = (attributeOf(element, 'rel') ?? '').toLowerCase().split(/\s+/)
        if (attributeOf(element, 'href') === undefined) break
        for (const rel of rels)
          if (/^(?:prev|previous|next|up|home|start|first|last|contents|index|canonical)$/.test(rel))
            relations.push({ rel, at: element })
        break
      }
      case 'a':
      case 'area': {
        const href = element.open.attributes.find(({ name }) => name === 'href')
        if (!href) break
        const label =
          element.tag === 'area' ? (attributeOf(element, 'alt') ?? '') : wordsIn(read, element, 'a')
        links.push({ element, href, label })
        break
      }
    }
  }
  title ??= titleInCode(read)
  return { path, text, encoding, tokens, root, base, title, description, heading, links, relations }
}
