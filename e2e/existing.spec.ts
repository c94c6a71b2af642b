import { mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import type { Page } from '@playwright/test'
import { filesOfArchive } from './archiveFiles.ts'
import {
  axeFindings,
  choose,
  expect,
  openDemo,
  openAt,
  rowNamed,
  saved,
  type Served,
  test,
} from './viatica.ts'

/** A folder of hand-made pages, as its author has it. */
const PAGES = fileURLToPath(new URL('../demo/pages', import.meta.url))

/** The files of a folder by path, each byte one character. */
const filesOfFolder = (folder: string): Map<string, string> =>
  new Map(
    readdirSync(folder, { recursive: true, withFileTypes: true })
      .filter((entry) => entry.isFile())
      .map((entry) => {
        const path = join(entry.parentPath, entry.name)
        return [path.slice(folder.length + 1), readFileSync(path, 'latin1')]
      }),
  )

const section = (page: Page, name: string) =>
  page.getByRole('navigation', { name: 'What was found' }).getByRole('button', { name })
const imports = (page: Page) => page.getByRole('button', { name: /^Import/ })

async function openIntake(page: Page, served: Served): Promise<void> {
  await openAt(page, served, '/')
  await page.getByRole('link', { name: 'From existing pages' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'From existing pages' })).toBeVisible()
}

/** Drags something in from the desktop. */
async function drop(page: Page, path: string): Promise<void> {
  const box = (await page.locator('.drop').boundingBox())!
  const session = await page.context().newCDPSession(page)
  const data = { items: [], files: [path], dragOperationsMask: 1 }
  for (const type of ['dragEnter', 'dragOver', 'drop'] as const)
    await session.send('Input.dispatchDragEvent', { type, x: box.x + 60, y: box.y + 60, data })
}

/** Clicks on a text of the drawn page, where it is drawn: the page is drawn smaller than it is. */
async function point(page: Page, text: string): Promise<void> {
  const frame = page.getByTitle(/as visitors see it/)
  const place = async () => {
    const inner = await frame
      .contentFrame()
      .getByText(text)
      .evaluate((element) => {
        const { x, y, width, height } = element.getBoundingClientRect()
        return { x: x + width / 2, y: y + height / 2 }
      })
    const outer = await frame.evaluate((element: HTMLElement) => {
      const { x, y, width } = element.getBoundingClientRect()
      return { x, y, scale: width / element.offsetWidth }
    })
    return { x: outer.x + inner.x * outer.scale, y: outer.y + inner.y * outer.scale }
  }
  // It stands where it stays once its holes are marked, its fonts and pictures are there, and nothing moves any more.
  await expect(page.locator('.hole', { hasText: 'Content' })).toBeVisible()
  await expect(async () => {
    const before = await place()
    await page.waitForTimeout(250)
    expect(await place()).toEqual(before)
  }).toPass()
  const { x, y } = await place()
  await page.mouse.click(x, y)
}

async function archiveOf(page: Page): Promise<Map<string, string>> {
  const downloading = page.waitForEvent('download')
  await page.getByRole('link', { name: 'Download site' }).click()
  return filesOfArchive(readFileSync(await (await downloading).path()))
}

/** A text changed as a careful person does by hand: what is replaced stands there once. */
function edited(text: string, ...changes: readonly [from: string, to: string][]): string {
  let now = text
  for (const [from, to] of changes) {
    expect(now.split(from)).toHaveLength(2)
    now = now.replace(from, () => to)
  }
  return now
}

const edit = (files: Map<string, string>, path: string, ...changes: readonly [from: string, to: string][]) =>
  files.set(path, edited(files.get(path)!, ...changes))

