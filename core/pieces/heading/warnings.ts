import type { Site } from '../../plan/site.ts'
import type { PieceOf } from '../../plan/surround/piece.ts'
import { standingOf } from '../../plan/surround/surround.ts'

/** The skip link leads to the main content: a first heading that stands elsewhere is skipped with the rest. */
export function headingWarnings({ surround }: Site, { id }: PieceOf<'heading'>): string[] {
  const place = standingOf(surround, id)?.place
  return place === 'header' || place === 'side' || place === 'footer'
    ? [
        'Those who skip to the content do not meet this heading: it stands outside. Put it before the content.',
      ]
    : []
}
