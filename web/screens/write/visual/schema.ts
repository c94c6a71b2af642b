import { type AnyExtension, getExtensionField, Mark, Node } from '@tiptap/core'
import Heading from '@tiptap/extension-heading'
import Blockquote from '@tiptap/extension-blockquote'
import Image from '@tiptap/extension-image'
import StarterKit from '@tiptap/starter-kit'
import { tableEditing } from '@tiptap/pm/tables'

/** What a node is to the commands for tables, which ask for it in the schema. */
declare module '@tiptap/core' {
  interface NodeConfig<Options, Storage> {
    tableRole?: 'table' | 'row' | 'cell' | 'header_cell' | undefined
    /** Keeps both parameters of the interface that this adds to. */
    readonly ofTable?: readonly [Options, Storage]
  }
}

/** An attribute that is written as it was read, and not at all when it is not there. */
const plain = (name: string, usual: unknown = null) => ({
  [name]: {
    default: usual,
    parseHTML: (element: HTMLElement) => element.getAttribute(name) ?? usual,
    renderHTML: (attributes: Record<string, unknown>) =>
      attributes[name] === usual ? {} : { [name]: attributes[name] },
  },
})
const attributes = (...names: string[]) => Object.assign({}, ...names.map((name) => plain(name))) as object

/** A mark that is an element and nothing more. */
const inline = (tag: string, ...names: string[]) =>
  Mark.create({
    name: tag,
    addAttributes: () => attributes(...names),
    parseHTML: () => [{ tag }],
    renderHTML: ({ HTMLAttributes }) => [tag, HTMLAttributes, 0],
  })

/** A block that is an element and holds what its content says. */
const block = (
  name: string,
  tag: string,
  content: string,
  options: { group?: string; names?: string[] } = {},
) =>
  Node.create({
    name,
    content,
    ...(options.group ? { group: options.group } : {}),
    defining: true,
    addAttributes: () => attributes(...(options.names ?? [])),
    parseHTML: () => [{ tag }],
    renderHTML: ({ HTMLAttributes }) => [tag, HTMLAttributes, 0],
  })

/** A number of columns or rows that a cell takes. */
const span = (name: 'colspan' | 'rowspan') => ({
  [name]: {
    default: 1,
    parseHTML: (element: HTMLElement) => Number(element.getAttribute(name) ?? 1),
    renderHTML: (values: Record<string, unknown>) => (values[name] === 1 ? {} : { [name]: values[name] }),
  },
})

const cell = (name: string, tag: 'td' | 'th') =>
  Node.create({
    name,
    content: 'inline*',
    tableRole: tag === 'td' ? 'cell' : 'header_cell',
    isolating: true,
    addAttributes: () => ({
      ...span('colspan'),
      ...span('rowspan'),
      ...attributes('scope'),
      colwidth: { default: null, rendered: false },
    }),
    parseHTML: () => [{ tag }],
    renderHTML: ({ HTMLAttributes }) => [tag, HTMLAttributes, 0],
  })

/**
 * A table is its rows. Its caption is kept as an attribute, since it is no row; which rows are its head is seen by their
 * cells (see editorHtml).
 */
const table = Node.create({
  name: 'table',
  group: 'block',
  content: 'tableRow+',
  tableRole: 'table',
  isolating: true,
  addAttributes: () => ({
    caption: {
      default: '',
      parseHTML: (element: HTMLElement) => element.querySelector('caption')?.textContent.trim() ?? '',
      renderHTML: ({ caption }: Record<string, unknown>) =>
        caption === '' ? {} : { 'data-caption': caption },
    },
  }),
  parseHTML: () => [{ tag: 'table' }, { tag: 'caption', ignore: true }],
  renderHTML: ({ HTMLAttributes }) => ['table', HTMLAttributes, ['tbody', 0]],
  addProseMirrorPlugins: () => [tableEditing()],
  extendNodeSchema: (extension) => ({
    tableRole: getExtensionField(extension, 'tableRole') as string | undefined,
  }),
})

const tableRow = Node.create({
  name: 'tableRow',
  content: '(tableCell | tableHeader)*',
  tableRole: 'row',
  parseHTML: () => [{ tag: 'tr' }],
  renderHTML: () => ['tr', 0],
})

/**
 * What the visual editor can hold. What it cannot is found out by comparing (see core/content/losses.ts).
 * @param sourceOf where a picture's pointer is shown from
 */
export function visualSchema(sourceOf: (src: string) => string): AnyExtension[] {
  const picture = (name: string, rule: string, isInline: boolean) =>
    Image.extend({
      name,
      addAttributes: () => attributes('src', 'alt', 'title', 'width', 'height'),
      parseHTML: () => [{ tag: rule, priority: isInline ? 50 : 60 }],
      renderHTML: ({ HTMLAttributes }) => ['img', HTMLAttributes],
      addNodeView:
        () =>
        ({ node }) => {
          const dom = document.createElement('img')
          dom.src = sourceOf(String(node.attrs['src'] ?? ''))
          dom.alt = String(node.attrs['alt'] ?? '')
          return { dom }
        },
    }).configure({ inline: isInline })
  return [
    StarterKit.configure({
      heading: false,
      blockquote: false,
      trailingNode: false,
      link: {
        openOnClick: false,
        autolink: false,
        HTMLAttributes: { target: null, rel: null, class: null },
        isAllowedUri: (url) => !/^\s*(javascript|vbscript|data):/i.test(url),
      },
    }),
    Heading.extend({
      addAttributes() {
        return { ...this.parent?.(), ...attributes('id') }
      },
    }),
    Blockquote.extend({ addAttributes: () => attributes('cite') }),
    picture('image', 'img', true),
    picture('figureImage', 'figure > img', false).extend({ group: '' }),
    block('figure', 'figure', 'figureImage figcaption?', { group: 'block' }),
    block('figcaption', 'figcaption', 'inline*'),
    block('definitionList', 'dl', '(term | definition)+', { group: 'block' }),
    block('term', 'dt', 'inline*'),
    block('definition', 'dd', 'inline*'),
    table,
    tableRow,
    cell('tableCell', 'td'),
    cell('tableHeader', 'th'),
    ...['cite', 'q', 'sub', 'sup', 'small'].map((tag) => inline(tag)),
    inline('abbr', 'title'),
  ]
}
