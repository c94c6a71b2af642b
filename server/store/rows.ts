import type { SiteFile } from '@viatica/core/plan/file.ts'
import type { Entry, LinkTarget, Pin, Seen } from '@viatica/core/plan/entry.ts'
import type { EntryId } from '@viatica/core/plan/ids.ts'

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
  in_search: boolean | null
  page_date: string | null
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

/** After so many rows others get their turn: some ten milliseconds. */
export const ROWS_BETWEEN = 2000

/** Where an entry stands. */
export interface Standing {
  readonly site_id: string
  readonly parent_id: EntryId | null
  readonly place: number
}

/** An entry as a row. Every column is named in one place and one order: thousands of rows are made at once. */
export function rowOfEntry(entry: Entry, { site_id, parent_id, place }: Standing): EntryRow {
  const page = entry.kind === 'page' ? entry : undefined
  const target = entry.kind === 'link' ? entry.target : undefined
  const toEntry = target?.to === 'entry' ? target : undefined
  return {
    site_id,
    parent_id,
    place,
    id: entry.id,
    kind: entry.kind,
    label: entry.label,
    file_name: entry.kind === 'link' ? '' : entry.fileName,
    note: entry.note,
    in_menu: entry.inMenu,
    title: page?.title ?? null,
    heading: page?.heading ?? null,
    description: page?.description ?? null,
    banner_file: page?.banner?.file ?? null,
    banner_alt: page?.banner?.alt ?? null,
    banner_text: page?.banner?.text ?? null,
    state: page?.state ?? null,
    in_order: page?.inOrder ?? null,
    in_search: page?.inSearch ?? null,
    page_date: page?.date || null,
    body: page?.body.html ?? null,
    body_changed: page?.body.changed || null,
    target_url: target?.to === 'address' ? target.url : null,
    target_entry: toEntry?.entry ?? null,
    target_fragment: toEntry?.fragment ?? null,
    target_file: target?.to === 'file' ? target.file : null,
    pin: page?.pin ? JSON.stringify(page.pin) : null,
    seen: page?.seen ? JSON.stringify(page.seen) : null,
  }
}

function targetOfRow(row: EntryRow): LinkTarget {
  if (row.target_url !== null) return { to: 'address', url: row.target_url }
  if (row.target_file !== null) return { to: 'file', file: row.target_file }
  return { to: 'entry', entry: row.target_entry!, fragment: row.target_fragment ?? '' }
}

/** A row as an entry: the reverse of rowOfEntry. The table's constraints say which columns each kind fills. */
export function entryOfRow(row: EntryRow): Entry {
  const { id, label, note, in_menu: inMenu } = row
  if (row.kind === 'link') return { id, label, note, inMenu, kind: 'link', target: targetOfRow(row) }
  if (row.kind === 'group') return { id, label, note, inMenu, kind: 'group', fileName: row.file_name }
  return {
    id,
    label,
    note,
    inMenu,
    kind: 'page',
    fileName: row.file_name,
    title: row.title!,
    heading: row.heading!,
    description: row.description!,
    banner:
      row.banner_file === null
        ? null
        : { file: row.banner_file, alt: row.banner_alt ?? '', text: row.banner_text ?? '' },
    date: row.page_date ?? '',
    state: row.state!,
    inOrder: row.in_order!,
    inSearch: row.in_search!,
    body: { html: row.body!, changed: row.body_changed ?? '' },
    pin: row.pin as Pin | null,
    seen: row.seen as Seen | null,
  }
}

/** A row of the table `files`. */
export interface FileRow {
  site_id: string
  id: string
  path: string
  content: string
  size: number
  alt: string
  as_found: boolean
  width: number | null
  height: number | null
}

export function rowOfFile(
  { id, path, content, size, alt, asFound, pixels }: SiteFile,
  site: string,
): FileRow {
  const { width = null, height = null } = pixels ?? {}
  return { site_id: site, id, path, content, size, alt, as_found: asFound === true, width, height }
}

export function fileOfRow({ id, path, content, size, alt, as_found, width, height }: FileRow): SiteFile {
  return {
    ...{ id, path, content, size, alt },
    ...(as_found ? { asFound: true } : {}),
    ...(width !== null && height !== null ? { pixels: { width, height } } : {}),
  }
}
