import fc from 'fast-check'
import { bring } from '../existing/bring.ts'
import { broughtIntoLine } from '../existing/decide.ts'
import type { TemplatesSite } from '../plan/site.ts'
import { createTemplateWriter } from '../template/write.ts'
import { arbitraryHandSite, FAULTS, handFiles, orderOf } from '../testing/handMade.ts'
import { keepsDifference } from '../testing/keeps.ts'
import { textsByPart } from '../page/pageWriter.ts'
import { compareTemplated } from './templateDifferences.ts'

function compared(site: TemplatesSite, a: string, b: string) {
  const writer = createTemplateWriter(site)
  return { writer, differences: compareTemplated(site, writer, [a, b]) }
}

test('two pages differ by what is told, and nothing explains only what one of them keeps', () => {
  fc.assert(
    fc.property(
      arbitraryHandSite,
      fc.constantFrom(...FAULTS),
      fc.nat(),
      fc.nat(),
      fc.boolean(),
      (hand, fault, n, m, isFaulty) => {
        const order = orderOf(hand)
        const planted = isFaulty ? [{ path: order[1]!.path, kind: fault }] : []
        const { site, ids } = bring(handFiles(hand, planted))
        const [a, b] = [n, m].map((at) => ids.get(order[at % order.length]!.path)!) as [string, string]
        const { writer, differences } = compared(site, a, b)
        const texts = [a, b].map((id) => writer.page(id).split(/\r\n|\r|\n/)) as [string[], string[]]
        if (a === b) return expect(differences).toEqual([])
        const isSameTemplate = writer.templateOf(a).id === writer.templateOf(b).id
        // Every line that is not reported is on both pages.
        const rest = texts.map((lines, side) => {
          const told = new Set(
            differences.flatMap(({ at, lines: own }) => own[side]!.map((_, k) => at[side]! + k)),
          )
          return lines.filter((_, k) => !told.has(k + 1))
        })
        if (isSameTemplate) expect(rest[0]).toEqual(rest[1])
        // What is told as drift is kept by one of them; and where neither keeps anything there is none.
        const isDrift = differences.some(({ cause }) => cause === 'drift')
        if (!keepsDifference(site, a) && !keepsDifference(site, b)) expect(isDrift).toBe(false)
        // The same from the other side.
        const back = compared(site, b, a).differences
        if (isSameTemplate)
          expect(back.map(({ cause }) => cause)).toEqual(differences.map(({ cause }) => cause))
      },
    ),
  )
})

test('pages of different templates differ by all that is not on both, also in parts that only one of them has', () => {
  let met = 0
  fc.assert(
    fc.property(arbitraryHandSite, arbitraryHandSite, fc.nat(), fc.nat(), (hand, other, n, m) => {
      const files = [
        ...handFiles(hand),
        ...handFiles(other).map((file) => ({ ...file, path: `more/${file.path}` })),
      ]
      const { site, ids } = bring(files)
      const [one, two] = [orderOf(hand), orderOf(other)]
      const a = ids.get(one[n % one.length]!.path)
      const b = ids.get(`more/${two[m % two.length]!.path}`)
      fc.pre(a !== undefined && b !== undefined)
      const { writer, differences } = compared(site, a, b)
      fc.pre(writer.templateOf(a).id !== writer.templateOf(b).id)
      met++
      const texts = [a, b].map((id) => writer.page(id).split(/\r\n|\r|\n/)) as [string[], string[]]
      // A part may begin within a line, which is then told on one side alone.
      texts.forEach((lines, side) => {
        const told = new Set(
          differences.flatMap(({ at, lines: own }) => own[side]!.map((_, k) => at[side]! + k)),
        )
        expect(texts[1 - side]).toEqual(expect.arrayContaining(lines.filter((_, k) => !told.has(k + 1))))
      })
      // And of those that are told, each is there.
      for (const { at, lines } of differences)
        lines.forEach((own, side) =>
          own.forEach((line, k) => expect(texts[side]![at[side]! - 1 + k]).toContain(line)),
        )
    }),
    { numRuns: 60 },
  )
  expect(met).toBeGreaterThan(0)
})

test('what one page keeps is drift beside any other, until it is brought into line', () => {
  fc.assert(
    fc.property(arbitraryHandSite, fc.constantFrom(...FAULTS), (hand, kind) => {
      const order = orderOf(hand)
      const { site, choices, ids } = bring(handFiles(hand, [{ path: order[1]!.path, kind }]))
      const [page, other] = [ids.get(order[1]!.path)!, ids.get(order.at(-1)!.path)!]
      fc.pre(page !== other && keepsDifference(site, page) && !keepsDifference(site, other))
      const writer = createTemplateWriter(site)
      fc.pre(writer.templateOf(page).id === writer.templateOf(other).id)
      expect(compared(site, page, other).differences.map(({ cause }) => cause)).toContain('drift')
      const inLine = broughtIntoLine(site, choices)
      fc.pre(!keepsDifference(inLine, page))
      expect(compared(inLine, page, other).differences.map(({ cause }) => cause)).not.toContain('drift')
    }),
  )
})

test('what one page has between two parts belongs to the same part in a comparison and in a ripple', () => {
  const page = (title: string, between: string) =>
    `<html>\n<head>\n<title>${title}</title>\n</head>\n${between}<body>\n<ul><li><a href="index.html">Home</a></li>` +
    `<li><a href="b.html">B</a></li><li><a href="c.html">C</a></li></ul>\n<h1>${title}</h1>\n<p>Text of ${title}.</p>\n</body>\n</html>\n`
  const note = '<!-- moved here in spring -->\n'
  const files = [
    ['index.html', page('Home', '')],
    ['b.html', page('B', note)],
    ['c.html', page('C', '')],
  ] as const
  const { site, ids } = bring(files.map(([path, text]) => ({ path, bytes: new TextEncoder().encode(text) })))
  const [home, b] = [ids.get('index.html')!, ids.get('b.html')!]
  const { writer, differences } = compared(site, home, b)
  const told = differences.filter(({ lines }) => lines[1].join('\n').includes('moved here'))
  expect(told).toHaveLength(1)
  const [region] = [...textsByPart(writer.parts(b))].find(([, text]) => text.includes('moved here'))!
  expect(told[0]!.region).toBe(region)
})
