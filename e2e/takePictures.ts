import { chromium } from '@playwright/test'
import config from './playwright.config.ts'

/** Takes the pictures of the README: `takePictures.ts URL FOLDER`, of a server that has the demo and nothing else. */
const [url = '', folder = ''] = process.argv.slice(2)

const browser = await chromium.launch(config.use?.launchOptions ?? {})
const page = await browser.newPage({ viewport: config.use?.viewport ?? null })
const picture = async (name: string) => {
  // Frames load by themselves; nothing tells when the last of them is painted.
  await page.waitForTimeout(1500)
  await page.screenshot({ path: `${folder}/${name}.png` })
}

await page.goto(url)
await page.getByRole('link', { name: /Wetherlock/ }).waitFor()
await picture('sites')
await page.getByRole('link', { name: 'From existing pages' }).click()
await page.getByRole('button', { name: /^Try it with/ }).click()
const found = page.getByRole('navigation', { name: 'What was found' })
await found.getByRole('button', { name: 'Templates' }).click()
await page.getByLabel('Shown on').selectOption('growing/compost.htm')
await picture('existing-templates')
await found.getByRole('button', { name: 'Differences' }).click()
await page.getByRole('button', { name: 'Bring all into line: Menu' }).click()
await page.getByRole('button', { name: 'HTML of plots/prices.htm, line 18' }).click()
await picture('existing-differences')
await page.getByRole('link', { name: 'Sites' }).click()
await page.getByRole('button', { name: 'Leave' }).click()
await page.getByRole('link', { name: /Wetherlock/ }).click()
// The screen is loaded first; only then is its address that of the window.
await page.locator('[data-entry=tanyard]').click()
await picture('plan')
for (const view of ['Structure', 'Inventory', 'Statistics']) {
  await page.getByRole('link', { name: view, exact: true }).click()
  await page.mouse.move(640, 790)
  await picture(view.toLowerCase())
}
await page.getByRole('link', { name: 'Addresses', exact: true }).click()
await page.getByLabel('Folder structure').selectOption('folders')
await picture('addresses')
await page.getByRole('link', { name: 'Page', exact: true }).click()

await page.locator('[data-entry=tanyard]').click()
await page.keyboard.press('F2')
await page.keyboard.type('Tanyard Locks')
await page.keyboard.press('Enter')
await page.locator('footer').getByRole('button', { name: 'Show' }).click()
await page
  .getByRole('dialog')
  .getByRole('button', { name: /Tanyard Locks/ })
  .click()
await picture('ripple')
await page.keyboard.press('Escape')

await page.keyboard.press('Alt+ArrowDown')
await page.locator('[data-entry=moorings]').click()
await page.keyboard.press('3')
await page.getByRole('link', { name: 'History', exact: true }).click()
await picture('history')
await page.getByRole('link', { name: 'Page', exact: true }).click()
await page.getByRole('link', { name: 'Surround' }).click()
await page.locator('[data-on-page=main-menu]').click({ position: { x: 4, y: 4 } })
await picture('surround')
for (const view of ['Menus', 'Design', 'Compare']) {
  await page.getByRole('link', { name: view, exact: true }).click()
  await picture(`surround-${view.toLowerCase()}`)
}

await page.getByRole('link', { name: 'Write', exact: true }).click()
await page.locator('[data-entry=lock-guide]').click()
await picture('write')
await page.getByRole('link', { name: /^Proof/ }).click()
await page.getByRole('link', { name: 'Links', exact: true }).click()
await page.getByRole('application').focus()
for (const key of ['ArrowDown', 'ArrowRight', 'ArrowRight']) await page.keyboard.press(key)
await picture('proof-links')
await page.getByRole('link', { name: 'Review', exact: true }).click()
await page.getByRole('button', { name: 'Review the pages' }).click()
for (let n = 0; n < 3; n++) {
  await page.keyboard.press('s')
  await page.waitForTimeout(700)
}
await picture('proof-review')
await page.keyboard.press('Escape')
await page.getByRole('link', { name: 'Publish', exact: true }).click()
await page.getByRole('img', { name: /^Structure of the site/ }).waitFor()
await picture('publish')

await page.goto(url)
await page.getByRole('link', { name: /Ashcombe/ }).click()
await page.getByRole('link', { name: /^Proof ?\d+ ?errors/ }).click()
await page.getByRole('button', { name: /has no https/ }).click()
await picture('proof')

await browser.close()
