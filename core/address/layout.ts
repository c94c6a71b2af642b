import type { EntryId } from '../plan/ids.ts'
import type { Settings } from '../plan/site.ts'

/** How the files of a site are named. */
export type AddressRule = Pick<Settings, 'layout' | 'carrySection' | 'separator' | 'extension'>

/** Where the pages of a site stand. */
export interface Addresses {
  /** The path of every page from the top of the site, plain: `walks/the-summit-level.html`. */
  readonly paths: ReadonlyMap<EntryId, string>
  /** The name that each page and group got, without folder and extension. */
  readonly names: ReadonlyMap<EntryId, string>
}
