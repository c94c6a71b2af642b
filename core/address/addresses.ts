import { type Entry, type EntryId, labelOf } from '../plan/entry.ts'
import { childrenOf, entryOf, type Plan, walk } from '../plan/plan.ts'
import type { Settings, Site } from '../plan/site.ts'
import { claimName, fittingName, nameKey, type Separator, soundFileName } from '../standard/fileName.ts'
import { Claims } from './claims.ts'
import { ownAddresses } from './ownLayout.ts'

/** How the files of a site are named. */
export type AddressRule = Pick<Settings, 'layout' | 'carrySection' | 'separator' | 'extension'>

/** Where the pages of a site stand. */
export interface Addresses {
  /** The path of every page from the top of the site, plain: `walks/the-summit-level.html`. */
  readonly paths: ReadonlyMap<EntryId, string>
  /** The name that each page and group got, without folder and extension. */
  readonly names: ReadonlyMap<EntryId, string>
}

const derived = new WeakMap<Entry, { separator: Separator; name: string }>()

/** The name from the menu label or the title: remembered, since one edit leaves nearly all entries as they were. */
function derivedName(entry: Entry, separator: Separator): string {
  const remembered = derived.get(entry)
  if (remembered?.separator === separator) return remembered.name
  const name = soundFileName(labelOf(entry), separator)
  derived.set(entry, { separator, name })
  return name
}

/** The name that an entry asks for: the author's own, else the pinned one, else from the menu label or the title. */
export function wishedName(entry: Entry, separator: Separator): string {
  if (entry.kind !== 'link' && entry.fileName !== '') return entry.fileName
  if (entry.kind === 'page' && entry.pin) return entry.pin.name
  return derivedName(entry, separator)
}

/** What the name of an entry starts with where the names of its sections are carried: `walks-`. */
function carriedPrefix(
  plan: Plan,
  rule: Pick<AddressRule, 'carrySection' | 'separator'>,
  names: ReadonlyMap<EntryId, string>,
  id: EntryId,
): string {
  const parent = plan.parents.get(id)!
  return rule.carrySection && parent !== plan.home ? names.get(parent)! + rule.separator : ''
}

/** All files in one folder, so that every name must be free over the whole site. */
function flatAddresses(plan: Plan, rule: AddressRule, claims: Claims): Addresses {
  const paths = new Map<EntryId, string>([[plan.home, `index${rule.extension}`]])
  const names = new Map<EntryId, string>([[plan.home, 'index']])
  for (const { entry } of walk(plan)) {
    const { id } = entry
    if (entry.kind === 'link' || id === plan.home) continue
    const composed = carriedPrefix(plan, rule, names, id) + wishedName(entry, rule.separator)
    // A group has no file: its name only serves as prefix of those under it.
    if (entry.kind === 'group') names.set(id, fittingName(composed))
    else {
      const isTaken = (name: string) => claims.isTaken(name + rule.extension, id)
      const name = claimName(composed, isTaken, rule.separator)
      names.set(id, name)
      paths.set(id, name + rule.extension)
      claims.claimFile(name + rule.extension)
    }
  }
  return { paths, names }
}

/** A folder for each section, so that a name must be free among its siblings. */
function folderAddresses(plan: Plan, rule: AddressRule, claims: Claims): Addresses {
  const paths = new Map<EntryId, string>([[plan.home, `index${rule.extension}`]])
  const names = new Map<EntryId, string>([[plan.home, 'index']])
  const file = rule.layout === 'folders' ? `/index${rule.extension}` : rule.extension
  const waiting: { id: EntryId; folder: string }[] = [{ id: plan.home, folder: '' }]
  for (let next = waiting.pop(); next; next = waiting.pop()) {
    const { id: parent, folder } = next
    const taken = new Set<string>()
    for (const id of childrenOf(plan, parent)) {
      const entry = entryOf(plan, id)
      if (entry.kind === 'link') continue
      const isFolder = rule.layout === 'folders' || childrenOf(plan, id).length > 0
      const isTaken = (name: string) =>
        taken.has(nameKey(name)) ||
        (isFolder && claims.isFile(folder + name)) ||
        (entry.kind === 'page' && claims.isTaken(folder + name + file, id))
      const name = claimName(wishedName(entry, rule.separator), isTaken, rule.separator)
      taken.add(nameKey(name))
      names.set(id, name)
      if (entry.kind === 'page') {
        const path = folder + name + file
        paths.set(id, path)
        claims.claimFile(path)
      }
      if (isFolder) claims.claimFolder(folder + name)
      waiting.push({ id, folder: `${folder}${name}/` })
    }
  }
  return { paths, names }
}

function laidOut(plan: Plan, rule: AddressRule, claims: Claims): Addresses {
  switch (rule.layout) {
    case 'flat':
      return flatAddresses(plan, rule, claims)
    case 'nested':
    case 'folders':
      return folderAddresses(plan, rule, claims)
    case 'own':
      return ownAddresses(plan, rule, claims, (id, separator) => wishedName(entryOf(plan, id), separator))
  }
}

/** What the addresses of a plan follow from beside it, each compared as a whole. */
type Basis = AddressRule & { readonly redirects: unknown; readonly files: unknown }

const known = new WeakMap<Plan, { basis: Basis; addresses: Addresses }>()

/**
 * The names and paths of all pages of a site. Worked out once for a plan and what it goes round, and remembered as long
 * as the plan is.
 */
export function addressesOf({ plan, settings, files }: Pick<Site, 'plan' | 'settings' | 'files'>): Addresses {
  const { layout, carrySection, separator, extension, redirects } = settings
  const basis: Basis = { layout, carrySection, separator, extension, redirects, files }
  const remembered = known.get(plan)
  if (
    remembered &&
    (Object.keys(basis) as (keyof Basis)[]).every((key) => remembered.basis[key] === basis[key])
  ) {
    return remembered.addresses
  }
  const claims = new Claims({ plan, settings, files })
  const addresses = laidOut(plan, basis, claims)
  known.set(plan, { basis, addresses })
  return addresses
}

/** The name that an entry got, without what it carries of its sections: the one to pin. */
export function ownName(site: Pick<Site, 'plan' | 'settings' | 'files'>, id: EntryId): string {
  const { plan, settings } = site
  const { names } = addressesOf(site)
  const name = names.get(id)!
  if (settings.layout !== 'flat' || id === plan.home) return name
  const prefix = carriedPrefix(plan, settings, names, id)
  return name.startsWith(prefix) ? name.slice(prefix.length) : name
}

/** The page that stands at a path of the site, without regard to case; a folder's path means its index file. */
export function pageAtPath(site: Site, path: string): EntryId | undefined {
  const wanted = nameKey(path === '' || path.endsWith('/') ? `${path}index${site.settings.extension}` : path)
  for (const [id, at] of addressesOf(site).paths) if (nameKey(at) === wanted) return id
  return undefined
}
