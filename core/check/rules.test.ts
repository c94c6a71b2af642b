import { piecesOf, templatesOf, withoutTemplates, withTemplates } from '../plan/surround/surround.ts'
import fc from 'fast-check'
import { readOpml } from '../formats/opml.ts'
import { applyChange } from '../plan/change/apply.ts'
import type { SetEntry, SingleChange } from '../plan/change/change.ts'
import { ChangeRefused } from '../plan/change/refused.ts'
import type { EntryField } from '../plan/entry.ts'
import { newLink } from '../plan/newEntry.ts'
import type { Site } from '../plan/site.ts'
import {
  type Bits,
  formKey,
  type MenuPattern,
  type Override,
  type TemplatePart,
  type Templates,
} from '../plan/surround/templates.ts'
import { markOf } from '../plan/change/mark.ts'
import type { Piece } from '../plan/surround/piece.ts'
import { anyChange, arbitraryDraws, arbitraryStart } from '../testing/arbitraryChange.ts'
import { arbitrarySurround } from '../testing/arbitrarySurround.ts'
import { Checker, type CheckStep } from './checker.ts'
import { type Finding, GROUPS, type FindingPlace } from './rule.ts'
import { ruleOf, RULES } from './rules.ts'

const empty = readOpml(`<opml version="2.0"><head><title>Trust</title></head><body><outline text="Home">
  <outline text="Visit"><outline text="Times"/><outline text="Access"/></outline>
  <outline text="Boating"><outline text="Locks"/><outline text="Moorings"/><outline text="Fees"/></outline></outline></body></opml>`)

const set = (entry: string, field: EntryField, value: unknown) =>
  ({ kind: 'setEntry', entry, field, value }) as SetEntry
const body = (entry: string, html: string) => set(entry, 'body', { html, changed: '' })
const make = (site: Site, ...changes: SingleChange[]) => applyChange(site, { kind: 'batch', changes }).site
const addFile = (id: string, path: string, alt = ''): SingleChange => ({
  kind: 'addFile',
  file: { id, path, content: 'k', size: 1, alt },
})
const look = (colours: object, more: object = {}): SingleChange =>
  ({
    kind: 'setSurround',
    field: 'look',
    value: {
      ...piecesOf(empty.surround).look,
      ...more,
      colours: { ...piecesOf(empty.surround).look.colours, ...colours },
    },
  }) as SingleChange
const addPiece = (piece: object): SingleChange => ({
  kind: 'addPiece',
  place: 'footer',
  at: 0,
  piece: { beside: false, ...piece } as Piece,
})

/** A site in which no rule finds anything. */
const clean = make(
  empty,
  { kind: 'setSite', field: 'layout', value: 'nested' },
  ...[...empty.plan.entries.keys()].flatMap((id) => [
    set(id, 'state', 'ready'),
    set(id, 'description', `What ${id} is about.`),
    body(id, `<h2>About ${id}</h2><p>Some words.</p>`),
  ]),
)

/** What a dictionary would not have of the words below. */
const UNKNOWN = new Set(['recieve'])

/** What one rule finds, as words. */
const found = (site: Site, rule: string) =>
  new Checker()
    .check(site, UNKNOWN)
    .filter((one) => one.rule === rule)
    .map(({ words }) => words)

test('a site in which all is well has no findings', () => {
  expect(new Checker().check(clean)).toEqual([])
})

const HEAD = { ourStyles: true, ourScript: true, styles: [], scripts: [] }
const pin = { name: 'times', addresses: ['times.html', 'visit/times.html'] }
const many = (count: number): SingleChange => ({
  kind: 'add',
  parent: 'home',
  place: 9,
  branches: Array.from({ length: count }, (_, n) => ({
    ...(clean.plan.entries.get('times') as object),
    id: `more-${n}`,
    title: `More ${n}`,
    description: `More of ${n}.`,
    entries: [],
  })) as never,
})
/** A way of pages that go deeper and deeper, each linked in the text of the one before. */
const deep: SingleChange[] = ['a', 'b', 'c'].flatMap((id, at): SingleChange[] => {
  const above = ['locks', 'a', 'b'][at]!
  const page = {
    ...(clean.plan.entries.get('times') as object),
    ...{ id, title: `Deep ${id}`, description: `Deep ${id}.`, inOrder: false, entries: [] },
  }
  return [
    { kind: 'add', parent: above, place: 0, branches: [page as never] },
    body(above, `<p><a href="entry:${id}">On to ${id}</a></p>`),
  ]
})

