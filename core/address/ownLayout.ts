import type { PageEntry } from '../plan/entry.ts'
import type { EntryId } from '../plan/ids.ts'
import { childrenOf, entryOf, type Plan, walk } from '../plan/plan.ts'
import { claimName, fittingName, type Separator } from '../standard/fileName.ts'
import type { Claims } from './claims.ts'
import type { Addresses } from './layout.ts'
import { folderOf } from './relative.ts'
import { wishedName } from './wishedName.ts'

/** How the addresses of some pages are made: what a new one beside them gets. */
interface Habit {
  readonly folder: string
  /** What the name of a page begins with: that of its section, where names carry it. */
  readonly prefix: string
  /** What follows the name: an extension, or an index file in a folder of its own. */
  readonly ending: string
  readonly separator: Separator
}

const INDEX = /^(?:index|default|home)\.[a-z]+$/i

/** The path that a page keeps: the last that it was given out at, unless its author named it otherwise since. */
function keptPath({ pin, fileName }: PageEntry): string | undefined {
  return fileName === '' ? pin?.addresses.at(-1) : undefined
}

/** How a page is named that was given out before: where it stood, with the extension that it had. */
function formerHabit({ pin }: PageEntry, separator: Separator): Habit | undefined {
  const path = pin?.addresses.at(-1)
  if (path === undefined) return undefined
  return { folder: folderOf(path), prefix: '', ending: /\.[^./]*$/.exec(path)?.[0] ?? '', separator }
}

/** What most of some texts are. */
function commonest(texts: readonly string[]): string | undefined {
  const counts = new Map<string, number>()
  for (const text of texts) counts.set(text, (counts.get(text) ?? 0) + 1)
  return [...counts].sort(([, a], [, b]) => b - a)[0]?.[0]
}

/** Where a group stands: where the nearest page above it does. */
function pathAbove(plan: Plan, parent: EntryId, paths: ReadonlyMap<EntryId, string>): string {
  for (let id: EntryId | undefined = parent; id !== undefined; id = plan.parents.get(id)) {
    const path = paths.get(id)
    if (path !== undefined) return path
  }
  return ''
}

function habitOf(
  plan: Plan,
  parent: EntryId,
  paths: ReadonlyMap<EntryId, string>,
  extension: string,
  separator: Separator,
): Habit {
  const siblings = childrenOf(plan, parent).flatMap((id) => {
    const entry = entryOf(plan, id)
    return (entry.kind === 'page' && keptPath(entry)) || []
  })
  const above = pathAbove(plan, parent, paths)
  const like = siblings.length > 0 ? siblings : above === '' ? [] : [above]
  const nameOf = (path: string) => path.slice(folderOf(path).length)
  const extensionOf = (path: string) => /\.[^./]*$/.exec(path)?.[0] ?? extension
  const ending = commonest(like.map(extensionOf)) ?? extension
  const signs = like.map(nameOf).join('')
  const usual: Separator =
    signs.includes('_') && !signs.includes('-') ? '_' : signs.includes('-') ? '-' : separator
  const inFolders = siblings.filter((path) => INDEX.test(nameOf(path)))
  if (inFolders.length * 2 > siblings.length) {
    // A folder for each page: the new one stands beside those of its siblings.
    const outer = commonest(inFolders.map((path) => folderOf(folderOf(path).slice(0, -1))))!
    return { folder: outer, prefix: '', ending: `/${nameOf(inFolders[0]!)}`, separator: usual }
  }
  const stem = nameOf(above).replace(/\.[^.]*$/, '')
  const carried =
    stem === ''
      ? 0
      : siblings.filter((path) =>
          nameOf(path)
            .toLowerCase()
            .startsWith(stem.toLowerCase() + usual),
        ).length
  const prefix = siblings.length > 0 && carried * 2 > siblings.length ? stem + usual : ''
  return { folder: commonest(like.map(folderOf)) ?? '', prefix, ending, separator: usual }
}

/**
 * The layout of existing pages: each keeps the whole path that it has, wherever it stands in the plan; a new one is named
 * as its siblings are, else as its parent is.
 */
export function ownAddresses(
  plan: Plan,
  rule: { readonly extension: string; readonly separator: Separator },
  claims: Claims,
): Addresses {
  const paths = new Map<EntryId, string>()
  const names = new Map<EntryId, string>()
  const nameIn = (path: string) => path.slice(folderOf(path).length).replace(/\.[^.]*$/, '')
  const put = (id: EntryId, path: string, name = nameIn(path)) => {
    paths.set(id, path)
    names.set(id, name)
    claims.claimFile(path)
  }
  const isFree = (path: string, id: EntryId) => claims.isFree(path, id)
  /** A folder, or where a file is in its way, the nearest one above it that can be. @param folder ends in `/`, or is empty */
  const possibleFolder = (folder: string): string => {
    let possible = folder
    while (possible !== '' && !claims.canBeFolder(possible.slice(0, -1)))
      possible = folderOf(possible.slice(0, -1))
    return possible
  }
  // What pages keep comes first: a new page goes round it.
  for (const { entry } of walk(plan)) {
    const path = entry.kind === 'page' ? keptPath(entry) : undefined
    if (path !== undefined && isFree(path, entry.id)) put(entry.id, path)
  }
  const habits = new Map<EntryId, Habit>()
  const tried = new Map<string, Map<string, number>>()
  for (const { entry } of walk(plan)) {
    const { id } = entry
    if (entry.kind === 'link' || paths.has(id)) continue
    const parent = plan.parents.get(id)
    if (parent === undefined) {
      // What is kept there was given out.
      const pathOf = (n: number) => `index${n === 1 ? '' : `${rule.separator}${n}`}${rule.extension}`
      let n = 1
      while (!isFree(pathOf(n), id)) n++
      put(id, pathOf(n))
      continue
    }
    if (entry.kind === 'group') {
      names.set(id, fittingName(wishedName(entry, rule.separator)))
      continue
    }
    const ofSiblings = habits.get(parent) ?? habitOf(plan, parent, paths, rule.extension, rule.separator)
    habits.set(parent, ofSiblings)
    const habit = (entry.kind === 'page' && formerHabit(entry, rule.separator)) || ofSiblings
    const folder = possibleFolder(habit.folder)
    const pathOf = (name: string) => folder + name + habit.ending
    const isTaken = (name: string) => !isFree(pathOf(name), id)
    const place = `${folder}*${habit.ending}${habit.separator}`
    const triedThere = tried.get(place) ?? new Map<string, number>()
    tried.set(place, triedThere)
    const name = claimName(
      habit.prefix + wishedName(entry, habit.separator),
      isTaken,
      habit.separator,
      claims.owns(id) ? undefined : triedThere,
    )
    put(id, pathOf(name), name)
  }
  return { paths, names }
}
