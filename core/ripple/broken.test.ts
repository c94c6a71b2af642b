import fc from 'fast-check'
import { addressesOf } from '../address/addresses.ts'
import { folderOf, relativeHref } from '../address/relative.ts'
import { bring } from '../existing/bring.ts'
import { removeAll } from '../shape/shape.ts'
import { arbitraryHandSite, handFiles } from '../testing/handMade.ts'
import { applyChange } from '../plan/change/apply.ts'
import { isWritten, type Site } from '../plan/site.ts'
import { createPageWriter } from '../render/pageWriter.ts'
import { arbitrarySite } from '../testing/arbitrarySite.ts'
import { attribute, isInside, readPage } from '../testing/readPage.ts'
import { type BrokenLink, linksBroken } from './broken.ts'
import { YEAR } from '../testing/year.ts'

/** The pages of a site whose finished main content has a link without a target. */
function pagesWithDeadLinks(site: Site): Set<string> {
  const renderer = createPageWriter(site, YEAR)
  const dead = new Set<string>()
  for (const entry of site.plan.entries.values()) {
    if (!isWritten(site, entry)) continue
    const links = readPage(renderer.page(entry.id)).all('a')
    if (links.some((link) => isInside(link, 'main') && attribute(link, 'href') === undefined))
      dead.add(entry.id)
  }
  return dead
}

test('the links that a removal breaks are those that have no target on the finished pages', () => {
  fc.assert(
    fc.property(arbitrarySite(14), fc.nat(), (before, pick) => {
      const ids = [...before.plan.entries.keys()].filter((id) => id !== before.plan.home)
      if (ids.length === 0) return
      const after = applyChange(before, { kind: 'remove', entries: [ids[pick % ids.length]!] }).site
      const broken = linksBroken(before, after).filter(({ kind }) => kind === 'text')
      const was = pagesWithDeadLinks(before)
      const is = [...pagesWithDeadLinks(after)].filter((id) => !was.has(id))
      expect([...new Set(broken.map(({ from }) => from))].sort()).toEqual(is.sort())
      for (const { to } of broken) expect(isWritten(after, after.plan.entries.get(to))).toBe(false)
    }),
  )
})

test('of existing pages, every page that still links to a removed one is named, or its template is', () => {
  let met = 0
  fc.assert(
    fc.property(arbitraryHandSite, fc.nat(), (hand, pick) => {
      // A line at the foot of each page that links to one of them, as its author copies it.
      const linked = handFiles(hand).filter(({ path }) => path.endsWith('.html'))[pick % 3]?.path ?? ''
      const foot = (path: string) => `<p>See <a href="${relativeHref(folderOf(path), linked)}">this</a></p>`
      const files = handFiles(hand).map(({ path, bytes }) => ({
        path,
        bytes: Buffer.from(
          Buffer.from(bytes)
            .toString('latin1')
            .replace(/<\/body>/i, (end) => foot(path) + end),
          'latin1',
        ),
      }))
      const { site } = bring(files)
      const ids = [...site.plan.entries.keys()].filter((id) => id !== site.plan.home)
      if (ids.length === 0) return
      const id = ids.find((one) => addressesOf(site).paths.get(one) === linked) ?? ids[0]!
      const path = addressesOf(site).paths.get(id)!
      const { site: after } = applyChange(site, removeAll(site, [id], 'move-up')!)
      const broken = linksBroken(site, after)
      const renderer = createPageWriter(after, YEAR)
      for (const entry of after.plan.entries.values()) {
        if (!isWritten(after, entry)) continue
        const at = `https://host.example/${addressesOf(after).paths.get(entry.id)!}`
        const leads = readPage(renderer.page(entry.id))
          .all('a')
          .some(
            (link) =>
              new URL(attribute(link, 'href') ?? '', at).pathname ===
              new URL(path, 'https://host.example/').pathname,
          )
        if (!leads) continue
        met++
        const isNamed = ({ from, kind }: BrokenLink) => from === entry.id || kind === 'surround'
        expect(broken.some((one) => one.to === id && isNamed(one))).toBe(true)
      }
    }),
    { numRuns: 60 },
  )
  expect(met).toBeGreaterThan(0)
})
