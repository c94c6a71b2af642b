import { linksAfter } from '../../plan/surround/following.ts'
import { pickedLinksSchema } from '../../plan/surround/pickedLink.ts'
import { filledLine } from '../../standard/text.ts'
import { type PieceModel, pieceSchemaOf } from '../pieceModel.ts'

const schema = pieceSchemaOf('links', {
  /** What a screen reader calls the list. */
  label: filledLine(100),
  links: pickedLinksSchema(50),
})

/** A list of links that the author picks. */
export const links: PieceModel<typeof schema> = {
  schema,
  name: 'Custom links',
  isNavigation: true,
  part: undefined,
  fresh: () => ({ label: 'Links', links: [] }),
  files: () => [],
  pickedLists: ({ label, links }) => [{ label, links }],
  after(piece, following) {
    const links = linksAfter(piece.links, following)
    return links === piece.links ? piece : { ...piece, links }
  },
}
