import fc from 'fast-check'
import { anyChange, arbitraryDraws, arbitraryStart } from '../../testing/arbitraryChange.ts'
import { planOfBranch } from '../branch.ts'
import { newGroup, newPage } from '../newEntry.ts'
import { type Site, siteWith } from '../site.ts'
import { applyChange, singlesOf } from './apply.ts'
import type { Change, SingleChange } from './change.ts'
import { changeWords, thingWords } from './changeWords.ts'
import { differenceOf } from './restore.ts'
import { ChangeRefused } from './refused.ts'

const site = siteWith(
  { name: 'Mill' },
  planOfBranch({
    ...newPage('home', 'Home'),
    entries: [
      { ...newPage('roses', 'Roses'), entries: [{ ...newPage('old', 'Old roses'), entries: [] }] },
      { ...newGroup('more', 'More'), entries: [] },
    ],
  } as never),
)
const set = (field: string, value: unknown, entry = 'roses') =>
  ({ kind: 'setEntry', entry, field, value }) as SingleChange
const file = { id: 'f', path: 'a/plan.pdf', content: 'k', size: 1, alt: '' }
const withFile = applyChange(site, { kind: 'addFile', file }).site

const WORDS: readonly (readonly [change: Change, words: string, on?: Site])[] = [
  [set('title', 'Old garden'), '“Roses” renamed “Old garden”'],
  [set('state', 'planned'), '“Roses” is now planned'],
  [set('inMenu', false), '“Roses” left out of menus'],
  [set('inMenu', true), '“Roses” put into menus'],
  [set('inOrder', false), '“Roses” left out of the reading order'],
  [set('inSearch', false), '“Roses” kept out of search engines'],
  [set('inSearch', true), '“Roses” shown to search engines'],
  [set('pin', null), 'The address of “Roses” released'],
  [set('date', '2026-05-01'), '“Roses” dated 2026-05-01'],
  [set('date', ''), '“Roses” without a date'],
  [set('note', 'x'), '“Roses”: note changed'],
  [{ kind: 'remove', entries: ['roses'] }, '“Roses” and the entry under it removed'],
  [{ kind: 'remove', entries: ['more'] }, '“More” removed'],
  [{ kind: 'remove', entries: ['roses', 'more'] }, '2 entries removed'],
  [{ kind: 'move', entry: 'more', parent: 'home', place: 0 }, '“More” reordered'],
  [{ kind: 'move', entry: 'more', parent: 'roses', place: 0 }, '“More” moved under “Roses”'],
  [{ kind: 'addFile', file }, 'a/plan.pdf added to the files of the site'],
  [{ kind: 'removeFile', file: 'f' }, 'a/plan.pdf removed from the files of the site', withFile],
  [{ kind: 'setFile', file: { ...file, path: 'b.pdf' } }, 'a/plan.pdf is now b.pdf', withFile],
  [{ kind: 'setFile', file: { ...file, alt: 'A plan' } }, 'a/plan.pdf described', withFile],
  [{ kind: 'setFile', file: { ...file, content: 'l' } }, 'a/plan.pdf replaced', withFile],
  [{ kind: 'batch', words: 'All of it', changes: [set('note', 'x')] }, 'All of it'],
  [{ kind: 'batch', changes: [set('note', 'x'), set('title', 'Y')] }, '“Roses” renamed “Y”'],
]

test.each(WORDS.map(([change, words, on]) => ({ change, words, on })))(
  'a change is named: $words',
  ({ change, words, on = site }) => {
    expect(changeWords(on, change)).toBe(words)
  },
)

test('every change of any site, and what takes it back, is named by one line without a slip of the program', () => {
  const line = /^(?!.*(?:undefined|\[object|null|NaN))\S.*$/su
  const kinds = new Set<string>()
  fc.assert(
    fc.property(
      arbitraryStart(8),
      fc.array(arbitraryDraws, { minLength: 1, maxLength: 12 }),
      (start, draws) => {
        draws.reduce((before, one, at) => {
          const change = anyChange(before, { ...one, text: 'Walks' }, at)
          for (const single of singlesOf(change)) {
            kinds.add(single.kind)
            expect(changeWords(before, single)).toMatch(line)
            expect(thingWords(before, single)).toMatch(line)
          }
          let after
          try {
            after = applyChange(before, change).site
          } catch (error) {
            if (!(error instanceof ChangeRefused)) throw error
            return before
          }
          const back = differenceOf(after, before)
          if (back) expect(changeWords(after, back)).toMatch(line)
          return after
        }, start)
      },
    ),
  )
  // The others are made by what takes changes back.
  expect([...kinds]).toEqual(expect.arrayContaining(['add', 'remove', 'setMenu', 'setMaking', 'movePiece']))
})
