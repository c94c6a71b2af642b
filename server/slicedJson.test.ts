import fc from 'fast-check'
import { arbitraryStart } from '@viatica/core/testing/arbitraryChange.ts'
import { siteForJson, toSiteData } from '@viatica/core/plan/siteData.ts'
import { jsonOf, readJson } from './slicedJson.ts'

test('writes the same text as the platform, whatever the data', async () => {
  await fc.assert(
    fc.asyncProperty(fc.oneof(fc.jsonValue(), arbitraryStart(8).map(siteForJson)), async (data) => {
      expect(await jsonOf(data)).toBe(JSON.stringify(data))
    }),
  )
  const odd = { a: undefined, b: [undefined, '\u2028\ud800"'], c: -0, d: '\u0000'.repeat(3) }
  expect(await jsonOf(odd)).toBe(JSON.stringify(odd))
})

test('writes a site as it is laid out', async () => {
  await fc.assert(
    fc.asyncProperty(arbitraryStart(12), async (site) => {
      expect(await jsonOf(siteForJson(site))).toBe(JSON.stringify(toSiteData(site)))
    }),
  )
})

test('reads the same data as the platform, however long the text', async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.jsonValue(),
      fc.string({ unit: 'grapheme', maxLength: 20 }),
      async (data, filling) => {
        const text = JSON.stringify([
          data,
          `${filling}\\"`.repeat(70_000),
          { __proto__: null, constructor: data },
        ])
        expect(await readJson(text)).toEqual(JSON.parse(text))
      },
    ),
    { numRuns: 10 },
  )
  await expect(readJson(`[${'1,'.repeat(700_000)}`)).rejects.toThrow(SyntaxError)
})

test('lets others have their turn meanwhile', async () => {
  const long = Array.from({ length: 200_000 }, (_, n) => ({ n, text: 'The lock is open.' }))
  let turns = 0
  const other = setInterval(() => turns++, 1)
  const text = await jsonOf(long)
  expect(turns).toBeGreaterThan(2)
  const written = turns
  await readJson(text)
  clearInterval(other)
  expect(turns).toBeGreaterThan(written + 2)
})
