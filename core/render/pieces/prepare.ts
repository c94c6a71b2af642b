import { renderHeading } from '../main.ts'
import { menuOf } from '../../plan/surround/surround.ts'
import type { Piece } from '../../plan/surround/piece.ts'
import type { Around, Prepared } from './around.ts'
import { prepareBanner } from './banner.ts'
import { prepareBrand } from './brand.ts'
import { prepareBreadcrumb } from './breadcrumb.ts'
import { prepareAddress, prepareContact } from './contact.ts'
import { prepareCopyright } from './copyright.ts'
import { type FolderMenu, prepareMenu } from './menu.ts'
import { prepareOwnHtml } from './ownHtml.ts'
import { preparePager } from './pager.ts'
import { prepareColumns, prepareLinks } from './pickedLinks.ts'
import { prepareText } from './text.ts'

/** A piece on the pages of one folder. */
export interface FolderPiece {
  readonly html: Prepared
  /** The menu that it shows, if it shows one. */
  readonly menu: FolderMenu | undefined
}

function prepareOther(piece: Exclude<Piece, { kind: 'menu' }>, around: Around): Prepared {
  switch (piece.kind) {
    case 'brand':
      return prepareBrand(piece, around)
    case 'links':
      return prepareLinks(piece, around)
    case 'banner':
      return prepareBanner(piece, around)
    case 'breadcrumb':
      return prepareBreadcrumb(around)
    case 'heading':
      return ({ page }) => renderHeading(page, around.words, around.indent)
    case 'pager':
      return preparePager(piece, around)
    case 'columns':
      return prepareColumns(piece, around)
    case 'contact':
      return prepareContact(piece, around)
    case 'address':
      return prepareAddress(piece, around)
    case 'copyright':
      return prepareCopyright(piece, around)
    case 'text':
      return prepareText(piece, around)
    case 'html':
      return prepareOwnHtml(piece, around)
  }
}

/** Makes a piece ready for the pages of a folder. A menu that is gone leaves nothing. */
export function preparePiece(piece: Piece, around: Around): FolderPiece {
  if (piece.kind !== 'menu') return { html: prepareOther(piece, around), menu: undefined }
  const menu = menuOf(around.site.surround, piece.menu)
  if (!menu) return { html: '', menu: undefined }
  const prepared = prepareMenu({ ...piece, menu }, around)
  return { html: ({ page }) => prepared.render(page.id), menu: prepared }
}
