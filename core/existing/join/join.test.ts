import { templatesOf } from '../../plan/surround/surround.ts'
import fc from 'fast-check'
import { createTemplateWriter } from '../../template/write.ts'
import { applyChange } from '../../plan/change/apply.ts'
import { addressesOf } from '../../address/addresses.ts'
import { siteFault } from '../../plan/siteFault.ts'
import { encodeText } from '../../standard/encoding.ts'
import { arbitraryHandSite, handFiles } from '../../testing/handMade.ts'
import { bring } from '../bring.ts'
import type { FoundFile } from '../intake/folderFiles.ts'
import { likelyFolder } from './folder.ts'
import { joinPages, readForSite } from './join.ts'
import { rippleOf } from '../../ripple/ripple.ts'
import { keepsDifference } from '../../testing/keeps.ts'
import { stored } from '../../testing/stored.ts'
import { YEAR } from '../../testing/year.ts'
import { childrenOf, entryOf } from '../../plan/plan.ts'
import { newSite, type Site, type TemplatesSite } from '../../plan/site.ts'

const JOINING = { isChosen: false, inMenu: false, inLine: false } as const

/** The bytes of all pages of a site of templates, by path. */
function pagesOf(site: Site) {
  const writer = createTemplateWriter(site as TemplatesSite)
  const { paths } = addressesOf(site)
  return new Map(
    [...site.plan.entries.values()].flatMap((entry) =>
      entry.kind === 'page'
        ? [
            [
              paths.get(entry.id)!,
              Buffer.from(encodeText(writer.page(entry.id), writer.makingOf(entry.id).encoding)).toString(
                'latin1',
              ),
            ] as const,
          ]
        : [],
    ),
  )
}

const latin1 = ({ bytes }: FoundFile) => Buffer.from(bytes).toString('latin1')

/** A hand-made site without some of its pages, and these, which come later. */
const arbitraryLater = arbitraryHandSite.chain((hand) =>
  fc.record({
    hand: fc.constant(hand),
    late: fc.subarray(
      hand.pages.slice(1).map(({ path }) => path),
      { minLength: 1 },
    ),
    joining: fc.record({ isChosen: fc.boolean(), inMenu: fc.boolean() }),
  }),
)

function joinedLater({ hand, late: paths, joining }: LaterCase) {
  const all = handFiles(hand)
  const late = all.filter(({ path }) => paths.includes(path))
  const site = stored(bring(all.filter((file) => !late.includes(file))).site)
  const read = readForSite(site, late)
  const joined = joinPages(read, { ...joining, inLine: false, parent: site.plan.home })
  return { site, late, read, joined, after: applyChange(site, joined.change).site }
}
type LaterCase = typeof arbitraryLater extends fc.Arbitrary<infer Case> ? Case : never

test('pages that come later keep every byte, stand where they say, and of those that are there only what the ripple names differs', () => {
  fc.assert(
    fc.property(arbitraryLater, (one) => {
      const { site, late, read, joined, after } = joinedLater(one)
      expect(siteFault(after)).toBeUndefined()
      expect(joined.pages.map(({ path }) => path).sort()).toEqual([...one.late].sort())
      const written = pagesOf(after)
      for (const file of late) expect(written.get(file.path)).toBe(latin1(file))
      // How most references are written is said once for the whole site.
      const { spelling, pages } = templatesOf(after.surround)!
      for (const { id } of joined.pages)
        for (const own of Object.values(pages[id]!.spelt)) expect(own).not.toEqual(spelling)
      const ripple = rippleOf(site, after, YEAR)
      const told = new Set([...ripple.pages.map((page) => page.after), ...ripple.included])
      for (const [path, text] of pagesOf(site)) if (!told.has(path)) expect(written.get(path)).toBe(text)
      // They stand where their breadcrumbs say, or where their author chose.
      const { paths } = addressesOf(after)
      for (const { path, id, parent } of joined.pages) {
        expect(after.plan.parents.get(id)).toBe(parent)
        if (one.hand.habits.breadcrumb === 'none') continue
        const meant = one.hand.pages.find((page) => page.path === path)!.parent!
        if (one.joining.isChosen && !one.late.includes(meant)) expect(parent).toBe(site.plan.home)
        else expect(paths.get(parent)).toBe(meant)
      }
      // Brought into line, nothing of them differs from their template.
      const inLine = joinPages(read, { ...one.joining, inLine: true, parent: site.plan.home })
      const lined = applyChange(site, inLine.change).site
      for (const { id } of inLine.pages) expect(keepsDifference(lined, id)).toBe(false)
      // Taken back, all is as it was.
      const { inverse } = applyChange(site, joined.change)
      expect(pagesOf(applyChange(after, inverse).site)).toEqual(pagesOf(site))
    }),
  )
})

test('a page that comes later stands between those that its previous and next links name', () => {
  fc.assert(
    fc.property(arbitraryHandSite, fc.nat(), (hand, which) => {
      fc.pre(hand.habits.breadcrumb !== 'none' && hand.habits.pager !== 'none')
      // Without its section, a page would stand elsewhere before.
      const leaves = hand.pages.filter(({ path }) => !hand.pages.some((one) => one.parent === path))
      const { path, parent } = leaves[which % leaves.length]!
      const joining = { isChosen: false, inMenu: true }
      const { after, joined } = joinedLater({ hand, late: [path], joining })
      const { paths } = addressesOf(after)
      const under = childrenOf(after.plan, joined.pages[0]!.parent).map((id) => paths.get(id))
      const meant = hand.pages.filter((page) => page.parent === parent).map((page) => page.path)
      const [here, there] = [under.indexOf(path), meant.indexOf(path)]
      // Where the way through the pages was broken without it, they may stand in another order.
      if (there > 0) expect(under[here - 1]).toBe(meant[there - 1])
      else if (meant.length > 1) expect(under[here + 1]).toBe(meant[there + 1])
    }),
  )
})

