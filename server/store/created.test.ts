import { toSiteData } from '@viatica/core/plan/siteData.ts'
import { randomUUID } from 'node:crypto'
import { ChangeRefused } from '@viatica/core/plan/change/refused.ts'
import { anyChange, arbitraryDraws, arbitraryStart } from '@viatica/core/testing/arbitraryChange.ts'
import { arbitrarySite } from '@viatica/core/testing/arbitrarySite.ts'
import { arbitrarySurround } from '@viatica/core/testing/arbitrarySurround.ts'
import fc from 'fast-check'
import { serve, type Serving } from '../testing/serve.ts'
import { SiteStore } from './siteStore.ts'

let server: Serving
beforeAll(async () => {
  server = await serve()
})
afterAll(() => server.stop())

test('a site that was just stored is what another server reads of it, in the same order', async () => {
  await fc.assert(
    fc.asyncProperty(arbitrarySite(12, arbitrarySurround), async (site) => {
      const bytes = Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"/>')
      const files = new Map([...site.files].map(([id, file]) => [id, { ...file, path: `${id}.svg` }]))
      const contents = new Map([...files.values()].map(({ content }) => [content, bytes]))
      const id = await server.store.sites.create({ ...site, files }, contents)
      const other = new SiteStore(server.database, () => Promise.resolve())
      const [remembered, read] = [await server.store.sites.read(id), await other.sites.read(id)]
      expect(remembered.revision).toBe(read.revision)
      expect(remembered.stamp).toBe(read.stamp)
      const text = (of: typeof read) => JSON.stringify(toSiteData(of.site))
      expect(JSON.parse(text(remembered))).toEqual(JSON.parse(text(read)))
      expect([...remembered.site.files.keys()]).toEqual([...read.site.files.keys()])
    }),
    { numRuns: 60 },
  )
})

test('a server that remembers an earlier revision catches up to what one reads that remembers nothing', async () => {
  await server.keepTestContents()
  let caughtUp = 0
  await fc.assert(
    fc.asyncProperty(arbitraryStart(8), fc.array(arbitraryDraws, { maxLength: 8 }), async (start, draws) => {
      const files = new Map([...start.files].map(([id, file]) => [id, { ...file, content: 'k1', size: 2 }]))
      const id = await server.store.sites.create({ ...start, files }, new Map())
      const other = new SiteStore(server.database, () => Promise.resolve())
      let last: string | undefined
      for (const [at, one] of draws.entries()) {
        if (at % 3 === 0) await other.sites.read(id)
        const { site, revision, stamp } = await server.store.sites.read(id)
        const edit = randomUUID()
        try {
          const change = anyChange(site, one, at)
          await server.store.edits.change(id, {
            id: edit,
            base: revision,
            stamp: stamp ?? undefined,
            change,
            continues: last,
          })
          last = edit
          caughtUp++
        } catch (error) {
          expect(error).toBeInstanceOf(ChangeRefused)
        }
      }
      const [remembered, read] = [
        await other.sites.read(id),
        await new SiteStore(server.database, () => Promise.resolve()).sites.read(id),
      ]
      expect([remembered.revision, remembered.stamp]).toEqual([read.revision, read.stamp])
      expect(toSiteData(remembered.site)).toEqual(toSiteData(read.site))
    }),
    { numRuns: 60 },
  )
  expect(caughtUp).toBeGreaterThan(60)
})
