import type { Entry, EntryId, LinkTarget, Pin, Seen } from '@viatica/core/plan/entry.ts'

/** A row of the table `entries`. */
export interface EntryRow {
  site_id: string
  id: EntryId
  kind: Entry['kind']
  parent_id: EntryId | null
  place: number
  label: string
  file_name: string
  note: string
  in_menu: boolean
  title: string | null
  heading: string | null
  description: string | null
  banner_file: string | null
  banner_alt: string | null
  banner_text: string | null
  state: 'planned' | 'draft' | 'ready' | null
  in_order: boolean | null
  body: string | null
  body_changed: string | null
  target_url: string | null
  target_entry: string | null
  target_fragment: string | null
  target_file: string | null
  /** JSON, as it is sent; read back as data. */
  pin: string | Pin | null
  seen: string | Seen | null
}

const EMPTY = {
  file_name: '',
  title: null,
  heading: null,
  description: null,
  banner_file: null,
  banner_alt: null,
  banner_text: null,
  state: null,
  in_order: null,
  body: null,
  body_changed: null,
  target_url: null,
  target_entry: null,
  target_fragment: null,
  target_file: null,
  pin: null,
  seen: null,
} as const

/** Where an entry stands. */
export interface Standing {
  readonly site_id: string
  readonly parent_id: EntryId | null
  readonly place: number
}

/** An entry as a row. */
export function rowOfEntry(entry: Entry, standing: Standing): EntryRow {
  const { id, kind, label, note, inMenu } = entry
  const row: EntryRow = { ...EMPTY, ...standing, id, kind, label, note, in_menu: inMenu }
  if (entry.kind !== 'link') row.file_name = entry.fileName
  if (entry.kind === 'link') {
    const { target } = entry
    if (target.to === 'address') row.target_url = target.url
    else if (target.to === 'file') row.target_file = target.file
    else {
      row.target_entry = target.entry
      row.target_fragment = target.fragment
    }
  }
  if (entry.kind === 'page') {
    row.title = entry.title
    row.heading = entry.heading
    row.description = entry.description
    row.banner_file = entry.banner?.file ?? null
    row.banner_alt = entry.banner?.alt ?? null
    row.banner_text = entry.banner?.text ?? null
    row.state = entry.state
    row.in_order = entry.inOrder
    row.body = entry.body.html
    row.body_changed = entry.body.changed || null
    row.pin = entry.pin && JSON.stringify(entry.pin)
    row.seen = entry.seen && JSON.stringify(entry.seen)
  }
  return row
}

function targetOfRow(row: EntryRow): LinkTarget {
  if (row.target_url !== null) return { to: 'address', url: row.target_url }
  if (row.target_file !== null) return { to: 'file', file: row.target_file }
  return { to: 'entry', entry: row.target_entry!, fragment: row.target_fragment ?? '' }
}

/** A row as an entry: the reverse of rowOfEntry. The table's constraints say which columns each kind fills. */
export function entryOfRow(row: EntryRow): Entry {
  const { id, label, note } = row
  const shared = { id, label, note, inMenu: row.in_menu }
  if (row.kind === 'link') return { ...shared, kind: 'link', target: targetOfRow(row) }
  if (row.kind === 'group') return { ...shared, kind: 'group', fileName: row.file_name }
  return {
    ...shared,
    kind: 'page',
    fileName: row.file_name,
    title: row.title!,
    heading: row.heading!,
    description: row.description!,
    banner:
      row.banner_file === null
        ? null
        : { file: row.banner_file, alt: row.banner_alt ?? '', text: row.banner_text ?? '' },
    state: row.state!,
    inOrder: row.in_order!,
    body: { html: row.body!, changed: row.body_changed ?? '' },
    pin: row.pin as Pin | null,
    seen: row.seen as Seen | null,
  }
}
