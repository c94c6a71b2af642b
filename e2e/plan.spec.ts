import { readFileSync } from 'node:fs'
import type { Page } from '@playwright/test'
import { addressesOf } from '@viatica/core/address/addresses.ts'
import { outputFiles } from '@viatica/core/formats/archive.ts'
import { labelOf, type PageEntry } from '@viatica/core/plan/entry.ts'
import { childrenOf, walk } from '@viatica/core/plan/plan.ts'
import type { Site } from '@viatica/core/plan/site.ts'
import { fromSiteData, type SiteData } from '@viatica/core/plan/siteData.ts'
import {
  axeFindings,
  choose,
  expect,
  openDemo,
  openAt,
  reveal,
  row,
  rowNamed,
  saved,
  type Served,
  test,
} from './viatica.ts'

async function siteNow(page: Page, served: Served): Promise<Site> {
  const id = /sites\/(\w+)/.exec(page.url())![1]!
  const { site } = (await (await fetch(`${served.url}/api/sites/${id}`)).json()) as { site: SiteData }
  return fromSiteData(site)
}

/** The plan as indented labels. */
const shape = ({ plan }: Site) =>
  [...walk(plan)].map(({ entry, depth }) => '  '.repeat(depth) + labelOf(entry))

/** Forty lines on three levels, two of them with problems. */
const LIST = [
  'Visit us',
  ...['Getting here', 'Opening times', 'Prices', 'Groups', 'Access'].map((line) => `  ${line}`),
  'Exhibitions',
  ...[1, 2, 3, 4, 5].flatMap((n) => [`  Room ${n}`, `    What is in room ${n}`]),
  'Collection',
  '  Looms',
  '    Hand looms',
  '    Power looms',
  '  Dyes',
  '        Madder',
  '    Indigo',
  '    Woad',
  'Learning',
  '  Schools',
  '  Prices',
  '  Courses',
  '    Spinning',
  '    Weaving',
  'About',
  '  People',
  '  History',
  '  Jobs',
  '  Press',
  'Tickets',
  'Newsletter',
  'Shop',
  'Contact',
]

