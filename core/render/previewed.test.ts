import fc from 'fast-check'
import { addressesOf } from '../address/addresses.ts'
import { sourceReferences } from '../pointer/inSource.ts'
import { resolveReference } from '../standard/reference.ts'
import { arbitraryStart } from '../testing/arbitraryChange.ts'
import { YEAR } from '../testing/year.ts'
import { createPageWriter } from './pageWriter.ts'
import { previewed } from './previewed.ts'

const TOP = '/preview/one/'

test('no link of a previewed page to a page of its site leads out of the preview', () => {
  let met = 0
  fc.assert(
    fc.property(
      arbitraryStart(8),
      fc.constantFrom('relative', 'root', 'absolute'),
      fc.constantFrom('', 'https://example.org/~mill/'),
      (start, linkStyle, baseUrl) => {
        const site = { ...start, settings: { ...start.settings, linkStyle, baseUrl } as never }
        const shown = previewed(site, TOP)
        expect(previewed(site, TOP)).toBe(shown)
        const { paths } = addressesOf(shown)
        expect([...paths]).toEqual([...addressesOf(site).paths])
        const writer = createPageWriter(shown, YEAR)
        for (const [id, path] of paths) {
          const here = `https://host.example${TOP}${encodeURI(path)}`
          // The base URL is named for programs that read the head, never for who follows a link.
          const [, body = ''] = writer.page(id).split(/<body\b/)
          for (const { url } of sourceReferences(body)) {
            expect(url.startsWith('https://example.org/~mill/')).toBe(false)
            if (!resolveReference(here, url).startsWith('https://host.example/')) continue
            met++
            expect(resolveReference(here, url)).toMatch(new RegExp(`^https://host\\.example${TOP}`))
          }
        }
      },
    ),
    { numRuns: 60 },
  )
  expect(met).toBeGreaterThan(0)
})
