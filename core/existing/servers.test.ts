import fc from 'fast-check'
import { bytesOfText } from '../formats/textBytes.ts'
import { addressesOf } from '../address/addresses.ts'
import { createPageWriter } from '../render/pageWriter.ts'
import { elementsOf } from '../standard/fragment.ts'
import { attribute, readPage, textOf } from '../testing/readPage.ts'
import { EDITS, edited, sectionsOf } from '../testing/handEdits.ts'
import { arbitraryHandSite, handFiles } from '../testing/handMade.ts'
import { servedBy } from '../testing/webServers.ts'
import { found, written } from '../testing/written.ts'
import { YEAR } from '../testing/year.ts'
import { bring } from './bring.ts'

/**
 * Parts in files of their own, put in by the servers that authors have: PHP itself, and the Apache HTTP Server for Server
 * Side Includes, both from Debian. What they give out is what our own reading of a page is held against.
 */

const arbitraryShared = arbitraryHandSite.filter(({ habits }) => habits.shared !== 'no')

test('what PHP and SSI put in is what is shown of a page, and after an edit every link they give out leads to a page', async () => {
  await fc.assert(
    fc.asyncProperty(arbitraryShared, fc.constantFrom(...EDITS), fc.nat(), async (hand, kind, at) => {
      const by = hand.habits.shared.startsWith('php') ? 'php' : 'apache'
      const { site, contents } = bring(handFiles(hand))
      const { after, byHand } = edited(hand, site, kind, at)
      // Where nothing was edited, the files are the same: so is what a server makes of them.
      expect(written(site, contents)).toEqual(found(handFiles(hand)))
      await servedBy(by, written(after, contents), async (read) => {
        const renderer = createPageWriter(after, YEAR)
        const { paths } = addressesOf(after)
        for (const { path, title } of byHand.pages) {
          const [id] = [...paths].find(([, one]) => one === path)!
          const { status, text } = await read(path)
          expect(status).toBe(200)
          const shown = { text: () => renderer.shown(id), encoding: renderer.encodingOf(id)! }
          expect(text).toBe(Buffer.from(bytesOfText(shown)).toString('latin1'))
          const { elements, all } = readPage(Buffer.from(text, 'latin1').toString('utf8'))
          if (hand.habits.encoding === 'utf-8') expect(textOf(all('h1')[0]!)).toBe(title)
          const menu = elements.find((one) => attribute(one, 'class') === 'menu')!
          const links = [...elementsOf(menu)].flatMap(({ element }) =>
            element.tagName === 'a' ? [element] : [],
          )
          if (hand.habits.encoding === 'utf-8' && !hand.habits.nested)
            expect(links.map(textOf)).toEqual(['Home', ...sectionsOf(byHand).map(({ label }) => label)])
          for (const link of all('a')) {
            const { pathname, protocol } = new URL(attribute(link, 'href')!, `http://x.invalid/${path}`)
            if (protocol !== 'http:') continue
            const to = pathname.slice(1)
            expect(`${to} ${(await read(to)).status}`).toBe(`${to} 200`)
          }
        }
      })
    }),
    { numRuns: 12 },
  )
})
