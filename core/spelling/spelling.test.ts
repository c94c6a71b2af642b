import { Checker } from '../check/checker.ts'
import { applyChange } from '../plan/change/apply.ts'
import type { Change } from '../plan/change/change.ts'
import { newSite, type Site } from '../plan/site.ts'
import { correction } from './correction.ts'
import { dictionariesFor, speller, spellingsIn, wordsOfSite } from './spelling.ts'
import fc from 'fast-check'
import { piecesOf, allPieces } from '../plan/surround/surround.ts'
import { arbitrarySite } from '../testing/arbitrarySite.ts'
import { dictionaryOf } from '../testing/dictionary.ts'
import { arbitrarySurround } from '../testing/arbitrarySurround.ts'
import { respeltMenu, respeltPiece } from './around.ts'
import { wordsInBody, wordsInText } from './wordsToLookUp.ts'

const british = await dictionaryOf('en-gb')

const after = (site: Site, ...changes: Change[]) =>
  changes.reduce((now, change) => applyChange(now, change).site, site)
const withBody = (html: string) =>
  after(newSite('Trust', 'home'), {
    kind: 'setEntry',
    entry: 'home',
    field: 'body',
    value: { html, changed: '' },
  })
const unknownOf = (site: Site) =>
  new Set([...wordsOfSite(site)].filter((word) => !british.testSpelling(word)))
const misspelt = (site: Site) =>
  new Checker().check(site, unknownOf(site)).filter(({ rule }) => rule === 'misspelt')

const inText = (text: string) => wordsInText(text).map(({ word }) => word)
const inBody = (html: string) => wordsInBody({ html, changed: '' }, 'en-GB').map(({ word }) => word)

test.each([
  ['The lock-keeper’s boat, moored.', ['The', 'lock', "keeper's", 'boat', 'moored']],
  ['On the M25 at 3rd, B&B or 2km on', ['On', 'the', 'at', 'or', 'on']],
  [
    'Write to a.b@example.org or see www.example.org/some/path.html today',
    ['Write', 'to', 'or', 'see', 'today'],
  ],
  ['The BBC and NASA a I', ['The', 'and']],
  ['Café Über naïve 東京', ['Café', 'Über', 'naïve', '東京']],
  ['', []],
])('of the text %j these words are looked up: %j', (text, words) => {
  expect(inText(text)).toEqual(words)
})

test.each([
  ['<p>One <b>tw</b>o</p>', ['One', 'tw']],
  ['<p>caf&eacute; don&rsquo;t fish&nbsp;and&mdash;chips</p>', ['café', "don't", 'fish', 'and', 'chips']],
  ['<p>A <code>wrnog</code> <span lang="fr">mot</span> <span lang="en">word</span></p>', ['word']],
  ['<pre>npm</pre><p translate="no">Brndname</p><script>let xyz</script><p title="titel">end</p>', ['end']],
  ['<svg><title>Picture</title></svg><template><p>inside</p></template>', ['Picture']],
])('of the HTML %j these words are looked up: %j', (html, words) => {
  expect(inBody(html)).toEqual(words)
})

test('each word knows where it stands in the source', () => {
  const html = '<h2>Opning <em>times</em></h2>\n<p>Don&rsquo;t be laet.</p>'
  for (const { word, start, end } of wordsInBody({ html, changed: '' }, 'en'))
    expect(html.slice(start, end).replace('&rsquo;', "'")).toBe(word)
})

test('misspelt words are found with their line, words of the site are not', () => {
  const site = withBody('<p>We recieve boats.</p>\n<p>At Wetherlock, Wetherlock’s lock, we recieve them.</p>')
  expect(misspelt(site).map(({ words, place }) => [words, 'line' in place ? place.line : 0])).toEqual([
    ['“recieve” stands in no dictionary, 2 times.', 1],
    ['“Wetherlock” stands in no dictionary.', 2],
    ["“Wetherlock's” stands in no dictionary.", 2],
  ])
  const own = after(site, { kind: 'setSite', field: 'ownWords', value: ['Wetherlock', 'recieve'] })
  expect(misspelt(own)).toEqual([])
  expect(misspelt(withBody('<p>We receive boats, the lock-keeper’s too.</p>'))).toEqual([])
})

test('titles and labels are spelt too, those of groups and links among them', () => {
  const site = after(
    newSite('Trust', 'home'),
    { kind: 'setEntry', entry: 'home', field: 'description', value: 'A canall brought back.' },
    {
      kind: 'add',
      parent: 'home',
      place: 0,
      branches: [
        {
          id: 'g',
          kind: 'group',
          label: 'Towpaths and wlaks',
          fileName: '',
          note: '',
          inMenu: true,
          entries: [],
        },
      ],
    },
  )
  expect(misspelt(site).map(({ gist, place }) => [gist, place])).toEqual([
    ['canall', { in: 'entry', entry: 'home' }],
    ['wlaks', { in: 'entry', entry: 'g' }],
  ])
})

test('a correction writes the word otherwise wherever it stands in the entry, and nothing else', () => {
  const site = after(withBody('<p title="recieve">We <b>recieve</b>; recieved &amp; recieve.</p>'), {
    kind: 'setEntry',
    entry: 'home',
    field: 'description',
    value: 'We recieve.',
  })
  const home = after(
    site,
    correction(site, { in: 'entry', entry: 'home' }, 'recieve', 'receive')!,
  ).plan.entries.get('home')
  expect(home).toMatchObject({
    description: 'We receive.',
    body: { html: '<p title="recieve">We <b>receive</b>; recieved &amp; receive.</p>' },
  })
  expect(correction(site, { in: 'entry', entry: 'home' }, 'gone', 'there')).toBeUndefined()
})

