import { piecesOf, type Pieces } from '../plan/surround/surround.ts'
import { parse, walk } from 'css-tree'
import { applyChange } from '../plan/change/apply.ts'
import type { Change, SingleChange } from '../plan/change/change.ts'
import { ChangeRefused } from '../plan/change/refused.ts'
import type { Site } from '../plan/site.ts'
import { newSite } from '../plan/site.ts'
import { createPageWriter } from '../render/pageWriter.ts'
import { outputFiles } from '../formats/archive.ts'
import { redirectsOf } from '../address/redirects.ts'
import { sitePathFault } from '../standard/sitePath.ts'
import { YEAR } from '../testing/year.ts'
import { styleReferences, withStyleReferences } from '../pointer/styleReferences.ts'
import { pathForIncoming, pathOfReplacement } from './incoming.ts'
import { filesNamedBy, followMoves } from './styleLinks.ts'
import { fileUses, removalOf } from './uses.ts'

const file = (id: string, path: string, alt = '', size = 1) => ({ id, path, content: `k${id}`, size, alt })
const add = (...files: ReturnType<typeof file>[]): Change => ({
  kind: 'batch',
  changes: files.map((one) => ({ kind: 'addFile', file: one })),
})
const withChanges = (site: Site, ...changes: Change[]) =>
  changes.reduce((now, change) => applyChange(now, change).site, site)
const body = (html: string): SingleChange => ({
  kind: 'setEntry',
  entry: 'home',
  field: 'body',
  value: { html, changed: '' },
})

const base = withChanges(
  newSite('Trust', 'home'),
  add(
    file('lock', 'pictures/lock.svg', 'A lock'),
    file('own', 'styles/own.css'),
    file('plan', 'docs/plan.pdf'),
    file('run', 'scripts/run.js'),
  ),
)
const home = (site: Site) => createPageWriter(site, YEAR).page('home')

describe('references of style sheets', () => {
  const CSS = `@import "base.css"; @import url(more.css) print;
/* url(not.css) */ a { background: url( 'a b.png' ) no-repeat, url(c\\)d.png); content: "url(no)" }
@font-face { font-family: "x.woff2"; src: local("y"), url("../fonts/x.woff2#iefix") format("woff2") }`

  // CSS Syntax Module Level 3, as another part of css-tree reads it: the tree of the parser.
  test('are those that the parser of css-tree finds, and no text that looks like one', () => {
    const found: string[] = []
    walk(parse(CSS), function (node) {
      if (node.type === 'Url') found.push(node.value)
      if (node.type === 'String' && this.atrule?.name === 'import') found.push(node.value)
    })
    expect(found).toHaveLength(5)
    expect(styleReferences(CSS).map(({ url }) => url)).toEqual(found)
  })

  test('are changed where they stand, and nothing else is', () => {
    expect(withStyleReferences(CSS, () => undefined)).toBe(CSS)
    const changed = withStyleReferences(CSS, (url) => (url === 'a b.png' ? `it's "new".png` : undefined))
    expect(styleReferences(changed).map(({ url }) => url)).toEqual([
      'base.css',
      'more.css',
      `it's "new".png`,
      'c)d.png',
      '../fonts/x.woff2#iefix',
    ])
    expect(changed.replace(/url\( '.*?png' \)/, "url( 'a b.png' )")).toBe(CSS)
  })

  test('follow a file that is renamed, and the sheet when it moves itself', () => {
    const css =
      'a{background:url(../pictures/lock.svg)} b{background:url(https://example.org/x.png)} c{mask:url(#m)}'
    expect([...filesNamedBy(base, 'styles/own.css', css)]).toEqual(['lock'])
    const renamed = followMoves(css, { from: 'styles/own.css', to: 'styles/own.css' }, (path) =>
      path === 'pictures/lock.svg' ? 'art/gate one.svg' : path,
    )
    expect(renamed).toBe(css.replace('../pictures/lock.svg', '../art/gate%20one.svg'))
    const moved = followMoves(css, { from: 'styles/own.css', to: 'own.css' }, (path) => path)
    expect(moved).toBe(css.replace('../pictures/lock.svg', 'pictures/lock.svg'))
    // Of files that come in together, only those that came are known.
    expect(followMoves(css, { from: 'own.css', to: 'styles/own.css' }, () => undefined)).toBe(css)
  })
})

