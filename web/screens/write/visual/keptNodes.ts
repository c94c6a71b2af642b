import { type AnyExtension, mergeAttributes, Node } from '@tiptap/core'
import { computedName } from '../computedParts.ts'

/** What a piece of HTML begins with, in a word: its element, or that it is a comment. */
export function nameOfHtml(html: string): string {
  if (html.startsWith('<!--')) return 'comment'
  return /^\s*<([a-z][^\s/>]*)/i.exec(html)?.[1]?.toLowerCase() ?? 'HTML'
}

/** The words in a piece of HTML, as many as tell it from others. */
function wordsOf(html: string): string {
  const comment = /^<!--([\s\S]*?)-->/.exec(html)?.[1]
  const text = comment ?? new DOMParser().parseFromString(html, 'text/html').body.textContent
  const words = text.replace(/\s+/g, ' ').trim()
  return words.length > 120 ? `${words.slice(0, 119)}…` : words
}

function button(words: string, press: () => void): HTMLButtonElement {
  const made = document.createElement('button')
  made.type = 'button'
  made.textContent = words
  made.addEventListener('click', press)
  return made
}

function part(tag: string, className: string, text: string): HTMLElement {
  const made = document.createElement(tag)
  made.className = className
  made.textContent = text
  return made
}

/**
 * What the editor has no other way to hold: one block, or one sign in a line, with its HTML. It is shown as what it is called
 * and the words in it, and is never run.
 * @param edit asks for its HTML to be edited, given where it stands in the document
 */
export function keptNodes(edit: (at: number) => void): AnyExtension[] {
  const keptNode = (name: string, isInline: boolean) =>
    Node.create({
      name,
      group: isInline ? 'inline' : 'block',
      inline: isInline,
      atom: true,
      selectable: true,
      addAttributes: () => ({ html: { default: '', rendered: false } }),
      renderHTML: ({ HTMLAttributes }) => [
        isInline ? 'span' : 'div',
        mergeAttributes(HTMLAttributes, { class: 'kept' }),
      ],
      addNodeView:
        () =>
        ({ node, getPos }) => {
          const html = String(node.attrs['html'])
          const dom = document.createElement(isInline ? 'span' : 'div')
          dom.className = isInline ? 'kept kept-inline' : 'kept kept-block'
          dom.contentEditable = 'false'
          const computed = computedName(html)
          dom.append(
            computed === undefined
              ? part('code', 'kept-name', nameOfHtml(html))
              : part('b', 'kept-computed', computed),
          )
          if (isInline) dom.title = html.slice(0, 300)
          else {
            const words = computed === undefined ? wordsOf(html) : 'filled in on the page'
            dom.append(part('span', 'kept-words', words))
            dom.append(button('Edit HTML', () => edit(getPos()!)))
          }
          return { dom, stopEvent: (event: Event) => event.target instanceof HTMLButtonElement }
        },
    })
  return [keptNode('keptBlock', false), keptNode('keptInline', true)]
}