const addressTo = (to: 'entry' | 'site-file', id: string) =>
  ({ to, id, tail: '', start: 'relative', index: 'named', isPlain: false }) as const

/** A template with a title, a heading of the page's own and the content; one page keeps something of its own. */
const templates = (override: Override, included: readonly object[] = []): SingleChange => ({
  kind: 'setSurround',
  field: 'templates',
  value: {
    templates: [
      {
        id: 'all',
        name: 'All pages',
        parts: [
          { kind: 'text', where: 'head', bits: ['<!doctype html><title>'] },
          { kind: 'title' },
          { kind: 'text', where: 'header', bits: ['</title>'] },
          { kind: 'own', where: 'header', name: 'banner', usual: [] },
          { kind: 'content' },
        ],
      },
    ],
    menus: [],
    breadcrumbs: [],
    pagers: [],
    pages: {
      times: {
        template: 'all',
        encoding: { name: 'utf-8', hasMark: false },
        overrides: [override],
        spelt: {},
      },
    },
    included: included as never,
    spelling: { start: 'relative', index: 'named', isPlain: false },
    root: '/',
    letters: 'plain',
    signs: 'plain',
    texts: {},
  },
})

/** A part in a file of its own that one page in a folder puts in; its link starts as it is said. */
const withIncluded = (start: 'relative' | 'root'): readonly SingleChange[] => [
  addFile('m', 'menu.inc'),
  templates(
    { from: 3, to: 4, bits: ['<?php include "', { ...addressTo('site-file', 'm'), to: 'included' }, '" ?>'] },
    [
      {
        file: 'm',
        content: 'k',
        from: 'home',
        encoding: { name: 'utf-8', hasMark: false },
        parts: [
          {
            kind: 'text',
            where: 'header',
            bits: ['<a href="', { ...addressTo('entry', 'visit'), start }, '">'],
          },
        ],
        overrides: [],
      },
    ],
  ),
]

const COPIED =
  '<h2>Rules</h2><p>Look first for another boat coming the other way: water is worth more than minutes.</p>' +
  '<ul><li>Open paddles half way, wait, then the rest.</li><li>Leave gates closed and paddles down, unless ' +
  'the page of the lock says otherwise.</li></ul><p>The trust’s key comes with the licence.</p>'

