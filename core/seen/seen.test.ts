import { piecesOf } from '../plan/surround/surround.ts'
import fc from 'fast-check'
import { applyChange } from '../plan/change/apply.ts'
import type { Change } from '../plan/change/change.ts'
import { ChangeRefused } from '../plan/change/refused.ts'
import { newPage } from '../plan/newEntry.ts'
import { isWritten, newSite, type Site } from '../plan/site.ts'
import { createPageWriter } from '../render/pageWriter.ts'
import { arbitraryPick, arbitrarySite, changeOfPick } from '../testing/arbitrarySite.ts'
import { YEAR } from '../testing/year.ts'
import { createMarker, sights } from './seen.ts'

function threePages(): Site {
  const branches = ['One', 'Two'].map((title) => ({
    ...newPage(title.toLowerCase(), title, { state: 'ready' }),
    body: { html: `<p>This is page ${title}.</p>`, changed: '' },
    entries: [],
  }))
  return applyChange(newSite('Three', 'home'), { kind: 'add', parent: 'home', place: 0, branches }).site
}

const after = (site: Site, ...changes: Change[]) =>
  changes.reduce((now, change) => applyChange(now, change).site, site)

/** The site with pages ticked as seen. */
function ticked(site: Site, ...pages: string[]): Site {
  const marksOf = createMarker(site, YEAR)
  const tick = (entry: string): Change => {
    const value = { on: '2026-05-01', marks: marksOf(entry) }
    return { kind: 'setEntry', entry, field: 'seen', value }
  }
  return after(site, ...pages.map(tick))
}
const tickedAll = (site: Site) => ticked(site, ...[...sights(site, YEAR)].map(({ page }) => page))

const statesOf = (site: Site) => [...sights(site, YEAR)].map(({ state }) => state)
const reasonsOf = (site: Site) => [...sights(site, YEAR)].map(({ reasons }) => reasons)

test('a page is unseen until it is ticked, and its tick falls with the reason when it comes out otherwise', () => {
  const site = threePages()
  expect(statesOf(site)).toEqual(['unseen', 'unseen', 'unseen'])
  const one = ticked(site, 'one')
  expect(statesOf(one)).toEqual(['unseen', 'seen', 'unseen'])
  const value = { html: '<p>This is another text.</p>', changed: '' }
  const body: Change = { kind: 'setEntry', entry: 'one', field: 'body', value }
  expect(reasonsOf(after(one, body))).toEqual([[], ['main content'], []])
  // As it was again: what was looked at is what stands there.
  expect(statesOf(after(one, body, applyChange(one, body).inverse))).toEqual(['unseen', 'seen', 'unseen'])
})

test('a page renamed falls for its title, and others for their menu and their pager', () => {
  const site = after(tickedAll(threePages()), {
    kind: 'setEntry',
    entry: 'two',
    field: 'title',
    value: 'Three',
  })
  const [home, one, two] = reasonsOf(site)
  expect(home).toEqual(['menu'])
  expect(one).toEqual(['menu', 'pager'])
  expect(two).toEqual(expect.arrayContaining(['title', 'menu', 'breadcrumb', 'heading']))
})

test('what visitors do not get lets no tick fall', () => {
  const site = after(
    tickedAll(threePages()),
    { kind: 'setEntry', entry: 'one', field: 'note', value: 'Ask about the date.' },
    { kind: 'setSite', field: 'setAside', value: [{ key: 'a', reason: 'b' }] },
  )
  expect(statesOf(site)).toEqual(['seen', 'seen', 'seen'])
})

test('colours are looked at on every page; a picture with other bytes only where it stands', () => {
  const file = { id: 'gate', path: 'art/gate one.svg', content: 'a'.repeat(64), size: 9, alt: '' }
  const html = '<p><img src="site-file:gate" alt="A gate"></p>'
  const site = after(
    threePages(),
    { kind: 'addFile', file },
    { kind: 'setEntry', entry: 'one', field: 'body', value: { html, changed: '' } },
  )
  const all = tickedAll(site)
  const replaced = { ...file, content: 'b'.repeat(64) }
  expect(reasonsOf(after(all, { kind: 'setFile', file: replaced }))).toEqual([[], ['pictures and files'], []])
  const look = { ...piecesOf(site.surround).look, size: 18 as const }
  expect(reasonsOf(after(all, { kind: 'setSurround', field: 'look', value: look }))).toEqual(
    Array(3).fill(['style sheet']),
  )
})

test('after any edits a tick stands just where the file of the page is the same', () => {
  fc.assert(
    fc.property(arbitrarySite(10), fc.array(arbitraryPick, { maxLength: 4 }), (site, picks) => {
      const before = tickedAll(site)
      const now = picks.reduce((at, pick, fresh) => {
        try {
          return applyChange(at, changeOfPick(at.plan, pick, fresh)).site
        } catch (error) {
          if (!(error instanceof ChangeRefused)) throw error
          return at
        }
      }, before)
      const [was, is] = [createPageWriter(before, YEAR), createPageWriter(now, YEAR)]
      for (const { page, state, reasons } of sights(now, YEAR)) {
        if (state === 'unseen' || !isWritten(before, before.plan.entries.get(page))) continue
        const isSame = was.page(page) === is.page(page)
        // Bytes of files and the style sheet change what is seen without changing the page.
        const others = reasons.filter((reason) => reason !== 'pictures and files' && reason !== 'style sheet')
        expect([page, others.length > 0]).toEqual([page, !isSame])
      }
    }),
    { numRuns: 80 },
  )
})
