import fc from 'fast-check'
import { relativeHref, folderOf } from '../address/relative.ts'
import { encodeText } from '../standard/encoding.ts'

/**
 * Hand-made sites, as authors copy them from page to page: written by a small program that shares nothing with what reads
 * them, in many habits of markup, with faults of copying planted where they are asked for.
 */

export interface HandPage {
  readonly path: string
  readonly title: string
  readonly label: string
  /** The path of the page above; undefined for the home page. */
  readonly parent: string | undefined
  readonly content: string
}

export const MENU_FORMS = ['list', 'line', 'bare line', 'table', 'divs'] as const
/** Whether menu and footer stand in files of their own, what puts them in, and from where their names start. */
export const SHARED_FORMS = ['php', 'php folder', 'php root', 'php whole', 'ssi', 'ssi root'] as const
export const MARK_FORMS = ['class on li', 'class on a', 'text', 'strong', 'aria-current', 'none'] as const

/** Names of pictures: tidy ones, and as cameras and people make them. */
const LOGOS = ['pictures/logo.png', 'pictures/logo@2x.png', "pictures/Logo (neu), Mill's & alt.png"] as const

/** How the picture at the top is named, alone or with more. */
export const PICTURE_FORMS = ['src', 'srcset', 'style', 'quoted style', 'style element', 'form'] as const

/** An author's habits. */
export interface Habits {
  readonly menu: (typeof MENU_FORMS)[number]
  readonly mark: (typeof MARK_FORMS)[number]
  /** Whether the pages of sections stand under them in the menu. */
  readonly nested: boolean
  readonly breadcrumb: 'none' | 'list' | 'line'
  readonly pager: 'none' | 'words' | 'titles'
  readonly headLinks: boolean
  readonly title: 'after' | 'before' | 'alone'
  readonly capitals: boolean
  readonly crlf: boolean
  readonly encoding: 'utf-8' | 'windows-1252'
  readonly dot: boolean
  readonly menuTwice: boolean
  /** Whether words stand before the links of a menu that is a line. */
  readonly lead: boolean
  /** How letters beyond ASCII, and signs that HTML uses itself, stand in names of pages. */
  readonly letters: 'plain' | 'named' | 'decimal' | 'bare'
  /** What stands at the foot: words alone, words before links, or a day of its own on every page before them. */
  readonly foot: 'words' | 'links' | 'dated links'
  readonly shared: 'no' | (typeof SHARED_FORMS)[number]
  readonly picture: (typeof PICTURE_FORMS)[number]
  readonly logo: (typeof LOGOS)[number]
}

/** The files of what all pages share. */
const MENU_FILE = { php: 'parts/menu.php', ssi: 'parts/menu.html' }
const FOOT_FILE = { php: 'parts/foot.inc', ssi: 'parts/foot.html' }

export const FAULTS = [
  'missing item',
  'order',
  'dead link',
  'mark',
  'no footer',
  'old footer',
  'no styles',
  'title',
  'breadcrumb',
  'next',
] as const
export type FaultKind = (typeof FAULTS)[number]

/** A fault of copying on one page. */
export interface Planted {
  readonly path: string
  readonly kind: FaultKind
}

/** The parts that a report may name a planted fault by. */
export const PART_OF: Readonly<Record<FaultKind, string>> = {
  'missing item': 'menu',
  order: 'menu',
  'dead link': 'menu',
  mark: 'mark',
  'no footer': 'footer',
  'old footer': 'footer',
  'no styles': 'styles',
  title: 'title',
  breadcrumb: 'breadcrumb',
  next: 'pager',
}

export interface HandSite {
  readonly pages: readonly HandPage[]
  readonly habits: Habits
}

const SITE = 'Mill Lane Gardens'

const childrenOf = ({ pages }: HandSite, path: string) => pages.filter(({ parent }) => parent === path)
const homeOf = ({ pages }: HandSite) => pages.find(({ parent }) => parent === undefined)!

