import fc from 'fast-check'
import { parse } from 'parse5'
import { bring } from '../existing/bring.ts'
import { applyChange } from '../plan/change/apply.ts'
import type { Site } from '../plan/site.ts'
import { nameOf } from '../pointer/attributes.ts'
import { removeAll } from '../shape/shape.ts'
import { elementsOf } from '../standard/fragment.ts'
import { anyChange, arbitraryDraws, arbitraryStart, tried } from '../testing/arbitraryChange.ts'
import { arbitraryHandSite, handFiles } from '../testing/handMade.ts'
import { YEAR } from '../testing/year.ts'
import { outputFiles } from './archive.ts'

/** Attributes that name something to fetch or to go to, listed here once more: HTML, “Attributes” (the index of the standard). */
const REFERENCES = new Set(
  'action background cite data formaction href imagesrcset longdesc poster src srcset style xlink:href'.split(
    ' ',
  ),
)

/** What is written of a site and names something, by where it stands. */
function* referencesOut(site: Site): Generator<{ path: string; name: string; value: string }> {
  for (const file of outputFiles(site, YEAR)) {
    if (!('text' in file) || !/\.(?:html?|php|shtml)$/.test(file.path)) continue
    for (const { element } of elementsOf(parse(file.text())))
      for (const attribute of element.attrs)
        if (REFERENCES.has(nameOf(attribute)))
          yield { path: file.path, name: nameOf(attribute), value: attribute.value }
  }
}

const LEAK = /(?:^|[\s,("'])(?:entry|site-file):/i

/** Texts of an author that point, in every way, to what is there and to what is not. */
const pointing = (id: string) =>
  `<p style="background:url(site-file:f0)"><a href="entry:${id}#part">A</a> <a href=" ENTRY:${id}">B</a>` +
  `<img src="site-file:${id}" srcset="site-file:f0 1x, site-file:${id} 2x" alt=""><a href=entry:${id}>C</a></p>` +
  `<svg><a xlink:href="entry:${id}"><text>D</text></a></svg><style>p{background:url("site-file:${id}")}</style>`

const handMade = arbitraryHandSite.map((hand) => bring(handFiles(hand)).site)
const either = fc.oneof(
  arbitraryStart(8).map((site) => ({ site, isHandMade: false })),
  handMade.map((site) => ({ site, isHandMade: true })),
)

test('no pointer leaves, and no link of ours is empty, whatever is changed and removed', () => {
  const met = { dead: 0, handMade: 0 }
  fc.assert(
    fc.property(
      either,
      fc.array(fc.tuple(arbitraryDraws, fc.nat(), fc.boolean()), { minLength: 1, maxLength: 5 }),
      ({ site: start, isHandMade }, steps) => {
        const emptyBefore = [...referencesOut(start)].filter(({ value }) => value === '').length
        let site = start
        for (const [fresh, [draws, pick, isRemoval]] of steps.entries()) {
          const ids = [...site.plan.entries.keys()]
          const id = ids[pick % ids.length]!
          const html = pointing(ids[(pick + 1) % ids.length]!)
          site = tried(site, { kind: 'setEntry', entry: id, field: 'body', value: { html, changed: '' } })
          // Some changes replace the templates of an imported site by pieces.
          site = tried(
            site,
            isRemoval
              ? removeAll(site, [ids[(pick + 1) % ids.length]!], 'go-too')
              : anyChange(site, draws, fresh),
          )
        }
        const out = [...referencesOut(site)]
        expect(out.filter(({ value }) => LEAK.test(value))).toEqual([])
        if (site.gone.size > 0) met.dead++
        if (isHandMade && site.surround.kind === 'templates') {
          met.handMade++
          expect(out.filter(({ name, value }) => name === 'href' && value === '').length).toBeLessThanOrEqual(
            emptyBefore,
          )
        }
      },
    ),
    { numRuns: 120 },
  )
  expect(met.dead).toBeGreaterThan(0)
  expect(met.handMade).toBeGreaterThan(0)
})

test('a link of existing HTML to a page that was removed keeps the last path of that page', () => {
  const page = (title: string, links: string) =>
    `<html><head><title>${title}</title></head><body><ul>${['index', 'crew', 'boats']
      .map((name) => `<li><a href="${name}.html">${name}</a></li>`)
      .join(
        '',
      )}</ul><h1>${title}</h1><p>${title} text. ${links}</p><p>Foot: <a href="crew.html">crew</a></p></body></html>`
  const files = {
    'index.html': page('Home', '<a href="crew.html#x">See</a>'),
    'crew.html': page('Crew', ''),
    'boats.html': page('Boats', ''),
  }
  const { site } = bring(
    Object.entries(files).map(([path, text]) => ({ path, bytes: new TextEncoder().encode(text) })),
  )
  const crew = [...site.plan.entries.values()].find(
    (entry) => entry.kind === 'page' && entry.title === 'Crew',
  )!
  const removed = applyChange(site, removeAll(site, [crew.id], 'go-too')!)
  const home = () =>
    [...outputFiles(removed.site, YEAR)].find(({ path }) => path === 'index.html') as { text: () => string }
  expect(home().text()).toContain('<a href="crew.html#x">See</a>')
  expect(home().text()).toContain('<p>Foot: <a href="crew.html">crew</a></p>')
  expect(removed.site.gone.get(`entry:${crew.id}`)).toMatchObject({ path: 'crew.html', label: 'crew' })
  expect(applyChange(removed.site, removed.inverse).site.gone.size).toBe(0)
})
