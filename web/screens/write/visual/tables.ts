import {
  addColumnAfter,
  addColumnBefore,
  addRowAfter,
  addRowBefore,
  deleteColumn,
  deleteRow,
  deleteTable,
  findTable,
  toggleHeader,
} from '@tiptap/pm/tables'
import { type Command, TextSelection, type Transaction } from '@tiptap/pm/state'

/** A table of three by three with a row of headings, in the place of what is selected; the caret goes into its first cell. */
export const insertTable: Command = (state, dispatch) => {
  const cell = (type: string) => ({
    type,
    ...(type === 'tableHeader' ? { attrs: { scope: 'col' } } : {}),
    content: [{ type: 'paragraph' }],
  })
  const row = (type: string) => ({ type: 'tableRow', content: [cell(type), cell(type), cell(type)] })
  const table = state.schema.nodeFromJSON({
    type: 'table',
    content: [row('tableHeader'), row('tableCell'), row('tableCell')],
  })
  const tr = state.tr.replaceSelectionWith(table)
  let at = -1
  tr.doc.descendants((node, position) => {
    if (node === table) at = position
  })
  if (at < 0) return false
  // Into the table, its first row, its first cell and the line in that.
  tr.setSelection(TextSelection.create(tr.doc, at + 4))
  dispatch?.(tr.scrollIntoView())
  return true
}

/**
 * Which cells a heading is for: those of its column where it stands in a row of headings, and else those of its row.
 * https://html.spec.whatwg.org/multipage/tables.html#attr-th-scope
 */
function setScopes(tr: Transaction): Transaction {
  const found = findTable(tr.selection.$from)
  found?.node.forEach((row, offset) => {
    let isOfHeadings = row.childCount > 0
    row.forEach((cell) => (isOfHeadings &&= cell.type.name === 'tableHeader'))
    row.forEach((cell, inRow) => {
      const isHeading = cell.type.name === 'tableHeader'
      const said = cell.attrs['scope'] as string | null
      const scope = !isHeading ? null : (said ?? (isOfHeadings ? 'col' : 'row'))
      if (scope !== said) tr.setNodeAttribute(found.start + offset + 1 + inRow, 'scope', scope)
    })
  })
  return tr
}

const withScopes =
  (command: Command): Command =>
  (state, dispatch) =>
    command(state, dispatch && ((tr) => dispatch(setScopes(tr))))

/** What can be done to the table that the caret is in. */
export const TABLE_STEPS = {
  rowAbove: withScopes(addRowBefore),
  rowBelow: withScopes(addRowAfter),
  columnLeft: withScopes(addColumnBefore),
  columnRight: withScopes(addColumnAfter),
  headerRow: withScopes(toggleHeader('row')),
  headerColumn: withScopes(toggleHeader('column')),
  deleteRow,
  deleteColumn,
  deleteTable,
} satisfies Record<string, Command>
