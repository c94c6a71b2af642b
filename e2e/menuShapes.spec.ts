import { planOfBranch } from '@viatica/core/plan/branch.ts'
import { newPage } from '@viatica/core/plan/newEntry.ts'
import { siteWith, type Site } from '@viatica/core/plan/site.ts'
import { DEFAULT_LOOK, HERE_LOOKS, HOVER_LOOKS } from '@viatica/core/plan/surround/look.ts'
import { MENU_SHAPES, type MenuShape, type Place, PLACES } from '@viatica/core/plan/surround/piece.ts'
import { BREADCRUMB_SEPARATORS } from '@viatica/core/plan/surround/rules.ts'
import { STANDARD_SURROUND, type Surround } from '@viatica/core/plan/surround/surround.ts'
import { MENU_SCRIPT } from '@viatica/core/render/menuScript.ts'
import { createRenderer } from '@viatica/core/render/renderer.ts'
import { styleSheet } from '@viatica/core/render/style/styleSheet.ts'
import { axeFindings, expect, test } from './viatica.ts'

const leaf = (id: string, title: string) => ({ ...newPage(id, title, { state: 'ready' }), entries: [] })
const plan = planOfBranch({
  ...leaf('home', 'Home'),
  entries: [
    { ...leaf('visit', 'Visit'), entries: [leaf('times', 'Opening times'), leaf('access', 'Access')] },
    {
      ...leaf('boats', 'Boating'),
      entries: [{ ...leaf('locks', 'Locks'), entries: [leaf('mill', 'Mill Lock')] }],
    },
  ],
})

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

/** A page with its style sheet and script in it, so that it can stand by itself. */
function standingAlone(site: Site, page: string): string {
  return createRenderer(site, 2026)
    .page(page)
    .replace(/<link rel="stylesheet"[^>]*>/, () => `<style>${styleSheet(site.surround, 'fonts/')}</style>`)
    .replace(/<script src="[^"]*"><\/script>/, () => `<script>${MENU_SCRIPT}</script>`)
}

test('axe-core finds nothing on pages with a menu of any shape in any place, folded and open, wide and narrow', async ({
  page,
}) => {
  test.slow()
  for (const [n, [shape, place]] of MENU_SHAPES.flatMap((one) =>
    PLACES.map((at) => [one, at] as const),
  ).entries()) {
    const site = { ...siteWith({ name: 'Basin' }, plan), surround: surroundOf(shape, place, n) }
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
