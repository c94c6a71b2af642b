import { setImmediate as immediate } from 'node:timers/promises'
import { bytesOfText } from '@viatica/core/formats/textBytes.ts'
import type { OutputChoices } from '@viatica/core/publish/choices.ts'
import { filesToPublish, type FileToPublish, type HostFile } from '@viatica/core/publish/publication.ts'
import { fontBytes } from '@viatica/fonts/fontFiles.ts'
import type { Knex } from 'knex'
import { Problem } from '../http/problem.ts'
import type { SiteStore } from '../store/siteStore.ts'
import { digestOf } from '@viatica/hosts/look.ts'

/** What a site would publish now. */
export interface Prepared {
  readonly revision: number
  readonly files: readonly HostFile[]
}

/** So many files are kept at once. */
const CHUNK = 100
/** After so many files others have their turn. */
const OTHERS_AFTER = 20

/** Bytes are made once, and only of what is no file of the site: those are kept under the digest of their bytes. */
async function withBytes(
  file: FileToPublish,
  sizes: ReadonlyMap<string, number>,
): Promise<{ readonly is: HostFile; readonly bytes: Uint8Array | undefined }> {
  const { path, role, page } = file
  if ('content' in file) {
    const is = { path, role, page, digest: file.content, size: sizes.get(file.content) ?? 0 }
    return { is, bytes: undefined }
  }
  const bytes = 'text' in file ? bytesOfText(file) : await fontBytes(file.font)
  return { is: { path, role, page, digest: digestOf(bytes), size: bytes.length }, bytes }
}

/** Keeps the bytes of files for a publication, and that it has them. Those that are there already are not sent again. */
async function keep(
  database: Knex,
  publication: string,
  files: readonly { readonly is: HostFile; readonly bytes: Uint8Array | undefined }[],
): Promise<void> {
  await database.transaction(async (trx) => {
    const keys = [...new Set(files.map(({ is }) => is.digest))]
    const { rows } = await trx.raw<{ rows: { key: string }[] }>(
      'update contents set kept_at = now() where key = any(?::text[]) returning key',
      [keys],
    )
    const there = new Set(rows.map(({ key }) => key))
    const fresh = new Map(
      files.flatMap(({ is, bytes }) => (bytes && !there.has(is.digest) ? [[is.digest, bytes] as const] : [])),
    )
    if (fresh.size > 0)
      await trx('contents')
        .insert(
          [...fresh].map(([key, bytes]) => ({
            ...{ key, bytes: Buffer.from(bytes), size: bytes.length },
            is_file: false,
          })),
        )
        .onConflict('key')
        .ignore()
    await trx('publication_files').insert(
      files.map(({ is: { path, digest, size, role, page } }) => ({
        publication_id: publication,
        ...{ path, digest, size, role, page },
      })),
    )
  })
}

/** Told of how far the work is; it gives back whether to go on. */
export type Preparing = (files: number, allFiles: number) => boolean

/**
 * Works out every file of a publication of a site as it is now.
 * @param keepFor the publication for which all bytes are kept; undefined where only their digests are asked for
 * @param tell called before each file
 * @throws Problem where it is not to go on
 */
export async function prepare(
  database: Knex,
  store: SiteStore,
  {
    site: id,
    year,
    choices,
    keepFor,
  }: { site: string; year: number; choices: OutputChoices; keepFor: string | undefined },
  tell: Preparing,
): Promise<Prepared> {
  const { site, revision } = await store.sites.read(id)
  const sizes = new Map([...site.files.values()].map(({ content, size }) => [content, size]))
  const files: HostFile[] = []
  let chunk: Awaited<ReturnType<typeof withBytes>>[] = []
  const flush = async () => {
    if (keepFor !== undefined && chunk.length > 0) await keep(database, keepFor, chunk)
    chunk = []
  }
  const all = [...filesToPublish(site, year, choices)]
  for (const file of all) {
    // Whether to go on is heard between two turns.
    if (files.length % OTHERS_AFTER === 0) await immediate()
    if (!tell(files.length, all.length)) throw new Problem(409, 'Stopped', 'The publication was stopped.')
    const made = await withBytes(file, sizes)
    files.push(made.is)
    if (keepFor === undefined) continue
    chunk.push(made)
    if (chunk.length === CHUNK) await flush()
  }
  await flush()
  return { revision, files }
}
