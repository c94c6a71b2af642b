import fc from 'fast-check'
import { parse } from 'parse5'
import { elementsOf } from '../standard/fragment.ts'
import { hostileHtml } from '../testing/arbitraryHtml.ts'
import { linesOf, parsePage } from './parsedPage.ts'

const elementsIn = (page: Parameters<typeof elementsOf>[0]) =>
  [...elementsOf(page)].map(({ element }) => element)

const SOUND = [
  '<ul> <li><a href="x" class="a b">one</a> </li> </ul>',
  '<table> <tr> <td>a</td> <td><p>b </p></td> </tr> </table>',
  '<main> <p>text <em title="c d">x</em> </p> <img alt="e f"> </main>',
]

/** Pages, sound and not, with line ends everywhere, in tags, too. */
const anyPage = fc
  .tuple(
    fc.array(fc.oneof(hostileHtml, fc.constantFrom(...SOUND)), { maxLength: 6 }),
    fc.constantFrom('\n', ' ', '\n\n'),
  )
  .map(([parts, space]) => `<!doctype html>${parts.join(space).replaceAll(' ', space)}`)

test('the lines of elements are those that the parser tells when it is asked for all places', () => {
  let ended = 0
  fc.assert(
    fc.property(anyPage, (html) => {
      const [ours, theirs] = [
        parsePage(html),
        parse(html, { sourceCodeLocationInfo: true, scriptingEnabled: false }),
      ].map(elementsIn)
      expect(ours!.map(({ tagName }) => tagName)).toEqual(theirs!.map(({ tagName }) => tagName))
      // A formatting element that is opened anew by what follows it stands where that does; to the parser, where it was.
      const tags = theirs!.map(({ sourceCodeLocation: place }) => place?.startOffset)
      for (const [at, { sourceCodeLocation: place }] of theirs!.entries()) {
        if (tags.indexOf(place?.startOffset) !== tags.lastIndexOf(place?.startOffset)) continue
        const { first, last } = linesOf(ours![at]!)
        expect(last).toBeGreaterThanOrEqual(first)
        if (!place) continue
        expect(first).toBe((place.startTag ?? place).endLine)
        // What has no end tag ends where something else begins.
        if (!place.endTag) continue
        ended++
        expect(last).toBeGreaterThanOrEqual(place.endTag.endLine)
      }
    }),
    { numRuns: 400 },
  )
  expect(ended).toBeGreaterThan(100)
})

test('an element ends on the line of its end tag, and one that has none on itself', () => {
  const page = parsePage(
    '<!doctype html>\n<title>a</title>\n<main>\n<img\nalt="">\n<p>b\n</p></main>\n<footer>c',
  )
  const lines = Object.fromEntries(
    elementsIn(page).map((element) => [element.tagName, Object.values(linesOf(element))]),
  )
  expect(lines).toMatchObject({ title: [2, 2], main: [3, 7], img: [5, 5], p: [6, 7], footer: [8, Infinity] })
})
