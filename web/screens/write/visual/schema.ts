import { textOfMarkup } from './textOfMarkup.ts'
import { type AnyExtension, Extension, getExtensionField, Mark, Node } from '@tiptap/core'
import Blockquote from '@tiptap/extension-blockquote'
import Code from '@tiptap/extension-code'
import Image from '@tiptap/extension-image'
import Link from '@tiptap/extension-link'
import { BulletList, ListItem, OrderedList } from '@tiptap/extension-list'
import StarterKit from '@tiptap/starter-kit'
import { tableEditing } from '@tiptap/pm/tables'
import { keptNodes } from './keptNodes.ts'
import { packed } from '@viatica/core/content/visual/document.ts'

/** What a node is to the commands for tables, which ask for it in the schema. */
declare module '@tiptap/core' {
  interface NodeConfig<Options, Storage> {
    tableRole?: 'table' | 'row' | 'cell' | 'header_cell' | undefined
    /** Keeps both parameters of the interface that this adds to. */
    readonly ofTable?: readonly [Options, Storage]
  }
}

/** An attribute that is shown and pasted as it stands. */
const plain = (name: string) => ({
  [name]: {
    default: null as string | null,
    parseHTML: (element: HTMLElement) => element.getAttribute(name),
    renderHTML: (attributes: Record<string, unknown>) =>
      attributes[name] === null ? {} : { [name]: attributes[name] },
  },
})
const attributes = (...names: string[]) => Object.assign({}, ...names.map((name) => plain(name))) as object

/** An attribute that is only kept. */
const kept = (name: string, usual: unknown = null) => ({ [name]: { default: usual, rendered: false } })

/** A block that is an element and holds what its content says. */
const block = (name: string, tag: string, content: string, group = '') =>
  Node.create({
    name,
    content,
    ...(group ? { group } : {}),
    defining: true,
    parseHTML: () => [{ tag }],
    renderHTML: ({ HTMLAttributes }) => [tag, HTMLAttributes, 0],
  })

/** A number of columns or rows that a cell takes. */
const span = (name: 'colspan' | 'rowspan') => ({
  [name]: {
    default: 1,
    parseHTML: (element: HTMLElement) => Math.min(1000, Math.max(1, Number(element.getAttribute(name)) || 1)),
    renderHTML: (values: Record<string, unknown>) => (values[name] === 1 ? {} : { [name]: values[name] }),
  },
})

const cell = (name: string, tag: 'td' | 'th') =>
  Node.create({
    name,
    content: 'block+',
    tableRole: tag === 'td' ? 'cell' : 'header_cell',
    isolating: true,
    addAttributes: () => ({
      ...span('colspan'),
      ...span('rowspan'),
      ...attributes('scope'),
      ...kept('colwidth'),
    }),
    parseHTML: () => [{ tag }],
    renderHTML: ({ HTMLAttributes }) => [tag, HTMLAttributes, 0],
  })

/**
 * A table is its rows, and which are its head and foot they say or show themselves. Its caption and columns are kept as HTML,
 * since they are no rows.
 */
