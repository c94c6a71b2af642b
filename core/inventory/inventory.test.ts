import { parse } from 'csv-parse/sync'
import { stringify } from 'csv-stringify/sync'
import fc from 'fast-check'
import { InputFault } from '../formats/inputFault.ts'
import { readOpml } from '../formats/opml.ts'
import { applyChange } from '../plan/change/apply.ts'
import { labelOf } from '../plan/entry.ts'
import { walk } from '../plan/plan.ts'
import { newSite, type Site } from '../plan/site.ts'
import { arbitrarySite } from '../testing/arbitrarySite.ts'
import { readNewSite } from './newSite.ts'
import { readInventory } from './read.ts'
import { writeInventory } from './write.ts'

const site = readOpml(`<opml version="2.0"><head><title>Trust</title></head><body><outline text="Home">
  <outline text="Boating"><outline text="Locks"/><outline text="Moorings"/></outline>
  <outline text="More" type="group"><outline text="Shop" type="link" url="https://shop.example.org/"/></outline>
  <outline text="Walks"/></outline></body></opml>`)

let made = 0
const read = (text: string, on: Site = site) => readInventory(text, on, () => `new-${++made}`)

/** The rows of an inventory as a common CSV library reads them (RFC 4180). */
const rowsOf = (text: string): Record<string, string>[] => parse(text, { columns: true, bom: true })
/** Rows as that library writes them. */
const csvOf = (rows: readonly Record<string, string>[]) => stringify([...rows], { header: true })
const changed = (edit: (rows: Record<string, string>[]) => void, on: Site = site) => {
  const rows = rowsOf(writeInventory(on))
  edit(rows)
  return csvOf(rows)
}
const cell = (id: string, column: string, value: string) => (rows: Record<string, string>[]) => {
  rows.find((row) => row['id'] === id)![column] = value
}

