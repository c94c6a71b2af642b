import { isVoid } from '../standard/voidElements.ts'
import {
  defaultTreeAdapter,
  type DefaultTreeAdapterMap,
  html as names,
  Parser,
  type ParserOptions,
  type Token,
} from 'parse5'
import { readPointer } from '../pointer/pointer.ts'
import { elementsOf, type Fragment, placingAdapter } from '../standard/fragment.ts'
import { tableOf } from '../standard/table.ts'

/** What a fault of a source is. */
export type HtmlFaultKind = 'markup' | 'unclosed' | 'stray end' | 'double id' | 'no alternative' | 'document'

/** A fault in a source of HTML, at its place. */
export interface HtmlFault {
  readonly kind: HtmlFaultKind
  /** Where it stands, in characters. */
  readonly start: number
  readonly end: number
  /** From 1. */
  readonly line: number
  readonly what: string
  /** What the HTML standard calls it, where it is an error of its tokenizer. */
  readonly code?: string
}

/** What the HTML standard calls errors that its tokenizer finds, in plain words where they are common. */
const PARSE_ERRORS = tableOf<string>({
  'eof-in-tag': 'a tag is not ended',
  'eof-in-comment': 'a comment is not ended',
  'missing-end-tag-name': 'an end tag has no name',
  'unexpected-null-character': 'a null character',
  'non-void-html-element-start-tag-with-trailing-solidus': 'this element must be closed by an end tag',
  'duplicate-attribute': 'an attribute stands twice',
  'missing-whitespace-between-attributes': 'a space is missing between two attributes',
  'unexpected-character-in-attribute-name': 'a quote or “<” in the name of an attribute',
  'missing-attribute-value': 'an attribute has “=” and no value',
  'invalid-first-character-of-tag-name': 'a “<” that begins no tag must be written “&lt;”',
  'unexpected-equals-sign-before-attribute-name': 'an “=” where the name of an attribute should be',
})

/** Elements whose end tag may be left out. https://html.spec.whatwg.org/multipage/syntax.html#optional-tags */
const MAY_STAY_OPEN =
  /^(li|p|dt|dd|tr|td|th|thead|tbody|tfoot|caption|colgroup|option|optgroup|rt|rp|html|head|body)$/

interface TagPlace {
  readonly name: string
  readonly start: number
  readonly end: number
  readonly line: number
}

/** Of these a page has one each, around everything: within a text they leave no trace in the tree. */
const OF_DOCUMENTS = new Set(['html', 'head', 'body'])

/** The parser of the standard, which also notes every end tag: those that close nothing leave no trace in the tree. */
class NotingParser extends Parser<DefaultTreeAdapterMap> {
  readonly ends: TagPlace[] = []
  /** The first sign that the source is a whole document. */
  wholeDocument: TagPlace | undefined

  private noteDocument(name: string, at: Token.Token['location']): void {
    if (at) this.wholeDocument ??= { name, start: at.startOffset, end: at.endOffset, line: at.startLine }
  }

  override onDoctype(token: Token.DoctypeToken): void {
    this.noteDocument('!doctype', token.location)
    super.onDoctype(token)
  }

  override onStartTag(token: Token.TagToken): void {
    if (OF_DOCUMENTS.has(token.tagName)) this.noteDocument(token.tagName, token.location)
    super.onStartTag(token)
  }

  override onEndTag(token: Token.TagToken): void {
    const at = token.location
    if (at)
      this.ends.push({ name: token.tagName, start: at.startOffset, end: at.endOffset, line: at.startLine })
    super.onEndTag(token)
  }
}

/** Parses main content with places, and notes its end tags and the errors of the standard. */
function parseNoting(
  source: string,
  onParseError: NonNullable<ParserOptions<DefaultTreeAdapterMap>['onParseError']>,
): { fragment: Fragment; ends: readonly TagPlace[]; document: TagPlace | undefined } {
  const main = defaultTreeAdapter.createElement('main', names.NS.HTML, [])
  const parser = NotingParser.getFragmentParser(main, {
    sourceCodeLocationInfo: true,
    scriptingEnabled: false,
    treeAdapter: placingAdapter,
    onParseError,
  }) as NotingParser
  parser.tokenizer.write(source, true)
  return { fragment: parser.getFragment(), ends: parser.ends, document: parser.wholeDocument }
}

/**
 * The faults of a source of main content or of a piece, by their place: errors of the HTML standard, elements that are
 * not closed or that close nothing, ids that stand twice, pictures without alternative text.
 */
export function htmlFaults(source: string): HtmlFault[] {
  const faults: HtmlFault[] = []
  const { fragment, ends, document } = parseNoting(source, ({ code, startOffset, endOffset, startLine }) => {
    const what = PARSE_ERRORS.get(code) ?? code.replaceAll('-', ' ')
    const end = Math.max(endOffset, startOffset + 1)
    faults.push({ kind: 'markup', start: startOffset, end, line: startLine, what, code })
  })
  if (document) {
    const what = `<${document.name}> makes this a whole document, and a text is a part of one`
    faults.push({ kind: 'document', ...document, what })
  }
  const closing = new Set<number>()
  const seen = new Set<string>()
  const unclosed = new Set<number>()
  for (const { element } of elementsOf(fragment)) {
    const at = element.sourceCodeLocation
    if (!at) continue
    const tag = at.startTag ?? at
    const put = (kind: HtmlFaultKind, what: string) =>
      faults.push({ kind, start: tag.startOffset, end: tag.endOffset, line: tag.startLine, what })
    const attribute = (name: string) => element.attrs.find((one) => one.name === name)?.value
    const { tagName } = element
    if (at.endTag) closing.add(at.endTag.startOffset)
    // Of an element that crosses another, the parser makes several: it is told once.
    else if (!isVoid(tagName) && !MAY_STAY_OPEN.test(tagName) && !unclosed.has(tag.startOffset)) {
      unclosed.add(tag.startOffset)
      put('unclosed', `<${tagName}> is not closed`)
    }
    const id = attribute('id')
    if (id !== undefined && seen.has(id)) put('double id', `the id “${id}” is used twice`)
    if (id !== undefined) seen.add(id)
    if (
      tagName === 'img' &&
      attribute('alt') === undefined &&
      readPointer(attribute('src') ?? '')?.to !== 'site-file'
    )
      put('no alternative', 'a picture without alternative text')
  }
  for (const { name, start, end, line } of ends) {
    if (!closing.has(start) && name !== 'p' && name !== 'br')
      faults.push({ kind: 'stray end', start, end, line, what: `</${name}> closes what is not open there` })
  }
  return faults.sort((a, b) => a.start - b.start)
}
