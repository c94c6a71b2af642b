import { allPieces, piecesOf } from './surround.ts'
import fc from 'fast-check'
import { readSiteFile, writeSiteFile } from '../../formats/siteFile.ts'
import { arbitrarySite } from '../../testing/arbitrarySite.ts'
import { arbitrarySurround } from '../../testing/arbitrarySurround.ts'
import { applyChange } from '../change/apply.ts'
import { type Change, changeSchema } from '../change/change.ts'
import { ChangeRefused } from '../change/refused.ts'
import { changeWords } from '../change/changeWords.ts'
import { newSite, type Site } from '../site.ts'
import * as v from 'valibot'
import { pieceStep } from '../../shape/pieceStep.ts'
import { newMenu, newPiece } from './newPiece.ts'
import { PIECE_KINDS, type PieceKind } from './piece.ts'
import { PLACES } from './place.ts'
import { filesOfSurround, rowsOf, standingOf, type Surround, surroundSchema } from './surround.ts'
import { directionOf, WORD_LANGUAGES, WORD_NAMES, wordsOf, wordsOfLanguage } from './siteWords.ts'

const site = newSite('Trust', 'home')
const pieceIds = ({ surround }: Site) => [...allPieces(surround)].map(({ piece }) => piece.id)

/** A change of the surround of any kind, which may or may not make sense. */
const arbitraryChange: fc.Arbitrary<(site: Site) => Change> = fc
  .record({
    kind: fc.nat(7),
    n: fc.nat(40),
    place: fc.constantFrom(...PLACES),
    of: fc.constantFrom(...PIECE_KINDS),
  })
  .map(({ kind, n, place, of }) => (now) => {
    const ids = [...pieceIds(now), 'gone']
    const id = ids[n % ids.length]!
    const menu = now.surround.menus[n % (now.surround.menus.length || 1)]?.id ?? 'gone'
    const changes: Change[] = [
      { kind: 'addPiece', place, at: n % 5, piece: newPiece(of, n % 3 === 0 ? id : `new-${n}`, menu) },
      { kind: 'removePiece', piece: id },
      { kind: 'movePiece', piece: id, place, at: n % 5, beside: n % 2 === 0 },
      { kind: 'setPiece', piece: newPiece(standingOf(now.surround, id)?.piece.kind ?? of, id, menu) },
      {
        kind: 'addMenu',
        at: n % 3,
        menu: newMenu(n % 2 ? 'plan' : 'picked', n % 3 ? `m${n}` : menu, 'Menu'),
      },
      { kind: 'removeMenu', menu },
      { kind: 'setMenu', menu: newMenu('picked', menu, 'Renamed') },
      {
        kind: 'setSurround',
        field: 'here',
        value: { ...piecesOf(now.surround).here, form: n % 2 ? 'text' : 'link' },
      },
    ]
    return changes[kind]!
  })

describe('changes of the surround', () => {
  test('on any surround: sound after each, the change valid, the inverse brings back the surround exactly', () => {
    let made = 0
    fc.assert(
      fc.property(
        arbitrarySite(4, arbitrarySurround),
        fc.array(arbitraryChange, { maxLength: 8 }),
        (before, picks) => {
          let now = before
          for (const pick of picks) {
            const change = pick(now)
            expect(v.safeParse(changeSchema, change).success).toBe(true)
            try {
              const { site: after, inverse } = applyChange(now, change)
              expect(changeWords(now, change)).not.toMatch(/undefined/)
              expect(v.safeParse(surroundSchema, after.surround).issues).toBeUndefined()
              expect(applyChange(after, inverse).site.surround).toEqual(now.surround)
              expect(after.plan).toBe(now.plan)
              now = after
              made++
            } catch (error) {
              if (!(error instanceof ChangeRefused)) throw error
            }
          }
        },
      ),
      { numRuns: 150 },
    )
    expect(made).toBeGreaterThan(100)
  })

  test.each([
    [
      'a piece with an id that is in use',
      { kind: 'addPiece', place: 'side', at: 0, piece: newPiece('text', 'brand', '') },
      /already has a piece/,
    ],
    ['a piece that is gone', { kind: 'removePiece', piece: 'x' }, /no longer in the surround/],
    [
      'a piece of another kind',
      { kind: 'setPiece', piece: newPiece('text', 'brand', '') },
      /of the kind brand/,
    ],
    ['a menu that is gone', { kind: 'removeMenu', menu: 'x' }, /no longer on the site/],
    [
      'a picture that is not there',
      {
        kind: 'setPiece',
        piece: { id: 'banner', kind: 'banner', beside: false, picture: { file: 'x', alt: '' }, text: '' },
      },
      /no longer among the files/,
    ],
  ] as const)('%s is refused', (_, change, reason) => {
    expect(() => applyChange(site, change as Change)).toThrow(reason)
  })

  test('two links with one id in a list that the author picked are refused, whatever list', () => {
    const link = {
      id: 'l',
      label: 'L',
      target: { to: 'address' as const, url: 'https://example.org/' },
      isButton: false,
    }
    const links = [link, { ...link, label: 'M' }]
    const columns = [{ id: 'c', heading: 'Column', links }]
    const add = (piece: object) =>
      ({ kind: 'addPiece', place: 'footer', at: 0, piece: { beside: false, ...piece } }) as Change
    const menu = { id: 'p', kind: 'picked' as const, name: 'Picked', links }
    for (const change of [
      add({ id: 'x', kind: 'links', label: 'Links', links }),
      add({ id: 'x', kind: 'columns', label: 'Columns', columns }),
      { kind: 'addMenu', at: 0, menu } satisfies Change,
    ])
      expect(() => applyChange(site, change)).toThrow(/(“Picked”|Links|Column): two links have the same id/)
  })

  test('a second page heading is refused: a page has one first heading (common practice)', () => {
    const add = (id: string): Change => ({
      kind: 'addPiece',
      place: 'before',
      at: 0,
      piece: newPiece('heading', id, ''),
    })
    const { site: once } = applyChange(site, add('h1'))
    expect(() => applyChange(once, add('h2'))).toThrow(/one page heading only/)
  })

  test('a link that would run a script is refused, and so is one that is no address', () => {
    for (const url of ['javascript:alert(1)', 'www.example.org', 'data:text/html,x', '//example.org']) {
      const target = { to: 'address', url }
      const links = [{ id: 'l', label: 'L', target, isButton: false }]
      const change = { kind: 'setPiece', piece: { ...newPiece('links', 'brand', ''), links } }
      expect(v.safeParse(changeSchema, change).success).toBe(false)
    }
  })
})