describe('files that come in', () => {
  test.each([
    ['Lock One.SVG', '', 'pictures/lock-one.svg'],
    ['site.min.css', '', 'styles/site-min.css'],
    ['Theme/Images/Big Logo.png', '', 'theme/images/big-logo.png'],
    ['Map.pdf', 'walks/', 'walks/map.pdf'],
    ['../../etc/x.png', '', 'etc/x.png'],
    ['page.html', '', undefined],
    ['noending', '', undefined],
  ])('%s goes to a sound path', (path, folder, expected) => {
    expect(pathForIncoming(path, folder)).toBe(expected)
  })

  test('what replaces a file keeps its name and brings its own ending', () => {
    expect(pathOfReplacement('pictures/lock.svg', 'IMG 1.PNG')).toBe('pictures/lock.png')
  })
})

describe('a file of the site', () => {
  test('that is renamed is followed by everything that names it', () => {
    const site = withChanges(
      base,
      { kind: 'setSite', field: 'logo', value: { file: 'lock', alt: '' } },
      body('<p><img src="site-file:lock"> <a href="site-file:plan">Plan</a></p>'),
      { kind: 'setFile', file: file('lock', 'art/gate 1.svg', 'A gate') },
    )
    expect(home(site)).toContain('<img src="art/gate%201.svg" alt="A gate"> <a href="docs/plan.pdf">Plan</a>')
    expect(home(site).match(/art\/gate%201\.svg/g)).toHaveLength(2)
    expect([...outputFiles(site, YEAR)].map(({ path }) => path)).toContain('art/gate 1.svg')
  })

  test('says what is kept with it unless the place says something else', () => {
    const site = withChanges(base, body('<p><img src="site-file:lock"><img src="site-file:lock" alt=""></p>'))
    expect(home(site)).toContain(
      '<img src="pictures/lock.svg" alt="A lock"><img src="pictures/lock.svg" alt="">',
    )
  })

  test('that is gone leaves what it said, and no broken element', () => {
    const site = withChanges(
      base,
      body('<p>See <img src="site-file:lock" alt="the &amp; lock"> <a href="site-file:lock">it</a></p>'),
      { kind: 'batch', changes: removalOf(base, 'lock') },
    )
    expect(home(site)).toContain('<p>See the &amp; lock <a>it</a></p>')
  })

  test('is refused on a path that is taken, without regard to case, and past the room that there is', () => {
    expect(() => withChanges(base, add(file('x', 'Pictures/LOCK.svg')))).toThrow(ChangeRefused)
    expect(() => withChanges(base, { kind: 'setFile', file: file('run', 'styles/own.css') })).toThrow(
      /styles\/own/,
    )
    expect(() => withChanges(base, add(file('x', 'a.pdf', '', 200_000_000)))).toThrow(/200 MB/)
    expect(() => withChanges(base, { kind: 'setFile', file: file('none', 'a.pdf') })).toThrow(/no longer/)
    expect(() => withChanges(base, add(file('x', 'styles/own.css/x.css')))).toThrow(/cannot be a folder/)
    const foldered = withChanges(base, add(file('x', 'a.css/x.css')))
    expect(() => withChanges(foldered, add(file('y', 'A.css')))).toThrow(/has a folder/)
    expect(withChanges(foldered, { kind: 'setFile', file: file('x', 'a.css') }).files.get('x')?.path).toBe(
      'a.css',
    )
    expect(sitePathFault('pictures/con.svg')).toMatch(/Windows/)
  })

  test('hides no redirect behind it, and no redirect hides it', () => {
    const redirects = [{ from: 'docs/new.pdf', to: { to: 'entry' as const, entry: 'home', fragment: '' } }]
    const site = withChanges(
      base,
      { kind: 'setSite', field: 'redirects', value: redirects },
      add(file('new', 'docs/new.pdf')),
    )
    expect(redirectsOf(site)).toMatchObject([{ rests: 'file-there' }])
    const paths = [...outputFiles(site, YEAR)].map(({ path }) => path)
    expect(new Set(paths).size).toBe(paths.length)
  })
})

