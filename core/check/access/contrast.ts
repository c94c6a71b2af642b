import { contrastRatio } from '../../render/style/colour.ts'
import { LEAST_CONTRAST, linkStates, MENU_GROUNDS, stateFaults } from '../../render/style/linkStates.ts'
import type { Found, SiteRule } from '../rule.ts'
import { GROUND_WORDS, head } from './menuColours.ts'

/** Of text and its background, where they are so close that some cannot read it. */
export const contrast: SiteRule = {
  ...head,
  id: 'contrast',
  severity: 'error',
  about: `contrast below ${LEAST_CONTRAST} : 1`,
  source: 'WCAG 2.2, 1.4.3: https://www.w3.org/TR/WCAG22/#contrast-minimum',
  findAll({ site: { surround } }) {
    if (!surround.headFiles.ourStyles) return []
    const { colours } = surround.look
    const pairs = [
      ['Text', colours.text, colours.page],
      ['Links in texts', colours.link, colours.page],
      ['Visited links in texts', colours.visited, colours.page],
      ['Text in the header', colours.headerText, colours.headerBack],
      ['Text in the footer', colours.footerText, colours.footerBack],
    ] as const
    const found = (words: string, ratio: number): Found => ({
      place: { in: 'look' },
      words: `${words}: the contrast is ${ratio.toFixed(1)} : 1.`,
      gist: `${words} ${ratio.toFixed(2)}`,
    })
    const texts = pairs.flatMap(([words, colour, back]) => {
      const ratio = contrastRatio(colour, back)
      return ratio < LEAST_CONTRAST ? [found(words, ratio)] : []
    })
    const states = MENU_GROUNDS.flatMap((ground) => {
      const looks = linkStates(surround.look, ground)
      return stateFaults(looks).flatMap(({ state, what }) =>
        what === 'contrast'
          ? [
              found(
                `Menu links ${GROUND_WORDS[ground]}, ${state}`,
                contrastRatio(looks[state].colour, looks[state].back),
              ),
            ]
          : [],
      )
    })
    return [...texts, ...states]
  },
}
