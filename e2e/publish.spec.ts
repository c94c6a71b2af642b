import { mkdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import type { Page } from '@playwright/test'
import { filesToPublish } from '@viatica/core/publish/publication.ts'
import { USUAL_CHOICES } from '@viatica/core/publish/choices.ts'
import type { Site } from '@viatica/core/plan/site.ts'
import { fromSiteData, type SiteData } from '@viatica/core/plan/siteData.ts'
import { press, publish, published, test, toPublish } from './publishing.ts'
import { axeFindings, choose, expect, openDemo, saved, type Served } from './viatica.ts'

async function siteNow(served: Served, id: string): Promise<Site> {
  const { site } = (await (await fetch(`${served.url}/api/sites/${id}`)).json()) as { site: SiteData }
  return fromSiteData(site)
}
const YEAR = new Date().getFullYear()
/** What would be published of a site: the texts by path. */
const textsOf = (site: Site) =>
  new Map(
    [...filesToPublish(site, YEAR, USUAL_CHOICES)].flatMap((file) =>
      'text' in file ? [[file.path, file.text()] as const] : [],
    ),
  )
/** The paths of texts that differ, in order. */
const differing = (before: Site, after: Site) => {
  const was = textsOf(before)
  return [...textsOf(after)].flatMap(([path, text]) => (was.get(path) === text ? [] : [path])).sort()
}

/** The changed files that are listed, in order of their paths. */
async function listed(page: Page): Promise<string[]> {
  const rows = page.getByRole('region', { name: 'What changes' }).locator('.changed-file code')
  await expect(rows.first()).toBeVisible()
  return (await rows.allTextContents()).sort()
}

/** A switch that holds when the server has heard of it. */
async function turnOn(page: Page, name: RegExp): Promise<void> {
  const box = page.getByRole('checkbox', { name })
  await expect(box).toBeEnabled()
  await box.click()
  await expect(box).toBeChecked()
}

const setField = async (page: Page, id: string, field: string, text: string) => {
  await choose(page, id)
  const box = page.getByRole('complementary').getByLabel(field, { exact: true })
  await box.fill(text)
  await box.press('Tab')
  await saved(page)
}

test('by keyboard: a host, the first publication, what three edits change, a page that moves, back and forward', async ({
  page,
  publishing,
  watched,
}) => {
  test.slow()
  const id = await openDemo(page, publishing)
  await toPublish(page)
  await expect(page.getByRole('heading', { name: 'New host' })).toBeVisible()
  await page.getByLabel('Name', { exact: true }).fill('Trial')
  const way = page.getByLabel('Connection', { exact: true })
  await way.focus()
  await way.selectOption({ label: 'Test host on this computer' })
  expect(await axeFindings(page)).toEqual([])
  await press(page.getByRole('button', { name: 'Add host' }))
  await expect(page.getByRole('region', { name: 'What changes' })).toContainText(/\d+ added/)
  expect(await axeFindings(page)).toEqual([])
  await publish(page, 1)
  await expect(page.getByRole('button', { name: 'Publish this again …' })).toHaveCount(0)
  await press(page.getByRole('link', { name: 'Changes' }))
  await expect(page.getByText('Nothing changed: the host has the site as it is.')).toBeVisible()

  // Three edits: two that stay on their pages, and one that every menu shows.
  const before = await siteNow(publishing, id)
  await press(page.getByRole('link', { name: 'Plan', exact: true }))
  await setField(page, 'otters', 'Description for search engines', 'Where otters are seen, and when.')
  await setField(page, 'birds', 'Description for search engines', 'Birds of the reservoir and the towpath.')
  await toPublish(page)
  await expect.poll(() => listed(page)).toEqual(differing(before, await siteNow(publishing, id)))
  expect(differing(before, await siteNow(publishing, id))).toHaveLength(2)
  await press(page.getByRole('link', { name: 'Plan', exact: true }))
  await setField(page, 'moorings', 'Menu label', 'Berths')
  const after = await siteNow(publishing, id)
  const reached = differing(before, after)
  expect(reached.length).toBeGreaterThan(30)
  await toPublish(page)
  await expect(page.getByRole('button', { name: `${reached.length} changed` })).toBeVisible()
  expect(await axeFindings(page)).toEqual([])
  // One of them before and after.
  const row = page.getByRole('region', { name: 'What changes' }).locator('.changed-file').first()
  await press(row)
  const dialog = page.getByRole('dialog')
  await expect(dialog).toContainText('Differs in:')
  await expect(dialog.getByRole('region', { name: 'After publishing' })).toContainText('Berths')
  await expect(dialog.getByRole('region', { name: 'On the host' })).not.toContainText('Berths')
  expect(await axeFindings(page)).toEqual([])
  await page.keyboard.press('Escape')
  await publish(page, 2)

  // What visitors get.
  await press(page.getByRole('link', { name: 'Changes' }))
  const open = page.getByRole('link', { name: 'Open the site' })
  const top = (await open.getAttribute('href'))!
  const visitor = await page.context().newPage()
  const texts = textsOf(await siteNow(publishing, id))
  await visitor.goto(top)
  await expect(visitor.getByRole('navigation', { name: 'Main' }).first()).toContainText('Boating')
  for (const path of ['index.html', 'nature/otters.html', 'boating/moorings.html'])
    expect(
      await (
        await visitor.request.get(`http://127.0.0.1:${new URL(top).port}/${path}`, {
          headers: { host: new URL(top).host },
        })
      ).text(),
    ).toBe(texts.get(path))

  // A page moves in the plan: its old address leads there.
  await press(page.getByRole('link', { name: 'Plan', exact: true }))
  await choose(page, 'otters')
  await page.keyboard.press('Alt+ArrowLeft')
  await expect(page.getByRole('dialog')).toContainText('address')
  await page.keyboard.press('Enter')
  await saved(page)
  await toPublish(page)
  await expect(page.getByRole('button', { name: '1 moved' })).toBeVisible()
  await publish(page, 3)
  await visitor.goto(`${top}nature/otters.html`)
  await expect(visitor).toHaveURL(`${top}otters.html`)
  await expect(visitor.getByRole('heading', { level: 1 })).toContainText('Otters')

  // Back to the first publication, and forward.
  const again = async (of: number, number: number) => {
    const line = page.getByRole('listitem').filter({ hasText: new RegExp(`^${of}[^0-9]`) })
    await press(line.getByRole('button', { name: 'Publish this again …' }))
    await expect(page.getByRole('dialog')).toContainText('otters.html')
    await press(page.getByRole('button', { name: 'Publish again' }))
    await expect(page.getByRole('dialog')).toHaveCount(0)
    await published(page, number)
  }
  await again(1, 4)
  await visitor.goto(`${top}nature/otters.html`)
  await expect(visitor).toHaveURL(`${top}nature/otters.html`)
  expect((await visitor.goto(`${top}otters.html`))!.status()).toBe(404)
  await again(3, 5)
  await visitor.goto(`${top}nature/otters.html`)
  await expect(visitor).toHaveURL(`${top}otters.html`)
  expect(await axeFindings(page)).toEqual([])
  await press(page.getByRole('link', { name: 'Visitors' }))
  await expect(page.getByRole('row', { name: /404 \/otters.html/ })).toBeVisible()
  expect(await axeFindings(page)).toEqual([])
  await press(page.getByRole('link', { name: 'Host settings' }))
  await press(page.getByRole('button', { name: 'Test connection' }))
  await expect(page.getByText('Connected.')).toBeVisible()
  expect(await axeFindings(page)).toEqual([])
  expect(watched.errors.filter((error) => !/404/.test(error))).toEqual([])

  // A page that goes is an address that ends, until it leads on.
  const fit = page.getByRole('region', { name: 'Ready to publish?' })
  const remove = async (address: string) => {
    await press(page.getByRole('link', { name: 'Plan', exact: true }))
    await choose(page, 'birds')
    await page.keyboard.press('Delete')
    const asked = page.getByRole('dialog')
    await asked.getByLabel(/^Old address/).selectOption(address)
    await press(asked.getByRole('button', { name: 'Remove' }))
    await saved(page)
    await toPublish(page)
    await press(page.getByRole('link', { name: 'Changes' }))
    await expect(page.getByRole('region', { name: 'What changes' })).toContainText(/deleted|changed/)
  }
  await remove('no redirect')
  await expect(fit).toContainText('1 address on this host will be deleted without a redirect')
  await press(page.getByRole('button', { name: 'Undo' }).first())
  await saved(page)
  await remove('redirect to “Nature”')
  await expect(fit).not.toContainText('Checking')
  await expect(fit).not.toContainText('without a redirect')
})

test('a page that somebody changed on the host is shown beside the published one, and replaced only when that is said; trouble is told, in every window', async ({
  page,
  publishing,
}) => {
  const id = await openDemo(page, publishing)
  await toPublish(page)
  await page.getByLabel('Connection', { exact: true }).selectOption({ label: 'Test host on this computer' })
  await page.getByRole('button', { name: 'Add host' }).click()
  await publish(page, 1)
  // The result stays on every view of the stop until the next publication.
  const result = page.getByRole('status').filter({ hasText: /^Published \d+ files at/ })
  await expect(result).toBeVisible()
  await expect(result.getByRole('link', { name: 'Open the site' })).toHaveAttribute(
    'href',
    /^http:\/\/[^/]+\.localhost/,
  )
  await page.getByRole('link', { name: 'Changes' }).click()
  await expect(result).toBeVisible()

  writeFileSync(
    join(publishing.folder, id, 'privacy.html'),
    '<!doctype html>\n<title>Mine</title>\n<p>By hand.</p>\n',
  )
  await page.getByRole('link', { name: 'Changes' }).click()
  await page.getByRole('button', { name: 'Check host' }).click()
  await expect(page.getByText('1 file on the host is not as published.')).toBeVisible()
  await page.getByRole('button', { name: 'Look at it' }).click()
  await expect(page.getByRole('region', { name: 'On the host now' })).toContainText('By hand.')
  await expect(page.getByRole('region', { name: 'As published' })).toContainText('Wetherlock')
  await page.getByRole('button', { name: 'Close' }).click()
  await expect(page.getByRole('button', { name: 'Publish', exact: true })).toBeDisabled()
  await page.getByRole('checkbox', { name: /^Replace it/ }).check()
  await page.getByRole('button', { name: 'Publish', exact: true }).click()
  await published(page, 2)
  await expect(page.getByRole('link', { name: 'privacy.html' })).toBeVisible()

  // Another window sees what became of a publication.
  const other = await page.context().newPage()
  await other.goto(page.url())
  await page.getByRole('link', { name: 'Visitors' }).click()
  await turnOn(page, /^loses/)
  await page.getByRole('link', { name: 'Plan', exact: true }).click()
  await setField(page, 'birds', 'Description for search engines', 'Birds of the reservoir.')
  await toPublish(page)
  await expect(page.getByRole('button', { name: '1 changed' })).toBeVisible()
  await page.getByRole('button', { name: 'Publish', exact: true }).click()
  await expect(
    page
      .getByRole('status')
      .filter({ hasText: /^Not published: The host took .*birds\.html and does not have it/ }),
  ).toBeVisible()
  await expect(other.getByRole('listitem').filter({ hasText: /^3/ })).toContainText('failed')
})

test('by keyboard: a host by FTP, of which the certificate is looked at and trusted before it is sent anything', async ({
  page,
  publishing,
  watched,
}) => {
  const id = await openDemo(page, publishing)
  const { ftp, user, password, url } = publishing.access
  mkdirSync(join(publishing.folder, id))
  await toPublish(page)
  const way = page.getByLabel('Connection', { exact: true })
  await way.focus()
  await way.selectOption({ label: 'FTP' })
  const encryption = page.getByLabel('Encryption', { exact: true })
  await encryption.selectOption({ label: 'None' })
  await page.getByLabel('Server', { exact: true }).fill('127.0.0.1')
  await page.getByLabel('User name').fill(user)
  await page.getByLabel('Password', { exact: true }).fill(password)
  await page.getByLabel('Remote folder').fill(id)
  await page.getByLabel('Public URL').fill(url.replace('{site}', id))
  const add = page.getByRole('button', { name: 'Add host' })
  await press(add)
  await expect(page.getByRole('alert')).toHaveText(/^Encryption: none is only taken with a yes to it/)
  expect(await axeFindings(page)).toEqual([])
  await encryption.selectOption('tls')
  await page.getByRole('spinbutton', { name: 'Port' }).fill(String(ftp.port))
  await press(add)
  await press(page.getByRole('link', { name: 'Host settings' }))
  await press(page.getByRole('button', { name: 'Test connection' }))
  await expect(page.getByRole('alert')).toContainText(
    'The certificate of 127.0.0.1 is signed by the host itself',
  )
  await expect(page.getByRole('alert')).toContainText(ftp.certificate)
  expect(await axeFindings(page)).toEqual([])
  await press(page.getByRole('button', { name: 'Trust this certificate' }))
  await expect(page.getByRole('alert')).toHaveText('Connected. The site folder exists.')
  await expect(page.getByText('Trusted certificate:')).toContainText(ftp.certificate)
  await publish(page, 1)
  expect(watched.errors).toEqual([])
})

test('by keyboard: a host by SFTP gets the password once its key is approved; another port asks for both again', async ({
  page,
  publishing,
  watched,
}) => {
  const id = await openDemo(page, publishing)
  const { port, user, password, hostKey, ftp } = publishing.access
  mkdirSync(join(publishing.folder, id))
  await toPublish(page)
  await page.getByLabel('Server', { exact: true }).fill('127.0.0.1')
  await page.getByRole('spinbutton', { name: 'Port' }).fill(String(port))
  await page.getByLabel('User name').fill(user)
  const secret = page.getByLabel('Password', { exact: true })
  await secret.fill(password)
  await page.getByLabel('Remote folder').fill(id)
  await press(page.getByRole('button', { name: 'Add host' }))
  await press(page.getByRole('link', { name: 'Host settings' }))
  await expect(secret).toHaveAttribute('placeholder', /^stored/)
  await press(page.getByRole('button', { name: 'Test connection' }))
  await expect(page.getByRole('alert')).toContainText(`127.0.0.1 has an unknown host key: ${hostKey}`)
  expect(await axeFindings(page)).toEqual([])
  await press(page.getByRole('alert').getByRole('button', { name: 'Trust this key' }))
  await expect(page.getByRole('alert')).toHaveText('Connected. The site folder exists.')
  await expect(page.getByText('Trusted host key')).toBeVisible()
  const number = page.getByRole('spinbutton', { name: 'Port' })
  await number.fill(String(ftp.port))
  await number.press('Tab')
  await expect(secret).toHaveAttribute('placeholder', 'type it again for the changed connection')
  await press(page.getByRole('button', { name: 'Save', exact: true }))
  await expect(page.getByText('Trusted host key')).toBeHidden()
  expect(watched.errors).toEqual([])
})
