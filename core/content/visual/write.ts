import { escapeAttribute, escapeText } from '../../standard/escape.ts'
import { itemAt, valueFor } from '../../standard/present.ts'
import { type DocMark, type DocNode, unpacked } from './document.ts'
import { partsOfRows } from './tableParts.ts'
import { isBare } from './wrapping.ts'
import { tableOf } from '../../standard/table.ts'

/** Lines of a source. One that is kept as it was may hold line ends, and what stands after them is not moved. */
type Lines = readonly string[]

/**
 * Main content from what the visual editor holds, as a careful person would write it: blocks on lines of their own, those
 * within others indented by two spaces, what was kept exactly as it was.
 * @returns the blocks at the top
 */
export function writeBlocks(doc: DocNode): string[] {
  const blocks = doc.content ?? []
  return blocks
    .map((_, at) => writeBlock(blocks, at, 'root').join('\n'))
    .filter((html, at) => html !== '' || itemAt(blocks, at).type === 'keptBlock')
}

/** Attributes that the editor works with, by the name of the node or mark, in the order in which they are written. */
const OWN = tableOf<readonly string[]>({
  heading: ['id'],
  orderedList: ['type', 'start'],
  image: ['src', 'alt', 'title', 'width', 'height'],
  figureImage: ['src', 'alt', 'title', 'width', 'height'],
  tableCell: ['colspan', 'rowspan', 'scope'],
  tableHeader: ['colspan', 'rowspan', 'scope'],
  link: ['href'],
})

/** What an attribute has that is not there. */
const isUsual = (name: string, value: unknown) =>
  value === null || value === undefined || (['colspan', 'rowspan', 'start'].includes(name) && value === 1)

const attribute = (name: string, value: string) =>
  value === '' && name !== 'alt' ? ` ${name}` : ` ${name}="${escapeAttribute(value)}"`

function attributesOf({ type, attrs = {} }: DocNode | DocMark): string {
  const own = (OWN.get(type) ?? []).filter((name) => !isUsual(name, attrs[name]))
  return [
    ...own.map((name) => attribute(name, String(attrs[name]))),
    ...unpacked(attrs['kept']).map(([name, value]) => attribute(name, value)),
  ].join('')
}

/** The elements of blocks that are what their name says. */
const TAGS = tableOf<string>({
  paragraph: 'p',
  bulletList: 'ul',
  orderedList: 'ol',
  listItem: 'li',
  blockquote: 'blockquote',
  definitionList: 'dl',
  definitionGroup: 'div',
  term: 'dt',
  definition: 'dd',
  figure: 'figure',
  figcaption: 'figcaption',
  tableCell: 'td',
  tableHeader: 'th',
})

const tagOf = ({ type, attrs }: DocNode): string =>
  type === 'heading'
    ? `h${attrs!['level'] as number}`
    : type === 'box' || type === 'boxLabel'
      ? String(attrs!['tag'])
      : valueFor(TAGS, type)

const indented = (lines: Lines): Lines => lines.map((line) => `  ${line}`)

/** What stands in an element, and how it is laid out. */
interface Inside {
  readonly lines: Lines
  /** It is all text, and stands in one line with the element. */
  readonly isLine?: boolean
  /** Its first line is text, and stands behind the start of the element. */
  readonly beginsWithText?: boolean
}

function around(tag: string, attributes: string, { lines, isLine, beginsWithText }: Inside): Lines {
  const [start, end] = [`<${tag}${attributes}>`, `</${tag}>`]
  if (isLine) return [`${start}${lines.join('')}${end}`]
  const [first = '', ...others] = lines
  return beginsWithText ? [`${start}${first}`, ...indented(others), end] : [start, ...indented(lines), end]
}

function writeBlock(siblings: readonly DocNode[], at: number, container: string): Lines {
  const node = siblings[at]!
  const { type, attrs = {}, content = [] } = node
  switch (type) {
    case 'keptBlock':
      return [String(attrs['html'] ?? '')]
    case 'horizontalRule':
      return [`<hr${attributesOf(node)}>`]
    case 'figureImage':
      return [`<img${attributesOf(node)}>`]
    case 'codeBlock':
      return [writeCode(node)]
    case 'table':
      return writeTable(node)
    case 'paragraph': {
      if (isBare(container, siblings, at)) return content.length === 0 ? [] : [writeLine(content)]
      // An empty last paragraph is where one would go on writing.
      const isPlace =
        content.length === 0 && at === siblings.length - 1 && !attrs['kept'] && attrs['wrapped'] !== 'p'
      if (isPlace && container === 'root') return []
      return around('p', attributesOf(node), { lines: [writeLine(content)], isLine: true })
    }
    case 'heading':
    case 'term':
    case 'boxLabel':
    case 'figcaption':
      return around(tagOf(node), attributesOf(node), { lines: [writeLine(content)], isLine: true })
    default:
      return around(tagOf(node), attributesOf(node), writeInside(content, type))
  }
}

/** What stands in a block of blocks. */
function writeInside(content: readonly DocNode[], container: string): Inside {
  const lines = content.flatMap((_, at) => writeBlock(content, at, container))
  const isBareFirst = content[0]?.type === 'paragraph' && isBare(container, content, 0)
  return {
    lines,
    isLine: lines.length === 0 || (content.length === 1 && isBareFirst),
    beginsWithText: isBareFirst && itemAt(content, 0).content !== undefined,
  }
}

