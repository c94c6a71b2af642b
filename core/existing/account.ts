import type { TemplatesSite } from '../plan/site.ts'
import type { TemplatePart } from '../plan/surround/templates.ts'
import type { WrittenPiece } from '../template/partOf.ts'
import { createTemplateWriter } from '../template/write.ts'
import { encodeText } from '../standard/encoding.ts'

/** What the bytes of pages are: every one of them is exactly one of these. */
export const ACCOUNTS = ['literal', 'computed', 'content', 'own'] as const
export type Account = (typeof ACCOUNTS)[number]

/** What a part of a template accounts for. */
export function accountOf(part: TemplatePart): Account {
  switch (part.kind) {
    case 'text':
      return 'literal'
    case 'title':
    case 'description':
    case 'heading':
    case 'menu':
    case 'breadcrumb':
    case 'pager':
      return 'computed'
    case 'content':
      return 'content'
    case 'own':
      return 'own'
  }
}

/** What a page keeps in the place of its content is content all the same; all else that it keeps is its own. */
export function accountOfPiece({ parts, kept }: WrittenPiece): Account {
  const [only] = parts
  if (only && parts.length === 1 && (!kept || only.kind === 'content')) return accountOf(only)
  return 'own'
}

/** How many bytes of all pages are what. */
export function bytesByAccount(site: TemplatesSite): Record<Account, number> {
  const bytes: Record<Account, number> = { literal: 0, computed: 0, content: 0, own: 0 }
  const writer = createTemplateWriter(site)
  for (const id of Object.keys(site.surround.templates.pages)) {
    const { encoding } = writer.makingOf(id)
    bytes.literal += encodeText('', encoding).length
    const bare = { ...encoding, hasMark: false }
    for (const piece of writer.pieces(id)) bytes[accountOfPiece(piece)] += encodeText(piece.text, bare).length
  }
  return bytes
}