test('by keyboard alone: a site from a pasted list, problems corrected, a section moved, five pages planned', async ({
  page,
  served,
  watched,
}) => {
  expect(LIST).toHaveLength(40)
  await page.goto(served.url)
  await page.getByRole('link', { name: /Wetherlock/ }).waitFor()

  // From the top of the page: the site, its removal, then the name of the new one.
  const name = page.getByLabel('Site name')
  for (let n = 0; n < 10 && !(await name.evaluate((one) => one === document.activeElement)); n++)
    await page.keyboard.press('Tab')
  await page.keyboard.type('Mill Museum')
  await page.keyboard.press('Tab')
  await page.keyboard.press('ArrowDown')
  await expect(page.getByRole('radio', { name: 'A pasted list' })).toBeChecked()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('dialog', { name: 'The pages of Mill Museum' })).toBeVisible()
  await page.keyboard.insertText(LIST.join('\n'))
  await expect(page.getByText('40 pages, 2 lines with problems')).toBeVisible()

  // To the next warning and back into the text, twice: a line that jumped, and a title that stands twice.
  const toNextProblem = async () => {
    await page.keyboard.press('Tab')
    await expect(page.getByRole('button', { name: 'Next problem' })).toBeFocused()
    await page.keyboard.press('Enter')
  }
  await page.keyboard.press('Control+Home')
  await toNextProblem()
  await page.keyboard.press('Alt+ArrowLeft')
  await page.keyboard.press('Alt+ArrowLeft')
  await expect(page.getByText('40 pages, 1 line with a problem')).toBeVisible()
  await toNextProblem()
  await page.keyboard.insertText('  Prices for schools')
  await expect(page.getByText('40 pages, no problems')).toBeVisible()
  for (let n = 0; n < 4; n++) {
    await page.keyboard.press('Tab')
    const start = page.getByRole('button', { name: 'Create site with 40 pages' })
    if (await start.evaluate((one) => one === document.activeElement)) break
  }
  await page.keyboard.press('Enter')

  // In the outline: the search goes to a section, which is moved up twice and under the one before it.
  await expect(page.getByRole('tree', { name: 'Plan' })).toBeVisible()
  await page.keyboard.press('/')
  await page.keyboard.type('collection')
  await expect(page.getByRole('option', { name: /Collection/ })).toBeVisible()
  await page.keyboard.press('Enter')
  await expect(rowNamed(page, 'Collection')).toBeFocused()
  await page.keyboard.press('Alt+ArrowUp')
  await expect(rowNamed(page, 'Collection')).toHaveAttribute('aria-posinset', '2')
  await expect(rowNamed(page, 'Collection')).toBeFocused()

  // Five at once are planned: a range of four, and one more.
  await page.keyboard.press('ArrowUp')
  await expect(rowNamed(page, 'Access')).toBeFocused()
  for (let n = 0; n < 3; n++) await page.keyboard.press('Shift+ArrowUp')
  await expect(page.getByText('4 entries chosen')).toBeVisible()
  await page.keyboard.press('Control+ArrowUp')
  await page.keyboard.press(' ')
  await expect(page.getByText('5 entries chosen')).toBeVisible()
  await page.keyboard.press('1')
  await expect(page.getByRole('contentinfo')).toContainText('5 pages are now planned')

  // New pages in a row: Enter goes right on to the next, Tab to a subpage and back, and no letter is taken for a command.
  await page.keyboard.press('End')
  await expect(rowNamed(page, 'Contact')).toBeFocused()
  await page.keyboard.press('Enter')
  for (const key of [
    'Terms',
    'Enter',
    'Privacy',
    'Enter',
    'mc1 Cook',
    'Tab',
    'ies',
    'Enter',
    'Shift+Tab',
    'Site map',
    'Enter',
  ])
    if (/^(Enter|(Shift\+)?Tab)$/.test(key)) await page.keyboard.press(key)
    else await page.keyboard.type(key)
  await page.keyboard.press('Escape')
  await expect(rowNamed(page, 'Site map')).toBeFocused()
  await saved(page)

  const site = await siteNow(page, served)
  const lines = LIST.map((line) => `  ${line}`)
  lines[lines.indexOf('          Madder')] = '      Madder'
  lines[lines.lastIndexOf('    Prices')] = '    Prices for schools'
  const [collection, exhibitions] = [lines.indexOf('  Collection'), lines.indexOf('  Exhibitions')]
  const moved = lines.splice(collection, lines.indexOf('  Learning') - collection)
  lines.splice(exhibitions, 0, ...moved)
  expect(shape(site)).toEqual(['Home', ...lines, '  Terms', '  Privacy', '    mc1 Cookies', '  Site map'])
  const states = [...site.plan.entries.values()].map((entry) => (entry as PageEntry).state)
  expect(states.filter((state) => state === 'planned')).toHaveLength(5)
  const paths = [...addressesOf(site).paths.values()]
  expect(paths).toEqual(
    expect.arrayContaining(['what-is-in-room-3.html', 'prices-for-schools.html', 'madder.html']),
  )
  expect(watched).toEqual({ errors: [], strangers: [] })
})