function writeCode(node: DocNode): string {
  const { attrs = {}, content = [] } = node
  const text = content.map((one) => one.text ?? '').join('')
  const code = attrs['code']
  const language = attrs['language'] as string | undefined | null
  const inside = escapeText(text)
  // The first line end after `pre` is none of its text. https://html.spec.whatwg.org/multipage/grouping-content.html#the-pre-element
  if (code === null) return `<pre${attributesOf(node)}>${inside.startsWith('\n') ? '\n' : ''}${inside}</pre>`
  const kept = unpacked(code)
    .map(([name, value]) => attribute(name, value))
    .join('')
  return `<pre${attributesOf(node)}><code${language && kept === '' ? attribute('class', `language-${language}`) : kept}>${inside}</code></pre>`
}

function writeTable(node: DocNode): Lines {
  const { attrs = {}, content: rows = [] } = node
  const parts = partsOfRows(rows)
  const inside: string[] = []
  const caption = String(attrs['caption'] ?? '')
  if (caption !== '') inside.push(`<caption>${caption}</caption>`)
  const columns = String(attrs['columns'] ?? '')
  if (columns !== '') inside.push(columns)
  let from = 0
  for (let to = 1; to <= rows.length; to++) {
    if (
      to < rows.length &&
      parts[to] === parts[from] &&
      typeof itemAt(rows, to).attrs?.['section'] !== 'string'
    )
      continue
    const section = unpacked(itemAt(rows, from).attrs?.['section']).map(([name, value]) =>
      attribute(name, value),
    )
    const tag = `t${parts[from]!}`
    inside.push(...around(tag, section.join(''), { lines: rows.slice(from, to).flatMap(writeRow) }))
    from = to
  }
  return around('table', attributesOf(node), { lines: inside })
}

const writeRow = (row: DocNode): Lines =>
  around('tr', attributesOf(row), {
    lines: (row.content ?? []).flatMap((_, at) => writeBlock(row.content!, at, 'tableRow')),
  })

/** The names of marks whose element has another name, where it does not say its own. */
const MARK_TAGS = tableOf<string>({
  bold: 'strong',
  italic: 'em',
  strike: 's',
  underline: 'u',
  code: 'code',
  link: 'a',
})
const markTag = ({ type, attrs }: DocMark): string => String(attrs?.['tag'] ?? MARK_TAGS.get(type))

/** Whether a mark that ends and begins again is still one: an element that is kept is a thing of its own. */
const isWhole = ({ type }: DocMark) => type === 'element'

/** A line of text: of elements around the same letters, the outer one is that which goes on for longer. */
function writeLine(line: readonly DocNode[]): string {
  const ends = endsOf(line)
  const open: { readonly key: string; readonly mark: DocMark; readonly end: number }[] = []
  let written = ''
  const closeFrom = (from: number) => {
    for (const { mark } of open.splice(from).reverse()) written += `</${markTag(mark)}>`
  }
  line.forEach((node, at) => {
    const wanted = (node.marks ?? []).map((mark, n) => ({
      key: keyOf(mark),
      mark,
      end: itemAt(ends, at)[n]!,
    }))
    let stay = 0
    while (stay < open.length && wanted.some(({ key }) => key === itemAt(open, stay).key)) stay++
    const begins = wanted.filter(({ key }) => !open.slice(0, stay).some((one) => one.key === key))
    const longest = Math.max(0, ...begins.filter(({ mark }) => isWhole(mark)).map(({ end }) => end))
    // One that is kept whole and goes on for longer than what is open goes around it.
    while (stay > 0 && !isWhole(itemAt(open, stay - 1).mark) && itemAt(open, stay - 1).end < longest) stay--
    closeFrom(stay)
    const inner = wanted
      .filter(({ key }) => !open.some((one) => one.key === key))
      .sort((a, b) => b.end - a.end)
    for (const one of inner) {
      written += `<${markTag(one.mark)}${attributesOf(one.mark)}>`
      open.push(one)
    }
    written += writeSign(node)
  })
  closeFrom(0)
  return written
}

const keyOf = (mark: DocMark): string => JSON.stringify([mark.type, mark.attrs ?? null])

/** For every sign of a line and every mark on it, before which sign the mark ends. */
function endsOf(line: readonly DocNode[]): number[][] {
  const ends: number[][] = []
  let after = new Map<string, number>()
  for (let at = line.length - 1; at >= 0; at--) {
    const here = new Map<string, number>()
    ends[at] = (itemAt(line, at).marks ?? []).map((mark) => {
      const key = keyOf(mark)
      const end = after.get(key) ?? at + 1
      here.set(key, end)
      return end
    })
    after = here
  }
  return ends
}

function writeSign(node: DocNode): string {
  switch (node.type) {
    case 'hardBreak':
      return `<br${attributesOf(node)}>`
    case 'image':
      return `<img${attributesOf(node)}>`
    case 'keptInline':
      return String(node.attrs?.['html'] ?? '')
    default:
      return escapeText(node.text ?? '')
  }
}
