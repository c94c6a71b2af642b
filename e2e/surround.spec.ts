import { readFileSync } from 'node:fs'
import { writeSiteFile } from '@viatica/core/formats/siteFile.ts'
import { planOfBranch } from '@viatica/core/plan/branch.ts'
import { newPage } from '@viatica/core/plan/newEntry.ts'
import { siteWith } from '@viatica/core/plan/site.ts'
import { DEFAULT_LOOK } from '@viatica/core/plan/surround/look.ts'
import { PLACE_NAMES } from '@viatica/core/plan/surround/place.ts'
import type { Place } from '@viatica/core/plan/surround/place.ts'
import { EMPTY_SURROUND } from '@viatica/core/plan/surround/surround.ts'
import {
  LINK_STATES,
  type LinkState,
  linkStates,
  type StateLook,
} from '@viatica/core/render/style/linkStates.ts'
import type { Browser, Locator, Page } from '@playwright/test'
import { serveUnpacked, type StaticSite } from './staticSite.ts'
import { axeFindings, expect, openAt, openDemo, saved, type Served, test } from './viatica.ts'

const details = (page: Page) => page.getByRole('complementary')
const piece = (page: Page, name: string | RegExp) => details(page).getByRole('button', { name })
const allPieces = (page: Page) => page.getByRole('button', { name: 'All pieces' })

/** Adds a piece to a place; its settings are open then. */
async function add(page: Page, place: Place, kind: string): Promise<void> {
  if (await allPieces(page).isVisible()) await allPieces(page).click()
  await page.getByRole('button', { name: `Add a piece: ${PLACE_NAMES[place]}` }).click()
  await page.getByRole('menuitem', { name: kind, exact: true }).click()
  await expect(details(page).getByRole('heading', { level: 2, name: kind })).toBeVisible()
}

async function addLink(within: Locator, label: string, target: RegExp | string): Promise<void> {
  await within.getByRole('button', { name: 'Add a link' }).click()
  const field = within.getByLabel('Label', { exact: true })
  await field.fill(label)
  await field.press('Enter')
  if (typeof target === 'string') {
    await within.getByLabel('Leads to').selectOption('an address elsewhere')
    await within.getByLabel('Address', { exact: true }).fill(target)
    await within.getByLabel('Address', { exact: true }).press('Enter')
  } else {
    const option = await within
      .getByLabel('Leads to')
      .locator('option', { hasText: target })
      .first()
      .textContent()
    await within.getByLabel('Leads to').selectOption({ label: option! })
  }
  await expect(within.getByRole('button', { name: new RegExp(`^${label} →`) })).toBeVisible()
}

/** A site of two sections with nothing around its pages, opened at Surround. */
async function openEmptySurround(page: Page, served: Served): Promise<void> {
  const leaf = (id: string, title: string) => ({ ...newPage(id, title, { state: 'ready' }), entries: [] })
  const section = (id: string, title: string, entries: ReturnType<typeof leaf>[]) => ({
    ...newPage(id, title, { state: 'ready' }),
    entries,
  })
  const home = {
    ...newPage('home', 'Home', { state: 'ready' }),
    entries: [
      section('visit', 'Visit', [leaf('times', 'Opening times'), leaf('access', 'Access')]),
      section('boats', 'Boating', [leaf('locks', 'Lock guide')]),
      leaf('news', 'News'),
    ],
  }
  const site = {
    ...siteWith({ name: 'Basin', layout: 'nested' }, planOfBranch(home)),
    surround: EMPTY_SURROUND,
  }
  const response = await fetch(`${served.url}/api/sites`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/vnd.viatica.site+json' },
    body: writeSiteFile(site, new Map()),
  })
  const { id } = (await response.json()) as { id: string }
  await openAt(page, served, `/sites/${id}/surround`)
  await expect(page.getByRole('heading', { level: 1, name: 'Surround: Pieces' })).toBeAttached()
}

