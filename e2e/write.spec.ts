import type { Page } from '@playwright/test'
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

/** Waits until the saved main content of an entry holds a text. @returns all of it */
async function holds(served: Served, id: string, entry: string, text: string | RegExp): Promise<string> {
  const expected = typeof text === 'string' ? expect.stringContaining(text) : expect.stringMatching(text)
  await expect.poll(() => bodyNow(served, id, entry)).toEqual(expected)
  return bodyNow(served, id, entry)
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
  await expect(page.getByRole('dialog')).toHaveCount(0)
  await page.keyboard.type(' at dusk.')
  await page.keyboard.press('Enter')
  await page.getByRole('button', { name: 'Quotation' }).click()
  await page.keyboard.type('I saw three of them.')
  await page.keyboard.press('Enter')
  await page.keyboard.press('Enter')
  await page.getByRole('button', { name: 'Picture' }).click()
  await page.getByRole('radio', { name: 'pictures/heron.svg' }).click()
  await page.getByLabel('Caption').fill('Not an otter')
  await page.getByRole('button', { name: 'Insert' }).click()
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
  await page.getByRole('dialog').getByLabel('New parent').fill('Nature')
  await page.keyboard.press('Enter')
  await page.getByRole('dialog').getByRole('button', { name: /^Move/ }).click()
  const question = page.getByRole('dialog').getByRole('button', { name: 'Move', exact: true })
  await question.click({ timeout: 3000 }).catch(() => undefined)
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

test('switching never changes a byte, and what one way would lose it does not open', async ({
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
  const lines = before.trimEnd().split('\n')
  expect(after.split('\n').filter((line) => !lines.includes(line))).toHaveLength(1)

  await writeSource(page, '<p>one</p><details><summary>More</summary><p class="x">two</p></details>')
  await holds(served, id, 'stoppages', '<details>')
  await page.getByRole('link', { name: 'Visual' }).click()
  await expect(page.getByText('Visual editing would remove:')).toBeVisible()
  await expect(page.locator('.losses li')).toHaveText(['<details>', '<summary>', 'class="x" of <p>'])
  await page.locator('.ProseMirror').click()
  await page.keyboard.type('lost')
  // What was typed is saved at the latest when the text is left.
  await page.getByRole('link', { name: 'HTML' }).click()
  await expect(source(page)).toContainText('<details><summary>')
  await saved(page)
  expect(await bodyNow(served, id, 'stoppages')).toContain('<details><summary>')
})

test('the source closes tags, underlines errors of the standard, completes links and makes typed paths follow', async ({
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
  await page.keyboard.type('<p>See <em>this')
  await expect(source(page)).toContainText('<p>See <em>this</em></p>')

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
  await writeSource(page, '<h3 id="cold">Winter</h3><h5>Nights</h5><h3>Summer</h3>')
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
  await page.keyboard.type('Tool library')
  await expect(page.getByRole('option', { name: /Tool library a new page/ })).toBeVisible()
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
  await expect(page.getByText('Another window changed this text')).toBeVisible()
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
  expect(await holds(served, id, 'privacy', 'bold')).toBe('<p>Red <strong>bold</strong></p>')
  await page.getByRole('link', { name: 'HTML' }).click()
  await source(page).click()
  await page.keyboard.press('Control+a')
  await paste(page)
  await expect(source(page)).toContainText('<p>Red <strong>bold</strong></p>')
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