test('by mouse: three chosen pages are dragged, and their addresses are seen before they are let go', async ({
  page,
  served,
}) => {
  await openDemo(page, served)
  await row(page, 'getting-here').click()
  await row(page, 'opening-times').click({ modifiers: ['Control'] })
  await row(page, 'tea-room').click({ modifiers: ['Control'] })
  await expect(page.getByText('3 entries chosen')).toBeVisible()

  const middle = async (id: string) => {
    const { x, y, width, height } = (await row(page, id).boundingBox())!
    return { x: x + width / 2, y: y + height / 2 }
  }
  const [from, to] = [await middle('opening-times'), await middle('licences')]
  await page.mouse.move(from.x, from.y)
  await page.mouse.down()
  await page.mouse.move(from.x + 6, from.y + 3, { steps: 3 })
  await page.mouse.move(to.x, to.y, { steps: 6 })
  const note = page.getByRole('status').filter({ hasText: 'moved under “Licences”' })
  // A drag says where it is as long as it moves.
  await expect(async () => {
    await page.mouse.move(to.x + 1, to.y)
    await page.mouse.move(to.x, to.y)
    await expect(note).toBeVisible({ timeout: 300 })
  }).toPass()
  const promised = await note.getByRole('listitem').allInnerTexts()
  expect(promised.map((line) => line.split('\n').at(-1))).toEqual([
    'boating/licences/getting-here.html',
    'boating/licences/opening-times.html',
    'boating/licences/tea-room.html',
  ])
  const before = await siteNow(page, served)
  expect(addressesOf(before).paths.get('tea-room')).toBe('visit/tea-room.html')
  await page.mouse.up()
  await expect(page.getByRole('contentinfo')).toContainText('3 entries moved under “Licences”: 3 addresses')
  await saved(page)
  const { paths } = addressesOf(await siteNow(page, served))
  for (const id of ['getting-here', 'opening-times', 'tea-room'])
    expect(paths.get(id)).toBe(`boating/licences/${id}.html`)
})

test('the ripple is told after a change, in full on request, and taken back with one key', async ({
  page,
  served,
}) => {
  await openDemo(page, served)
  await choose(page, 'tanyard')
  await page.keyboard.press('F2')
  await page.getByLabel('New name').fill('Tanyard Locks')
  // Before it is taken: where the page will stand, and what that touches.
  await expect(page.getByText('boating/lock-guide/tanyard-locks.html')).toBeVisible()
  await expect(page.locator('.foresight')).toContainText('6 links in text')
  await page.keyboard.press('Enter')
  const foot = page.getByRole('contentinfo')
  await expect(foot).toContainText('“Tanyard Staircase” renamed “Tanyard Locks”: 1 address')
  await foot.getByRole('button', { name: 'Show' }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByRole('button', { name: /Tanyard Locks/ }).click()
  await expect(dialog.locator('del').first()).toHaveText('boating/lock-guide/tanyard-staircase.html')
  await expect(dialog.locator('ins').first()).toHaveText('boating/lock-guide/tanyard-locks.html')
  await expect(dialog.getByRole('heading', { name: 'breadcrumb' })).toBeVisible()
  await page.keyboard.press('Escape')
  await foot.getByRole('button', { name: 'Undo' }).click()
  await expect(foot).toContainText('Undone: “Tanyard Staircase” renamed “Tanyard Locks”: 1 address')
})

test('a list in the clipboard is pasted into the outline as one change', async ({
  page,
  served,
  context,
}) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write'])
  await openDemo(page, served)
  await choose(page, 'boating')
  await page.evaluate(() => navigator.clipboard.writeText('- Hire\n  - Day boats\n- Slipway'))
  await page.keyboard.press('Control+v')
  const dialog = page.getByRole('dialog', { name: 'Add pages from a list' })
  await expect(dialog.getByText('boating/hire/day-boats.html')).toBeVisible()
  await dialog.getByRole('radio', { name: 'beside it' }).check()
  await expect(dialog.getByText('hire/day-boats.html', { exact: true })).toBeVisible()
  await dialog.getByRole('button', { name: 'Add 3 entries' }).click()
  await expect(rowNamed(page, 'Day boats')).toHaveAttribute('aria-level', '3')
  await page.keyboard.press('Control+z')
  await expect(rowNamed(page, 'Day boats')).toHaveCount(0)
  await expect(rowNamed(page, 'Slipway')).toHaveCount(0)
})

