import fc from 'fast-check'
import { bring } from '../existing/bring.ts'
import { arbitraryHandSite, handFiles } from '../testing/handMade.ts'
import { createTemplateWriter } from '../template/write.ts'
import { templatedLines } from './templateLines.ts'

test('the lines of a page are those of its source, each in a part, and its own are told', () => {
  fc.assert(
    fc.property(arbitraryHandSite, (hand) => {
      const { site, ids } = bring(handFiles(hand))
      const writer = createTemplateWriter(site)
      for (const [path, id] of ids) {
        const lines = templatedLines(writer.pieces(id))
        expect(lines.map(({ text }) => text)).toEqual(writer.page(id).split(/\r\n|\r|\n/))
        // It stands in code where the head is put in from a file of its own.
        const titled = lines.filter(({ text }) => /<title>|^\$title = /i.test(text))
        expect(titled.map(({ part, isOwn }) => [part, isOwn])).toEqual([['title', true]])
        const { content } = hand.pages.find((page) => page.path === path)!
        const [first] = content.split('\n')
        for (const { text, part } of lines)
          if (text.trim() === first!.trim()) expect(part).toBe('main content')
      }
    }),
    { numRuns: 40 },
  )
})
