import type { Look } from '../../plan/surround/look.ts'
import type { HereRule } from '../../plan/surround/rules.ts'
import { mix } from './colour.ts'
import { groundColours, linkStates, MENU_GROUNDS, type MenuGround, type StateLook } from './linkStates.ts'

/** Where menus stand on each ground. */
const SELECTOR: Readonly<Record<MenuGround, string>> = {
  header: '.site-header .menu',
  page: '.menu',
  footer: '.site-footer .menu',
}

/** A bar stands under an item of a row, and at the start of an item of a stack. */
function declarations(state: StateLook, plain: StateLook): string {
  const lines = [`color: ${state.colour};`]
  if (state.back !== plain.back) lines.push(`background: ${state.back};`)
  if (state.bold) lines.push('font-weight: bold;')
  if (state.underline) lines.push('text-decoration: underline;')
  if (state.bar !== 'none') lines.push('border-color: var(--bar);', `border-style: ${state.bar};`)
  if (state.ring) lines.push(`outline: 3px solid ${state.ring};`, 'outline-offset: -3px;')
  return lines.map((line) => `  ${line}\n`).join('')
}

/**
 * The states of menu links on a ground: link, visited, here, within, hover, focus, active, so that each stays visible
 * over those before (common practice). All have one specificity, so that their order alone decides.
 */
function stateStyles(look: Look, here: HereRule, ground: MenuGround): string {
  const states = linkStates(look, ground)
  const at = SELECTOR[ground]
  const rule = (selector: string, state: StateLook) => `${selector} {\n${declarations(state, states.link)}}\n`
  return [
    rule(`${at} a:link,\n${at} li > span`, states.link),
    rule(`${at} a:visited`, states.visited),
    rule(`${at} .${here.within}:is(a, span)`, states.within),
    rule(`${at} .${here.here}:is(a, span)`, states.here),
    rule(`${at} a:hover`, states.hover),
    rule(`${at} a:focus-visible`, states.focus),
    rule(`${at} a:active`, states.active),
  ].join('\n')
}

function groundStyles(look: Look, here: HereRule, ground: MenuGround): string {
  const { back, text, accent } = groundColours(look, ground)
  return `
${SELECTOR[ground]} {
  --bar: ${accent};
  --menu-back: ${back};
  --menu-text: ${text};
  --menu-line: ${mix(text, back, 0.25)};
  color: var(--menu-text);
  background: var(--menu-back);
}

${stateStyles(look, here, ground)}`
}

