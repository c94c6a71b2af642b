import { fileUses } from '../files/uses.ts'
import { outputFiles } from '../formats/archive.ts'
import { bytesOfText } from '../formats/textBytes.ts'
import { applyChange } from '../plan/change/apply.ts'
import { newPage } from '../plan/newEntry.ts'
import type { Site } from '../plan/site.ts'
import { siteFault } from '../plan/siteFault.ts'
import { encodeText } from '../standard/encoding.ts'
import { YEAR } from '../testing/year.ts'
import { broughtIntoLine } from './decide.ts'
import { bring, NothingToBring } from './bring.ts'

/** Invented pages in styles that authors write in, each taken in as a folder of its own. */

type Texts = Readonly<Record<string, string>>

const folderOf = (texts: Texts, encoding = 'utf-8', hasMark = false) =>
  Object.entries(texts).map(([path, text]) => ({
    path,
    bytes: encodeText(text, { name: encoding, hasMark }),
  }))

function pagesOf(site: Site): Record<string, Buffer> {
  return Object.fromEntries(
    [...outputFiles(site, YEAR)].flatMap((file) =>
      'text' in file ? [[file.path, Buffer.from(bytesOfText(file))]] : [],
    ),
  )
}

/** Takes a folder in, and sees that its pages come back to the byte. */
function brought(texts: Texts, encoding = 'utf-8', hasMark = false) {
  const files = folderOf(texts, encoding, hasMark)
  const { site, choices, report } = bring(files)
  const inLine = broughtIntoLine(site, choices)
  const pages = pagesOf(site)
  for (const { path, bytes } of files) if (pages[path]) expect(pages[path].equals(bytes)).toBe(true)
  const parents = Object.fromEntries(report.pages.map(({ path, parent }) => [path, parent]))
  return { site, inLine, report, parents, pages }
}

const page = (title: string, body: string, head = '') =>
  `<!doctype html>\n<html>\n<head>\n<title>${title}</title>\n${head}</head>\n<body>\n${body}\n</body>\n</html>\n`

test('a menu in a part of its own that PHP puts in, with a title set before', () => {
  const file = (title: string, text: string) =>
    `<?php $title = '${title}'; include 'inc/top.php'; ?>\n<h1>${title}</h1>\n<p>${text}</p>\n<?php include 'inc/foot.php'; ?>\n`
  const { report, site, parents } = brought({
    'index.php': file('Welcome', 'We sell cheese.'),
    'hard.php': file('Hard cheese', 'Keep it in cloth.'),
    'soft.php': file('Soft cheese', 'Eat it on the day.'),
    'inc/top.php':
      '<!doctype html>\n<title><?php echo $title ?> - Dairy</title>\n<ul class="menu"><li><a href="index.php">Start</a><li><a href="hard.php">Hard</a><li><a href="soft.php">Soft</a></ul>\n',
    'inc/foot.php': '<p>Open daily</p>\n',
  })
  expect(report.includes).toEqual(['inc/top.php', 'inc/foot.php'])
  expect(report.pages.map(({ path, title, label }) => [path, title, label])).toEqual([
    ['hard.php', 'Hard cheese', 'Hard'],
    ['index.php', 'Welcome', 'Start'],
    ['soft.php', 'Soft cheese', 'Soft'],
  ])
  expect(parents).toEqual({ 'index.php': null, 'hard.php': 'index.php', 'soft.php': 'index.php' })
  expect(report.menus[0]!.items.map(({ label }) => label)).toEqual(['Start', 'Hard', 'Soft'])
  expect([...site.files.values()].map(({ path }) => path)).toEqual(['inc/foot.php', 'inc/top.php'])
  expect(report.drift).toEqual([])
})

