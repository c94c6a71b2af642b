import { contentOf, type Element, isElement, type Node } from '../standard/fragment.ts'

/** White space counts in these. */
const VERBATIM = new Set([
  'pre',
  'textarea',
  'script',
  'style',
  'listing',
  'xmp',
  'iframe',
  'noembed',
  'noframes',
])

const isBlank = (sign: string | undefined) => sign === ' ' || sign === '\t'

/** The lines of a text, parted by `end` in place of their line ends and the blanks around these. */
function joinedLines(text: string, end: string): string {
  const lines = text.split('\n')
  return lines
    .map((line, at) => {
      let [from, to] = [0, line.length]
      while (at > 0 && from < to && isBlank(line[from])) from++
      while (at < lines.length - 1 && to > from && isBlank(line[to - 1])) to--
      return line.slice(from, to)
    })
    .join(end)
}

/** Indents the lines of text nodes by how deep they stand; never where white space counts. */
export function indentLines(parent: { childNodes: Node[] }, depth: number, base: number): void {
  const { childNodes } = parent
  childNodes.forEach((node, at) => {
    if (isElement(node)) {
      if (!VERBATIM.has(node.tagName)) indentLines(contentOf(node), depth + 1, base)
      else keepFirstLineEnd(node)
    } else if (node.nodeName === '#text') {
      const text = node as { value: string }
      if (!text.value.includes('\n')) return
      const inner = '\n' + ' '.repeat(base + 2 * depth)
      text.value = joinedLines(text.value, inner).replace(/(\n +)(?:\n +)+/g, `\n$1`)
      const isLast = at === childNodes.length - 1
      if (isLast && depth > 0)
        text.value = text.value.replace(/\n +$/, '\n' + ' '.repeat(base + 2 * depth - 2))
    }
  })
}

/** The parser passes over a line end right after `<pre>`; one that counts must be written twice. */
function keepFirstLineEnd(element: Element): void {
  const first = element.childNodes[0]
  if (first && first.nodeName === '#text' && /^(pre|textarea|listing)$/.test(element.tagName)) {
    const text = first as { value: string }
    if (text.value.startsWith('\n')) text.value = `\n${text.value}`
  }
}
