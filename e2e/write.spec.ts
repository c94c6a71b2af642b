import { readFileSync } from 'node:fs'
import { mkdtemp, rm, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Locator, Page } from '@playwright/test'
import { cleanPaste } from '@viatica/core/content/paste/cleanPaste.ts'
import { apiAt } from '@viatica/server/testing/serve.ts'
import { serveUnpacked } from './staticSite.ts'
import {
  axeFindings,
  choose,
  expect,
  openDemo,
  row,
  saved,
  type Served,
  test,
  fillSource,
  writeSource,
} from './viatica.ts'

const source = (page: Page) => page.getByRole('textbox', { name: 'Source of the main content' })
const visual = (page: Page) => page.getByRole('textbox', { name: 'Main content' })
const beside = (page: Page) => page.getByRole('complementary', { name: 'Beside the text' })

async function openWrite(page: Page, served: Served, entry: string, way = ''): Promise<string> {
  const id = await openDemo(page, served)
  await choose(page, entry)
  await page.getByRole('link', { name: 'Write', exact: true }).click()
  if (way) await page.getByRole('link', { name: way }).click()
  return id
}

const bodyNow = async (served: Served, id: string, entry: string): Promise<string> => {
  const text = await (await fetch(`${served.url}/api/sites/${id}/site.json`)).text()
  const find = (at: { id: string; body?: { html: string }; entries?: unknown[] }): string | undefined =>
    at.id === entry
      ? (at.body?.html ?? '')
      : (at.entries as (typeof at)[] | undefined)?.map(find).find((one) => one !== undefined)
  return find((JSON.parse(text) as { plan: Parameters<typeof find>[0] }).plan)!
}

/** Waits until the saved main content of an entry holds a text. @returns all of it, as it was then */
async function holds(served: Served, id: string, entry: string, text: string | RegExp): Promise<string> {
  const expected = typeof text === 'string' ? expect.stringContaining(text) : expect.stringMatching(text)
  let body = ''
  await expect.poll(async () => (body = await bodyNow(served, id, entry))).toEqual(expected)
  return body
}

test('a page written as it reads, with a link, a picture and a quotation, keeps its link when the target moves', async ({
  page,
  served,
  watched,
}) => {
  const id = await openWrite(page, served, 'otters')
  await visual(page).click()
  await page.keyboard.press('Control+a')
  await page.keyboard.press('Delete')
  await page.keyboard.type('Otters swim above the ')
  // The link by keys: found by some of its title.
  await page.keyboard.press('Control+k')
  await page.keyboard.type('tanyard')
  await expect(page.getByRole('option', { name: /^Tanyard Staircase boating/ })).toBeVisible()
  await page.keyboard.press('Enter')
  // The caret is back in the text with the dialog gone: what is typed at once comes after the link.
  await page.keyboard.type(' at dusk.')
  await page.keyboard.press('Enter')
  await page.getByRole('button', { name: 'Quotation' }).click()
  await page.keyboard.type('I saw three of them.')
  await page.keyboard.press('Enter')
  await page.keyboard.press('Enter')
  await page.getByRole('button', { name: 'Picture' }).click()
  await page.getByRole('radio', { name: 'pictures/heron.svg' }).click()
  await page.getByLabel('Caption').fill('Not an otter')
  await page.getByRole('dialog').getByRole('button', { name: 'Insert' }).click()
  const written = await holds(served, id, 'otters', 'Not an otter')
  expect(written).toContain(
    '<p>Otters swim above the <a href="entry:tanyard">Tanyard Staircase</a> at dusk.</p>',
  )
  expect(written).toContain('<blockquote>\n  <p>I saw three of them.</p>\n</blockquote>')
  expect(written).toMatch(
    /<figure>\s*<img src="site-file:heron" alt="A heron[^"]*" width="\d+" height="\d+">\s*<figcaption>Not an otter/,
  )

  // The source way shows the same body.
  await page.getByRole('link', { name: 'HTML' }).click()
  await expect(source(page)).toContainText('I saw three of them.')
  await expect(page.locator('.leads-to').first()).toHaveText(
    '→ Tanyard Staircase (boating/lock-guide/tanyard-staircase.html)',
  )
  expect(await bodyNow(served, id, 'otters')).toBe(written)

  // The target moves to another section: the link of the export leads there.
  await choose(page, 'tanyard')
  await page.keyboard.press('m')
  await page.getByRole('combobox', { name: 'New parent' }).fill('Nature')
  await page.keyboard.press('Enter')
  await page
    .getByRole('dialog', { name: /changes addresses/ })
    .getByRole('button', { name: 'Move' })
    .click()
  await expect(row(page, 'tanyard')).toHaveAttribute('aria-level', '3')
  await saved(page)
  const unpacked = await serveUnpacked(
    Buffer.from(await (await fetch(`${served.url}/api/sites/${id}/archive.zip`)).arrayBuffer()),
  )
  const visitor = await page.context().newPage()
  await visitor.goto(`${unpacked.url}nature/otters.html`)
  await visitor.getByRole('main').getByRole('link', { name: 'Tanyard Staircase' }).click()
  await expect(visitor.getByRole('heading', { level: 1 })).toHaveText('Tanyard Staircase')
  expect(visitor.url()).toBe(`${unpacked.url}nature/tanyard-staircase.html`)
  await visitor.close()
  unpacked.stop()
  expect(watched).toEqual({ errors: [], strangers: [] })
})

