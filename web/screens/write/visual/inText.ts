import type { ChainedCommands, Editor } from '@tiptap/core'

/**
 * Begins an edit that is asked for outside the text, with the caret in the text at once. The editor's own `focus` waits for a
 * frame; what is typed until then would go to where the caret was before.
 */
export function inText(editor: Editor): ChainedCommands {
  editor.view.focus()
  return editor.chain().scrollIntoView()
}