const table = Node.create({
  name: 'table',
  group: 'block',
  content: 'tableRow+',
  tableRole: 'table',
  isolating: true,
  addAttributes: () => ({
    ...kept('columns', ''),
    caption: {
      default: '',
      parseHTML: (element: HTMLElement) => element.querySelector('caption')?.innerHTML.trim() ?? '',
      renderHTML: ({ caption }: Record<string, unknown>) =>
        caption === '' ? {} : { 'data-caption': textOfMarkup(String(caption)) },
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
  addAttributes: () => ({ ...kept('part'), ...kept('section') }),
  parseHTML: () => [{ tag: 'tr' }],
  renderHTML: () => ['tr', 0],
})

/** A block of blocks that is none of the others. What it is stands above it. */
const box = Node.create({
  name: 'box',
  group: 'block',
  content: '(block | boxLabel)+',
  defining: true,
  addAttributes: () => kept('tag', 'div'),
  renderHTML: ({ node }) => ['div', { class: 'box', 'data-tag': String(node.attrs['tag']) }, 0],
})

/** What a box is called: the summary of details, the legend of a group of fields. */
const boxLabel = Node.create({
  name: 'boxLabel',
  content: 'inline*',
  defining: true,
  addAttributes: () => kept('tag', 'summary'),
  renderHTML: () => ['p', { class: 'box-label' }, 0],
})

/** Elements of a line that are no mark of their own. */
const OTHER_TAGS =
  'a abbr acronym b bdi bdo big cite code data del dfn em font i ins kbd label mark nobr q s samp small span strike strong sub ' +
  'sup time tt u var'
const PASTED_TAGS = 'abbr cite del dfn ins kbd mark q samp small sub sup time var'

/** Any element of a line that is no mark of its own, or stands in one of its kind. */
const other = Mark.create({
  name: 'element',
  excludes: '',
  addAttributes: () => ({ ...kept('tag', 'span'), ...kept('turn', 0) }),
  parseHTML: () => PASTED_TAGS.split(' ').map((tag) => ({ tag, getAttrs: () => ({ tag }) })),
  renderHTML: ({ mark }) => {
    const tag = String(mark.attrs['tag'])
    return [OTHER_TAGS.split(' ').includes(tag) ? tag : 'span', { class: 'other' }, 0]
  },
})

const TEXT_BLOCKS = ['paragraph', 'heading', 'term', 'figcaption', 'boxLabel', 'codeBlock']
const BLOCKS = [
  'bulletList',
  'orderedList',
  'listItem',
  'blockquote',
  'horizontalRule',
  'hardBreak',
  'image',
  'figureImage',
]
const OWN = [
  'figure',
  'definitionList',
  'definitionGroup',
  'definition',
  'table',
  'tableRow',
  'tableCell',
  'tableHeader',
  'box',
]
const MARKS = ['bold', 'italic', 'strike', 'underline', 'code', 'link', 'element']

/** What is kept of elements besides what the editor works with. */
const keeping = Extension.create({
  name: 'keeping',
  addGlobalAttributes: () => [
    {
      types: [...TEXT_BLOCKS, ...BLOCKS, ...OWN, ...MARKS],
      attributes: {
        kept: {
          default: '',
          rendered: false,
          // A second part of what is split in two is a new one.
          keepOnSplit: false,
          parseHTML: (element) => {
            const names =
              element.tagName === 'IMG' ? [] : ['title', 'cite'].filter((name) => element.hasAttribute(name))
            return packed(names.map((name) => [name, element.getAttribute(name)!] as const))
          },
        },
      },
    },
    { types: ['paragraph'], attributes: { wrapped: { default: 'auto', rendered: false } } },
    { types: ['heading'], attributes: { id: { default: null, rendered: false, keepOnSplit: false } } },
    { types: ['bold'], attributes: { tag: { default: 'strong', rendered: false } } },
    { types: ['italic'], attributes: { tag: { default: 'em', rendered: false } } },
    { types: ['codeBlock'], attributes: { code: { default: '', rendered: false } } },
  ],
})

/** How a picture is shown and what the schema has no way to hold is shown, which is the editor's to say. */
export interface Showing {
  /** Where a picture's pointer is shown from. */
  readonly sourceOf: (src: string) => string
  /** Asks for the HTML of what is kept to be edited. @param at where it stands in the document */
  readonly editKept: (at: number) => void
}

/** What the visual editor can hold: what `core/content/visual/` reads and writes. */
export function visualSchema({ sourceOf, editKept }: Showing): AnyExtension[] {
  const picture = (name: string, isInline: boolean) =>
    Image.extend({
      name,
      addAttributes: () => attributes('src', 'alt', 'title', 'width', 'height'),
      addInputRules: () => [],
      parseHTML: () => [{ tag: isInline ? 'img' : 'figure > img', priority: isInline ? 50 : 60 }],
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
      blockquote: false,
      bulletList: false,
      code: false,
      link: false,
      listItem: false,
      orderedList: false,
      trailingNode: false,
    }),
    keeping,
    Link.extend({ addAttributes: () => attributes('href') }).configure({
      openOnClick: false,
      autolink: false,
      HTMLAttributes: { target: null, rel: null, class: null },
      isAllowedUri: (url) => !/^\s*(javascript|vbscript|data):/i.test(url),
    }),
    Code.extend({ excludes: '' }),
    Blockquote.extend({ content: 'block+' }),
    BulletList.extend({ content: '(listItem | keptBlock)+' }),
    OrderedList.extend({ content: '(listItem | keptBlock)+' }),
    ListItem.extend({ content: 'block+' }),
    picture('image', true),
    picture('figureImage', false).extend({ group: '' }),
    block('figure', 'figure', '(block | figureImage | figcaption)+', 'block'),
    block('figcaption', 'figcaption', 'inline*'),
    block('definitionList', 'dl', '(term | definition | definitionGroup | keptBlock)+', 'block'),
    block('definitionGroup', 'dl > div', '(term | definition | keptBlock)+'),
    block('term', 'dt', 'inline*'),
    block('definition', 'dd', 'block+'),
    table,
    tableRow,
    cell('tableCell', 'td'),
    cell('tableHeader', 'th'),
    box,
    boxLabel,
    other,
    ...keptNodes(editKept),
  ]
}
