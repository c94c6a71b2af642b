import type { Page } from '@playwright/test'
import { axeFindings, choose, expect, openDemo, openAt, saved, test, writeSource } from './viatica.ts'

/** Opens a view of Proof. */
async function openView(page: Page, view: string): Promise<void> {
  await page.getByRole('link', { name: /^Proof/ }).click()
  await page.getByRole('link', { name: view, exact: true }).click()
  await expect(page.getByRole('heading', { level: 1, name: `Proof: ${view}` })).toBeAttached()
}

test('the links of the site in one picture: by keyboard from cell to cell, and to where a link is made', async ({
  page,
  served,
  watched,
}) => {
  await openDemo(page, served)
  await openView(page, 'Links')
  await expect(page.getByText('37 by 37 pages')).toBeVisible()
  const matrix = page.getByRole('application')
  const told = matrix.getByRole('status')
  await matrix.focus()
  for (const key of ['ArrowDown', 'ArrowRight', 'ArrowRight', '+']) await page.keyboard.press(key)
  await expect(told).toHaveText('Home to Getting here: text, menu, footer')
  await page.getByRole('checkbox', { name: 'menu' }).uncheck()
  await page.getByRole('checkbox', { name: 'footer' }).uncheck()
  await expect(told).toHaveText('Home to Getting here: text')
  const details = page.getByRole('complementary', { name: 'Link statistics' })
  await expect(details.getByRole('heading', { name: 'Home to Getting here' })).toBeVisible()
  await expect(details.getByRole('listitem')).toHaveCount(3)
  await expect(details.getByRole('table', { name: 'Clicks from the home page' })).toContainText('31')
  expect(await axeFindings(page)).toEqual([])

  await page.getByLabel('From', { exact: true }).selectOption({ label: 'About' })
  await expect(page.getByText('4 by 37 pages')).toBeVisible()
  await page.getByLabel('From', { exact: true }).selectOption({ label: 'every section' })
  // By mouse: a name chooses its page.
  const box = (await matrix.boundingBox())!
  await page.getByRole('button', { name: 'The whole picture' }).click()
  await page.mouse.click(box.x + 60, box.y + 112 + 4)
  await expect(page.getByRole('treeitem', { selected: true })).toContainText('Home')

  await details.getByRole('button', { name: /“/ }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Write: Home' })).toBeAttached()
  await expect(page.getByRole('textbox', { name: 'Main content', exact: true })).toBeFocused()
  expect(watched).toEqual({ errors: [], strangers: [] })
})

test('pages are gone through and ticked by key; a tick falls with its reason, and the others stand', async ({
  page,
  served,
  watched,
}) => {
  await openDemo(page, served)
  await openView(page, 'Review')
  await expect(page.getByText('0 of 37 pages reviewed')).toBeVisible()
  await page.getByRole('button', { name: 'Review the pages' }).click()
  const through = page.getByRole('dialog', { name: 'The pages, one after the other' })
  for (const label of ['Home', 'Visit', 'Getting here']) {
    await expect(through.getByRole('status')).toContainText(label)
    await expect(through.locator('iframe')).toBeVisible()
    await page.keyboard.press('s')
  }
  await expect(through.getByRole('status')).toContainText('Opening times')
  // At full size, in the width that is asked for.
  await through.getByText('360', { exact: true }).click()
  await expect(through.locator('iframe')).toHaveCSS('width', '360px')
  await through.getByText('1280', { exact: true }).click()
  await expect(through.locator('iframe')).toHaveCSS('width', '1280px')
  await through.getByRole('button', { name: 'Previous' }).click()
  await expect(through.getByRole('status')).toContainText(/Getting here.*reviewed 20\d\d/)
  expect(await axeFindings(page)).toEqual([])
  await page.keyboard.press('Escape')
  await expect(page.getByText('3 of 37 pages reviewed')).toBeVisible()

  await choose(page, 'visit')
  await writeSource(page, '<p>Another text.</p>')
  await saved(page)
  await openView(page, 'Review')
  await expect(page.getByText('2 of 37 pages reviewed')).toBeVisible()
  const row = (label: string) =>
    page
      .getByRole('list', { name: 'Pages in reading order' })
      .getByRole('listitem')
      .filter({ hasText: label })
  await expect(row('Visit').first()).toContainText('changed since: main content')
  await page.getByLabel('only what is left').check()
  await expect(row('Getting here')).toHaveCount(0)
  await page.getByRole('button', { name: 'Mark as reviewed: Visit', exact: true }).click()
  await expect(page.getByText('3 of 37 pages reviewed')).toBeVisible()
  expect(await axeFindings(page)).toEqual([])
  await page.reload()
  await expect(page.getByText('3 of 37 pages reviewed')).toBeVisible()
  expect(watched).toEqual({ errors: [], strangers: [] })
})

test('misspelt words are shown beside the text and among the findings, corrected, or kept as the site’s own', async ({
  page,
  served,
  watched,
}) => {
  await openDemo(page, served)
  await choose(page, 'privacy')
  await writeSource(page, '<p>We recieve letters at Ramsgill. We recieve them gladly.</p>')
  const beside = page.getByRole('complementary', { name: 'Beside the text' })
  await beside.getByRole('button', { name: 'recieve', exact: true }).click()
  await beside.getByRole('button', { name: 'receive', exact: true }).click()
  await expect(page.getByRole('textbox', { name: 'Source of the main content' })).toHaveText(
    '<p>We receive letters at Ramsgill. We receive them gladly.</p>',
  )
  await expect(beside.getByRole('button', { name: 'recieve' })).toHaveCount(0)
  expect(await axeFindings(page)).toEqual([])

  await page.getByRole('link', { name: /^Proof/ }).click()
  await page.getByLabel('Find among the findings').fill('Ramsgill')
  const finding = page.getByRole('list', { name: 'Findings' }).getByRole('button', { name: /Ramsgill/ })
  await finding.click()
  await page
    .getByRole('complementary', { name: 'The chosen finding' })
    .getByRole('button', { name: 'Add to dictionary' })
    .click()
  await expect(finding).toHaveCount(0)
  await page.getByRole('link', { name: 'Write', exact: true }).click()
  await beside.getByText('13 words of the site’s own').click()
  await beside.getByRole('button', { name: 'Remove Ramsgill from dictionary' }).click()
  await expect(beside.getByRole('button', { name: 'Ramsgill', exact: true })).toBeVisible()
  expect(watched).toEqual({ errors: [], strangers: [] })
})

test('a site in German is spelt by the German dictionary, its pieces too', async ({
  page,
  served,
  watched,
}) => {
  await openDemo(page, served)
  await page.getByRole('link', { name: 'Settings' }).click()
  await page.getByLabel('Language').fill('de')
  await page.getByLabel('Language').press('Enter')
  await choose(page, 'privacy')
  await writeSource(page, '<p>Die Öffnungszeiten der Schleussen stehen hier.</p>')
  const beside = page.getByRole('complementary', { name: 'Beside the text' })
  await beside.getByRole('button', { name: 'Schleussen', exact: true }).click()
  await expect(beside.getByRole('button', { name: 'Öffnungszeiten' })).toHaveCount(0)
  await beside.getByRole('button', { name: 'Schleusen', exact: true }).click()
  await expect(page.getByRole('textbox', { name: 'Source of the main content' })).toContainText(
    'der Schleusen',
  )

  // What stands around the content is English here.
  await page.getByRole('link', { name: /^Proof/ }).click()
  await page.getByLabel('Find among the findings').fill('Volunteer')
  await page
    .getByRole('list', { name: 'Findings' })
    .getByRole('button', { name: /volunteers/ })
    .first()
    .click()
  await expect(page.getByRole('group', { name: /Spelling of volunteers/ })).toBeVisible()
  expect(watched).toEqual({ errors: [], strangers: [] })
})

test('the damaged demo shows what Proof finds, and what can be fixed is fixed as one change', async ({
  page,
  served,
}) => {
  await openAt(page, served, '/')
  await page.getByRole('link', { name: /Ashcombe Allotments/ }).click()
  await page.getByRole('link', { name: /^Proof ?\d+ ?errors/ }).click()
  const finding = (words: RegExp) =>
    page.getByRole('list', { name: 'Findings' }).getByRole('button', { name: words })
  await expect(finding(/has no https/)).toBeVisible()
  // Until the check ends, findings move in the list.
  await expect(page.getByText('Checked; kept up as you edit.')).toBeVisible()
  const fault = page.getByLabel('Find among the findings')
  await fault.fill('here mark of its own')
  await finding(/here mark of its own/).click()
  await page.getByRole('button', { name: 'Fix …' }).click()
  await page.getByRole('dialog').getByRole('button', { name: 'Fix', exact: true }).click()
  await expect(finding(/here mark of its own/)).toHaveCount(0)
  await page.locator('footer').getByRole('button', { name: 'Undo' }).click()
  await expect(finding(/here mark of its own/)).toBeVisible()
})
