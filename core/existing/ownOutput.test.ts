import fc from 'fast-check'
import { addressesOf } from '../address/addresses.ts'
import { outputFiles } from '../formats/archive.ts'
import { bytesOfText } from '../formats/textBytes.ts'
import { readingOrder } from '../navigate/readingOrder.ts'
import { labelOf } from '../plan/entry.ts'
import { newPage } from '../plan/newEntry.ts'
import { type Branch, planOfBranch } from '../plan/branch.ts'
import { type Site, siteWith } from '../plan/site.ts'
import { arbitraryHandSite, type HandSite } from '../testing/handMade.ts'
import { YEAR } from '../testing/year.ts'
import { bring } from './bring.ts'

/** Sites that Viatica wrote itself, from a plan that is known; and a manual that says in its heads how it hangs together. */

const layouts = fc.record({
  layout: fc.constantFrom('flat', 'nested', 'folders'),
  carrySection: fc.boolean(),
  separator: fc.constantFrom('-', '_'),
  extension: fc.constantFrom('.html', '.htm'),
  namesIndex: fc.boolean(),
  titlePattern: fc.constantFrom('{title} · {site}', '{site}: {title}', '{title}'),
} as const)

function siteOf({ pages }: HandSite, settings: Partial<Site['settings']>): Site {
  const branchOf = (path: string): Branch => {
    const at = pages.findIndex((page) => page.path === path)
    const { title, label, content } = pages[at]!
    const page = newPage(`p${at}`, title, { label, state: 'ready', body: { html: content, changed: '' } })
    return {
      ...page,
      entries: pages.filter(({ parent }) => parent === path).map((one) => branchOf(one.path)),
    }
  }
  // A home page that is called as the site would not say its own title.
  const homeTitlePattern = settings.titlePattern!
  return siteWith(
    { name: 'Mill Lane Gardens', ...settings, homeTitlePattern },
    planOfBranch(branchOf(pages[0]!.path)),
  )
}

test('the plan that a site was written from is found again in it', () => {
  fc.assert(
    fc.property(arbitraryHandSite, layouts, (hand, settings) => {
      const site = siteOf(hand, settings)
      const files = [...outputFiles(site, YEAR)].map((file) => ({
        path: file.path,
        bytes: 'text' in file ? bytesOfText(file) : new Uint8Array([0]),
      }))
      const { site: again, report } = bring(files)
      const { paths } = addressesOf(site)
      const pages = [...site.plan.entries.values()]
      const parents = new Map(report.pages.map(({ path, parent }) => [path, parent]))
      for (const { id } of pages) {
        const parent = site.plan.parents.get(id)
        expect(parents.get(paths.get(id)!)).toBe(parent === undefined ? null : paths.get(parent))
      }
      const named = new Map(report.pages.map(({ path, title, label }) => [path, `${title} / ${label}`]))
      for (const page of pages)
        if (page.kind === 'page')
          expect(named.get(paths.get(page.id)!)).toBe(`${page.title} / ${labelOf(page)}`)
      expect(report.order).toEqual(readingOrder(site).map((id) => paths.get(id)))
      expect(report.drift).toEqual([])
      const written = new Map([...outputFiles(again, YEAR)].map((file) => [file.path, file]))
      for (const { path, bytes } of files) {
        const file = written.get(path)
        if (file && 'text' in file) expect(Buffer.from(bytesOfText(file)).equals(bytes)).toBe(true)
        else expect(path).toMatch(/\.(css|js|woff2)$/)
      }
    }),
    { numRuns: 40 },
  )
})