async function buildSurround(page: Page): Promise<void> {
  const side = details(page)
  await add(page, 'header', 'Logo and site name')
  await add(page, 'header', 'Menu')
  await side.getByLabel('Layout').selectOption('dropdown')
  await side.getByText('Collapses to a menu button').click()
  await add(page, 'header', 'Custom links')
  await side.getByLabel('Label for screen readers').fill('Take part')
  await addLink(side, 'Book a boat', 'www.example.org/boats')
  await side.getByText('as a button').click()
  // By keys: up beside the brand, above the menu.
  await side.getByRole('checkbox', { name: 'as a button' }).press('Escape')
  const links = piece(page, /^Custom links/)
  await expect(links).toBeFocused()
  await page.keyboard.press('Alt+ArrowUp')
  await page.keyboard.press('Alt+ArrowRight')
  await expect(links).toBeFocused()
  await page.keyboard.press('Enter')
  await expect(side.getByRole('heading', { level: 2 })).toBeFocused()
  await expect(side.getByText('Same row as the piece before')).toBeVisible()
  await expect(side.getByRole('checkbox', { name: /Same row/ })).toBeChecked()

  await page.getByRole('link', { name: 'Menus', exact: true }).click()
  await page.getByRole('button', { name: 'Add a menu from the plan' }).click()
  await expect(side.getByLabel('Name', { exact: true })).toBeFocused()
  await side.getByLabel('Name', { exact: true }).fill('In this section')
  await side.getByLabel('Name', { exact: true }).press('Enter')
  await side.getByLabel('Starts from').selectOption('the section that a page is in')
  await page.getByRole('link', { name: 'Pieces', exact: true }).click()
  await add(page, 'side', 'Menu')
  await side.getByLabel('Menu', { exact: true }).selectOption('In this section')
  await add(page, 'before', 'Breadcrumb')
  await add(page, 'footer', 'Previous/next links')
  // By drag, from the footer to where it belongs.
  await allPieces(page).click()
  await piece(page, /^Previous\/next links/).dragTo(page.getByRole('region', { name: PLACE_NAMES.after }))
  await expect(
    page
      .getByRole('region', { name: PLACE_NAMES.after })
      .getByRole('button', { name: 'Previous/next links' }),
  ).toBeVisible()

  await add(page, 'footer', 'Columns of links')
  for (const [at, [heading, target]] of (
    [
      ['A day out', /Opening times/],
      ['By boat', /Lock guide/],
      ['Lately', /News/],
    ] as const
  ).entries()) {
    await side.getByRole('button', { name: 'Add column', exact: true }).click()
    const field = side.getByLabel(`Heading of column ${at + 1}`)
    await field.fill(heading)
    await field.press('Enter')
    await addLink(side.getByRole('region', { name: `Links of ${heading}` }), `More ${at}`, target)
  }
  await side.getByRole('button', { name: 'Add column from a section' }).click()
  await page.getByRole('menuitem', { name: 'Visit' }).click()
  await expect(side.getByRole('region', { name: 'Links of Visit' })).toContainText('Opening times')
  await add(page, 'footer', 'Contact')
  await side.getByLabel('Lines').fill('office@example.org\nPhone: +44 1632 960143')
  await side.getByLabel('Heading').fill('The office')
  await add(page, 'footer', 'Copyright')
  await side.getByLabel('First year').fill('1971')
  await side.getByLabel('First year').press('Enter')
  await saved(page)
}

/** Header and footer with marks taken off and links resolved. */
const bareSurround = (page: Page) =>
  page.evaluate(() => {
    const copy = document.body.cloneNode(true) as HTMLElement
    for (const element of copy.querySelectorAll('*')) {
      element.removeAttribute('aria-current')
      if (/^(here|within)$/.test(element.className)) element.removeAttribute('class')
      const href = element.getAttribute('href')
      if (href && !href.startsWith('#')) element.setAttribute('href', new URL(href, document.baseURI).href)
    }
    return [...copy.querySelectorAll('.skip-link, header, footer')]
      .map((part) => part.outerHTML.replace(/\s+/g, ' '))
      .join('\n')
  })

