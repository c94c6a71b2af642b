import { diffWordsWithSpace } from 'diff'
import fc from 'fast-check'
import { parse } from 'parse5'
import { rippleOf } from '../ripple/ripple.ts'
import type { PagePart } from '../page/parts.ts'
import { elementsOf } from '../standard/fragment.ts'
import { EDITS, edited } from '../testing/handEdits.ts'
import { arbitraryHandSite, FAULTS, type Planted, handFiles } from '../testing/handMade.ts'
import { attribute } from '../testing/readPage.ts'
import { written } from '../testing/written.ts'
import { YEAR } from '../testing/year.ts'
import { bring } from './bring.ts'

/**
 * What an edit of the plan leaves alone, told by a parser and a comparison of texts that know nothing of templates: parse5
 * says in which element of the author's each difference stands, and the ripple must have named it.
 */

/** The parts that a ripple may name what stands in an element by; undefined for one that says nothing. */
function partsOf(tag: string, name: string): readonly PagePart[] | undefined {
  if (tag === 'title') return ['title']
  if (tag === 'h1') return ['heading']
  // The links of the head that say prev and next.
  if (tag === 'link') return ['pager', 'head']
  if (/^menu\b/.test(name)) return ['menu', 'here mark']
  if (name === 'breadcrumb' || name === 'trail') return ['breadcrumb']
  if (name === 'pager') return ['pager']
  if (name === 'text') return ['main content', 'text links']
  if (name === 'header') return ['header']
  if (name === 'footer') return ['footer']
  return undefined
}

/** Finds what parse5 says of places in a page. */
function placesIn(page: string): (at: number) => readonly PagePart[] {
  const ranges = [...elementsOf(parse(page, { sourceCodeLocationInfo: true }))].flatMap(({ element }) => {
    const place = element.sourceCodeLocation
    const parts = partsOf(element.tagName, attribute(element, 'class') ?? '')
    return place && parts ? [{ parts, from: place.startOffset, to: place.endOffset }] : []
  })
  return (at) => {
    const around = ranges.filter(({ from, to }) => from <= at && at < to)
    return around.sort((a, b) => b.from - a.from)[0]?.parts ?? []
  }
}

/** Where two texts differ: in the first, in the second. */
function differences(a: string, b: string): { in: 'a' | 'b'; at: number }[] {
  const found: { in: 'a' | 'b'; at: number }[] = []
  let [inA, inB] = [0, 0]
  for (const { value, added, removed } of diffWordsWithSpace(a, b)) {
    const first = value.search(/\S/)
    if (first >= 0 && removed) found.push({ in: 'a', at: inA + first })
    if (first >= 0 && added) found.push({ in: 'b', at: inB + first })
    if (!added) inA += value.length
    if (!removed) inB += value.length
  }
  return found
}

test('after an edit of the plan not one byte differs outside of the parts that the ripple names', () => {
  const planted = fc.option(fc.constantFrom(...FAULTS), { nil: undefined })
  fc.assert(
    fc.property(arbitraryHandSite, planted, fc.constantFrom(...EDITS), fc.nat(), (hand, fault, kind, at) => {
      const leaf = hand.pages[hand.pages.length - 1]!
      const faults: Planted[] = fault ? [{ path: leaf.path, kind: fault }] : []
      const { site, contents } = bring(handFiles(hand, faults))
      const { after } = edited(hand, site, kind, at)
      const [was, is] = [written(site, contents), written(after, contents)]
      const ripple = rippleOf(site, after, YEAR)
      const told = new Map(ripple.pages.map((page) => [page.after, page.parts]))
      for (const [path, now] of is) {
        const then = was.get(path)
        if (then === undefined || then === now || ripple.included.includes(path)) continue
        const named = told.get(path) ?? []
        const [places, placesNow] = [placesIn(then), placesIn(now)]
        for (const one of differences(then, now)) {
          const parts = one.in === 'a' ? places(one.at) : placesNow(one.at)
          // What a page sets in code before the head that it puts in is its title.
          const may = parts.length > 0 || hand.habits.shared !== 'php whole' ? parts : (['title'] as const)
          expect({ path, named, found: may.some((part) => named.includes(part)), may }).toEqual({
            path,
            named,
            found: true,
            may,
          })
        }
      }
    }),
    { numRuns: 100 },
  )
})
