import {
  elementsOf,
  type Fragment,
  isElement,
  type Node,
  parseMainContent,
  textOf,
} from '../standard/fragment.ts'

/** White space where it does not count. */
const plain = (text: string) => text.replace(/\s+/g, ' ').trim()

/** What a content is made of, each with how often: elements, attributes with their values, comments. */
function partsOf(fragment: Fragment): Map<string, number> {
  const parts = new Map<string, number>()
  const put = (part: string) => parts.set(part, (parts.get(part) ?? 0) + 1)
  const comments = (parent: { childNodes: Node[] }) => {
    for (const node of parent.childNodes) {
      if (node.nodeName === '#comment') put('a comment')
      else if (isElement(node)) comments(node)
    }
  }
  comments(fragment)
  for (const { element } of elementsOf(fragment)) {
    put(`<${element.tagName}>`)
    for (const { name, value } of element.attrs)
      put(`${name}="${value.slice(0, 40)}" of <${element.tagName}>`)
  }
  return parts
}

/**
 * What of a content is not in another writing of it, in words: what an editor would lose that wrote the second from the
 * first. Empty when nothing is lost, though white space may differ where it does not count.
 */
export function lossesOf(before: string, after: string): string[] {
  const [was, is] = [parseMainContent(before), parseMainContent(after)]
  const kept = partsOf(is)
  const lost: string[] = []
  for (const [part, count] of partsOf(was)) {
    const gone = count - (kept.get(part) ?? 0)
    // Of an element that goes, its attributes need not be told too.
    const owner = / of (<.*>)$/.exec(part)?.[1]
    if (gone > 0 && !(owner !== undefined && lost.some((one) => one.startsWith(owner))))
      lost.push(gone === 1 ? part : `${part} ×${gone}`)
  }
  const text = (fragment: Fragment) => plain(fragment.childNodes.map(textOf).join(''))
  if (lost.length === 0 && text(was).replaceAll(' ', '') !== text(is).replaceAll(' ', ''))
    lost.push('some of the text')
  return lost
}
