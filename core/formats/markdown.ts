import { marked } from 'marked'
import { InputFault } from './inputFault.ts'

/** A text in Markdown, as the main content of a page. */
export interface MarkdownPage {
  /** From its own head, else its first-level heading; empty without either. */
  readonly title: string
  readonly html: string
}

/** More than a page has: 2 MB of text. */
const MAX_MARKDOWN = 2_000_000

/**
 * Reads Markdown (CommonMark, with the tables of GitHub's flavour) as main content. A first-level heading at its start is
 * the title of the page, which a page writes by itself.
 * @throws InputFault for what is no text, or too long
 */
export function readMarkdown(text: string): MarkdownPage {
  if (text.length > MAX_MARKDOWN) throw new InputFault('The text has more than 2 MB.')
  if (/[\0\ufffd]/.test(text)) throw new InputFault('This is not text: it holds characters that no text has.')
  const [, head = '', rest = text] = /^---\r?\n([\s\S]*?)\r?\n---\r?\n([\s\S]*)$/.exec(text) ?? []
  const told = titleTold(head)
  const [first, body] = firstHeading(rest)
  const html = (marked.parse(first === undefined ? rest : body, { gfm: true, async: false }) as string).trim()
  const heading = first === undefined ? '' : plainText(first)
  return { title: told || heading, html }
}

/** The title that the lines before a text tell. */
function titleTold(head: string): string {
  const line = head.split('\n').find((one) => one.startsWith('title:'))
  const told = line?.slice('title:'.length).trim() ?? ''
  const quote = told[0]
  const isQuoted = (quote === '"' || quote === "'") && told.length > 1 && told.endsWith(quote)
  return isQuoted ? told.slice(1, -1) : told
}

/**
 * The heading that a text begins with, where it is one of the first level, and the text after it. Signs that close it
 * stand after a space. https://spec.commonmark.org/0.31.2/#atx-headings
 */
function firstHeading(text: string): [heading: string | undefined, rest: string] {
  const begun = text.trimStart()
  if (!/^#[ \t]/.test(begun)) return [undefined, text]
  const end = begun.indexOf('\n')
  const line = (end < 0 ? begun : begun.slice(0, end)).slice(1).trim()
  let length = line.length
  while (line[length - 1] === '#') length--
  const isClosed = length === 0 || /[ \t]/.test(line[length - 1]!)
  const heading = isClosed ? line.slice(0, length).trim() : line
  return heading === '' ? [undefined, text] : [heading, end < 0 ? '' : begun.slice(end + 1)]
}

/** The text of one line of Markdown. */
function plainText(line: string): string {
  return (marked.parseInline(line, { async: false }) as string)
    .replace(/<[^<>]*>/g, '')
    .replace(
      /&(lt|gt|amp|quot|#39);/g,
      (_, name: string) => ({ lt: '<', gt: '>', amp: '&', quot: '"', '#39': "'" })[name]!,
    )
    .trim()
}