// Each rule with what it finds, how often, and a near case that it must not find.
const CASES: readonly (readonly [string, readonly SingleChange[], number, readonly SingleChange[]])[] = [
  [
    'file-name-style',
    [set('times', 'fileName', 'Opening Times')],
    1,
    [set('times', 'fileName', 'opening_times-2')],
  ],
  [
    'name-taken',
    [set('times', 'fileName', 'access'), set('access', 'fileName', 'ACCESS')],
    1,
    [set('times', 'fileName', 'hours')],
  ],
  ['name-taken', [set('times', 'fileName', 'con')], 1, [set('times', 'fileName', 'cons')]],
  [
    'long-address',
    [set('boating', 'fileName', 'b'.repeat(95)), set('locks', 'fileName', 'l'.repeat(95))],
    1,
    [set('locks', 'fileName', 'l'.repeat(95))],
  ],
  [
    'root-differs',
    [
      { kind: 'setSite', field: 'baseUrl', value: 'https://example.org/new/' },
      templates({
        from: 3,
        to: 4,
        bits: ['<a href="', { ...addressTo('entry', 'visit'), start: 'root' }, '">'],
      }),
    ],
    1,
    [
      { kind: 'setSite', field: 'baseUrl', value: 'https://example.org/new/' },
      templates({ from: 3, to: 4, bits: ['<a href="', addressTo('entry', 'visit'), '">"start":"root"'] }),
    ],
  ],
  ['home-name', [set('home', 'fileName', 'start')], 1, [set('home', 'fileName', 'index')]],
  [
    'pinned-hidden',
    [
      set('times', 'pin', pin),
      set('access', 'pin', pin),
      set('times', 'fileName', 'hours'),
      set('access', 'fileName', 'times'),
    ],
    1,
    [set('times', 'pin', pin), set('times', 'fileName', 'hours')],
  ],
  [
    'dead-link',
    [
      body(
        'visit',
        '<p><a href="entry:gone">x y</a> <img src="site-file:gone" alt="" width="1" height="1"></p>',
      ),
    ],
    2,
    [body('visit', '<a href="entry:times">times</a>')],
  ],
  [
    'link-to-planned',
    [set('times', 'state', 'planned'), body('visit', '<a href="entry:times">times</a>')],
    1,
    [body('visit', '<a href="entry:times">times</a>')],
  ],
  [
    'missing-heading',
    [
      body('times', '<h2 id="winter">W</h2>'),
      body('visit', '<a href="entry:times#summer">s s</a> <a href="#gone">g g</a>'),
    ],
    2,
    [
      body('times', '<h2 id="winter">W</h2>'),
      body(
        'visit',
        '<h2 id="a">A</h2><a href="entry:times#winter">s s</a> <a href="#a">to a</a> <a href="#main">top</a>',
      ),
    ],
  ],
  [
    'no-such-file',
    [body('visit', '<a href="tims.html">the times</a>')],
    1,
    [body('visit', '<a href="//example.org/x">elsewhere</a>')],
  ],
  [
    'no-such-file',
    [addFile('p', 'docs/plan.pdf'), body('visit', '<a href="docs/plans.pdf">the plan</a>')],
    1,
    [],
  ],
  [
    'no-such-file',
    [addFile('h', 'pictures/Heron 1.png'), body('visit', '<img src="../old/heron%201.png?v=2" alt="A">')],
    1,
    [],
  ],
  [
    'other-case',
    [
      addFile('p', 'docs/plan.pdf'),
      body('visit', '<a href="Visit/Times.html">a b</a> <a href="docs/Plan.pdf">c d</a>'),
    ],
    2,
    [
      addFile('p', 'docs/plan.pdf'),
      body('visit', '<a href="visit/times.html">a b</a> <a href="docs/plan.pdf">c d</a>'),
    ],
  ],
  [
    'no-such-file',
    [
      body(
        'visit',
        '<img src="data:," alt="" width="1" height="1" srcset="a.png 1x, b.png 2x"><video poster="c.png"></video>',
      ),
    ],
    3,
    [body('visit', '<img src="data:," alt="" width="1" height="1" srcset="https://example.org/a.png 1x">')],
  ],
  [
    'empty-target',
    [body('visit', '<a href="">to it</a><a href="#">to that</a>')],
    2,
    [body('visit', '<a>no link</a>')],
  ],
  [
    'host-without-scheme',
    [body('visit', '<a href="www.example.org/x">the shop</a>')],
    1,
    [body('visit', '<a href="https://www.example.org/x">the shop</a>')],
  ],
  [
    'mail-without-scheme',
    [body('visit', '<a href="a@example.org">write</a>')],
    1,
    [body('visit', '<a href="mailto:a@example.org">write</a>')],
  ],
  [
    'scheme-not-allowed',
    [body('visit', '<a href="javascript:x()">run it</a><a href="file:///c:/x">mine</a>')],
    2,
    [body('visit', '<a href="tel:+441632960143">call</a>')],
  ],
  [
    'typed-path',
    [body('visit', '<a href="visit/times.html">the times</a>')],
    1,
    [body('visit', '<a href="entry:times">the times</a>')],
  ],
  [
    'link-says-nothing',
    [body('visit', '<a href="entry:times">Click here …</a> <a href="entry:times"></a>')],
    2,
    [body('visit', '<a href="entry:times">here are the times</a>')],
  ],
  ['one-text-two-targets', [set('access', 'label', 'Times')], 1, [set('access', 'label', 'Times by car')]],
  [
    'one-target-two-texts',
    [
      {
        kind: 'addMenu',
        at: 1,
        menu: {
          id: 'p',
          kind: 'picked',
          name: 'P',
          links: [
            {
              id: 'l',
              label: 'Hours',
              target: { to: 'entry', entry: 'times', fragment: '' },
              isButton: false,
            },
          ],
        },
      },
    ],
    1,
    [
      {
        kind: 'addMenu',
        at: 1,
        menu: {
          id: 'p',
          kind: 'picked',
          name: 'P',
          links: [
            {
              id: 'l',
              label: 'Times',
              target: { to: 'entry', entry: 'times', fragment: '' },
              isButton: false,
            },
          ],
        },
      },
    ],
  ],
  [
    'orphan',
    [set('fees', 'inMenu', false), set('fees', 'inOrder', false)],
    1,
    [
      set('fees', 'inMenu', false),
      set('fees', 'inOrder', false),
      body('visit', '<a href="entry:fees">the fees</a>'),
    ],
  ],
  // The 404 page comes by itself.
  [
    'orphan',
    [set('fees', 'inMenu', false), set('fees', 'inOrder', false)],
    1,
    [
      set('fees', 'inMenu', false),
      set('fees', 'inOrder', false),
      { kind: 'setSite', field: 'notFound', value: 'fees' },
    ],
  ],
  [
    'hidden',
    [set('fees', 'inMenu', false)],
    1,
    [set('fees', 'inMenu', false), { kind: 'setSite', field: 'notFound', value: 'fees' }],
  ],
  [
    'skipped-in-order',
    [set('locks', 'inOrder', false)],
    1,
    [set('locks', 'inOrder', false), { kind: 'setSite', field: 'notFound', value: 'locks' }],
  ],
  ['far-away', deep, 1, deep.slice(0, 4)],
  [
    'hidden',
    [set('fees', 'inMenu', false)],
    1,
    [set('fees', 'inMenu', false), body('visit', '<a href="entry:fees">the fees</a>')],
  ],
  ['lone-page', [{ kind: 'remove', entries: ['access'] }], 1, []],
  [
    'skipped-in-order',
    [set('locks', 'inOrder', false)],
    1,
    [set('locks', 'inOrder', false), set('fees', 'inOrder', false)],
  ],
  ['many-items', [many(7)], 1, [many(6)]],
  [
    'long-label',
    [set('visit', 'title', 'Visiting us by boat, by train and on foot')],
    1,
    [set('times', 'title', 'Opening times of the visitor centre and the room')],
  ],
  [
    'piece',
    [addPiece({ id: 'l', kind: 'links', label: 'L', links: [] })],
    1,
    [addPiece({ id: 't', kind: 'text', text: 'x' })],
  ],
  ['same-title', [set('access', 'title', 'times')], 2, [set('access', 'title', 'Times and access')]],
  [
    'same-heading',
    [set('times', 'heading', 'Times now'), set('access', 'heading', 'Times now')],
    2,
    [set('times', 'heading', 'Times now'), set('access', 'heading', 'Access now')],
  ],
  [
    'heading-and-title',
    [set('times', 'heading', 'Getting here')],
    1,
    [set('times', 'heading', 'All opening times')],
  ],
  ['several-first', [body('times', '<h1>One</h1><h1>Two</h1>')], 1, [body('times', '<h1>One</h1>')]],
  [
    'skipped-level',
    [body('times', '<h2>One</h2><h4>Two</h4>')],
    1,
    [body('times', '<h2>One</h2><h3>Two</h3><h2>Three</h2>')],
  ],
  ['empty-heading', [body('times', '<h2> </h2>')], 1, [body('times', '<h2>x</h2>')]],
  ['no-description', [set('times', 'description', '')], 1, []],
  [
    'same-description',
    [set('times', 'description', 'Same.'), set('access', 'description', 'same.')],
    2,
    [set('times', 'description', 'Same.')],
  ],
  [
    'not-closed',
    [body('times', '<div><p>x</p>'), body('access', '<p>x</p></div>')],
    2,
    [body('times', '<ul><li>a<li>b</ul>')],
  ],
  ['markup', [body('times', '<p class="a"id="b">x</p>')], 1, [body('times', '<p class="a" id="b">x</p>')]],
  [
    'double-id',
    [body('times', '<p id="a">x</p><p id="a">y</p>')],
    1,
    [body('times', '<p id="a">x</p><p id="b">y</p>')],
  ],
  [
    'id-of-surround',
    [body('times', '<p id="main">x</p><p id="menu-1">y</p>')],
    2,
    [body('times', '<p id="main-thing">x</p>')],
  ],
  [
    'no-alternative',
    [addFile('p', 'p.svg'), body('times', '<img src="site-file:p" width="1" height="1">')],
    1,
    [
      addFile('p', 'p.svg', 'A lock'),
      body(
        'times',
        '<p><img src="site-file:p" width="1" height="1"><img src="site-file:p" alt="" width="1" height="1"></p>',
      ),
    ],
  ],
  [
    'no-size',
    [addFile('p', 'p.svg'), body('times', '<img src="site-file:p" alt="">')],
    1,
    [addFile('p', 'p.svg'), body('times', '<img src="site-file:p" alt="" width="4" height="3">')],
  ],
  [
    'left-in',
    [body('times', '<p>Lorem ipsum dolor</p>'), set('access', 'description', 'TODO')],
    2,
    [body('times', '<p>To do this, come early.</p>'), set('access', 'description', 'Today')],
  ],
  ['empty-page', [body('times', '<p> </p>')], 1, [body('times', ''), set('times', 'state', 'draft')]],
  [
    'link-without-target',
    [
      {
        kind: 'add',
        parent: 'visit',
        place: 9,
        branches: [
          { ...newLink('none', 'Shop', { to: 'address', url: '' }), entries: [] },
          { ...newLink('planned', 'Later', { to: 'entry', entry: 'fees', fragment: '' }), entries: [] },
        ],
      },
      set('fees', 'state', 'planned'),
    ],
    2,
    [
      {
        kind: 'add',
        parent: 'visit',
        place: 9,
        branches: [
          { ...newLink('there', 'Shop', { to: 'address', url: 'https://example.org/' }), entries: [] },
        ],
      },
    ],
  ],
  [
    'no-such-part',
    [body('times', '<p><put-year></put-year></p><put-menu menu="Gone"></put-menu><put-clock></put-clock>')],
    2,
    [body('times', '<p>Words.</p><put-menu menu="Main"></put-menu><put-pages></put-pages>')],
  ],
  [
    'whole-document',
    [
      body(
        'times',
        '<!doctype html><html><head><title>T</title></head><body class="x"><p>Words.</p></body></html>',
      ),
      body('access', '<p>One.</p><body><p>Two.</p>'),
    ],
    2,
    [body('times', '<p>Of &lt;body&gt;</p><!-- <body> --><pre>&lt;!doctype html></pre>')],
  ],
  [
    'repeated-text',
    [body('times', COPIED), body('access', COPIED.replace('<h2>Rules</h2>', '<h2>Our rules</h2>'))],
    1,
    [body('times', COPIED), body('access', `${COPIED}<p>${'Other words of its own. '.repeat(20)}</p>`)],
  ],
  [
    'id-of-surround',
    [
      { kind: 'setSurround', field: 'here', value: { ...piecesOf(empty.surround).here, bodyId: true } },
      body('times', '<p id="page-times">x</p>'),
    ],
    1,
    [body('times', '<p id="page-times">x</p>')],
  ],
  ['contrast', [look({ text: '#aaaaaa' })], 1, [look({ text: '#333333' })]],
  ['contrast', [look({ headerText: '#17405f' })], 1, []],
  ['same-states', [look({ visited: '#17405e' })], 1, []],
  [
    'misspelt',
    [body('times', '<p>We recieve you.</p>'), set('access', 'label', 'To recieve')],
    2,
    [body('times', '<p>We receive you; the code is <code>recieve</code>.</p>')],
  ],
  [
    'mark-in-content',
    [body('times', '<p><a href="entry:visit" aria-current="page">All of Visit</a></p>')],
    1,
    [body('times', '<p><a href="entry:visit" aria-current="false">All of Visit</a></p>')],
  ],
  [
    'mark-in-piece',
    [addPiece({ id: 'h', kind: 'html', html: '<p><a href="entry:visit" aria-current="page">Visit</a></p>' })],
    1,
    [addPiece({ id: 'h', kind: 'html', html: '<p><a href="entry:visit">Visit</a></p>' })],
  ],
  [
    'copied-surround',
    [body('times', '<nav><ul><li><a href="entry:visit">Visit</a></li></ul></nav><footer>We</footer>')],
    2,
    [body('times', '<article><header><h2>News</h2></header><footer>By us</footer></article>')],
  ],
  [
    'differs-from-template',
    [templates({ from: 0, to: 1, bits: ['<!doctype html><title>Copied'] })],
    1,
    [templates({ from: 0, to: 1, bits: ['<!DOCTYPE html><title>'], over: 'x' })],
  ],
  [
    'differs-from-template',
    [templates({ from: 1, to: 2, bits: [] })],
    1,
    [templates({ from: 3, to: 4, bits: ['<p>'] })],
  ],
  [
    'dead-link-around',
    [
      templates({
        from: 3,
        to: 4,
        bits: [
          '<a href="',
          addressTo('entry', 'gone'),
          '">',
          addressTo('site-file', 'gone'),
          addressTo('entry', 'gone'),
        ],
      }),
    ],
    2,
    [templates({ from: 3, to: 4, bits: ['<a href="', addressTo('entry', 'visit'), '">'] })],
  ],
  [
    'no-such-file-around',
    [
      templates({ from: 3, to: 4, bits: ['<a href="old.html"><img src="old.html" srcset="a.png 2x">'] }),
      addFile('p', 'docs/plan.pdf'),
    ],
    2,
    [
      addFile('p', 'docs/plan.pdf'),
      templates({
        from: 3,
        to: 4,
        bits: [
          '<a href="',
          addressTo('entry', 'visit'),
          '"><a href="/docs/plan.pdf"><a href="/sitemap.xml"><a href="#x"><a href="https://example.org/x.html">' +
            '<img srcset="',
          addressTo('site-file', 'p'),
          ' 2x"><a href="mailto:a@example.org"><p title="old.html"><a href="<?= $top ?>old.html">',
        ],
      }),
    ],
  ],
  ['included-in-other-folder', withIncluded('relative'), 1, withIncluded('root')],
  [
    'address-in-script',
    [
      addFile('p', 'docs/plan.pdf'),
      body(
        'home',
        '<select onchange="location=value"><option value="docs/plan.pdf">Plan</option></select>' +
          '<a href="javascript:open(\'Docs\\/plan.pdf?a\')">Plan</a>',
      ),
    ],
    2,
    [
      addFile('p', 'docs/plan.pdf'),
      body('home', '<script>// docs/plan.pdf\nopen("docs/plans.pdf", "/", "docs /plan.pdf")</script>'),
    ],
  ],
  [
    'address-in-script-around',
    [
      addFile('p', 'docs/plan.pdf'),
      templates({ from: 3, to: 4, bits: ['<script>', 'open("/docs/plan.pdf")</script>'] }),
    ],
    1,
    [
      addFile('p', 'docs/plan.pdf'),
      templates({ from: 3, to: 4, bits: ['<option value="plan.pdf">', '<p title="docs/plan.pdf">'] }),
    ],
  ],
  [
    'dead-address-in-script',
    [body('home', '<script>location.href = "old/times.html?a#b"</script>')],
    1,
    [
      body(
        'home',
        '<script>open("https://example.org/times.html", "mail.php", "index.html", "a b.html")</script>',
      ),
    ],
  ],
  [
    'dead-address-in-script-around',
    [addPiece({ id: 'h', kind: 'html', html: '<p onclick="go(`old.html`)">Go</p>' })],
    1,
    [addPiece({ id: 'h', kind: 'html', html: '<p onclick="go(`old${n}.html`)">old.html</p>' })],
  ],
  [
    'link-to-planned-around',
    [
      set('access', 'state', 'planned'),
      templates({ from: 3, to: 4, bits: ['<a href="', addressTo('entry', 'access'), '">'] }),
    ],
    1,
    [templates({ from: 3, to: 4, bits: ['<a href="', addressTo('entry', 'access'), '">'] })],
  ],
  [
    'own-styles',
    [
      body(
        'times',
        '<style>p { color: red }</style><link rel="stylesheet" href="https://example.org/a.css">',
      ),
    ],
    2,
    [body('times', '<p style="color: #333">x</p>')],
  ],
  [
    'head-in-content',
    [body('times', '<base href="https://example.org/"><p>x</p><title>Other</title>')],
    2,
    [
      body(
        'times',
        '<svg viewBox="0 0 1 1" width="9" height="9"><title>A dot</title></svg><p itemscope><meta itemprop="a" content="b"></p>',
      ),
    ],
  ],
  [
    'second-landmark',
    [body('times', '<main><p>x</p></main><div role="contentinfo">We</div>')],
    2,
    [body('times', '<section aria-label="More"><p>x</p></section>')],
  ],
  [
    'language-tag',
    [body('times', '<p>To <span lang="fr_CA">autre</span> <span lang="f">?</span></p>')],
    2,
    [body('times', '<p>To <span lang="fr-CA">autre</span> <span lang="">xyz</span></p>')],
  ],
  [
    'no-menu',
    [{ kind: 'removePiece', piece: 'main-menu' }],
    1,
    [{ kind: 'setSurround', field: 'headFiles', value: HEAD }],
  ],
]