test('a folder of pages is dropped, corrected, decided and edited, and only what had to change has changed', async ({
  page,
  served,
  watched,
}) => {
  await openIntake(page, served)
  await drop(page, PAGES)
  await expect(imports(page)).toHaveText('Import 15 pages')
  await expect(page.getByText('Its name says that it is a copy.')).toBeVisible()

  // A list of links that three pages share looks like a menu, and is none.
  await section(page, 'Menus and links').click()
  await expect(page.getByRole('region', { name: /^Menu [A-Z]/ })).toHaveCount(2)
  await section(page, 'Templates').click()
  await page.getByLabel('Shown on').selectOption('growing/beans.htm')
  await expect(
    page.getByTitle('growing/beans.htm as visitors see it').contentFrame().locator('h1'),
  ).toHaveText('Runner beans')
  await point(page, 'Ambley seed swap')
  await page.getByRole('button', { name: 'This is not a menu' }).click()
  await expect(page.getByRole('list', { name: 'Your corrections' })).toContainText(
    'Not a menu: where you pointed on growing/beans.htm',
  )
  // Said once more, it changes nothing, and is told.
  await point(page, 'Ambley seed swap')
  await page.getByRole('button', { name: 'This is not a menu' }).click()
  await expect(page.getByText('That changes nothing')).toBeVisible()
  await expect(page.getByRole('list', { name: 'Your corrections' }).getByRole('listitem')).toHaveCount(1)
  await section(page, 'Menus and links').click()
  await expect(page.getByRole('region', { name: /^Menu [A-Z]/ })).toHaveCount(1)

  await section(page, 'Plan').click()
  await expect(page.getByRole('button', { name: /^The soil/ })).toContainText(
    'but its breadcrumb says Our plots',
  )

  // Menus and the title come into line; the mark on another page's item, and all else, is kept.
  await section(page, 'Differences').click()
  await page.getByRole('button', { name: 'Bring all into line: Menu' }).click()
  await page.getByRole('region', { name: 'Title' }).getByRole('checkbox').check()
  await expect(page.getByText('4 of 10 differences brought into line')).toBeVisible()
  await imports(page).click()
  await expect(page.getByRole('tree', { name: 'Plan' })).toBeVisible()

  await rowNamed(page, 'Plots').click()
  await page.getByRole('button', { name: 'Add subpage', exact: true }).click()
  await page.getByLabel('Name of the new page').fill('Sheds')
  await page.keyboard.press('Enter')
  await page.keyboard.press('Escape')
  await expect(page.getByLabel('Name of the new page')).toHaveCount(0)
  await expect(rowNamed(page, 'Sheds')).toBeVisible()
  await rowNamed(page, 'Compost').click()
  await page.keyboard.press('Alt+ArrowUp')
  await saved(page)

  const files = filesOfFolder(PAGES)
  const item = (path: string, label: string) =>
    `<TR><TD CLASS=nav><A HREF="../${path}">${label}</A></TD></TR>\r\n`
  edit(files, 'about/history.htm', [
    item('news.htm', 'News') + item('growing.htm', 'Growing'),
    item('growing.htm', 'Growing') + item('news.htm', 'News'),
  ])
  edit(
    files,
    'growing/beans.htm',
    [item('contact.htm', 'Contact'), item('news.htm', 'News') + item('contact.htm', 'Contact')],
    [
      '<A HREF="soil.htm">&lt;&lt; The soil</A> | <A HREF="compost.htm">Compost &gt;&gt;</A>',
      '<A HREF="compost.htm">&lt;&lt; Compost</A>',
    ],
  )
  edit(files, 'growing/soil.htm', [
    '<A HREF="beans.htm">Runner beans &gt;&gt;</A>',
    '<A HREF="compost.htm">Compost &gt;&gt;</A>',
  ])
  edit(files, 'growing/compost.htm', [
    '<A HREF="beans.htm">&lt;&lt; Runner beans</A>',
    '<A HREF="soil.htm">&lt;&lt; The soil</A> | <A HREF="beans.htm">Runner beans &gt;&gt;</A>',
  ])
  edit(files, 'plots/water.htm', ['<TITLE>Rules of the ground', '<TITLE>Water and the pump'])
  edit(
    files,
    'plots/prices.htm',
    ['../kontakt.htm', '../contact.htm'],
    [
      '<A HREF="water.htm">&lt;&lt; Water and the pump</A>',
      '<A HREF="water.htm">&lt;&lt; Water and the pump</A> | <A HREF="sheds.htm">Sheds &gt;&gt;</A>',
    ],
  )
  // A new page is begun as people do it: from that which stands beside it.
  files.set('plots/sheds.htm', files.get('plots/prices.htm')!)
  const content = /<\/H1>\r\n([^]*?)<P ALIGN=center>/.exec(files.get('plots/sheds.htm')!)![1]!
  edit(
    files,
    'plots/sheds.htm',
    ['<TITLE>What a plot costs', '<TITLE>Sheds'],
    ['&gt; What a plot costs</P>', '&gt; Sheds</P>'],
    ['<H1>What a plot costs', '<H1>Sheds'],
    [content, ''],
    [
      '<A HREF="water.htm">&lt;&lt; Water and the pump</A> | <A HREF="sheds.htm">Sheds &gt;&gt;</A>',
      '<A HREF="prices.htm">&lt;&lt; What a plot costs</A>',
    ],
  )
  const written = await archiveOf(page)
  expect([...written.keys()].sort()).toEqual([...files.keys()].sort())
  for (const [path, text] of files) expect(written.get(path), path).toBe(text)
  expect(watched).toEqual({ errors: [], strangers: [] })
})

