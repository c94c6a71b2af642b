import { readFileSync } from 'node:fs'
import type { Locator, Page, Request } from '@playwright/test'
import { hereMark, indexOfMenu, itemsOf } from '@viatica/core/navigate/menu.ts'
import { breadcrumbOf } from '@viatica/core/navigate/breadcrumb.ts'
import { readingOrder } from '@viatica/core/navigate/readingOrder.ts'
import { addressesOf } from '@viatica/core/address/addresses.ts'
import { labelOf } from '@viatica/core/plan/entry.ts'
import { childrenOf, entryOf } from '@viatica/core/plan/plan.ts'
import type { Site } from '@viatica/core/plan/site.ts'
import { fromSiteData, type SiteData } from '@viatica/core/plan/siteData.ts'
import { serveUnpacked, type StaticSite } from './staticSite.ts'
import { axeFindings, expect, openDemo, row, rowNamed, saved, type Served, test } from './viatica.ts'

async function siteNow(served: Served, id: string): Promise<Site> {
  const { site } = (await (await fetch(`${served.url}/api/sites/${id}`)).json()) as { site: SiteData }
  return fromSiteData(site)
}

async function editByHand(page: Page): Promise<void> {
  // Adds a page beside another, by keyboard; its name is as awkward as names get.
  await row(page, 'news').click()
  await page.keyboard.press('Enter')
  await page.getByLabel('Name of the new page').fill('Über <b>uns</b> & “mehr”')
  await page.keyboard.press('Enter')
  await expect(rowNamed(page, 'Über <b>uns</b> & “mehr”')).toHaveAttribute('aria-selected', 'true')

  // Nests two pages under it: one by the button, one by the key.
  await page.getByRole('button', { name: 'beneath', exact: true }).click()
  await page.getByLabel('Name of the new page').fill('Index')
  await page.keyboard.press('Enter')
  await page.keyboard.press('Enter')
  await page.getByLabel('Name of the new page').fill('CON')
  await page.keyboard.press('Enter')
  await expect(rowNamed(page, 'CON')).toHaveAttribute('aria-level', '3')
  await expect(page.getByRole('complementary').getByText('uber-b-uns-b-mehr/con-2.html')).toBeVisible()

  // Renames in place.
  await row(page, 'tea-room').click()
  await page.keyboard.press('F2')
  await page.getByLabel('New name').fill('Tea & cake')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('contentinfo')).toContainText('“Tea room” renamed “Tea & cake”')

  // Moves by keyboard: up, out, in.
  await row(page, 'stoppages').click()
  await page.keyboard.press('Alt+ArrowUp')
  await page.keyboard.press('Alt+ArrowLeft')
  // What moves addresses is shown first; Enter takes it.
  await expect(page.getByRole('dialog')).toContainText('1 address')
  await page.keyboard.press('Enter')
  await expect(row(page, 'stoppages')).toHaveAttribute('aria-level', '2')
  await page.keyboard.press('Alt+ArrowRight')
  await page.getByRole('button', { name: 'Move', exact: true }).click()
  await expect(row(page, 'stoppages')).toHaveAttribute('aria-level', '3')
  await expect(row(page, 'stoppages')).toBeFocused()

  // Moves by drag: under another, then before another.
  await row(page, 'otters').dragTo(row(page, 'birds'))
  await expect(row(page, 'otters')).toHaveAttribute('aria-level', '4')
  await row(page, 'moorings').dragTo(row(page, 'licences'), { targetPosition: { x: 120, y: 2 } })
  await expect(row(page, 'moorings')).toHaveAttribute('aria-posinset', '1')

  // A move under itself is not taken: a drag onto one of its own has nowhere to land.
  await row(page, 'lock-guide').dragTo(row(page, 'tanyard'))
  await expect(row(page, 'lock-guide')).toHaveAttribute('aria-level', '3')

  // Removes a section, after being told what goes with it; undoes that, and does without another page.
  await row(page, 'about').click()
  await page.keyboard.press('Delete')
  const dialog = page.getByRole('dialog')
  await expect(dialog).toContainText('go too (4)')
  for (const label of ['History', 'Trustees', 'Contact', 'Annual reports'])
    await expect(dialog.getByRole('listitem').filter({ hasText: new RegExp(`^${label}$`) })).toBeVisible()
  await expect(dialog).toContainText(/\d+ links break/)
  await dialog.getByRole('button', { name: 'Remove' }).click()
  await expect(row(page, 'history')).toHaveCount(0)
  await page.getByRole('button', { name: 'Undo' }).first().click()
  await expect(row(page, 'history')).toBeVisible()
  await row(page, 'lock-keepers').click()
  await page.keyboard.press('Delete')
  await page.keyboard.press('Enter')
  await expect(row(page, 'lock-keepers')).toHaveCount(0)
  await page.keyboard.press('Control+z')
  await expect(row(page, 'lock-keepers')).toBeVisible()
  await page.keyboard.press('Control+Shift+Z')
  await expect(row(page, 'lock-keepers')).toHaveCount(0)
  await saved(page)
}

