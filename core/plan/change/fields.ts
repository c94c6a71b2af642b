import { settleRedirects } from '../../address/redirects.ts'
import { bodyMark } from '../bodyMark.ts'
import { type Entry, FIELDS_OF_KIND, labelOf } from '../entry.ts'
import type { Plan } from '../plan.ts'
import type { Settings, Site } from '../site.ts'
import type { SetEntry, SetSite } from './change.ts'
import { ChangeRefused } from './refused.ts'

function checkPicture(site: Site, file: string): void {
  if (!site.files.has(file)) throw new ChangeRefused('The picture is no longer among the files of the site.')
}

/** Sets a field of an entry. @throws ChangeRefused when its kind has no such field, or the value names what is not there. */
export function setEntryField(site: Site, change: SetEntry): { plan: Plan; inverse: SetEntry } {
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
  if (change.field === 'target' && change.value.to === 'entry' && !plan.entries.has(change.value.entry)) {
    throw new ChangeRefused('The page that this link should lead to is no longer in the plan.')
  }
  if (change.field === 'target' && change.value.to === 'file' && !site.files.has(change.value.file))
    throw new ChangeRefused('This file is no longer among the files of the site.')
  if (change.field === 'state' && change.entry === plan.home && change.value === 'planned') {
    throw new ChangeRefused('The home page cannot be left out of the site: it is draft or ready.')
  }
  if (change.over !== undefined && entry.kind === 'page' && bodyMark(entry.body.html) !== change.over)
    throw new ChangeRefused(`The text of “${labelOf(entry)}” was changed in another window meanwhile.`)
  const before = (entry as Record<string, unknown>)[change.field]
  const entries = new Map(plan.entries).set(entry.id, { ...entry, [change.field]: change.value } as Entry)
  // What undoes it holds whatever it is put over.
  const inverse = { kind: change.kind, entry: change.entry, field: change.field, value: before } as SetEntry
  return { plan: { ...plan, entries }, inverse }
}

function checkAddressing({ linkStyle, baseUrl }: Settings): void {
  if (linkStyle === 'absolute' && baseUrl === '')
    throw new ChangeRefused('Absolute links start with the published address: say first what that is.')
}

/** Sets a setting of the site. @throws ChangeRefused when it cannot hold beside what the site has. */
export function setSetting(site: Site, change: SetSite): { settings: Settings; inverse: SetSite } {
  if (change.field === 'logo' && change.value) checkPicture(site, change.value.file)
  checkAddressing({ ...site.settings, [change.field]: change.value })
  let { value } = change
  if (change.field === 'redirects') {
    const settled = settleRedirects(site, change.value)
    if ('fault' in settled) throw new ChangeRefused(settled.fault)
    value = settled.redirects
  }
  return {
    settings: { ...site.settings, [change.field]: value },
    inverse: { ...change, value: site.settings[change.field] } as SetSite,
  }
}