test('a page that was written by hand later comes into the open site: its bytes stay, and only what follows from it changes', async ({
  page,
  served,
  watched,
}) => {
  await openIntake(page, served)
  await page.getByRole('button', { name: /^Try it with/ }).click()
  await imports(page).click()
  await expect(page.getByRole('tree', { name: 'Plan' })).toBeVisible()

  const files = filesOfFolder(PAGES)
  // Copied from its neighbour, as people do it; its pager says already where it belongs.
  const soil = files.get('growing/soil.htm')!
  const leeks = edited(
    soil,
    ['<TITLE>The soil', '<TITLE>Leeks'],
    ['<H1>The soil', '<H1>Leeks'],
    ['<A HREF="../plots.htm">Plots</A> &gt; The soil', '<A HREF="../growing.htm">Growing</A> &gt; Leeks'],
    ['<A HREF="beans.htm">Runner beans &gt;&gt;</A>', '<A HREF="compost.htm">&lt;&lt; Compost</A>'],
    ['</H1>\r\n', '</H1>\r\n<P><IMG SRC="../pics/leek.gif" ALT="A leek">Frost-proof.</P>\r\n'],
  )
  const folder = mkdtempSync(join(tmpdir(), 'viatica-later-'))
  const picture = files.get('pics/beans.gif')!
  mkdirSync(join(folder, 'pics'))
  mkdirSync(join(folder, 'growing'))
  writeFileSync(join(folder, 'growing/leeks.htm'), leeks, 'latin1')
  writeFileSync(join(folder, 'growing/soil.htm'), soil, 'latin1')
  writeFileSync(join(folder, 'pics/leek.gif'), picture, 'latin1')
  writeFileSync(join(folder, 'notes.xyz'), 'as it is')

  // By keyboard alone.
  await rowNamed(page, 'News').focus()
  await page.keyboard.press('Enter')
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Actions' }).focus()
  await page.keyboard.press('Enter')
  await page.keyboard.press('i')
  await page.keyboard.press('Enter')
  const dialog = page.getByRole('dialog', { name: 'Import pages' })
  const choosing = page.waitForEvent('filechooser')
  await dialog.getByRole('button', { name: 'Choose a folder' }).focus()
  await page.keyboard.press('Enter')
  await (await choosing).setFiles(folder)
  const row = dialog.getByRole('row', { name: /Leeks/ })
  await expect(row).toContainText('growing/leeks.htm')
  await expect(row.getByRole('cell')).toHaveText([/Leeks/, 'Growing', 'Pages', 'none'])
  await expect(dialog.getByText('1 file not imported as a page')).toBeVisible()
  await expect(dialog.getByRole('status')).toContainText('1 page more')
  expect(await axeFindings(page)).toEqual([])
  await page.setViewportSize({ width: 360, height: 740 })
  expect(await axeFindings(page)).toEqual([])
  await page.setViewportSize({ width: 1280, height: 800 })
  await dialog.getByRole('button', { name: 'Import 1 page' }).focus()
  await page.keyboard.press('Enter')
  await expect(dialog).toHaveCount(0)
  await expect(rowNamed(page, 'Leeks')).toBeVisible()
  await saved(page)

  files.set('growing/leeks.htm', leeks)
  files.set('pics/leek.gif', picture)
  files.set('notes.xyz', 'as it is')
  edit(files, 'growing/compost.htm', [
    '<A HREF="beans.htm">&lt;&lt; Runner beans</A>',
    '<A HREF="beans.htm">&lt;&lt; Runner beans</A> | <A HREF="leeks.htm">Leeks &gt;&gt;</A>',
  ])
  const written = await archiveOf(page)
  expect([...written.keys()].sort()).toEqual([...files.keys()].sort())
  for (const [path, text] of files) expect(written.get(path), path).toBe(text)

  // Taken back as one, all is as it was.
  await page.getByRole('button', { name: 'Undo', exact: true }).first().click()
  await expect(rowNamed(page, 'Leeks')).toHaveCount(0)
  await saved(page)
  expect((await archiveOf(page)).get('growing/compost.htm')).toBe(
    filesOfFolder(PAGES).get('growing/compost.htm'),
  )
  rmSync(folder, { recursive: true })
  expect(watched).toEqual({ errors: [], strangers: [] })
})

