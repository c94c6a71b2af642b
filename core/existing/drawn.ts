import { base64 } from '../standard/base64.ts'
import { escapeAttribute } from '../standard/escape.ts'
import { tokensOf } from '../standard/pageTokens.ts'
import { itemAt } from '../standard/present.ts'
import { withIncludes } from '../template/included.ts'
import { createTemplateWriter } from '../template/write.ts'
import { mediaTypeOf } from '../plan/file.ts'
import { type Account, accountOfPiece } from './account.ts'
import type { Brought } from './bring.ts'
import { attributeOf, elementsOf, type PageElement } from './pages/nodes.ts'
import { wordsIn } from './pages/readPage.ts'

/** A hole of a template on a page: what it is called, and what its bytes are. */
export interface DrawnHole {
  /** As its comments in the drawn page call it. */
  readonly id: string
  readonly name: string
  readonly account: Exclude<Account, 'literal'>
}

/** A page made ready to be looked at and pointed at. */
export interface DrawnPage {
  readonly html: string
  readonly holes: readonly DrawnHole[]
}

/** The attribute that says where an element begins in the source. */
export const AT = 'data-source-at'
/** Pictures are put into the page up to this size; larger ones are left out of the drawing. */
const MOST_PICTURE_BYTES = 300_000
const MOST_STYLE_BYTES = 1_000_000

/** Finds the bytes of the files of the folder that the references of a page lead to. */
function filesFor({ folder, site, contents }: Brought, from: string) {
  const keys = new Map([...site.files.values()].map(({ path, content }) => [path, content]))
  return (reference: string): { path: string; bytes: Uint8Array } | undefined => {
    const target = folder.targets.resolve(from, reference)
    const bytes = target.to === 'file' ? contents.get(keys.get(target.path) ?? '') : undefined
    return target.to === 'file' && bytes ? { path: target.path, bytes } : undefined
  }
}

/** What stands in the place of a tag that fetches something: a drawn page stands at no address. */
function tagDrawn(fileFor: ReturnType<typeof filesFor>, element: PageElement, raw: string): string {
  const reference = attributeOf(element, element.tag === 'link' ? 'href' : 'src')
  const file = reference === undefined ? undefined : fileFor(reference)
  if (element.tag === 'link') {
    const isSheet = (attributeOf(element, 'rel') ?? '').toLowerCase().split(/\s+/).includes('stylesheet')
    if (!isSheet || !file || file.bytes.length > MOST_STYLE_BYTES) return raw
    const css = new TextDecoder().decode(file.bytes).replaceAll('</', '<\\/')
    return `<style media="${escapeAttribute(attributeOf(element, 'media') ?? 'all')}">${css}</style>`
  }
  if (!file || file.bytes.length > MOST_PICTURE_BYTES) return raw
  const type = mediaTypeOf(file.path)
  if (!type?.startsWith('image/')) return raw
  return raw.replace(
    /\ssrc\s*=\s*(?:"[^"]*"|'[^']*'|[^\s>]*)/i,
    ` src="data:${type};base64,${base64(file.bytes)}"`,
  )
}

const HOLE_NAMES = {
  title: 'Title',
  description: 'Description',
  heading: 'Page heading',
  menu: 'Menu',
  breadcrumb: 'Breadcrumb',
  pager: 'Previous/next links',
  content: 'Content',
  own: 'Only on this page',
  text: 'Only on this page',
} as const

/**
 * A page as it stands in its folder, with the holes of its template between comments and with the place of each element:
 * to be drawn in a frame of its own.
 * @returns undefined for what is no page of the folder
 */
