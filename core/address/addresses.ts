import { type Entry, type EntryId, labelOf } from '../plan/entry.ts'
import { childrenOf, entryOf, type Plan, walk } from '../plan/plan.ts'
import type { Settings, Site } from '../plan/site.ts'
import { claimName, nameKey, type Separator, soundFileName } from '../standard/fileName.ts'

/** How the files of a site are named. */
export type AddressRule = Pick<Settings, 'layout' | 'carrySection' | 'separator' | 'extension'>

/** Where the pages of a site stand. */
export interface Addresses {
  /** The path of every page from the top of the site, plain: `walks/the-summit-level.html`. */
  readonly paths: ReadonlyMap<EntryId, string>
  /** The name that each page and group got, without folder and extension. */
  readonly names: ReadonlyMap<EntryId, string>
}

/** A composed flat name is cut here: file systems take 255 bytes, and an extension and a number follow. */
const MAX_FLAT = 200

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
function flatAddresses(plan: Plan, rule: AddressRule): Addresses {
  const paths = new Map<EntryId, string>()
  const names = new Map<EntryId, string>()
  const taken = new Set(['index'])
  for (const { entry } of walk(plan)) {
    if (entry.kind === 'link') continue
    if (entry.id === plan.home) {
      names.set(entry.id, 'index')
      paths.set(entry.id, `index${rule.extension}`)
      continue
    }
    const wished = wishedName(entry, rule.separator)
    const prefix = carriedPrefix(plan, rule, names, entry.id)
    const composed = (prefix + wished).slice(0, MAX_FLAT).toWellFormed()
    // A group has no file: its name only serves as prefix of those under it.
    if (entry.kind === 'group') names.set(entry.id, composed)
    else {
      const name = claimName(composed, taken, rule.separator)
      names.set(entry.id, name)
      paths.set(entry.id, name + rule.extension)
    }
  }
  return { paths, names }
}

/** A folder for each section, so that a name must be free among its siblings. */
function folderAddresses(plan: Plan, rule: AddressRule): Addresses {
  const paths = new Map<EntryId, string>([[plan.home, `index${rule.extension}`]])
  const names = new Map<EntryId, string>([[plan.home, 'index']])
  const file = rule.layout === 'folders' ? `/index${rule.extension}` : rule.extension
  const waiting: { id: EntryId; folder: string }[] = [{ id: plan.home, folder: '' }]
  for (let next = waiting.pop(); next; next = waiting.pop()) {
    const taken = new Set<string>()
    for (const id of childrenOf(plan, next.id)) {
      const entry = entryOf(plan, id)
      if (entry.kind === 'link') continue
      const name = claimName(wishedName(entry, rule.separator), taken, rule.separator)
      names.set(id, name)
      if (entry.kind === 'page') paths.set(id, next.folder + name + file)
      waiting.push({ id, folder: `${next.folder}${name}/` })
    }
  }
  return { paths, names }
}

const known = new WeakMap<Plan, { rule: AddressRule; addresses: Addresses }>()

/**
 * The names and paths of all pages of a site. Worked out once for a plan and a rule, and remembered as long as
 * the plan is.
 */
export function addressesOf({ plan, settings }: Pick<Site, 'plan' | 'settings'>): Addresses {
  const { layout, carrySection, separator, extension } = settings
  const rule: AddressRule = { layout, carrySection, separator, extension }
  const remembered = known.get(plan)
  if (
    remembered &&
    (Object.keys(rule) as (keyof AddressRule)[]).every((key) => remembered.rule[key] === rule[key])
  ) {
    return remembered.addresses
  }
  const addresses = layout === 'flat' ? flatAddresses(plan, rule) : folderAddresses(plan, rule)
  known.set(plan, { rule, addresses })
  return addresses
}

/** The name that an entry got, without what it carries of its sections: the one to pin. */
export function ownName({ plan, settings }: Pick<Site, 'plan' | 'settings'>, id: EntryId): string {
  const { names } = addressesOf({ plan, settings })
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