test('by keyboard alone, from a folder that is chosen, with nothing decided, every byte comes back', async ({
  page,
  served,
}) => {
  await openIntake(page, served)
  const choosing = page.waitForEvent('filechooser')
  await page.getByRole('button', { name: 'Choose a folder' }).focus()
  await page.keyboard.press('Enter')
  await (await choosing).setFiles(PAGES)
  await expect(imports(page)).toBeVisible()
  await expect(page.getByRole('heading', { level: 1 })).toBeFocused()

  // What is pointed at by mouse is chosen in a list by keys.
  await section(page, 'Templates').focus()
  await page.keyboard.press('Enter')
  const elements = page.getByRole('list', { name: 'Elements of the page' })
  await elements.getByRole('button').first().focus()
  for (let n = 0; n < 4; n++) await page.keyboard.press('ArrowDown')
  await expect(elements.getByRole('button', { pressed: true })).toBeFocused()
  await page.keyboard.press('Tab')
  await expect(page.getByRole('button', { name: 'This is the content' })).toBeFocused()

  // A page is moved as in the outline, and its correction taken back.
  await section(page, 'Plan').focus()
  await page.keyboard.press('Enter')
  const pages = page.getByRole('list', { name: 'Pages in the order of the plan' })
  await pages.getByRole('button').first().focus()
  while (
    !(await pages.getByRole('button', { name: /^Water/ }).evaluate((row) => row === document.activeElement))
  )
    await page.keyboard.press('ArrowDown')
  await page.keyboard.press('Alt+ArrowRight')
  const corrections = page.getByRole('list', { name: 'Your corrections' })
  await expect(corrections).toContainText('Parent page of plots/water.htm: plots/rules.htm')
  await expect(pages.getByRole('button', { name: /^Water/ })).toContainText('you moved it here')
  await page.getByRole('button', { name: 'Take back' }).focus()
  await page.keyboard.press('Enter')
  await expect(corrections).toHaveCount(0)

  await imports(page).focus()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('tree', { name: 'Plan' })).toBeVisible()
  expect(await archiveOf(page)).toEqual(filesOfFolder(PAGES))
})