test('switching never changes a byte, and nothing that is written in one way is lost in the other', async ({
  page,
  served,
}) => {
  const id = await openWrite(page, served, 'stoppages')
  const before = await bodyNow(served, id, 'stoppages')
  await expect(visual(page).getByRole('row')).toHaveCount(3)
  for (const way of ['HTML', 'Visual', 'HTML']) await page.getByRole('link', { name: way }).click()
  expect(await bodyNow(served, id, 'stoppages')).toBe(before)
  // One word changed as it reads changes that block alone.
  await page.getByRole('link', { name: 'Visual' }).click()
  await visual(page).getByText('The date of the end').click()
  await page.keyboard.press('End')
  await page.keyboard.type(' Sorry.')
  const after = await holds(served, id, 'stoppages', 'Sorry.')
  const [lines, now] = [before, after].map((html) => html.split('\n'))
  expect(now).toHaveLength(lines!.length)
  expect(now!.filter((line, at) => line !== lines![at])).toHaveLength(1)

  // Boxes, classes and cells with paragraphs are held; what is not stands in the text with its own HTML.
  const kept = '<details open><summary>More</summary><p class="x">two</p></details>'
  const table = '<table><tr><td><p>a</p><ul><li>b</li></ul></td></tr></table>'
  await writeSource(page, `<p>one</p>${kept}${table}<video src="x.mp4" controls></video><p>end</p>`)
  await holds(served, id, 'stoppages', '<video')
  await page.getByRole('link', { name: 'Visual' }).click()
  await expect(page.locator('.kept-name')).toHaveText(['video'])
  await visual(page).getByText('two').click()
  await page.keyboard.press('End')
  await page.keyboard.type(' and three')
  expect(await holds(served, id, 'stoppages', 'two and three')).toBe(
    `<p>one</p>\n<details open>\n  <summary>More</summary>\n  <p class="x">two and three</p>\n</details>\n` +
      `${table}<video src="x.mp4" controls></video><p>end</p>`,
  )
  // By keyboard: to the block, and its HTML through the bar.
  await visual(page).getByText('one').click()
  await page.locator('.kept-name').click()
  await page.keyboard.type('typed')
  await holds(served, id, 'stoppages', /<\/video>\s*<p>typed<\/p>/)
  await page.keyboard.press('Home')
  await page.keyboard.press('ArrowUp')
  await page.getByRole('button', { name: 'Edit HTML' }).last().click()
  await page.getByRole('dialog').getByRole('textbox').fill('<p>no <b>video</b></p>')
  await page.getByRole('dialog').getByRole('button', { name: 'Apply' }).click()
  await expect(page.locator('.kept-name')).toHaveCount(0)
  await holds(served, id, 'stoppages', /<p>no <b>video<\/b><\/p>\s*<p>typed/)
})

