import * as v from 'valibot'
import { settingSchemas } from '../plan/site.ts'

/** A new site, with a home page alone. */
export const newSiteRequest = v.strictObject({ name: settingSchemas.name })

/** A name for an imported site, instead of the name in its file. */
export const importQuery = v.object({ name: v.optional(settingSchemas.name) })
