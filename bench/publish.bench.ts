import { bytesOfText } from '@viatica/core/formats/textBytes.ts'
import { planOfBranch } from '@viatica/core/plan/branch.ts'
import { applyChange } from '@viatica/core/plan/change/apply.ts'
import type { Change } from '@viatica/core/plan/change/change.ts'
import { walk } from '@viatica/core/plan/plan.ts'
import { isWritten, type Site, siteWith } from '@viatica/core/plan/site.ts'
import { USUAL_CHOICES } from '@viatica/core/publish/choices.ts'
import { differenceOf } from '@viatica/core/publish/difference.ts'
import { filesToPublish, type HostFile } from '@viatica/core/publish/publication.ts'
import { createPageWriter } from '@viatica/core/render/pageWriter.ts'
import { fontBytes } from '@viatica/fonts/fontFiles.ts'
import { digestOf } from '@viatica/hosts/look.ts'
import { send } from '@viatica/hosts/send.ts'
import { MemoryHost } from '@viatica/hosts/testing/memoryHost.ts'
import { MemoryRecord } from '@viatica/hosts/testing/memoryRecord.ts'
import { makeBranch } from './makeBranch.ts'

/**
 * What goes over the wire when a site of 2,000 pages is published after one edit, beside a copy of all of it; and how long
 * it takes to work out what changes, beside rendering the same pages (budget: three times).
 */

const PAGES = 2000
const YEAR = 2026

interface Publication {
  readonly files: readonly HostFile[]
  readonly bytes: ReadonlyMap<string, Uint8Array>
}

function publicationOf(site: Site): Publication {
  const bytes = new Map<string, Uint8Array>()
  const files: HostFile[] = []
  for (const file of filesToPublish(site, YEAR, USUAL_CHOICES)) {
    const own = 'text' in file ? bytesOfText(file) : 'font' in file ? fontBytes(file.font) : new Uint8Array()
    const digest = digestOf(own)
    bytes.set(digest, own)
    files.push({ path: file.path, digest, size: own.length, role: file.role, page: file.page })
  }
  return { files, bytes }
}

async function publish(host: MemoryHost, record: MemoryRecord, { files, bytes }: Publication) {
  const before = host.operations
  const sent = await send({
    ...{ connection: host.connect(), record, wanted: files, letGo: new Map(), token: 'bench' },
    bytesOf: ({ digest }) => Promise.resolve(bytes.get(digest)!),
    signal: new AbortController().signal,
    tell: () => undefined,
  })
  return { ...sent, operations: host.operations - before }
}

const site = siteWith({ name: 'Benchmark', layout: 'nested' }, planOfBranch(makeBranch(PAGES)))
const pages = [...walk(site.plan)].flatMap(({ entry }) => (isWritten(site, entry) ? [entry.id] : []))
const last = pages.at(-1)!
const first = pages[1]!
const set = (entry: string, field: string, value: string) =>
  ({ kind: 'setEntry', entry, field, value }) as Change
const publication = publicationOf(site)

console.log(`${PAGES} pages, published after one edit`)
console.log(`  ${''.padEnd(34)}${'files'.padStart(8)}${'kB'.padStart(10)}${'operations'.padStart(12)}`)
const row = (name: string, { put, bytes, operations }: Awaited<ReturnType<typeof publish>>) =>
  console.log(
    `  ${name.padEnd(34)}${String(put).padStart(8)}${(bytes / 1000).toFixed(0).padStart(10)}${String(operations).padStart(12)}`,
  )
const host = new MemoryHost()
const record = new MemoryRecord()
row('a copy of all', await publish(host, record, publication))
for (const [name, change] of [
  ['nothing', undefined],
  ['the description of one page', set(last, 'description', 'Another description.')],
  ['the label of a page in every menu', set(first, 'label', 'Another label')],
] as const) {
  await publish(host, record, publication)
  row(name, await publish(host, record, change ? publicationOf(applyChange(site, change).site) : publication))
}

/** The fastest of a few runs, in milliseconds. */
function timed(work: () => void): number {
  const times = Array.from({ length: 5 }, () => {
    const start = performance.now()
    work()
    return performance.now() - start
  })
  return Math.min(...times)
}
const rendering = timed(() => {
  const renderer = createPageWriter({ ...site }, YEAR)
  for (const id of pages) renderer.page(id)
})
const working = timed(() => differenceOf(publication.files, publicationOf({ ...site }).files))
console.log(
  `working out what changes: ${working.toFixed(0)} ms, rendering the same pages ${rendering.toFixed(0)} ms: ` +
    `${(working / rendering).toFixed(2)} times (budget 3)`,
)
