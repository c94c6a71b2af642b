import { type EditorState, NodeSelection, type Transaction } from '@tiptap/pm/state'
import type { Node } from '@tiptap/pm/model'
import type { Picture } from '../insertion.ts'

/** A picture of the text, where it stands. */
export interface PlacedPicture {
  readonly picture: Picture
  /** The node of the picture itself. */
  readonly at: number
  /** The figure around it, where it has one of its own. */
  readonly figure: number | undefined
}

function captionOf(figure: Node): { at: number; node: Node } | undefined {
  let found: { at: number; node: Node } | undefined
  figure.forEach((node, at) => {
    if (node.type.name === 'figcaption') found = { at, node }
  })
  return found
}

function pictureOf(node: Node, caption: string): Picture {
  const said = (name: string) => String((node.attrs[name] as string | null) ?? '')
  return {
    src: said('src'),
    alt: said('alt'),
    width: Number(said('width')) || 0,
    height: Number(said('height')) || 0,
    caption,
  }
}

/** The picture that is selected, or whose caption the caret is in. */
export function pictureAt({ selection, doc }: EditorState): PlacedPicture | undefined {
  const { $from } = selection
  if (selection instanceof NodeSelection && selection.node.type.name === 'image')
    return { picture: pictureOf(selection.node, ''), at: selection.from, figure: undefined }
  const depths = Array.from({ length: $from.depth }, (_, depth) => depth + 1)
  const depth = depths.find((one) => $from.node(one).type.name === 'figure')
  const isFigure = selection instanceof NodeSelection && selection.node.type.name === 'figure'
  const figure = isFigure ? selection.from : depth === undefined ? undefined : $from.before(depth)
  if (figure === undefined) return undefined
  const node = doc.nodeAt(figure)!
  const pictures: { at: number; node: Node }[] = []
  node.forEach((child, at) => {
    if (child.type.name === 'figureImage') pictures.push({ at: figure + 1 + at, node: child })
  })
  const chosen = pictures.find(({ at }) => at === selection.from) ?? pictures[0]
  if (!chosen) return undefined
  const caption = captionOf(node)?.node.textContent ?? ''
  return { picture: pictureOf(chosen.node, caption), at: chosen.at, figure }
}

/** Gives a placed picture other values. A caption that says the same keeps the links and the emphasis in it. */
export function editPicture(
  tr: Transaction,
  { at, figure, picture: was }: PlacedPicture,
  picture: Picture,
): Transaction {
  const { schema } = tr.doc.type
  const size = (value: number) => (value > 0 ? String(value) : null)
  const attrs = {
    ...tr.doc.nodeAt(at)!.attrs,
    src: picture.src,
    alt: picture.alt,
    width: size(picture.width),
    height: size(picture.height),
  }
  if (figure === undefined && picture.caption === '') return tr.setNodeMarkup(at, undefined, attrs)
  const caption = () =>
    schema.nodes['figcaption']!.create(null, picture.caption === '' ? null : schema.text(picture.caption))
  if (figure === undefined) {
    const image = schema.nodes['figureImage']!.create(attrs)
    return tr
      .setSelection(NodeSelection.create(tr.doc, at))
      .replaceSelectionWith(schema.nodes['figure']!.create(null, [image, caption()]))
  }
  tr.setNodeMarkup(at, undefined, attrs)
  if (picture.caption === was.caption) return tr
  const node = tr.doc.nodeAt(figure)!
  const old = captionOf(node)
  const from = figure + 1 + (old?.at ?? node.content.size)
  const to = from + (old?.node.nodeSize ?? 0)
  return picture.caption === '' ? tr.delete(from, to) : tr.replaceWith(from, to, caption())
}

/** Takes a picture out of the text, with the figure that is around it alone. */
export function removePicture(tr: Transaction, { at, figure }: PlacedPicture): Transaction {
  if (figure === undefined) return tr.delete(at, at + 1)
  const node = tr.doc.nodeAt(figure)!
  const others = Array.from({ length: node.childCount }, (_, n) => node.child(n).type.name)
  const isAlone = others.filter((name) => name !== 'figcaption').length === 1
  return isAlone ? tr.delete(figure, figure + node.nodeSize) : tr.delete(at, at + 1)
}
