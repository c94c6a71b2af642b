import type { Page } from '@playwright/test'
import { newPage } from '@viatica/core/plan/newEntry.ts'
import { DEFAULT_SETTINGS, type Site, siteWith } from '@viatica/core/plan/site.ts'
import { BREADCRUMB_SEPARATORS } from '@viatica/core/plan/surround/rules.ts'
import { STANDARD_SURROUND } from '@viatica/core/plan/surround/surround.ts'
import { standingAlone } from './standingAlone.ts'
import { axeFindings, expect, test } from './viatica.ts'

/** Titles in three languages that are read from right to left. */
const WORDS = {
  ar: ['الرئيسية', 'المسارات', 'القناة العليا', 'الزيارة', 'اتصل بنا'],
  he: ['בית', 'מסלולים', 'התעלה העליונה', 'ביקור', 'צור קשר'],
  fa: ['خانه', 'مسیرها', 'آبراه بالایی', 'بازدید', 'تماس با ما'],
} as const

/** A site with a submenu, a side column, a breadcrumb, previous and next, a table and a quotation. */
function siteIn(language: keyof typeof WORDS, side: 'left' | 'right', n: number): Site {
  const [home, walks, upper, visit, contact] = WORDS[language]
  const html = `<h2>${upper}</h2><blockquote><p>${visit} ${contact}</p></blockquote><table><tr><th>${walks}</th><td>7</td></tr></table><ul><li>${upper}</li></ul>`
  const page = (id: string, title: string) =>
    newPage(id, title, { state: 'ready', body: { html, changed: '' } })
  const { places, breadcrumb, look } = STANDARD_SURROUND
  const section = {
    id: 's',
    kind: 'menu',
    beside: false,
    menu: 'section',
    shape: 'stack',
    folds: false,
  } as const
  const site = siteWith(
    { ...DEFAULT_SETTINGS, name: home, language },
    {
      home: 'home',
      entries: new Map(
        [
          page('home', home),
          page('walks', walks),
          page('upper', upper),
          page('visit', visit),
          page('contact', contact),
        ].map((entry) => [entry.id, entry]),
      ),
      children: new Map([
        ['home', ['walks', 'visit', 'contact']],
        ['walks', ['upper']],
      ]),
      parents: new Map([
        ['walks', 'home'],
        ['visit', 'home'],
        ['contact', 'home'],
        ['upper', 'walks'],
      ]),
    },
  )
  return {
    ...site,
    surround: {
      ...STANDARD_SURROUND,
      places: { ...places, side: [section] },
      menus: [
        ...STANDARD_SURROUND.menus,
        { id: 'section', kind: 'plan', name: walks, from: { at: 'section' }, depth: 2, exceptions: [] },
      ],
      breadcrumb: { ...breadcrumb, separator: BREADCRUMB_SEPARATORS[n % BREADCRUMB_SEPARATORS.length]! },
      look: { ...look, side },
    },
  }
}

/** How far a page can be scrolled sideways: a wider page of this direction starts at its hidden end. */
const overflow = (page: Page) =>
  page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth)

for (const language of ['ar', 'he', 'fa'] as const) {
  test(`a site in ${language} is read from right to left: nothing overflows, nothing is hidden`, async ({
    page,
  }) => {
    for (const [n, side] of (['left', 'right', 'left', 'right'] as const).entries()) {
      const width = n < 2 ? 360 : 1280
      await page.setViewportSize({ width, height: 800 })
      await page.setContent(standingAlone(siteIn(language, side, n), 'upper'))
      expect(await overflow(page)).toBe(0)
      for (const part of ['h1', 'main', '.brand', 'footer', '.breadcrumb', '.pager']) {
        const box = (await page.locator(part).first().boundingBox())!
        expect([part, box.x >= 0, Math.round(box.x + box.width) <= width]).toEqual([part, true, true])
        expect(box.width).toBeGreaterThan(20)
      }
      const heading = (await page.locator('h1').boundingBox())!
      expect(heading.x + heading.width).toBeGreaterThan(width / 2)
      const edge = (of: string) =>
        page
          .locator(of)
          .first()
          .evaluate((at) => getComputedStyle(at).borderRightWidth)
      expect(await edge('blockquote')).toBe('4px')
      expect(await edge('.side [aria-current]')).toBe('4px')
      // The next page is on the left, the one before on the right.
      const [before, next] = [page.locator('.pager [rel=prev]'), page.locator('.pager [rel=next]')]
      expect((await before.boundingBox())!.x).toBeGreaterThanOrEqual((await next.boundingBox())!.x)
      const skip = page.locator('.skip-link')
      await skip.focus()
      const box = (await skip.boundingBox())!
      expect([Math.round(box.x + box.width), box.y >= 0]).toEqual([width, true])
      expect(await overflow(page)).toBe(0)
      for (const button of await page.locator('.menu button:visible').all()) await button.click()
      expect(await overflow(page)).toBe(0)
      expect(await axeFindings(page)).toEqual([])
    }
  })
}
