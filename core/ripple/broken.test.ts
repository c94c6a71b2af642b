import fc from 'fast-check'
import { applyChange } from '../plan/change/apply.ts'
import { isWritten, type Site } from '../plan/site.ts'
import { createRenderer } from '../render/renderer.ts'
import { arbitrarySite } from '../testing/arbitrarySite.ts'
import { attribute, isInside, readPage } from '../testing/readPage.ts'
import { linksBroken } from './broken.ts'
import { YEAR } from '../testing/year.ts'

/** The pages of a site whose finished main content has a link without a target. */
function pagesWithDeadLinks(site: Site): Set<string> {
  const renderer = createRenderer(site, YEAR)
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
