import type { GroupEntry, LinkEntry, LinkTarget, PageEntry } from './entry.ts'
import type { EntryId } from './ids.ts'

/** A page as it is when nothing but its title has been decided. */
export function newPage(id: EntryId, title: string, decided: Partial<PageEntry> = {}): PageEntry {
  return {
    id,
    kind: 'page',
    title,
    label: '',
    fileName: '',
    heading: '',
    description: '',
    banner: null,
    date: '',
    note: '',
    state: 'draft',
    inMenu: true,
    inOrder: true,
    inSearch: true,
    body: { html: '', changed: '' },
    pin: null,
    seen: null,
    ...decided,
  }
}

/** A group with nothing decided but its label. */
export function newGroup(id: EntryId, label: string): GroupEntry {
  return { id, kind: 'group', label, fileName: '', note: '', inMenu: true }
}

/** A link with its label and target. */
export function newLink(id: EntryId, label: string, target: LinkTarget): LinkEntry {
  return { id, kind: 'link', label, target, note: '', inMenu: true }
}
