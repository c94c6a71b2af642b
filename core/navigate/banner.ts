import type { Banner } from '../plan/entry.ts'
import type { EntryId } from '../plan/ids.ts'
import { ancestorsOf, entryOf, type Plan } from '../plan/plan.ts'
import type { PieceOf } from '../plan/surround/piece.ts'

/** A banner as a page shows it. */
export type ShownBanner = Pick<PieceOf<'banner'>, 'picture' | 'text'>

/** The banner of a page: its own, else that of the nearest section it is in, else the site's. */
export function bannerOf(plan: Plan, piece: ShownBanner, page: EntryId): ShownBanner {
  for (const id of [page, ...ancestorsOf(plan, page).slice(1).reverse()]) {
    const entry = entryOf(plan, id)
    if (entry.kind === 'page' && entry.banner) return shown(entry.banner)
  }
  return piece
}

const shown = ({ file, alt, text }: Banner): ShownBanner => ({ picture: { file, alt }, text })
