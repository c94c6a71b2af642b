import type { Page } from '@playwright/test'

/** Goes to an address within the application as the browser's back and forward do: without loading it anew. */
export const goWithin = (page: Page, address: string) =>
  page.evaluate((to) => {
    history.pushState(null, '', to)
    dispatchEvent(new PopStateEvent('popstate', { state: null }))
  }, address)

/** Whether a window shows the application of a server. */
export const isOpenAt = async (page: Page, url: string): Promise<boolean> =>
  !page.isClosed() &&
  page.url().startsWith(`${url}/`) &&
  (await page.evaluate(() => '__vue_app__' in (document.querySelector('#app') ?? {})))
