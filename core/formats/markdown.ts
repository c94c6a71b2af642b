import { marked } from 'marked'
import { parseFragment } from 'parse5'
import { VFile } from 'vfile'
import { matter } from 'vfile-matter'
import { textOf } from '../standard/fragment.ts'
import { InputFault } from './inputFault.ts'

/** A text in Markdown, as the main content of a page. */
export interface MarkdownPage {
  /** From its own head, else its first-level heading; empty without either. */
  readonly title: string
  readonly html: string
}

/** More than a page has: 2 MB of text. */
const MAX_MARKDOWN = 2_000_000

/** Lines of YAML between two of three hyphens, at the very start. */
const HEAD = /^---[ \t]*\r?\n[\s\S]*?\r?\n---[ \t]*(?:\r?\n|$)/

/**
 * Reads Markdown (CommonMark, with the tables of GitHub's flavour) as main content. A first-level heading at its start is
 * the title of the page, which a page writes by itself.
 * @throws InputFault for what is no text, or too long
 */
export function readMarkdown(text: string): MarkdownPage {
  if (text.length > MAX_MARKDOWN) throw new InputFault('The text has more than 2 MB.')
  if (/[\0\ufffd]/.test(text)) throw new InputFault('This is not text: it holds characters that no text has.')
  const { told, rest } = withoutHead(text)
  const [first, body] = firstHeading(rest)
  const html = (marked.parse(first === undefined ? rest : body, { gfm: true, async: false }) as string).trim()
  const heading = first === undefined ? '' : plainText(first)
  return { title: told || heading, html }
}

/** A text without the head that may stand before it, and the title that this tells; a head that is no YAML tells none. */
function withoutHead(text: string): { told: string; rest: string } {
  const file = new VFile(text)
  try {
    matter(file, { strip: true })
  } catch {
    // It is taken off all the same: it was meant as one.
    return { told: '', rest: text.replace(HEAD, '') }
  }
  const { title } = (file.data.matter ?? {}) as { title?: unknown }
  return { told: typeof title === 'string' ? title.trim() : '', rest: String(file) }
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
  const html = marked.parseInline(line, { async: false }) as string
  return parseFragment(html).childNodes.map(textOf).join('').trim()
}
