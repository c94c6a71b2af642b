import { templatesOf } from '../plan/surround/surround.ts'
import fc from 'fast-check'
import { applySoundly } from '../plan/change/sound.ts'
import type { Site, TemplatesSite } from '../plan/site.ts'
import { addressesOf } from '../address/addresses.ts'
import { bring } from '../existing/bring.ts'
import { rippleOf } from '../ripple/ripple.ts'
import { arbitraryHandSite, FAULTS, handFiles, orderOf } from '../testing/handMade.ts'
import { stored } from '../testing/stored.ts'
import { written } from '../testing/written.ts'
import { YEAR } from '../testing/year.ts'
import { guarded } from '../plan/change/guard.ts'
import { applyChange } from '../plan/change/apply.ts'
import { bitsOfSource, canBeEdited, sourceOfBits } from '../template/partSource.ts'
import { patternFields, withField } from '../template/patternFields.ts'
import { createTemplateWriter } from '../template/write.ts'
import {
  dropOverride,
  editedPattern,
  patternOf,
  setPattern,
  setTemplateOf,
  setTemplateText,
  textRuns,
} from './templateEdits.ts'
import { isSameData } from '../standard/sameData.ts'

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
        const now = templatesOf(after.surround)!.templates.find(({ id }) => id === template.id)!
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
      const pointersIn = (one: string) => one.match(/(?:entry|site-file):[^"'\s>]*/g) ?? []
      fc.pre(isSameData(pointersIn(text), pointersIn(source)))
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

describe('patterns', () => {
  const MARKER = '<!-- edited -->'
  /** Every pattern of a site with the parts of templates that it writes. */
  const patternsOf = ({ surround }: Site) =>
    templatesOf(surround)!.templates.flatMap(({ id, parts }) =>
      parts.flatMap((part, at) => {
        const pattern = patternOf(templatesOf(surround)!, part)
        return pattern ? [{ template: id, at, pattern }] : []
      }),
    )
  const pagesOf = (site: Site) => {
    const writer = createTemplateWriter(site as TemplatesSite)
    return new Map(
      [...site.plan.entries.values()].flatMap(({ kind, id }) =>
        kind === 'page' ? [[id, writer.page(id)] as const] : [],
      ),
    )
  }

  test('are as they were when nothing of them was edited', () => {
    fc.assert(
      fc.property(arbitraryHandSite, (hand) => {
        for (const { pattern } of patternsOf(stored(bring(handFiles(hand)).site))) {
          const fields = patternFields(pattern)
          expect(fields.length).toBeGreaterThan(2)
          for (const { at, bits } of fields) {
            expect(canBeEdited(bits, true)).toBe(true)
            expect(withField(pattern, at, bits)).toEqual(pattern)
          }
          const same = fields.map(({ at, bits }) => ({ at, source: sourceOfBits(bits) }))
          expect(editedPattern(pattern, same)).toEqual(pattern)
        }
      }),
    )
  })

  test('write what was edited on all pages, and nothing else differs', () => {
    fc.assert(
      fc.property(arbitraryHandSite, fc.nat(), fc.nat(), (hand, which, field) => {
        const site = stored(bring(handFiles(hand)).site)
        const patterns = patternsOf(site)
        fc.pre(patterns.length > 0)
        const { pattern } = patterns[which % patterns.length]!
        const fields = patternFields(pattern)
        const { at, bits } = fields[field % fields.length]!
        const edited = editedPattern(pattern, [{ at, source: sourceOfBits(bits) + MARKER }])
        const change = setPattern(site, pattern, edited)!
        const { site: after, inverse } = applyChange(site, change)
        const [before, now] = [pagesOf(site), pagesOf(after)]
        const ripple = rippleOf(site, after, YEAR)
        const told = new Set(ripple.pages.map(({ page }) => page))
        const writes = patterns.filter((one) => one.pattern.pattern.id === pattern.pattern.id)
        for (const [id, text] of before) {
          expect(told.has(id)).toBe(now.get(id) !== text)
          const { template, overrides } = templatesOf(site.surround)!.pages[id]!
          const isKept = writes.some(
            (one) =>
              one.template === template && overrides.some(({ from, to }) => from <= one.at && one.at < to),
          )
          if (!isKept) expect(now.get(id)!.replaceAll(MARKER, '')).toBe(text)
        }
        if (at.of === 'before' && pattern.kind === 'menu')
          expect([...now.values()].some((text) => text.includes(MARKER))).toBe(true)
        expect(pagesOf(applyChange(after, inverse).site)).toEqual(before)
      }),
    )
  })

  test('have holes for what is computed, and say so only where they are holes', () => {
    const bits = [
      '<a href="',
      { hole: 'href', of: 'next' },
      '">',
      { hole: 'label', of: 'item' },
      '</a>',
    ] as const
    expect(sourceOfBits(bits)).toBe('<a href="{next.href}">{label}</a>')
    expect(bitsOfSource(sourceOfBits(bits), [], true)).toEqual(bits)
    expect(bitsOfSource('{label}', [])).toEqual(['{label}'])
    // A text that looks like a hole, and is none, is left alone.
    expect(canBeEdited(['{label}'], true)).toBe(false)
    expect(canBeEdited(['{label}'])).toBe(true)
  })

  test('write items alike that were written in ways of their own', () => {
    const own = { walks: { plain: { head: ['<b>Walks</b>'], tail: '' } } }
    const pattern = {
      kind: 'menu' as const,
      pattern: {
        ...{ id: 'main', menu: 'main', shape: 'stack' as const, before: [], after: [], between: ['\n'] },
        forms: { '1 plain page': { head: [{ hole: 'label' as const, of: 'item' as const }], tail: '' } },
        own,
        spelling: { start: 'relative' as const, index: 'named' as const, isPlain: false },
      },
    }
    expect(editedPattern(pattern, [])).toEqual(pattern)
    expect(editedPattern(pattern, [], true)).toEqual({
      kind: 'menu',
      pattern: { ...pattern.pattern, own: {} },
    })
    expect(() => withField(pattern, { of: 'link' }, [])).toThrow('a menu has no text for link')
  })
})