describe('style sheets and scripts of all pages', () => {
  const set = (value: Partial<Pieces['headFiles']>): Change => ({
    kind: 'setSurround',
    field: 'headFiles',
    value: { ...piecesOf(base.surround).headFiles, ...value },
  })

  test('stand in the author’s order after ours, with ours on or off', () => {
    const styles = [
      { from: 'elsewhere', url: 'https://example.org/a.css?b&c' },
      { from: 'site', file: 'own' },
    ] as const
    const site = withChanges(base, set({ styles: [...styles], scripts: [{ from: 'site', file: 'run' }] }))
    const named = (html: string) =>
      [...html.matchAll(/(?:stylesheet" href|script src)="([^"]*)"/g)].map(([, at]) => at)
    expect(named(home(site))).toEqual([
      'style.css',
      'https://example.org/a.css?b&amp;c',
      'styles/own.css',
      'menu.js',
      'scripts/run.js',
    ])
    const alone = withChanges(site, set({ ourStyles: false, ourScript: false, styles: [...styles] }))
    expect(named(home(alone))).toEqual(['https://example.org/a.css?b&amp;c', 'styles/own.css'])
    const written = [...outputFiles(alone, YEAR)].map(({ path }) => path)
    expect(written).not.toContain('style.css')
    expect(written).not.toContain('menu.js')
  })

  test('ours give way where the author has files of the same name', () => {
    const site = withChanges(base, add(file('s', 'STYLE.css'), file('f', 'fonts/mine.woff2')), {
      kind: 'setSurround',
      field: 'look',
      value: { ...piecesOf(base.surround).look, textFont: 'literata' },
    })
    const paths = [...outputFiles(site, YEAR)].map(({ path }) => path.toLowerCase())
    expect(paths).toContain('style-2.css')
    expect(paths).toContain('fonts-2/literata-latin-400-normal.woff2')
    expect(new Set(paths).size).toBe(paths.length)
    expect(home(site)).toContain('href="style-2.css"')
  })

  test('are files of their kind that the site has', () => {
    expect(() => withChanges(base, set({ styles: [{ from: 'site', file: 'run' }] }))).toThrow(/not a style/)
    expect(() => withChanges(base, set({ scripts: [{ from: 'site', file: 'gone' }] }))).toThrow(/no longer/)
    const used = withChanges(base, set({ styles: [{ from: 'site', file: 'own' }] }))
    expect(() => withChanges(used, { kind: 'setFile', file: file('own', 'styles/own.txt') })).toThrow(
      /in use/,
    )
    expect(() => withChanges(used, { kind: 'removeFile', file: 'own' })).toThrow(/surround/)
  })
})

test('every use of a file is found, and goes with it in one change that can be taken back', () => {
  const site = withChanges(
    base,
    { kind: 'setSite', field: 'logo', value: { file: 'lock', alt: '' } },
    { kind: 'setSite', field: 'icon', value: 'lock' },
    { kind: 'setEntry', entry: 'home', field: 'banner', value: { file: 'lock', alt: '', text: '' } },
    body('<img src="site-file:lock" alt=""><img src="site-file:lock" alt=""><a href="site-file:lock">x</a>'),
    {
      kind: 'addPiece',
      place: 'footer',
      at: 0,
      piece: { id: 'h', kind: 'html', beside: false, html: '<img src="site-file:lock" alt="">' },
    },
    {
      kind: 'addPiece',
      place: 'footer',
      at: 0,
      piece: { id: 'b', kind: 'banner', beside: false, picture: { file: 'lock', alt: '' }, text: '' },
    },
    {
      kind: 'setSurround',
      field: 'headFiles',
      value: { ...piecesOf(base.surround).headFiles, styles: [{ from: 'site', file: 'own' }] },
    },
  )
  const uses = fileUses(site, new Map([['own', new Set(['lock'])]]))
  expect(
    uses
      .get('lock')!
      .map(({ where }) => where)
      .sort(),
  ).toEqual(['banner', 'content', 'icon', 'logo', 'piece', 'piece', 'style sheet'])
  expect(uses.get('own')).toMatchObject([{ where: 'every page' }])
  expect(uses.has('plan')).toBe(false)
  for (const id of ['lock', 'own', 'plan']) {
    const { site: without, inverse } = applyChange(site, { kind: 'batch', changes: removalOf(site, id) })
    expect(without.files.has(id)).toBe(false)
    expect([...fileUses(without, new Map()).keys()]).not.toContain(id)
    expect(applyChange(without, inverse).site).toEqual(site)
  }
})