/** The pages in the order to read them. */
export function orderOf(site: HandSite): readonly HandPage[] {
  const visit = (page: HandPage): HandPage[] => [page, ...childrenOf(site, page.path).flatMap(visit)]
  return visit(homeOf(site))
}

function wayTo({ pages }: HandSite, page: HandPage): HandPage[] {
  const way = [page]
  while (way[0]!.parent !== undefined) way.unshift(pages.find(({ path }) => path === way[0]!.parent)!)
  return way
}

const LETTERS = { é: 'eacute', ö: 'ouml', â: 'acirc', ß: 'szlig' } as const

/** A text between tags. */
function written(words: string, letters: Habits['letters']): string {
  const escaped = words.replaceAll('&', '&amp;').replaceAll('<', '&lt;')
  switch (letters) {
    case 'plain':
      return escaped
    case 'named':
      return escaped.replace(/[éöâß]/g, (letter) => `&${LETTERS[letter as keyof typeof LETTERS]};`)
    case 'decimal':
      return escaped.replace(/[éöâß]/g, (letter) => `&#${letter.charCodeAt(0)};`)
    case 'bare':
      // One that its author did not think of, in all places.
      return escaped.replace('Herbs &amp; spices', 'Herbs & spices')
  }
}

/** A day of its own for every page: its content says which of them it was at first. */
const dayOf = ({ content }: HandPage) => Number(/\((\d+)\)/.exec(content)?.[1] ?? 27) + 1

/** A page as its author wrote it. */
export const writeHandPage = (site: HandSite, page: HandPage, planted: readonly Planted[] = []): string =>
  handTexts(site, page, planted).page

const isInFolders = ({ pages }: HandSite) => pages.some(({ path }) => path.includes('/'))

