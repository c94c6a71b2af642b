import { bodyTree } from '../plan/bodyTree.ts'
import type { Body } from '../plan/entry.ts'
import { elementsOf, type Fragment, parseMainContent, textOf } from '../standard/fragment.ts'

/** What is wrong with how a heading follows the ones before it (common practice; WCAG 2.2, technique H42). */
export type HeadingWarning = 'skips a level' | 'first level again' | 'empty'

/** A heading of main content. */
export interface Heading {
  /** 1 to 6. */
  readonly level: number
  readonly text: string
  /** Empty without one. */
  readonly id: string
  /** Where it stands in the source, in characters, and its line, from 1. */
  readonly start: number
  readonly end: number
  readonly line: number
  readonly warning: HeadingWarning | undefined
}

/**
 * The headings of main content in their order. Where it brings no first-level one, one stands above it already.
 */
export const headingsOf = (html: string): Heading[] => headingsIn(parseMainContent(html, true))

const known = new WeakMap<Fragment, readonly Heading[]>()

/** The headings of a page's main content. Remembered as long as its tree is. */
export function headingsOfBody(body: Body): readonly Heading[] {
  const tree = bodyTree(body)
  const headings = known.get(tree) ?? headingsIn(tree)
  known.set(tree, headings)
  return headings
}

function headingsIn(tree: Fragment): Heading[] {
  const found: Omit<Heading, 'warning'>[] = []
  for (const { element } of elementsOf(tree)) {
    const level = /^h([1-6])$/.exec(element.tagName)?.[1]
    const at = element.sourceCodeLocation
    if (level === undefined || !at) continue
    found.push({
      level: Number(level),
      text: textOf(element).replace(/\s+/g, ' ').trim(),
      id: element.attrs.find(({ name }) => name === 'id')?.value ?? '',
      start: at.startOffset,
      end: at.endOffset,
      line: at.startLine,
    })
  }
  let above = found.some(({ level }) => level === 1) ? 0 : 1
  let firsts = 0
  return found.map((heading) => {
    const { level, text } = heading
    const isAgain = level === 1 && firsts++ > 0
    const warning =
      text === '' ? 'empty' : isAgain ? 'first level again' : level > above + 1 ? 'skips a level' : undefined
    above = level
    return { ...heading, warning }
  })
}

/**
 * Moves headings up or down by a level, all together; those at an end stay there.
 * @param from the first of the headings that move, by its place among all; `to` the last
 * @param by -1 to promote, 1 to demote
 */
export function shiftHeadings(html: string, from: number, to: number, by: -1 | 1): string {
  let shifted = html
  // From the end, so that the places before it stay right.
  for (const { level, start, end } of headingsOf(html)
    .slice(from, to + 1)
    .reverse()) {
    const next = Math.min(6, Math.max(2, level + by))
    const source = shifted
      .slice(start, end)
      .replace(/^<h[1-6]/i, `<h${next}`)
      .replace(/<\/h[1-6](\s*>)$/i, `</h${next}$1`)
    shifted = shifted.slice(0, start) + source + shifted.slice(end)
  }
  return shifted
}

/** An id for a heading from its text, that no element of the content has yet. */
export function freeHeadingId(html: string, sound: string): string {
  const taken = new Set<string>()
  for (const { element } of elementsOf(parseMainContent(html)))
    for (const { name, value } of element.attrs) if (name === 'id') taken.add(value)
  let id = sound
  for (let n = 2; taken.has(id); n++) id = `${sound}-${n}`
  return id
}

/** Gives a heading an id. @param at its place among all headings */
export function withHeadingId(html: string, at: number, id: string): string {
  const heading = headingsOf(html)[at]
  if (!heading) return html
  const tag = html.slice(heading.start).replace(/^<(h[1-6])/i, `<$1 id="${id}"`)
  return html.slice(0, heading.start) + tag
}
