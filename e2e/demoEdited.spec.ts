import { piecesOf } from '@viatica/core/plan/surround/surround.ts'
import { readFileSync } from 'node:fs'
import type { Page } from '@playwright/test'
import { hereMark, indexOfMenu, itemsOf } from '@viatica/core/navigate/menu.ts'
import { breadcrumbOf } from '@viatica/core/navigate/breadcrumb.ts'
import { readingOrder } from '@viatica/core/navigate/readingOrder.ts'
import { addressesOf } from '@viatica/core/address/addresses.ts'
import { labelOf } from '@viatica/core/plan/entry.ts'
import { entryOf } from '@viatica/core/plan/plan.ts'
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
  await page.keyboard.press('Escape')
  await expect(rowNamed(page, 'Über <b>uns</b> & “mehr”')).toHaveAttribute('aria-selected', 'true')

  // Nests two pages under it: one by the button, one by the key.
  await page.getByRole('button', { name: 'Add subpage', exact: true }).click()
  await page.getByLabel('Name of the new page').fill('Index')
  await page.keyboard.press('Enter')
  await page.getByLabel('Name of the new page').fill('CON')
  await page.keyboard.press('Enter')
  await page.keyboard.press('Escape')
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
  await expect(dialog).toContainText(/\d+ links lead there/)
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
  await page.getByRole('link', { name: 'Download site' }).click()
  return serveUnpacked(readFileSync(await (await downloading).path()))
}

/** Edits the demo and unpacks what it came to, beside the site as the server has it. */
async function editAndTakeAway(page: Page, served: Served): Promise<{ site: Site; unpacked: StaticSite }> {
  const id = await openDemo(page, served)
  await editByHand(page)
  return { site: await siteNow(served, id), unpacked: await takeAway(page) }
}

/** What a visitor finds on a page of the finished site, read at one go. */
interface Found {
  /** Header and footer with marks taken off and links resolved. */
  readonly surround: string
  readonly links: readonly string[]
  /** The items of the main menu that are marked: how, and what they say. */
  readonly marked: readonly (readonly [mark: string, label: string])[]
  /** How many of its items the page stands under. */
  readonly within: number
  readonly breadcrumb: readonly string[]
  readonly breadcrumbLinks: readonly string[]
  readonly previous: readonly string[]
  readonly next: readonly string[]
}

function readFound(page: Page): Promise<Found> {
  return page.evaluate((kinds) => {
    const all = (selector: string) => [...document.querySelectorAll<HTMLAnchorElement>(selector)]
    const hrefs = (selector: string) => all(selector).map(({ href }) => href)
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
    return {
      surround: surround.map((part) => part.outerHTML.replace(/\s+/g, ' ')).join('\n'),
      links: hrefs('a[href]'),
      marked: all('.menu-opening [aria-current]').map(
        (item) => [item.getAttribute('aria-current')!, item.textContent] as const,
      ),
      within: all('.menu-opening .within').length,
      breadcrumb: all('.breadcrumb li').map(({ textContent }) => textContent),
      breadcrumbLinks: hrefs(kinds.breadcrumb),
      previous: hrefs(kinds.previous),
      next: hrefs(kinds.next),
    }
  }, KINDS)
}

const hrefs = (page: Page, selector: string) =>
  page.locator(selector).evaluateAll((links) => links.map((link) => (link as HTMLAnchorElement).href))

/** The kinds of links of a page, by what they stand in. */
const KINDS = {
  skip: '.skip-link',
  brand: '.brand-home',
  menu: '.menu-opening > ul > li > a',
  submenu: '.menu-opening li li a',
  breadcrumb: '.breadcrumb a',
  previous: '.pager a[rel=prev]',
  next: '.pager a[rel=next]',
  content: 'main a',
  footer: 'footer a',
} as const
type Kind = keyof typeof KINDS

/** Clicks the last link of a kind that leads to another page, as a visitor would. @returns where it should lead */
async function clickOne(visitor: Page, top: string, kind: Kind): Promise<string | undefined> {
  const here = visitor.url()
  const targets = await hrefs(visitor, KINDS[kind])
  const at = targets.findLastIndex((target) => target.startsWith(top) && target !== here)
  if (at < 0) return undefined
  const link = visitor.locator(KINDS[kind]).nth(at)
  // Shown only while it has the focus.
  if (kind === 'skip') await link.focus()
  if (!(await link.isVisible()))
    await link.locator('xpath=ancestor::ul[parent::li][1]/preceding-sibling::button').click()
  await link.click()
  return targets[at]
}

