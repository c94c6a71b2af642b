import fc from 'fast-check'
import { applyChange } from '../change/apply.ts'
import { ChangeRefused } from '../change/refused.ts'
import { anyChange, arbitraryDraws, arbitraryStart } from '../../testing/arbitraryChange.ts'
import { arbitrarySurround } from '../../testing/arbitrarySurround.ts'
import { readSurround } from './earlier.ts'
import {
  EMPTY_PIECES,
  piecesOf,
  type Surround,
  templatesOf,
  withoutTemplates,
  withTemplates,
} from './surround.ts'

/** A surround as the version before two kinds stored it: pieces and templates beside each other. */
function beforeKinds(surround: Surround): object {
  const { menus, order, words } = surround
  const templates = templatesOf(surround) ?? null
  const { headFiles, ...pieces } = piecesOf(surround)
  const ours = templates ? { ourStyles: false, ourScript: false } : {}
  return { ...pieces, headFiles: { ...headFiles, ...ours }, menus, order, words, templates }
}

/** Pages from templates have neither, so the version before did not keep which they had as pieces. */
const withOurs = (surround: Surround): Surround => {
  const templates = templatesOf(surround)
  if (!templates) return surround
  const { headFiles, ...pieces } = piecesOf(surround)
  const ours = { ...headFiles, ourStyles: true, ourScript: true }
  return withTemplates({ ...withoutTemplates(surround), ...pieces, headFiles: ours }, templates)
}

test('a surround of any kind, after any changes, comes back from JSON of this version and of the one before', () => {
  const met = { pieces: 0, templates: 0, replaced: 0 }
  fc.assert(
    fc.property(
      arbitraryStart(6, arbitrarySurround),
      fc.array(arbitraryDraws, { maxLength: 8 }),
      (start, draws) => {
        let site = start
        draws.forEach((draw, at) => {
          try {
            site = applyChange(site, anyChange(site, draw, at)).site
          } catch (error) {
            if (!(error instanceof ChangeRefused)) throw error
          }
        })
        const { surround } = site
        met[surround.kind]++
        if (surround.kind === 'templates') {
          expect(surround.replaced).not.toEqual(EMPTY_PIECES)
          if (surround.replaced) met.replaced++
        }
        const json = (value: object): unknown => JSON.parse(JSON.stringify(value))
        expect(readSurround(json(surround))).toEqual(json(surround))
        expect(readSurround(json(beforeKinds(surround)))).toEqual(json(withOurs(surround)))
      },
    ),
    { numRuns: 200 },
  )
  expect(Object.values(met).every((times) => times > 10)).toBe(true)
})

test('templates take the place of pieces, and give it back', () => {
  fc.assert(
    fc.property(arbitraryStart(3, arbitrarySurround), ({ surround }) => {
      const pieces = withoutTemplates(surround)
      const templates = { templates: [] } as never
      expect(withoutTemplates(withTemplates(pieces, templates))).toEqual(pieces)
      expect(piecesOf(withTemplates(pieces, templates))).toEqual(piecesOf(pieces))
    }),
  )
})

test.each([[null], ['pieces'], [{ kind: 'else', places: {} }], [{ templates: {} }], [{ kind: 'templates' }]])(
  'what is no surround is refused: %j',
  (stored) => {
    expect(() => readSurround(stored)).toThrow()
  },
)
