import type { Look } from '../../plan/surround/look.ts'
import { contrastRatio, type Hex, mix, readable } from './colour.ts'

export const MENU_GROUNDS = ['header', 'page', 'footer'] as const
/** What a menu stands on: the bar of the header, the page itself (side, before, after), the footer. */
export type MenuGround = (typeof MENU_GROUNDS)[number]

export const LINK_STATES = ['link', 'visited', 'hover', 'focus', 'active', 'here', 'within'] as const
export type LinkState = (typeof LINK_STATES)[number]

/** How a menu link looks in one state, beside its text. */
export interface StateLook {
  readonly colour: Hex
  readonly back: Hex
  readonly bold: boolean
  readonly underline: boolean
  /** A line along one side: of the here mark. */
  readonly bar: 'none' | 'solid' | 'dotted'
  /** The ring of the focus. */
  readonly ring: Hex | undefined
}

/** The colours that menus on a ground are made of. */
export interface GroundColours {
  readonly back: Hex
  readonly text: Hex
  readonly visited: Hex
  readonly accent: Hex
}

/** WCAG 2.2, 1.4.3: text of the size that menus have. */
export const LEAST_CONTRAST = 4.5

/** WCAG 2.2, 1.4.11: what is not text. */
const LEAST_FOR_LINES = 3

/** An accent, drawn towards the text until it can be told from its background. */
function visibleAccent(accent: Hex, back: Hex, text: Hex, least: number): Hex {
  for (let share = 1; share > 0; share -= 0.1) {
    const candidate = mix(accent, text, share)
    if (contrastRatio(candidate, back) >= least) return candidate
  }
  return text
}

/** An accent to write on, with the colour of the text: drawn towards the text of the ground until it can be read. */
function accentFill(accent: Hex, back: Hex, text: Hex): Pick<StateLook, 'colour' | 'back'> {
  for (let share = 1; share > 0; share -= 0.1) {
    const fill = mix(accent, text, share)
    const colour = readable(fill, back, text)
    if (contrastRatio(colour, fill) >= LEAST_CONTRAST) return { colour, back: fill }
  }
  return { colour: back, back: text }
}

export function groundColours({ colours }: Look, ground: MenuGround): GroundColours {
  const of = {
    header: { back: colours.menuBack, text: colours.menuText, visited: colours.menuVisited },
    page: { back: colours.page, text: colours.link, visited: colours.visited },
    footer: {
      back: colours.footerBack,
      text: colours.footerText,
      visited: mix(colours.footerText, colours.footerBack, 0.8),
    },
  }[ground]
  return { ...of, accent: visibleAccent(colours.accent, of.back, of.text, LEAST_FOR_LINES) }
}

/** How each state of a menu link looks on a ground. The style sheet is written from this, and the screen shows it. */
export function linkStates(look: Look, ground: MenuGround): Readonly<Record<LinkState, StateLook>> {
  const { back, text, visited, accent } = groundColours(look, ground)
  const plain: StateLook = { colour: text, back, bold: false, underline: false, bar: 'none', ring: undefined }
  const filled = accentFill(accent, back, text)
  const accentText = visibleAccent(accent, back, text, LEAST_CONTRAST)
  const fill = mix(text, back, 0.9)
  const hover: Readonly<Record<Look['hover'], StateLook>> = {
    fill: { ...plain, colour: readable(fill, back, text), back: fill },
    underline: { ...plain, underline: true },
    accent: { ...plain, colour: accentText },
  }
  const marked: Readonly<Record<Look['here'], readonly [StateLook, StateLook]>> = {
    bar: [
      { ...plain, bold: true, bar: 'solid' },
      { ...plain, bar: 'dotted' },
    ],
    fill: [
      { ...plain, ...filled, bold: true },
      { ...plain, back: mix(accent, back, 0.2), bold: true },
    ],
    bold: [
      { ...plain, bold: true, underline: true, colour: accentText },
      { ...plain, bold: true },
    ],
  }
  const [here, within] = marked[look.here]
  return {
    link: plain,
    visited: { ...plain, colour: visited },
    hover: hover[look.hover],
    focus: { ...plain, ring: accent },
    active: { ...plain, ...filled },
    here,
    within,
  }
}

/** What is not well with one state. */
export interface StateFault {
  readonly state: LinkState
  readonly what: 'contrast' | 'same'
  /** Of `same`: the state that it cannot be told from. */
  readonly as?: LinkState
}

/** States that cannot be read, and states that look as another does. */
export function stateFaults(states: Readonly<Record<LinkState, StateLook>>): readonly StateFault[] {
  const faults: StateFault[] = []
  LINK_STATES.forEach((state, at) => {
    const { colour, back } = states[state]
    if (contrastRatio(colour, back) < LEAST_CONTRAST) faults.push({ state, what: 'contrast' })
    const same = LINK_STATES.slice(0, at).find(
      (other) => JSON.stringify(states[other]) === JSON.stringify(states[state]),
    )
    if (same) faults.push({ state, what: 'same', as: same })
  })
  return faults
}
