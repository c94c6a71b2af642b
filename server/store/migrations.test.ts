import { randomUUID } from 'node:crypto'
import { STANDARD_SURROUND } from '@viatica/core/plan/surround/surround.ts'
import { makeDatabase } from '../testing/database.ts'
import { migrate, openDatabase } from './database.ts'
import { SiteStore } from './siteStore.ts'

test('a site from before the surround had pieces keeps its footer, words and history', async () => {
  const made = await makeDatabase()
  const database = openDatabase(made.url)
  await migrate(database, '002_pins')
  const settings = {
    name: 'Trust',
    menuDepth: 2,
    hereForm: 'text',
    previousWord: 'Back',
    nextWord: 'On',
    footerText: 'Open every day.',
    contact: 'office@example.org',
    copyright: '© 1971–2026 The Trust',
  }
  await database.transaction(async (trx) => {
    await trx('sites').insert({ id: 'old', home_id: 'home', settings: JSON.stringify(settings), revision: 2 })
    await trx('entries').insert({
      ...{ site_id: 'old', id: 'home', kind: 'page', place: 0, title: 'Home', heading: '', description: '' },
      ...{ state: 'ready', in_order: true, body: '' },
    })
    const changes = [
      [
        { kind: 'setSite', field: 'tagline', value: 'New' },
        { kind: 'setSite', field: 'tagline', value: 'Old' },
      ],
      [
        { kind: 'setSite', field: 'menuDepth', value: 2 },
        { kind: 'setSite', field: 'menuDepth', value: 1 },
      ],
    ]
    for (const [at, [change, inverse]] of changes.entries()) {
      await trx('changes').insert({
        ...{ site_id: 'old', revision: at + 1, change_id: randomUUID(), words: 'x' },
        ...{ change: JSON.stringify(change), inverse: JSON.stringify(inverse) },
      })
    }
  })
  await migrate(database)

  const store = new SiteStore(database, () => Promise.resolve())
  const { site } = await store.read('old')
  expect(site.settings).not.toHaveProperty('menuDepth')
  expect(site.surround.menus).toMatchObject([{ id: 'main', depth: 2 }])
  expect(site.surround.here.form).toBe('text')
  expect(site.surround.words).toEqual({ previous: 'Back', next: 'On' })
  expect(site.surround.places.header).toEqual(STANDARD_SURROUND.places.header)
  expect(site.surround.places.footer).toMatchObject([
    { kind: 'text', text: 'Open every day.' },
    { kind: 'contact', lines: 'office@example.org' },
    { kind: 'copyright', from: 1971, holder: 'The Trust' },
  ])
  // The way back leaves out what no site has any more.
  const { change } = await store.wayBack('old', 0)
  expect(change).toMatchObject({ kind: 'restore', settings: { tagline: 'Old' }, entries: [], children: [] })
  await database.destroy()
  await made.drop()
})

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
  expect(rows.map(({ table }) => table)).toEqual(['contents', 'entries', 'files', 'sites'])
  expect(rows.every(({ is_primary }) => is_primary)).toBe(true)
  await database.destroy()
  await made.drop()
})
