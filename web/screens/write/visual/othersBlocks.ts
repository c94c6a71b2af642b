import { Fragment, type Node } from '@tiptap/pm/model'
import type { EditorState, Transaction } from '@tiptap/pm/state'
import { itemAt } from '@viatica/core/standard/present.ts'
import { diffArrays } from 'diff'

/** Replaces a block where it differs from another, so that a caret elsewhere in it stays. */
function replaceWithin(tr: Transaction, at: number, was: Node, is: Node): void {
  const start = was.content.findDiffStart(is.content)
  const end = was.content.findDiffEnd(is.content)
  const isAlike = was.sameMarkup(is) && was.isTextblock && start !== null && end !== null
  if (!isAlike) {
    tr.replaceWith(at, at + was.nodeSize, is)
    return
  }
  // Where the same letters stand on both sides of the difference, both ends claim them.
  const overlap = Math.max(0, start - Math.min(end.a, end.b))
  const [from, to, until] = [start, end.a + overlap, end.b + overlap]
  tr.replaceWith(at + 1 + from, at + 1 + to, is.content.cut(from, until))
}

/**
 * The step that shows what others wrote: only the blocks that differ are replaced, so that the caret, what is selected and
 * what is typed stay. It is none of those that the author takes back.
 * @param next the document with what others wrote
 * @param was the sources of the blocks that the editor has
 * @param is those of the blocks that it gets
 */
export function withOthersBlocks(
  { tr, doc }: EditorState,
  next: Node,
  was: readonly string[],
  is: readonly string[],
): Transaction {
  tr.setMeta('addToHistory', false)
  if (was.length !== doc.childCount || is.length !== next.childCount)
    return tr.replaceWith(0, doc.content.size, next.content)
  let [at, from, to] = [0, 0, 0]
  const parts = diffArrays([...was], [...is])
  for (const [n, { added, removed, value }] of parts.entries()) {
    if (!added && !removed) {
      for (let step = 0; step < value.length; step++) at += doc.child(from++).nodeSize
      to += value.length
      continue
    }
    if (added && parts[n - 1]?.removed) continue
    const gone = removed ? value.length : 0
    const come = added ? value.length : parts[n + 1]?.added ? itemAt(parts, n + 1).value.length : 0
    const old = Array.from({ length: gone }, () => doc.child(from++))
    const fresh = Array.from({ length: come }, () => next.child(to++))
    const size = (nodes: readonly Node[]) => nodes.reduce((sum, node) => sum + node.nodeSize, 0)
    if (gone === 1 && come === 1) replaceWithin(tr, at, old[0]!, fresh[0]!)
    else tr.replaceWith(at, at + size(old), Fragment.from(fresh))
    at += size(fresh)
  }
  return tr
}