test('a page goes with a redirect from its address and its links led to the page above, as one step', async ({
  page,
  served,
}) => {
  await openDemo(page, served)
  await choose(page, 'tanyard')
  await page.keyboard.press('Delete')
  const dialog = page.getByRole('dialog', { name: 'Remove “Tanyard Staircase”?' })
  await expect(dialog).toContainText(/[0-9]+ links lead there/)
  const address = dialog.getByLabel('Old address: boating/lock-guide/tanyard-staircase.html')
  const links = dialog.getByLabel('These links')
  // Without a redirect there is no page to lead them to.
  await expect(links.getByRole('option')).toHaveText([/^stay/, 'become plain text, in page texts'])
  await address.selectOption('redirect to “Lock guide”')
  await links.selectOption('lead to “Lock guide”')
  await address.selectOption('no redirect')
  await expect(links).toHaveValue('stay')
  await address.selectOption('redirect to another page …')
  await dialog.getByRole('combobox', { name: 'Page', exact: true }).fill('Moorings')
  await page.keyboard.press('Enter')
  await links.selectOption('lead to “Moorings”')
  expect(await axeFindings(page)).toEqual([])
  await dialog.getByRole('button', { name: 'Remove' }).click()
  await saved(page)
  const bodies = async () =>
    [...(await siteNow(page, served)).plan.entries.values()]
      .map((entry) => (entry.kind === 'page' ? entry.body.html : ''))
      .join()
  expect(await bodies()).not.toContain('entry:tanyard')
  const from = 'boating/lock-guide/tanyard-staircase.html'
  expect((await siteNow(page, served)).settings.redirects).toContainEqual({
    ...{ from, to: { to: 'entry', entry: 'moorings', fragment: '' } },
  })
  const old = [...outputFiles(await siteNow(page, served), 2026)].find(({ path }) => path === from)
  expect(old && 'text' in old && old.text()).toContain('url=../moorings.html')
  await page.getByRole('button', { name: 'Undo' }).first().click()
  await expect(row(page, 'tanyard')).toBeVisible()
  await saved(page)
  expect(await bodies()).toContain('entry:tanyard')
  expect((await siteNow(page, served)).settings.redirects.map((one) => one.from)).not.toContain(from)
})

test('the history goes back to any point as a new change', async ({ page, served }) => {
  await openDemo(page, served)
  for (const [id, name] of [
    ['visit', 'See us'],
    ['boating', 'Afloat'],
  ] as const) {
    await choose(page, id)
    await page.keyboard.press('F2')
    await page.getByLabel('New name').fill(name)
    await page.keyboard.press('Enter')
  }
  await choose(page, 'access')
  await page.keyboard.press('Delete')
  await page.getByRole('dialog').getByRole('button', { name: 'Remove' }).click()
  await saved(page)
  await page.getByRole('link', { name: 'History' }).click()
  await expect(page.getByRole('main').getByText('“Access for all” removed')).toBeVisible()
  await page.getByRole('button', { name: /Restore: “Visit” renamed/ }).click()
  await expect(page.getByRole('dialog')).toContainText('1 page more')
  await page.getByRole('button', { name: 'Restore', exact: true }).click()
  await expect(page.getByRole('main').getByText(/^Restored/)).toBeVisible()
  await saved(page)
  const { plan } = await siteNow(page, served)
  expect((plan.entries.get('visit') as PageEntry).title).toBe('See us')
  expect((plan.entries.get('boating') as PageEntry).title).not.toBe('Afloat')
  expect(childrenOf(plan, 'visit')).toContain('access')
})

test('a page is copied under a title of its own, here and into another site', async ({ page, served }) => {
  await fetch(`${served.url}/api/sites`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: '{"name":"Sister trust"}',
  })
  await openDemo(page, served)
  await choose(page, 'lock-guide')
  await page.keyboard.press('c')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('alert')).toContainText('Give the copy a title of its own')
  await page.getByLabel('Title of the copy').fill('Mill Lock')
  await expect(page.getByText('has “Mill Lock” already')).toBeVisible()
  await page.getByLabel('Title of the copy').fill('Bridge guide')
  await page.getByRole('checkbox', { name: 'with what is under it (4)' }).uncheck()
  await page.keyboard.press('Enter')
  await expect(rowNamed(page, 'Bridge guide')).toHaveAttribute('aria-level', '3')

  await choose(page, 'lock-guide')
  await page.keyboard.press('c')
  await page.getByLabel('Title of the copy').fill('Locks')
  await page.getByLabel('Into').selectOption('Sister trust')
  await page.getByRole('button', { name: 'Copy', exact: true }).click()
  await expect(page.getByRole('alert')).toContainText('“Locks” was copied into Sister trust')
  await page.getByRole('link', { name: /all sites/ }).click()
  await page.getByRole('link', { name: /Sister trust/ }).click()
  await expect(rowNamed(page, 'Tanyard Staircase')).toHaveAttribute('aria-level', '3')
})

