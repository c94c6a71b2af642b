import type { Locator, Page } from '@playwright/test'
import { choose, expect, openDemo, saved, test, writeSource } from './viatica.ts'

/** How long two people type at the same time. */
const TYPING_MS = 15_000

/** Notes whenever the focus leaves what has it now. */
const watchFocus = (at: Locator) =>
  at.evaluate((element) => {
    const kept = window as unknown as { left: string[] }
    kept.left = []
    element.addEventListener('focusout', () => kept.left.push(document.activeElement?.tagName ?? ''))
  })
const focusLeft = (page: Page) => page.evaluate(() => (window as unknown as { left: string[] }).left)

/** Types word after word, by keys. @returns the words */
async function typeWords(page: Page, name: string, until: number, pause: number): Promise<string[]> {
  const words: string[] = []
  while (Date.now() < until) {
    const word = `${name}${words.length}`
    await page.keyboard.type(` ${word}`, { delay: 25 })
    words.push(word)
    await page.waitForTimeout(pause)
  }
  return words
}

/** Holds what this window saves back, however slow the other is. @returns what lets it through */
async function heldBack(page: Page): Promise<() => void> {
  let release = () => {}
  const released = new Promise<void>((resolve) => (release = resolve))
  await page.route('**/changes', async (route) => {
    await released
    await route.continue()
  })
  return release
}

async function openWrite(page: Page, way: 'Visual' | 'HTML'): Promise<Locator> {
  await page.getByRole('link', { name: 'Write', exact: true }).click()
  await page.getByRole('link', { name: way }).click()
  const name = way === 'HTML' ? 'Source of the main content' : 'Main content'
  return page.getByRole('textbox', { name, exact: true })
}

for (const ways of [
  ['Visual', 'Visual'],
  ['HTML', 'Visual'],
] as const)
  test(`two windows type in one text at a time, as ${ways.join(' and ')}: all of it comes together`, async ({
    page,
    served,
  }) => {
    const id = await openDemo(page, served)
    await choose(page, 'privacy')
    await writeSource(page, '<p>Of mine</p>\n<h2>Between</h2>\n<p>Of theirs</p>\n')
    await saved(page)
    const other = await page.context().newPage()
    await other.goto(`${served.url}/sites/${id}/plan`)
    await choose(other, 'privacy')
    const [mine, theirs] = [await openWrite(page, ways[0]), await openWrite(other, ways[1])]
    for (const [window, text, paragraph] of [
      [page, mine, 'Of mine'],
      [other, theirs, 'Of theirs'],
    ] as const) {
      await text.getByText(paragraph).click()
      await window.keyboard.press('End')
      // In the source, the caret stands behind the end tag.
      if (text === mine && ways[0] === 'HTML')
        for (let n = 0; n < 4; n++) await window.keyboard.press('ArrowLeft')
      await watchFocus(text)
    }
    const until = Date.now() + TYPING_MS
    const typed = await Promise.all([typeWords(page, 'a', until, 500), typeWords(other, 'b', until, 330)])
    await saved(page)
    await saved(other)
    const body = async () => {
      const answer = (await (await page.request.get(`${served.url}/api/sites/${id}/site.json`)).json()) as {
        plan: { entries: { id: string; body?: { html: string }; entries?: never[] }[] }
      }
      const find = (entries: typeof answer.plan.entries): string | undefined => {
        for (const entry of entries) {
          const found = entry.id === 'privacy' ? entry.body?.html : find(entry.entries ?? [])
          if (found !== undefined) return found
        }
        return undefined
      }
      return find(answer.plan.entries)
    }
    const [a, b] = typed.map((words) => words.map((word) => ` ${word}`).join('')) as [string, string]
    await expect
      .poll(async () => (await body())?.trim())
      .toBe(`<p>Of mine${a}</p>\n<h2>Between</h2>\n<p>Of theirs${b}</p>`)
    expect(typed[0].length).toBeGreaterThan(5)
    for (const window of [page, other]) {
      expect(await focusLeft(window)).toEqual([])
      await expect(window.getByRole('alert')).toHaveCount(0)
    }
    await expect(mine).toContainText(b.trim())
    await expect(theirs).toContainText(a.trim())
    await other.close()
  })

