import * as v from 'valibot'
import { fragmentFault } from '../../standard/fragment.ts'
import { lines } from '../../standard/text.ts'
import { type PieceModel, pieceSchemaOf } from '../pieceModel.ts'

const schema = pieceSchemaOf('html', {
  html: v.optional(
    v.pipe(
      lines(100_000),
      v.rawCheck(({ dataset, addIssue }) => {
        const fault = dataset.typed && fragmentFault(dataset.value)
        if (fault) addIssue({ message: fault })
      }),
    ),
    '',
  ),
})

/** The author's own HTML, which may call computed parts. */
export const html: PieceModel<typeof schema> = {
  schema,
  name: 'Custom HTML',
  isNavigation: false,
  part: undefined,
  fresh: () => ({ html: '' }),
  // Pictures and links of it that are gone are told by the rules.
  files: () => [],
  pickedLists: () => [],
  after(piece, following) {
    const html = following.html(piece.html)
    return html === piece.html ? piece : { ...piece, html }
  },
}
