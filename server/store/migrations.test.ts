import { makeDatabase } from '../testing/database.ts'
import { migrate, openDatabase } from './database.ts'

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
