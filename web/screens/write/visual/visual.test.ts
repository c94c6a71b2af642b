import { getSchema } from '@tiptap/core'
import { EditorState } from '@tiptap/pm/state'
import { tableEditing } from '@tiptap/pm/tables'
import { keepSource } from '@viatica/core/content/keepSource.ts'
import type { DocNode } from '@viatica/core/content/visual/document.ts'
import { readVisual } from '@viatica/core/content/visual/read.ts'
import { formOf } from '@viatica/core/content/visual/sameContent.ts'
import { writeBlocks } from '@viatica/core/content/visual/write.ts'
import { mainContent } from '@viatica/core/testing/arbitraryContent.ts'
import { hostileHtml } from '@viatica/core/testing/arbitraryHtml.ts'
import fc from 'fast-check'
import { visualSchema } from './schema.ts'

const schema = getSchema(visualSchema({ sourceOf: (src) => src, editKept: () => undefined }))

function opened(html: string): EditorState {
  const doc = schema.nodeFromJSON(readVisual(html))
  doc.check()
  return EditorState.create({ doc, plugins: [tableEditing()] })
}

const blocksOf = (state: EditorState) => writeBlocks(state.doc.toJSON() as DocNode)

/** Every place where a letter can be typed. */
function placesIn(state: EditorState): number[] {
  const places: number[] = []
  state.doc.descendants((node, at) => {
    if (!node.isTextblock) return true
    for (let place = at + 1; place <= at + 1 + node.content.size; place++) places.push(place)
    return true
  })
  return places
}

/** Types within all elements that the text beside it is in: at the end of a link it would else bring others along. */
function type(state: EditorState, at: number, text: string): EditorState {
  const { nodeBefore, nodeAfter } = state.doc.resolve(at)
  const marks = (nodeBefore ?? nodeAfter)?.marks ?? []
  return state.apply(state.tr.insert(at, schema.text(text, marks)))
}

/** A letter that stands in no text. */
const LETTER = 'Ж'

/** A text without the letter; the first line end after `pre` is none of its text, so that there it takes two. */
const withoutLetter = (html: string) => html.replace(/(<pre[^<>]*>)Ж\n/, '$1\n\n').replace(LETTER, '')

describe('the visual editor', () => {
  test('loses nothing of any text when a letter is typed, and when it is deleted again', () => {
    fc.assert(
      fc.property(fc.oneof({ weight: 4, arbitrary: mainContent }, hostileHtml), fc.nat(), (html, choice) => {
        const before = opened(html)
        const blocks = blocksOf(before)
        expect(formOf(blocks.join('\n'))).toBe(formOf(html))
        const places = placesIn(before)
        if (places.length === 0) return
        const at = places[choice % places.length]!
        const typed = type(before, at, LETTER)
        const after = keepSource(html, blocks, blocksOf(typed))
        expect(after.split(LETTER)).toHaveLength(2)
        // An empty text has a first line when there is a letter in it.
        if (formOf(html) !== '') expect(formOf(withoutLetter(after))).toBe(formOf(html))
        const deleted = typed.apply(typed.tr.delete(at, at + 1))
        expect(keepSource(html, blocks, blocksOf(deleted))).toBe(html)
      }),
      { numRuns: 2000 },
    )
  })
})