test.each(CASES)('%s finds what it must, and not what is near', (rule, bad, times, near) => {
  expect(found(make(clean, ...bad), rule)).toHaveLength(times)
  expect(found(make(clean, ...near), rule)).toEqual([])
})

test('every rule has a case, a group, and a source', () => {
  expect(new Set(CASES.map(([rule]) => rule))).toEqual(new Set(RULES.map(({ id }) => id)))
  expect(new Set(RULES.map(({ group }) => group))).toEqual(new Set(GROUPS))
  for (const { source } of RULES) expect(source).toMatch(/common practice|https:|RFC \d+/)
  expect(() => ruleOf('none')).toThrow(/no rule/)
})

test.each(CASES.filter(([rule]) => rule !== 'name-taken'))(
  'a fix of %s, where there is one, leaves nothing of it',
  (rule, bad) => {
    let site = make(clean, ...bad)
    const fixOf = () => new Checker().check(site).find((one) => one.rule === rule && one.fix)?.fix
    const before = found(site, rule).length
    let fixes = 0
    for (let fix = fixOf(); fix && fixes < 5; fix = fixOf()) {
      site = applyChange(site, fix).site
      fixes++
    }
    expect(fixOf()).toBeUndefined()
    // Each takes at least its own finding away; what is left has none.
    expect(found(site, rule).length).toBeLessThanOrEqual(before - fixes)
  },
)

