import { addressesOf } from '../address/addresses.ts'
import { labelOf, type LinkTarget } from '../plan/entry.ts'
import type { EntryId } from '../plan/ids.ts'
import { isWritten, type Site } from '../plan/site.ts'
import type { PickedLink } from '../plan/surround/pickedLink.ts'

/**
 * Where a target leads in the end: a link of the plan leads on. Undefined for what is not said, not there, for a group, for a page
 * that is not written, and for links that lead to each other.
 */
export function endOf(site: Site, target: LinkTarget): LinkTarget | undefined {
  const seen = new Set<EntryId>()
  for (let at = target; ;) {
    if (at.to === 'address') return at.url === '' ? undefined : at
    if (at.to === 'file') return site.files.has(at.file) ? at : undefined
    const entry = site.plan.entries.get(at.entry)
    if (entry?.kind !== 'link') return isWritten(site, entry) ? at : undefined
    if (seen.has(entry.id)) return undefined
    seen.add(entry.id)
    at = entry.target
  }
}

/** Whether a picked link stands as text though it leads nowhere: to a group, or to a planned page where these show so. */
function standsAsText({ plan, settings }: Site, target: LinkTarget): boolean {
  const entry = target.to === 'entry' ? plan.entries.get(target.entry) : undefined
  return entry?.kind === 'group' || (entry?.kind === 'page' && settings.plannedPages === 'text')
}

/** What a picked link says: its own label, else that of what it leads to. */
function labelOfPicked({ plan, files }: Site, { label, target }: PickedLink): string {
  if (label !== '') return label
  if (target.to === 'address') return target.url
  if (target.to === 'file') return files.get(target.file)?.path ?? ''
  const entry = plan.entries.get(target.entry)
  return entry ? labelOf(entry) : ''
}

/** A picked link as it stands on pages. */
export interface ShownLink {
  readonly link: PickedLink
  readonly label: string
  /** Where it leads; nowhere for what stands as text. */
  readonly leads: LinkTarget | undefined
}

/** The picked links that stand on pages. What is gone, or left out of the site, is left out. */
export function shownLinks(site: Site, links: readonly PickedLink[]): ShownLink[] {
  return links.flatMap((link) => {
    const leads = endOf(site, link.target)
    if (!leads && !standsAsText(site, link.target)) return []
    return [{ link, label: labelOfPicked(site, link), leads }]
  })
}

/** The path of a page that is on the site: what links to it are made of. */
export const whereIs = (site: Site, id: EntryId): string | undefined =>
  isWritten(site, site.plan.entries.get(id)) ? addressesOf(site).paths.get(id) : undefined

/** What tells where a link leads from where another does, on the same site or on one before it; empty for nowhere. */
export function endKey(site: Site, target: LinkTarget | undefined): string {
  const end = target && endOf(site, target)
  if (!end) return ''
  if (end.to === 'address') return `address ${end.url}`
  return end.to === 'file' ? `file ${end.file}` : `page ${whereIs(site, end.entry)}#${end.fragment}`
}