/** A page, and the menu and the footer that it shares with all others where its author has them so. */
function handTexts(
  site: HandSite,
  page: HandPage,
  planted: readonly Planted[],
): { page: string; menu: string; foot: string } {
  const { habits } = site
  const text = (words: string) => written(words, habits.letters)
  const isShared = habits.shared !== 'no'
  const shownAs = { at: 'page' as 'page' | 'part' }
  const has = (kind: FaultKind) => planted.some((one) => one.path === page.path && one.kind === kind)
  const caps = habits.capitals
  const t = (tag: string) => (caps ? tag.toUpperCase() : tag)
  const attr = (name: string, value: string) =>
    caps && /^[\w./-]+$/.test(value) ? `${name.toUpperCase()}=${value}` : `${name}="${value}"`
  // What pages of several folders share can only start from the root.
  const from = (path: string) =>
    shownAs.at === 'part' && isInFolders(site) ? `/${path}` : relativeHref(folderOf(page.path), path)
  const href = (path: string) =>
    attr('href', habits.dot && !/^(?:\.\.)?\//.test(from(path)) ? `./${from(path)}` : from(path))
  const a = (path: string, label: string, more = '') => `<${t('a')} ${href(path)}${more}>${label}</${t('a')}>`
  const home = homeOf(site)
  const order = orderOf(site)
  const at = order.indexOf(page)

  // The menu: the home page and the sections, with their pages under them where the author has it so.
  const sections = childrenOf(site, home.path)
  const marked = has('mark') ? sections.find((one) => one !== page) : page
  const item = (of: HandPage, label = text(of.label)): { html: string; attributes: string } => {
    const to =
      has('dead link') && of === sections.findLast((one) => one !== page) ? { ...of, path: 'gone.html' } : of
    if (of !== marked || isShared) return { html: a(to.path, label), attributes: '' }
    switch (habits.mark) {
      case 'class on li':
        return { html: a(to.path, label), attributes: ` ${attr('class', 'current')}` }
      case 'class on a':
        return { html: a(to.path, label, ` ${attr('class', 'here')}`), attributes: '' }
      case 'text':
        return { html: `<${t('b')}>${label}</${t('b')}>`, attributes: '' }
      case 'strong':
        return { html: `<${t('strong')}>${a(to.path, label)}</${t('strong')}>`, attributes: '' }
      case 'aria-current':
        return { html: a(to.path, label, ' aria-current="page"'), attributes: '' }
      case 'none':
        return { html: a(to.path, label), attributes: '' }
    }
  }
  let first = [home, ...sections]
  if (has('missing item')) first = first.filter((one, n) => n !== first.length - 1 || one === page)
  if (has('missing item') && first.length === sections.length + 1) first = first.filter((_, n) => n !== 1)
  if (has('order')) first = [first[0]!, ...first.slice(1).reverse()]
  const menu = (name: string): string => {
    switch (habits.menu) {
      case 'list': {
        const lines = (of: HandPage, indent: string): string => {
          const { html, attributes } = item(of)
          const under = habits.nested && of !== home ? childrenOf(site, of.path) : []
          const list =
            under.length === 0
              ? ''
              : `\n${indent}  <${t('ul')}>\n${under.map((one) => lines(one, `${indent}    `)).join('\n')}\n${indent}  </${t('ul')}>\n${indent}`
          return `${indent}<${t('li')}${attributes}>${html}${list}</${t('li')}>`
        }
        return `<${t('ul')} ${attr('class', name)}>\n${first.map((one) => lines(one, '  ')).join('\n')}\n</${t('ul')}>`
      }
      case 'line':
        return `<${t('p')} ${attr('class', name)}>${habits.lead ? 'In the garden: ' : ''}${first.map((one) => item(one).html).join(' | ')}</${t('p')}>`
      case 'bare line':
        return `<${t('div')} ${attr('class', name)}>\n${first.map((one) => item(one).html).join('\n')}\n</${t('div')}>`
      case 'table':
        return `<${t('table')} ${attr('class', name)}><${t('tr')}>\n${first
          .map((one) => {
            const { html, attributes } = item(one)
            return `<${t('td')}${attributes}>${html}</${t('td')}>`
          })
          .join('\n')}\n</${t('tr')}></${t('table')}>`
      case 'divs':
        return `<${t('div')} ${attr('class', name)}>\n${first
          .map((one) => {
            const { html, attributes } = item(one)
            const classes = attributes === '' ? ` ${attr('class', 'item')}` : ` class="item current"`
            return `<${t('div')}${classes}>${html}</${t('div')}>`
          })
          .join('\n')}\n</${t('div')}>`
    }
  }
  const way = has('breadcrumb') ? wrongWay(site, page) : wayTo(site, page)
  const crumbs = (): string => {
    if (habits.breadcrumb === 'none' || way.length < 2) return ''
    const links = way.slice(0, -1).map((one) => a(one.path, text(one.label)))
    return habits.breadcrumb === 'list'
      ? `<${t('ol')} ${attr('class', 'breadcrumb')}>${links.map((one) => `<${t('li')}>${one}</${t('li')}>`).join('')}<${t('li')}>${text(page.label)}</${t('li')}></${t('ol')}>\n`
      : `<${t('div')} ${attr('class', 'trail')}>${[...links, text(page.label)].join(' &raquo; ')}</${t('div')}>\n`
  }
  const previous = order[at - 1]
  const next = has('next') ? order[at + 2] : order[at + 1]
  const pager = (): string => {
    if (habits.pager === 'none') return ''
    const parts = [
      previous
        ? a(previous.path, habits.pager === 'words' ? 'Previous' : `&larr; ${text(previous.label)}`)
        : '',
      next ? a(next.path, habits.pager === 'words' ? 'Next' : `${text(next.label)} &rarr;`) : '',
    ].filter((one) => one !== '')
    return `<${t('p')} ${attr('class', 'pager')}>${parts.join(' ')}</${t('p')}>\n`
  }
  const titled = has('title') ? order[at === 1 ? 2 : 1]! : page
  const title = {
    after: `${text(titled.title)} | ${SITE}`,
    before: `${SITE}: ${text(titled.title)}`,
    alone: text(titled.title),
  }[habits.title]
  const headLinks = habits.headLinks
    ? (previous ? `<${t('link')} ${attr('rel', 'prev')} ${href(previous.path)}>\n` : '') +
      (order[at + 1] ? `<${t('link')} ${attr('rel', 'next')} ${href(order[at + 1]!.path)}>\n` : '')
    : ''
  const styles = () =>
    has('no styles') ? '' : `<${t('link')} ${attr('rel', 'stylesheet')} ${href('style.css')}>\n`
  const year = has('old footer') ? '2011' : '2024'
  const inFoot = (): string => {
    const links = () =>
      `${a(home.path, 'Start')} | <${t('a')} href="mailto:gardens@example.org">Write to us</${t('a')}>`
    switch (habits.foot) {
      case 'words':
        return `&copy; ${year} ${SITE}. Open every day but Monday.`
      case 'links':
        return `&copy; ${year} ${SITE} | ${links()} | Open every day but Monday.`
      case 'dated links':
        return `Last changed: ${dayOf(page)} May 2024 | ${links()}`
    }
  }
  const footer = () =>
    has('no footer')
      ? ''
      : `<${t('div')} ${attr('class', 'footer')}>\n<${t('p')}>${inFoot()}</${t('p')}>\n</${t('div')}>\n`
  const charset = habits.encoding === 'utf-8' ? 'utf-8' : 'iso-8859-1'
  const picture = (): { attributes: string; inside: string } => {
    const encoded = from(habits.logo)
    const at = encoded.replace(/['()]/g, (sign) => `%${sign.charCodeAt(0).toString(16).toUpperCase()}`)
    // Most people leave what can stay in a path.
    const img = `<${t('img')} ${attr(
      'src',
      encoded.replace(/%(?:40|2C|26)/g, (code) => decodeURIComponent(code).replace('&', '&amp;')),
    )}`
    switch (habits.picture) {
      case 'src':
        return { attributes: '', inside: `${img} ${attr('alt', SITE)}>` }
      case 'srcset':
        return { attributes: '', inside: `${img} srcset="${at} 1x, ${at}?big 2x" ${attr('alt', SITE)}>` }
      case 'style':
        return { attributes: ` style='background: url( ${at} ) no-repeat'`, inside: SITE }
      case 'quoted style':
        return { attributes: ` style="background: url(&quot;${at}&quot;), #eee"`, inside: SITE }
      case 'style element':
        return {
          attributes: '',
          inside: `<style>\n@import "${from('style.css')}";\n.header { background: url('${at}') }\n</style>`,
        }
      case 'form':
        return {
          attributes: '',
          inside: `<${t('form')} ${attr('action', from(home.path))}><input type="image" formaction='${from(home.path)}#top' ${attr('src', at)} ${attr('alt', SITE)}></${t('form')}>`,
        }
    }
  }
  const head = () => {
    const { attributes, inside } = picture()
    return `<${t('div')} ${attr('class', 'header')}${attributes}>\n${inside}\n</${t('div')}>\n`
  }
  shownAs.at = isShared ? 'part' : 'page'
  const menus = [menu('menu'), habits.menuTwice && !isShared ? `${menu('menu below')}\n` : '']
  const foot = footer()
  shownAs.at = 'page'
  // All that is above the content, with the title that its page says before.
  const isWhole = habits.shared === 'php whole'
  const inQuotes = titled.title.replaceAll('\\', '\\\\').replaceAll("'", "\\'")
  const begins = `<?php\n$title = '${inQuotes}';\nrequire '${relativeHref(folderOf(page.path), MENU_FILE.php)}';\n?>`
  const put = (file: { php: string; ssi: string }): string => {
    switch (habits.shared) {
      case 'php':
        return `<?php include '${from(file.php)}'; ?>`
      case 'php folder':
        return `<?php require_once(__DIR__ . "/${from(file.php)}") ?>`
      case 'php root':
        return `<?php include($_SERVER['DOCUMENT_ROOT'] . '/${file.php}'); ?>`
      case 'ssi':
        return `<!--#include virtual="${from(file.ssi)}" -->`
      case 'ssi root':
        return `<!--#include virtual="/${file.ssi}" -->`
      case 'php whole':
        return file === MENU_FILE ? begins : `<?php include '${from(file.php)}' ?>`
      case 'no':
        return ''
    }
  }
  const top = (said: string) =>
    `<!DOCTYPE html>\n<${t('html')}>\n<${t('head')}>\n<${t('meta')} charset="${charset}">\n<${t('title')}>${said}</${t('title')}>\n` +
    `${styles()}${headLinks}</${t('head')}>\n<${t('body')}>\n${head()}`
  shownAs.at = 'part'
  const whole = `${top(`<?php echo $title; ?> | ${SITE}`)}${menus[0]}\n`
  shownAs.at = 'page'
  const end = `</${t('body')}>\n</${t('html')}>\n`
  const html =
    `${isWhole ? '' : top(title)}${isShared ? put(MENU_FILE) : menus[0]}\n${crumbs()}<${t('div')} ${attr('class', 'text')}>\n<${t('h1')}>${text(page.title)}</${t('h1')}>\n${page.content}\n</${t('div')}>\n` +
    `${pager()}${menus[1]}${isShared ? `${put(FOOT_FILE)}\n` : foot}${isWhole ? '' : end}`
  const ended = (one: string) => (habits.crlf ? one.replaceAll('\n', '\r\n') : one)
  return {
    page: ended(html),
    menu: ended(isWhole ? whole : `${menus[0]}\n`),
    foot: ended(isWhole ? foot + end : foot),
  }
}

/** The way to a page in another section than its own. */
function wrongWay(site: HandSite, page: HandPage): HandPage[] {
  const home = homeOf(site)
  const own = wayTo(site, page)
  const other = childrenOf(site, home.path).find((one) => one !== own[1] && one !== page)!
  return [home, other, page]
}

/** The files of a hand-made site. */
export function handFiles(
  site: HandSite,
  planted: readonly Planted[] = [],
): { path: string; bytes: Uint8Array }[] {
  const { encoding, shared } = site.habits
  const file = (path: string, words: string) => ({
    path,
    bytes: encodeText(words, { name: encoding, hasMark: false }),
  })
  const { menu, foot } = handTexts(site, homeOf(site), planted)
  const by = shared.startsWith('php') ? 'php' : 'ssi'
  return [
    ...site.pages.map((page) => file(page.path, writeHandPage(site, page, planted))),
    ...(shared === 'no' ? [] : [file(MENU_FILE[by], menu), file(FOOT_FILE[by], foot)]),
    { path: 'style.css', bytes: new TextEncoder().encode('body { color: #333 }\n') },
    { path: site.habits.logo, bytes: new Uint8Array([0x89, 0x50, 0x4e, 0x47, 0, 1, 2, 255]) },
  ]
}

const SECTIONS = ['Roses', 'Herbs & spices', 'Trees', 'Ponds', 'Café'] as const
const PLANTS = [
  'Dawn chorus',
  // What every object of the language has of itself.
  'constructor',
  'Lemon thyme',
  'Sweet rocket',
  'River birch',
  'Wild service',
  'Lilies',
  'Größe',
  'Sour dough',
  'Ginger tea',
  'Apple wall',
  'Bee bank',
  'Winter jasmine',
  'Moss path',
  'Fern gully',
  'Quince pâté',
]
const SENTENCES = [
  'The frost came late, and the blossom kept.',
  'Bring gloves: the hedge bites.',
  'It grew from a cutting that nobody labelled.',
  'Water it twice in August and never in May.',
  'Children may feed the ducks with peas, not bread.',
  'The wall holds the heat until long after dark.',
]

const nameOf = (label: string) =>
  label
    .toLowerCase()
    .normalize('NFD')
    .replace(/[^a-z]+/g, '-')

/** How the files of a site are laid out. */
type FolderForm = 'flat' | 'carried' | 'folders'

const habits: fc.Arbitrary<Habits> = fc
  .record({
    menu: fc.constantFrom(...MENU_FORMS),
    mark: fc.constantFrom(...MARK_FORMS),
    nested: fc.boolean(),
    breadcrumb: fc.constantFrom('none', 'list', 'line'),
    pager: fc.constantFrom('none', 'words', 'titles'),
    headLinks: fc.boolean(),
    title: fc.constantFrom('after', 'before', 'alone'),
    capitals: fc.boolean(),
    crlf: fc.boolean(),
    encoding: fc.constantFrom('utf-8', 'windows-1252'),
    dot: fc.boolean(),
    menuTwice: fc.boolean(),
    lead: fc.boolean(),
    letters: fc.constantFrom('plain', 'named', 'decimal', 'bare'),
    foot: fc.constantFrom('words', 'links', 'dated links'),
    shared: fc.oneof(
      { weight: 3, arbitrary: fc.constant('no') },
      { weight: 1, arbitrary: fc.constantFrom(...SHARED_FORMS) },
    ),
    logo: fc.constantFrom(...LOGOS),
    picture: fc.oneof(fc.constant('src'), fc.constantFrom(...PICTURE_FORMS)),
  })
  .map((all) => ({
    ...all,
    menuTwice: all.menuTwice && all.shared === 'no',
    // What all pages share has no day of one of them.
    foot: all.foot === 'dated links' && all.shared !== 'no' ? 'links' : all.foot,
    headLinks: all.headLinks && all.shared !== 'php whole',
    nested: all.nested && all.menu === 'list',
    // Only some elements have room for the mark.
    mark:
      all.shared !== 'no'
        ? 'none'
        : all.mark === 'class on li' && (all.menu === 'line' || all.menu === 'bare line')
          ? 'class on a'
          : all.mark,
  })) as fc.Arbitrary<Habits>

/** A hand-made site of six to seventeen pages whose evidence tells where each stands. */
export const arbitraryHandSite: fc.Arbitrary<HandSite> = fc
  .record({
    habits,
    sections: fc.integer({ min: 2, max: SECTIONS.length }),
    under: fc.array(fc.integer({ min: 1, max: 3 }), { minLength: 5, maxLength: 5 }),
    folders: fc.constantFrom<FolderForm>('flat', 'carried', 'folders'),
    words: fc.array(fc.array(fc.constantFrom(...SENTENCES), { minLength: 2, maxLength: 7 }), {
      minLength: 20,
      maxLength: 20,
    }),
    extension: fc.constantFrom('.html', '.htm'),
  })
  .map(({ habits: own, sections, under, folders, words, extension: plain }) => {
    const extension = own.shared === 'no' ? plain : own.shared.startsWith('php') ? '.php' : '.shtml'
    const pages: HandPage[] = []
    // One page has an element that is called as what every object of the language has of itself.
    const line = (text: string, n: number) =>
      n === 3 ? `<p><constructor>${text}</constructor></p>` : `<p>${text}</p>`
    const content = (n: number) =>
      words[n % words.length]!.map((sentence, at) =>
        at % 3 === 2 ? `<ul>\n<li>${sentence} (${n})\n</ul>` : line(`${sentence} (${n})`, n),
      ).join('\n')
    const home = `index${extension}`
    pages.push({
      path: home,
      title: 'Welcome to the gardens',
      label: 'Home',
      parent: undefined,
      content: content(0),
    })
    let plant = 0
    // Where nothing else tells, names or folders must.
    const form = folders === 'flat' && own.breadcrumb === 'none' && !own.nested ? 'carried' : folders
    for (const section of SECTIONS.slice(0, sections)) {
      const name = nameOf(section)
      const path = form === 'folders' ? `${name}/index${extension}` : `${name}${extension}`
      pages.push({
        path,
        title: `${section} of the garden`,
        label: section,
        parent: home,
        content: content(pages.length),
      })
      for (let n = 0; n < under[pages.length % 5]!; n++) {
        const label = PLANTS[plant++ % PLANTS.length]!
        const file = { flat: '', carried: `${name}-`, folders: `${name}/` }[form] + nameOf(label) + extension
        if (pages.some((page) => page.path === file)) continue
        pages.push({
          path: file,
          title: `About ${label.toLowerCase()}`,
          label,
          parent: path,
          content: content(pages.length),
        })
      }
    }
    return { pages, habits: own }
  })
