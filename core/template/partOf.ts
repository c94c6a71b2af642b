import type { Override, TemplatePart } from '../plan/surround/templates.ts'
import type { WholePart } from '../page/parts.ts'

/** A stretch of a page: parts of its template, or what the page keeps in their place. */
export interface WrittenPiece {
  readonly text: string
  /** The parts that it is, or stands for. */
  readonly parts: readonly TemplatePart[]
  /** What the page keeps there; undefined where it follows its template. */
  readonly kept: Override | undefined
}

/** What a part of a template is called among the parts of a page. */
function partOfTemplate(part: TemplatePart): WholePart {
  switch (part.kind) {
    case 'text':
      return part.where
    case 'title':
    case 'description':
    case 'heading':
    case 'menu':
    case 'breadcrumb':
    case 'pager':
      return part.kind
    case 'content':
      return 'main content'
    case 'own':
      return part.name === 'banner' ? 'banner' : part.name === 'own' ? part.where : 'head'
  }
}

/** The part of the page that each piece of it belongs to. */
export function partOfPieces(pieces: readonly WrittenPiece[]): WholePart[] {
  let last: WholePart = 'head'
  return pieces.map(({ parts }) => {
    // What stands for several is that of them which is computed; what stands between two belongs to the first.
    const told = parts.find(({ kind }) => kind !== 'text') ?? parts[0]
    if (told) last = partOfTemplate(told)
    return last
  })
}