const SHAPES = `
/* Menus */

.menu {
  position: relative;
  font: 0.9375em/1.3 var(--menu-font);
}

.site-header > .menu {
  max-width: none;
  padding: 0;
}

.site-header > .menu > ul {
  max-width: var(--width);
  margin: 0 auto;
  padding: 0 0.5rem;
}

.menu ul {
  margin: 0;
  padding: 0;
  list-style: none;
}

.menu li {
  position: relative;
}

.menu a,
.menu li > span {
  display: block;
  padding: 0.75rem;
  border: 0 solid transparent;
  text-decoration: none;
}

.menu-row > ul,
.menu-opening > ul,
.menu-line > ul,
.menu-columns > ul {
  display: flex;
  flex-wrap: wrap;
}

.menu-row a,
.menu-row li > span,
.menu-opening > ul > li > a,
.menu-opening > ul > li > span {
  border-bottom-width: 4px;
}

.menu-stack a,
.menu-stack li > span,
.menu-opening ul ul a,
.menu-opening ul ul li > span,
.menu-columns ul ul a {
  padding: 0.4rem 0.75rem;
  border-inline-start-width: 4px;
}

.menu-stack ul ul {
  padding-inline-start: 1rem;
}

.menu-stack > ul > li + li {
  border-top: 1px solid var(--menu-line);
}

.menu-line li {
  display: flex;
  align-items: center;
}

.menu-line li + li::before {
  content: '';
  width: 1px;
  height: 1em;
  background: currentColor;
}

.menu-line a,
.menu-line li > span {
  padding: 0.4rem 0.75rem;
  border-bottom-width: 3px;
}

.menu-columns > ul {
  gap: 1rem 2.5rem;
}

.menu-columns > ul > li > a,
.menu-columns > ul > li > span {
  padding-inline-start: 0.75rem;
  border-inline-start-width: 4px;
  font-weight: bold;
}

.menu-opening > ul > li {
  display: flex;
  align-items: stretch;
}

.menu button {
  color: var(--menu-text);
  background: none;
  border: 0;
  font: inherit;
  cursor: pointer;
}

.menu button:hover {
  color: var(--menu-back);
  background: var(--menu-text);
}

.menu button:focus-visible {
  outline-color: var(--bar);
  outline-offset: -3px;
}

.menu-open {
  min-width: 1.75rem;
  padding: 0;
}

.menu-open::before {
  content: '';
  display: inline-block;
  width: 0.5em;
  height: 0.5em;
  margin-bottom: 0.2em;
  border: solid currentColor;
  border-width: 0 2px 2px 0;
  transform: rotate(45deg);
}

.menu-open[aria-expanded='true']::before {
  margin-bottom: -0.1em;
  transform: rotate(225deg);
}

.menu-fold[hidden],
.menu-open[hidden] {
  display: none;
}

.menu-fold {
  display: none;
}

.scripted .menu-opening li > ul {
  display: none;
}

.scripted .menu-opening [aria-expanded='true'] + ul {
  display: block;
}

@media (min-width: 40.0625rem) {
  .menu-open {
    margin-inline-start: -0.6rem;
  }

  .scripted .menu-opening li > ul {
    position: absolute;
    top: 100%;
    inset-inline-start: 0;
    z-index: 2;
    min-width: 14rem;
    padding: 0.25rem 0;
    background: var(--menu-back);
    border: 1px solid var(--menu-line);
  }

  .scripted .menu-opening li li > ul {
    position: static;
    padding-inline-start: 1rem;
    border: 0;
  }

  .scripted .menu-opening li > .from-end {
    inset-inline-end: 0;
    inset-inline-start: auto;
  }
}

@media (max-width: 40rem) {
  .menu-opening > ul,
  .menu-fold + ul {
    flex-direction: column;
  }

  .site-header > .menu > ul {
    padding: 0 0 0.5rem;
  }

  .menu-opening li {
    flex-wrap: wrap;
  }

  .menu-opening > ul > li > a,
  .menu-opening > ul > li > span,
  .menu-opening > ul > li li > a {
    flex: 1;
  }

  .menu-opening li + li,
  .menu-opening li > ul {
    border-top: 1px solid var(--menu-line);
  }

  .menu-opening li > ul {
    flex-basis: 100%;
    padding-inline-start: 1rem;
  }

  .menu-opening a,
  .menu-opening li > span {
    padding-inline-start: 1.25rem;
  }

  .menu-open {
    min-width: 3.25rem;
    min-height: 2.75rem;
  }

  .scripted .menu-fold {
    display: block;
    width: 100%;
    padding: 0.75rem 1.25rem;
    text-align: start;
  }

  .menu-fold::before {
    content: '';
    display: inline-block;
    width: 1.1em;
    height: 0.8em;
    margin-inline-end: 0.6em;
    border: solid currentColor;
    border-width: 2px 0;
    background: linear-gradient(currentColor, currentColor) center / 100% 2px no-repeat;
  }

  .scripted .menu-fold + ul {
    display: none;
  }

  .scripted .menu-fold[aria-expanded='true'] + ul {
    display: flex;
  }
}
`

/** Every shape of menus, and the states of their links on each ground. */
export function menuStyles(look: Look, here: HereRule): string {
  // The page's own ground first: those of header and footer say more, and come after.
  const grounds = [...MENU_GROUNDS].sort((a, b) => Number(b === 'page') - Number(a === 'page'))
  return SHAPES + grounds.map((ground) => groundStyles(look, here, ground)).join('')
}
