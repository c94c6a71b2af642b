import fc from 'fast-check'
import { bring } from '../existing/bring.ts'
import { siteFault } from '../plan/siteFault.ts'
import { arbitraryHandSite, FAULTS, handFiles } from '../testing/handMade.ts'
import { applySoundly } from '../plan/change/sound.ts'
import { readPage, textOf } from '../testing/readPage.ts'
import { written } from '../testing/written.ts'
import { YEAR } from '../testing/year.ts'
import { walkSite } from '../walk/walk.ts'
import { piecesInstead } from './toPieces.ts'

test('pages that go into pieces keep address, heading and text, have the menu of the plan, and no link of theirs breaks', () => {
  fc.assert(
    fc.property(arbitraryHandSite, fc.constantFrom(...FAULTS), (hand, kind) => {
      const files = handFiles(hand, [{ path: hand.pages.at(-1)!.path, kind }])
      const { site, contents } = bring(files)
      const { site: after } = applySoundly(site, { kind: 'batch', changes: piecesInstead(site) })
      expect(after.surround.kind).toBe('pieces')
      expect(siteFault(after)).toBeUndefined()
      const is = written(after, contents)
      for (const { path, title, content } of hand.pages) {
        const page = readPage(Buffer.from(is.get(path)!, 'latin1').toString('utf8'))
        expect(page.all('h1').map(textOf)).toEqual([title])
        const main = textOf(page.all('main')[0]!).replace(/\s+/g, ' ')
        for (const sentence of content.match(/[^<>]+\(\d+\)/g)!) expect(main).toContain(sentence)
        expect(page.all('nav').length).toBeGreaterThan(0)
      }
      const report = [...walkSite(after, YEAR)].at(-1)!
      expect(report.faults.filter(({ why }) => why === 'leads nowhere')).toEqual([])
      expect(piecesInstead(after)).toEqual([])
    }),
    { numRuns: 40 },
  )
})