test('the same paragraph asks: both texts are shown, and whose text is replaced is told', async ({
  page,
  served,
}) => {
  const id = await openDemo(page, served)
  await choose(page, 'privacy')
  await writeSource(page, '<p>First.</p>\n<p>Second.</p>\n')
  await saved(page)
  const other = await page.context().newPage()
  await other.goto(`${served.url}/sites/${id}/plan`)
  await choose(other, 'privacy')
  const [mine, theirs] = [await openWrite(page, 'Visual'), await openWrite(other, 'Visual')]
  const letThrough = await heldBack(page)
  for (const [window, text, words] of [
    [page, mine, ' Mine.'],
    [other, theirs, ' Theirs.'],
  ] as const) {
    await text.getByText('First.').click()
    await window.keyboard.press('End')
    await window.keyboard.type(words, { delay: 20 })
  }
  await saved(other)
  letThrough()
  const asked = page.getByRole('alert')
  await expect(asked).toContainText('Another window changed the same part')
  await expect(asked.getByRole('definition').first()).toHaveText('First. Mine.')
  await expect(asked.getByRole('definition').last()).toHaveText('First. Theirs.')
  await page.getByRole('button', { name: 'Keep mine' }).click()
  await saved(page)
  const told = other.getByRole('alert')
  await expect(told).toContainText('Another window replaced text that you wrote here')
  await expect(theirs).toContainText('First. Mine.')
  await other.getByRole('button', { name: 'Restore mine' }).click()
  await expect(theirs).toContainText('First. Theirs.')
  await expect(told).toHaveCount(0)
  await expect(mine).toContainText('First. Theirs.')
  await other.close()
})

test('a field that is typed in keeps its text and the focus when another window changes it', async ({
  page,
  served,
}) => {
  const id = await openDemo(page, served)
  await choose(page, 'contact')
  const other = await page.context().newPage()
  await other.goto(`${served.url}/sites/${id}/plan`)
  await choose(other, 'contact')
  const field = (of: Page, name: string) => of.getByLabel(name, { exact: true })
  const [mine, theirs] = [field(page, 'Private note'), field(other, 'Private note')]
  // One types in one field, the other in another: each sees what comes, and keeps the focus and the caret.
  await mine.click()
  await mine.press('End')
  await watchFocus(mine)
  const description = field(other, 'Description for search engines')
  await description.click()
  await description.press('Control+a')
  await watchFocus(description)
  const until = Date.now() + 5000
  const [a, b] = await Promise.all([typeWords(page, 'a', until, 700), typeWords(other, 'b', until, 400)])
  await saved(page)
  await saved(other)
  await expect(theirs).toHaveValue(new RegExp(`${a.join(' ')}$`))
  await expect(field(page, 'Description for search engines')).toHaveValue(b.join(' '))
  for (const window of [page, other]) expect(await focusLeft(window)).toEqual([])
  // Both in one field, before either is saved.
  await theirs.click()
  await theirs.press('Control+a')
  await page.keyboard.press('Control+a')
  const letThrough = await heldBack(other)
  await other.keyboard.type('Theirs')
  const asked = page.getByRole('alert')
  let note = 'The note of this window'
  await page.keyboard.type(note)
  letThrough()
  while (!(await asked.isVisible())) {
    await page.keyboard.type(' on')
    note += ' on'
  }
  await expect(asked).toContainText('Another window changed this to “Theirs”')
  await expect(mine).toHaveValue(note)
  await expect(mine).toBeFocused()
  await asked.getByRole('button', { name: 'Keep mine' }).click()
  await saved(page)
  await expect(theirs).toHaveValue(note)
  await other.close()
})
