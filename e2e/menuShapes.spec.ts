import { siteWith } from '@viatica/core/plan/site.ts'
import { DEFAULT_LOOK, HERE_LOOKS, HOVER_LOOKS } from '@viatica/core/plan/surround/look.ts'
import { MENU_SHAPES, type MenuShape } from '@viatica/core/plan/surround/menuShape.ts'
import { type Place, PLACES } from '@viatica/core/plan/surround/place.ts'
import { BREADCRUMB_SEPARATORS } from '@viatica/core/plan/surround/rules.ts'
import { STANDARD_SURROUND, type Surround } from '@viatica/core/plan/surround/surround.ts'
import { SMALL_PLAN, standingAlone } from './standingAlone.ts'
import { axeFindings, expect, test } from './viatica.ts'

/** One menu of a shape in a place, beside the standard surround; the other choices go round with the number. */
function surroundOf(shape: MenuShape, place: Place, n: number): Surround {
  const { places, menus, here, breadcrumb, look } = STANDARD_SURROUND
  const depth = ([1, 2, 3] as const)[n % 3]!
  return {
    ...STANDARD_SURROUND,
    places: {
      ...places,
      [place]: [
        ...places[place],
        { id: 'tried', kind: 'menu', beside: false, menu: 'tried', shape, folds: n % 2 === 1 },
      ],
    },
    menus: [
      ...menus,
      {
        id: 'tried',
        kind: 'plan',
        name: 'Tried',
        from: { at: n % 4 === 3 ? 'section' : 'home' },
        depth,
        exceptions: [],
      },
    ],
    here: { ...here, form: n % 2 === 0 ? 'text' : 'link', bodyId: n % 3 === 0 },
    breadcrumb: { ...breadcrumb, separator: BREADCRUMB_SEPARATORS[n % 4]!, showsPage: n % 2 === 0 },
    look: { ...look, ...DEFAULT_LOOK, here: HERE_LOOKS[n % 3]!, hover: HOVER_LOOKS[(n + 1) % 3]! },
  }
}

test('axe-core finds nothing on pages with a menu of any shape in any place, folded and open, wide and narrow', async ({
  page,
}) => {
  test.slow()
  for (const [n, [shape, place]] of MENU_SHAPES.flatMap((one) =>
    PLACES.map((at) => [one, at] as const),
  ).entries()) {
    const site = { ...siteWith({ name: 'Basin' }, SMALL_PLAN), surround: surroundOf(shape, place, n) }
    await page.setViewportSize({ width: n % 2 === 0 ? 1280 : 360, height: 800 })
    await page.setContent(standingAlone(site, ['times', 'mill', 'home', 'locks'][n % 4]!))
    const at = `${shape} in ${place}`
    expect([at, ...(await axeFindings(page))]).toEqual([at])
    for (const button of await page.locator('.menu button:visible').all()) await button.click()
    expect([at, ...(await axeFindings(page))]).toEqual([at])
    const isTooWide = await page.evaluate(() => document.documentElement.scrollWidth > window.innerWidth)
    expect([at, isTooWide]).toEqual([at, false])
  }
})

test('on a page that is shorter than its window no empty band stands under the menu, and the footer ends the window', async ({
  page,
}) => {
  const site = siteWith({ name: 'Basin' }, SMALL_PLAN)
  for (const width of [360, 768, 1280]) {
    await page.setViewportSize({ width, height: 800 })
    await page.setContent(standingAlone(site, 'times'))
    const ends = await page.evaluate(() => {
      const end = (element: Element) => Math.round(element.getBoundingClientRect().bottom)
      const header = document.querySelector('header')!
      const shown = [...header.children].filter((one) => one.getBoundingClientRect().height > 0)
      return {
        band: end(header) - Math.max(...shown.map(end)),
        footer: end(document.querySelector('footer')!),
      }
    })
    expect([width, ends]).toEqual([width, { band: 0, footer: 800 }])
  }
})
