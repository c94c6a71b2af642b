import { partOfPieces } from '../template/partOf.ts'
import type { PagePart } from '../page/parts.ts'
import type { WrittenPiece } from '../template/partOf.ts'

/** A line of a page that is made of a template, with the part that it belongs to. */
export interface TemplatedLine {
  readonly text: string
  readonly part: PagePart
  /** Whether it says something of this page alone. */
  readonly isOwn: boolean
}

/** What stands for the same on all pages, but for marks and paths. */
const isShared = ({ parts, kept }: WrittenPiece): boolean =>
  !kept && parts.every(({ kind }) => kind === 'text' || kind === 'menu')

/** The lines of a page, each in the part that says most of it: what is the page's own comes before what all share. */
export function templatedLines(pieces: readonly WrittenPiece[]): TemplatedLine[] {
  const lines: { text: string; part: PagePart | undefined; isOwn: boolean }[] = []
  let line: (typeof lines)[number] = { text: '', part: undefined, isOwn: false }
  let last: PagePart = 'head'
  for (const [at, part] of partOfPieces(pieces).entries()) {
    const piece = pieces[at]!
    const isOwn = !isShared(piece)
    piece.text.split(/\r\n|\r|\n/).forEach((text, n) => {
      if (n > 0) {
        lines.push(line)
        line = { text: '', part: undefined, isOwn: false }
      }
      line.text += text
      if (text.trim() === '' || (line.part !== undefined && !(isOwn && !line.isOwn))) return
      line.part = part
      line.isOwn = isOwn
    })
  }
  lines.push(line)
  return lines.map(({ text, part, isOwn }) => {
    last = part ?? last
    return { text, part: last, isOwn }
  })
}
