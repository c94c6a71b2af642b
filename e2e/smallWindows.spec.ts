import type { Page } from '@playwright/test'
import { axeFindings, expect, openDemo, openAt, row, test } from './viatica.ts'
import { goWithin } from './within.ts'

/** Every view of a site: its address, and what it is headed by. */
const VIEWS = [
  ['plan', 'Plan: Page'],
  ['plan/structure', 'Plan: Structure'],
  ['plan/inventory', 'Plan: Inventory'],
  ['plan/addresses', 'Plan: Addresses'],
  ['plan/statistics', 'Plan: Statistics'],
  ['plan/history', 'Plan: History'],
  ['surround', 'Surround: Pieces'],
  ['surround/menus', 'Surround: Menus'],
  ['surround/current-page', 'Surround: Current page'],
  ['surround/design', 'Surround: Design'],
  ['surround/labels', 'Surround: Labels'],
  ['surround/files', 'Surround: Files'],
  ['surround/source', 'Surround: Source'],
  ['surround/compare', 'Surround: Compare'],
  ['write', 'Write: Otters'],
  ['write/source', 'Write: Otters'],
  ['proof', 'Proof: Findings'],
  ['proof/link-check', 'Proof: Link check'],
  ['proof/links', 'Proof: Links'],
  ['proof/review', 'Proof: Review'],
  ['publish', 'Publish: Changes'],
  ['settings', 'Settings'],
  ['settings/addresses', 'Settings'],
  ['settings/dictionary', 'Settings'],
] as const

/** Goes to a view, and waits until it stands there: also where the one before is headed alike. */
async function goToView(page: Page, id: string, [view, heading]: (typeof VIEWS)[number]): Promise<void> {
  await goWithin(page, `/sites/${id}/${view}?page=otters`)
  const isCurrent = (path: string) =>
    page.evaluate(
      (to) =>
        [...document.querySelectorAll<HTMLAnchorElement>('a[aria-current=page]')].some(
          ({ pathname }) => pathname === to,
        ),
      path,
    )
  await expect.poll(() => isCurrent(`/sites/${id}/${view}`), view).toBe(true)
  await expect(page.getByRole('heading', { level: 1 }).first()).toHaveText(heading)
}

/** What scrolls in two directions, or stands outside of the window. Tables and sources have two by what they are. */
const tooLarge = (page: Page) =>
  page.evaluate(() => {
    const { documentElement: root } = document
    const found: string[] = []
    if (root.scrollWidth > innerWidth) found.push(`the document is ${root.scrollWidth} wide`)
    if (root.scrollHeight > innerHeight) found.push(`the document is ${root.scrollHeight} high`)
    const isExempt = (element: Element) =>
      element.closest('table, svg, canvas, iframe, [class*=cm-], [role=application], section:has(> ol)') !==
      null
    for (const element of document.querySelectorAll('.work, .work *')) {
      const { right, width } = element.getBoundingClientRect()
      if (width > 1 && right > innerWidth + 1 && !isExempt(element))
        found.push(`${element.tagName} to ${right}`)
    }
    const editor = document.querySelector('.editor')
    if (editor && editor.clientHeight < 238) found.push(`the editor is ${editor.clientHeight} high`)
    return found.slice(0, 4)
  })

test('on every view nothing is off the window in small ones, and axe-core finds nothing at 640 and 360 pixels', async ({
  page,
  served,
  watched,
}) => {
  test.slow()
  const id = await openDemo(page, served)
  const softly = expect.configure({ soft: true })
  for (const one of VIEWS) {
    await goToView(page, id, one)
    for (const [width, height] of [
      [1024, 576],
      [640, 400],
      [360, 740],
      [320, 640],
    ] as const) {
      await page.setViewportSize({ width, height })
      const where = `${one[0]} at ${width}`
      // A window that has become smaller is laid out anew a moment later.
      await softly.poll(() => tooLarge(page), where).toEqual([])
      if (width === 640 || width === 360) softly(await axeFindings(page), where).toEqual([])
    }
  }
  expect(watched).toEqual({ errors: [], strangers: [] })
})

test('in a small window the outline and the details open over the work, by key and by touch', async ({
  page,
  served,
}) => {
  await page.setViewportSize({ width: 360, height: 740 })
  await openAt(page, served, '/')
  await page.getByRole('link', { name: /Wetherlock Canal Trust/ }).click()
  const tree = page.getByRole('tree', { name: 'Plan' })
  await expect(page.getByRole('main')).toBeVisible()
  await expect(tree).toBeHidden()
  const opens = page.getByRole('button', { name: 'Outline' })
  await opens.focus()
  await page.keyboard.press('Enter')
  await expect(tree).toBeVisible()
  await expect(opens).toHaveAttribute('aria-expanded', 'true')
  await page.keyboard.press('Escape')
  await expect(tree).toBeHidden()
  await expect(opens).toBeFocused()
  await opens.click()
  await row(page, 'visit').click()
  await expect(tree).toBeHidden()
  await expect(opens).toBeFocused()
  await expect(page).toHaveURL(/page=visit/)
  const details = page.getByRole('button', { name: 'Details of what is chosen' })
  await details.click()
  const panel = page.getByRole('complementary')
  await expect(panel.getByLabel('Title')).toHaveValue('Visit the canal')
  await panel.getByLabel('Title').fill('Visit us')
  await panel.getByRole('button', { name: 'Close' }).click()
  await expect(panel).toBeHidden()
  await expect(details).toBeFocused()
  // A touch beside it closes it, too.
  await opens.click()
  await expect(tree).toBeVisible()
  await expect(page.getByRole('contentinfo')).toContainText('Visit us')
  await page.mouse.click(350, 400)
  await expect(tree).toBeHidden()
})

