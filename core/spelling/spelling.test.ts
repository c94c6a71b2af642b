import british from 'dictionary-en-gb'
import nspell from 'nspell'
import { Checker } from '../check/checker.ts'
import { applyChange } from '../plan/change/apply.ts'
import type { Change } from '../plan/change/change.ts'
import { newSite, type Site } from '../plan/site.ts'
import { correction } from './correction.ts'
import { dictionariesFor, speller, wordsOfSite } from './spelling.ts'
import { wordsInBody, wordsInText } from './wordsToLookUp.ts'

/** The British dictionary as Hunspell projects share it, read by another program than the application's worker. */
const dictionary = nspell(Buffer.from(british.aff), Buffer.from(british.dic))

const after = (site: Site, ...changes: Change[]) =>
  changes.reduce((now, change) => applyChange(now, change).site, site)
const withBody = (html: string) =>
  after(newSite('Trust', 'home'), {
    kind: 'setEntry',
    entry: 'home',
    field: 'body',
    value: { html, changed: '' },
  })
const unknownOf = (site: Site) => new Set([...wordsOfSite(site)].filter((word) => !dictionary.correct(word)))
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
  const home = after(site, correction(site, 'home', 'recieve', 'receive')!).plan.entries.get('home')
  expect(home).toMatchObject({
    description: 'We receive.',
    body: { html: '<p title="recieve">We <b>receive</b>; recieved &amp; receive.</p>' },
  })
  expect(correction(site, 'home', 'gone', 'there')).toBeUndefined()
})

test('American English is looked up as such, other English as British, plain English as either', () => {
  expect(dictionariesFor('en-US')).toEqual(['american'])
  expect(['en-GB', 'en-IE', 'en-AU'].map(dictionariesFor)).toEqual([['british'], ['british'], ['british']])
  expect(dictionariesFor('en')).toEqual(['british', 'american'])
  expect(dictionariesFor('de')).toEqual([])
  // From memory: "colour" is British, "color" American.
  expect([dictionary.correct('colour'), dictionary.correct('color')]).toEqual([true, false])
})

test('a word counts as right as long as it was not looked up', () => {
  expect(speller(withBody(''), new Set())('xyzzy')).toBe(true)
  expect(speller(withBody(''), new Set(['xyzzy']))('xyzzy')).toBe(false)
})
