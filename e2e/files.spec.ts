import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Page } from '@playwright/test'
import { serveUnpacked } from './staticSite.ts'
import { axeFindings, choose, expect, openDemo, saved, type Served, test } from './viatica.ts'
import { goWithin } from './within.ts'

const file = (name: string, text: string) => ({ name, mimeType: '', buffer: Buffer.from(text) })
const SVG = '<svg xmlns="http://www.w3.org/2000/svg" width="4" height="3"/>'

const details = (page: Page) => page.getByRole('complementary', { name: 'Settings of what is chosen' })
const fileRow = (page: Page, name: string) =>
  page.getByRole('list', { name: 'Files' }).getByRole('button', { name: new RegExp(`^${name} `) })

async function openFiles(page: Page, served: Served): Promise<string> {
  const id = await openDemo(page, served)
  await goWithin(page, `/sites/${id}/surround/files`)
  await expect(fileRow(page, 'logo.svg')).toBeVisible()
  return id
}

const takeIn = (page: Page, ...files: ReturnType<typeof file>[]) =>
  page.getByLabel('Files from this computer').setInputFiles(files)

async function rename(page: Page, name: string, path: string): Promise<void> {
  await fileRow(page, name).click()
  await details(page).getByLabel('Path').fill(path)
  await details(page).getByLabel('Path').press('Enter')
}

test('files are taken in, refused by their content, renamed with all that names them, and removed with their uses shown', async ({
  page,
  served,
  watched,
}) => {
  const id = await openFiles(page, served)
  await takeIn(
    page,
    file('Gate One.SVG', SVG),
    file('run.svg', '<svg xmlns="http://www.w3.org/2000/svg"><script>1</script></svg>'),
    file('photo.png', 'not a picture'),
    file('setup.exe', 'MZ'),
    file('own.css', 'h1 { color: rgb(1, 2, 3); background: url("../pictures/gate-one.svg") }'),
  )
  const faults = page.getByRole('region', { name: 'Files of the site' }).getByRole('alert')
  await expect(faults.getByRole('listitem')).toHaveText([
    /run\.svg holds <script>/,
    /photo\.png has content that does not match its extension/,
    /setup\.exe is of a kind that a site does not hold/,
  ])
  await expect(fileRow(page, 'gate-one.svg')).toContainText('1 use')
  await page.getByLabel('Add to style sheets of every page').selectOption({ label: 'styles/own.css' })

  // The style sheet follows the picture that it names, and the pages follow the style sheet.
  await rename(page, 'gate-one.svg', 'art/gate.svg')
  await rename(page, 'own.css', 'own.css')
  await expect(
    page.getByRole('region', { name: 'Style sheets of every page' }).getByText('own.css', { exact: true }),
  ).toBeVisible()
  await saved(page)
  const sheet = await (await fetch(`${served.url}/preview/${id}/own.css`)).text()
  expect(sheet).toContain('url("art/gate.svg")')

  // A path that leaves the site, or is taken, is refused where it is typed.
  for (const [path, reason] of [
    ['../gate.svg', /dot/],
    ['pictures/LOGO.svg', /already has a file/],
    ['art/gate', /must end in/],
  ] as const) {
    await rename(page, 'gate.svg', path)
    await expect(details(page).getByRole('alert')).toHaveText(reason)
  }

  const archive = await (await fetch(`${served.url}/api/sites/${id}/archive.zip`)).arrayBuffer()
  const unpacked = await serveUnpacked(Buffer.from(archive))
  const visitor = await page.context().newPage()
  const missing: string[] = []
  visitor.on('response', (response) => response.status() >= 400 && missing.push(response.url()))
  for (const at of ['index.html', 'boating/lock-guide.html', 'walk/stage-3.html']) {
    await visitor.goto(unpacked.url + at)
    const style = await visitor.locator('h1').evaluate((h1) => {
      const { color, backgroundImage } = getComputedStyle(h1)
      return { color, backgroundImage }
    })
    expect(style.color).toBe('rgb(1, 2, 3)')
    expect(style.backgroundImage).toBe(`url("${unpacked.url}art/gate.svg")`)
    // The open fonts of the demo came along, and nothing is fetched from elsewhere.
    await visitor.evaluate(() => document.fonts.ready)
    expect(await visitor.evaluate(() => document.fonts.check('bold 20px Bitter'))).toBe(true)
  }
  expect(missing.filter((url) => !url.endsWith('favicon.ico'))).toEqual([])
  await visitor.close()
  unpacked.stop()

  // By keyboard: what uses the picture is shown before it goes, and one step brings all of it back.
  await fileRow(page, 'logo.svg').focus()
  await page.keyboard.press('Enter')
  await page.keyboard.press('Delete')
  const dialog = page.getByRole('dialog')
  await expect(dialog.getByRole('listitem')).toHaveText(['the picture of the site', 'the icon of the site'])
  expect(await axeFindings(page)).toEqual([])
  await page.keyboard.press('Enter')
  await expect(fileRow(page, 'logo.svg')).toHaveCount(0)
  await page.keyboard.press('Escape')
  await page.locator('footer').getByRole('button', { name: 'Undo' }).click()
  await expect(fileRow(page, 'logo.svg')).toContainText('2 uses')
  expect(watched.errors.filter((error) => !/415/.test(error))).toEqual([])
})

