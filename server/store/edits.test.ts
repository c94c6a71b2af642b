import { randomUUID } from 'node:crypto'
import type { Change } from '@viatica/core/plan/change/change.ts'
import { ChangeRefused } from '@viatica/core/plan/change/refused.ts'
import { siteWith } from '@viatica/core/plan/site.ts'
import { planOfBranch } from '@viatica/core/plan/branch.ts'
import { newPage } from '@viatica/core/plan/newEntry.ts'
import { serve, type Serving } from '../testing/serve.ts'
import { Overtaken, UnknownBase, UnknownPoint, UnknownSite } from './faults.ts'

let server: Serving
beforeAll(async () => {
  server = await serve()
})
afterAll(() => server.stop())

const page = (id: string) => ({ ...newPage(id, id), entries: [] })
const create = () =>
  server.store.sites.create(
    siteWith({ name: 'Mill' }, planOfBranch({ ...page('home'), entries: [page('roses')] } as never)),
    new Map(),
  )
const note = (entry: string, value: string): Change => ({ kind: 'setEntry', entry, field: 'note', value })
const edit = (base: number, change: Change, id = randomUUID()) => ({ id, base, change })
const noteIn = async (site: string, entry: string) => {
  const { plan } = (await server.store.sites.read(site)).site
  return (plan.entries.get(entry) as { note: string }).note
}

test('an edit makes a new revision; posted again, it is not made again', async () => {
  const { edits, history } = server.store
  const site = await create()
  const mine = edit(0, note('home', 'mine'))
  expect(await edits.change(site, mine)).toEqual({ revision: 1, missed: [] })
  expect(await edits.change(site, mine)).toEqual({ revision: 1, missed: [] })
  expect(await noteIn(site, 'home')).toBe('mine')
  expect(await history.list(site, 99, 10)).toHaveLength(1)
  expect(await edits.editsMade(site, [mine.id, randomUUID()])).toEqual([{ id: mine.id, revision: 1 }])
})

test('who edits an older revision is told what others made since, and both edits hold', async () => {
  const { edits } = server.store
  const site = await create()
  const theirs = edit(0, note('roses', 'theirs'))
  await edits.change(site, theirs)
  const { revision, missed } = await edits.change(site, edit(0, note('home', 'mine')))
  expect(revision).toBe(2)
  expect(missed).toMatchObject([{ revision: 1, id: theirs.id, change: theirs.change }])
  expect([await noteIn(site, 'home'), await noteIn(site, 'roses')]).toEqual(['mine', 'theirs'])
  expect((await edits.changesAfter(site, 1)).changes).toMatchObject([{ revision: 2 }])
})

test('what makes no sense is refused: as overtaken where somebody was faster; nothing is stored then', async () => {
  const { edits, history } = server.store
  const site = await create()
  await expect(edits.change(site, edit(0, note('gone', 'x')))).rejects.toThrow(ChangeRefused)
  await edits.change(site, edit(0, { kind: 'remove', entries: ['roses'] }))
  await expect(edits.change(site, edit(0, note('roses', 'x')))).rejects.toThrow(Overtaken)
  await expect(edits.change(site, edit(9, note('home', 'x')))).rejects.toThrow(UnknownBase)
  await expect(edits.change('ffffffffffffffff', edit(0, note('home', 'x')))).rejects.toThrow(UnknownSite)
  expect((await server.store.sites.read(site)).revision).toBe(1)
  expect(await history.list(site, 99, 10)).toHaveLength(1)
})

test('an earlier revision is restored as one more edit, and the way there can be asked for before', async () => {
  const { edits, history } = server.store
  const site = await create()
  await edits.change(site, edit(0, note('home', 'first')))
  await edits.change(site, edit(1, note('home', 'second')))
  const { change } = await history.wayBack(site, 1)
  expect(change).toBeDefined()
  const restored = await edits.restore(site, { id: randomUUID(), base: 2 }, 1, 'Back')
  expect(restored).toMatchObject({ revision: 3, change: { kind: 'batch', words: 'Back' } })
  expect(await noteIn(site, 'home')).toBe('first')
  await expect(history.wayBack(site, 99)).rejects.toThrow(UnknownPoint)
  // Nothing is different: no edit is made.
  expect(await edits.restore(site, { id: randomUUID(), base: 3 }, 3, 'Back')).toMatchObject({
    revision: 3,
    change: undefined,
  })
})
