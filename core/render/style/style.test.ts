import { type CssNode, lexer, parse, walk } from 'css-tree'
import fc from 'fast-check'
import { hex } from 'wcag-contrast'
import { DEFAULT_LOOK } from '../../plan/surround/look.ts'
import { EMPTY_SURROUND, STANDARD_SURROUND, piecesOf } from '../../plan/surround/surround.ts'
import { arbitraryLook, arbitrarySurround } from '../../testing/arbitrarySurround.ts'
import { contrastRatio, mix } from './colour.ts'
import { linkStates, MENU_GROUNDS, stateFaults } from './linkStates.ts'
import { styleSheet } from './styleSheet.ts'

/** Parses a style sheet as css-tree has it, and checks every declaration against the grammar of its property. */
function cssFaults(css: string): string[] {
  const faults: string[] = []
  const tree = parse(css, {
    positions: true,
    onParseError: (error) => faults.push(error.message),
  })
  walk(tree, function (node: CssNode) {
    if (node.type !== 'Declaration' || node.property.startsWith('--')) return
    const { error } =
      this.atrule?.name === 'font-face'
        ? lexer.matchAtruleDescriptor('font-face', node.property, node.value)
        : lexer.matchProperty(node.property, node.value)
    // What is put in by name is known only when the page is shown.
    if (error && !css.slice(node.loc!.start.offset, node.loc!.end.offset).includes('var('))
      faults.push(`${node.property}: ${error.message}`)
    if (error?.name === 'SyntaxReferenceError') faults.push(`${node.property} is no property`)
  })
  return faults
}

test('the style sheet of any surround parses without error (css-tree) and names only known properties and values', () => {
  expect(cssFaults('p { colour: red; margin: red }')).toHaveLength(3)
  expect(cssFaults(styleSheet(STANDARD_SURROUND, 'fonts/'))).toEqual([])
  fc.assert(
    fc.property(arbitrarySurround, (surround) =>
      expect(cssFaults(styleSheet(piecesOf(surround), 'fonts/'))).toEqual([]),
    ),
    { numRuns: 40 },
  )
})

describe('contrast', () => {
  test('is what a reference library (wcag-contrast) says, for any two colours', () => {
    const colour = fc.integer({ min: 0, max: 0xffffff }).map((n) => `#${n.toString(16).padStart(6, '0')}`)
    fc.assert(
      fc.property(colour, colour, (a, b) => expect(contrastRatio(a, b)).toBeCloseTo(hex(a, b), 1)),
      { numRuns: 300 },
    )
  })

  test('of black on white is 21, of a colour on itself 1 (WCAG 2.2, from its definition)', () => {
    expect(contrastRatio('#000000', '#ffffff')).toBeCloseTo(21, 10)
    expect(contrastRatio('#777777', '#777777')).toBe(1)
    // The grey that just fails 4.5:1 on white (common practice).
    expect(contrastRatio('#777777', '#ffffff')).toBeLessThan(4.5)
    expect(contrastRatio('#767676', '#ffffff')).toBeGreaterThan(4.5)
  })

  test('a mixture lies between its colours', () => {
    expect(mix('#000000', '#ffffff', 0.5)).toBe('#808080')
    expect(mix('#123456', '#ffffff', 1)).toBe('#123456')
  })
})

describe('the states of menu links', () => {
  test('of the look of new sites can all be read and told apart, on every ground', () => {
    for (const here of ['bar', 'fill', 'bold'] as const) {
      for (const hover of ['fill', 'underline', 'accent'] as const) {
        for (const ground of MENU_GROUNDS) {
          const faults = stateFaults(linkStates({ ...DEFAULT_LOOK, here, hover }, ground))
          expect({ here, hover, ground, faults }).toEqual({ here, hover, ground, faults: [] })
        }
      }
    }
  })

  test('that cannot be read, and that look the same, are named', () => {
    const colours = { ...DEFAULT_LOOK.colours, menuText: '#224466', menuVisited: '#224466' }
    const faults = stateFaults(linkStates({ ...DEFAULT_LOOK, colours }, 'header'))
    expect(faults).toContainEqual({ state: 'link', what: 'contrast' })
    expect(faults).toContainEqual({ state: 'visited', what: 'same', as: 'link' })
  })

  test('come in an order in which each stays visible: link, visited, the marks, hover, focus, active', () => {
    fc.assert(
      fc.property(arbitraryLook, (look) => {
        const css = styleSheet({ ...EMPTY_SURROUND, look }, '')
        for (const at of ['.menu', '.site-header .menu', '.site-footer .menu']) {
          const selectors = [
            'a:link,',
            'a:visited {',
            '.within:is(a, span)',
            '.here:is(a, span)',
            'a:hover {',
            'a:focus-visible {',
            'a:active {',
          ]
          const places = selectors.map((selector) => css.indexOf(`\n${at} ${selector}`))
          expect(places.every((place) => place > 0)).toBe(true)
          expect([...places].sort((a, b) => a - b)).toEqual(places)
        }
      }),
      { numRuns: 10 },
    )
  })
})