/** The keys of disclosure navigation (WAI-ARIA Authoring Practices): a button opens, Escape closes and gives focus back. */
async function tryMenuByKeys(visitor: Page): Promise<void> {
  const fold = visitor.locator('.menu-fold')
  if (await fold.isVisible()) {
    await fold.focus()
    await visitor.keyboard.press('Enter')
    await expect(fold).toHaveAttribute('aria-expanded', 'true')
  }
  const button = visitor.locator('.menu-open').first()
  const submenu = visitor.locator(`#${await button.getAttribute('aria-controls')}`)
  await expect(submenu).toBeHidden()
  await button.focus()
  await visitor.keyboard.press('Space')
  await expect(button).toHaveAttribute('aria-expanded', 'true')
  await expect(submenu).toBeVisible()
  await visitor.keyboard.press('Tab')
  await expect(submenu.getByRole('link').first()).toBeFocused()
  await visitor.keyboard.press('Escape')
  await expect(submenu).toBeHidden()
  await expect(button).toBeFocused()
  expect(await visitor.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth)).toBe(true)
}

async function seeEveryPage(visitor: Page, site: StaticSite): Promise<void> {
  const surrounds = new Set<string>()
  for (const path of site.pages) {
    await visitor.goto(new URL(path, site.url).href)
    surrounds.add(await bareSurround(visitor))
    // Each menu has at most one current item, and the main menu one on every page.
    for (const nav of await visitor.locator('nav.menu').all())
      expect(await nav.locator('[aria-current]').count()).toBeLessThanOrEqual(1)
    await expect(visitor.locator('header nav.menu [aria-current]')).toHaveCount(1)
  }
  expect(surrounds.size).toBe(1)
}

/** With scripts off every link of the menu is there to be followed. */
async function seeWithoutScripts(browser: Browser, site: StaticSite): Promise<void> {
  const context = await browser.newContext({
    javaScriptEnabled: false,
    viewport: { width: 360, height: 800 },
  })
  const visitor = await context.newPage()
  await visitor.goto(new URL(site.pages[1]!, site.url).href)
  for (const label of ['Opening times', 'Access', 'Lock guide', 'News'])
    await expect(visitor.locator('header nav.menu').getByRole('link', { name: label })).toBeVisible()
  await expect(visitor.locator('.menu button')).toHaveCount(3)
  for (const button of await visitor.locator('.menu button').all()) await expect(button).toBeHidden()
  await context.close()
}

test('a surround is built from nothing, taken away, and is the same on every page', async ({
  page,
  browser,
  served,
  watched,
}) => {
  test.slow()
  await openEmptySurround(page, served)
  await buildSurround(page)
  expect(await axeFindings(page)).toEqual([])

  const downloading = page.waitForEvent('download')
  await page.getByRole('link', { name: 'Download site' }).click()
  const site = await serveUnpacked(readFileSync(await (await downloading).path()))
  expect(site.pages).toHaveLength(7)

  const visitor = await page.context().newPage()
  await seeEveryPage(visitor, site)
  for (const width of [1280, 360]) {
    await visitor.setViewportSize({ width, height: 800 })
    await visitor.goto(new URL('visit/opening-times.html', site.url).href)
    await tryMenuByKeys(visitor)
    expect(await axeFindings(visitor)).toEqual([])
  }
  await expect(visitor.locator('.side nav.menu').getByRole('link')).toHaveText([
    'Visit',
    'Opening times',
    'Access',
  ])
  await expect(visitor.getByRole('navigation', { name: 'Breadcrumb' }).getByRole('listitem')).toHaveText([
    'Home',
    'Visit',
    'Opening times',
  ])
  await expect(visitor.getByRole('link', { name: 'Book a boat' })).toHaveAttribute(
    'href',
    'https://www.example.org/boats',
  )
  await expect(visitor.locator('footer .column')).toHaveCount(4)
  await expect(visitor.locator('footer .column').last().getByRole('link')).toHaveText([
    'Opening times',
    'Access',
  ])
  await expect(visitor.locator('footer').getByRole('link', { name: /960/ })).toHaveAttribute(
    'href',
    'tel:+441632960143',
  )
  await expect(visitor.locator('.copyright')).toHaveText(`© 1971–${new Date().getFullYear()} Basin`)
  await seeWithoutScripts(browser, site)
  site.stop()
  expect(watched).toEqual({ errors: [], strangers: [] })
})

