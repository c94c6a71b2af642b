import fc from 'fast-check'
import { addressesOf } from '../address/addresses.ts'
import { redirectsOf, redirectStarts } from '../address/redirects.ts'
import { bring } from '../existing/bring.ts'
import { applyChange } from '../plan/change/apply.ts'
import { ChangeRefused } from '../plan/change/refused.ts'
import type { SingleChange } from '../plan/change/change.ts'
import { newPage } from '../plan/newEntry.ts'
import { isWritten, newSite, type Site } from '../plan/site.ts'
import { toSiteData } from '../plan/siteData.ts'
import { linksBroken } from '../ripple/broken.ts'
import { nameKey } from '../standard/fileName.ts'
import { elementsOf, parseMainContent, textOf } from '../standard/fragment.ts'
import { arbitraryStart } from '../testing/arbitraryChange.ts'
import { arbitrarySurround } from '../testing/arbitrarySurround.ts'
import { arbitraryHandSite, handFiles } from '../testing/handMade.ts'
import { removalWith, removedBy, type RemovalChoice, successorsOf } from './removal.ts'

/** Sites of both kinds, pages by hand among them. */
const arbitrary = fc.oneof(
  arbitraryStart(10, arbitrarySurround),
  arbitraryHandSite.map((hand) => bring(handFiles(hand)).site),
)
const arbitraryChoice = fc.record({
  under: fc.constantFrom('go-too', 'move-up'),
  links: fc.constantFrom('stay', 'follow', 'text'),
})

/** What readers see of main contents, by page: all that is said, with no mark-up. */
const said = ({ plan }: Site): Map<string, string> =>
  new Map(
    [...plan.entries.values()].flatMap((entry) =>
      entry.kind === 'page'
        ? [
            [
              entry.id,
              parseMainContent(entry.body.html)
                .childNodes.map((node) => textOf(node as never))
                .join(''),
            ],
          ]
        : [],
    ),
  )

/** A site whose home page links to an entry in its text, whatever else it says. */
function linking(site: Site, id: string): Site {
  const home = site.plan.entries.get(site.plan.home)
  if (home?.kind !== 'page') throw new Error('The home page is a page.')
  const html = `${home.body.html}<p>To <a href="entry:${id}#part">that <em>page</em></a>.</p>\n`
  const value = { ...home.body, html }
  return applyChange(site, { kind: 'setEntry', entry: home.id, field: 'body', value }).site
}

test('the chosen fate of links and addresses comes with a removal, and one step takes all of it back', () => {
  const met = { follow: 0, text: 0, redirects: 0 }
  fc.assert(
    fc.property(
      arbitrary,
      arbitraryChoice,
      fc.array(fc.nat(), { minLength: 1, maxLength: 3 }),
      (start, one, picks) => {
        const all = [...start.plan.entries.keys()].filter((id) => id !== start.plan.home)
        if (all.length === 0) return
        const ids = [...new Set(picks.map((pick) => all[pick % all.length]!))]
        const site = linking(start, ids[0]!)
        const gone = removedBy(site, ids, one.under)
        const to = [...site.plan.entries.values()].find(
          (entry) => !gone.has(entry.id) && isWritten(site, entry),
        )?.id
        const choice: RemovalChoice = { ...one, to }
        const change = removalWith(site, ids, choice)!
        let applied
        try {
          applied = applyChange(site, change)
        } catch (error) {
          // What moves up may not fit: then nothing of it is done.
          if (!(error instanceof ChangeRefused)) throw error
          return
        }
        const { site: after, inverse } = applied
        for (const id of gone) expect(after.plan.entries.has(id)).toBe(false)
        expect(toSiteData(applyChange(after, inverse).site)).toEqual(toSiteData(site))
        const broken = linksBroken(site, after).filter((link) => gone.has(link.to))
        const wouldBreak = linksBroken(
          site,
          applyChange(site, removalWith(site, ids, { ...choice, links: 'stay' })!).site,
        )
        if (one.links === 'follow' && to !== undefined) {
          expect(broken).toEqual([])
          met.follow += wouldBreak.length
        }
        if (one.links === 'text') {
          expect(broken.filter(({ kind }) => kind === 'text')).toEqual([])
          const [was, is] = [said(site), said(after)]
          for (const [id, text] of is) expect(text).toBe(was.get(id))
          met.text += wouldBreak.filter(({ kind }) => kind === 'text').length
        }
        if (to === undefined) return
        const redirects = new Map(redirectsOf(after).map((redirect) => [nameKey(redirect.from), redirect]))
        const isFree = redirectStarts(after)
        for (const id of gone) {
          if (!isWritten(site, site.plan.entries.get(id))) continue
          const from = addressesOf(site).paths.get(id)!
          const redirect = redirects.get(nameKey(from))
          // Something else is there now, or the author had redirected the address already.
          const isOwn = site.settings.redirects.some((own) => nameKey(own.from) === nameKey(from))
          if (isOwn || (!redirect && !isFree(from))) continue
          expect(redirect?.to).toEqual({ to: 'entry', entry: to, fragment: '' })
          met.redirects++
        }
      },
    ),
    { numRuns: 150 },
  )
  expect(Math.min(...Object.values(met))).toBeGreaterThan(20)
})