test('a menu in a part of its own that SSI puts in', () => {
  const file = (title: string) =>
    page(title, `<!--#include virtual="/parts/menu.html" -->\n<h1>${title}</h1>\n<p>${title} is open.</p>`)
  const { report } = brought({
    'index.shtml': file('Baths'),
    'pool.shtml': file('Pool'),
    'parts/menu.html': '<p><a href="/index.shtml">Baths</a> | <a href="/pool.shtml">Pool</a></p>',
  })
  expect(report.includes).toEqual(['parts/menu.html'])
  expect(report.menus[0]!.items.map(({ path }) => path)).toEqual(['index.shtml', 'pool.shtml'])
})

test('an edit of the plan reaches a part that pages put in, and what these name is in use', () => {
  const file = (title: string) =>
    page(
      title,
      `<!--#include virtual="/parts/menu.html" -->\n<h1>${title}</h1>\n<p>${title} is open.</p>`,
      '<link rel="stylesheet" href="/look.css">\n',
    )
  const { site } = brought({
    'index.shtml': file('Baths'),
    'pool.shtml': file('Pool'),
    'sauna.shtml': file('Sauna'),
    'look.css': 'p { color: #333 }',
    'old.css': 'p { color: #444 }',
    'parts/menu.html':
      '<p><img src="/logo.png" alt=""> <a href="/index.shtml">Baths</a> | <a href="/pool.shtml">Pool</a> | <a href="/sauna.shtml">Sauna</a></p>',
    'logo.png': 'x',
  })
  const uses = fileUses(site, new Map())
  expect([...uses.keys()].map((id) => site.files.get(id)!.path).sort()).toEqual([
    'logo.png',
    'look.css',
    'parts/menu.html',
  ])
  const { home } = site.plan
  const steam = newPage('steam', 'Steam & ice', { state: 'ready' })
  const { site: more } = applyChange(site, {
    kind: 'add',
    parent: home,
    place: 2,
    branches: [{ ...steam, entries: [] }],
  })
  expect(pagesOf(more)['parts/menu.html']!.toString()).toBe(
    '<p><img src="/logo.png" alt=""> <a href="/index.shtml">Baths</a> | <a href="/pool.shtml">Pool</a> | <a href="/sauna.shtml">Sauna</a> | <a href="/steam-ice.shtml">Steam &amp; ice</a></p>',
  )
})

test('the page known by an id of body, the mark made by the style sheet alone', () => {
  const menu =
    '<ul id="nav"><li id="n-home"><a href="index.html">Home</a></li><li id="n-boats"><a href="boats.html">Boats</a></li><li id="n-crew"><a href="crew.html">Crew</a></li></ul>'
  const file = (id: string, title: string) =>
    page(title, `${menu}\n<h1>${title}</h1>\n<p>All about ${title.toLowerCase()}.</p>`).replace(
      '<body>',
      `<body id="${id}">`,
    )
  const { report } = brought({
    'index.html': file('home', 'Rowing club'),
    'boats.html': file('boats', 'Our boats'),
    'crew.html': file('crew', 'The crew'),
    'club.css': '#home #n-home a, #boats #n-boats a, #crew #n-crew a { font-weight: bold }',
  })
  expect(report.menus[0]!.mark).toEqual({ form: 'page-name', on: 'body', value: 'id' })
  expect(report.templates[0]!.holes.map(({ kind }) => kind)).toContain('page name')
  expect(report.drift).toEqual([])
})