/** Waits until what lies over the page stays where it is: after an edit the page is laid out anew, and it with the page. */
async function standsStill(over: Locator): Promise<Locator> {
  await expect(async () => {
    const before = await over.boundingBox()
    await new Promise((resolve) => setTimeout(resolve, 600))
    expect(await over.boundingBox()).toEqual(before)
  }).toPass()
  return over
}

/** Drags a piece on the page to somewhere in another rectangle of it. */
async function dragOnPage(page: Page, id: string, onto: string, at: { x: number; y: number }): Promise<void> {
  const piece = await standsStill(page.locator(`[data-on-page="${id}"]`))
  await piece.hover({ position: { x: 12, y: 8 } })
  const from = (await piece.boundingBox())!
  await page.mouse.down()
  await page.mouse.move(from.x + 30, from.y + from.height / 2 + 20, { steps: 4 })
  const to = (await page.locator(onto).boundingBox())!
  await page.mouse.move(to.x + to.width * at.x, to.y + to.height * at.y, { steps: 8 })
  await page.mouse.up()
}

test('pieces are chosen and dragged on the page itself, which scrolls with what lies over it', async ({
  page,
  served,
  watched,
}) => {
  await openDemo(page, served)
  await page.getByRole('link', { name: 'Surround' }).click()
  const list = details(page)
  const orderIn = (place: Place) =>
    page.getByRole('region', { name: PLACE_NAMES[place] }).locator('[data-piece]')
  const ids = async (place: Place) =>
    orderIn(place).evaluateAll((all) => all.map((one) => (one as HTMLElement).dataset['piece']))

  // What lies over the page stands where the page has it.
  const frame = page.frameLocator('iframe')
  const over = page.locator('[data-on-page=main-menu]')
  await expect(over).toBeVisible()
  await expect(async () => {
    const { x, y, width } = (await page.locator('iframe').boundingBox())!
    const menu = frame.locator('header nav.menu')
    const [inPage, pageWidth] = await menu.evaluate(
      (nav) => [nav.getBoundingClientRect(), innerWidth] as const,
    )
    const scale = width / pageWidth
    const shown = { x: x + inPage.x * scale, y: y + inPage.y * scale, height: inPage.height * scale }
    const laid = (await over.boundingBox())!
    for (const side of ['x', 'y', 'height'] as const)
      expect(Math.abs(shown[side] - laid[side]), side).toBeLessThan(2)
  }).toPass()

  await over.click({ position: { x: 5, y: 5 } })
  await expect(list.getByRole('heading', { level: 2, name: 'Menu' })).toBeFocused()
  await expect(list.getByLabel('Menu', { exact: true })).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(page.locator('[data-piece=main-menu]')).toBeFocused()

  // Above the heading, and undone.
  await dragOnPage(page, 'actions', '[data-on-page=heading]', { x: 0.5, y: 0.1 })
  await expect(orderIn('before')).toHaveCount(3)
  expect(await ids('before')).toEqual(['breadcrumb', 'actions', 'heading'])
  await page.locator('header').getByRole('button', { name: 'Undo' }).click()
  await expect(orderIn('before')).toHaveCount(2)
  expect(await ids('header')).toContain('actions')

  // Far down the page.
  const footer = page.locator('[data-on-page=copyright]')
  await footer.scrollIntoViewIfNeeded()
  await (await standsStill(footer)).click()
  await list.getByLabel('Holder').fill('The trust')
  await expect(frame.locator('.copyright')).toContainText('The trust')
  await expect(footer).toBeInViewport()
  await page.keyboard.press('Escape')
  expect(await axeFindings(page)).toEqual([])

  // An empty place has its room on the page while something is dragged.
  while ((await orderIn('side').count()) > 0) {
    await orderIn('side').first().focus()
    await page.keyboard.press('Delete')
  }
  await expect(page.locator('[data-on-page=side-menu]')).toHaveCount(0)
  await expect(frame.locator('.side')).toHaveCount(0)
  await dragOnPage(page, 'actions', '[data-place-on-page=side]', { x: 0.5, y: 0.2 })
  await expect(orderIn('side')).toHaveCount(1)
  expect(watched).toEqual({ errors: [], strangers: [] })
})

