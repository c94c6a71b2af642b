import type { Entry } from '../plan/entry.ts'
import type { EntryId } from '../plan/ids.ts'
import { childrenOf, entryOf, type Plan } from '../plan/plan.ts'
import type { Site } from '../plan/site.ts'
import { claimName, nameKey } from '../standard/fileName.ts'
import { Claims } from './claims.ts'
import type { Addresses, AddressRule } from './layout.ts'
import { wishedName } from './wishedName.ts'

/** What addresses follow from. */
export type Placed = Pick<Site, 'plan' | 'settings' | 'files'>

/** A site that was laid out in folders, with its addresses. */
export interface LaidOut {
  readonly site: Placed
  readonly addresses: Addresses
}

const pinOf = (entry: Entry | undefined) => (entry?.kind === 'page' ? entry.pin : null)

/** Whether what pages go round, beside each other, is the same on two sites, and the rule by which they stand. */
function goRoundTheSame(a: Placed, b: Placed): boolean {
  const isSameRule =
    a.files === b.files &&
    a.plan.home === b.plan.home &&
    (['layout', 'separator', 'extension', 'redirects'] as const).every(
      (name) => a.settings[name] === b.settings[name],
    )
  if (!isSameRule) return false
  for (const [id, entry] of b.plan.entries) {
    const was = a.plan.entries.get(id)
    if (was !== entry && pinOf(was) !== pinOf(entry)) return false
  }
  for (const [id, was] of a.plan.entries) if (pinOf(was) && !b.plan.entries.has(id)) return false
  return true
}

const hasFolder = (plan: Plan, id: EntryId) => childrenOf(plan, id).length > 0

/** Whether what stands right under an entry asks for the same names, as the same. */
function asksForTheSame(a: Plan, b: Plan, parent: EntryId, separator: AddressRule['separator']): boolean {
  const [before, children] = [childrenOf(a, parent), childrenOf(b, parent)]
  return (
    before.length === children.length &&
    children.every((id, at) => {
      if (id !== before[at] || hasFolder(a, id) !== hasFolder(b, id)) return false
      const [was, is] = [entryOf(a, id), entryOf(b, id)]
      return was === is || (was.kind === is.kind && wishedName(was, separator) === wishedName(is, separator))
    })
  )
}

/**
 * A folder for each section, so that a name must be free among its siblings.
 * @param last what was laid out last: names in folders of which nothing changed since are taken from there. What stands in
 *   one folder has nothing to do with what stands in another, but for the page that the folder is of
 */
export function folderAddresses(site: Placed, last?: LaidOut): Addresses {
  const { plan, settings: rule } = site
  const known = last && goRoundTheSame(last.site, site) ? last : undefined
  const paths = new Map<EntryId, string>([[plan.home, `index${rule.extension}`]])
  const names = new Map<EntryId, string>([[plan.home, 'index']])
  const file = rule.layout === 'folders' ? `/index${rule.extension}` : rule.extension
  let claims: Claims | undefined

  function takeOver(id: EntryId): void {
    const [name, path] = [known!.addresses.names.get(id), known!.addresses.paths.get(id)]
    if (name !== undefined) names.set(id, name)
    if (path !== undefined) paths.set(id, path)
  }

  /** Whether an entry under one that has the folder it had has its own folder where it was, and its own page. */
  function standsAsLast(parent: EntryId, id: EntryId): boolean {
    return (
      known!.site.plan.parents.get(id) === parent &&
      known!.addresses.names.get(id) === names.get(id) &&
      known!.addresses.paths.get(id) === paths.get(id)
    )
  }

  function nameUnder(parent: EntryId, folder: string): void {
    claims ??= new Claims(site)
    const own = paths.get(parent)
    // The page that the folder is of may stand in it.
    if (own !== undefined) claims.claimFile(own)
    const taken = new Set<string>()
    const tried = { page: new Map<string, number>(), folder: new Map<string, number>() }
    for (const id of childrenOf(plan, parent)) {
      const entry = entryOf(plan, id)
      if (entry.kind === 'link') continue
      const isFolder = rule.layout === 'folders' || hasFolder(plan, id)
      const isTaken = (name: string) =>
        taken.has(nameKey(name)) ||
        (isFolder && claims!.isFile(folder + name)) ||
        (entry.kind === 'page' && claims!.isTaken(folder + name + file, id))
      const name = claimName(
        wishedName(entry, rule.separator),
        isTaken,
        rule.separator,
        claims.owns(id) ? undefined : tried[isFolder ? 'folder' : 'page'],
      )
      taken.add(nameKey(name))
      names.set(id, name)
      if (entry.kind === 'page') {
        const path = folder + name + file
        paths.set(id, path)
        claims.claimFile(path)
      }
      if (isFolder) claims.claimFolder(folder + name)
    }
  }

  const waiting: { id: EntryId; folder: string; isAsLast: boolean }[] = [
    { id: plan.home, folder: '', isAsLast: known !== undefined },
  ]
  for (let next = waiting.pop(); next; next = waiting.pop()) {
    const { id: parent, folder, isAsLast } = next
    const children = childrenOf(plan, parent)
    if (isAsLast && asksForTheSame(known!.site.plan, plan, parent, rule.separator)) children.forEach(takeOver)
    else nameUnder(parent, folder)
    for (const id of children) {
      const name = names.get(id)
      if (name === undefined || !hasFolder(plan, id)) continue
      waiting.push({ id, folder: `${folder}${name}/`, isAsLast: isAsLast && standsAsLast(parent, id) })
    }
  }
  return { paths, names }
}
