import * as v from 'valibot'

/** What can be made to go wrong on the stand-in host, to see what becomes of a publication then. */
export const troubleSchema = v.strictObject({
  /** It answers each request this much later, in milliseconds. */
  slowMs: v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(5000)),
  /** It has no room for more. */
  isFull: v.boolean(),
  /** It breaks the connection off after so many bytes; 0 never does. */
  cutAfterBytes: v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(1_000_000_000)),
  /** It lets nobody in. */
  refusesLogin: v.boolean(),
  /** It says that it has a file and has it not. */
  losesUploads: v.boolean(),
})
export type Trouble = v.InferOutput<typeof troubleSchema>

export const NO_TROUBLE: Trouble = {
  slowMs: 0,
  isFull: false,
  cutAfterBytes: 0,
  refusesLogin: false,
  losesUploads: false,
}