test('the inventory sorts, filters, is edited in place, and goes through a spreadsheet and back', async ({
  page,
  served,
  watched,
}) => {
  await openDemo(page, served)
  await page.getByRole('link', { name: 'Inventory' }).click()
  const grid = page.getByRole('grid', { name: 'Inventory' })
  await page.getByLabel('Only with state').selectOption('draft')
  await expect(page.getByText('5 of 41 pages')).toBeVisible()
  await page.getByLabel('Only with words').fill('>150')
  await expect(page.getByText('2 of 41 pages')).toBeVisible()
  await page.getByRole('button', { name: 'Show all' }).click()
  await grid.getByRole('button', { name: 'words' }).click()
  await expect(grid.getByRole('columnheader', { name: 'words' })).toHaveAttribute('aria-sort', 'ascending')

  // By keyboard: to a cell, into it, a bad value that is refused, a good one that is kept.
  await page.getByRole('button', { name: 'In plan order' }).click()
  await grid.getByRole('gridcell', { name: 'Opening times', exact: true }).click()
  await page.keyboard.press('ArrowRight')
  await page.keyboard.press('ArrowRight')
  await page.keyboard.press('Enter')
  await page.keyboard.type('a/b')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('alert')).toContainText('A file name cannot contain "/"')
  await page.keyboard.press('Control+a')
  await page.keyboard.type('hours')
  await page.keyboard.press('Enter')
  await expect(grid.getByText('visit/hours.html')).toBeVisible()
  await expect(row(page, 'opening-times')).toHaveAttribute('aria-selected', 'true')
  // A click into the open editor moves its caret; typing over a cell starts with what is typed.
  await page.keyboard.press('Enter')
  const editor = grid.getByRole('textbox', { name: 'file name', exact: true })
  await editor.press('End')
  await page.keyboard.type('-and-days')
  await editor.click({ position: { x: 6, y: 10 } })
  await expect(editor).toBeFocused()
  await expect(editor).toHaveValue('hours-and-days')
  await page.keyboard.press('Escape')
  await page.keyboard.type('times')
  await expect(editor).toHaveValue('times')
  await page.keyboard.press('Enter')
  await expect(grid.getByText('visit/times.html')).toBeVisible()
  await page.keyboard.press('ArrowRight')
  await page.keyboard.press('ArrowRight')
  await page.keyboard.press(' ')
  await expect(row(page, 'opening-times').getByLabel('not in menus')).toBeVisible()
  await saved(page)

  // A column of a spreadsheet is pasted over the rows from here on, shown first, and undone as one.
  const paste = (text: string) =>
    page.evaluate((copied) => {
      const clipboardData = new DataTransfer()
      clipboardData.setData('text/plain', copied)
      document.activeElement!.dispatchEvent(new ClipboardEvent('paste', { clipboardData, bubbles: true }))
    }, text)
  const labelsNow = async () => {
    const { entries } = (await siteNow(page, served)).plan
    return ['opening-times', 'access', 'tea-room'].map((id) => (entries.get(id) as PageEntry).label)
  }
  const labels = await labelsNow()
  await grid.getByRole('gridcell', { name: 'Access for all', exact: true }).first().click()
  await page.keyboard.press('ArrowUp')
  await page.keyboard.press('ArrowRight')
  await paste('Hours\r\nAccess\r\nTea\r\n')
  const pasted = page.getByRole('dialog', { name: 'What the pasted cells change' })
  await expect(pasted.locator('ins')).toHaveText(['Hours', 'Access', 'Tea'])
  await pasted.getByRole('button', { name: 'Apply all' }).click()
  await expect(page.getByRole('contentinfo')).toContainText('Pasted into the inventory: 3 entries changed')
  await expect.poll(labelsNow).toEqual(['Hours', 'Access', 'Tea'])
  await page.keyboard.press('Control+z')
  await expect.poll(labelsNow).toEqual(labels)
  await grid.getByRole('gridcell', { name: 'yes' }).first().click()
  await paste('maybe\nno')
  await expect(page.getByRole('dialog')).toContainText('“maybe” is neither yes nor no')
  await page.getByRole('dialog').getByRole('button', { name: 'Close' }).click()
  await grid.locator('code').first().click()
  await paste('a.html\nb.html')
  await expect(page.getByText('The column “address” is calculated.')).toBeVisible()
  await saved(page)

  const downloading = page.waitForEvent('download')
  await page.getByRole('button', { name: 'CSV', exact: true }).click()
  const download = await downloading
  expect(download.suggestedFilename()).toBe('wetherlock-canal-trust-inventory.csv')
  const text = readFileSync(await download.path(), 'utf8')
  const chooser = page.getByLabel('Changed inventory')
  const csv = (content: string) => ({ name: 'i.csv', mimeType: 'text/csv', buffer: Buffer.from(content) })
  await chooser.setInputFiles(
    csv(text.replace('Mill Lock', 'Mill Lock, deep').replace(',parent,', ',mother,')),
  )
  await expect(page.getByRole('dialog').getByRole('alert')).toContainText(
    '“mother” is not a column of the inventory',
  )
  await page.getByRole('dialog').getByRole('button', { name: 'Close' }).click()
  await chooser.setInputFiles(
    csv(text.replace('page,lock-guide,Mill Lock', 'page,lock-guide,"Mill Lock, deep"')),
  )
  const dialog = page.getByRole('dialog', { name: 'What the inventory changes' })
  await expect(dialog).toContainText('1 cell differs')
  await expect(dialog.locator('ins')).toHaveText('Mill Lock, deep')
  await dialog.getByRole('button', { name: 'Apply all' }).click()
  await expect(page.getByRole('contentinfo')).toContainText('Inventory imported: 1 entry changed')
  await saved(page)
  expect(((await siteNow(page, served)).plan.entries.get('mill-lock') as PageEntry).title).toBe(
    'Mill Lock, deep',
  )
  expect(watched).toEqual({ errors: [], strangers: [] })
})

