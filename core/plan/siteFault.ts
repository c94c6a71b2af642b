import { nameKey } from '../standard/fileName.ts'
import { PathTree } from '../standard/pathTree.ts'
import { labelOf } from './entry.ts'
import { MAX_FILES, MAX_SITE_BYTES } from './file.ts'
import { MAX_ENTRIES, MAX_LEVELS, type Plan, walk } from './plan.ts'
import type { Settings, Site } from './site.ts'
import { filesOfSurround, surroundFault } from './surround/surround.ts'

/** What is wrong with a plan as a whole: a tree of at most so many levels and entries, with a page at its root. */
function planFault(plan: Plan): string | undefined {
  const home = plan.entries.get(plan.home)
  if (home?.kind !== 'page') return 'The plan must start with the home page.'
  if (home.state === 'planned') return 'The home page must be draft or ready.'
  if (plan.entries.size > MAX_ENTRIES) return `The plan has more than ${MAX_ENTRIES} entries.`
  for (const [parent, children] of plan.children) {
    const entry = plan.entries.get(parent)
    if (!entry) return `The entry ${parent} is no longer in the plan.`
    if (entry.kind === 'link') return `“${labelOf(entry)}” is a link: nothing can stand under it.`
    const missing = children.find((id) => !plan.entries.has(id))
    if (missing !== undefined) return `The entry ${missing} is no longer in the plan.`
  }
  // What hangs on itself hangs on nothing: it is not met on the way from the home page.
  let met = 0
  if (plan.parents.has(plan.home)) return 'The home page is the root of the plan.'
  for (const { depth } of walk(plan)) {
    met++
    if (depth >= MAX_LEVELS) return `The plan has more than ${MAX_LEVELS} levels.`
  }
  return met === plan.entries.size ? undefined : 'Some entries would stand nowhere in the plan.'
}

/**
 * Where no file can stand: at the home page. Other pages go round what is there, and so does the home page of existing
 * pages, which keep the paths that they have.
 */
function homeKeyOf({ layout, extension }: Settings): string | undefined {
  return layout === 'own' ? undefined : nameKey(`index${extension}`)
}

/** What is wrong with the files of a site, beside what each is: two of one path, or too much of them. */
function filesFault({ files, settings }: Site): string | undefined {
  if (files.size > MAX_FILES) return `A site can have at most ${MAX_FILES} files.`
  const tree = new PathTree<string>()
  /** Where a host has two files whose names differ by case alone, both came from there. */
  const asFound = new Map([...files.values()].map(({ path, asFound: isSo }) => [path, isSo === true]))
  let bytes = 0
  for (const { path, size } of files.values()) {
    const there = tree.at(path)
    const areBothFound = there !== undefined && there !== path && asFound.get(there) && asFound.get(path)
    if (there !== undefined && !areBothFound) return `The site would have two files at ${there}.`
    tree.put(path, path)
    bytes += size
  }
  const home = homeKeyOf(settings)
  if (home !== undefined && (tree.hasFile(home) || tree.hasFolder(home)))
    return `The home page is at ${home}: no file or folder can be there.`
  for (const { path } of files.values()) {
    const above = tree.fileAbove(path)
    if (above !== undefined)
      return `${tree.at(above)!} is a file of the site: it cannot be the folder of ${path}, too.`
  }
  return bytes > MAX_SITE_BYTES
    ? `The files of a site can have ${MAX_SITE_BYTES / 1_000_000} MB together.`
    : undefined
}

/** A file that something of the site needs and that is not there, in words. */
function missingFile({ settings, surround, files, plan }: Site): string | undefined {
  if (settings.logo && !files.has(settings.logo.file))
    return 'The picture of the logo is not among the files of the site.'
  if (settings.icon !== null && !files.has(settings.icon))
    return 'The icon of the site is not among its files.'
  if (filesOfSurround(surround).some((id) => !files.has(id)))
    return 'A file that the surround uses is not among the files of the site.'
  for (const entry of plan.entries.values()) {
    if (entry.kind === 'page' && entry.banner && !files.has(entry.banner.file))
      return `The banner picture of “${labelOf(entry)}” is not among the files of the site.`
  }
  return undefined
}

/** What is remembered as removed, and is there. */
function goneFault({ gone, plan, files }: Site): string | undefined {
  for (const to of gone.keys()) {
    const [kind, id] = to.split(':') as [string, string]
    if ((kind === 'entry' ? plan.entries : files).has(id)) return `${id} cannot be there and removed, too.`
  }
  return undefined
}

/** What is wrong with settings beside each other. */
export function settingsFault({ linkStyle, baseUrl }: Settings): string | undefined {
  return linkStyle === 'absolute' && baseUrl === ''
    ? 'Absolute links need a base URL: set that first.'
    : undefined
}

/** What is wrong with a site as a whole, in words for the author; undefined when it is sound. */
export function siteFault(site: Site): string | undefined {
  return (
    settingsFault(site.settings) ??
    planFault(site.plan) ??
    filesFault(site) ??
    missingFile(site) ??
    goneFault(site) ??
    surroundFault(site.surround)
  )
}
