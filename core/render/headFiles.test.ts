import { newPage } from '../plan/newEntry.ts'
import { planOfBranch } from '../plan/branch.ts'
import { siteWith } from '../plan/site.ts'
import { attribute, readPage } from '../testing/readPage.ts'
import { YEAR } from '../testing/year.ts'
import { createPageWriter } from './pageWriter.ts'

const PLAN = planOfBranch({
  ...newPage('home', 'Home', { state: 'ready' }),
  entries: [
    {
      ...newPage('visit', 'Visit', { state: 'ready' }),
      entries: [{ ...newPage('times', 'Times', { state: 'ready' }), entries: [] }],
    },
  ],
})

function iconsOf(path: string) {
  const file = { id: 'mark', path, content: 'c', size: 1, alt: '' }
  const site = siteWith({ name: 'Basin', icon: 'mark', layout: 'folders' }, PLAN)
  const page = readPage(createPageWriter({ ...site, files: new Map([['mark', file]]) }, YEAR).page('times'))
  return page
    .all('link')
    .filter((link) => attribute(link, 'rel')!.includes('icon'))
    .map((link) => ['rel', 'href', 'type', 'sizes'].map((name) => attribute(link, name)))
}

// https://html.spec.whatwg.org/multipage/links.html#rel-icon: its sizes are "any" of a picture that scales.
test.each([
  ['art/mark.svg', [['icon', '../../art/mark.svg', 'image/svg+xml', 'any']]],
  [
    'mark.png',
    [
      ['icon', '../../mark.png', 'image/png', undefined],
      ['apple-touch-icon', '../../mark.png', undefined, undefined],
    ],
  ],
  ['favicon.ico', [['icon', '../../favicon.ico', 'image/x-icon', undefined]]],
])('the icon %s is named on every page, as what it is', (path, expected) => {
  expect(iconsOf(path)).toEqual(expected)
})

test('a site without an icon names none', () => {
  const site = siteWith({ name: 'Basin' }, PLAN)
  expect(createPageWriter(site, YEAR).page('times')).not.toContain('icon')
})