test('the structure is walked by keyboard, folded, saved as SVG and printed in tiles', async ({
  page,
  served,
  watched,
}) => {
  await openDemo(page, served)
  await choose(page, 'visit')
  await page.getByRole('link', { name: 'Structure' }).click()
  const tree = page.getByRole('tree', { name: 'Structure' })
  const box = (name: string) => tree.getByRole('treeitem', { name })
  await box('Visit, ready').focus()
  await page.keyboard.press('ArrowRight')
  await expect(box('Getting here, ready')).toBeFocused()
  await page.keyboard.press('ArrowDown')
  await expect(box('Opening times, ready')).toBeFocused()
  await expect(row(page, 'opening-times')).toHaveAttribute('aria-selected', 'true')
  await page.keyboard.press('ArrowLeft')
  await page.keyboard.press(' ')
  await expect(box('Visit, ready')).toHaveAttribute('aria-expanded', 'false')
  await expect(row(page, 'visit')).toHaveAttribute('aria-expanded', 'false')
  await page.keyboard.press(' ')
  await page.keyboard.press('0')

  const downloading = page.waitForEvent('download')
  await page.getByRole('button', { name: 'SVG' }).click()
  const svg = readFileSync(await (await downloading).path(), 'utf8')
  const parsed = await page.evaluate((text) => {
    const root = new DOMParser().parseFromString(text, 'image/svg+xml').documentElement
    return { name: root.nodeName, boxes: root.querySelectorAll('path[stroke-width="1.4"]').length }
  }, svg)
  const { plan } = await siteNow(page, served)
  expect(parsed).toEqual({ name: 'svg', boxes: plan.entries.size })

  // Printing would show a dialog of the system: what it would put on paper is counted instead.
  await page.evaluate(() => {
    window.print = () => void (document.title = `${document.querySelectorAll('.sheets svg').length} sheets`)
  })
  await page.getByRole('button', { name: 'Print', exact: true }).click()
  await page.getByText('in tiles, full size').click()
  const sheets = /\d+ sheets/.exec(await page.getByRole('dialog').innerText())![0]
  expect(parseInt(sheets)).toBeGreaterThan(1)
  await page.getByRole('button', { name: 'Print …' }).click()
  await expect(page).toHaveTitle(sheets)
  expect(watched).toEqual({ errors: [], strangers: [] })
})

