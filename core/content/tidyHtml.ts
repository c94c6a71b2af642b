import type { Root } from 'hast'
import { format } from 'hast-util-format'
import { fromParse5 } from 'hast-util-from-parse5'
import { toHtml } from 'hast-util-to-html'
import { parseMainContent } from '../standard/fragment.ts'

/** Main content as a tree of the kind that the libraries for HTML share (hast). */
export function treeOf(html: string): Root {
  return fromParse5(parseMainContent(html)) as Root
}

/** A tree as HTML: blocks on lines of their own, indented by two spaces, nothing written that the standard lets be left out. */
export function writeTidy(tree: Root): string {
  format(tree, { indent: 2, blanks: [] })
  return toHtml(tree, { characterReferences: { useNamedReferences: true } }).trim()
}

/** HTML as a careful person would write it. */
export function tidyHtml(html: string): string {
  return writeTidy(treeOf(html))
}
