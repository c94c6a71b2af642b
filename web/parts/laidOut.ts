import * as v from 'valibot'

const rectangleSchema = v.object({ x: v.number(), y: v.number(), width: v.number(), height: v.number() })

/** Where something stands on a page, in the page's own pixels. */
export type Rectangle = v.InferOutput<typeof rectangleSchema>

const laidOutSchema = v.object({
  viatica: v.literal('laid-out'),
  /** The address of the page that says it. */
  url: v.string(),
  height: v.pipe(v.number(), v.finite(), v.minValue(0)),
  content: v.optional(rectangleSchema),
  pieces: v.array(v.object({ id: v.string(), at: rectangleSchema })),
})

/** What the script in a live page says of it: how high it is, and where its main content and its pieces stand. */
export type LaidOut = Omit<v.InferOutput<typeof laidOutSchema>, 'viatica'>

/** Reads what a frame has said; undefined where it says something else. */
export function readLaidOut(said: unknown): LaidOut | undefined {
  const read = v.safeParse(laidOutSchema, said)
  return read.success ? read.output : undefined
}

/** A comment that stands before a piece, for the script in the live page to find it by. */
export const pieceBegins = (id: string) => `<!--piece ${encodeURIComponent(id).replaceAll('-', '%2D')}-->`
export const PIECE_ENDS = '<!--piece end-->'
