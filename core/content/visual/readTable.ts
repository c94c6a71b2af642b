import {
  type Element,
  isElement,
  type Node,
  serializeContent,
  serializeElement,
} from '../../standard/fragment.ts'
import { itemAt } from '../../standard/present.ts'
import { attrsOf, having, keptOf } from './attributes.ts'
import type { DocNode } from './document.ts'
import { isGap } from './elements.ts'
import { partsOfRows } from './tableParts.ts'
import { tableOf } from '../../standard/table.ts'

const SECTIONS = tableOf<'head' | 'body' | 'foot'>({
  thead: 'head',
  tbody: 'body',
  tfoot: 'foot',
})

/** The elements of a table; undefined where something else stands among them. */
function partsOf(nodes: readonly Node[]): Element[] | undefined {
  const parts = nodes.filter((node) => !isGap(node))
  return parts.every(isElement) ? parts : undefined
}

/** How many columns or rows a cell takes, where it is written as a number that it is not without saying so. */
function spanOf(cell: Element, name: string): Record<string, number> {
  const value = cell.attrs.find((one) => one.name === name)?.value
  const span = Number(value)
  return value !== undefined && String(span) === value && Number.isInteger(span) && span > 1 && span <= 1000
    ? { [name]: span }
    : {}
}

/** Reads what stands in a cell, given the name of the node that will hold it. */
type ReadInside = (cell: Element, type: string) => DocNode[]

function readCell(cell: Element, readInside: ReadInside): DocNode | undefined {
  if (cell.tagName !== 'td' && cell.tagName !== 'th') return undefined
  const own = { ...having(cell, ['scope']), ...spanOf(cell, 'colspan'), ...spanOf(cell, 'rowspan') }
  const type = cell.tagName === 'td' ? 'tableCell' : 'tableHeader'
  return { type, attrs: attrsOf(cell, own), content: readInside(cell, type) }
}

/**
 * A table as the editor holds it: its rows, each saying to which part it belongs. Undefined where something stands in it that
 * it cannot hold, or where rows are not of the same length and cells overlap: the editor would set those right.
 */
export function readTable(table: Element, readInside: ReadInside): DocNode | undefined {
  const attrs: Record<string, unknown> = attrsOf(table)
  const rows: DocNode[] = []
  const parts = partsOf(table.childNodes)
  if (!parts) return undefined
  let columns = ''
  for (const part of parts) {
    const name = SECTIONS.get(part.tagName)
    if (
      part.tagName === 'caption' &&
      rows.length === 0 &&
      part.attrs.length === 0 &&
      attrs['caption'] === undefined
    ) {
      attrs['caption'] = serializeContent(part).trim()
      continue
    }
    if (part.tagName === 'colgroup' && rows.length === 0) {
      columns += serializeElement(part)
      continue
    }
    const lines = name && partsOf(part.childNodes)
    if (!lines || lines.length === 0) return undefined
    for (const [at, line] of lines.entries()) {
      const cells =
        line.tagName === 'tr'
          ? partsOf(line.childNodes)?.map((cell) => readCell(cell, readInside))
          : undefined
      if (!cells || cells.length === 0 || !cells.every((cell) => cell !== undefined)) return undefined
      const begins = at === 0 ? { section: keptOf(part) } : {}
      rows.push({ type: 'tableRow', attrs: { ...attrsOf(line), part: name, ...begins }, content: cells })
    }
  }
  if (rows.length === 0 || !isRegular(rows)) return undefined
  if (columns !== '') attrs['columns'] = columns
  // What the rows would be by themselves need not be said, and follows what is done to them.
  const byThemselves = partsOfRows(rows.map(({ type, content }) => ({ type, content: content! })))
  const isByThemselves = rows.every(({ attrs: { part, section } = {} }, at) => {
    const isNext = at === 0 || part !== itemAt(rows, at - 1).attrs!['part']
    return byThemselves[at] === part && (section === undefined || (section === '' && isNext))
  })
  const content = isByThemselves
    ? rows.map(({ attrs: { part: _part, section: _section, ...rest } = {}, ...row }) => ({
        ...row,
        attrs: rest,
      }))
    : rows
  return { type: 'table', attrs, content }
}

/** Whether every row fills the width of the table and no cell reaches into another or past the last row. */
function isRegular(rows: readonly DocNode[]): boolean {
  const taken = new Set<string>()
  let width = 0
  const ends: number[] = []
  for (const [y, row] of rows.entries()) {
    let x = 0
    for (const cell of row.content!) {
      while (taken.has(`${x} ${y}`)) x++
      const wide = (cell.attrs!['colspan'] ?? 1) as number
      const high = (cell.attrs!['rowspan'] ?? 1) as number
      if (y + high > rows.length) return false
      for (let dx = 0; dx < wide; dx++)
        for (let dy = 0; dy < high; dy++) {
          const at = `${x + dx} ${y + dy}`
          if (taken.has(at)) return false
          taken.add(at)
        }
      x += wide
    }
    ends.push(x)
    width = Math.max(width, x)
  }
  return taken.size === width * rows.length
}
