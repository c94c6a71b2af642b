import type { ColourName, Look } from '../../plan/surround/look.ts'
import { contrastRatio, type Hex, nearestReadable } from '../../render/style/colour.ts'
import {
  LEAST_CONTRAST,
  type LinkState,
  linkStates,
  MENU_GROUNDS,
  type MenuGround,
  stateFaults,
} from '../../render/style/linkStates.ts'
import type { Found, SiteRule } from '../rule.ts'
import { GROUND_WORDS, head } from './menuColours.ts'

const withColour = (look: Look, name: ColourName, value: Hex): Look => ({
  ...look,
  colours: { ...look.colours, [name]: value },
})

/** The colours that a menu on a ground is written in: each is tried where one of its states cannot be read. */
const MENU_COLOURS: Readonly<Record<MenuGround, readonly (readonly [ColourName, ColourName])[]>> = {
  header: [
    ['menuVisited', 'menuBack'],
    ['menuText', 'menuBack'],
  ],
  page: [
    ['visited', 'page'],
    ['link', 'page'],
  ],
  footer: [['footerText', 'footerBack']],
}

/** Colours that are mixed of others come out a little weaker than these: they are tried at these contrasts. */
const TRIED = [LEAST_CONTRAST, 5.5, 7, 9, 12, 15]

/** The look with the one colour changed that makes a state readable; undefined where no one colour does. */
function readableState(look: Look, ground: MenuGround, state: LinkState): Look | undefined {
  const isFaulty = (tried: Look) =>
    stateFaults(linkStates(tried, ground)).some((fault) => fault.state === state && fault.what === 'contrast')
  for (const least of TRIED)
    for (const [name, back] of MENU_COLOURS[ground]) {
      const { colours } = look
      const tried = withColour(look, name, nearestReadable(colours[name], colours[back], least))
      if (!isFaulty(tried)) return tried
    }
  return undefined
}

/** Of text and its background, where they are so close that some cannot read it. */
export const contrast: SiteRule = {
  ...head,
  id: 'contrast',
  severity: 'error',
  about: `contrast below ${LEAST_CONTRAST} : 1`,
  source: 'WCAG 2.2, 1.4.3: https://www.w3.org/TR/WCAG22/#contrast-minimum',
  findAll({ site: { surround } }) {
    if (surround.kind !== 'pieces' || !surround.headFiles.ourStyles) return []
    const { colours } = surround.look
    const pairs = [
      ['Text', 'text', 'page'],
      ['Links in texts', 'link', 'page'],
      ['Visited links in texts', 'visited', 'page'],
      ['Text in the header', 'headerText', 'headerBack'],
      ['Text in the footer', 'footerText', 'footerBack'],
    ] as const
    const found = (words: string, ratio: number, fixed?: Look): Found => ({
      place: { in: 'look' },
      words: `${words}: the contrast is ${ratio.toFixed(1)} : 1.`,
      gist: `${words} ${ratio.toFixed(2)}`,
      fix: fixed && { kind: 'setSurround', field: 'look', value: fixed },
    })
    const texts = pairs.flatMap(([words, name, ground]) => {
      const [colour, back] = [colours[name], colours[ground]]
      const ratio = contrastRatio(colour, back)
      if (ratio >= LEAST_CONTRAST) return []
      const fixed = withColour(surround.look, name, nearestReadable(colour, back, LEAST_CONTRAST))
      return [found(words, ratio, fixed)]
    })
    const states = MENU_GROUNDS.flatMap((ground) => {
      const looks = linkStates(surround.look, ground)
      return stateFaults(looks).flatMap(({ state, what }) =>
        what === 'contrast'
          ? [
              found(
                `Menu links ${GROUND_WORDS[ground]}, ${state}`,
                contrastRatio(looks[state].colour, looks[state].back),
                readableState(surround.look, ground, state),
              ),
            ]
          : [],
      )
    })
    return [...texts, ...states]
  },
}
