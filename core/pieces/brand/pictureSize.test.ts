import { piecesOf } from '../../plan/surround/surround.ts'
import { applyChange } from '../../plan/change/apply.ts'
import type { SingleChange } from '../../plan/change/change.ts'
import { newPage } from '../../plan/newEntry.ts'
import { readOpml } from '../../formats/opml.ts'
import { createPageWriter } from '../../render/pageWriter.ts'
import { attribute, readPage } from '../../testing/readPage.ts'
import { YEAR } from '../../testing/year.ts'

const start = readOpml(
  '<opml version="2.0"><head><title>Trust</title></head><body><outline text="Home"/></body></opml>',
)
const picture = (id: string, pixels?: { width: number; height: number }): SingleChange => ({
  kind: 'addFile',
  file: { id, path: `${id}.png`, content: id, size: 1, alt: id, ...(pixels ? { pixels } : {}) },
})
/** The width and height of each picture on the page of a site with a logo and a banner. */
function sizes(...more: SingleChange[]) {
  const { site } = applyChange(start, {
    kind: 'batch',
    changes: [
      picture('logo', { width: 120, height: 40 }),
      picture('lock', { width: 1600, height: 500 }),
      picture('plain'),
      { kind: 'setSite', field: 'logo', value: { file: 'logo', alt: '' } },
      {
        kind: 'add',
        parent: start.plan.home,
        place: 0,
        branches: [
          {
            ...newPage('locks', 'Locks', { state: 'ready', banner: { file: 'lock', alt: '', text: '' } }),
            entries: [],
          },
          {
            ...newPage('tea', 'Tea', { state: 'ready', banner: { file: 'plain', alt: '', text: '' } }),
            entries: [],
          },
        ],
      },
      ...more,
    ],
  })
  const renderer = createPageWriter(site, YEAR)
  return ['locks', 'tea'].map((page) =>
    readPage(renderer.page(page))
      .all('img')
      .map((img) => [attribute(img, 'src'), attribute(img, 'width'), attribute(img, 'height')]),
  )
}

test('a logo and a banner say how large they are, where that is known', () => {
  const logo = ['logo.png', '120', '40']
  expect(sizes()).toEqual([
    [logo, ['lock.png', '1600', '500']],
    [logo, ['plain.png', undefined, undefined]],
  ])
})

test('a style sheet of the author alone may set a width and no height: it gets no sizes', () => {
  const headFiles = { ...piecesOf(start.surround).headFiles, ourStyles: false }
  const without = ['logo.png', undefined, undefined]
  expect(sizes({ kind: 'setSurround', field: 'headFiles', value: headFiles })).toEqual([
    [without, ['lock.png', undefined, undefined]],
    [without, ['plain.png', undefined, undefined]],
  ])
})
