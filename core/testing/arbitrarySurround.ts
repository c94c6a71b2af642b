import fc from 'fast-check'
import { FONTS, HERE_LOOKS, HOVER_LOOKS, type Look } from '../plan/surround/look.ts'
import type { Menu } from '../plan/surround/menu.ts'
import { MENU_SHAPES } from '../plan/surround/menuShape.ts'
import { PAGER_SHOWS } from '../pieces/pager/model.ts'
import type { PickedLink } from '../plan/surround/pickedLink.ts'
import type { Piece } from '../plan/surround/piece.ts'
import { type Place, PLACES } from '../plan/surround/place.ts'
import { BREADCRUMB_SEPARATORS, type HeadFile, ORDER_SCOPES } from '../plan/surround/rules.ts'
import { EMPTY_SURROUND, type Surround } from '../plan/surround/surround.ts'

/** Words that are hard on markup, and plain ones. */
const words = fc.constantFrom('Walks', 'Über uns & Öl', '<b>bold</b>', '"quoted"', '東京', '100 % #1')

const target = fc.oneof(
  fc.nat(4).map((n) => ({ to: 'file' as const, file: `f${n}` })),
  fc.nat(12).map((n) => ({ to: 'entry' as const, entry: `e${n}`, fragment: n % 3 === 0 ? 'part' : '' })),
  fc.constant({ to: 'address' as const, url: 'https://example.org/?a=1&b=2' }),
)

/** Links with ids that no other piece or menu has. */
function pickedLinks(prefix: string): fc.Arbitrary<PickedLink[]> {
  return fc
    .array(fc.record({ label: words, target, isButton: fc.boolean() }), { maxLength: 4 })
    .map((links) => links.map((link, n) => ({ id: `${prefix}-${n}`, ...link })))
}

const OWN_HTML = [
  '<p>© <put-year> <put-title></p>',
  '<div><put-menu menu="Plan" shape="row"></put-menu><p>after',
  '<p>in a paragraph <put-breadcrumb></put-breadcrumb> and on',
  '<ul><li><a href="entry:e1">there</a><li><a href="entry:e99">nowhere</a></ul></header></main>',
  '<put-menu menu="Nothing">',
  '<put-pager up></put-pager>',
  '<figure><img src="site-file:f0" width="4" height="3"></figure><a href="site-file:f9">gone</a>',
  '',
]

function pieceOf(kind: Piece['kind'], id: string): fc.Arbitrary<Piece> {
  const with_ = (fields: object) =>
    fc.record({ id: fc.constant(id), kind: fc.constant(kind), beside: fc.boolean(), ...fields }) as never
  switch (kind) {
    case 'brand':
      return with_({ picture: fc.boolean(), name: fc.boolean(), tagline: fc.boolean() })
    case 'menu':
      return with_({
        menu: fc.constantFrom('plan', 'section', 'under', 'picked', 'gone'),
        shape: fc.constantFrom(...MENU_SHAPES),
        folds: fc.boolean(),
      })
    case 'links':
      return with_({ label: words, links: pickedLinks(id) })
    case 'banner':
      return with_({
        picture: fc.constantFrom(null, { file: 'f0', alt: '' }, { file: 'f1', alt: 'A <boat>' }),
        text: fc.oneof(words, fc.constant('')),
      })
    case 'pager':
      return with_({ shows: fc.constantFrom(...PAGER_SHOWS), up: fc.boolean() })
    case 'columns':
      return with_({
        label: words,
        columns: fc
          .tuple(pickedLinks(`${id}-a`), pickedLinks(`${id}-b`))
          .map((lists) => lists.map((links, n) => ({ id: `${id}-c${n}`, heading: `Column ${n}`, links }))),
      })
    case 'contact':
      return with_({
        heading: words,
        lines: fc.constantFrom('', 'a@example.org\nPhone: +44 (0)1632 960 143', 'The <Warehouse>'),
      })
    case 'address':
      return with_({ lines: fc.constantFrom('', 'The <Warehouse>\nBasin') })
    case 'copyright':
      return with_({ holder: words, from: fc.constantFrom(null, 1971, 2026, 3000) })
    case 'text':
      return with_({ text: fc.constantFrom('', 'One\n\n\nTwo & <three>\nfour') })
    case 'html':
      return with_({ html: fc.constantFrom(...OWN_HTML) })
    case 'breadcrumb':
    case 'heading':
      return with_({})
  }
}