test('parts that pages include by PHP are shown, edited and given out as files of their own', async ({
  page,
  served,
  watched,
}) => {
  const folder = mkdtempSync(join(tmpdir(), 'viatica-php-'))
  const top = (items: string) =>
    `<html>\n<head>\n<title><?= $title ?></title>\n<link rel="stylesheet" href="/look.css">\n</head>\n<body>\n<ul id="nav">\n${items}</ul>\n`
  const item = (path: string, label: string) => `  <li><a href="/${path}">${label}</a></li>\n`
  const file = (title: string, text: string, up = '') =>
    `<?php $title = '${title}'; require '${up}inc/top.php'; ?>\n<h1>${title}</h1>\n${text}\n</body></html>\n`
  const files: Record<string, string> = {
    'index.php': file('Fell walks', '<p>Boots, maps and flasks.</p>'),
    'about.php': file('About us', '<ul><li>Two people</li><li>and a dog</li></ul>\n<p>Write to us.</p>'),
    'walks/ridge.php': file('The ridge', '<h2>Six hours</h2>\n<p>Take water.</p>', '../'),
    'inc/top.php': top(
      item('index.php', 'Start') + item('about.php', 'About us') + item('walks/ridge.php', 'The ridge'),
    ),
    'look.css': '#nav { color: rgb(1, 2, 3) }',
  }
  for (const [path, text] of Object.entries(files)) {
    mkdirSync(join(folder, path, '..'), { recursive: true })
    writeFileSync(join(folder, path), text)
  }
  await openIntake(page, served)
  await drop(page, folder)
  await expect(imports(page)).toHaveText('Import 3 pages')
  await section(page, 'Templates').click()
  const drawn = page.getByTitle(/as visitors see it/).contentFrame()
  await expect(drawn.getByRole('link', { name: 'The ridge' })).toBeVisible()
  await imports(page).click()

  // A new page stands in the included menu, which pages of every folder show as they will be seen.
  await rowNamed(page, 'Start').click()
  await page.getByRole('button', { name: 'Add subpage', exact: true }).click()
  await page.getByLabel('Name of the new page').fill('Contact')
  await page.keyboard.press('Enter')
  await page.keyboard.press('Escape')
  await rowNamed(page, 'The ridge').click()
  await page.getByRole('link', { name: 'Surround', exact: true }).click()
  const live = page.locator('iframe').first().contentFrame()
  await expect(live.getByRole('link', { name: 'Contact' })).toBeVisible()
  await expect(live.locator('#nav')).toHaveCSS('color', 'rgb(1, 2, 3)')

  // Nothing is calculated in the texts of existing pages: nothing is offered to insert.
  await page.getByRole('link', { name: 'Write', exact: true }).click()
  await expect(page.getByRole('textbox', { name: 'Main content' })).toBeVisible()
  await expect(page.getByRole('button', { name: /^Insert what/ })).toHaveCount(0)
  await page.getByRole('link', { name: 'Surround', exact: true }).click()

  // What stands in the file is edited beside the template.
  const parts = page.getByRole('list', { name: 'Parts of inc/top.php' })
  await expect(parts).toContainText('Menu')
  await parts.getByRole('button', { name: 'Edit HTML: </ul>' }).click()
  await page.getByRole('dialog').getByRole('textbox').fill('</ul>\n<hr>\n')
  await page.getByRole('dialog').getByRole('button', { name: 'Apply' }).click()
  await expect(live.locator('hr')).toBeVisible()
  await saved(page)
  const written = await archiveOf(page)
  const menu =
    item('index.php', 'Start') +
    item('about.php', 'About us') +
    item('walks/ridge.php', 'The ridge') +
    item('contact.php', 'Contact')
  expect(written.get('inc/top.php')).toBe(`${top(menu)}<hr>\n`)
  for (const path of ['index.php', 'about.php', 'walks/ridge.php', 'look.css'])
    expect(written.get(path), path).toBe(files[path])
  expect(written.get('contact.php')).toBe(
    `<?php $title = 'Contact'; require 'inc/top.php'; ?>\n<h1>Contact</h1>\n\n</body></html>\n`,
  )
  expect(watched).toEqual({ errors: [], strangers: [] })
  rmSync(folder, { recursive: true })
})

