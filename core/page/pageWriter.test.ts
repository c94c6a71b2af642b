import fc from 'fast-check'
import { bring } from '../existing/bring.ts'
import type { EntryId } from '../plan/ids.ts'
import { isWritten, type Site } from '../plan/site.ts'
import { createPageWriter } from '../render/pageWriter.ts'
import { arbitraryStart } from '../testing/arbitraryChange.ts'
import { arbitrarySurround } from '../testing/arbitrarySurround.ts'
import { arbitraryHandSite, handFiles } from '../testing/handMade.ts'
import { YEAR } from '../testing/year.ts'
import { CONTENT, type PageWriter, textsByPart, type WrittenPart } from './pageWriter.ts'
import { PAGE_PARTS, WHOLE_PARTS, wholePartOf } from './parts.ts'

/** Sites of both kinds: drawn, and read from pages that were written by hand. */
const arbitraryOfBothKinds: fc.Arbitrary<Site> = fc.oneof(
  arbitraryStart(8, arbitrarySurround),
  arbitraryHandSite.map((hand) => bring(handFiles(hand)).site),
)

const pagesOf = (site: Site): EntryId[] =>
  [...site.plan.entries.values()].filter((entry) => isWritten(site, entry)).map(({ id }) => id)

test('the parts of a page are stretches of it, under keys of their own, and nothing depends on what was asked before', () => {
  const met = { pieces: 0, templates: 0 }
  fc.assert(
    fc.property(arbitraryOfBothKinds, (site) => {
      met[site.surround.kind]++
      const writer = createPageWriter(site, YEAR)
      for (const id of pagesOf(site)) {
        const page = writer.page(id)
        const parts = writer.parts(id)
        expect(new Set(parts.map(({ key }) => key)).size).toBe(parts.length)
        const fresh = createPageWriter(site, YEAR)
        const texts = (all: readonly WrittenPart[]) => all.map(({ kind, key, text }) => [kind, key, text])
        expect(texts(fresh.parts(id))).toEqual(texts(parts))
        expect(fresh.page(id)).toBe(page)
        expect(writer.shown(id)).toBe(fresh.shown(id))
        expect(parts.filter(({ key }) => key === CONTENT).length).toBeLessThanOrEqual(1)
        if (site.surround.kind === 'pieces') for (const { text } of parts) expect(page).toContain(text)
        // Nothing is between the parts of a template: together they have every character of the page.
        else expect(sorted(parts.map(({ text }) => text).join(''))).toBe(sorted(withPointers(writer, id)))
      }
    }),
    { numRuns: 120 },
  )
  expect(Math.min(...Object.values(met))).toBeGreaterThan(20)
})

/** A page, but where its author typed what looks like a pointer: that is taken from the whole alone. */
function withPointers(writer: PageWriter, id: EntryId): string {
  const page = writer.page(id)
  const parts = writer.parts(id).map(({ text }) => text)
  return parts.some((text) => /entry:|site-file:/i.test(text)) ? parts.join('') : page
}
const sorted = (text: string) => [...text].sort().join('')

test('each part that can differ is in a part that a page has', () => {
  expect(PAGE_PARTS.map(wholePartOf).every((part) => WHOLE_PARTS.includes(part))).toBe(true)
  expect(WHOLE_PARTS.map(wholePartOf)).toEqual(WHOLE_PARTS)
})

test('a third way to write pages needs every member, and no more', () => {
  /** Writes the label of a page alone. */
  const plain = (site: Site): Required<PageWriter> => {
    const label = (id: EntryId) => {
      const entry = site.plan.entries.get(id)
      if (entry?.kind !== 'page') throw new Error(`${id} is no page`)
      return entry.title
    }
    return {
      page: label,
      shown: (id, around = (_, html) => html) => around('all', label(id)),
      encodingOf: () => undefined,
      parts: (id) => [{ kind: 'main content', key: CONTENT, text: label(id) }],
      contentLinks: () => undefined,
      includedFiles: () => [],
    }
  }
  // @ts-expect-error -- one member is missing
  const lacking: PageWriter = { ...plain({} as Site), parts: undefined }
  expect(lacking.parts).toBeUndefined()
  fc.assert(
    fc.property(arbitraryStart(4), (site) => {
      const writer = plain(site)
      for (const id of pagesOf(site))
        expect(textsByPart(writer.parts(id)).get('main content')).toBe(writer.page(id))
    }),
    { numRuns: 20 },
  )
})