const MANY: readonly Piece['kind'][] = [
  'brand',
  'menu',
  'menu',
  'links',
  'banner',
  'breadcrumb',
  'pager',
  'columns',
  'contact',
  'address',
  'copyright',
  'text',
  'html',
]

const menus: fc.Arbitrary<Menu[]> = fc
  .record({ depth: fc.constantFrom(1, 2, 3), out: fc.nat(8), links: pickedLinks('m') })
  .map(({ depth, out, links }) => {
    const exceptions = [
      { entry: `e${out}`, label: '', leftOut: true },
      { entry: `e${out + 1}`, label: 'Own <label>', leftOut: false },
    ]
    return [
      { id: 'plan', kind: 'plan', name: 'Plan', from: { at: 'home' }, depth, exceptions },
      { id: 'section', kind: 'plan', name: 'Section', from: { at: 'section' }, depth, exceptions: [] },
      { id: 'under', kind: 'plan', name: 'Plan', from: { at: 'entry', entry: 'e1' }, depth, exceptions: [] },
      { id: 'picked', kind: 'picked', name: 'Picked', links },
    ] as Menu[]
  })

const colour = fc.integer({ min: 0, max: 0xffffff }).map((value) => `#${value.toString(16).padStart(6, '0')}`)

/** Looks of any colours: none has to be a good one. */
export const arbitraryLook: fc.Arbitrary<Look> = fc.record({
  colours: fc.record(
    Object.fromEntries(Object.keys(EMPTY_SURROUND.look.colours).map((name) => [name, colour])) as never,
  ),
  textFont: fc.constantFrom(...FONTS),
  headingFont: fc.constantFrom(...FONTS),
  menuFont: fc.constantFrom(...FONTS),
  size: fc.constantFrom(15, 16, 17, 18, 19, 20),
  width: fc.constantFrom(56, 62, 68, 74, 80),
  side: fc.constantFrom('left', 'right'),
  here: fc.constantFrom(...HERE_LOOKS),
  hover: fc.constantFrom(...HOVER_LOOKS),
}) as never

/** Files of the site that may not be there, and one from elsewhere. */
const headFiles = (url: string): fc.Arbitrary<HeadFile[]> =>
  fc.subarray<HeadFile>([
    { from: 'site', file: 'f1' },
    { from: 'elsewhere', url },
    { from: 'site', file: 'f9' },
  ])

/** A surround with up to nine pieces of any kind in any place, four menus, and any rules. */
export const arbitrarySurround: fc.Arbitrary<Surround> = fc
  .record({
    kinds: fc.array(fc.tuple(fc.constantFrom(...PLACES), fc.constantFrom(...MANY)), { maxLength: 9 }),
    headingIn: fc.option(fc.constantFrom(...PLACES)),
    menus,
    here: fc.record({
      form: fc.constantFrom('link', 'text'),
      here: fc.constantFrom('here', 'current'),
      within: fc.constant('within'),
      marksSections: fc.boolean(),
      bodyId: fc.boolean(),
    }),
    breadcrumb: fc.record({
      from: fc.constantFrom(1, 2),
      separator: fc.constantFrom(...BREADCRUMB_SEPARATORS),
      showsPage: fc.boolean(),
      data: fc.boolean(),
    }),
    order: fc.record({ scope: fc.constantFrom(...ORDER_SCOPES), series: fc.constant(['e1', 'e2']) }),
    look: arbitraryLook,
    headFiles: fc.record({
      ourStyles: fc.boolean(),
      ourScript: fc.boolean(),
      styles: headFiles('https://example.org/?a=1&b=2'),
      scripts: headFiles('https://example.org/?a=1&b=2'),
    }),
  })
  .chain(({ kinds, headingIn, ...rules }) => {
    const standing: [Place, Piece['kind']][] = headingIn ? [...kinds, [headingIn, 'heading']] : kinds
    return fc.tuple(...standing.map(([, kind], n) => pieceOf(kind, `p${n}`))).map((pieces) => {
      const places = structuredClone(EMPTY_SURROUND.places)
      pieces.forEach((piece, n) => places[standing[n]![0]].push(piece))
      return { ...EMPTY_SURROUND, ...rules, places } as unknown as Surround
    })
  })
