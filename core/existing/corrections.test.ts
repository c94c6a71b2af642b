import fc from 'fast-check'
import { addressesOf } from '../address/addresses.ts'
import { arbitraryHandSite, FAULTS, handFiles, orderOf } from '../testing/handMade.ts'
import { decodePage } from '../standard/encoding.ts'
import { withIncludes } from '../template/included.ts'
import { found, written } from '../testing/written.ts'
import { ACCOUNTS, bytesByAccount } from './account.ts'
import { bring } from './bring.ts'
import type { Correction } from './corrections.ts'
import { broughtIntoLine } from './decide.ts'
import { AT, drawPage, elementsToPointAt } from './drawn.ts'
import { overviewOf } from './overview.ts'

const KINDS = ['content', 'menu', 'no-menu', 'template', 'parent'] as const

/** A correction of any kind, of any page and element, whether it makes sense or not. */
const arbitraryCorrection = fc.record({
  kind: fc.constantFrom(...KINDS),
  page: fc.nat(),
  other: fc.nat(),
  at: fc.nat(),
})
type Draw = typeof arbitraryCorrection extends fc.Arbitrary<infer Drawn> ? Drawn : never

function correctionOf(paths: readonly string[], lengths: readonly number[], draw: Draw): Correction {
  const page = draw.page % paths.length
  const path = paths[page]!
  const other = paths[draw.other % paths.length]!
  switch (draw.kind) {
    case 'template':
      return { kind: 'template', pages: [path, other] }
    case 'parent':
      return { kind: 'parent', path, parent: other }
    case 'content':
    case 'menu':
    case 'no-menu':
      return { kind: draw.kind, path, at: draw.at % lengths[page]! }
  }
}

test('whatever its author says of a folder, every byte of it comes back, and every byte is accounted for', () => {
  fc.assert(
    fc.property(
      arbitraryHandSite,
      fc.array(arbitraryCorrection, { minLength: 1, maxLength: 4 }),
      fc.constantFrom(...FAULTS),
      (hand, draws, fault) => {
        const order = orderOf(hand)
        const files = handFiles(hand, [{ path: order[1]!.path, kind: fault }])
        const pages = files.filter(({ path }) => hand.pages.some((page) => page.path === path))
        const paths = pages.map(({ path }) => path)
        const lengths = pages.map(({ bytes }) => bytes.length)
        const brought = bring(
          files,
          draws.map((draw) => correctionOf(paths, lengths, draw)),
        )
        const { site, contents } = brought
        expect(written(site, contents)).toEqual(found(files))
        const account = bytesByAccount(site)
        const sum = ACCOUNTS.reduce((all, one) => all + account[one], 0)
        expect(sum).toBe(lengths.reduce((all, length) => all + length, 0))
      },
    ),
    { numRuns: 60 },
  )
})

test('a page stands where its author puts it, unless that is under itself', () => {
  fc.assert(
    fc.property(arbitraryHandSite, fc.nat(), fc.nat(), (hand, a, b) => {
      const files = handFiles(hand)
      const [page, parent] = [hand.pages[a % hand.pages.length]!, hand.pages[b % hand.pages.length]!]
      fc.pre(page.parent !== undefined && page !== parent)
      const above = new Map(hand.pages.map(({ path, parent: up }) => [path, up]))
      const way: string[] = []
      for (let at: string | undefined = parent.path; at !== undefined; at = above.get(at)) way.push(at)
      fc.pre(!way.includes(page.path))
      const { report } = bring(files, [{ kind: 'parent', path: page.path, parent: parent.path }])
      const said = report.pages.find(({ path }) => path === page.path)!
      expect([said.parent, said.evidence]).toEqual([parent.path, 'author'])
    }),
    { numRuns: 40 },
  )
})

test('what is decided comes into line, and every other page keeps all its bytes', () => {
  fc.assert(
    fc.property(
      arbitraryHandSite,
      fc.array(fc.tuple(fc.nat(), fc.constantFrom(...FAULTS)), { minLength: 1, maxLength: 5 }),
      fc.array(fc.boolean(), { minLength: 40, maxLength: 40 }),
      (hand, plants, picks) => {
        const order = orderOf(hand)
        const faults = new Map(plants.map(([at, kind]) => [order[at % order.length]!.path, kind] as const))
        const files = handFiles(
          hand,
          [...faults].map(([path, kind]) => ({ path, kind })),
        )
        const { site, choices, contents, ids } = bring(files)
        const chosen = choices.filter((_, at) => picks[at % picks.length])
        const decided = written(broughtIntoLine(site, chosen), contents)
        const before = found(files)
        const touched = new Set(chosen.map(({ page }) => page))
        expect([...decided.keys()].sort()).toEqual([...before.keys()].sort())
        for (const [path, text] of before) {
          const id = ids.get(path)
          if (id === undefined || !touched.has(id)) expect(decided.get(path)).toBe(text)
        }
        for (const { page, would } of chosen) {
          const path = [...ids].find(([, id]) => id === page)![0]
          // Other decisions of the page leave it in place.
          if (would.trim() !== '' && /^[\x20-\x7e\s]*$/.test(would))
            expect(decided.get(path)).toContain(would)
        }
      },
    ),
    { numRuns: 60 },
  )
})