async function takeAway(page: Page): Promise<StaticSite> {
  const downloading = page.waitForEvent('download')
  await page.getByRole('link', { name: 'Take away' }).click()
  return serveUnpacked(readFileSync(await (await downloading).path()))
}

/** Edits the demo and unpacks what it came to, beside the site as the server has it. */
async function editAndTakeAway(page: Page, served: Served): Promise<{ site: Site; unpacked: StaticSite }> {
  const id = await openDemo(page, served)
  await editByHand(page)
  return { site: await siteNow(served, id), unpacked: await takeAway(page) }
}

/** Header and footer with marks taken off and links resolved. */
function bareSurround(page: Page): Promise<string> {
  return page.evaluate(() => {
    const copy = document.body.cloneNode(true) as HTMLElement
    copy.querySelectorAll('.banner').forEach((part) => part.remove())
    for (const element of copy.querySelectorAll('*')) {
      element.removeAttribute('aria-current')
      if (/^(here|within)$/.test(element.className)) element.removeAttribute('class')
      for (const name of ['href', 'src']) {
        const value = element.getAttribute(name)
        if (value && !value.startsWith('#')) element.setAttribute(name, new URL(value, document.baseURI).href)
      }
    }
    const surround = [...copy.querySelectorAll('.skip-link, header, footer')]
    return surround.map((part) => part.outerHTML.replace(/\s+/g, ' ')).join('\n')
  })
}

const hrefs = (page: Page, selector: string) =>
  page.locator(selector).evaluateAll((links) => links.map((link) => (link as HTMLAnchorElement).href))

/** What came back when a link was clicked. */
interface Landing {
  readonly url: string
  readonly status: number
  readonly html: string
}

/**
 * A page whose clicked links are really asked for, and whose answers are kept; the browser is told that there is
 * nothing to show (204), so that it stays where it is and the next link can be clicked at once.
 */
async function pageThatStays(
  page: Page,
): Promise<{ visit(url: string): Promise<void>; click(index: number): Promise<Landing> }> {
  let answer: Landing | undefined
  let land: ((landing: Landing) => void) | undefined
  let isVisiting = false
  await page.route('**/*', async (route) => {
    if (isVisiting || !route.request().isNavigationRequest()) return route.fallback()
    const response = await route.fetch()
    answer = { url: route.request().url(), status: response.status(), html: await response.text() }
    return route.fulfill({ status: 204 })
  })
  // Only then is the browser done with the one link and free for the next.
  const end = (request: Request) => {
    if (request.isNavigationRequest() && answer) land?.(answer)
  }
  page.on('requestfinished', end)
  page.on('requestfailed', end)
  return {
    async visit(url) {
      isVisiting = true
      await page.goto(url)
      isVisiting = false
    },
    async click(index) {
      const link = page.locator('a[href]').nth(index)
      let point = await pointOn(link)
      if (!point) {
        await link.locator('xpath=ancestor::ul[parent::li][1]/preceding-sibling::button').click()
        point = await pointOn(link)
      }
      answer = undefined
      const landing = new Promise<Landing>((resolve, reject) => {
        land = resolve
        setTimeout(() => reject(new Error(`${page.url()}: nothing came of link ${index}`)), 20_000)
      })
      await page.mouse.click(point!.x, point!.y)
      return landing
    },
  }
}

