import fc from 'fast-check'
import { applySoundly } from '../plan/change/sound.ts'
import type { Site } from '../plan/site.ts'
import { addressesOf } from '../address/addresses.ts'
import { bring } from '../existing/bring.ts'
import { rippleOf } from '../ripple/ripple.ts'
import { arbitraryHandSite, FAULTS, handFiles, orderOf } from '../testing/handMade.ts'
import { written } from '../testing/written.ts'
import { YEAR } from '../testing/year.ts'
import { guarded } from '../plan/change/guard.ts'
import { sourceOfBits } from '../template/partSource.ts'
import { dropOverride, setTemplateOf, setTemplateText, textRuns } from './templateEdits.ts'

/** The pages whose files differ, and those that the ripple names. */
function differing(before: Site, after: Site, contents: ReadonlyMap<string, Uint8Array>) {
  const [a, b] = [written(before, contents), written(after, contents)]
  const { paths } = addressesOf(after)
  const pages = [...paths].filter(([, path]) => a.get(path) !== b.get(path)).map(([id]) => id)
  const told = rippleOf(before, after, YEAR).pages.map(({ page }) => page)
  return { pages: pages.sort(), told: [...told].sort() }
}

test('an edit of a template changes the pages made with it and no other, as its ripple says', () => {
  fc.assert(
    fc.property(
      arbitraryHandSite,
      fc.constantFrom(...FAULTS),
      fc.nat(),
      fc.nat(),
      fc.nat(),
      (hand, fault, t, p, c) => {
        const order = orderOf(hand)
        const { site, contents } = bring(handFiles(hand, [{ path: order[1]!.path, kind: fault }]))
        const { templates, pages } = site.surround.templates!
        const template = templates[t % templates.length]!
        const runs = textRuns(template)
        const run = runs[p % runs.length]!
        const source = run.texts.map(sourceOfBits).join('')
        const cut = c % (source.length + 1)
        const change = setTemplateText(
          site,
          { template: template.id },
          run,
          `${source.slice(0, cut)}<!--seen-->${source.slice(cut)}`,
        )!
        const { site: after, inverse } = applySoundly(site, change)
        const { pages: changed, told } = differing(site, after, contents)
        for (const id of changed) expect(pages[id]!.template).toBe(template.id)
        const now = after.surround.templates!.templates.find(({ id }) => id === template.id)!
        const same = now.parts.filter((part, n) => JSON.stringify(part) === JSON.stringify(template.parts[n]))
        // No text was touched but the one in which it was written.
        expect(same.length).toBeGreaterThanOrEqual(template.parts.length - 1)
        expect(textRuns(now)[p % runs.length]!.texts.map(sourceOfBits).join('')).toContain('<!--seen-->')
        expect(told).toEqual(changed)
        expect(written(applySoundly(after, inverse).site, contents)).toEqual(written(site, contents))
      },
    ),
    { numRuns: 40 },
  )
})

test('what a page keeps is brought into line, and a page made with its own template again is in line', () => {
  fc.assert(
    fc.property(arbitraryHandSite, fc.constantFrom(...FAULTS), (hand, fault) => {
      const order = orderOf(hand)
      const { site, contents, choices } = bring(handFiles(hand, [{ path: order[1]!.path, kind: fault }]))
      for (const { page, override, would } of choices) {
        const { site: after } = applySoundly(site, dropOverride(site, page, override)!)
        const { pages, told } = differing(site, after, contents)
        expect(pages).toEqual([page])
        expect(told).toEqual([page])
        const { template } = site.surround.templates!.pages[page]!
        const { site: anew } = applySoundly(site, setTemplateOf(site, page, template)!)
        const path = addressesOf(site).paths.get(page)!
        if (/^[\x20-\x7e\s]*$/.test(would)) {
          expect(written(after, contents).get(path)).toContain(would)
          expect(written(anew, contents).get(path)).toContain(would)
        }
      }
    }),
    { numRuns: 30 },
  )
})

test('an edit of a part that pages put in changes its file and no page; a file put in its place is given out instead', () => {
  const shared = arbitraryHandSite.filter(({ habits }) => habits.shared !== 'no')
  fc.assert(
    fc.property(shared, fc.nat(), fc.nat(), fc.nat(), (hand, p, r, c) => {
      const { site, contents } = bring(handFiles(hand))
      const { included } = site.surround.templates!
      const part = included[p % included.length]!
      const { path } = site.files.get(part.file)!
      const runs = textRuns(part)
      fc.pre(runs.length > 0)
      const run = runs[r % runs.length]!
      const source = run.texts.map(sourceOfBits).join('')
      const cut = c % (source.length + 1)
      const text = `${source.slice(0, cut)}<!--seen-->${source.slice(cut)}`
      // What is written into the middle of a pointer is no pointer any more.
      fc.pre(!/(?:entry|site-file):[^"'\s>]*<!--seen-->/.test(text))
      const { site: after } = applySoundly(site, setTemplateText(site, { included: part.file }, run, text)!)
      const [was, is] = [written(site, contents), written(after, contents)]
      expect([...is].flatMap(([one, now]) => (was.get(one) === now ? [] : [one]))).toEqual([path])
      expect(is.get(path)!.replace('<!--seen-->', '')).toBe(was.get(path))
      const { pages, included: told } = rippleOf(site, after, YEAR)
      expect([pages, told]).toEqual([[], [path]])

      const file = { ...after.files.get(part.file)!, content: 'other', size: 3 }
      const { site: replaced } = applySoundly(after, guarded(after, { kind: 'setFile', file }))
      const other = new Map([...contents, ['other', new TextEncoder().encode('<hr>')]])
      expect(written(replaced, other).get(path)).toBe('<hr>')
    }),
    { numRuns: 30 },
  )
})
