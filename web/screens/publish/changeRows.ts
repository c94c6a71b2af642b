import type { Difference } from '@viatica/core/publish/difference.ts'
import type { HostFile } from '@viatica/core/publish/publication.ts'

/** What becomes of a file. */
export const BECOMES = ['added', 'changed', 'moved', 'deleted'] as const
export type Becomes = (typeof BECOMES)[number]

/** A file that differs, as a row. */
export interface ChangeRow {
  readonly becomes: Becomes
  readonly before: HostFile | undefined
  readonly after: HostFile | undefined
}

const isPage = ({ before, after }: ChangeRow) => (after ?? before)!.role === 'page'

/** What differs as rows: pages before files, each kind of difference together. */
export function changeRows({ added, changed, moved, deleted }: Difference): ChangeRow[] {
  const rows: ChangeRow[] = [
    ...added.map((after) => ({ becomes: 'added' as const, before: undefined, after })),
    ...changed.map(({ before, after }) => ({ becomes: 'changed' as const, before, after })),
    ...moved.map(({ before, after }) => ({ becomes: 'moved' as const, before, after })),
    ...deleted.map((before) => ({ becomes: 'deleted' as const, before, after: undefined })),
  ]
  return [...rows.filter(isPage), ...rows.filter((row) => !isPage(row))]
}

/** Told by a sign and a word, never by colour alone. */
export const SIGNS: Readonly<Record<Becomes, string>> = { added: '+', changed: '≠', moved: '→', deleted: '−' }
