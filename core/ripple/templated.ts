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

/** What a page that is made of templates says in each of its parts. */
export function textsByPart(pieces: readonly WrittenPiece[]): ReadonlyMap<RipplePart, string> {
  const texts = new Map<RipplePart, string>()
  let last: RipplePart = 'head'
  for (const { parts, text } of pieces) {
    // What stands for several is that of them which is computed; what stands between two belongs to the first.
    const told = parts.find(({ kind }) => kind !== 'text') ?? parts[0]
    if (told) last = partOfTemplate(told)
    texts.set(last, (texts.get(last) ?? '') + text)
  }
  return texts
}