test('of pages, content and plan alone are kept: at once, or later, and that can be undone', async ({
  page,
  served,
  watched,
}) => {
  const begin = async () => {
    await openIntake(page, served)
    await page.getByRole('button', { name: /^Try it with/ }).click()
    await expect(imports(page)).toBeVisible()
  }
  const surround = () => page.getByRole('link', { name: 'Surround', exact: true }).click()
  const live = page.locator('iframe').first().contentFrame()
  const isInPieces = async () => {
    await expect(live.getByRole('navigation', { name: 'Main' }).getByRole('link').first()).toBeVisible()
    await expect(live.getByRole('heading', { level: 1 })).toHaveText('Compost')
  }
  await begin()
  await page.getByLabel('What to import').selectOption('content')
  await expect(page.getByText('only the content of the pages is kept')).toBeVisible()
  expect(await axeFindings(page)).toEqual([])
  await imports(page).click()
  await rowNamed(page, 'Compost').click()
  await surround()
  await isInPieces()

  await begin()
  await imports(page).click()
  await rowNamed(page, 'Compost').click()
  await surround()
  await page.getByRole('button', { name: 'Use pieces instead …' }).click()
  expect(await axeFindings(page)).toEqual([])
  await page.getByRole('button', { name: 'Use pieces', exact: true }).click()
  await isInPieces()
  await saved(page)
  expect((await archiveOf(page)).get('growing/compost.htm')).toContain('<h1>Compost</h1>')
  await page.getByRole('button', { name: 'Undo' }).first().click()
  await expect(page.getByRole('link', { name: 'Templates' })).toBeVisible()
  await saved(page)
  expect(await archiveOf(page)).toEqual(filesOfFolder(PAGES))
  expect(watched).toEqual({ errors: [], strangers: [] })
})

test('pieces become templates: everything that is given out stays, its style sheet and fonts too, and the plan still leads', async ({
  page,
  served,
  watched,
}) => {
  await openDemo(page, served)
  const before = await archiveOf(page)
  await page.getByRole('link', { name: 'Surround' }).click()
  // By keyboard alone.
  await page.getByRole('button', { name: 'Use templates instead' }).focus()
  await page.keyboard.press('Enter')
  const dialog = page.getByRole('dialog', { name: 'Use templates instead of pieces?' })
  const take = dialog.getByRole('button', { name: 'Use templates', exact: true })
  await expect(take).toBeEnabled()
  expect(await axeFindings(page)).toEqual([])
  await take.focus()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'Template', exact: true })).toBeVisible()
  await saved(page)
  const after = await archiveOf(page)
  expect([...after.keys()].sort()).toEqual([...before.keys()].sort())
  for (const [path, text] of before) expect(after.get(path) === text, path).toBe(true)

  // A new label is in the menus of all pages, as it would be with pieces.
  await choose(page, 'nature')
  await page.getByRole('link', { name: 'Plan', exact: true }).click()
  await page.getByLabel('Menu label').fill('Wildlife')
  await page.keyboard.press('Enter')
  await saved(page)
  const renamed = await archiveOf(page)
  const [told, was] = [renamed.get('index.html')!, before.get('index.html')!]
  expect(told).not.toBe(was)
  expect(told).toContain('>Wildlife</a>')
  expect(watched).toEqual({ errors: [], strangers: [] })
})