test('a folder that is dropped keeps its shape, and its style sheet names its files under their sound names', async ({
  page,
  served,
}) => {
  const id = await openFiles(page, served)
  const folder = mkdtempSync(join(tmpdir(), 'dropped-'))
  const theme = join(folder, 'Theme')
  mkdirSync(join(theme, 'Css'), { recursive: true })
  mkdirSync(join(theme, 'Big Pictures'))
  writeFileSync(
    join(theme, 'Css/Main.CSS'),
    'b { background: url("../Big Pictures/Gate.svg") } i { background: url(gone.svg) }',
  )
  writeFileSync(join(theme, 'Big Pictures/Gate.svg'), SVG)
  // As when the folder is dragged in from the desktop.
  const box = (await page.getByRole('region', { name: 'Files of the site' }).boundingBox())!
  const session = await page.context().newCDPSession(page)
  const data = { items: [], files: [theme], dragOperationsMask: 1 }
  for (const type of ['dragEnter', 'dragOver', 'drop'] as const)
    await session.send('Input.dispatchDragEvent', { type, x: box.x + 80, y: box.y + 80, data })
  await expect(fileRow(page, 'main.css')).toBeVisible()
  await saved(page)
  const sheet = await (await fetch(`${served.url}/preview/${id}/theme/css/main.css`)).text()
  expect(sheet).toBe('b { background: url("../big-pictures/gate.svg") } i { background: url(gone.svg) }')
  rmSync(folder, { recursive: true })
})

test('sending files shows how far it is, and stops when asked', async ({ page, served }) => {
  await openFiles(page, served)
  let held: (() => void) | undefined
  await page.route('**/api/contents/*', async (route) => {
    if (route.request().url().includes('b.txt')) await new Promise<void>((resolve) => (held = resolve))
    await route.continue().catch(() => undefined)
  })
  await takeIn(page, file('a.txt', 'a'), file('b.txt', 'b'), file('c.txt', 'c'))
  await expect(page.getByRole('status').filter({ hasText: '2 of 3: b.txt' })).toBeVisible()
  // They would go to whichever site is open when the last has been sent.
  await page.getByTitle('All sites').click()
  await expect(page.getByText('Files are still being added or changed.')).toBeVisible()
  await page.getByRole('button', { name: 'Stop' }).click()
  held?.()
  await expect(fileRow(page, 'a.txt')).toBeVisible()
  await expect(fileRow(page, 'b.txt')).toHaveCount(0)
  await expect(fileRow(page, 'c.txt')).toHaveCount(0)
})

test('a file that takes the place of another is followed by its links, with its own ending', async ({
  page,
  served,
}) => {
  const id = await openFiles(page, served)
  await fileRow(page, 'aqueduct.svg').click()
  const picture = readFileSync('docs/screenshots/plan.png')
  await details(page)
    .getByLabel('The file to take its place')
    .setInputFiles([{ name: 'New Photo.PNG', mimeType: '', buffer: picture }])
  await expect(fileRow(page, 'aqueduct.png')).toContainText('1 use')
  await saved(page)
  const stage = await (await fetch(`${served.url}/preview/${id}/walk/stage-3.html`)).text()
  expect(stage).toMatch(/<img src="\.\.\/pictures\/aqueduct\.png"/)
})

test('the source of a page is that of the export, with its parts told apart', async ({
  page,
  served,
  context,
}) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write'])
  const id = await openDemo(page, served)
  await goWithin(page, `/sites/${id}/surround/source`)
  await choose(page, 'news')
  await page.getByRole('button', { name: 'Copy' }).click()
  await expect(page.getByRole('button', { name: 'Copied' })).toBeVisible()
  const copied = await page.evaluate(() => navigator.clipboard.readText())
  expect(copied).toBe(await (await fetch(`${served.url}/preview/${id}/news.html`)).text())
  const source = page.getByRole('region', { name: 'Source of the page' })
  await page.getByRole('button', { name: 'footer', exact: true }).press('Enter')
  await expect(source.getByText('<footer class="site-footer">')).toBeInViewport()
  expect(await axeFindings(page)).toEqual([])
})