test('a part that a piece of own HTML has, as every page, is there for links; one that no page has is not', () => {
  const news = addPiece({ id: 'n', kind: 'html', html: '<p id="newsletter">Write to us.</p>' })
  const links = body(
    'times',
    '<a href="#newsletter">news</a> <a href="entry:visit#newsletter">there, too</a>',
  )
  expect(found(make(clean, news, links), 'missing-heading')).toEqual([])
  expect(found(make(clean, links), 'missing-heading')).toHaveLength(2)
})

test('a file that is named by its path, not its id, is found, and stops no other finding', () => {
  const typed = body('times', '<img src="site-file:lock.png" alt="x"><p><a href="#">no target</a></p>')
  const all = new Checker().check(make(clean, addFile('lock', 'lock.png'), typed)).map(({ rule }) => rule)
  expect(all).toContain('empty-target')
  expect(
    all.filter((rule) => ['dead-pointer', 'scheme-not-allowed', 'no-such-file'].includes(rule)),
  ).toHaveLength(1)
})

/** A site in which all pages have the template with a menu, and a picture of it at its top. */
const withMenu = (menu: { readonly head: Bits; readonly own?: Bits }) => {
  const change = templates({
    from: 3,
    to: 4,
    bits: [],
    ...(menu.own && { bits: menu.own, over: markOf('') }),
  })
  const { value } = change as { value: Templates }
  const spelling = { start: 'relative', index: 'named', isPlain: false } as const
  const pattern: MenuPattern = {
    ...{ id: 'menu', menu: empty.surround.menus[0]!.id, shape: 'stack', before: ['<ul>'], after: ['</ul>'] },
    ...{
      between: [],
      forms: { [formKey(1, 'plain', 'page')]: { head: menu.head, tail: '' } },
      own: {},
      spelling,
    },
  }
  const [template] = value.templates
  const parts: TemplatePart[] = [...template!.parts, { kind: 'menu', pattern: 'menu' }]
  const all = { ...value, templates: [{ ...template!, parts }], menus: [pattern] }
  return make(clean, { ...change, value: all } as SingleChange, addFile('p', 'pictures/logo.png'))
}

