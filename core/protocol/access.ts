import * as v from 'valibot'

/** Whether the server asks for a key, and whether who asks is signed in. */
export const accessAnswer = v.object({ isNeeded: v.boolean(), isIn: v.boolean() })
