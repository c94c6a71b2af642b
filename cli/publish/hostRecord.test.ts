import { mkdtempSync, readdirSync, readFileSync, rmSync, truncateSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { RecordedFile } from '@viatica/hosts/record.ts'
import fc from 'fast-check'
import { FileRecord } from './hostRecord.ts'

const HOST = 'sftp://someone@www.example.org:22/site'

let folder: string
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'record-'))
})
afterEach(() => rmSync(folder, { recursive: true }))

const file = () =>
  join(
    folder,
    readdirSync(folder).find((name) => name.endsWith('.jsonl'))!,
  )

/** All that may happen on a host, with any names. */
const path = fc.oneof(
  fc.constantFrom('a.html', 'b.html'),
  fc.string({ unit: 'binary', minLength: 1, maxLength: 12 }),
)
const digest = fc.constantFrom('1f', '2e', '3d')
const happening = fc.oneof(
  fc.record({ kind: fc.constant('intend' as const), path, digest }),
  fc.record({
    kind: fc.constant('put' as const),
    file: fc.record({
      ...{ path, digest, size: fc.nat(), role: fc.constantFrom('page', 'redirect', 'file') },
      page: fc.option(fc.string()),
      seen: fc.record({ size: fc.nat(), modified: fc.integer() }),
    }),
  }),
  fc.record({ kind: fc.constant('removed' as const), path }),
  fc.record({ kind: fc.constant('kept' as const), path, digest }),
  // A publication ends, and another begins.
  fc.record({ kind: fc.constant('again' as const) }),
)

const stateOf = async (record: FileRecord) => ({
  files: new Map((await record.files()).map((one) => [one.path, one])),
  intended: await record.intended(),
  token: record.token,
})

test('whatever happens on a host is known again, also where the last line was cut off anywhere', async () => {
  await fc.assert(
    fc.asyncProperty(fc.array(happening, { maxLength: 60 }), fc.nat(), async (happenings, cut) => {
      for (const name of readdirSync(folder)) rmSync(join(folder, name), { recursive: true })
      let record = new FileRecord(folder, HOST)
      const files = new Map<string, RecordedFile>()
      const intended = new Map<string, string>()
      const { token } = record
      let before = await stateOf(record)
      let size = 0
      for (const one of happenings) {
        before = await stateOf(record)
        size = readFileSync(file()).length
        switch (one.kind) {
          case 'intend':
            await record.intend(one.path, one.digest)
            intended.set(one.path, one.digest)
            break
          case 'put':
            await record.put(one.file as RecordedFile)
            files.set(one.file.path, one.file as RecordedFile)
            intended.delete(one.file.path)
            break
          case 'removed':
            await record.removed(one.path)
            files.delete(one.path)
            intended.delete(one.path)
            break
          case 'kept':
            await record.keepAside(one.path, one.digest, Buffer.from(one.digest))
            expect(readFileSync(record.keptAt(one.digest), 'utf8')).toBe(one.digest)
            break
          case 'again':
            record.close()
            record = new FileRecord(folder, HOST)
        }
        expect(await stateOf(record)).toEqual({ files, intended, token })
      }
      record.close()
      const whole = readFileSync(file())
      if (whole.length > size + 1) {
        // The machine went off in the midst of the last line.
        truncateSync(file(), size + (cut % (whole.length - size)))
        record = new FileRecord(folder, HOST)
        if (size > 0) expect(await stateOf(record)).toEqual(before)
        record.close()
        writeFileSync(file(), whole)
      }
      record = new FileRecord(folder, HOST)
      expect(await stateOf(record)).toEqual({ files, intended, token })
      record.close()
    }),
    { numRuns: 60 },
  )
})

test('what was done a thousand times is not kept a thousand times', async () => {
  let record = new FileRecord(folder, HOST)
  for (let n = 0; n < 1000; n++) await record.intend('a.html', String(n))
  record.close()
  record = new FileRecord(folder, HOST)
  expect((await record.intended()).get('a.html')).toBe('999')
  expect(readFileSync(file(), 'utf8').split('\n').length).toBeLessThan(10)
  record.close()
})

test('a trial writes nothing; hosts of the same file are told apart; one publishes at a time', () => {
  new FileRecord(join(folder, 'none'), HOST, true).close()
  expect(readdirSync(folder)).toEqual([])
  const one = new FileRecord(folder, HOST)
  const other = new FileRecord(folder, `${HOST}2`)
  expect(one.token).not.toBe(other.token)
  // Of another process that runs: the one that runs this test was started by it.
  writeFileSync(
    join(
      folder,
      readdirSync(folder).find((name) => name.endsWith('.lock'))!,
    ),
    String(process.ppid),
  )
  const locked = readdirSync(folder).filter((name) => name.endsWith('.lock'))
  expect(locked).toHaveLength(2)
  const openAll = () => [HOST, `${HOST}2`].map((host) => new FileRecord(folder, host).close())
  expect(openAll).toThrow(/Somebody else is publishing/)
  // Of one that was killed: no process has this number.
  for (const name of locked) writeFileSync(join(folder, name), '4194305')
  expect(openAll).not.toThrow()
})

test('a line that somebody broke is told with its place, and nothing is lost', async () => {
  const record = new FileRecord(folder, HOST)
  await record.intend('a.html', '1f')
  record.close()
  const text = `${readFileSync(file(), 'utf8')}not json\n`
  writeFileSync(file(), text)
  expect(() => new FileRecord(folder, HOST)).toThrow(/line 3 cannot be read/)
  expect(readFileSync(file(), 'utf8')).toBe(text)
  expect(readdirSync(folder).filter((name) => name.endsWith('.lock'))).toEqual([])
})
