import type { Page } from '@playwright/test'
import { choose, expect, openDemo, row, saved, test } from './viatica.ts'
import { goWithin } from './within.ts'

/** The element with the focus: its role or element, and its name. */
const focused = (page: Page) =>
  page.evaluate(() => {
    const { activeElement: element } = document
    return `${element?.getAttribute('role') ?? element?.tagName} ${element?.getAttribute('aria-label') ?? element?.id ?? ''}`
  })

test('keys go to the next pane and the next stop; a toolbar is one stop of Tab; Write begins in the text', async ({
  page,
  served,
  watched,
}) => {
  const id = await openDemo(page, served)
  await choose(page, 'otters')
  for (const pane of ['MAIN work', 'ASIDE Details of what is chosen', 'treeitem']) {
    await page.keyboard.press('F6')
    expect(await focused(page)).toContain(pane)
  }
  await page.keyboard.press('Shift+F6')
  expect(await focused(page)).toContain('ASIDE')
  await page.keyboard.press('F6')

  // Into the toolbar of the outline, along it, out and back in at the same button.
  await page.keyboard.press('Shift+Tab')
  expect(await focused(page)).toContain('BUTTON')
  await page.keyboard.press('Home')
  await expect(page.getByRole('button', { name: 'Add page' })).toBeFocused()
  await page.keyboard.press('ArrowLeft')
  await expect(page.getByRole('button', { name: 'Remove', exact: true })).toBeFocused()
  await page.keyboard.press('Tab')
  expect(await focused(page)).toContain('treeitem')
  await page.keyboard.press('Shift+Tab')
  await expect(page.getByRole('button', { name: 'Remove', exact: true })).toBeFocused()
  await page.keyboard.press('Shift+Tab')
  await expect(page.getByRole('searchbox').or(page.getByRole('combobox')).first()).toBeFocused()
  // A button that its own action disables hands the focus on.
  const up = page.getByRole('button', { name: 'Move up' })
  await up.focus()
  for (let n = 0; n < 12 && (await up.isEnabled()); n++) await page.keyboard.press('Enter')
  await expect(up).toBeDisabled()
  await expect.poll(() => focused(page)).toContain('BUTTON')

  await row(page, 'otters').focus()
  await page.keyboard.press('.')
  await expect(page).toHaveURL(new RegExp(`/sites/${id}/surround`))
  await page.keyboard.press('.')
  const text = page.getByRole('textbox', { name: 'Main content' })
  await expect(text).toBeFocused()
  // There, they are letters of the text. Escape leaves a list.
  await page.keyboard.press('Control+a')
  await page.keyboard.type('a.')
  await page.keyboard.press('Enter')
  await page.getByRole('button', { name: 'List', exact: true }).click()
  await page.keyboard.type('one')
  await page.keyboard.press('Escape')
  await page.keyboard.type('after, ')
  await expect(text.locator('li')).toHaveText(['one'])
  await expect(text.locator('p').last()).toHaveText('after, ')
  await saved(page)
  expect(watched.errors).toEqual([])
})

const VIEWS = [
  'plan',
  'plan/inventory',
  'plan/addresses',
  'plan/history',
  'surround',
  'surround/menus',
  'surround/labels',
  'surround/files',
  'write',
  'proof',
  'proof/review',
  'settings',
  'settings/dictionary',
  'publish/host',
]
/** What removes or closes something. */
const REMOVES = /^(remove|delete|discard|close|release|show all|ignore|undo)/i

/** What there must be on a view before something can be removed. */
const PREPARES: Readonly<Record<string, (page: Page) => Promise<void>>> = {
  async surround(page) {
    await page.locator('[data-piece]').first().focus()
    await page.keyboard.press('Enter')
  },
  async 'surround/files'(page) {
    await page.getByRole('region', { name: 'Files of the site' }).locator('.file').first().click()
  },
  async 'plan/addresses'(page) {
    await page.getByText(/^Pins and redirects/).click()
    await page.getByRole('button', { name: 'Pin all' }).click()
    await page.getByLabel('From (a path of the site)').fill('old.html')
    await page.getByRole('button', { name: 'Add', exact: true }).click()
    await expect(page.getByRole('button', { name: 'Remove the redirect from old.html' })).toBeVisible()
  },
  async 'plan/inventory'(page) {
    await page.getByLabel('Only with words').fill('>1')
  },
  async proof(page) {
    await page.locator('.rows button').first().click()
  },
}

test('whatever is removed or closed by keyboard, the focus stays in the screen', async ({
  page,
  servedAlone: served,
}) => {
  test.slow()
  const id = await openDemo(page, served)
  const tag = () => page.evaluate(() => document.activeElement?.tagName ?? '')
  await choose(page, 'otters')
  await page.keyboard.press('Delete')
  await page.getByRole('dialog').getByRole('button', { name: 'Remove' }).focus()
  await page.keyboard.press('Enter')
  await expect(row(page, 'otters')).toBeHidden()
  await expect.poll(tag, 'a page').not.toBe('BODY')

  let done = 0
  for (const view of VIEWS) {
    await goWithin(page, `/sites/${id}/${view}?page=birds`)
    await page.waitForTimeout(600)
    await PREPARES[view]?.(page)
    const seen = new Set<string>()
    for (let n = 0; n < 10; n++) {
      const all = page.locator('#work, .notices').getByRole('button', { name: REMOVES, disabled: false })
      const names = await all.evaluateAll((buttons) =>
        buttons.map((button) =>
          (button as HTMLElement).checkVisibility()
            ? (button.getAttribute('aria-label') ?? button.textContent.trim())
            : '',
        ),
      )
      const at = names.findIndex((name) => name !== '' && !seen.has(name))
      if (at < 0) break
      const name = names[at]!
      seen.add(name)
      await all.nth(at).focus()
      await page.keyboard.press('Enter')
      // A question is answered with yes.
      const asked = page.locator('dialog[open], .ant-popover:visible').getByRole('button').last()
      await page.waitForTimeout(150)
      if (await asked.isVisible()) {
        await asked.focus()
        await page.keyboard.press('Enter')
      }
      await page.waitForTimeout(150)
      await expect.poll(tag, `${view}: ${name}`).not.toBe('BODY')
      done++
    }
  }
  expect(done).toBeGreaterThan(15)
})