test('what a file name cannot be is refused with the reason', async ({ page, served }) => {
  await openDemo(page, served)
  await choose(page, 'access')
  const field = page.getByRole('complementary').getByLabel('File name')
  for (const [name, reason] of [
    ['a/b', 'cannot contain "/"'],
    ['..', 'neither start nor end with a dot'],
    ['a:b', 'cannot contain ":"'],
    ['access.', 'neither start nor end with a dot'],
    ['x'.repeat(300), 'at most'],
  ] as const) {
    await field.fill(name)
    await field.press('Enter')
    await expect(page.getByRole('complementary').getByRole('alert')).toContainText(reason)
  }
  await field.fill('Für alle')
  await expect(page.getByText('will be saved as fur-alle')).toBeVisible()
  await field.press('Enter')
  await expect(page.getByText('visit/fur-alle.html').first()).toBeVisible()
})

test('addresses are pinned, and what moves afterwards leaves a redirect', async ({ page, served }) => {
  const id = await openDemo(page, served)
  const downloading = page.waitForEvent('download')
  await page.getByRole('link', { name: 'Download site' }).click()
  await downloading
  const offer = page.getByText('pin its 37 addresses')
  await expect(offer).toBeVisible()
  expect(await axeFindings(page)).toEqual([])
  // It covers nothing: the link that was clicked can be clicked again.
  await page.getByRole('link', { name: 'Download site' }).click({ trial: true })
  await page.keyboard.press('Escape')
  await expect(offer).toBeHidden()
  await page.getByRole('link', { name: 'Addresses' }).click()
  await page.getByText('Pins and redirects').click()
  await page.getByRole('button', { name: 'Pin all' }).click()
  await expect(row(page, 'visit').getByLabel('pinned address')).toBeVisible()
  await page.getByText('Address settings').click()
  await page.getByLabel('Extension').selectOption('.htm')
  await expect(page.getByText('41 of 41 addresses change')).toBeVisible()
  await expect(page.getByText('37 of them are pinned')).toBeVisible()
  await page.getByRole('button', { name: 'Apply' }).click()
  await page.getByText('Pins and redirects (37)').click()
  await expect(page.getByRole('cell', { name: 'boating/licences.html', exact: true })).toBeVisible()

  // A redirect of the author's own, which may not lead back to itself.
  await page.getByLabel('From (a path of the site)').fill('visit.htm')
  await page.getByRole('button', { name: 'Add', exact: true }).click()
  await expect(page.getByRole('alert')).toContainText('There is a page at visit.htm')
  await page.getByLabel('From (a path of the site)').fill('afloat.html')
  await page.getByRole('button', { name: 'Add', exact: true }).click()
  await expect(page.getByText('Pins and redirects (38)')).toBeVisible()
  await page.getByRole('button', { name: 'Remove the redirect from about.html' }).click()
  await expect(page.getByText('Pins and redirects (37)')).toBeVisible()
  await saved(page)

  const archive = await fetch(`${served.url}/api/sites/${id}/site.json`)
  expect(await archive.text()).toContain('"from": "afloat.html"')
  await (await reveal(page, 'privacy')).click()
  await page.getByRole('link', { name: 'Page', exact: true }).click()
  await page.getByRole('button', { name: 'Release' }).click()
  await expect(page.getByText('Address not pinned')).toBeVisible()

  // A section whose file name moves what was published: asked first, by Enter as by leaving the field.
  await (await reveal(page, 'visit')).click()
  await page.getByRole('complementary').getByRole('button', { name: 'Pin' }).first().click()
  await expect(page.getByText('Address pinned')).toBeVisible()
  const field = page.getByRole('complementary').getByLabel('File name', { exact: true })
  const question = page.getByRole('dialog', { name: /this changes published addresses$/ })
  await field.click()
  await page.keyboard.type('plan-a-visit')
  await page.keyboard.press('Enter')
  await expect(question).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(question).toBeHidden()
  await expect(field).toHaveValue('')
  await expect(row(page, 'visit')).toContainText('visit')
  await field.click()
  await page.keyboard.type('plan-a-visit')
  await page.keyboard.press('Tab')
  await question.getByRole('button', { name: 'Move', exact: true }).click()
  await expect(row(page, 'visit')).toContainText('plan-a-visit')
})