/** A picture of one colour. */
const svg = (colour: string) =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="40" height="30"><path fill="${colour}" d="M0 0h40v30H0z"/></svg>`

/** Pastes files where the focus is, with text as programs add it. */
const pasteFiles = (
  page: Page,
  files: { name: string; text: string }[],
  texts: Record<string, string> = {},
) =>
  page.evaluate(
    (pasted) => {
      const clipboardData = new DataTransfer()
      for (const { name, text } of pasted.files)
        clipboardData.items.add(new File([text], name, { type: 'image/svg+xml' }))
      for (const [type, text] of Object.entries(pasted.texts)) clipboardData.setData(type, text)
      document.activeElement!.dispatchEvent(
        new ClipboardEvent('paste', { clipboardData, bubbles: true, cancelable: true }),
      )
    },
    { files, texts },
  )

/** Drops files of this computer on an element, near its top, as the system does. */
async function dropFiles(page: Page, at: Locator, files: string[]): Promise<void> {
  const { x, y, width, height } = (await at.boundingBox())!
  const cdp = await page.context().newCDPSession(page)
  for (const type of ['dragEnter', 'dragOver', 'drop'] as const)
    await cdp.send('Input.dispatchDragEvent', {
      type,
      x: x + width / 2,
      y: y + Math.min(height / 2, 40),
      data: { items: [], files, dragOperationsMask: 1 },
    })
}

/** Answers what is asked of a picture. */
async function describePicture(page: Page, alt: string): Promise<void> {
  const dialog = page.getByRole('dialog', { name: 'A picture' })
  const said = dialog.getByLabel('Alternative text')
  await said.fill(alt)
  await dialog.getByRole('button', { name: 'Insert' }).click()
  // The next picture may be asked for at once.
  const shown = () => said.evaluateAll((all) => all.map((one) => (one as HTMLInputElement).value).join())
  await expect.poll(shown).not.toBe(alt)
}

test('pictures that are pasted or dropped become files of the site, each with its own name, and nothing dropped leaves the page', async ({
  page,
  served,
  watched,
}) => {
  const folder = await mkdtemp(join(tmpdir(), 'dropped-'))
  const onDisk = async (name: string, text: string) => {
    await writeFile(join(folder, name), text)
    return join(folder, name)
  }
  const id = await openWrite(page, served, 'otters')
  const paths = async () =>
    [...(await apiAt(served.url).read(id)).site.files.values()].map(({ path }) => path).sort()
  const before = await paths()
  await visual(page).click()
  await page.keyboard.press('Control+a')
  await page.keyboard.type('Two locks: ')
  // Programs name what they paste alike.
  await pasteFiles(page, [
    { name: 'image.svg', text: svg('red') },
    { name: 'image.svg', text: svg('blue') },
  ])
  await describePicture(page, 'The red lock')
  await describePicture(page, 'The blue lock')
  await page.keyboard.type(' and nothing else')
  await holds(served, id, 'otters', /Two locks:.*The red lock" width="40" height="30".*The blue lock.*else/s)
  expect((await paths()).filter((path) => !before.includes(path))).toEqual([
    'pictures/image-2.svg',
    'pictures/image.svg',
  ])
  // A picture that a program adds to copied text is not meant; the same bytes again are the same file.
  await pasteFiles(page, [{ name: 'image.svg', text: svg('green') }], { 'text/html': '<p>copied</p>' })
  await expect(visual(page)).toContainText('copied')
  await pasteFiles(page, [{ name: 'other.svg', text: svg('blue') }])
  await page.getByRole('dialog', { name: 'A picture' }).getByLabel('Decorative image').check()
  await page.getByRole('dialog').getByRole('button', { name: 'Insert' }).click()
  await holds(served, id, 'otters', /alt=""/)
  expect(await paths()).toHaveLength(before.length + 2)

  const gate = await onDisk('Gate 1.svg', svg('black'))
  await dropFiles(page, visual(page), [gate, await onDisk('notes.txt', 'No picture')])
  await describePicture(page, 'A gate')
  await expect(page.getByText('notes.txt is not a picture.')).toBeVisible()
  await page.getByRole('link', { name: 'HTML' }).click()
  await dropFiles(page, source(page), [gate])
  await expect(page.getByRole('dialog', { name: 'A picture' })).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(page.getByRole('dialog', { name: 'A picture' })).toBeHidden()
  await dropFiles(page, source(page), [gate])
  await describePicture(page, 'The same gate')
  await holds(served, id, 'otters', /A gate"[\s\S]*The same gate"|The same gate"[\s\S]*A gate"/)
  expect(await paths()).toContain('pictures/gate-1.svg')

  const address = page.url()
  const pages = page.context().pages().length
  for (const elsewhere of [
    page.getByRole('banner'),
    page.getByRole('tree', { name: 'Plan' }),
    page.locator('iframe').first(),
    beside(page).getByLabel('Title', { exact: true }),
  ])
    await dropFiles(page, elsewhere, [gate])
  await expect(page.locator('iframe').first().contentFrame().getByRole('heading').first()).toBeVisible()
  expect(page.url()).toBe(address)
  expect(page.context().pages()).toHaveLength(pages)
  await saved(page)
  expect(watched.errors).toEqual([])
  await rm(folder, { recursive: true })
})

test('a picture is never spoilt by typing, has ways out of its caption, and can be edited and removed', async ({
  page,
  served,
}) => {
  const id = await openWrite(page, served, 'otters')
  const figure = '<figure><img src="site-file:heron" alt="A heron"><figcaption>Grey</figcaption></figure>'
  const write = async (html: string) => {
    await writeSource(page, html)
    // Nothing else: what an earlier turn wrote holds the same figure.
    await expect.poll(() => bodyNow(served, id, 'otters')).toBe(html)
    await page.getByRole('link', { name: 'Visual' }).click()
  }
  const picture = /<img src="site-file:heron" alt="A heron">/
  // With the picture clicked, what is typed goes into the caption; with the caption chosen, it takes the place of that.
  await write(figure)
  await visual(page).getByRole('img').click()
  await page.keyboard.type('!')
  expect(await holds(served, id, 'otters', 'Grey!')).toMatch(picture)
  await visual(page).getByText('Grey!').click({ clickCount: 3 })
  await page.keyboard.type('Blue')
  expect(await holds(served, id, 'otters', '<figcaption>Blue</figcaption>')).toMatch(picture)

  // Out of the caption by Enter, by arrow, by a click below.
  for (const leave of [
    () => page.keyboard.press('Enter'),
    () => page.keyboard.press('ArrowDown'),
    async () => {
      await page.locator('.visual .text').evaluate((text) => text.scrollTo(0, text.scrollHeight))
      const { x, y, height } = (await page.locator('.visual .text').boundingBox())!
      await page.mouse.click(x + 200, y + height - 12)
    },
  ]) {
    await write(figure)
    await visual(page).getByText('Grey').click()
    await page.keyboard.press('End')
    await leave()
    await page.keyboard.type('under it')
    expect(await holds(served, id, 'otters', '<p>under it</p>')).toMatch(
      /<figcaption>Grey<\/figcaption>\s*<\/figure>\s*<p>under it<\/p>$/,
    )
  }

  // Its file, alternative text, size and caption.
  await visual(page).getByRole('img').click()
  await page.getByRole('button', { name: 'Edit picture' }).click()
  const dialog = page.getByRole('dialog')
  await expect(dialog.getByRole('radio', { checked: true })).toHaveAccessibleName('pictures/heron.svg')
  await expect(dialog.getByLabel('Alternative text')).toHaveValue('A heron')
  await dialog.getByLabel('Alternative text').fill('A grey heron')
  await dialog.getByLabel('Caption').fill('At the weir')
  await dialog.getByLabel('Width in pixels').fill('120')
  await dialog.getByRole('button', { name: 'Apply' }).click()
  expect(await holds(served, id, 'otters', 'At the weir')).toMatch(
    /<img src="site-file:heron" alt="A grey heron" width="120" height="\d+">\s*<figcaption>At the weir</,
  )
  await visual(page).getByText('At the weir').click()
  await page.getByRole('button', { name: 'Remove picture' }).click()
  await expect.poll(() => bodyNow(served, id, 'otters')).toBe('<p>under it</p>')
})

/**
 * Clicks on a text of the main content and waits until the caret rests there: the browser tells the editor of it a moment
 * after the click, and a key that is pressed within that moment would be one at the caret before.
 */
async function clickInto(page: Page, text: string): Promise<void> {
  const caret = () =>
    page.evaluate(async () => {
      await new Promise((resolve) => setTimeout(resolve, 60))
      return getSelection()?.anchorNode?.textContent
    })
  await expect(async () => {
    await visual(page).getByText(text).click()
    expect(await caret()).toBe(text)
  }).toPass()
}

test('a table is written by keys: the first cell, Tab to the next, a new row at the end', async ({
  page,
  served,
}) => {
  const id = await openWrite(page, served, 'otters')
  await visual(page).click()
  await page.keyboard.press('Control+a')
  await page.keyboard.press('Delete')
  await page.getByRole('button', { name: 'Table' }).click()
  await page.keyboard.type('Day')
  for (const text of ['From', 'To', 'Monday', '9', '5', 'Tuesday', '10', '4', 'Sunday', 'no']) {
    await page.keyboard.press('Tab')
    await page.keyboard.type(text)
  }
  await page.keyboard.press('Shift+Tab')
  await page.keyboard.type('closed')
  const row = (tag: string, ...cells: string[]) =>
    `<tr>${cells.map((cell) => `<${tag}>${cell}</${tag.split(' ')[0]!}>`).join('')}</tr>`
  const flat = async () => (await bodyNow(served, id, 'otters')).replace(/\n\s*/g, '')
  const head = `<thead>${row('th scope="col"', 'Day', 'From', 'To')}</thead>`
  const body = row('td', 'Monday', '9', '5') + row('td', 'Tuesday', '10', '4')
  await expect.poll(flat).toBe(`<table>${head}<tbody>${body}${row('td', 'closed', 'no', '')}</tbody></table>`)

  const tool = (name: string) =>
    page.getByRole('toolbar', { name: 'Table' }).getByRole('button', { name }).click()
  await tool('Header column')
  await expect.poll(flat).toContain('<tr><th scope="row">Monday</th><td>9</td><td>5</td></tr>')
  await tool('Column to the left')
  await page.keyboard.press('Shift+Tab')
  await tool('Delete column')
  await tool('Delete row')
  await expect.poll(flat).not.toContain('closed')
  await page.getByLabel('Caption of the table').fill('Times & days')
  await expect.poll(flat).toContain('<table><caption>Times &amp; days</caption><thead>')
  // Out of it at the end of the text.
  await clickInto(page, '10')
  await page.keyboard.press('ArrowDown')
  await page.keyboard.type('After it.')
  await expect.poll(flat).toContain('</table><p>After it.</p>')
  await visual(page).getByText('Monday').click()
  await tool('Delete table')
  await expect.poll(flat).toBe('<p>After it.</p>')
})

test('the source is what is typed, underlines errors of the standard, completes links and makes typed paths follow', async ({
  page,
  served,
}) => {
  const id = await openWrite(page, served, 'privacy', 'HTML')
  await source(page).click()
  await page.keyboard.press('Control+a')
  await page.keyboard.type('<p>See <a href="Tany')
  await expect(page.locator('.cm-tooltip-autocomplete li').first()).toContainText('Tanyard Staircase')
  // The editor takes no Enter for a completion that has just come up.
  await page.waitForTimeout(150)
  await page.keyboard.press('Enter')
  await expect(source(page)).toContainText('<a href="entry:tanyard"')
  await page.keyboard.press('Control+a')
  const typed =
    '<h2 title="x">Data (1)</h2><p>See <em>this</em>, “that”.</p><ul><li>a</li></ul><br><!-- x -->'
  await page.keyboard.type(typed)
  await expect(source(page)).toHaveText(typed)
  await holds(served, id, 'privacy', typed)

  await writeSource(page, '<p>To <a href="about/contact.html">us</a></p>\n<div>open')
  await expect(page.locator('.cm-lintRange-error')).toHaveText('<div>')
  await page.locator('body').click({ position: { x: 700, y: 760 } })
  await expect(source(page)).toContainText('href="entry:contact"')
  await holds(served, id, 'privacy', '<a href="entry:contact">us</a>')
})

test('headings are listed with their warnings, and demoted together; ids that are renamed are followed', async ({
  page,
  served,
}) => {
  const id = await openWrite(page, served, 'opening-times', 'HTML')
  await writeSource(page, '<h2 id="winter">Winter</h2><h4>Nights</h4><h2>Summer</h2>')
  const list = beside(page).getByRole('list', { name: 'Headings' })
  await expect(list.getByRole('button', { name: /Nights/ })).toContainText('skips a level')
  await list.getByRole('button', { name: /Winter/ }).click()
  await list.getByRole('button', { name: /Summer/ }).click({ modifiers: ['Shift'] })
  await beside(page).getByRole('button', { name: 'Lower chosen headings' }).click()
  await expect(source(page)).toContainText('<h3 id="winter">Winter</h3><h5>Nights</h5><h3>Summer</h3>')
  // In its place: a text that was empty for a moment has no ids left that could be followed.
  await source(page).getByText('"winter"').dblclick()
  await page.keyboard.insertText('cold')
  // The home page linked to the winter hours.
  await holds(served, id, 'home', 'entry:opening-times#cold')
  await expect(beside(page).getByText('#cold')).toBeVisible()
})

test('a link to a heading of the same text gives that an id, in both ways', async ({ page, served }) => {
  const id = await openWrite(page, served, 'privacy', 'HTML')
  await fillSource(page, '<h2>What we keep</h2><p>See </p>')
  await page.keyboard.press('ArrowLeft')
  for (let n = 0; n < 3; n++) await page.keyboard.press('ArrowLeft')
  const link = async (words: string) => {
    await page.getByRole('button', { name: 'Link', exact: true }).click()
    await page.keyboard.type('Privacy')
    await page.getByRole('option', { name: words }).click()
  }
  await link('What we keep an anchor will be added')
  await holds(
    served,
    id,
    'privacy',
    '<h2 id="what-we-keep">What we keep</h2><p>See <a href="entry:privacy#what-we-keep">What we keep</a></p>',
  )
  await fillSource(page, '<h2>For how long</h2><p>Years. </p>')
  await holds(served, id, 'privacy', 'For how long')
  await page.getByRole('link', { name: 'Visual' }).click()
  await visual(page).click()
  await page.keyboard.press('Control+End')
  await link('For how long an anchor will be added')
  await holds(
    served,
    id,
    'privacy',
    /<h2 id="for-how-long">[^]*<a href="entry:privacy#for-how-long">For how long</,
  )
})

test('a link to a page that is not there yet makes a planned page; Markdown comes in as one page or many', async ({
  page,
  served,
}) => {
  const id = await openWrite(page, served, 'volunteer')
  await visual(page).click()
  await page.keyboard.press('Control+End')
  await page.getByRole('button', { name: 'Link', exact: true }).click()
  await page.keyboard.type('Tool libr')
  await expect(page.getByRole('option', { name: /Tool libr a new page/ })).toBeVisible()
  // Keys may be faster than the search.
  await page.keyboard.type('ary')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('tree', { name: 'Plan' }).getByText('Tool library')).toBeVisible()
  await holds(served, id, 'volunteer', /<a href="entry:[0-9a-f-]{36}">Tool library<\/a>/)

  const md = (name: string, text: string | Buffer) => ({ name, mimeType: '', buffer: Buffer.from(text) })
  await page.getByLabel('Files in Markdown').setInputFiles([md('one.md', '# Any\n\nNew *text*')])
  await expect(visual(page)).toHaveText('New text')
  await page.getByLabel('Files in Markdown').setInputFiles([md('a.md', '# Painting\n\nx'), md('b.md', 'y')])
  await expect(page.getByRole('tree', { name: 'Plan' }).getByText('Painting', { exact: true })).toBeVisible()
  await page.getByLabel('Files in Markdown').setInputFiles([md('c.md', Buffer.from([0xff, 0xd8, 0x00]))])
  await expect(page.getByRole('alert')).toContainText('c.md is not text in UTF-8. Nothing was changed.')
})

test('two windows on one page are told of each other, and neither text is lost', async ({ page, served }) => {
  const id = await openWrite(page, served, 'privacy', 'HTML')
  const other = await page.context().newPage()
  await openWrite(other, served, 'privacy', 'HTML')
  // The first window's line to the server is slow: both write over the same text.
  await page.route('**/changes', async (route) => {
    await new Promise((resolve) => setTimeout(resolve, 2500))
    await route.continue()
  })
  await fillSource(page, '<p>mine</p>')
  await fillSource(other, '<p>theirs</p>')
  await expect(page.getByText('Another window changed the same part')).toBeVisible()
  await expect(source(page)).toContainText('mine')
  expect(await bodyNow(served, id, 'privacy')).toBe('<p>theirs</p>')
  await page.unroute('**/changes')
  await page.getByRole('button', { name: 'Keep mine' }).click()
  await holds(served, id, 'privacy', 'mine')
  await expect(source(other)).toContainText('mine')
  // The other text is in the history.
  await page.locator('footer').getByRole('button', { name: 'Undo' }).click()
  await expect(source(page)).toContainText('theirs')
})

test('what comes from a word processor comes in clean, in both ways', async ({ page, served }) => {
  const id = await openWrite(page, served, 'privacy')
  const paste = (of: Page) =>
    of.evaluate(() => {
      const data = new DataTransfer()
      data.setData(
        'text/html',
        '<p class="MsoNormal" style="color:red">Red <b>bold</b><script>x()</script></p>',
      )
      data.setData('text/plain', 'Red bold')
      document.activeElement!.dispatchEvent(
        new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }),
      )
    })
  await visual(page).click()
  await page.keyboard.press('Control+a')
  await paste(page)
  await expect(visual(page)).toHaveText('Red bold')
  expect(await holds(served, id, 'privacy', 'bold')).toBe('<p>Red <strong>bold</strong></p>\n')
  await page.getByRole('link', { name: 'HTML' }).click()
  await source(page).click()
  await page.keyboard.press('Control+a')
  await paste(page)
  await expect(source(page)).toContainText('<p>Red <strong>bold</strong></p>')
})

/** Puts something into the clipboard of an editor as a program of that kind does. */
const pasteInto = (of: Locator, html: string, text: string) =>
  of.evaluate(
    (element, [html, text]) => {
      const data = new DataTransfer()
      if (html) data.setData('text/html', html)
      data.setData('text/plain', text!)
      element.dispatchEvent(
        new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }),
      )
    },
    [html, text],
  )

test('what programs put on the clipboard stays lists, tables and links; a whole document gives its body', async ({
  page,
  served,
}) => {
  const id = await openWrite(page, served, 'privacy')
  const flat = async () => (await bodyNow(served, id, 'privacy')).replace(/\n\s*/g, '')
  for (const name of ['word', 'writer', 'webEditor', 'spreadsheet', 'calc']) {
    await visual(page).click()
    await page.keyboard.press('Control+a')
    await page.keyboard.press('Delete')
    const html = readFileSync(
      new URL(`../core/content/paste/clipboards/${name}.html`, import.meta.url),
      'utf8',
    )
    await pasteInto(visual(page), html, 'as text')
    await expect.poll(flat).toBe(cleanPaste(html).replace(/\n\s*/g, ''))
  }

  // Out of a web page, by this browser itself.
  const other = await page.context().newPage()
  await other.setContent(
    '<style>h2 { color: red } li { font-weight: 700 }</style><h2>Boats</h2><ul><li>Rowing <a href="https://example.org/">boats</a><ol><li>Canoes</li></ol></li></ul><table><tr><th>Day</th><td><b>Monday</b></td></tr></table>',
  )
  await other.keyboard.press('Control+a')
  await other.keyboard.press('Control+c')
  await other.close()
  await visual(page).click()
  await page.keyboard.press('Control+a')
  await page.keyboard.press('Control+v')
  await expect
    .poll(flat)
    .toMatch(
      /^<h2>Boats<\/h2><ul><li>(<strong>)?Rowing <a href="https:\/\/example.org\/">boats<\/a>.*<ol><li>.*Canoes.*<\/ol><\/li><\/ul><table><tbody><tr><th>Day<\/th><td><strong>Monday<\/strong><\/td><\/tr><\/tbody><\/table>$/,
    )
  // What was copied here comes in as it is, with what other programs would not see.
  await writeSource(page, '<p class="note">One <span class="x">two</span></p><p>three</p>')
  await page.getByRole('link', { name: 'Visual' }).click()
  await visual(page).click()
  await page.keyboard.press('Control+a')
  await page.keyboard.press('Control+c')
  await page.keyboard.press('Control+End')
  // The editor hears of a selection from an event that comes with the next frame; nobody types faster than that.
  await page.evaluate(
    () => new Promise((resolve) => requestAnimationFrame(() => requestAnimationFrame(resolve))),
  )
  await page.keyboard.press('Enter')
  await page.keyboard.press('Control+v')
  await expect
    .poll(flat)
    .toMatch(/<p>three<\/p><p class="note">One <span class="x">two<\/span><\/p><p>three<\/p>$/)

  const document =
    '<!doctype html>\n<html><head><title>T</title></head><body class="x"><p>All of it</p></body></html>'
  await visual(page).click()
  await page.keyboard.press('Control+a')
  await pasteInto(visual(page), '', document)
  await expect.poll(flat).toBe('<p>All of it</p>')
  await page.getByRole('link', { name: 'HTML' }).click()
  await source(page).click()
  await page.keyboard.press('Control+a')
  await pasteInto(source(page), '', document)
  await expect(source(page)).toHaveText('<p>All of it</p>')
})

test('two windows with one text open are told of each other before either writes', async ({
  page,
  served,
}) => {
  await openWrite(page, served, 'privacy', 'HTML')
  const told = (of: Page) => of.getByText('Another window has this text open')
  await expect(told(page)).toHaveCount(0)
  const other = await page.context().newPage()
  await openWrite(other, served, 'privacy', 'HTML')
  await expect(told(page)).toBeVisible()
  await expect(told(other)).toBeVisible()
  expect(await axeFindings(page)).toEqual([])
  await choose(other, 'contact')
  await expect(told(page)).toHaveCount(0)
  await choose(other, 'privacy')
  await expect(told(page)).toBeVisible()
  await other.close()
  await expect(told(page)).toHaveCount(0)
})

test('a page without a text starts from that of another', async ({ page, served }) => {
  const id = await openWrite(page, served, 'privacy', 'HTML')
  await fillSource(page, '')
  await page.getByLabel('Start from that of').fill('Mill')
  await page.getByTitle('Mill Lock', { exact: true }).click()
  await expect(source(page)).toContainText('lock')
  expect(await holds(served, id, 'privacy', 'lock')).toBe(await bodyNow(served, id, 'mill-lock'))
})

test('a text that cannot be kept is refused with the reason and the line, and stays in the editor', async ({
  page,
  served,
}) => {
  const id = await openWrite(page, served, 'privacy', 'HTML')
  const before = await bodyNow(served, id, 'privacy')
  const refused = (words: string | RegExp) => expect(page.getByText(words)).toBeVisible()
  /** Puts a text into the editor as one paste. */
  const paste = (text: string) =>
    source(page).evaluate((element, text) => {
      const data = new DataTransfer()
      data.setData('text/plain', text)
      element.dispatchEvent(
        new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }),
      )
    }, text)
  const replace = async (text: string) => {
    await source(page).click()
    await page.keyboard.press('Control+a')
    await paste(text)
  }
  await replace(`<p>one</p>\n${'<div>'.repeat(20_000)}`)
  await refused(/Not saved: Elements are nested more than \d+ deep at line 2/)
  await replace(`<p>one</p>\n<p>${'word '.repeat(1_000_000)}</p>`)
  await refused(/Not saved: must be at most 1000000 characters long/)
  await expect(page.getByText('Not read: the text is too long.')).toBeVisible()
  await replace('<p>one</p>\n<p>two\u0000</p>')
  await refused(/Not saved: must not contain control characters, as in line 2/)
  await expect(source(page)).toContainText('two')
  expect(await bodyNow(served, id, 'privacy')).toBe(before)
  // What brings its own document, or a form around the end of main, stays inside main.
  const html = '<html><body class="x"><form><p>inside</p></main></form></body></html>'
  await replace(html)
  await holds(served, id, 'privacy', 'inside')
  const shown = page.frameLocator('iframe')
  await expect(shown.locator('main p', { hasText: 'inside' })).toBeVisible()
  await expect(shown.locator('body > footer')).toBeVisible()
  await expect(shown.locator('body.x')).toHaveCount(0)
})

test('what is worked out from the plan is put into a text, by sight and as HTML, and follows the plan', async ({
  page,
  served,
  watched,
}) => {
  await openWrite(page, served, 'boating', 'Visual')
  const put = async (what: string) => {
    await page.getByRole('button', { name: /^Insert/ }).click()
    await page.getByRole('menuitem', { name: what, exact: true }).click()
  }
  await page.getByRole('textbox', { name: 'Main content' }).press('Control+End')
  await put('List of subpages')
  const shown = page.frameLocator('iframe')
  const listed = shown.locator('main li a', { hasText: /^Winter stoppages$/ })
  await expect(listed).toBeVisible()
  await expect(page.locator('.kept-computed')).toHaveText('List of subpages')
  // A page that gets another name is called so in the list, without a touch of the text.
  await choose(page, 'stoppages')
  await page.keyboard.press('F2')
  await page.keyboard.type('Closed locks')
  await page.keyboard.press('Enter')
  await choose(page, 'boating')
  await expect(shown.locator('main li a', { hasText: 'Closed locks' })).toBeVisible()

  // Pages from anywhere as cards, in the order of the author.
  await page.getByRole('textbox', { name: 'Main content' }).press('Control+End')
  await put('Pages picked by hand …')
  const dialog = page.getByRole('dialog', { name: 'Pages picked by hand' })
  for (const title of ['Otters', 'Nature']) {
    await dialog.getByRole('combobox', { name: 'Add a page' }).fill(title)
    await page.keyboard.press('Enter')
    await expect(dialog.getByRole('list', { name: 'Picked pages' })).toContainText(title)
  }
  await dialog.getByRole('button', { name: 'Nature up' }).click()
  expect(await axeFindings(page)).toEqual([])
  await dialog.getByRole('button', { name: 'Insert' }).click()
  const cards = shown.locator('main .cards > li')
  await expect(cards.locator('> a')).toHaveText(['Nature', 'Otters'])
  await expect(cards.first().locator('img')).toHaveAttribute('src', /heron/)

  // A date, by keys; the list that is ordered by it shows it.
  await page.getByRole('link', { name: 'Plan', exact: true }).click()
  await choose(page, 'otters')
  const date = page.getByLabel('Date', { exact: true })
  await date.focus()
  // Month, day and year, as the browser of the test writes them.
  await page.keyboard.type('05092026')
  await page.keyboard.press('Enter')
  await expect(page.getByText('“Otters” dated 2026-05-09')).toBeVisible()
  // A day that is not whole any more does not remove the one that is saved.
  await page.keyboard.press('Delete')
  await expect(date).toHaveValue('')
  await date.blur()
  await expect(date).toHaveValue('2026-05-09')
  await choose(page, 'boating')
  await page.getByRole('link', { name: 'Write', exact: true }).click()
  await page.getByRole('textbox', { name: 'Main content' }).press('Control+End')
  await put('Pages picked by hand …')
  for (const title of ['Nature', 'Otters']) {
    await dialog.getByRole('combobox', { name: 'Add a page' }).fill(title)
    await page.keyboard.press('Enter')
    await expect(dialog.getByRole('list', { name: 'Picked pages' })).toContainText(title)
  }
  await dialog.getByRole('radio', { name: 'List with descriptions' }).check()
  await dialog.getByRole('checkbox', { name: 'Newest first' }).check()
  await expect(dialog).toContainText('Without a date, and so last: Nature.')
  await dialog.getByRole('button', { name: 'Insert' }).click()
  await expect(shown.locator('main li:has(> time)')).toContainText('Otters 9 May 2026')

  await page.getByRole('link', { name: 'HTML', exact: true }).click()
  await expect(source(page)).toContainText('<put-pages></put-pages>')
  await source(page).press('Control+End')
  await put('Menu “Small print”')
  await expect(shown.locator('main nav[aria-label="Small print"]')).toBeVisible()

  // In one step from the plan: an overview, and a map of the site, which there is once.
  await page.getByRole('link', { name: 'Plan', exact: true }).click()
  const act = async (what: string) => {
    await page.getByRole('treeitem', { selected: true }).getByRole('button', { name: 'Actions' }).click()
    await page.getByRole('menuitem', { name: what }).click()
  }
  await choose(page, 'nature')
  await act('List subpages in its content')
  await expect(shown.locator('main li a', { hasText: 'Otters' })).toBeVisible()
  await act('Add site map')
  await expect(page.getByLabel('Title', { exact: true })).toHaveValue('Site map')
  await expect(shown.locator('main li a', { hasText: 'Otters' })).toBeVisible()
  await expect(shown.locator('main li [aria-current=page]')).toHaveText('Site map')
  await choose(page, 'nature')
  await act('Add site map')
  await expect(page.getByText('This site has a page with a site map already.')).toBeVisible()
  expect(watched).toEqual({ errors: [], strangers: [] })
})