test('American English is looked up as such, other English as British, plain English as either', () => {
  expect(dictionariesFor('en-US')).toEqual(['american'])
  expect(['en-GB', 'en-IE', 'en-AU'].map(dictionariesFor)).toEqual([['british'], ['british'], ['british']])
  expect(dictionariesFor('en')).toEqual(['british', 'american'])
  expect(dictionariesFor('pt')).toEqual(['portuguese', 'brazilian'])
  expect(['pt-BR', 'pt-PT', 'pt-AO'].map(dictionariesFor)).toEqual([
    ['brazilian'],
    ['portuguese'],
    ['portuguese'],
  ])
  expect(['de', 'de-AT', 'de-CH', 'de-Latn-CH'].map(dictionariesFor)).toEqual([
    ['german'],
    ['german'],
    ['swiss'],
    ['swiss'],
  ])
  expect(['ja', 'constructor', ''].map(dictionariesFor)).toEqual([[], [], []])
  // From memory: "colour" is British, "color" American.
  expect([british.testSpelling('colour'), british.testSpelling('color')]).toEqual([true, false])
})

test('a word counts as right as long as it was not looked up', () => {
  expect(speller(withBody(''), new Set())('xyzzy')).toBe(true)
  expect(speller(withBody(''), new Set(['xyzzy']))('xyzzy')).toBe(false)
})

// From memory: a sentence in each language as it is spelt, and a word that is not.
test.each([
  ['de', 'Die Öffnungszeiten der Schleusen stehen auf der nächsten Seite', 'Schleuße'],
  ['fr', "L'écluse est ouverte aujourd'hui jusqu'à midi", 'écllusse'],
  ['es', 'Las esclusas están abiertas todos los días', 'esclussas'],
  ['it', "L'altezza dell'acqua è scritta all'ingresso", 'aqcua'],
  ['nl', 'De sluiswachter vertelt over de openingstijden', 'sluisswachter'],
  ['pt', 'As eclusas estão abertas durante todo o ano', 'eclusaz'],
  ['pt-pt', 'O horário está na página seguinte', 'orário'],
  ['pl', 'Godziny otwarcia są na następnej stronie', 'godźiny'],
])('the words of a text in %s stand in its dictionary', async (language, text, wrong) => {
  const dictionary = await dictionaryOf(language)
  expect(wordsInText(text).filter(({ word }) => !dictionary.testSpelling(word))).toEqual([])
  expect(dictionary.testSpelling(wrong)).toBe(false)
  expect(dictionary.getSpellingSuggestions(wrong).length).toBeGreaterThan(0)
  dictionary.dispose()
})

test('Swiss German has ss where the dictionary has ß', async () => {
  const german = await dictionaryOf('de')
  const has = (word: string) => spellingsIn('swiss', word).some((one) => german.testSpelling(one))
  expect(['Strasse', 'grosse', 'Wasser', 'Straße', 'Strasze'].map(has)).toEqual([
    true,
    true,
    true,
    true,
    false,
  ])
  expect(german.testSpelling('Strasse')).toBe(false)
})

test('words of pieces and menus are looked up, and written otherwise where they stand', () => {
  const site = after(
    newSite('Trust', 'home'),
    {
      kind: 'addPiece',
      place: 'footer',
      at: 0,
      piece: {
        id: 'links',
        kind: 'columns',
        beside: false,
        label: '',
        columns: [{ id: 'c', heading: 'Wlaks', links: [] }],
      },
    },
    {
      kind: 'addPiece',
      place: 'footer',
      at: 0,
      piece: { id: 'own', kind: 'html', beside: false, html: '<p class="wlaks">Wlaks &amp; more</p>' },
    },
    {
      kind: 'addPiece',
      place: 'footer',
      at: 0,
      piece: { id: 'call', kind: 'contact', beside: false, heading: 'Ring us', lines: 'Mrs Wlaks' },
    },
    { kind: 'addMenu', at: 1, menu: { id: 'm', kind: 'picked', name: 'Smal print', links: [] } },
  )
  expect(misspelt(site).map(({ gist, place }) => [gist, place])).toEqual([
    ['Wlaks', { in: 'piece', piece: 'own' }],
    ['Wlaks', { in: 'piece', piece: 'links' }],
    ['Smal', { in: 'menu', menu: 'm' }],
  ])
  const corrected = after(
    site,
    correction(site, { in: 'piece', piece: 'own' }, 'Wlaks', 'Walks')!,
    correction(site, { in: 'piece', piece: 'links' }, 'Wlaks', 'Walks')!,
    correction(site, { in: 'menu', menu: 'm' }, 'Smal', 'Small')!,
  )
  expect(misspelt(corrected)).toEqual([])
  expect(piecesOf(corrected.surround).places.footer).toMatchObject([
    {},
    { html: '<p class="wlaks">Walks &amp; more</p>' },
    { columns: [{ heading: 'Walks' }] },
    ...piecesOf(corrected.surround).places.footer.slice(3),
  ])
  expect(correction(site, { in: 'piece', piece: 'gone' }, 'Wlaks', 'Walks')).toBeUndefined()
})

test('every text around the content is read, and given back as it was where nothing is written otherwise', () => {
  fc.assert(
    fc.property(arbitrarySite(4, arbitrarySurround), (site) => {
      for (const { piece } of allPieces(site.surround)) {
        expect(respeltPiece(piece, (text) => text)).toEqual(piece)
        // What is not given back otherwise is no text of the author's: ids, targets, names.
        const changed = respeltPiece(piece, (text) => `${text}!`)
        expect({ ...changed, id: '' }).toMatchObject({ kind: piece.kind, beside: piece.beside })
      }
      for (const menu of site.surround.menus) expect(respeltMenu(menu, (text) => text)).toEqual(menu)
    }),
    { numRuns: 60 },
  )
})
