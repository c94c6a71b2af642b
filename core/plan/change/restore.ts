import { type Entry, labelOf } from '../entry.ts'
import type { EntryId } from '../ids.ts'
import { goneByPointer, goneList } from '../gone.ts'
import { siteFault } from '../siteFault.ts'
import { childrenOf, type Plan } from '../plan.ts'
import type { SettingName, Settings, Site } from '../site.ts'
import { ChangeRefused } from './refused.ts'
import type { Restore } from './restoreChange.ts'
import { isSameData } from '../../standard/sameData.ts'

const SAME: readonly EntryId[] = []

/** What the values of a map are that another has not, and the keys that only the other has. */
function mapDifference<Value>(
  now: ReadonlyMap<string, Value>,
  then: ReadonlyMap<string, Value>,
): { changed: Value[]; gone: string[] } {
  return {
    changed: [...then].flatMap(([id, value]) => (isSameData(now.get(id), value) ? [] : [value])),
    gone: [...now.keys()].filter((id) => !then.has(id)),
  }
}

/** The change that makes one state of a site another; undefined where they are the same. */
export function differenceOf(now: Site, then: Site): Restore | undefined {
  const names = Object.keys(then.settings) as SettingName[]
  const settings = names.filter((name) => !isSameData(now.settings[name], then.settings[name]))
  const isSameSurround = isSameData(now.surround, then.surround)
  const files = mapDifference(now.files, then.files)
  const entries = mapDifference(now.plan.entries, then.plan.entries)
  const parents = new Set([...now.plan.children.keys(), ...then.plan.children.keys()])
  const children = [...parents].flatMap((parent) => {
    const list = childrenOf(then.plan, parent)
    // What is gone takes its list along.
    if (!then.plan.entries.has(parent) || isSameData(childrenOf(now.plan, parent), list)) return []
    return [{ parent, children: [...list] }]
  })
  const [goneNow, goneThen] = [goneList(now.gone), goneList(then.gone)]
  const isSameGone = now.gone === then.gone || isSameData(goneNow, goneThen)
  const count = settings.length + (isSameSurround ? 0 : 1) + (isSameGone ? 0 : 1) + children.length
  const lists = [files.changed, files.gone, entries.changed, entries.gone]
  if (count + lists.reduce((sum, list) => sum + list.length, 0) === 0) return undefined
  return {
    kind: 'restore',
    settings: Object.fromEntries(settings.map((name) => [name, then.settings[name]])) as Restore['settings'],
    ...(isSameSurround ? {} : { surround: then.surround }),
    files: files.changed,
    filesGone: files.gone,
    entries: entries.changed,
    entriesGone: entries.gone,
    children,
    ...(isSameGone ? {} : { gone: goneThen }),
  }
}

function settingsWith(settings: Settings, restored: Restore['settings']): Settings {
  return Object.keys(restored).length === 0 ? settings : ({ ...settings, ...restored } as Settings)
}

function withoutGone<Value>(
  map: ReadonlyMap<string, Value>,
  values: readonly (Value & { readonly id: string })[],
  gone: readonly string[],
): ReadonlyMap<string, Value> {
  if (values.length + gone.length === 0) return map
  const next = new Map(map)
  for (const id of gone) next.delete(id)
  for (const value of values) next.set(value.id, value)
  return next
}

function planWith(plan: Plan, { entries, entriesGone, children }: Restore): Plan {
  if (entries.length + entriesGone.length + children.length === 0) return plan
  const lists = new Map(plan.children)
  for (const id of entriesGone) lists.delete(id)
  for (const { parent, children: list } of children) {
    if (list.length > 0) lists.set(parent, list)
    else lists.delete(parent)
  }
  const parents = new Map<EntryId, EntryId>()
  for (const [parent, list] of lists) {
    for (const id of list) {
      if (parents.has(id)) throw new ChangeRefused(`Two places of the plan would hold the entry ${id}.`)
      parents.set(id, parent)
    }
  }
  return {
    home: plan.home,
    entries: withoutGone<Entry>(plan.entries, entries, entriesGone),
    parents,
    children: lists,
  }
}

/**
 * Makes a site what it was at another time.
 * @throws ChangeRefused when that does not hold beside what the site has by now
 */
export function restoreSite(site: Site, change: Restore): Site & { inverse: Restore } {
  const next: Site = {
    settings: settingsWith(site.settings, change.settings),
    surround: change.surround ?? site.surround,
    files: withoutGone(site.files, change.files, change.filesGone),
    plan: planWith(site.plan, change),
    gone: change.gone ? goneByPointer(change.gone) : site.gone,
  }
  const fault = siteFault(next)
  if (fault) throw new ChangeRefused(fault)
  const inverse = differenceOf(next, site)
  return { ...next, inverse: inverse ?? NOTHING }
}

/** What takes back a restoring that changed nothing. */
const NOTHING: Restore = {
  kind: 'restore',
  settings: {},
  files: [],
  filesGone: [],
  entries: [],
  entriesGone: [],
  children: [],
}

/** What stands where a restoring would put something. */
export function restoredOver(site: Site, change: Restore): unknown {
  const { plan, files } = site
  return {
    // By name: the order of an object's fields is lost between browser, server and database.
    settings: Object.fromEntries(
      Object.keys(change.settings).map((name) => [name, site.settings[name as SettingName]]),
    ),
    surround: change.surround ? site.surround : null,
    files: [...change.files.map(({ id }) => id), ...change.filesGone].map((id) => files.get(id) ?? null),
    entries: [...change.entries.map(({ id }) => id), ...change.entriesGone].map(
      (id) => plan.entries.get(id) ?? null,
    ),
    children: [
      ...change.children.map(({ parent }) => childrenOf(plan, parent)),
      ...change.entriesGone.map((id) => plan.children.get(id) ?? SAME),
    ],
    ...(change.gone ? { gone: goneList(site.gone) } : {}),
  }
}

/** What a restoring is about, for people. */
export function restoredWords({ entries, entriesGone }: Restore): string {
  const [only] = entries
  return entries.length === 1 && only && entriesGone.length === 0 ? `“${labelOf(only)}”` : 'The site'
}
