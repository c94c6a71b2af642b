import { defaultTreeAdapter, type DefaultTreeAdapterTypes, Parser } from 'parse5'
import type { Element } from '../standard/fragment.ts'

/** A page as it was parsed, with the lines of its elements. */
export type ParsedPage = DefaultTreeAdapterTypes.Document

/** The lines of the source that an element stands on, from 1: those that its start tag and the whole of it end on. */
interface Lines {
  readonly first: number
  last: number
}

const lines = Symbol('lines')
type PlacedElement = Element & { [lines]?: Lines }

/** Where an element of a parsed page stands. One that is open at the end of the source ends there. */
export const linesOf = (element: Element): Lines => (element as PlacedElement)[lines]!

/**
 * Parses a whole page. Of the places in its source the lines of the elements are noted alone: all that the parser can
 * tell of them takes as long again as parsing.
 */
export function parsePage(html: string): ParsedPage {
  const line = () => parser.tokenizer.preprocessor.line
  const parser = new Parser({
    // What visitors without scripts get is looked at, too.
    scriptingEnabled: false,
    treeAdapter: {
      ...defaultTreeAdapter,
      createElement(...described) {
        const element: PlacedElement = defaultTreeAdapter.createElement(...described)
        element[lines] = { first: line(), last: line() }
        return element
      },
      onItemPush(element: PlacedElement) {
        element[lines]!.last = Infinity
      },
      onItemPop(element: PlacedElement) {
        element[lines]!.last = line()
      },
    },
  })
  parser.tokenizer.write(html, true)
  return parser.document
}
