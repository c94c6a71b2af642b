import { bodyToRead } from '../plan/bodyTree.ts'
import type { Body } from '../plan/entry.ts'
import { contentOf, isElement, type Node, textOf } from '../standard/fragment.ts'
import { isBlock } from './visual/elements.ts'

const known = new WeakMap<Body, readonly string[]>()

/** The text of main content, block by block, each in one line of white space; blocks without text are left out. Remembered. */
export function textBlocks(body: Body): readonly string[] {
  let blocks = known.get(body)
  if (!blocks) known.set(body, (blocks = blocksOf(bodyToRead(body).childNodes)))
  return blocks
}

function blocksOf(nodes: readonly Node[]): string[] {
  const blocks: string[] = []
  let line = ''
  const end = () => {
    const text = line.replace(/\s+/g, ' ').trim()
    if (text !== '') blocks.push(text)
    line = ''
  }
  const visit = (inside: readonly Node[]) => {
    for (const node of inside) {
      if (!isElement(node)) {
        if (node.nodeName === '#text') line += textOf(node)
        continue
      }
      if (/^(script|style|template|noscript)$/.test(node.tagName)) continue
      const isApart = isBlock(node)
      if (isApart) end()
      visit(contentOf(node).childNodes)
      if (isApart) end()
    }
  }
  visit(nodes)
  end()
  return blocks
}
