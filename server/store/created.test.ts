import { toSiteData } from '@viatica/core/plan/siteData.ts'
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
      const id = await server.store.create({ ...site, files }, contents)
      const other = new SiteStore(server.database, () => Promise.resolve())
      const [remembered, read] = [await server.store.read(id), await other.read(id)]
      expect(remembered.revision).toBe(read.revision)
      expect(remembered.stamp).toBe(read.stamp)
      const text = (of: typeof read) => JSON.stringify(toSiteData(of.site))
      expect(JSON.parse(text(remembered))).toEqual(JSON.parse(text(read)))
      expect([...remembered.site.files.keys()]).toEqual([...read.site.files.keys()])
    }),
    { numRuns: 60 },
  )
})
