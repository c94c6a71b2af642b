import { newPage } from '../newEntry.ts'
import { childrenOf } from '../plan.ts'
import { newSite, type Site } from '../site.ts'
import { applyChange } from './apply.ts'
import type { Change, SingleChange } from './change.ts'
import { guarded } from './guard.ts'
import { WrittenSince } from './refused.ts'
import { pageShowing, takenBackBy } from './takenBack.ts'

const leaf = (id: string, entries: object[] = []) => ({ ...newPage(id, id.toUpperCase()), entries })
const made = (site: Site, change: object) => applyChange(site, change as Change)
const start = made(newSite('Site', 'home'), {
  kind: 'add',
  parent: 'home',
  place: 0,
  branches: [leaf('a', [leaf('a1')]), leaf('b'), leaf('c'), leaf('d')],
}).site
const order = (site: Site) => childrenOf(site.plan, 'home').join('')

/** What undoing a change says after somebody else made others. */
function undoing(change: object, ...others: object[]) {
  const mine = made(start, change)
  const undo = guarded(mine.site, mine.inverse)
  const since = others.reduce((site: Site, other) => made(site, other).site, mine.site)
  try {
    return order(applyChange(since, undo).site)
  } catch (error) {
    if (!(error instanceof WrittenSince)) throw error
    return takenBackBy(since, error.change as SingleChange, error.now)
  }
}
const move = (entry: string, parent: string, place: number) => ({ kind: 'move', entry, parent, place })

test('undoing a move asks when somebody moved the page among its siblings, and says where it is', () => {
  expect(undoing(move('d', 'home', 0), move('d', 'home', 2))).toEqual({
    now: 'under “Home”, after “B”',
    then: 'under “Home”, after “C”',
  })
  expect(undoing(move('d', 'home', 0), move('d', 'a', 0))).toEqual({
    now: 'under “A”, first',
    then: 'under “Home”, after “C”',
  })
})

test('undoing a move does not ask for what others did elsewhere', () => {
  expect(undoing(move('d', 'home', 0))).toBe('abcd')
  expect(undoing(move('d', 'home', 0), move('b', 'home', 3))).toBe('acbd')
  expect(undoing(move('d', 'home', 0), { kind: 'setEntry', entry: 'd', field: 'note', value: 'x' })).toBe(
    'abcd',
  )
})

test('undoing an addition names the pages that somebody added to it', () => {
  const added = { kind: 'add', parent: 'home', place: 0, branches: [leaf('new')] }
  expect(undoing(added, { kind: 'add', parent: 'new', place: 0, branches: [leaf('theirs')] })).toEqual({
    now: 'NEW\n    THEIRS',
    then: '(all of them removed)',
  })
})

test('undoing a text shows both', () => {
  const set = (value: string) => ({ kind: 'setEntry', entry: 'b', field: 'description', value })
  expect(undoing(set('Mine'), set('Theirs'))).toEqual({ now: 'Theirs', then: '(empty)' })
})

test('a page shows what pieces, menus, the design, a content and a banner look like; words show the rest', () => {
  const on = (change: object) => pageShowing(change as SingleChange, 'chosen')
  for (const kind of ['addPiece', 'setPiece', 'removeMenu', 'setSurround'])
    expect(on({ kind })).toBe('chosen')
  for (const field of ['body', 'banner']) expect(on({ kind: 'setEntry', entry: 'a', field })).toBe('a')
  for (const field of ['title', 'note']) expect(on({ kind: 'setEntry', entry: 'a', field })).toBeUndefined()
  for (const kind of ['move', 'remove', 'setFile']) expect(on({ kind })).toBeUndefined()
})