test('on a tablet, by touch alone: pages and pieces are chosen, menus opened, and things moved without a drag', async ({
  browser,
  served,
}) => {
  const context = await browser.newContext({ hasTouch: true, viewport: { width: 820, height: 1180 } })
  const page = await context.newPage()
  await page.goto(served.url)
  await page.getByRole('link', { name: /Wetherlock Canal Trust/ }).tap()
  await page.getByRole('button', { name: 'Outline' }).tap()
  await row(page, 'otters').tap()
  await expect(page).toHaveURL(/page=otters/)
  await expect(row(page, 'otters')).toBeHidden()
  await page.getByRole('button', { name: 'Outline' }).tap()
  await row(page, 'otters').getByRole('button', { name: 'Actions' }).tap()
  await page.getByRole('menuitem', { name: 'Move up' }).tap()
  await expect(row(page, 'otters')).toHaveAttribute('aria-posinset', '2')
  await page.touchscreen.tap(810, 1100)
  await expect(row(page, 'otters')).toBeHidden()

  // WCAG 2.2, 2.5.7: what is dragged can be moved by a tap as well.
  await page.getByRole('link', { name: 'Surround' }).tap()
  await page.locator('[data-on-page=main-menu]').tap({ position: { x: 5, y: 5 } })
  const details = page.getByRole('complementary')
  await expect(details.getByLabel('Layout')).toBeVisible()
  await details.getByRole('button', { name: 'Move the piece up' }).tap()
  await details.getByRole('button', { name: 'All pieces' }).tap()
  await expect(details.locator('[data-piece]').nth(1)).toHaveAttribute('data-piece', 'main-menu')
  await context.close()
})

/** What is wrong with the element that has the focus: it has no name, cannot be seen, or shows no focus. */
const focusFault = (page: Page) =>
  page.evaluate(() => {
    const element = document.activeElement
    if (!(element instanceof HTMLElement) || element === document.body) return { at: 'body', fault: '' }
    if (element.tagName === 'IFRAME') return { at: 'frame', fault: '' }
    const by = element.getAttribute('aria-labelledby')?.split(' ') ?? []
    const labels = 'labels' in element ? [...((element as HTMLInputElement).labels ?? [])] : []
    const name = [
      element.getAttribute('aria-label'),
      ...by.map((id) => document.getElementById(id)?.textContent),
      ...labels.map((label) => label.textContent),
      element.textContent,
      element.title,
      element.querySelector('img')?.alt,
    ].some((text) => (text ?? '').trim() !== '')
    const shows = (one: Element) => {
      const { outlineStyle, outlineWidth, boxShadow } = getComputedStyle(one)
      return (outlineStyle !== 'none' && outlineWidth !== '0px') || boxShadow !== 'none'
    }
    let isShown = false
    let up: Element | null = element
    for (let n = 0; up && !isShown && n < 4; n++, up = up.parentElement) isShown = shows(up)
    // The library draws the ring of a check box on the sign beside it.
    const sign = element.nextElementSibling
    isShown ||= sign !== null && (shows(sign) || getComputedStyle(sign, '::after').outlineStyle !== 'none')
    const { left, right, top, bottom, width, height } = element.getBoundingClientRect()
    const isIn = right > 0 && bottom > 0 && left < innerWidth && top < innerHeight
    const tag = element.outerHTML.replace(/>[^]*$/, '>').slice(0, 160)
    const fault = !name
      ? 'no name'
      : !isIn
        ? 'out of sight'
        : width > 0 && height > 0 && !isShown
          ? 'no focus'
          : ''
    return { at: tag, fault }
  })

test('every view is gone through by Tab alone: each control has a name and shows the focus', async ({
  page,
  served,
}) => {
  test.slow()
  const id = await openDemo(page, served)
  for (const one of VIEWS) {
    await goToView(page, id, one)
    // The pages inside of frames are those of the finished site.
    await page.evaluate(() => document.querySelectorAll('iframe').forEach((frame) => (frame.tabIndex = -1)))
    // What stands before the work is the same on every view.
    const skip = page.getByRole('link', { name: 'Skip to the work' })
    if (one !== VIEWS[0]) {
      await skip.focus()
      await page.keyboard.press('Enter')
    }
    const seen = new Set<string>()
    const faults = new Set<string>()
    for (let n = 0; n < 160; n++) {
      await page.keyboard.press('Tab')
      let { at, fault } = await focusFault(page)
      // Some show the focus a moment later.
      for (let again = 0; fault !== '' && again < 5; again++) {
        await page.waitForTimeout(30)
        ;({ at, fault } = await focusFault(page))
      }
      if (at === 'body' && n > 8) break
      // Tab writes in the source; Escape and Tab leave it.
      if (at.includes('cm-content')) await page.keyboard.press('Escape')
      seen.add(at)
      if (fault !== '') faults.add(`${fault}: ${at}`)
    }
    expect([...faults], one[0]).toEqual([])
    expect(seen.size, one[0]).toBeGreaterThan(5)
  }
})
