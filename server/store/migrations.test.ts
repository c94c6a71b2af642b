import { randomUUID } from 'node:crypto'
import { readdirSync, readFileSync } from 'node:fs'
import pg from 'pg'
import { serve } from '../testing/serve.ts'
import * as pictureSizes from './migrations/019_picture_sizes.ts'
import { makeDatabase } from '../testing/database.ts'
import { migrate, openDatabase } from './database.ts'
import { SiteStore } from './siteStore.ts'

test('only the primary key serves the checks of foreign keys, however little PostgreSQL knows of a table', async () => {
  const made = await makeDatabase()
  const database = openDatabase(made.url)
  await migrate(database)
  const { rows } = await database.raw<{ rows: { table: string; index: string; is_primary: boolean }[] }>(`
    select targets.relname as table, indexes.relname as index, indisprimary as is_primary
    from (select distinct confrelid, confkey from pg_constraint where contype = 'f') keys
    join pg_class targets on targets.oid = keys.confrelid
    join pg_index on indrelid = keys.confrelid and indkey[0] = any(keys.confkey) and indpred is null
    join pg_class indexes on indexes.oid = indexrelid
    order by 1, 2`)
  expect(rows.map(({ table }) => table)).toEqual([
    ...['contents', 'entries', 'files', 'hosts', 'publications', 'sites'],
  ])
  expect(rows.every(({ is_primary }) => is_primary)).toBe(true)
  await database.destroy()
  await made.drop()
})

const DUMPS = new URL('../testing/dumps/', import.meta.url)

/** What the site of every dump had at some revisions: its entries, the home page left out. */
const ALL = ['locks', 'more', 'shop', 'tea', 'visit', 'walks']
const THEN: readonly (readonly [number, readonly string[]])[] = [
  [0, []],
  [1, ALL],
  [2, ALL],
  [3, ALL.filter((id) => id !== 'tea')],
  [4, ['locks', 'more', 'shop', 'walks']],
  [6, ['locks', 'more', 'shop', 'walks']],
  [7, ['locks', 'shop']],
  [199, ['locks', 'shop']],
  [200, ['locks', 'shop']],
  [207, ['locks', 'shop']],
  [208, ['late', 'locks', 'shop']],
  [209, ['shop']],
]

test.each(readdirSync(DUMPS))('every point of the history in %s can be restored', async (dump) => {
  const made = await makeDatabase()
  const client = new pg.Client(made.url)
  await client.connect()
  await client.query(readFileSync(new URL(dump, DUMPS), 'utf8'))
  await client.end()
  const database = openDatabase(made.url)
  try {
    await migrate(database)
    const store = new SiteStore(database, () => Promise.resolve())
    const { id } = (await store.sites.list())[0]!
    const entries = async () =>
      [...(await store.sites.read(id)).site.plan.entries.keys()].filter((one) => one !== 'home').sort()
    expect(await entries()).toEqual(['shop'])
    const expected = new Map(THEN)
    for (let to = 0; to <= 209; to++) {
      const { revision } = await store.sites.read(id)
      await store.edits.restore(id, { id: randomUUID(), base: revision }, to, 'Restored')
      if (expected.has(to)) expect([to, await entries()]).toEqual([to, expected.get(to)])
    }
    const { changes } = await store.edits.changesAfter(id, 0)
    expect(changes).toHaveLength((await store.sites.read(id)).revision)
  } finally {
    await database.destroy()
    await made.drop()
  }
})

test('pictures that are stored get their sizes', async () => {
  const server = await serve()
  const id = await server.demo()
  const sizes = () =>
    server.database('files').where('site_id', id).orderBy('id').select('id', 'path', 'width', 'height')
  const known = (await sizes()) as { path: string; width: number | null }[]
  expect(known.filter(({ width }) => width !== null).length).toBeGreaterThan(3)
  expect(known.filter(({ width, path }) => width === null && /[.](svg|png|jpe?g)$/.test(path))).toEqual([])
  await pictureSizes.down(server.database)
  await pictureSizes.up(server.database)
  expect(await sizes()).toEqual(known)
  expect((await new SiteStore(server.database, () => Promise.resolve()).sites.read(id)).site).toEqual(
    (await server.store.sites.read(id)).site,
  )
  await server.stop()
})