const file = (path: string, text: string): FoundFile => ({ path, bytes: new TextEncoder().encode(text) })

const PAGE = (title: string, nav: string, content: string) =>
  `<!doctype html>\n<html lang="en">\n<head>\n<title>${title} - Quarry Lane</title>\n</head>\n<body>\n<ul class="nav">${nav}</ul>\n<div id="content">\n<h1>${title}</h1>\n${content}\n</div>\n<p class="foot">Quarry Lane, open daily</p>\n</body>\n</html>\n`
const NAV = '<li><a href="index.html">Home</a></li><li><a href="hours.html">Hours</a></li>'
const SITE = [
  file('index.html', PAGE('Home', NAV, '<p>Welcome to the quarry.</p>')),
  file('hours.html', PAGE('Hours', NAV, '<p>From nine to five.</p>')),
  file('pics/stone.png', 'png'),
]

test('a page is fitted to its template though its menu is older, and its links follow', () => {
  const { site } = bring(SITE)
  const old = NAV.replace('Hours</a></li>', 'Times</a></li>')
  const late = file(
    'tools.html',
    PAGE('Tools', old, '<p><a href="hours.html">Hours</a> <img src="pics/stone.png"></p>'),
  )
  const { change, pages, passedOver } = joinPages(readForSite(site, [late, SITE[0]!]), {
    ...JOINING,
    parent: site.plan.home,
  })
  expect(passedOver.map(({ path }) => path)).toEqual(['index.html'])
  expect(pages).toEqual([
    expect.objectContaining({ path: 'tools.html', title: 'Tools', parent: site.plan.home, differences: 1 }),
  ])
  const after = applyChange(site, change).site
  expect(pagesOf(after).get('tools.html')).toBe(latin1(late))
  const entry = entryOf(after.plan, pages[0]!.id)
  expect(entry.kind === 'page' && entry.body.html).toContain('entry:hours')
  expect(entry.kind === 'page' && entry.body.html).toMatch(/src="site-file:[a-z0-9-]+"/)
})

test('into a site of pieces only content and plan come: the names stay, links between the pages follow', () => {
  const site = newSite('Quarry Lane', 'home')
  const { change, pages, contents } = joinPages(readForSite(site, SITE.slice(0, 3)), {
    ...JOINING,
    parent: 'home',
  })
  const after = applyChange(site, change).site
  expect(siteFault(after)).toBeUndefined()
  expect(pages.map(({ title, template }) => [title, template])).toEqual([
    ['Hours', undefined],
    ['Home', undefined],
  ])
  expect([...contents.values()].map(({ path }) => path)).toEqual(['pics/stone.png'])
  const hours = pages.find(({ path }) => path === 'hours.html')!
  expect(addressesOf(after).paths.get(hours.id)).toBe('hours.html')
  const entry = entryOf(after.plan, hours.id)
  expect(entry.kind === 'page' && entry.body.html.trim()).toBe('<p>From nine to five.</p>')
})

test('content that a page of pieces cannot hold is told, and the page still comes', () => {
  const site = newSite('Quarry Lane', 'home')
  const large = file('large.html', PAGE('Large', NAV, `<p>${'stone '.repeat(200_000)}</p>`))
  const { pages, passedOver } = joinPages(readForSite(site, [large, SITE[1]!]), {
    ...JOINING,
    parent: 'home',
  })
  expect(pages.map(({ title }) => title).sort()).toEqual(['Hours', 'Large'])
  expect(passedOver).toEqual([
    {
      path: 'large.html',
      reason: expect.stringMatching(/^Its content cannot be kept \(.+\): the page comes/) as string,
    },
  ])
})

test('what cannot come in is refused in words', () => {
  const { site } = bring(SITE)
  const into = (files: readonly FoundFile[]) => () => readForSite(site, files)
  expect(into([file('readme.txt', 'hello')])).toThrow('There are no pages among these files')
  expect(into([])).toThrow('There are no pages among these files')
  expect(into([SITE[0]!])).toThrow('The site already has files at the paths of all these pages')
  // By another case of its letters, too: there are systems on which both are one file.
  expect(into([file('INDEX.html', PAGE('X', NAV, 'x'))])).toThrow('The site already has files')
})

test('pages are put into the folder from which their links lead somewhere', () => {
  const { site } = bring([
    ...SITE,
    file('walks/index.html', PAGE('Walks', NAV.replaceAll('href="', 'href="../'), '<p>Two walks.</p>')),
    file('walks/ridge.html', PAGE('Ridge', NAV.replaceAll('href="', 'href="../'), '<p>Steep.</p>')),
  ])
  const late = (content: string) => [file('late.html', `<a href="index.html">Up</a>${content}`)]
  expect(likelyFolder(site, late('<a href="ridge.html">Ridge</a>'), '')).toBe('walks/')
  expect(likelyFolder(site, late('<img src="../pics/stone.png">'), '')).toBe('walks/')
  expect(likelyFolder(site, late('<a href="hours.html">Hours</a>'), 'walks/')).toBe('')
  // Nothing leads anywhere: the top.
  expect(likelyFolder(site, [file('late.html', '<p>Nothing</p>')], 'other/')).toBe('')
  expect(likelyFolder(site, [], '')).toBe('')
})

test('a page that comes alone has the name of its site in its title, but not in its own', () => {
  const site = newSite('Quarry Lane', 'home')
  const { pages } = joinPages(readForSite(site, [SITE[1]!]), { ...JOINING, parent: 'home' })
  expect(pages[0]!.title).toBe('Hours')
})
