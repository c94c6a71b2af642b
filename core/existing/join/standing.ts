import { addressesOf } from '../../address/addresses.ts'
import type { EntryId } from '../../plan/ids.ts'
import { isWritten, type Site, type TemplatesSite } from '../../plan/site.ts'
import { encodeText } from '../../standard/encoding.ts'
import { valueFor } from '../../standard/present.ts'
import { createTemplateWriter } from '../../template/write.ts'
import type { FoundFile } from '../intake/folderFiles.ts'
import type { KnownIds } from '../plan/site.ts'

/** A site as the folder that it is given out as, with the ids of what stands in it. */
export interface Standing {
  /** Its pages, and names of its other files: what these hold is of no use here. */
  readonly files: readonly FoundFile[]
  readonly known: KnownIds
}

const NO_BYTES = new Uint8Array()

/** The pages that are given out, each with its path. */
export function pagesOf(site: Site): [EntryId, string][] {
  const { paths } = addressesOf(site)
  return [...site.plan.entries.values()].flatMap((entry): [EntryId, string][] =>
    entry.kind === 'page' && isWritten(site, entry) ? [[entry.id, valueFor(paths, entry.id)]] : [],
  )
}

/** The ids of what stands at the paths of a site. */
export function knownIds(site: Site): KnownIds {
  return {
    entries: new Map(pagesOf(site).map(([id, path]) => [path, id])),
    files: new Map([...site.files.values()].map(({ id, path }) => [path, id])),
    taken: [...site.plan.entries.keys(), ...site.files.keys()],
  }
}

/** A site of templates as its folder of files. */
export function standingOf(site: TemplatesSite): Standing {
  const pages: FoundFile[] = []
  const parts = new Map<string, FoundFile>()
  const writer = createTemplateWriter(site)
  for (const [id, path] of pagesOf(site))
    pages.push({ path, bytes: encodeText(writer.page(id), writer.makingOf(id).encoding) })
  for (const { path, text, encoding } of writer.includedFiles())
    parts.set(path, { path, bytes: encodeText(text, encoding) })
  const others = [...site.files.values()].map(({ path }) => parts.get(path) ?? { path, bytes: NO_BYTES })
  return { files: [...pages, ...others], known: knownIds(site) }
}