export function drawPage(brought: Brought, path: string): DrawnPage | undefined {
  const page = brought.folder.byPath.get(path)
  const id = brought.ids.get(path)
  if (!page || id === undefined) return undefined
  const bodyFrom = page.tokens.find((token) => token.kind === 'open' && token.tag === 'body')?.end ?? 0
  const holes: DrawnHole[] = []
  /** What is put into the source, by place. */
  const added = new Map<number, string>()
  const add = (at: number, text: string) => added.set(at, (added.get(at) ?? '') + text)
  let at = 0
  const writer = createTemplateWriter(brought.site)
  for (const piece of writer.pieces(id)) {
    const end = at + piece.text.length
    const account = accountOfPiece(piece)
    if (account !== 'literal' && at >= bodyFrom && piece.text.trim() !== '') {
      const kind = piece.parts.length === 1 ? itemAt(piece.parts, 0).kind : 'own'
      const hole = { id: `hole-${holes.length + 1}`, name: HOLE_NAMES[kind], account }
      holes.push(hole)
      // The end of one stands before the beginning of the next at the same place.
      added.set(at, `${added.get(at) ?? ''}<!--piece ${hole.id}-->`)
      add(end, '<!--piece end-->')
    }
    at = end
  }
  const elements = elementsByStart(page.root)
  const fileFor = filesFor(brought, path)
  let html = ''
  let textOnly = ''
  for (const token of page.tokens) {
    const before = added.get(token.start)
    // A comment within what is text alone would be text.
    if (before !== undefined && textOnly === '') html += before
    let raw = page.text.slice(token.start, token.end)
    if (token.kind === 'open') {
      const element = elements.get(token.start)
      if (element && /^(?:img|link)$/.test(token.tag)) raw = tagDrawn(fileFor, element, raw)
      if (token.start >= bodyFrom && element)
        raw = raw.replace(/^<[^\s/>]+/, (start) => `${start} ${AT}="${token.start}"`)
    }
    html += raw
    if (token.kind === 'open' && textOnly === '' && TEXT_ONLY.test(token.tag)) textOnly = token.tag
    else if (token.kind === 'close' && token.tag === textOnly) textOnly = ''
  }
  html += added.get(page.text.length) ?? ''
  const included = new Map(writer.includedFiles().map((file) => [file.path, file.text]))
  const textOf = (of: string) => {
    const text = included.get(of)
    return text === undefined ? undefined : withFiles(fileFor, text)
  }
  return { html: withIncludes(path, html, textOf), holes }
}

/** Every element under one, by where it begins. */
function elementsByStart(root: PageElement): ReadonlyMap<number, PageElement> {
  const elements = new Map<number, PageElement>()
  const waiting = [...root.children]
  for (let next = waiting.pop(); next; next = waiting.pop()) {
    elements.set(next.start, next)
    waiting.push(...next.children)
  }
  return elements
}

/** A part that pages put in, with what it fetches in it. */
function withFiles(fileFor: ReturnType<typeof filesFor>, text: string): string {
  const tokens = tokensOf(text)
  const elements = elementsByStart(elementsOf(text, tokens))
  return tokens
    .map((token) => {
      const raw = text.slice(token.start, token.end)
      const element = token.kind === 'open' ? elements.get(token.start) : undefined
      return element && /^(?:img|link)$/.test(element.tag) ? tagDrawn(fileFor, element, raw) : raw
    })
    .join('')
}

/** https://html.spec.whatwg.org/multipage/parsing.html#parsing-main-inhead */
const TEXT_ONLY = /^(?:title|textarea|style|script|xmp|iframe|noembed|noframes|noscript)$/

/** An element that can be pointed at. */
export interface PointedElement {
  readonly at: number
  readonly name: string
  readonly words: string
  readonly level: number
}

const MOST_ELEMENTS = 300
const MOST_TOKENS = 60
const BLOCKS =
  /^(?:address|article|aside|blockquote|center|dir|div|dl|dt|dd|fieldset|figure|footer|form|header|h[1-6]|hr|li|main|menu|nav|ol|p|pre|section|table|tbody|td|th|tr|ul|body)$/

/** The blocks of a page, from the outside to the inside, as a list to point at them without a mouse. */
export function elementsToPointAt(brought: Brought, path: string): PointedElement[] {
  const page = brought.folder.byPath.get(path)
  if (!page) return []
  const found: PointedElement[] = []
  const walk = (element: PageElement, level: number) => {
    if (found.length >= MOST_ELEMENTS) return
    const isBlock = BLOCKS.test(element.tag)
    if (isBlock) {
      const id = attributeOf(element, 'id')
      const [named] = (attributeOf(element, 'class') ?? '').trim().split(/\s+/)
      const name = element.tag + (id ? `#${id}` : named ? `.${named}` : '')
      // Its beginning is enough to know it by.
      const lastToken = Math.min(element.lastToken, element.firstToken + MOST_TOKENS)
      const words = wordsIn(page, { ...element, lastToken }).slice(0, 60)
      found.push({ at: element.start, name, words, level })
    }
    if (level < 40) for (const child of element.children) walk(child, isBlock ? level + 1 : level)
  }
  for (const child of page.root.children) walk(child, 0)
  return found
}
