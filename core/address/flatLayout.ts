import type { EntryId } from '../plan/ids.ts'
import { type Plan, walk } from '../plan/plan.ts'
import { claimName, fittingName } from '../standard/fileName.ts'
import { valueFor } from '../standard/present.ts'
import type { Claims } from './claims.ts'
import type { Addresses, AddressRule } from './layout.ts'
import { wishedName } from './wishedName.ts'

/** What the name of an entry starts with where the names of its sections are carried: `walks-`. */
export function carriedPrefix(
  plan: Plan,
  rule: Pick<AddressRule, 'carrySection' | 'separator'>,
  names: ReadonlyMap<EntryId, string>,
  id: EntryId,
): string {
  const parent = valueFor(plan.parents, id)
  return rule.carrySection && parent !== plan.home ? valueFor(names, parent) + rule.separator : ''
}

/** All files in one folder, so that every name must be free over the whole site. */
export function flatAddresses(plan: Plan, rule: AddressRule, claims: Claims): Addresses {
  const paths = new Map<EntryId, string>([[plan.home, `index${rule.extension}`]])
  const names = new Map<EntryId, string>([[plan.home, 'index']])
  const tried = new Map<string, number>()
  for (const { entry } of walk(plan)) {
    const { id } = entry
    if (entry.kind === 'link' || id === plan.home) continue
    const composed = carriedPrefix(plan, rule, names, id) + wishedName(entry, rule.separator)
    // A group has no file: its name only serves as prefix of those under it.
    if (entry.kind === 'group') names.set(id, fittingName(composed))
    else {
      const isTaken = (name: string) => claims.isTaken(name + rule.extension, id)
      const name = claimName(composed, isTaken, rule.separator, claims.owns(id) ? undefined : tried)
      names.set(id, name)
      paths.set(id, name + rule.extension)
      claims.claimFile(name + rule.extension)
    }
  }
  return { paths, names }
}