test('pages that are said to have a template of their own have one', () => {
  fc.assert(
    fc.property(arbitraryHandSite, fc.nat(), (hand, at) => {
      const { path } = hand.pages[at % hand.pages.length]!
      const { report } = bring(handFiles(hand), [{ kind: 'template', pages: [path] }])
      expect(report.templates.filter(({ pages }) => pages.includes(path)).map(({ pages }) => pages)).toEqual([
        [path],
      ])
    }),
    { numRuns: 30 },
  )
})

test('a menu that is none is no menu any more, and pointed at again it is one', () => {
  fc.assert(
    fc.property(arbitraryHandSite, (hand) => {
      fc.pre(hand.habits.shared === 'no')
      const files = handFiles(hand)
      const before = bring(files)
      const [menu] = before.report.menus
      // Where the first item of it stands on some page.
      const page = before.folder.pages[1]!
      const first = menu!.items.find(({ path }) => path !== undefined && path !== page.path)!
      const link = page.links.find(({ target }) => target.to === 'file' && target.path === first.path)!
      const at = link.element.start
      const none = bring(files, [{ kind: 'no-menu', path: page.path, at }])
      expect(none.report.menus.length).toBeLessThan(before.report.menus.length)
      const again = bring(files, [
        { kind: 'no-menu', path: page.path, at },
        { kind: 'menu', path: page.path, at },
      ])
      expect(again.report.menus.length).toBeGreaterThan(none.report.menus.length)
      expect(written(none.site, none.contents)).toEqual(found(files))
    }),
    { numRuns: 30 },
  )
})

/** A drawn page without what was put into it. */
const bare = (html: string) =>
  html.replace(/<!--piece [\w-]+-->/g, '').replaceAll(new RegExp(` ${AT}="\\d+"`, 'g'), '')

test('a page is drawn as it is, with its holes marked and every element at its place', () => {
  fc.assert(
    fc.property(arbitraryHandSite, (hand) => {
      const files = handFiles(hand)
      const brought = bring(files)
      const parts = new Map(files.map(({ path, bytes }) => [path, decodePage(bytes)?.text]))
      for (const { path, text } of brought.folder.pages) {
        const { html, holes } = drawPage(brought, path)!
        // What it puts in is seen in its place; style sheets and pictures are put in: the rest is the page.
        const seen = withIncludes(path, text, (part) => parts.get(part))
        expect(
          bare(html)
            .replace(/<style media[^]*?<\/style>/gi, '')
            .replace(/ src="data:[^"]*"/gi, ''),
        ).toBe(
          seen
            .replace(/<link [^>]*stylesheet[^>]*>/gi, '')
            .replace(/(<img) src=(?:"[^"]*"|[^\s">]*)/gi, '$1'),
        )
        expect(holes.map(({ name }) => name)).toContain('Content')
        for (const [, at, tag] of html.matchAll(new RegExp(`<([\\w]+) ${AT}="(\\d+)"`, 'g')))
          expect(text.startsWith(`<${at!}`, Number(tag))).toBe(true)
        for (const { at, name } of elementsToPointAt(brought, path))
          expect(text.slice(at + 1, at + 20).toLowerCase()).toMatch(new RegExp(`^${name.split(/[#.]/)[0]!}`))
      }
    }),
    { numRuns: 25 },
  )
})

test('what is seen of a folder names each page once, in the order of the plan, and each difference', () => {
  fc.assert(
    fc.property(arbitraryHandSite, fc.constantFrom(...FAULTS), (hand, kind) => {
      const order = orderOf(hand)
      const brought = bring(handFiles(hand, [{ path: order[1]!.path, kind }]))
      const { pages, differences, report } = overviewOf(brought)
      expect(pages.map(({ path }) => path).sort()).toEqual(
        [...addressesOf(brought.site).paths.values()].sort(),
      )
      const levels = new Map(pages.map(({ path, level }) => [path, level]))
      for (const { parent, level } of pages) expect(level).toBe(parent === null ? 0 : levels.get(parent)! + 1)
      const parentOf = new Map(pages.map(({ path, parent }) => [path, parent]))
      for (const { path, against } of pages)
        for (const { parent } of against) {
          const above: string[] = []
          for (let at = parentOf.get(path) ?? null; at !== null; at = parentOf.get(at) ?? null) above.push(at)
          expect(above).not.toContain(parent)
        }
      const listed = new Set(differences.flatMap(({ drift }) => drift.map((one) => JSON.stringify(one))))
      for (const one of report.drift) expect(listed).toContain(JSON.stringify(one))
    }),
    { numRuns: 30 },
  )
})
