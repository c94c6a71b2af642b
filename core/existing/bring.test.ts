import fc from 'fast-check'
import { addressesOf } from '../address/addresses.ts'
import { outputFiles, bytesOfText } from '../formats/archive.ts'
import type { Site } from '../plan/site.ts'
import { arbitraryHandSite, handFiles, orderOf } from '../testing/handMade.ts'
import { YEAR } from '../testing/year.ts'
import { bring, type Brought } from './bring.ts'

/** The finished site as text by path; files as their keys. */
function written(site: Site, contents: Brought['contents']): Map<string, string> {
  const latin = (bytes: Uint8Array) => Buffer.from(bytes).toString('latin1')
  return new Map(
    [...outputFiles(site, YEAR)].map((file) => [
      file.path,
      'text' in file
        ? latin(bytesOfText(file))
        : 'content' in file
          ? latin(contents.get(file.content)!)
          : file.font,
    ]),
  )
}

const filesAsText = (files: readonly { path: string; bytes: Uint8Array }[]) =>
  new Map(files.map(({ path, bytes }) => [path, Buffer.from(bytes).toString('latin1')]))

test('a hand-made site comes back to the byte, and its plan is found', () => {
  fc.assert(
    fc.property(arbitraryHandSite, (site) => {
      const files = handFiles(site)
      const { site: brought, contents, report } = bring(files)
      expect(written(brought, contents)).toEqual(filesAsText(files))
      const parents = new Map(report.pages.map(({ path, parent }) => [path, parent]))
      for (const page of site.pages)
        expect([page.path, parents.get(page.path)]).toEqual([page.path, page.parent ?? null])
      expect(report.drift).toEqual([])
      const labels = new Map(report.pages.map(({ path, label, title }) => [path, { label, title }]))
      for (const { path, title } of site.pages) expect(labels.get(path)!.title).toBe(title)
      if (site.habits.pager !== 'none' || site.habits.headLinks)
        expect(report.order).toEqual(orderOf(site).map(({ path }) => path))
      expect(addressesOf(brought).paths.size).toBe(site.pages.length)
    }),
    { numRuns: 150 },
  )
})