test('axe-core finds nothing on the screens of existing pages, wide and narrow, and nothing is off the window', async ({
  page,
  served,
  watched,
}) => {
  await openIntake(page, served)
  expect(await axeFindings(page)).toEqual([])
  await page.getByRole('button', { name: /^Try it with/ }).click()
  await expect(imports(page)).toBeVisible()
  for (const [width, height] of [
    [1280, 800],
    [640, 400],
    [360, 740],
  ] as const) {
    await page.setViewportSize({ width, height })
    for (const name of ['Files', 'Templates', 'Plan', 'Menus and links', 'Differences']) {
      await section(page, name).click()
      const over = () => page.evaluate(() => document.documentElement.scrollWidth - innerWidth)
      await expect.poll(over, `${name} at ${width}`).toBeLessThanOrEqual(0)
      expect(await axeFindings(page), `${name} at ${width}`).toEqual([])
    }
  }
  // Leaving asks first.
  await page.getByRole('link', { name: 'Sites' }).click()
  await expect(page.getByRole('dialog')).toContainText('Leave without importing the pages?')
  expect(await axeFindings(page)).toEqual([])
  await page.getByRole('button', { name: 'Leave' }).click()
  await expect(page.getByRole('heading', { name: 'Your sites' })).toBeVisible()
  expect(watched).toEqual({ errors: [], strangers: [] })
})

test('what cannot be taken in is refused with the reason, and long work is stopped', async ({
  page,
  served,
}) => {
  await openIntake(page, served)
  const folder = mkdtempSync(join(tmpdir(), 'brought-'))
  const refused = page.getByRole('alert')
  const zip = page.getByLabel('Zip archive of pages')
  await zip.setInputFiles({ name: 'broken.zip', mimeType: 'application/zip', buffer: Buffer.from('PK no') })
  await expect(refused).toContainText('This archive cannot be read')
  mkdirSync(join(folder, 'empty'))
  writeFileSync(join(folder, 'empty/notes.txt'), 'nothing')
  await drop(page, join(folder, 'empty'))
  await expect(refused).toContainText('There are no pages in this folder')

  const many = join(folder, 'many')
  mkdirSync(many)
  const items = Array.from({ length: 40 }, (_, n) => `<li><a href="p${n}.html">Page ${n}</a></li>`).join('\n')
  for (let n = 0; n < 1500; n++)
    writeFileSync(
      join(many, `p${n}.html`),
      `<!DOCTYPE html><title>Page ${n}</title><ul>${items}</ul><h1>Page ${n}</h1><p>${'Words. '.repeat(40)}${n}</p>`,
    )
  await drop(page, many)
  await page.getByRole('status').getByRole('button', { name: 'Stop' }).click()
  await expect(page.getByRole('button', { name: 'Choose a folder' })).toBeVisible()
  await drop(page, PAGES)
  await expect(imports(page)).toBeVisible()
  rmSync(folder, { recursive: true })
})

