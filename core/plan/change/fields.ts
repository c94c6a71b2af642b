import { settleRedirects } from '../../address/redirects.ts'
import { settingsFault } from '../siteFault.ts'
import { type Entry, FIELDS_OF_KIND, labelOf, type LinkTarget } from '../entry.ts'
import { childrenOf, type Plan } from '../plan.ts'
import type { Settings, Site } from '../site.ts'
import type { ReplaceEntry, SetEntry, SetSite } from './change.ts'
import { type Own, ownCopy } from './own.ts'
import { ChangeRefused } from './refused.ts'

function checkPicture(site: Site, file: string): void {
  if (!site.files.has(file)) throw new ChangeRefused('The picture is no longer among the files of the site.')
}

function checkTarget({ plan, files }: Site, target: LinkTarget): void {
  if (target.to === 'entry' && !plan.entries.has(target.entry))
    throw new ChangeRefused('The page that this link should lead to is no longer in the plan.')
  if (target.to === 'file' && !files.has(target.file))
    throw new ChangeRefused('This file is no longer among the files of the site.')
}

/** Sets a field of an entry. @throws ChangeRefused when its kind has no such field, or the value names what is not there. */
export function setEntryField(site: Site, change: SetEntry, own: Own): { plan: Plan; inverse: SetEntry } {
  const { plan } = site
  const entry = plan.entries.get(change.entry)
  if (!entry) throw new ChangeRefused('This entry is no longer in the plan.')
  if (!FIELDS_OF_KIND[entry.kind].includes(change.field)) {
    throw new ChangeRefused(`A ${entry.kind} has no ${change.field}.`)
  }
  if (change.field === 'label' && entry.kind !== 'page' && change.value === '') {
    throw new ChangeRefused(`“${labelOf(entry)}” needs a label.`)
  }
  if (change.field === 'banner' && change.value) checkPicture(site, change.value.file)
  // A link may be dead: what puts back an old target does not ask whether that is still there.
  if (change.field === 'target' && !change.back) checkTarget(site, change.value)
  if (change.field === 'state' && change.entry === plan.home && change.value === 'planned') {
    throw new ChangeRefused('The home page cannot be left out of the site: it is draft or ready.')
  }
  const before = (entry as Record<string, unknown>)[change.field]
  const entries = ownCopy(plan.entries, own).set(entry.id, {
    ...entry,
    [change.field]: change.value,
  } as Entry)
  const inverse = {
    kind: change.kind,
    entry: change.entry,
    field: change.field,
    value: before,
    ...(change.field === 'target' ? { back: true } : {}),
  } as SetEntry
  return { plan: { ...plan, entries }, inverse }
}

/** Puts an entry of another kind in the place of one. @throws ChangeRefused where it cannot stand there */
export function replaceEntry(
  site: Site,
  { entry }: ReplaceEntry,
  own: Own,
): { plan: Plan; inverse: ReplaceEntry } {
  const { plan } = site
  const before = plan.entries.get(entry.id)
  if (!before) throw new ChangeRefused('This entry is no longer in the plan.')
  if (entry.id === plan.home && (entry.kind !== 'page' || entry.state === 'planned'))
    throw new ChangeRefused('The home page is a page, and draft or ready.')
  if (entry.kind === 'link' && childrenOf(plan, entry.id).length > 0)
    throw new ChangeRefused(`Nothing can stand under a link, as it does under “${labelOf(before)}”.`)
  if (entry.kind === 'page' && entry.banner) checkPicture(site, entry.banner.file)
  const entries = ownCopy(plan.entries, own).set(entry.id, entry)
  return { plan: { ...plan, entries }, inverse: { kind: 'replaceEntry', entry: before } }
}

/** Sets a setting of the site. @throws ChangeRefused when it cannot hold beside what the site has. */
export function setSetting(site: Site, change: SetSite): { settings: Settings; inverse: SetSite } {
  if (change.field === 'logo' && change.value) checkPicture(site, change.value.file)
  if (change.field === 'icon' && change.value !== null) checkPicture(site, change.value)
  if (change.field === 'linkStyle' || change.field === 'baseUrl') {
    const fault = settingsFault({ ...site.settings, [change.field]: change.value })
    if (fault && !change.back) throw new ChangeRefused(fault)
  }
  let { value } = change
  // Redirects may rest: what puts back an old list does not ask whether a page stands in their way now.
  if (change.field === 'redirects' && !change.back) {
    const settled = settleRedirects(site, change.value)
    if ('fault' in settled) throw new ChangeRefused(settled.fault)
    value = settled.redirects
  }
  return {
    settings: { ...site.settings, [change.field]: value },
    inverse: {
      kind: change.kind,
      field: change.field,
      value: site.settings[change.field],
      back: true,
    } as SetSite,
  }
}
