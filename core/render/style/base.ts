import type { Look } from '../../plan/surround/look.ts'
import { contrastRatio, mix, readable } from './colour.ts'
import { fontStack } from './fonts.ts'
import { groundColours } from './linkStates.ts'

/** Colours and measures by name, and how running text and its links look. */
export function baseStyles(look: Look): string {
  const { colours } = look
  const { accent } = groundColours(look, 'page')
  const quiet = [0.7, 0.8, 0.9, 1]
    .map((share) => mix(colours.text, colours.page, share))
    .find((colour) => contrastRatio(colour, colours.page) >= 4.5)
  return `:root {
  --page: ${colours.page};
  --text: ${colours.text};
  --quiet: ${quiet ?? colours.text};
  --line: ${mix(colours.text, colours.page, 0.2)};
  --tint: ${mix(colours.link, colours.page, 0.08)};
  --link: ${colours.link};
  --visited: ${colours.visited};
  --accent: ${accent};
  --width: ${look.width}rem;
  --edge: 1.25rem;
  --text-font: ${fontStack(look.textFont)};
  --heading-font: ${fontStack(look.headingFont)};
  --menu-font: ${fontStack(look.menuFont)};
}

*,
*::before,
*::after {
  box-sizing: border-box;
}

html {
  color: var(--text);
  background: var(--page);
  font: ${look.size / 16}rem/1.6 var(--text-font);
  -webkit-text-size-adjust: 100%;
}

img,
svg {
  max-width: 100%;
  height: auto;
}

a:link {
  color: var(--link);
}

a:visited {
  color: var(--visited);
}

a:hover {
  color: var(--text);
  text-decoration-thickness: 0.15em;
}

a:focus-visible,
button:focus-visible {
  outline: 3px solid var(--accent);
  outline-offset: 2px;
}

a:active {
  color: var(--page);
  background: var(--link);
}

.skip-link {
  position: absolute;
  top: -100rem;
  inset-inline-start: 0;
  z-index: 3;
  padding: 0.6rem 1rem;
}

.skip-link:focus {
  top: 0;
}

.skip-link:link,
.skip-link:visited {
  color: ${readable(colours.accent, colours.text, colours.page)};
  background: ${colours.accent};
}
`
}
