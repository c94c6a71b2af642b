import { isElement, textIn, treeOf } from './tree.ts'

/** Where what was copied begins and ends, as Windows and the programs on it say. https://learn.microsoft.com/windows/win32/dataxchg/html-clipboard-format */
const COPIED = /<!--\s*StartFragment\s*-->([\s\S]*)<!--\s*EndFragment\s*-->/

const UNREAD = ['style', 'title', 'script']
const hasText = (html: string) =>
  treeOf(html).children.some((node) => !isElement(node, ...UNREAD) && textIn(node).trim() !== '')

/**
 * What was copied of HTML from a clipboard. What stands around it is kept where it is no more than tags: of a table, only
 * the rows may be marked.
 */
export function copiedOf(html: string): string {
  const marked = COPIED.exec(html)
  if (!marked) return html
  const before = html.slice(0, marked.index).replace(/^[\s\S]*<body[^>]*>/i, '')
  const after = html.slice(marked.index + marked[0].length).replace(/<\/body[\s\S]*$/i, '')
  return hasText(before) || hasText(after) ? marked[1]! : `${before}${marked[1]!}${after}`
}

/** Whether a text is a whole document in HTML, as it is copied from an editor of sources. */
export const isDocument = (text: string): boolean => /^\s*(<!doctype html|<html[\s>])/i.test(text)

/** What stands in the body of a whole document, as it is written there. */
export function bodyOf(document: string): string {
  const start = /<body(?:\s[^>]*)?>/i.exec(document)
  if (!start) return document.replace(/^[\s\S]*<\/head\s*>/i, '').replace(/<\/html\s*>\s*$/i, '')
  const inside = document.slice(start.index + start[0].length)
  const end = inside.toLowerCase().lastIndexOf('</body')
  return (end < 0 ? inside : inside.slice(0, end)).trim()
}
