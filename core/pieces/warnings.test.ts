import { piecesOf, withPieces } from '../plan/surround/surround.ts'
import { readOpml } from '../formats/opml.ts'
import type { Site } from '../plan/site.ts'
import type { Piece } from '../plan/surround/piece.ts'
import { pieceWarnings } from './warnings.ts'

const site: Site = readOpml(`<opml version="2.0"><head><title>Trust</title></head><body><outline text="Home">
  <outline text="Visit"/></outline></body></opml>`)

const warnings = (fields: object, of = site) =>
  pieceWarnings(of, { id: 'p', beside: false, ...fields } as Piece)
const link = (label: string, entry: string) => ({
  id: label,
  label,
  target: { to: 'entry', entry, fragment: '' },
  isButton: false,
})

test('a menu that is gone, and one that is empty on every page', () => {
  const menu = (id: string) => ({ kind: 'menu', menu: id, shape: 'row', folds: false })
  expect(warnings(menu('main'))).toEqual([])
  expect(warnings(menu('gone'))).toEqual(['The menu that this piece shows is gone: choose another.'])
  const empty = { id: 'e', kind: 'picked' as const, name: 'Empty', links: [] }
  const withEmpty = { ...site, surround: { ...site.surround, menus: [...site.surround.menus, empty] } }
  expect(warnings(menu('e'), withEmpty)).toEqual(['The menu “Empty” is empty on every page.'])
})

test('a link to a page that is not there, and a label that is too long for a menu', () => {
  const label = 'x'.repeat(200)
  expect(
    warnings({ kind: 'links', label: 'L', links: [link('Visit', 'visit'), link('Old', 'gone')] }),
  ).toEqual(['“Old” leads to what is not on the site.'])
  expect(warnings({ kind: 'links', label: 'L', links: [link(label, 'visit')] })[0]).toMatch(
    /has 200 characters/,
  )
  expect(
    warnings({ kind: 'columns', label: 'C', columns: [{ id: 'c', heading: 'One', links: [] }] }),
  ).toEqual(['The column “One” has no link yet.'])
})

test('a page heading that the skip link leads past (WCAG 2.2, 2.4.1)', () => {
  const heading = { id: 'p', kind: 'heading' as const, beside: false }
  const at = (place: 'header' | 'side' | 'before' | 'after' | 'footer') => {
    const places = { ...piecesOf(site.surround).places, [place]: [heading] }
    return warnings(heading, { ...site, surround: withPieces(site.surround, { places }) }).length
  }
  expect([at('header'), at('side'), at('before'), at('after'), at('footer')]).toEqual([1, 1, 0, 0, 1])
})

test('a picture without alternative text', () => {
  expect(warnings({ kind: 'banner', picture: { file: 'f', alt: '' }, text: '' })).toHaveLength(1)
  expect(warnings({ kind: 'banner', picture: { file: 'f', alt: 'A lock' }, text: '' })).toEqual([])
})

test.each([
  ['<p>All is well<br><img src="x" alt=""></p>\n<ul><li>one<li>two</ul>', []],
  ['<div>\n<p>open', ['Line 1: <div> is not closed.']],
  ['<p id="a">one</p>\n<p id="a">two</p>', ['Line 2: the id “a” is used twice.']],
  ['<p><img src="x"></p>', ['Line 1: a picture without alternative text.']],
  ['<put-menu menu="Nothing"></put-menu>', ['Line 1: there is no menu called “Nothing”.']],
  ['<put-menu menu="Main"></put-menu>', []],
  ['<p>\n<a href="x" href="y">z</a></p>', ['Line 2: an attribute stands twice.']],
  ['<div>one</div></div>', ['Line 1: </div> closes what is not open there.']],
  [
    '<p><b><i>crossed</b></i></p>',
    ['Line 1: <i> is not closed.', 'Line 1: </i> closes what is not open there.'],
  ],
])('own HTML %j', (html, expected) => {
  expect(warnings({ kind: 'html', html })).toEqual(expected)
})