test('a relative path in a template is looked for from every folder, also in the pattern of its menu', () => {
  const rule = 'no-such-file-around'
  expect(found(withMenu({ head: ['<li><img src="/pictures/logo.png">'] }), rule)).toEqual([])
  expect(found(withMenu({ head: ['<li><img src="pictures/logo.png">'] }), rule)).toEqual([
    '“pictures/logo.png” not found on boating/locks.html.',
  ])
  expect(found(withMenu({ head: ['<li><img src="pictures/gone.png">'] }), rule)).toEqual([
    '“pictures/gone.png” not found.',
  ])
})

test('what a page keeps until its template changes is looked at only as long as the page shows it', () => {
  const site = withMenu({ head: [], own: ['<img src="gone.png">'] })
  expect(found(site, 'no-such-file-around')).toEqual(['“gone.png” not found.'])
  const [template] = templatesOf(site.surround)!.templates
  const parts = template!.parts.map((part) => (part.kind === 'own' ? { ...part, usual: ['<p>'] } : part))
  const surround = withTemplates(site.surround, {
    ...templatesOf(site.surround)!,
    templates: [{ ...template!, parts }],
  })
  expect(found({ ...site, surround }, 'no-such-file-around')).toEqual([])
})

test('a missing picture is the one file with its name; of two it is neither, and without a name it is none', () => {
  const fixOf = (html: string, ...paths: string[]) => {
    const site = make(clean, ...paths.map((path, at) => addFile(`f${at}`, path)), body('times', html))
    return new Checker().check(site).find(({ rule }) => rule === 'no-such-file')?.fix
  }
  const heron = '<p>A <img src="old/heron.png" alt="A heron"> here.</p>'
  expect(JSON.stringify(fixOf(heron, 'pictures/heron.png', 'pictures/gate.png'))).toContain('site-file:f0')
  expect(fixOf(heron, 'pictures/heron.png', 'downloads/heron.png')).toBeUndefined()
  expect(fixOf('<a href="old/">x</a>', 'pictures/heron.png')).toBeUndefined()
  expect(fixOf('<a href="%zz">x</a>', 'pictures/heron.png')).toBeUndefined()
})

