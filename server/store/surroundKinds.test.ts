import { createHash, randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { outputFiles } from '@viatica/core/formats/archive.ts'
import { readSiteFile, writeSiteFile } from '@viatica/core/formats/siteFile.ts'
import { bytesOfText } from '@viatica/core/formats/textBytes.ts'
import { applyChange } from '@viatica/core/plan/change/apply.ts'
import type { Site } from '@viatica/core/plan/site.ts'
import { piecesInstead } from '@viatica/core/shape/toPieces.ts'
import type { Knex } from 'knex'
import pg from 'pg'
import { makeDatabase, type TestDatabase } from '../testing/database.ts'
import { migrate, openDatabase } from './database.ts'
import * as surroundKinds from './migrations/021_surround_kinds.ts'
import { SiteStore } from './siteStore.ts'

/** A database, and the site files of its three sites, as the version before two kinds of surround wrote them. */
const KEPT = new URL('../testing/version2/', import.meta.url)
const kept = (name: string) => readFileSync(new URL(name, KEPT), 'utf8')
const { ids, outputs } = JSON.parse(kept('outputs.json')) as {
  ids: Record<string, string>
  outputs: Record<string, Record<string, string>>
}
const NAMES = ['pieces', 'imported', 'turned'] as const
/** When the outputs were written. */
const YEAR = 2026

/** A digest of every page and text, the key of the bytes of a file, or the name of a font: by path. */
const outputOf = (site: Site): Record<string, string> =>
  Object.fromEntries(
    [...outputFiles(site, YEAR)].map((file) => {
      if ('content' in file) return [file.path, file.content]
      if ('font' in file) return [file.path, `font ${file.font}`]
      return [file.path, createHash('sha256').update(bytesOfText(file)).digest('hex')]
    }),
  )

let made: TestDatabase
let database: Knex
let store: SiteStore
beforeAll(async () => {
  made = await makeDatabase()
  const client = new pg.Client(made.url)
  await client.connect()
  await client.query(kept('sites.sql'))
  await client.end()
  database = openDatabase(made.url)
  await migrate(database)
  store = new SiteStore(database, () => Promise.resolve())
})
afterAll(async () => {
  await database.destroy()
  await made.drop()
})

describe.each(NAMES)('a site of the version before: %s', (name) => {
  test('comes out of the database as it came out then, to the byte', async () => {
    const { site } = await store.sites.read(ids[name]!)
    expect(site.surround.kind).toBe(name === 'pieces' ? 'pieces' : 'templates')
    expect(outputOf(site)).toEqual(outputs[name])
  })

  test('comes out of its site file as it came out then, and is written as files are now', () => {
    const { site, contents } = readSiteFile(kept(`${name}.json`))
    expect(outputOf(site)).toEqual(outputs[name])
    const text = writeSiteFile(site, contents)
    expect(text).toContain('"version": 3')
    const again = readSiteFile(text)
    expect(again.site).toEqual(site)
    expect(writeSiteFile(again.site, contents)).toBe(text)
  })

  test('is the same from both', async () => {
    const { site } = readSiteFile(kept(`${name}.json`))
    expect((await store.sites.read(ids[name]!)).site).toEqual(site)
  })

  test('can be restored at every point of its history, and is itself again at the last', async () => {
    const id = ids[name]!
    const last = (await store.sites.read(id)).revision
    for (const to of [...Array.from({ length: last }, (_, at) => at), last]) {
      const { revision } = await store.sites.read(id)
      await store.edits.restore(id, { id: randomUUID(), base: revision }, to, 'Restored')
    }
    expect(outputOf((await store.sites.read(id)).site)).toEqual(outputs[name])
  })
})

test('pieces that templates replaced come back with their rules', async () => {
  const then = readSiteFile(kept('pieces.json')).site
  const { site } = await store.sites.read(ids['turned']!)
  const back = applyChange(site, { kind: 'batch', changes: piecesInstead(site) }).site
  expect(back.surround).toMatchObject({
    kind: 'pieces',
    look: { size: 19, textFont: 'literata' },
    here: { form: 'text', bodyId: true },
    headFiles: { ourStyles: true, ourScript: true },
    order: then.surround.order,
    words: then.surround.words,
  })
})

test('the way back to earlier versions and again here changes no site', async () => {
  const all = async () => {
    const fresh = new SiteStore(database, () => Promise.resolve())
    return Promise.all(NAMES.map(async (name) => (await fresh.sites.read(ids[name]!)).site))
  }
  const before = await all()
  await surroundKinds.down(database)
  const rows = (await database('sites').select('surround')) as { surround: Record<string, unknown> }[]
  for (const { surround } of rows) {
    expect(surround).toHaveProperty('places')
    expect(surround).toHaveProperty('templates')
    expect(surround).not.toHaveProperty('kind')
  }
  await surroundKinds.up(database)
  expect(await all()).toEqual(before)
})
