import type { Entry } from '../plan/entry.ts'
import type { EntryId } from '../plan/ids.ts'
import { entryOf, type Plan } from '../plan/plan.ts'
import type { SiteFile } from '../plan/file.ts'
import type { Site } from '../plan/site.ts'
import { nameKey } from '../standard/fileName.ts'
import { valueFor } from '../standard/present.ts'
import { Claims } from './claims.ts'
import { carriedPrefix, flatAddresses } from './flatLayout.ts'
import { folderAddresses, type LaidOut, type Placed } from './folderLayout.ts'
import type { Addresses, AddressRule } from './layout.ts'
import { ownAddresses } from './ownLayout.ts'
import { wishedName } from './wishedName.ts'

/** What was laid out in folders last: mostly the site before the change of which the addresses are asked. */
let last: LaidOut | undefined

function laidOut(site: Placed): Addresses {
  const { plan, settings } = site
  switch (settings.layout) {
    case 'flat':
      return flatAddresses(plan, settings, new Claims(site))
    case 'nested':
    case 'folders': {
      const addresses = folderAddresses(site, last)
      last = { site, addresses }
      return addresses
    }
    case 'own':
      return ownAddresses(plan, settings, new Claims(site))
  }
}

/** What the addresses of a plan follow from beside it, each compared as a whole. */
type Basis = AddressRule & { readonly redirects: unknown; readonly files: unknown }

/** Addresses, and what they follow from. */
interface Known {
  readonly plan: Plan
  readonly basis: Basis
  readonly addresses: Addresses
}

const known = new WeakMap<Plan, Known>()
/** The last addresses that a caller got: mostly those of the site before an edit. */
let latest: Known | undefined

const isSameBasis = (a: Basis, b: Basis): boolean =>
  (Object.keys(a) as (keyof Basis)[]).every((key) => a[key] === b[key])

/** What an entry has and addresses do not follow from. */
const NO_ADDRESS: ReadonlySet<string> = new Set([
  'body',
  'heading',
  'description',
  'banner',
  'date',
  'note',
  'state',
  'seen',
  'inMenu',
  'inOrder',
  'inSearch',
])

function isSameButForContent(was: Entry | undefined, is: Entry): boolean {
  if (was === is) return true
  if (!was || Object.keys(was).length !== Object.keys(is).length) return false
  const before: Readonly<Record<string, unknown>> = { ...was }
  return Object.entries(is).every(([field, value]) => NO_ADDRESS.has(field) || before[field] === value)
}

/** Whether two plans have the same entries in the same places, and these differ in nothing that addresses follow from. */
function isLaidOutAlike(was: Plan, is: Plan): boolean {
  if (was.home !== is.home || was.parents !== is.parents || was.children !== is.children) return false
  if (was.entries.size !== is.entries.size) return false
  for (const [id, entry] of is.entries) if (!isSameButForContent(was.entries.get(id), entry)) return false
  return true
}

/**
 * The names and paths of all pages of a site. Worked out once for a plan and what it goes round, and remembered as long
 * as the plan is; the same object after an edit that has nothing to do with them.
 */
export function addressesOf({ plan, settings, files }: Placed): Addresses {
  const { layout, carrySection, separator, extension, redirects } = settings
  const basis: Basis = { layout, carrySection, separator, extension, redirects, files }
  const remembered = known.get(plan)
  if (remembered && isSameBasis(remembered.basis, basis)) latest = remembered
  else {
    const isAlike = latest && isSameBasis(latest.basis, basis) && isLaidOutAlike(latest.plan, plan)
    latest = { plan, basis, addresses: isAlike ? latest!.addresses : laidOut({ plan, settings, files }) }
    known.set(plan, latest)
  }
  return latest.addresses
}

/** The name that an entry got, without what it carries of its sections: the one to pin. */
export function ownName(site: Placed, id: EntryId): string {
  const { plan, settings } = site
  const { names } = addressesOf(site)
  const name = valueFor(names, id)
  if (settings.layout !== 'flat' || id === plan.home) return name
  const prefix = carriedPrefix(plan, settings, names, id)
  // A name that Windows keeps for a device has its number in what it carries: it gets the same one again.
  return name.startsWith(prefix)
    ? name.slice(prefix.length)
    : wishedName(entryOf(plan, id), settings.separator)
}

/** The page that stands at a path of the site, without regard to case; a folder's path means its index file. */
export function pageAtPath(site: Site, path: string): EntryId | undefined {
  const wanted = nameKey(path === '' || path.endsWith('/') ? `${path}index${site.settings.extension}` : path)
  return pagesByKey(addressesOf(site).paths).get(wanted)
}

/** The file at a path of the site, without regard to case. */
export function fileAtPath({ files }: Pick<Site, 'files'>, path: string): SiteFile | undefined {
  let known = filesByKey.get(files)
  if (!known) {
    known = new Map([...files.values()].reverse().map((file) => [nameKey(file.path), file]))
    filesByKey.set(files, known)
  }
  return known.get(nameKey(path))
}

const filesByKey = new WeakMap<Site['files'], ReadonlyMap<string, SiteFile>>()

const byKey = new WeakMap<ReadonlyMap<EntryId, string>, ReadonlyMap<string, EntryId>>()

/** The pages by the keys of their paths; of those with the same, the first. */
function pagesByKey(paths: ReadonlyMap<EntryId, string>): ReadonlyMap<string, EntryId> {
  const known = byKey.get(paths)
  if (known) return known
  const pages = new Map<string, EntryId>()
  for (const [id, path] of paths) {
    const key = nameKey(path)
    if (!pages.has(key)) pages.set(key, id)
  }
  byKey.set(paths, pages)
  return pages
}