test('a logo without a text of its own is no error, also where it stands alone', () => {
  const logo = addFile('logo', 'pictures/logo.svg')
  const shown: SingleChange = { kind: 'setSite', field: 'logo', value: { file: 'logo', alt: '' } }
  for (const name of [true, false])
    expect(
      found(
        make(clean, logo, shown, addPiece({ id: 'b', kind: 'brand', picture: true, name, tagline: false })),
        'piece',
      ),
    ).toEqual([])
})

test('places in a text say where they are', () => {
  const html = '<p>one</p>\n<p><a href="www.example.org">shop</a></p>'
  const [finding] = new Checker().check(make(clean, body('times', html)))
  const place = finding!.place as Extract<FindingPlace, { in: 'content' }>
  expect(place).toMatchObject({ in: 'content', entry: 'times', line: 2 })
  expect(html.slice(place.start, place.end)).toBe('<a href="www.example.org">')
})

test('pieces that no page shows, since the site is made of templates, are no findings', () => {
  let met = 0
  fc.assert(
    fc.property(arbitraryStart(4, arbitrarySurround), (start) => {
      const pieces = { ...start, surround: withoutTemplates(start.surround) }
      const inPieces = (site: Site) =>
        new Checker()
          .check(site, new Set(['page', 'Walks', 'there', 'Contact']))
          .filter(({ place }) => place.in === 'piece')
      met += inPieces(pieces).length
      expect(inPieces(make(pieces, templates({ from: 3, to: 4, bits: [] })))).toEqual([])
    }),
    { numRuns: 60 },
  )
  expect(met).toBeGreaterThan(0)
})