describe('the inventory as CSV (RFC 4180)', () => {
  test('is read by a common CSV library, and read back it changes nothing, on random sites', () => {
    fc.assert(
      fc.property(arbitrarySite(20), (random) => {
        const text = writeInventory(random)
        const rows = rowsOf(text)
        expect(rows.map((row) => row['id'])).toEqual([...walk(random.plan)].map(({ entry }) => entry.id))
        expect(read(text, random)).toEqual({ differences: [], change: undefined, withoutRow: 0 })
        expect(read(csvOf(rows), random).change).toBeUndefined()
        // RFC 4180 section 2, rule 1: lines end in CRLF.
        expect(text.endsWith('\r\n')).toBe(true)
      }),
    )
  })

  test('what an edit in a spreadsheet changed comes back as one change, and nothing else is touched', () => {
    fc.assert(
      fc.property(arbitrarySite(12), fc.string({ maxLength: 40 }), fc.nat(), (random, note, pick) => {
        const ids = [...random.plan.entries.keys()]
        const id = ids[pick % ids.length]!
        const text = writeInventory(
          applyChange(random, {
            kind: 'setEntry',
            entry: id,
            field: 'note',
            // eslint-disable-next-line no-control-regex -- what a note cannot hold
            value: note.replace(/[\u0000-\u001f\u007f]/g, ''),
          }).site,
        )
        const { change, differences } = read(text, random)
        expect(differences.every(({ entry, column }) => entry === id && column === 'note')).toBe(true)
        if (change) expect(writeInventory(applyChange(random, change).site)).toBe(text)
      }),
    )
  })

  test.each(['=1+1', '+44 1632', '-5', '@home', "'=quoted", "''-twice"])(
    '%s is not run by a spreadsheet, and comes back as it was',
    (title) => {
      const titled = applyChange(site, { kind: 'setEntry', entry: 'locks', field: 'title', value: title })
      const text = writeInventory(titled.site)
      expect(rowsOf(text).find((row) => row['id'] === 'locks')!['title']).toBe(`'${title}`)
      expect(read(text, titled.site).change).toBeUndefined()
    },
  )

  test('fields, moves and new rows are told cell by cell', () => {
    const text = changed((rows) => {
      cell('locks', 'title', 'Lock guide')(rows)
      cell('locks', 'in menus', 'FALSE')(rows)
      cell('shop', 'leads to', 'walks#map')(rows)
      cell('moorings', 'parent', 'walks')(rows)
      rows.push({ ...Object.fromEntries(Object.keys(rows[0]!).map((key) => [key, ''])), title: 'Nature' })
      rows.splice(1, 1)
    })
    const { differences, change, withoutRow } = read(text.replaceAll('\n', '\r\n'))
    expect(differences.map(({ row, column, before, after }) => [row, column, before, after])).toEqual([
      [3, 'title', 'Locks', 'Lock guide'],
      [3, 'in menus', 'yes', 'FALSE'],
      [4, 'parent', 'Boating', 'Walks'],
      [6, 'leads to', 'https://shop.example.org/', 'walks#map'],
      [8, 'new', '', 'a new page under “Home”'],
    ])
    expect(withoutRow).toBe(1)
    const after = applyChange(site, change!).site.plan
    const labels = [...walk(after)].map(({ entry }) => labelOf(entry))
    expect(labels).toEqual(['Home', 'Boating', 'Lock guide', 'More', 'Shop', 'Walks', 'Moorings', 'Nature'])
    expect(after.entries.get('boating')).toBe(site.plan.entries.get('boating'))
  })

  test('what parts cells is told by the head, whatever signs the rows are full of', () => {
    for (const sign of [';;', ',,;', ';'.repeat(40)]) {
      const changes = (['title', 'description', 'note'] as const).map(
        (field) => ({ kind: 'setEntry', entry: 'home', field, value: sign }) as const,
      )
      const on = applyChange(newSite('A', 'home'), { kind: 'batch', changes }).site
      const rows = rowsOf(writeInventory(on))
      for (const delimiter of [',', ';', '\t'])
        expect(read(stringify(rows, { header: true, delimiter }), on).change).toBeUndefined()
    }
  })

  test('semicolons and tabs part cells too, as spreadsheets of many languages write them', () => {
    for (const delimiter of [';', '\t']) {
      const rows = rowsOf(changed(cell('walks', 'description', 'One; two, three\tfour')))
      // A tab has no place in a description.
      rows.forEach((row) => (row['description'] = row['description']!.replace('\t', ' ')))
      const { differences } = read(stringify(rows, { header: true, delimiter }))
      expect(differences.map(({ after }) => after)).toEqual(['One; two, three four'])
    }
  })

  test.each([
    [changed(cell('locks', 'id', 'gone')), /Row 4, column “id”: the plan has no entry with the id “gone”/],
    [changed(cell('locks', 'id', 'walks')), /Row 8, column “id”: “walks” stands on another row/],
    [changed(cell('boating', 'parent', 'locks')), /Row 3, column “parent”: “Boating” cannot be moved under/],
    [changed(cell('locks', 'parent', 'nowhere')), /Row 4, column “parent”: the plan has no entry/],
    [changed(cell('locks', 'parent', 'shop')), /Row 4, column “parent”: “Shop” is a link/],
    [changed(cell('locks', 'parent', '')), /Row 4, column “parent”: “Locks” stands under another page/],
    [changed(cell('home', 'parent', 'locks')), /Row 2, column “parent”: the home page stands under nothing/],
    [changed(cell('locks', 'title', '')), /Row 4, column “title”: must not be empty/],
    [changed(cell('locks', 'state', 'done')), /Row 4, column “state”: must be planned, draft or ready/],
    [changed(cell('home', 'state', 'planned')), /Row 2, column “state”: The home page cannot be left out/],
    [changed(cell('locks', 'in order', 'maybe')), /Row 4, column “in order”: “maybe” is neither yes nor no/],
    [changed(cell('locks', 'file name', '../up')), /Row 4, column “file name”: A file name cannot contain/],
    [changed(cell('more', 'title', 'x')), /Row 6, column “title”: a group has no title/],
    [changed(cell('locks', 'kind', 'group')), /Row 4, column “kind”: “Locks” is a page/],
    ['id,colour\nlocks,red', /Row 1, column 2: “colour” is not a column of the inventory/],
    ['id,title,Title\na,b,c', /Row 1: the column “title” stands twice/],
    ['title\nLocks', /Row 1, column “id”: the column is missing/],
    ['id,title\nlocks', /Row 2 has 1 cells, and the head has 2/],
    ['id,title\nlocks,"Lo', /quoted cell is not closed/],
    ['', /Row 1: the names of the columns are missing/],
  ])('what cannot be kept is refused with its row and column (%#)', (text, message) => {
    expect(() => read(text)).toThrow(InputFault)
    expect(() => read(text)).toThrow(message)
  })
})

describe('a new site from rows', () => {
  const start = (text: string) => readNewSite(text, 'New', () => `n${++made}`)
  const shape = ({ plan }: Site) =>
    [...walk(plan)].map(({ entry, depth }) => ' '.repeat(depth) + labelOf(entry)).join('|')

  test('has the plan of the site that was written, in whichever order its parents are named', () => {
    const again = start(writeInventory(site))
    expect(again.plan).toEqual(site.plan)
    const byDepth = 'title;depth\nHome;0\nBoating;1\nLocks;2\nWalks;1'
    expect(shape(start(byDepth))).toBe('Home| Boating|  Locks| Walks')
    expect(shape(start('Title\nHome\nBoating\nWalks'))).toBe('Home| Boating| Walks')
  })

  test.each([
    ['title,depth\nHome,0\nLocks,2', /Row 3, column “depth”: jumps from 0 to 2/],
    ['title,depth\nHome,0\nLocks,x', /Row 3, column “depth”: “x” is not a whole number/],
    ['title,depth\nHome,0\nOther,0', /Row 3, column “depth”: only the first row is the home page/],
    ['id,title,parent\nh,Home,\na,A,b\nb,B,h', /Row 3, column “parent”: no row before this one/],
    ['title,state\nHome,planned', /Row 2, column “state”: the home page must be draft or ready/],
    ['title,kind\nHome,group', /Row 2, column “menu label”: must not be empty/],
    ['title,file name\nHome,\nA,a:b', /Row 3, column “file name”: A file name cannot contain/],
    ['title', /no rows below its head/],
  ])('what is no plan is refused with its row and column (%#)', (text, message) => {
    expect(() => start(text)).toThrow(message)
  })
})
