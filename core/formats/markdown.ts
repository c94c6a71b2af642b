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
  const told = /^title:\s*(["']?)(.*?)\1\s*$/m.exec(head)?.[2] ?? ''
  const [, first, body = rest] = /^\s*#[ \t]+(.+?)[ \t]*#*[ \t]*(?:\r?\n([\s\S]*))?$/.exec(rest) ?? []
  const html = (marked.parse(first === undefined ? rest : body, { gfm: true, async: false }) as string).trim()
  const heading = first === undefined ? '' : plainText(first)
  return { title: told || heading, html }
}

/** The text of one line of Markdown. */
function plainText(line: string): string {
  return (marked.parseInline(line, { async: false }) as string)
    .replace(/<[^>]*>/g, '')
    .replace(
      /&(lt|gt|amp|quot|#39);/g,
      (_, name: string) => ({ lt: '<', gt: '>', amp: '&', quot: '"', '#39': "'" })[name]!,
    )
    .trim()
}