test('keys stay while what was judged stays, and differ otherwise', () => {
  const keys = (html: string) => new Checker().check(make(clean, body('times', html))).map(({ key }) => key)
  const twice = keys('<p><a href="#">to a</a><a href="#">to b</a></p>')
  expect(new Set(twice).size).toBe(2)
  expect(keys('<p>More words before.</p><p><a href="#">to a</a><a href="#">to b</a></p>')).toEqual(twice)
  expect(keys('<p><a href="www.example.org">shop</a></p>')).not.toEqual(
    keys('<p><a href="www.example.com">shop</a></p>'),
  )
})

test('after any changes, what is remembered gives the same findings as a check from the start, also where one was left', () => {
  fc.assert(
    fc.property(
      arbitraryStart(10, arbitrarySurround),
      fc.array(fc.tuple(arbitraryDraws, fc.nat(40)), { maxLength: 5 }),
      fc.constantFrom(new Set<string>(), new Set(['page', 'Walks', 'there'])),
      (start, draws, unknown) => {
        const checker = new Checker()
        checker.check(start, unknown)
        let site = start
        draws.forEach(([one, steps], at) => {
          try {
            site = applyChange(site, anyChange(site, one, at)).site
          } catch (error) {
            if (!(error instanceof ChangeRefused)) throw error
          }
          const left = checker.checkInSteps(site, unknown)
          for (let step = 0; step < steps; step++) left.next()
          expect(checker.check(site, unknown)).toEqual(new Checker().check(site, unknown))
        })
      },
    ),
    { numRuns: 60 },
  )
})

test('a check goes page by page, and its steps find together what it finds', () => {
  const worse = make(
    clean,
    set('times', 'description', ''),
    body('visit', '<p>See <a href="#">this</a>.</p>'),
  )
  const checking = new Checker().checkInSteps(worse)
  const steps: CheckStep[] = []
  let end = checking.next()
  for (; !end.done; end = checking.next()) steps.push(end.value)
  const all = end.value
  expect(steps.map(({ done }) => done)).toEqual(steps.map((_, at) => at + 1))
  expect(steps.at(-1)!.done).toBe(steps[0]!.total)
  const keys = (findings: readonly Finding[]) => findings.map(({ key }) => key).sort()
  expect(keys(steps.flatMap(({ found }) => found))).toEqual(keys(all))
  expect(all.length).toBeGreaterThan(1)
})