test('two levels, the first of which leads nowhere', () => {
  const menu = (mark: string) =>
    '<nav><ul>' +
    `<li><a href="index.html"${mark === 'index' ? ' class="on"' : ''}>Home</a></li>` +
    `<li><a href="#">Learn</a><ul><li><a href="knots.html"${mark === 'knots' ? ' class="on"' : ''}>Knots</a></li><li><a href="sails.html"${mark === 'sails' ? ' class="on"' : ''}>Sails</a></li></ul></li>` +
    `<li><a href="#">Join</a><ul><li><a href="fees.html"${mark === 'fees' ? ' class="on"' : ''}>Fees</a></li><li><a href="forms.html"${mark === 'forms' ? ' class="on"' : ''}>Forms</a></li></ul></li>` +
    '</ul></nav>'
  const { report, site } = brought(
    Object.fromEntries(
      ['index', 'knots', 'sails', 'fees', 'forms'].map((name) => [
        `${name}.html`,
        page(name, `${menu(name)}\n<h1>${name}</h1>\n<p>What we know of ${name}.</p>`),
      ]),
    ),
  )
  const groups = [...site.plan.entries.values()].filter(({ kind }) => kind === 'group')
  expect(groups.map((group) => ('label' in group ? group.label : ''))).toEqual(['Learn', 'Join'])
  expect(report.menus[0]!.items.map(({ label, level }) => `${level} ${label}`)).toEqual([
    '1 Home',
    '1 Learn',
    '2 Knots',
    '2 Sails',
    '1 Join',
    '2 Fees',
    '2 Forms',
  ])
  expect(report.menus[0]!.mark).toEqual({ form: 'class', on: 'a', value: 'on' })
  expect(report.drift).toEqual([])
})

test('links from the root of the host and with the published address, which the canonical address tells', () => {
  const site = 'https://www.example.org/club/'
  const file = (path: string, title: string) =>
    page(
      title,
      `<p><a href="/club/">Home</a> | <a href="/club/rules.html">Rules</a> | <a href="${site}dates/">Dates</a></p>\n<h1>${title}</h1><p>About ${title}.</p>`,
      `<link rel="canonical" href="${site}${path.replace('index.html', '')}">\n`,
    )
  const { site: taken, report } = brought({
    'index.html': file('index.html', 'Club'),
    'rules.html': file('rules.html', 'Rules'),
    'dates/index.html': file('dates/index.html', 'Dates'),
  })
  expect(taken.settings.baseUrl).toBe(site)
  expect(report.menus[0]!.items.map(({ path }) => path)).toEqual([
    'index.html',
    'rules.html',
    'dates/index.html',
  ])
  expect(report.drift).toEqual([])
})

test('a link that differs by case, one to a page that is gone', () => {
  const { report } = brought({
    'index.html': page('Home', '<h1>Home</h1><p>See <a href="Rules.html">rules</a> of all sorts.</p>'),
    'rules.html': page('Rules', '<h1>Rules</h1><p>None, since <a href="old.html">the old ones</a> went.</p>'),
  })
  expect(report.drift.map(({ path, part, says, expected }) => [path, part, says, expected])).toEqual([
    ['index.html', 'links', 'Rules.html', 'rules.html'],
    ['rules.html', 'links', 'old.html', ''],
  ])
})

test('heads that say prev, next and up, a folder for each page', () => {
  const names = ['', 'start/', 'start/tools/', 'start/wood/', 'finish/']
  const ups = ['', '', 'start/', 'start/', '']
  const { report, parents } = brought(
    Object.fromEntries(
      names.map((name, at) => {
        const back = '../'.repeat(name.split('/').length - 1)
        const link = (rel: string, to: string | undefined) =>
          to === undefined ? '' : `<link rel="${rel}" href="${back}${to}index.html">\n`
        const head =
          link('up', at > 0 ? ups[at] : undefined) + link('prev', names[at - 1]) + link('next', names[at + 1])
        return [
          `${name}index.html`,
          page(`Part ${at}`, `<h1>Part ${at}</h1><p>Text of part ${at}.</p>`, head),
        ]
      }),
    ),
  )
  expect(report.order).toEqual(names.map((name) => `${name}index.html`))
  expect(parents['start/wood/index.html']).toBe('start/index.html')
  expect(report.pages.find(({ path }) => path === 'start/wood/index.html')!.evidence).toBe('head')
})

