import fc from 'fast-check'
import { hostileHtml } from '../testing/arbitraryHtml.ts'
import { blocksBeyond, mergeContent } from './mergeContent.ts'

/** Blocks as authors write them, some twice, some on one line, some with white space around. */
const block = fc.oneof(
  fc.constantFrom(
    '<p>The lock.</p>',
    '<h2>Walks</h2>',
    '<ul>\n<li>One</li>\n<li>Two</li>\n</ul>',
    '<hr>',
    'Bare text',
  ),
  fc.constantFrom('<table><tr><td>1</td></tr></table>', '<!-- note -->', '<pre>a\n\nb</pre>', '<p>Left open'),
  fc.nat(9).map((n) => `<p>Paragraph <em>${n}</em>.</p>`),
)
const text = fc
  .tuple(
    fc.array(fc.tuple(fc.constantFrom('\n', '\n\n', '', ' '), block), { maxLength: 8 }),
    fc.constantFrom('', '\n'),
  )
  .map(([blocks, after]) => blocks.map(([before, one]) => before + one).join('') + after)
const anyText = fc.oneof(text, text, hostileHtml)

test('one who wrote nothing gets what the other wrote, and the same from both is the same', () => {
  fc.assert(
    fc.property(anyText, anyText, (base, other) => {
      expect(mergeContent(base, base, other)).toBe(other)
      expect(mergeContent(base, other, base)).toBe(other)
      expect(mergeContent(base, other, other)).toBe(other)
    }),
  )
})

test('merges edits of different blocks, in either order of the two texts', () => {
  const plain = fc.array(
    fc.nat(99).map((n) => `<p>${n}</p>`),
    { minLength: 2, maxLength: 9 },
  )
  const edit = fc.constantFrom('keep', 'change', 'remove', 'before', 'after')
  fc.assert(
    fc.property(
      plain,
      fc.array(edit, { minLength: 9 }),
      fc.infiniteStream(fc.boolean()),
      (blocks, edits, whose) => {
        // Made from what both are to come to: each block is edited by one of the two, or by nobody.
        const made = blocks.map((one, at) => {
          const edited =
            at % 2 === 1
              ? [one]
              : {
                  keep: [one],
                  change: [`<p>changed ${at}</p>`],
                  remove: [],
                  before: [`<p>new ${at}</p>`, one],
                  after: [one, `<p>new ${at}</p>`],
                }[edits[at]!]
          return { one: [one], edited, isMine: whose.next().value as boolean }
        })
        const joined = (of: (part: (typeof made)[number]) => readonly string[]) => made.flatMap(of).join('\n')
        const base = joined(({ one }) => one)
        const mine = joined(({ one, edited, isMine }) => (isMine ? edited : one))
        const theirs = joined(({ one, edited, isMine }) => (isMine ? one : edited))
        const all = joined(({ edited }) => edited)
        // Where the same paragraph stands twice, it cannot always be told which of them is gone.
        if (new Set(blocks).size < blocks.length) return
        expect(mergeContent(base, mine, theirs)?.trim()).toBe(all)
        expect(mergeContent(base, theirs, mine)?.trim()).toBe(all)
      },
    ),
    { numRuns: 500 },
  )
})

/** A text of blocks in lines, and two that were made of it by a few edits each. */
const threeTexts = fc
  .tuple(
    fc.array(block, { minLength: 1, maxLength: 8 }),
    fc.array(fc.tuple(fc.nat(8), fc.nat(2), fc.array(block, { maxLength: 2 })), { maxLength: 2 }),
    fc.array(fc.tuple(fc.nat(8), fc.nat(2), fc.array(block, { maxLength: 2 })), { maxLength: 2 }),
  )
  .map(([blocks, mine, theirs]) => {
    const edited = (edits: typeof mine) =>
      edits.reduce((now, [at, gone, put]) => now.toSpliced(at, gone, ...put), blocks).join('\n')
    return [blocks.join('\n'), edited(mine), edited(theirs)] as const
  })

test('nothing that one of them wrote is lost, whatever the texts', () => {
  let merges = 0
  fc.assert(
    fc.property(fc.oneof(threeTexts, fc.tuple(anyText, anyText, anyText)), ([base, mine, theirs]) => {
      const merged = mergeContent(base, mine, theirs)
      if (merged === undefined || [mine, theirs].includes(merged)) return
      merges++
      const kept = new Set(blocksBeyond(merged, ''))
      for (const one of [...blocksBeyond(mine, base), ...blocksBeyond(theirs, base)])
        expect(kept).toContain(one)
    }),
    { numRuns: 2000 },
  )
  expect(merges).toBeGreaterThan(30)
})

test.each([
  ['the same block in two ways', '<p>a</p>', '<p>b</p>', '<p>c</p>'],
  ['a block that the other removed', '<p>a</p>\n<p>b</p>', '<p>a</p>\n<p>c</p>', '<p>a</p>'],
  ['two new blocks at one place', '<p>a</p>', '<p>a</p>\n<p>b</p>', '<p>a</p>\n<p>c</p>'],
  ['a block left open before one of the other', '<p>a</p><p>b</p>', '<div>a<p>b</p>', '<p>a</p><h2>c</h2>'],
])('%s is asked about', (_, base, mine, theirs) => {
  expect(mergeContent(base, mine, theirs)).toBeUndefined()
})