const page = (id: string, title: string, html: string, entries: object[] = []) => ({
  ...newPage(id, title, { state: 'ready', body: { html, changed: '' } }),
  entries,
})
const inn = applyChange(newSite('Inn', 'home'), {
  kind: 'add',
  parent: 'home',
  place: 0,
  branches: [
    page('rooms', 'Rooms', '<p>See <A href="entry:garden#two" class=x>the <b>garden</b> room</a>.</p>', [
      page('garden', 'Garden room', '<p>Out to the <a href="entry:garden">garden</a>.</p>'),
    ]),
    page(
      'old',
      'Garden and room',
      '<p><a href="ENTRY:garden?x=1#y">here</a> <a href="entry:rooms">all</a></p>',
    ),
  ] as never,
}).site

test('links become plain text, and every other byte stays', () => {
  const { site } = applyChange(
    inn,
    removalWith(inn, ['garden'], { under: 'go-too', to: undefined, links: 'text' })!,
  )
  const html = (id: string) => {
    const entry = site.plan.entries.get(id)
    return entry?.kind === 'page' && entry.body.html
  }
  expect(html('rooms')).toBe('<p>See the <b>garden</b> room.</p>')
  expect(html('old')).toBe('<p>here <a href="entry:rooms">all</a></p>')
})

test('links and addresses follow to a page, without the part that it does not have', () => {
  const change = removalWith(inn, ['garden'], { under: 'go-too', to: 'rooms', links: 'follow' })!
  const { site } = applyChange(inn, change)
  const rooms = site.plan.entries.get('rooms')
  expect(rooms?.kind === 'page' && rooms.body.html).toBe(
    '<p>See <A href="entry:rooms" class=x>the <b>garden</b> room</a>.</p>',
  )
  expect(site.settings.redirects).toEqual([
    { from: 'garden-room.html', to: { to: 'entry', entry: 'rooms', fragment: '' } },
  ])
  expect((change as { changes: readonly SingleChange[] }).changes.map(({ kind }) => kind)).toEqual([
    ...['setEntry', 'setEntry', 'remove'],
    'setSite',
  ])
})

test('the page above and one with a like name are proposed', () => {
  expect(successorsOf(inn, new Set(['garden']))).toEqual(['rooms', 'old'])
  expect(successorsOf(inn, new Set(['rooms', 'garden']))).toEqual(['home'])
  expect(successorsOf(inn, new Set())).toEqual([])
})

test('content has no link to a removed page left, whatever stands around it', () => {
  const { site } = applyChange(
    inn,
    removalWith(inn, ['garden'], { under: 'go-too', to: undefined, links: 'text' })!,
  )
  for (const entry of site.plan.entries.values())
    if (entry.kind === 'page')
      for (const { element } of elementsOf(parseMainContent(entry.body.html)))
        expect(element.attrs.map(({ value }) => value).join()).not.toMatch(/entry:garden/i)
})
