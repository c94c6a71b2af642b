import { sitesApi } from '../../api/sites.ts'

/** Sending the files that come along: how many are done, of how many. */
export interface Sending {
  readonly step: 'send'
  readonly done: number
  readonly total: number
}

/** A file that comes along, under the key that a change has for its bytes until they are sent. */
export type SentFile = readonly [key: string, file: { readonly path: string; readonly bytes: Blob }]

/**
 * Sends the bytes of files, one after the other.
 * @returns under which key each is kept, and how many there are: see `withKept`
 * @throws Refusal when the server refuses one, or the signal stops it
 */
export async function sendFiles(
  files: readonly SentFile[],
  signal: AbortSignal,
  tell: (sending: Sending) => void,
): Promise<Map<string, { content: string; size: number }>> {
  const kept = new Map<string, { content: string; size: number }>()
  for (const [key, { path, bytes }] of files) {
    tell({ step: 'send', done: kept.size, total: files.length })
    const { content } = await sitesApi.keepFile(bytes, path, signal, true)
    kept.set(key, { content, size: bytes.size })
  }
  return kept
}