const rgb = (hex: string) => `rgb(${[1, 3, 5].map((at) => parseInt(hex.slice(at, at + 2), 16)).join(', ')})`

test('visited, hover, focus, active and the marks look in Chromium as the look says', async ({
  page,
  served,
}) => {
  const id = await openDemo(page, served)
  await page.goto(`${served.url}/preview/${id}/boating/lock-guide.html`)
  const devtools = await page.context().newCDPSession(page)
  await devtools.send('DOM.enable')
  await devtools.send('CSS.enable')
  const { root } = await devtools.send('DOM.getDocument')
  const look = async (selector: string, forced: string[]) => {
    const { nodeId } = await devtools.send('DOM.querySelector', { nodeId: root.nodeId, selector })
    await devtools.send('CSS.forcePseudoState', { nodeId, forcedPseudoClasses: forced })
    const { computedStyle } = await devtools.send('CSS.getComputedStyleForNode', { nodeId })
    return (name: string) => computedStyle.find((one) => one.name === name)?.value
  }
  const link = '.site-header .menu a[href$="news.html"]'
  const WHERE: Readonly<Record<LinkState, readonly [string, string[]]>> = {
    link: [link, []],
    visited: [link, ['visited']],
    hover: [link, ['hover']],
    focus: [link, ['focus', 'focus-visible']],
    active: [link, ['active']],
    here: ['.site-header .menu .here', []],
    within: ['.site-header .menu .within', []],
  }
  const states = linkStates(DEFAULT_LOOK, 'header')
  const seen: string[] = []
  for (const state of LINK_STATES) {
    const [selector, forced] = WHERE[state]
    const of = await look(selector, forced)
    const wanted: StateLook = states[state]
    expect([state, of('color')]).toEqual([state, rgb(wanted.colour)])
    const back = wanted.back === states.link.back ? 'rgba(0, 0, 0, 0)' : rgb(wanted.back)
    expect([state, of('background-color')]).toEqual([state, back])
    expect([state, of('outline-style')]).toEqual([state, wanted.ring ? 'solid' : 'none'])
    expect([state, of('font-weight')]).toEqual([state, wanted.bold ? '700' : '400'])
    if (wanted.bar !== 'none') expect([state, of('border-bottom-style')]).toEqual([state, wanted.bar])
    seen.push(
      ['color', 'background-color', 'outline-style', 'font-weight', 'border-bottom-style'].map(of).join(),
    )
  }
  // No state hides another.
  expect(new Set(seen).size).toBe(LINK_STATES.length)
})

test('two pages are compared: every difference has a cause, and a change of one shows at once', async ({
  page,
  served,
}) => {
  await openDemo(page, served)
  await page.getByRole('link', { name: 'Surround' }).click()
  await page.getByRole('link', { name: 'Compare', exact: true }).click()
  await expect(page.getByText('Nothing differs that should be the same.')).toBeVisible()
  const other = page.getByRole('combobox', { name: 'beside this page' })
  await other.click()
  await other.fill('mill lock')
  await page.keyboard.press('Enter')
  const source = page.getByRole('region', { name: 'Source of Mill Lock' })
  await expect(source.getByText('section menu', { exact: true })).toBeVisible()
  await expect(page.getByRole('main').getByRole('status')).toContainText('here mark')
  await expect(page.getByRole('main').getByRole('status')).toContainText('path')
  await expect(page.getByText('Nothing differs that should be the same.')).toBeVisible()
})
