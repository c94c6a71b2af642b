import { newPage } from '../plan/newEntry.ts'
import { planOfBranch } from '../plan/branch.ts'
import { newSite } from '../plan/site.ts'
import { search } from './search.ts'

const body = (html: string) => ({ body: { html, changed: '' } })
const site = {
  ...newSite('Trust', 'home'),
  plan: planOfBranch({
    ...newPage('home', 'Home', body('<p>All about <b>Tan</b>yard locks &amp; more')),
    entries: [
      { ...newPage('a', 'The Tanyard', { label: 'Yard' }), entries: [] },
      { ...newPage('b', 'Tanyard Staircase'), entries: [] },
      { ...newPage('c', 'Café', { fileName: 'tanyard-cafe', note: 'ask the miller' }), entries: [] },
      { id: 'd', kind: 'group', label: 'Mills', fileName: '', note: '', inMenu: true, entries: [] },
    ],
  }),
}
const found = (words: string) => search(site, words).map(({ entry, foundIn }) => `${entry}: ${foundIn}`)

test('a search finds by title, menu label, address, text and note, the better place first', () => {
  expect(found('tanyard')).toEqual(['b: title', 'a: title', 'c: address', 'home: text'])
  expect(found('YARD ')).toEqual(['a: title', 'b: title', 'c: address', 'home: text'])
  expect(found('cafe')).toEqual(['c: title'])
  expect(found('miller')).toEqual(['c: note'])
  expect(found('mills')).toEqual(['d: menu label'])
  expect(found('locks & more')).toEqual(['home: text'])
  expect(found('nothing of this')).toEqual([])
  expect(found('  ')).toEqual([])
})

test('what was found stands in the words around it, as they are written', () => {
  const [first] = search(site, 'yard LOCKS')
  expect(first!.excerpt).toEqual({ before: 'All about Tan', match: 'yard locks', after: ' & more' })
  expect(search(site, 'tanyard', 2)).toHaveLength(2)
})
