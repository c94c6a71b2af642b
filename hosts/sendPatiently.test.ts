import type { HostFile } from '@viatica/core/publish/publication.ts'
import type { Connection } from './connection/connection.ts'
import type { HostFault } from './hostFault.ts'
import { digestOf } from './look.ts'
import { type PatientSending, sendPatiently } from './sendPatiently.ts'
import { MemoryHost } from './testing/memoryHost.ts'
import { MemoryRecord } from './testing/memoryRecord.ts'

const bytes = new Map<string, Uint8Array>()
const file = (path: string, text: string, role: HostFile['role'] = 'page'): HostFile => {
  const own = new TextEncoder().encode(text)
  bytes.set(digestOf(own), own)
  return { path, digest: digestOf(own), size: own.length, role, page: null }
}
const PAGES = Array.from({ length: 12 }, (_, n) => file(`page-${n}.html`, `<p>${n}`))

/** A way to a host whose connections break off after so many requests each. */
const broken = (host: MemoryHost, cuts: readonly (number | undefined)[]) => {
  let opened = 0
  return {
    open: (): Promise<Connection> => {
      const after = cuts[Math.min(opened++, cuts.length - 1)]
      return Promise.resolve(host.connect(after === undefined ? undefined : { after, isDone: false }))
    },
    opened: () => opened,
  }
}
const sending = (open: PatientSending['open'], more: Partial<PatientSending> = {}): PatientSending => ({
  open,
  record: new MemoryRecord(),
  wanted: PAGES,
  bytesOf: ({ digest }) => Promise.resolve(bytes.get(digest)!),
  letGo: new Map(),
  token: 'me',
  patienceMs: 0,
  pauseMs: 5,
  signal: new AbortController().signal,
  tell: () => undefined,
  waits: () => undefined,
  ...more,
})

test.each([10, 23, 37])(
  'broken off after %i requests, it goes on, and tells of all that was done',
  async (cut) => {
    const host = new MemoryHost()
    const waits: string[] = []
    const told: string[] = []
    const sent = await sendPatiently(
      sending(broken(host, [cut, undefined]).open, {
        waits: (words) => waits.push(words),
        tell: ({ stage, files, allFiles }) => {
          if (stage === 'sending') told.push(`${files} of ${allFiles}`)
        },
      }),
    )
    expect(sent).toMatchObject({ put: PAGES.length, removed: 0, there: [] })
    expect(sent.bytes).toBe(PAGES.reduce((sum, { size }) => sum + size, 0))
    expect([...host.files.keys()].sort()).toEqual(PAGES.map(({ path }) => path).sort())
    expect(waits.filter(Boolean)).toEqual([expect.stringMatching(/broke off\. It is tried again\.$/)])
    // The count never goes back.
    expect(told.at(-1)).toBe(`${PAGES.length} of ${PAGES.length}`)
    const counts = told.map((one) => Number(one.split(' ')[0]))
    expect(counts).toEqual([...counts].sort((a, b) => a - b))
  },
)

test('a host that lets a little through each time is got on with; one that lets nothing through is given up', async () => {
  const host = new MemoryHost()
  const little = broken(host, [30, 30, 30, 30, 30, 30, 30, 30, undefined])
  // What was put when the answer was lost is found there, and counted for nobody.
  const { put } = await sendPatiently(sending(little.open))
  expect(put).toBeGreaterThan(PAGES.length / 2)
  // A lock of its own is found by the next publication.
  const files = [...host.files.keys()].filter((path) => !path.startsWith('.publishing/'))
  expect(files.sort()).toEqual(PAGES.map(({ path }) => path).sort())
  const nothing = broken(new MemoryHost(), [0])
  const fault = await sendPatiently(sending(nothing.open)).catch((error: unknown) => error as HostFault)
  expect((fault as HostFault).kind).toBe('lost')
  expect(nothing.opened()).toBe(5)
})

test('it is stopped while it waits for somebody else', async () => {
  const host = new MemoryHost()
  const other = host.connect()
  await other.makeFolder('.publishing')
  await other.write('.publishing/since', new TextEncoder().encode(`you ${new Date().toISOString()}`))
  const stop = new AbortController()
  const waits: string[] = []
  const work = sendPatiently(
    sending(broken(host, [undefined]).open, {
      signal: stop.signal,
      waits: (words) => {
        waits.push(words)
        stop.abort(new Error('stopped'))
      },
    }),
  )
  await expect(work).rejects.toThrow()
  expect(waits[0]).toMatch(/^Somebody else is publishing/)
  expect([...host.files.keys()]).toEqual(['.publishing/since'])
})
