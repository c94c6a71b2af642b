import { Extension } from '@tiptap/core'
import { addRowAfter, goToNextCell, isInTable, selectionCell, TableMap } from '@tiptap/pm/tables'
import type { Node } from '@tiptap/pm/model'
import {
  type Command,
  type EditorState,
  NodeSelection,
  Plugin,
  Selection,
  TextSelection,
  type Transaction,
} from '@tiptap/pm/state'
import type { EditorView } from '@tiptap/pm/view'

/** Blocks after which one goes on writing at the end of the text by a key or a click: all that are no plain line. */
const isLine = (node: Node) => node.type.name === 'paragraph' || node.type.name === 'heading'

/** Puts an empty paragraph somewhere, and the caret into it. @param at a place between blocks at the top */
function writeAt(tr: Transaction, at: number): Transaction {
  tr.insert(at, tr.doc.type.schema.nodes['paragraph']!.create())
  return tr.setSelection(TextSelection.create(tr.doc, at + 1)).scrollIntoView()
}

/** How deep the figure is that the selection is in; 0 for none. */
function figureDepth({ selection: { $from } }: EditorState): number {
  for (let depth = $from.depth; depth > 0; depth--) if ($from.node(depth).type.name === 'figure') return depth
  return 0
}

const isInCaption = ({ selection: { $from } }: EditorState) => $from.parent.type.name === 'figcaption'
const isPicture = ({ selection }: EditorState) =>
  selection instanceof NodeSelection && selection.node.type.name === 'figureImage'

/** Out of the caption of a picture, or from a picture that is selected, to a line under it. */
const leaveFigure: Command = (state, dispatch) => {
  const depth = figureDepth(state)
  if (depth === 0 || !(isInCaption(state) || isPicture(state))) return false
  const { $from } = state.selection
  const after = $from.after(depth)
  const next = state.doc.resolve(after).nodeAfter
  if (!dispatch) return true
  if (next && isLine(next) && next.content.size === 0)
    dispatch(state.tr.setSelection(TextSelection.create(state.doc, after + 1)).scrollIntoView())
  else dispatch(writeAt(state.tr, after))
  return true
}

/** Out of a list, to a line below it. */
const leaveList: Command = (state, dispatch) => {
  const { $from } = state.selection
  const isList = (depth: number) => /List$/.test($from.node(depth).type.name)
  const depths = Array.from({ length: $from.depth }, (_, depth) => depth + 1)
  const depth = depths.find(isList)
  if (depth === undefined || isInTable(state)) return false
  const after = $from.after(depth)
  const next = state.doc.resolve(after).nodeAfter
  if (next && isLine(next) && next.content.size === 0)
    dispatch?.(state.tr.setSelection(TextSelection.create(state.doc, after + 1)).scrollIntoView())
  else dispatch?.(writeAt(state.tr, after))
  return true
}

/** In a table, to the next cell or the one before; from the last one, to a new row. */
const toCell =
  (step: 1 | -1): Command =>
  (state, dispatch, view) => {
    if (!isInTable(state)) return false
    if (goToNextCell(step)(state, dispatch)) return true
    if (step < 0 || !dispatch || !view) return true
    addRowAfter(state, view.dispatch)
    return goToNextCell(1)(view.state, view.dispatch)
  }

/** Whether the selection is at the end of the text, in a block that no arrow leaves. */
function isAtEnd(state: EditorState, view: EditorView): boolean {
  const { selection, doc } = state
  const { $head, empty } = selection
  if (!doc.lastChild || isLine(doc.lastChild)) return false
  const end = doc.content.size
  const isInLast = $head.depth > 0 ? $head.after(1) === end : selection.to === end
  if (!isInLast) return false
  if (selection instanceof NodeSelection) return true
  if (!empty) return false
  if (isInTable(state)) {
    const cell = selectionCell(state)
    const map = TableMap.get(cell.node(-1))
    if (map.findCell(cell.pos - cell.start(-1)).bottom < map.height) return false
  } else if ($head.end() + $head.depth !== end) return false
  return view.endOfTextblock('down')
}

/** A line under the last block, where there is none to go to. */
const writeBelow: Command = (state, dispatch, view) => {
  if (!view || !isAtEnd(state, view)) return false
  dispatch?.(writeAt(state.tr, state.doc.content.size))
  return true
}

/** Where what is typed goes when a thing is selected that is no text: to a line of its own, or right behind the thing. */
function typeBeside(view: EditorView, text: string): boolean {
  const { selection, schema } = view.state
  if (!(selection instanceof NodeSelection) || !selection.node.isAtom) return false
  const { tr } = view.state
  const depth = figureDepth(view.state)
  if (selection.node.isInline) tr.setSelection(TextSelection.create(tr.doc, selection.to))
  else if (depth > 0) {
    const figure = selection.$from.node(depth)
    const caption = figure.lastChild?.type.name === 'figcaption' ? selection.$from.end(depth) - 1 : undefined
    if (caption === undefined) writeAt(tr, selection.$from.after(depth))
    else tr.setSelection(TextSelection.create(tr.doc, caption))
  } else {
    tr.insert(selection.to, schema.nodes['paragraph']!.create())
    tr.setSelection(Selection.near(tr.doc.resolve(selection.to + 1)))
  }
  view.dispatch(tr.insertText(text).scrollIntoView())
  return true
}

/** Keys and clicks with which one gets on in a text: into the next cell, out of a caption, under the last block. */
export const writingKeys = Extension.create({
  name: 'writingKeys',
  priority: 1000,
  addKeyboardShortcuts() {
    const run = (command: Command) => () =>
      command(this.editor.state, this.editor.view.dispatch, this.editor.view)
    return {
      Tab: run(toCell(1)),
      'Shift-Tab': run(toCell(-1)),
      Enter: run(leaveFigure),
      ArrowDown: run(writeBelow),
      Escape: run(leaveList),
    }
  },
  addProseMirrorPlugins: () => [
    new Plugin({
      props: {
        handleTextInput: (view, _from, _to, text) => typeBeside(view, text),
        // A click under the last block.
        handleDOMEvents: {
          mousedown(view, event) {
            const last = view.dom.lastElementChild
            const node = view.state.doc.lastChild
            if (event.target !== view.dom || !last || !node || isLine(node)) return false
            if (event.clientY <= last.getBoundingClientRect().bottom) return false
            view.dispatch(writeAt(view.state.tr, view.state.doc.content.size))
            view.focus()
            event.preventDefault()
            return true
          },
        },
      },
    }),
  ],
})
