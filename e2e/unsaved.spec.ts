import { type ChildProcess, spawn } from 'node:child_process'
import { existsSync, readFileSync, rmSync } from 'node:fs'
import { mkdtemp } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { setTimeout as wait } from 'node:timers/promises'
import { apiAt } from '@viatica/server/testing/serve.ts'
import { type Browser, chromium, type Page } from '@playwright/test'
import playwright from './playwright.config.ts'
import { startServer } from './server.ts'
import { axeFindings, choose, expect, openDemo, saved, test } from './viatica.ts'

const { executablePath, args } = playwright.use!.launchOptions!

/** A browser of its own, whose process can be killed and whose profile stays. */
class OwnBrowser {
  #child: ChildProcess | undefined
  #browser: Browser | undefined

  constructor(readonly profile: string) {}

  async open(): Promise<Page> {
    const portFile = join(this.profile, 'DevToolsActivePort')
    rmSync(portFile, { force: true })
    this.#child = spawn(
      executablePath!,
      [
        ...args!,
        '--headless=new',
        '--remote-debugging-port=0',
        `--user-data-dir=${this.profile}`,
        'about:blank',
      ],
      // A group of its own, with all the processes that it starts.
      { stdio: 'ignore', detached: true },
    )
    const port = () => (existsSync(portFile) ? readFileSync(portFile, 'utf8').split('\n')[0] : '')
    while (!port()) await wait(50)
    this.#browser = await chromium.connectOverCDP(`http://127.0.0.1:${port()}`)
    const page = await this.#browser.contexts()[0]!.newPage()
    await page.setViewportSize({ width: 1280, height: 800 })
    return page
  }

  /** As when the machine loses its power: nothing is told to the pages. */
  async kill(): Promise<void> {
    if (this.#child!.signalCode !== null) return
    const ended = new Promise((resolve) => this.#child!.once('exit', resolve))
    process.kill(-this.#child!.pid!, 'SIGKILL')
    await ended
    await this.#browser!.close().catch(() => undefined)
  }
}

const ownBrowser = test.extend<{ own: OwnBrowser }>({
  // eslint-disable-next-line no-empty-pattern -- Playwright asks for a pattern
  own: async ({}, use) => {
    const profile = await mkdtemp(join(tmpdir(), 'profile-'))
    const own = new OwnBrowser(profile)
    await use(own)
    await own.kill()
    // Processes that were killed may still hold files for a moment.
    rmSync(profile, { recursive: true, force: true, maxRetries: 20, retryDelay: 200 })
  },
})

/** Waits until the browser has written to one of its databases what was typed last. */
async function stored(page: Page, text: string, name: string, stores: string[]): Promise<void> {
  const read = () =>
    page.evaluate(
      async (from) => {
        const done = <Result>(request: IDBRequest<Result>) =>
          new Promise<Result>((resolve) => (request.onsuccess = () => resolve(request.result)))
        const database = await done(indexedDB.open(from.name))
        const work = database.transaction(from.stores)
        const all = await Promise.all(from.stores.map((one) => done(work.objectStore(one).getAll())))
        database.close()
        return JSON.stringify(all)
      },
      { name, stores },
    )
  await expect.poll(read).toContain(text)
}
const kept = (page: Page, text: string) => stored(page, text, 'viatica', ['edits', 'typed'])
const keptDraft = (page: Page, text: string) => stored(page, text, 'viatica-drafts', ['drafts'])

ownBrowser(
  'what could not be saved, and what was being typed, goes on after the browser was killed',
  async ({ servedAlone: served, own }) => {
    let page = await own.open()
    const id = await openDemo(page, served)
    await choose(page, 'tanyard')
    await served.gate.shut()
    await page.getByLabel('Description').fill('Three locks, one after the other.')
    await expect(page.getByRole('alert')).toContainText('Your edits are kept here')
    const note = page.getByLabel('Private note')
    await note.click()
    await note.pressSequentially('Ask the lock keeper')
    await kept(page, 'Ask the lock keeper')
    await own.kill()

    page = await own.open()
    await served.gate.reopen()
    await page.goto(served.url)
    await expect(page.getByText('edits not saved yet')).toBeVisible()
    await page.getByRole('link', { name: /Wetherlock Canal Trust/ }).click()
    await saved(page)
    await expect
      .poll(async () => (await apiAt(served.url).read(id)).site.plan.entries.get('tanyard'))
      .toMatchObject({ description: 'Three locks, one after the other.', note: 'Ask the lock keeper' })
  },
)

/** Where a name can be typed that moves an address, so that it waits to be taken. */
const NAMED: readonly { where: string; name(page: Page): Promise<void>; offered: string; becomes: string }[] =
  [
    {
      where: 'as the title of a page',
      name: (page) =>
        page.getByRole('complementary').getByLabel('Title', { exact: true }).fill('Tanyard Locks'),
      offered: '“Tanyard Staircase” renamed “Tanyard Locks”',
      becomes: 'Tanyard Locks',
    },
    {
      where: 'over a row of the outline',
      async name(page) {
        await page.keyboard.press('F2')
        await page.getByRole('treeitem', { name: 'Being named' }).getByRole('textbox').fill('Tanyard Flight')
      },
      offered: '“Tanyard Staircase” renamed “Tanyard Flight”',
      becomes: 'Tanyard Flight',
    },
    {
      where: 'in a cell of the inventory',
      async name(page) {
        await page.getByRole('link', { name: 'Inventory' }).click()
        const cell = page.getByRole('gridcell', { name: 'Tanyard Staircase', exact: true })
        await cell.dblclick()
        await page.getByRole('textbox', { name: 'title', exact: true }).fill('Tanyard Rise')
      },
      offered: '“Tanyard Staircase” renamed “Tanyard Rise”',
      becomes: 'Tanyard Rise',
    },
  ]

ownBrowser(
  'a name that waited to be taken is offered again after the browser was killed, wherever it was typed',
  async ({ served, own }) => {
    let page = await own.open()
    const id = await openDemo(page, served)
    for (const { where, name, offered, becomes } of NAMED) {
      const { revision } = await apiAt(served.url).read(id)
      await choose(page, 'tanyard')
      await name(page)
      await expect(page.getByText('Not saved yet'), where).toBeVisible()
      await kept(page, becomes)
      await own.kill()

      page = await own.open()
      await openDemo(page, served)
      const offer = page.getByRole('alert').filter({ hasText: 'before the window was closed' })
      await expect(offer, where).toContainText(offered)
      expect((await apiAt(served.url).read(id)).revision).toBe(revision)
      await offer.getByRole('button', { name: /^Apply/ }).click()
      await expect(offer).toBeHidden()
      await saved(page)
      const { plan } = (await apiAt(served.url).read(id)).site
      expect(plan.entries.get('tanyard')).toMatchObject({ title: becomes })
      await choose(page, 'tanyard')
      await page.keyboard.press('Control+z')
      await saved(page)
    }
  },
)

ownBrowser(
  'forms that are not saved, and a value that was refused, are there again after the browser was killed',
  async ({ served, own }) => {
    let page = await own.open()
    const id = await openDemo(page, served)
    const site = `${served.url}/sites/${id}`
    const type = async (label: string, text: string) => {
      await page.getByLabel(label, { exact: true }).focus()
      await page.keyboard.type(text)
    }
    await page.goto(`${site}/publish/host`)
    await type('Server', 'sftp.example.org')
    await keptDraft(page, 'sftp.example.org')
    await expect(page.getByText('Not saved yet')).toBeVisible()
    await page.goto(`${site}/settings/dictionary`)
    await type('Add words', 'Penhallow, Trewint')
    await keptDraft(page, 'Penhallow, Trewint')
    // A name that nobody can have; where it is refused, the reason stays with it.
    await page.goto(`${site}/settings`)
    await page.getByLabel('Name', { exact: true }).focus()
    await page.keyboard.press('Control+a')
    await page.keyboard.type(' ')
    const refused = () => page.getByRole('alert').filter({ hasText: 'must not be empty' })
    await expect(refused()).toBeVisible()
    await keptDraft(page, 'Name')
    await own.kill()

    page = await own.open()
    await openDemo(page, served)
    const notSaved = page.getByRole('button', { name: 'Not saved yet: show where' })
    await notSaved.focus()
    await page.keyboard.press('Enter')
    await page.getByRole('menuitem', { name: 'Go to: New host' }).focus()
    await page.keyboard.press('Enter')
    await expect(page.getByLabel('Server', { exact: true })).toHaveValue('sftp.example.org')
    await notSaved.click()
    await page.getByRole('menuitem', { name: 'Go to: Name' }).click()
    await expect(page.getByLabel('Name', { exact: true })).toHaveValue(' ')
    await expect(refused()).toBeVisible()
    await type('Name', 'Cider walks')
    await page.keyboard.press('Tab')
    await expect.poll(async () => (await apiAt(served.url).read(id)).site.settings.name).toBe('Cider walks')
    await notSaved.click()
    await page.getByRole('menuitem', { name: 'Discard: New host' }).click()
    await notSaved.click()
    await page.getByRole('menuitem', { name: 'Go to: Add words' }).click()
    await expect(page.getByLabel('Add words')).toHaveValue('Penhallow, Trewint')
    await page.getByRole('button', { name: 'Add', exact: true }).click()
    await saved(page)
    await page.goto(`${site}/publish/host`)
    await expect(page.getByLabel('Server', { exact: true })).toHaveValue('')
  },
)

test('a window that was refused the stream of changes hears of them once the server is well again', async ({
  page,
  servedAlone: served,
}) => {
  let refusals = 0
  await page.route(/\/events$/, (route) =>
    ++refusals <= 2 ? route.fulfill({ status: 503, body: 'no database' }) : route.continue(),
  )
  const id = await openDemo(page, served)
  await choose(page, 'tanyard')
  await expect.poll(() => refusals, { timeout: 15_000 }).toBe(3)
  const change = {
    kind: 'setEntry',
    entry: 'tanyard',
    field: 'description',
    value: 'From elsewhere',
  } as const
  expect((await apiAt(served.url).post(id, 0, change)).status).toBe(200)
  await expect(page.getByLabel('Description')).toHaveValue('From elsewhere')

  // The database goes away, and comes back: what was changed then is heard as well.
  await served.gate.shut()
  await served.gate.reopen()
  await expect
    .poll(async () => (await apiAt(served.url).post(id, 1, { ...change, value: 'After that' })).status)
    .toBe(200)
  await expect(page.getByLabel('Description')).toHaveValue('After that')
})

test('undoing what another window wrote over asks first, with both versions', async ({
  page,
  context,
  served,
  watched,
}) => {
  await openDemo(page, served)
  const other = await context.newPage()
  await other.goto(page.url())
  const describe = async (where: Page, text: string) => {
    await choose(where, 'tanyard')
    await where.getByLabel('Description').fill(text)
    await saved(where)
  }
  await describe(page, 'Mine')
  await expect(other.getByRole('tree', { name: 'Plan' })).toBeVisible()
  await describe(other, 'Theirs')
  await expect(page.getByLabel('Description')).toHaveValue('Theirs')
  const undo = page.getByRole('banner').getByRole('button', { name: 'Undo' })
  await undo.click()
  const question = page.getByRole('dialog')
  await expect(question).toContainText('the description was changed in another window')
  await expect(question.getByRole('region', { name: 'Now' })).toContainText('Theirs')
  await question.getByRole('button', { name: 'Cancel' }).click()
  await expect(page.getByLabel('Description')).toHaveValue('Theirs')
  await undo.click()
  await question.getByRole('button', { name: 'Undo anyway' }).click()
  await expect(other.getByLabel('Description')).not.toHaveValue('Theirs')
  await saved(page)
  expect(watched.errors).toEqual([])
})

test('undoing a banner that another window replaced shows the page as it is and as it would be', async ({
  page,
  context,
  served,
  watched,
}) => {
  const id = await openDemo(page, served)
  const other = await context.newPage()
  await other.goto(page.url())
  const choosePicture = async (where: Page, name: string) => {
    await choose(where, 'tanyard')
    await where.getByLabel('Banner picture', { exact: true }).selectOption({ label: name })
    await saved(where)
  }
  const names = (
    await page.getByLabel('Banner picture', { exact: true }).locator('option').allTextContents()
  ).slice(1)
  const [mine = '', theirs = ''] = names
  await choosePicture(page, mine)
  await expect(other.getByRole('tree', { name: 'Plan' })).toBeVisible()
  await choosePicture(other, theirs)
  const source = async () => {
    const { site } = await apiAt(served.url).read(id)
    const entry = site.plan.entries.get('tanyard')
    return site.files.get(entry?.kind === 'page' ? (entry.banner?.file ?? '') : '')?.path
  }
  await expect.poll(source).toBe(theirs)
  await page.getByRole('banner').getByRole('button', { name: 'Undo' }).click()
  const question = page.getByRole('dialog')
  const picture = (name: string) =>
    question.getByRole('region', { name }).frameLocator('iframe').locator('.banner img')
  await expect(picture('Now')).toHaveAttribute('src', new RegExp(theirs.replace(/.*\//, '')))
  await expect(picture('After undoing')).toHaveCount(0)
  expect(await axeFindings(page)).toEqual([])
  await question.getByRole('button', { name: 'Undo anyway' }).click()
  await expect.poll(source).toBeUndefined()
  expect(watched.errors).toEqual([])
})

test('leaving a site while its last edit is on its way loses nothing, and nothing lands on the next', async ({
  page,
  servedAlone: served,
}) => {
  const id = await openDemo(page, served)
  await choose(page, 'tanyard')
  // The answer comes only after the other site has been opened.
  let release: () => void = () => undefined
  const held = new Promise<void>((resolve) => (release = resolve))
  await page.route(/\/changes$/, async (route) => {
    await held
    await route.continue()
  })
  await page.getByLabel('Description').fill('On its way')
  await page.getByLabel('Description').press('Tab')
  await expect(page.getByText('Saving …')).toBeVisible()
  await served.gate.shut()
  await served.gate.reopen()
  const other = await apiAt(served.url).create('The other site')
  await page.evaluate((path) => history.pushState({}, '', path), `/sites/${other}/plan`)
  await page.evaluate(() => dispatchEvent(new PopStateEvent('popstate', { state: {} })))
  release()
  await expect(page.getByRole('banner')).toContainText('The other site')
  await expect
    .poll(async () => (await apiAt(served.url).read(id)).site.plan.entries.get('tanyard'))
    .toMatchObject({ description: 'On its way' })
  expect((await apiAt(served.url).read(other)).revision).toBe(0)
})

test('where a key is needed, it is asked for once, and previews show as ever', async ({
  page,
  servedAlone: served,
  watched,
}) => {
  await served.stop()
  const KEY = 'a-key-of-more-than-16-characters'
  const { child, port } = await startServer(served.gate.url, 0, { VIATICA_ACCESS_KEY: KEY })
  const url = `http://127.0.0.1:${port}`
  await page.goto(url)
  await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible()
  await page.getByLabel('Access key').fill('wrong')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('alert')).toContainText('not the access key')
  await page.getByLabel('Access key').fill(KEY)
  await page.keyboard.press('Enter')
  await openDemo(page, { ...served, url })
  await choose(page, 'tanyard')
  const frame = page.frameLocator('iframe').first()
  await expect(frame.getByRole('heading', { level: 1 })).toBeVisible()
  const picture = frame.locator('img').first()
  expect(
    await picture.evaluate((one: HTMLImageElement) => one.decode().then(() => one.naturalWidth)),
  ).toBeGreaterThan(0)
  // Fonts of its style sheet too, and what a page refers to when it is opened on its own.
  const [full] = await Promise.all([
    page.waitForEvent('popup'),
    page.getByRole('link', { name: 'Full view' }).click(),
  ])
  const isLoaded = async () =>
    full.evaluate(async () => {
      await document.fonts.ready
      const pictures = await Promise.all(
        [...document.images].map((one) => one.decode().then(() => one.naturalWidth > 0)),
      )
      const sheets = [...document.querySelectorAll<HTMLLinkElement>('link[rel=stylesheet]')]
      return {
        pictures: pictures.length > 0 && pictures.every(Boolean),
        sheets: sheets.length > 0 && sheets.every(({ sheet }) => sheet !== null),
        fonts: [...document.fonts].every(({ status }) => status !== 'error'),
        // All that a script of the page learns of its own address.
        isPlain: !/pass|~/.test(document.baseURI + location.href + document.referrer),
      }
    })
  const allLoaded = { pictures: true, sheets: true, fonts: true, isPlain: true }
  await expect(full.getByRole('heading', { level: 1 })).toBeVisible()
  await expect.poll(isLoaded).toEqual(allLoaded)
  // A link of the page sends the cookie: it opens a page as a whole.
  await full.getByRole('link', { name: 'Home', exact: true }).first().click()
  await expect(full).toHaveURL(/index\.html$|\/$/)
  await expect.poll(isLoaded).toEqual(allLoaded)
  // The one refusal is that of the wrong key.
  expect(watched.errors.filter((error) => !/401/.test(error))).toEqual([])
  await page.reload()
  await expect(page.getByRole('tree', { name: 'Plan' })).toBeVisible()
  await page.getByRole('link', { name: /all sites/ }).click()
  await page.getByRole('button', { name: 'Sign out' }).click()
  await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible()
  await page.goto(url)
  await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible()
  expect((await full.reload())!.status()).toBe(401)
  const gone = new Promise((resolve) => child.once('exit', resolve))
  child.kill('SIGTERM')
  await gone
})