describe('places and rows', () => {
  test('stepping down takes a piece through every place to the last, and up again to the first', () => {
    let surround: Surround = site.surround
    const walk = (direction: 'up' | 'down') => {
      const seen = new Set<string>()
      for (
        let step = pieceStep(surround, 'brand', direction);
        step;
        step = pieceStep(surround, 'brand', direction)
      ) {
        surround = applyChange({ ...site, surround }, step).site.surround
        seen.add(standingOf(surround, 'brand')!.place)
      }
      return seen
    }
    expect(walk('down')).toEqual(new Set(PLACES))
    expect(walk('up')).toEqual(new Set(PLACES))
    expect(piecesOf(surround).places).toEqual(piecesOf(site.surround).places)
  })

  test('a row begins with every piece that does not stand beside the one before it', () => {
    const piece = (id: string, beside: boolean) => ({ ...newPiece('text', id, ''), beside })
    const rows = rowsOf([piece('a', true), piece('b', true), piece('c', false), piece('d', true)])
    expect(rows.map((row) => row.map(({ id }) => id))).toEqual([
      ['a', 'b'],
      ['c', 'd'],
    ])
  })

  test('a new piece of every kind can be added as it is', () => {
    for (const kind of PIECE_KINDS as PieceKind[]) {
      const change: Change = {
        kind: 'addPiece',
        place: 'side',
        at: 0,
        piece: newPiece(kind, 'fresh', 'main'),
      }
      expect(v.safeParse(changeSchema, change).issues).toBeUndefined()
      expect(pieceIds(applyChange(site, change).site)).toContain('fresh')
    }
  })
})

test('any surround comes back from a site file as it was', () => {
  fc.assert(
    fc.property(arbitrarySurround, (surround) => {
      const files = new Map(
        [...filesOfSurround(surround)].map((id) => [
          id,
          { id, path: `${id}.css`, content: id, size: 1, alt: '' },
        ]),
      )
      const contents = new Map([...files.keys()].map((id) => [id, 'AA==']))
      const { site: read } = readSiteFile(writeSiteFile({ ...site, surround, files }, contents))
      expect(read.surround).toEqual(surround)
    }),
    { numRuns: 60 },
  )
})

describe('words', () => {
  test('are there in eight languages, every one of them, each with the mark that a label is put in', () => {
    expect([...WORD_LANGUAGES].sort()).toEqual(['de', 'en', 'es', 'fr', 'it', 'nl', 'pl', 'pt'])
    for (const language of WORD_LANGUAGES) {
      const words = wordsOfLanguage(language)
      for (const name of WORD_NAMES) expect(words[name].trim()).not.toBe('')
      expect(words.submenu).toContain('{label}')
      if (language !== 'en') expect(words.skip).not.toBe(wordsOfLanguage('en').skip)
    }
  })

  test('of a region are those of its language; of an unknown one English; the author’s own come first', () => {
    expect(wordsOf('de-AT', {}).next).toBe('Weiter')
    expect(wordsOf('xx', {}).next).toBe('Next')
    expect(wordsOf('de', { next: 'Vorwärts', up: '' })).toMatchObject({ next: 'Vorwärts', up: 'Nach oben' })
  })

  test('a page is written from right to left where its language, or the script in its tag, is', () => {
    expect(['en', 'ar', 'he-IL', 'fa', 'az-Arab', 'ur-Latn', 'de-CH'].map(directionOf)).toEqual([
      'ltr',
      'rtl',
      'rtl',
      'rtl',
      'rtl',
      'ltr',
      'ltr',
    ])
  })
})
