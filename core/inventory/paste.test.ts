import { stringify } from 'csv-stringify/sync'
import fc from 'fast-check'
import { applyChange } from '../plan/change/apply.ts'
import { walk } from '../plan/plan.ts'
import { arbitrarySite } from '../testing/arbitrarySite.ts'
import { columnNamed } from './columns.ts'
import { pastedCells, pastedTable } from './paste.ts'
import { readInventory } from './read.ts'

const NOTE = columnNamed('note')!
const [TITLE, DESCRIPTION, ADDRESS] = ['title', 'description', 'address'].map((name) => columnNamed(name)!)

/** Cells as spreadsheets write them to the clipboard, by a common CSV library. */
const copied = (rows: string[][], end = '\n') =>
  stringify(rows, { delimiter: '\t', record_delimiter: end, quoted_match: /[\n\r]/ })

test('a column of any notes that is pasted from any row is what these rows have then, and nothing else changes', () => {
  const note = fc.oneof(
    fc.string({ maxLength: 20 }),
    fc.constantFrom('=1+1', "'=1", '-', '"quoted"', 'two\nlines', 'a\tb', ' spaced ', 'x,y;z', ''),
  )
  fc.assert(
    fc.property(
      arbitrarySite(12),
      fc.array(note, { minLength: 1, maxLength: 15 }),
      fc.nat(),
      fc.constantFrom('\n', '\r\n'),
      (site, notes, pick, end) => {
        const ids = [...walk(site.plan)].map(({ entry }) => entry.id)
        const from = pick % ids.length
        const { table, beyond } = pastedTable(
          copied(
            notes.map((one) => [one]),
            end,
          ),
          ids.slice(from),
          [NOTE],
        )
        expect(beyond).toBe(Math.max(0, notes.length - (ids.length - from)))
        const { change } = readInventory(table, site, () => 'none', 'Pasted')
        const next = change ? applyChange(site, change).site : site
        for (const [at, id] of ids.entries()) {
          const { note: now, ...rest } = next.plan.entries.get(id)!
          const { note: was, ...restWas } = site.plan.entries.get(id)!
          const pasted = notes[at - from]
          // Every note is one that a person could have typed: ends of lines are one sign, and blanks around it go.
          if (at < from || pasted === undefined) expect(now).toBe(was)
          else expect(now.trim()).toBe(pasted.replace(/\r\n?/g, '\n').trim())
          expect(rest).toEqual(restWas)
        }
      },
    ),
  )
})

test('a rectangle goes to the columns from the one that is pasted into; what is no table is lines', () => {
  expect(pastedTable('A\tB\r\nC\tD\r\n', ['x', 'y', 'z'], [TITLE!, DESCRIPTION!, ADDRESS!])).toEqual({
    table: 'id,title,description\r\nx,A,B\r\ny,C,D',
    beyond: 0,
  })
  expect(pastedCells('"Otters\nHerons')).toEqual([['"Otters'], ['Herons']])
  expect(pastedCells('one')).toEqual([['one']])
})

test.each([
  ['a\tb\nc', [TITLE!, NOTE], 'Line 2 has 1 cells, and the first line has 2'],
  ['a\tb', [TITLE!], '2 columns were copied, and there are 1'],
  ['a', [ADDRESS!], '“address” is calculated'],
])('%j is refused', (text, columns, words) => {
  expect(() => pastedTable(text, ['x', 'y'], columns)).toThrow(words)
})