/** Where a mouse can press a link, brought into sight; undefined when it cannot be seen or lies under something. */
function pointOn(link: Locator): Promise<{ x: number; y: number } | undefined> {
  return link.evaluate((one) => {
    one.scrollIntoView({ block: 'center', behavior: 'instant' })
    const box = one.getClientRects()[0]
    if (!box || !one.checkVisibility()) return undefined
    const point = { x: box.left + box.width / 2, y: box.top + box.height / 2 }
    return one.contains(document.elementFromPoint(point.x, point.y)) ? point : undefined
  })
}

test.describe.configure({ timeout: 900_000 })
// High enough for the whole outline, so that any two of its rows can be dragged onto each other.
test.use({ viewport: { width: 1280, height: 1720 } })

test('the demo, edited in the interface and taken away, has no broken link and one surround', async ({
  page,
  served,
  watched,
}) => {
  const { site, unpacked } = await editAndTakeAway(page, served)
  const { paths } = addressesOf(site)
  const urlOf = (entry: string) =>
    new URL(paths.get(entry)!.split('/').map(encodeURIComponent).join('/'), unpacked.url).href
  expect([...unpacked.pages].sort()).toEqual(
    readingOrderAndRest(site)
      .map((entry) => paths.get(entry)!)
      .sort(),
  )

  const visitor = await page.context().newPage()
  visitor.on('pageerror', (error) => watched.errors.push(error.message))
  const menuIndex = indexOfMenu(itemsOf(site, site.surround.menus[0]!, site.plan.home))
  const surrounds = new Set<string>()
  for (const entry of readingOrderAndRest(site)) {
    await visitor.goto(urlOf(entry))
    surrounds.add(await bareSurround(visitor))

    // The mark, as design 5.4 has it.
    const mark = hereMark(site.plan, menuIndex, entry)
    const current = visitor.locator('.menu-opening [aria-current]')
    await expect(current).toHaveCount(mark.here || mark.nearest ? 1 : 0)
    if (mark.here) {
      await expect(current).toHaveAttribute('aria-current', 'page')
      await expect(current).toHaveText(labelOf(entryOf(site.plan, entry)))
    } else if (mark.nearest) {
      await expect(current).toHaveAttribute('aria-current', 'true')
      await expect(current).toHaveText(labelOf(entryOf(site.plan, mark.nearest)))
    }
    await expect(visitor.locator('.menu-opening .within')).toHaveCount(
      mark.within.size + (mark.nearest ? 1 : 0),
    )

    // The breadcrumb equals the ancestors.
    const way = breadcrumbOf(site.plan, site.surround.breadcrumb, entry)
    expect(await visitor.locator('.breadcrumb li').allTextContents()).toEqual(
      way.map((one) => labelOf(entryOf(site.plan, one))),
    )
    const linked = way.slice(0, -1).filter((one) => entryOf(site.plan, one).kind === 'page')
    expect(await hrefs(visitor, '.breadcrumb a')).toEqual(linked.map(urlOf))
    expect(await axeFindings(visitor)).toEqual([])
  }
  expect(surrounds.size).toBe(1)

  // Next from the home page visits every page of the reading order once, and previous goes back.
  const order = readingOrder(site)
  await visitor.goto(urlOf(order[0]!))
  for (const [step, entry] of order.entries()) {
    expect(visitor.url()).toBe(urlOf(entry))
    const next = visitor.locator('.pager a[rel=next]')
    if (step < order.length - 1) await next.click()
    else await expect(next).toHaveCount(0)
  }
  for (const entry of [...order].reverse().slice(1)) {
    await visitor.locator('.pager a[rel=prev]').click()
    expect(visitor.url()).toBe(urlOf(entry))
  }
  await expect(visitor.locator('.pager a[rel=prev]')).toHaveCount(0)

  unpacked.stop()
  expect(watched).toEqual({ errors: [], strangers: [] })
})

