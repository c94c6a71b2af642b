import type { TemplatePart } from '../plan/surround/templates.ts'
import type { WrittenPiece } from '../template/write.ts'
import type { RipplePart } from './parts.ts'

/** What a part of a template is called among the parts of a page. */
function partOfTemplate(part: TemplatePart): RipplePart {
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
export function partOfPieces(pieces: readonly WrittenPiece[]): RipplePart[] {
  let last: RipplePart = 'head'
  return pieces.map(({ parts }) => {
    // What stands for several is that of them which is computed; what stands between two belongs to the first.
    const told = parts.find(({ kind }) => kind !== 'text') ?? parts[0]
    if (told) last = partOfTemplate(told)
    return last
  })
}

/** What a page that is made of templates says in each of its parts. */
export function textsByPart(pieces: readonly WrittenPiece[]): ReadonlyMap<RipplePart, string> {
  const texts = new Map<RipplePart, string>()
  partOfPieces(pieces).forEach((part, at) => texts.set(part, (texts.get(part) ?? '') + pieces[at]!.text))
  return texts
}