/** What of the links of a page leads to something within the site, that nothing answers to or that has no such part. */
async function brokenLinks(
  links: readonly string[],
  top: string,
  known: Map<string, Promise<string>>,
): Promise<string[]> {
  const broken: string[] = []
  for (const target of new Set(links)) {
    if (!target.startsWith(top)) continue
    const [address = '', fragment = ''] = target.split('#')
    const asked = known.get(address) ?? fetch(address).then((answer) => (answer.ok ? answer.text() : ''))
    known.set(address, asked)
    const html = await asked
    if (html === '' || (fragment && !html.includes(` id="${decodeURIComponent(fragment)}"`)))
      broken.push(target)
  }
  return broken
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
  await visitor.setViewportSize({ width: 1280, height: 800 })
  visitor.on('pageerror', (error) => watched.errors.push(error.message))
  const menuIndex = indexOfMenu(itemsOf(site, site.surround.menus[0]!, site.plan.home))
  const surrounds = new Set<string>()
  const left = new Set<string>()
  const nextOf = new Map<string, readonly string[]>()
  const previousOf = new Map<string, readonly string[]>()
  const asked = new Map<string, Promise<string>>()
  for (const entry of readingOrderAndRest(site)) {
    await visitor.goto(urlOf(entry))
    const found = await readFound(visitor)
    surrounds.add(found.surround)
    expect(await brokenLinks(found.links, unpacked.url, asked)).toEqual([])
    for (const target of found.links) if (!target.startsWith(unpacked.url)) left.add(target)

    // The mark, as design 5.4 has it.
    const mark = hereMark(site.plan, menuIndex, entry)
    const marks = [
      ['page', mark.here && entry],
      ['true', mark.nearest],
    ] as const
    expect(found.marked).toEqual(
      marks.flatMap(([how, id]) => (id ? [[how, labelOf(entryOf(site.plan, id))]] : [])),
    )
    expect(found.within).toBe(mark.within.size + (mark.nearest ? 1 : 0))

    // The breadcrumb equals the ancestors.
    const way = breadcrumbOf(site.plan, piecesOf(site.surround).breadcrumb, entry)
    expect(found.breadcrumb).toEqual(way.map((one) => labelOf(entryOf(site.plan, one))))
    const linked = way.slice(0, -1).filter((one) => entryOf(site.plan, one).kind === 'page')
    expect(found.breadcrumbLinks).toEqual(linked.map(urlOf))
    nextOf.set(urlOf(entry), found.next)
    previousOf.set(urlOf(entry), found.previous)
    expect(await axeFindings(visitor)).toEqual([])
  }
  expect(surrounds.size).toBe(1)
  // What leaves the site is what the author put there.
  expect([...left].sort()).toEqual([
    'https://shop.example.org/wetherlock',
    'mailto:office@wetherlock.example.org',
    'tel:+441632960143',
  ])

  // Every kind of link, on every kind of page: the first, a section, one deep down, one with an awkward name, one that
  // no menu has.
  const clicked = new Set<Kind>()
  const outOfMenus = readingOrderAndRest(site).find((one) => !entryOf(site.plan, one).inMenu)!
  const awkward = [...site.plan.entries.values()].find((one) => labelOf(one).startsWith('Über'))!.id
  for (const entry of [site.plan.home, 'visit', 'otters', awkward, outOfMenus])
    for (const kind of Object.keys(KINDS) as Kind[]) {
      await visitor.goto(urlOf(entry))
      const target = await clickOne(visitor, unpacked.url, kind)
      if (target === undefined) continue
      clicked.add(kind)
      expect(visitor.url()).toBe(target)
      await expect(visitor.locator('h1')).toHaveCount(1)
    }
  expect([...clicked].sort()).toEqual(Object.keys(KINDS).sort())

  // From the home page, next leads to every page of the reading order once, and previous back.
  const order = readingOrder(site).map(urlOf)
  for (const [at, url] of order.entries()) {
    expect(previousOf.get(url)).toEqual(at === 0 ? [] : [order[at - 1]])
    expect(nextOf.get(url)).toEqual(at === order.length - 1 ? [] : [order[at + 1]])
  }

  unpacked.stop()
  expect(watched).toEqual({ errors: [], strangers: [] })
})

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