/** Halves of the pages, clicked through side by side. */
for (const half of [0, 1]) {
  test(`every link of the edited demo, clicked, leads to a page (half ${half + 1} of the pages)`, async ({
    page,
    served,
    watched,
  }) => {
    const { site, unpacked } = await editAndTakeAway(page, served)
    const pages = unpacked.pages.filter((_, at) => at % 2 === half)
    const { broken, left, clicked } = await clickAll(await page.context().newPage(), unpacked.url, pages)
    expect(broken).toEqual([])
    // What leaves the site is what the author put there.
    expect([...left].sort()).toEqual([
      'https://shop.example.org/wetherlock',
      'mailto:office@wetherlock.example.org',
      'tel:+441632960143',
    ])
    // At the least the brand, the first level of the menu, and the pager.
    expect(clicked).toBeGreaterThan(childrenOf(site.plan, site.plan.home).length * pages.length)
    unpacked.stop()
    expect(watched).toEqual({ errors: [], strangers: [] })
  })
}

/**
 * Links in the order to click them: those that lead where an earlier one leads come after all others, since
 * Chromium passes over a second click to the address that it was asked for just before.
 */
function repeatsLast(targets: readonly string[]): { index: number; target: string }[] {
  const links = targets.map((target, index) => ({
    target,
    index,
    repeats: targets.slice(0, index).filter((one) => one === target).length,
  }))
  return links.sort((a, b) => a.repeats - b.repeats || a.index - b.index)
}

/** Clicks every link on these pages of an unpacked site; those that leave it are listed instead. */
async function clickAll(visitor: Page, top: string, pages: readonly string[]) {
  const staying = await pageThatStays(visitor)
  const broken: string[] = []
  const left = new Set<string>()
  let clicked = 0
  for (const path of pages) {
    const url = new URL(path.split('/').map(encodeURIComponent).join('/'), top).href
    await staying.visit(url)
    for (const { index, target } of repeatsLast(await hrefs(visitor, 'a[href]'))) {
      const [address = '', fragment = ''] = target.split('#')
      const id = decodeURIComponent(fragment)
      if (!target.startsWith(top)) left.add(target)
      else if (address === url && id) {
        // A place on the page itself, such as where the skip link leads.
        if ((await visitor.locator(`[id="${id}"]`).count()) !== 1) broken.push(`${path} → #${id}`)
      } else {
        const landing = await staying.click(index)
        clicked++
        const lands =
          landing.status === 200 &&
          landing.url === address &&
          (id === '' || landing.html.includes(` id="${id}"`))
        if (!lands) broken.push(`${path} → ${target} (${landing.status} ${landing.url})`)
      }
    }
  }
  return { broken, left, clicked }
}

/** Every page that is written, those of the reading order first. */
function readingOrderAndRest(site: Site): string[] {
  const order = readingOrder(site)
  const rest = [...site.plan.entries.values()].filter(
    (entry) => entry.kind === 'page' && entry.state !== 'planned' && !entry.inOrder,
  )
  return [...order, ...rest.map((entry) => entry.id)]
}

test('no page of the demo is wider than the window, wide or narrow, whatever is open in its menu', async ({
  page,
  served,
}) => {
  const id = await openDemo(page, served)
  for (const [width, path] of [
    [1280, 'about/history.html'],
    [1000, 'boating/licences.html'],
    [700, 'index.html'],
    [360, 'walk/stage-3.html'],
    [360, 'visit/opening-times.html'],
  ] as const) {
    await page.setViewportSize({ width, height: 800 })
    await page.goto(`${served.url}/preview/${id}/${path}`)
    const isTooWide = () => page.evaluate(() => document.documentElement.scrollWidth > window.innerWidth)
    expect(await isTooWide()).toBe(false)
    const fold = page.locator('header .menu-fold')
    if (await fold.isVisible()) await fold.click()
    for (const button of await page.locator('.menu-open').all()) {
      await button.click()
      await expect(button).toHaveAttribute('aria-expanded', 'true')
      expect(await isTooWide()).toBe(false)
      await page.keyboard.press('Escape')
      await expect(button).toHaveAttribute('aria-expanded', 'false')
      await expect(button).toBeFocused()
    }
  }
})