test('a list with links is pasted, a page becomes a group and back, and a new link leads nowhere until it is said', async ({
  page,
  served,
  watched,
}) => {
  await openAt(page, served, '/')
  await page.getByLabel('Site name').fill('Basin')
  await page.getByLabel('A pasted list').check()
  await page.getByRole('button', { name: 'Create site' }).click()
  const list =
    'Home\n  Visit\n    Times\n    [Shop](https://shop.example.org/)\n  Boats\nhttps://www.example.org'
  await page.getByRole('dialog').getByRole('textbox').fill(list)
  await page.getByRole('button', { name: 'Create site with 6 pages' }).click()
  await expect(page.getByRole('treeitem')).toHaveCount(6)
  await expect(rowNamed(page, 'Shop')).toContainText('shop.example.org')
  await expect(rowNamed(page, 'Home')).toHaveAttribute('aria-level', '1')

  const act = async (what: string) => {
    await page.getByRole('treeitem', { selected: true }).getByRole('button', { name: 'Actions' }).click()
    await page.getByRole('menuitem', { name: what }).click()
  }
  await rowNamed(page, 'Visit').click()
  // A chosen section keeps its arrow.
  await page.getByRole('button', { name: 'Collapse Visit' }).click()
  await expect(rowNamed(page, 'Times')).toHaveCount(0)
  await page.getByRole('button', { name: 'Expand Visit' }).click()
  await act('Change to group')
  const dialog = page.getByRole('dialog')
  if (await dialog.isVisible()) await dialog.getByRole('button').last().click()
  await expect(page.getByLabel('Folder name')).toBeVisible()
  await expect(rowNamed(page, 'Times')).toBeVisible()
  await act('Change to page')
  await expect(page.getByLabel('File name')).toBeVisible()

  await rowNamed(page, 'Boats').click()
  await act('Add link')
  await page.keyboard.type('Timetable')
  await page.keyboard.press('Enter')
  await page.keyboard.press('Escape')
  await expect(rowNamed(page, 'Timetable')).toContainText('leads nowhere')
  await rowNamed(page, 'Timetable').click()
  await expect(page.getByLabel('Address', { exact: true })).toHaveValue('')
  await page.getByLabel('Address', { exact: true }).fill('buses.example.org')
  await page.keyboard.press('Enter')
  await expect(rowNamed(page, 'Timetable')).toContainText('buses.example.org')
  await saved(page)

  // A site of the same name, from a file that is called otherwise: the name that was typed stands, and both are told apart.
  await page.getByRole('link', { name: /all sites/ }).click()
  await page.getByLabel('Site name').fill('Basin')
  const outline =
    '<opml version="2.0"><head><title>Other</title></head><body><outline text="Home"/></body></opml>'
  await page
    .getByLabel('Site file, outline or rows')
    .setInputFiles({ name: 'other.opml', mimeType: '', buffer: Buffer.from(outline) })
  await expect(page.getByRole('treeitem')).toHaveCount(1)
  await page.getByRole('link', { name: /all sites/ }).click()
  const names = page.getByRole('link', { name: /^Basin/ })
  await expect(names).toHaveCount(2)
  const texts = await names.locator('code').allTextContents()
  expect(new Set(texts).size).toBe(2)
  expect(await axeFindings(page)).toEqual([])
  expect(watched).toEqual({ errors: [], strangers: [] })
})
