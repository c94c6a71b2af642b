import * as v from 'valibot'
import { hostSecretSchema, hostSettingsSchema } from '../publish/host.ts'
import { listOf } from '../standard/list.ts'
import { line } from '../standard/text.ts'

/** A host of a site. Without a secret, the one that is kept stays. */
export const hostRequest = v.strictObject({
  settings: hostSettingsSchema,
  secret: v.optional(hostSecretSchema),
})

/** The fingerprint of a key, which somebody compared with that of the provider. */
export const hostKeyRequest = v.strictObject({
  hostKey: v.pipe(v.string(), v.regex(/^SHA256:[A-Za-z0-9+/]{43}$/, 'must be a SHA256 fingerprint')),
})

const digest = v.pipe(v.string(), v.regex(/^[0-9a-f]{64}$/, 'must be a digest'))

/** What is to be published, by whom, and which files on the host that nobody knows may be overwritten. */
export const orderRequest = v.strictObject({
  /** An earlier publication, where that is to be published again. */
  again: v.optional(line(100)),
  by: v.optional(line(100), ''),
  letGo: v.optional(listOf(v.strictObject({ path: line(2000), digest }), 20_000), []),
})
export interface Order {
  readonly again?: string
  readonly by: string
  readonly letGo: readonly { readonly path: string; readonly digest: string }[]
}

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
export type Trouble = Readonly<v.InferOutput<typeof troubleSchema>>
