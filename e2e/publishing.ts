import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Locator, Page } from '@playwright/test'
import type { StandInAccess } from '@viatica/hosts/open.ts'
import { startStandIn } from '@viatica/hosts/standIn/standIn.ts'
import { makeDatabase } from '@viatica/server/testing/database.ts'
import { originalDatabase } from './original.ts'
import { startServer } from './server.ts'
import { expect, type Served, test as base } from './viatica.ts'

/** A server that can publish to a stand-in host, which keeps its files in a folder. */
export interface Publishing extends Served {
  readonly folder: string
  readonly access: StandInAccess
}

export const test = base.extend<{ publishing: Publishing }>({
  // eslint-disable-next-line no-empty-pattern -- Playwright asks for a pattern
  publishing: async ({}, use) => {
    const folder = mkdtempSync(join(tmpdir(), 'host-'))
    const host = await startStandIn({ folder, password: 'of the test', sftpPort: 0, ftpPort: 0, webPort: 0 })
    const database = await makeDatabase(originalDatabase())
    const { child, port } = await startServer(database.url, 0, {
      VIATICA_STAND_IN: JSON.stringify(host.access),
      VIATICA_SECRET: 'a secret of the browser tests',
    })
    await use({ url: `http://127.0.0.1:${port}`, folder: join(folder, 'sites'), access: host.access })
    child.kill('SIGKILL')
    await host.stop()
    await database.drop()
    rmSync(folder, { recursive: true, force: true })
  },
})

/** What a window is doing after a key had no end there: whether it runs at all, and what has the focus. */
async function conditionOf(page: Page): Promise<string> {
  const within = new Promise<string>((resolve) =>
    setTimeout(() => resolve('The window does not respond.'), 5000),
  )
  const condition = page.evaluate(
    () => `The window responds, and the focus is on ${document.activeElement?.outerHTML.slice(0, 300)}`,
  )
  return Promise.race([condition.catch(String), within])
}

/** Goes on with the keyboard alone. */
export async function press(target: Locator, key = 'Enter'): Promise<void> {
  await target.focus()
  try {
    await target.press(key)
  } catch (error) {
    throw new Error(`${String(error)}\n${await conditionOf(target.page())}`, { cause: error })
  }
}

export async function toPublish(page: Page): Promise<void> {
  await press(page.getByRole('link', { name: 'Publish', exact: true }))
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/^Publish/)
}

/** Publishes, and waits until that has ended well. */
export async function publish(page: Page, number: number): Promise<void> {
  await toPublish(page)
  await press(page.getByRole('link', { name: 'Changes' }))
  const yes = page.getByRole('checkbox', { name: 'Publish with these errors' })
  await expect(page.getByRole('region', { name: 'Ready to publish?' })).not.toContainText('Checking')
  if (await yes.isVisible()) await press(yes, 'Space')
  await press(page.getByRole('button', { name: 'Publish', exact: true }))
  await published(page, number)
}

export async function published(page: Page, number: number): Promise<void> {
  await press(page.getByRole('link', { name: 'Publications' }))
  const newest = page
    .getByRole('list', { name: /^Publications/ })
    .getByRole('listitem')
    .first()
  // The server fetches every page from the host after a publication.
  await expect(newest).toContainText(new RegExp(`^${number}.*published`), { timeout: 60_000 })
  await expect(newest).toContainText(/\b(\d{1,9}) of \1 pages come to visitors as they were sent/)
}