test('a side column on some pages, another picture in the header of each', () => {
  const names = ['index', 'apples', 'pears', 'plums', 'figs', 'quinces']
  const { report } = brought(
    Object.fromEntries(
      names.map((name, at) => [
        `${name}.html`,
        page(
          name,
          `<div class="top"><img src="${name}.jpg" alt="A basket of ${name}"></div>\n<p class="nav">${names.map((one) => `<a href="${one}.html">${one}</a>`).join(' ')}</p>\n` +
            `<div class="text"><h1>${name}</h1>\n<p>How ${name} grow.</p></div>\n${at % 2 ? '<div class="side"><p>Ripe in autumn</p></div>\n' : ''}<p class="foot">Orchard</p>`,
        ),
      ]),
    ),
  )
  expect(report.templates[0]!.holes.map(({ kind }) => kind)).toContain('banner')
  expect(report.drift).toEqual([])
})

test.each([
  ['utf-8', true],
  ['windows-1252', false],
  ['utf-16le', true],
] as const)('pages in %s, with a byte order mark: %s', (encoding, hasMark) => {
  const charset = encoding === 'windows-1252' ? '<meta charset="iso-8859-1">\n' : ''
  const file = (title: string) =>
    page(
      title,
      `<p><a href="index.html">Café</a> | <a href="menü.html">Menü</a></p>\n<h1>${title}</h1>`,
      charset,
    )
  const { report } = brought({ 'index.html': file('Café'), 'menü.html': file('Menü €5') }, encoding, hasMark)
  expect(report.pages.map(({ title }) => title).sort()).toEqual(['Café', 'Menü €5'])
})

test('XHTML with a declaration, frames, a page without any head', () => {
  const { report } = brought({
    'index.html':
      '<?xml version="1.0" encoding="UTF-8"?>\n<!DOCTYPE html PUBLIC "-//W3C//DTD XHTML 1.0 Frameset//EN" "x.dtd">\n<html xmlns="http://www.w3.org/1999/xhtml"><head><title>Frames</title></head><frameset cols="20%,80%"><frame src="menu.html" /><frame src="main.html" /></frameset></html>',
    'menu.html': '<a href="main.html" target="main">Main</a><br><a href="other.html" target="main">Other</a>',
    'main.html': 'Just a text, <b>without</b> any head',
    'other.html': '<p>Another',
  })
  expect(report.pages).toHaveLength(4)
})

test('a page that is binary, too large, or nested too deep is kept as it is, and said; the rest is taken', () => {
  const files = [
    ...folderOf({ 'index.html': page('Home', '<h1>Home</h1>'), 'deep.html': '<div>'.repeat(50_000) }),
    { path: 'noise.html', bytes: new Uint8Array([0, 1, 2, 0, 255, 0]) },
    { path: 'huge.html', bytes: new Uint8Array(20_000_000).fill(0x61) },
  ]
  const { report, contents } = bring(files)
  expect(report.pages.map(({ path }) => path)).toEqual(['index.html'])
  expect(report.leftover.map(({ path }) => path).sort()).toEqual(['deep.html', 'huge.html', 'noise.html'])
  expect(contents.size).toBe(3)
})

test('a folder without pages is told', () => {
  expect(() => bring(folderOf({ 'a.txt': 'x' }))).toThrow(NothingToBring)
})

test('pages that have nothing in common, one that is empty, and one that is cut off', () => {
  brought({
    'index.html': '<h1>One</h1><p>First',
    'b.html': '<table><tr><td>Second',
    'c.html': '',
    'd.html': page('D', '<h1>Fourth</h1>').slice(0, 60),
    'e.html': '<!doctype html><titl',
  })
})

test('two paths that differ only by case are kept as they are, and said', () => {
  const { report, site } = brought({
    'index.html': page('Home', '<h1>Home</h1><a href="About.html">A</a>'),
    'About.html': page('About', '<h1>About</h1>'),
    'about.html': page('about', '<h1>about</h1>'),
  })
  expect(report.leftover.map(({ path }) => path)).toEqual(['About.html', 'about.html'])
  expect(siteFault(site)).toBeUndefined()
})
