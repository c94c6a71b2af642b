import { linkStates, MENU_GROUNDS, stateFaults } from '../../render/style/linkStates.ts'
import type { Found, SiteRule } from '../rule.ts'
import { GROUND_WORDS, head } from './menuColours.ts'

/** Of a menu link, where a visitor cannot see that it changed. */
export const sameStates: SiteRule = {
  ...head,
  id: 'same-states',
  severity: 'warning',
  about: 'states of menu links that look the same',
  source:
    'WCAG 2.2, 2.4.7: https://www.w3.org/TR/WCAG22/#focus-visible; common practice for visited and hover',
  findAll: ({ site: { surround } }) =>
    surround.kind === 'pieces' && surround.headFiles.ourStyles
      ? MENU_GROUNDS.flatMap((ground) =>
          stateFaults(linkStates(surround.look, ground)).flatMap(({ state, what, as }): Found[] =>
            what === 'same'
              ? [
                  {
                    place: { in: 'look' },
                    words: `Menu links ${GROUND_WORDS[ground]}: ${state} looks like ${as}.`,
                    gist: `${ground} ${state} ${as}`,
                  },
                ]
              : [],
          ),
        )
      : [],
}