test('a template is edited beside its pages: each takes what changed, and what one keeps comes into line', async ({
  page,
  served,
  watched,
}) => {
  await openIntake(page, served)
  await page.getByRole('button', { name: /^Try it with/ }).click()
  await imports(page).click()
  await rowNamed(page, 'News').click()
  await page.getByRole('link', { name: 'Surround', exact: true }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Surround: Templates' })).toBeAttached()
  expect(await axeFindings(page)).toEqual([])
  const details = page.getByRole('complementary')
  await details.getByRole('button', { name: /^Bring into line: Menu/ }).click()
  await expect(page.getByRole('contentinfo')).toContainText('1 page')

  // How the menu marks the page that it is on is the author's, too.
  await details.getByRole('button', { name: /^Edit HTML of: Menu/ }).focus()
  await page.keyboard.press('Enter')
  const pattern = page.getByRole('dialog', { name: /^HTML of: Menu/ })
  const here = pattern.getByLabel('Link, current page', { exact: true })
  await expect(here).toHaveValue('<TR><TD CLASS=nav><B>{label}</B></TD></TR>')
  await here.fill('<TR><TD CLASS=nav><B CLASS=now>{label}</B></TD></TR>')
  await expect(pattern.locator('ins')).toContainText('CLASS=now')
  expect(await axeFindings(page)).toEqual([])
  await pattern.getByRole('button', { name: 'Apply' }).click()
  await expect(pattern).toHaveCount(0)
  await expect(page.getByRole('contentinfo')).toContainText('5 pages')

  await details.getByRole('button', { name: /^Edit HTML: .*COLSPAN=2 CLASS=foot/ }).focus()
  await page.keyboard.press('Enter')
  const text = page.getByRole('dialog').getByLabel('HTML', { exact: true })
  await text.fill((await text.inputValue()).replace('2025', '2026'))
  expect(await axeFindings(page)).toEqual([])
  await page.getByRole('button', { name: 'Apply' }).click()
  await expect(page.getByRole('contentinfo')).toContainText('12 pages')
  await saved(page)

  const files = filesOfFolder(PAGES)
  edit(
    files,
    'news.htm',
    ['<TD CLASS=nav><B>Plots</B></TD>', '<TD CLASS=nav><A HREF="plots.htm">Plots</A></TD>'],
    ['<TD CLASS=nav><A HREF="news.htm">News</A></TD>', '<TD CLASS=nav><B>News</B></TD>'],
  )
  for (const [path, html] of files)
    if (/\.htm$/.test(path) && !path.startsWith('index'))
      files.set(path, html.replace('CLASS=nav><B>', 'CLASS=nav><B CLASS=now>'))
  // The page with an old footer keeps it; the home page, and its copy, have a template of their own.
  for (const [path, html] of files)
    if (/\.htm$/.test(path) && !/^index|committee/.test(path)) files.set(path, html.replace('2025', '2026'))
  const written = await archiveOf(page)
  for (const [path, html] of files) expect(written.get(path), path).toBe(html)

  // The source names its parts by the template.
  await page.getByRole('link', { name: 'Source', exact: true }).click()
  for (const part of ['title', 'menu', 'main content', 'footer'])
    await expect(page.getByRole('navigation', { name: 'Parts of the page' }).getByText(part)).toBeVisible()
  await page.getByRole('link', { name: 'Menus', exact: true }).click()
  await expect(page.getByRole('cell', { name: /Template “Pages”/ })).toBeVisible()
  expect(await axeFindings(page)).toEqual([])

  // What pages still keep of their own is found by Proof, and comes into line there: all of it at once.
  await page.getByRole('link', { name: /^Proof/ }).click()
  const main = page.getByRole('main')
  await main.getByLabel('Find among the findings').fill('template')
  await main.getByRole('button', { name: /^Fix all 9 …/ }).click()
  const dialog = page.getByRole('dialog')
  await expect(dialog).toContainText('Fix 9 findings?')
  await dialog.getByRole('button', { name: 'Fix', exact: true }).click()
  await saved(page)
  const inLine = await archiveOf(page)
  expect(inLine.get('plots/water.htm')).toContain('<TITLE>Water and the pump')
  expect(inLine.get('growing/beans.htm')).toContain('News</A></TD>')

  // Any two of them differ by what follows from the plan alone.
  await page.getByRole('link', { name: 'Surround', exact: true }).click()
  await page.getByRole('link', { name: 'Compare', exact: true }).click()
  await expect(page.getByText('Nothing differs that should be the same.')).toBeVisible()
  await expect(page.getByRole('status').getByText('main content', { exact: true })).toBeVisible()
  expect(await axeFindings(page)).toEqual([])
  expect(watched).toEqual({ errors: [], strangers: [] })
})
