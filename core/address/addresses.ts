import type { EntryId } from '../plan/entry.ts'
import { entryOf, type Plan } from '../plan/plan.ts'
import type { Site } from '../plan/site.ts'
import { nameKey } from '../standard/fileName.ts'
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

const known = new WeakMap<Plan, { basis: Basis; addresses: Addresses }>()

/**
 * The names and paths of all pages of a site. Worked out once for a plan and what it goes round, and remembered as long
 * as the plan is.
 */
export function addressesOf({ plan, settings, files }: Placed): Addresses {
  const { layout, carrySection, separator, extension, redirects } = settings
  const basis: Basis = { layout, carrySection, separator, extension, redirects, files }
  const remembered = known.get(plan)
  if (
    remembered &&
    (Object.keys(basis) as (keyof Basis)[]).every((key) => remembered.basis[key] === basis[key])
  ) {
    return remembered.addresses
  }
  const addresses = laidOut({ plan, settings, files })
  known.set(plan, { basis, addresses })
  return addresses
}

/** The name that an entry got, without what it carries of its sections: the one to pin. */
export function ownName(site: Placed, id: EntryId): string {
  const { plan, settings } = site
  const { names } = addressesOf(site)
  const name = names.get(id)!
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
  for (const [id, at] of addressesOf(site).paths) if (nameKey(at) === wanted) return id
  return undefined
}
