import { existsSync, readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import fc from 'fast-check'
import { parse } from 'parse5'
import { addressesOf } from '../address/addresses.ts'
import { outputFiles } from '../formats/archive.ts'
import { bytesOfText } from '../formats/textBytes.ts'
import { readingOrder } from '../navigate/readingOrder.ts'
import { labelOf } from '../plan/entry.ts'
import { newPage } from '../plan/newEntry.ts'
import { type Branch, planOfBranch } from '../plan/branch.ts'
import { type Site, siteWith } from '../plan/site.ts'
import { elementsOf } from '../standard/fragment.ts'
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

/** Debian's package `debian-handbook` (English): 127 pages whose heads say prev, next and up. */
const HANDBOOK = '/usr/share/doc/debian-handbook/html/en-US'

test('the Debian handbook comes back to the byte; parents and order are those that its heads say', () => {
  expect(existsSync(HANDBOOK)).toBe(true)
  const files = readdirSync(HANDBOOK, { recursive: true, encoding: 'utf8', withFileTypes: true })
    .filter((entry) => entry.isFile())
    .map((entry) => join(entry.parentPath, entry.name))
    .map((path) => ({ path: path.slice(HANDBOOK.length + 1), bytes: new Uint8Array(readFileSync(path)) }))
  const { site, contents, report } = bring(files)
  const found = new Map(files.map(({ path, bytes }) => [path, bytes]))
  const written = [...outputFiles(site, YEAR)]
  expect(written.map(({ path }) => path).sort()).toEqual([...found.keys()].sort())
  for (const file of written) {
    const bytes = 'text' in file ? bytesOfText(file) : contents.get('content' in file ? file.content : '')!
    expect(Buffer.from(bytes).equals(found.get(file.path)!)).toBe(true)
  }
  const said = (path: string, rel: string) => {
    const document = parse(new TextDecoder().decode(found.get(path)))
    const link = [...elementsOf(document)].find(
      ({ element }) =>
        element.tagName === 'link' &&
        element.attrs.some(({ name, value }) => name === 'rel' && value === rel),
    )
    return link?.element.attrs.find(({ name }) => name === 'href')?.value
  }
  expect(report.pages).toHaveLength(127)
  for (const { path, parent } of report.pages) if (parent !== null) expect(parent).toBe(said(path, 'up'))
  const order = report.order!
  for (const [at, path] of order.slice(0, -1).entries()) expect(order[at + 1]).toBe(said(path, 'next'))
})
