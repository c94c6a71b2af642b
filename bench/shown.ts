import type { Page } from '@playwright/test'

/** Marks when something is first painted: by the page's own clock, so that no asking from outside counts. */
export async function watchFor(page: Page, mark: string, selector: string): Promise<void> {
  await page.addInitScript(
    ({ mark, selector }) => {
      const watcher = new MutationObserver(() => {
        if (!document.querySelector(selector)) return
        watcher.disconnect()
        requestAnimationFrame(() => setTimeout(() => performance.mark(mark)))
      })
      watcher.observe(document, { childList: true, subtree: true })
    },
    { mark, selector },
  )
}

/** What the plan of a site shows as soon as it can be used. */
export const PLAN = '[role=treeitem]'

/** When a mark was made, in ms since another, or since the page was asked for. Waits for it. */
export async function shown(page: Page, mark: string, since?: string): Promise<number> {
  await page.waitForFunction((name) => performance.getEntriesByName(name).length > 0, mark)
  return page.evaluate(
    ({ mark, since }) =>
      performance.getEntriesByName(mark)[0]!.startTime -
      (since === undefined ? 0 : performance.getEntriesByName(since)[0]!.startTime),
    { mark, since },
  )
}
