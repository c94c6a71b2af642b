import type { Look } from '../../plan/surround/look.ts'
import type { BreadcrumbRule } from '../../plan/surround/rules.ts'
import { mix, readable } from './colour.ts'

/** What stands between the links of a breadcrumb: drawn, so that no screen reader says it. */
const SEPARATORS: Readonly<Record<BreadcrumbRule['separator'], string>> = {
  chevron: `  content: '';
  display: inline-block;
  width: 0.4em;
  height: 0.4em;
  margin-block: 0 0.1em;
  margin-inline: 0.5em 0.7em;
  border: solid currentColor;
  border-width: 1.5px 1.5px 0 0;
  transform: rotate(45deg);
`,
  slash: `  content: '';
  display: inline-block;
  width: 0.9em;
  height: 0.9em;
  margin: 0 0.2em -0.1em;
  background: linear-gradient(to bottom right, transparent 47%, currentColor 47%, currentColor 53%, transparent 53%);
  transform: scaleX(-1);
`,
  arrow: `  content: '→' / '';
  display: inline-block;
  margin: 0 0.5em;
`,
  dot: `  content: '';
  display: inline-block;
  width: 0.3em;
  height: 0.3em;
  margin: 0 0.6em 0.2em;
  background: currentColor;
  border-radius: 50%;
`,
}

/** The same in pages that are read from right to left. A dot has no direction. */
const MIRRORED: Readonly<Record<BreadcrumbRule['separator'], string>> = {
  chevron: 'scaleX(-1) rotate(45deg)',
  slash: 'none',
  arrow: 'scaleX(-1)',
  dot: '',
}

/** How the pieces other than menus look. */
export function pieceStyles({ colours }: Look, { separator }: BreadcrumbRule): string {
  const buttonText = readable(colours.accent, colours.text, colours.page)
  return `
/* Pieces */

.brand {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: space-between;
  gap: 0.25rem 2rem;
  padding-top: 1rem;
  padding-bottom: 1rem;
}

.row .brand {
  flex-direction: column;
  align-items: flex-start;
}

.brand-home {
  display: flex;
  align-items: center;
  gap: 0.75rem;
  font: bold 1.45em/1.2 var(--heading-font);
  text-decoration: none;
}

.brand-home:hover .brand-name {
  text-decoration: underline;
}

.brand-home img {
  width: auto;
  height: 3rem;
}

.tagline {
  margin: 0;
  font-style: italic;
}

.banner {
  position: relative;
}

.site-header > .banner {
  max-width: none;
  padding: 0;
}

.banner img {
  display: block;
  width: 100%;
  height: clamp(9rem, 24vw, 19rem);
  object-fit: cover;
}

.banner p {
  margin: 0;
  padding: 0.6rem var(--edge);
  font: 1.2em/1.3 var(--heading-font);
}

.banner img + p {
  position: absolute;
  bottom: 0;
  inset-inline-start: 0;
  max-width: 40rem;
  color: ${colours.text};
  background: ${colours.page};
}

.site-header > .banner > p {
  padding-inline-start: max(var(--edge), calc((100% - var(--width)) / 2 + var(--edge)));
}

.links ul,
.columns ul {
  margin: 0;
  padding: 0;
  list-style: none;
}

.links ul {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.5rem 1.25rem;
}

.button {
  display: inline-block;
  padding: 0.5rem 1rem;
  border: 2px solid ${colours.accent};
  border-radius: 4px;
  font: bold 1em/1.3 var(--menu-font);
  text-decoration: none;
}

.links .button:is(:link, :visited) {
  color: ${buttonText};
  background: ${colours.accent};
}

.links .button:is(:hover, :active) {
  color: ${colours.accent};
  background: ${buttonText};
}

.links .button:focus-visible {
  outline-color: currentColor;
}

.breadcrumb {
  padding-top: 1rem;
  color: var(--quiet);
  font: 0.9em/1.4 var(--menu-font);
}

.breadcrumb ol {
  display: flex;
  flex-wrap: wrap;
  gap: 0.25rem 0;
  margin: 0;
  padding: 0;
  list-style: none;
}

.breadcrumb li + li::before {
${SEPARATORS[separator]}}
${
  MIRRORED[separator] === ''
    ? ''
    : `
[dir='rtl'] .breadcrumb li + li::before {
  transform: ${MIRRORED[separator]};
}
`
}
.site-header .breadcrumb,
.site-footer .breadcrumb {
  color: inherit;
}

.pager {
  display: flex;
  flex-wrap: wrap;
  gap: 0.75rem;
}

.pager a {
  display: block;
  flex: 1 1 14rem;
  max-width: 26rem;
  padding: 0.75rem 1rem;
  background: ${mix('#ffffff', colours.page, 0.7)};
  border: 1px solid var(--line);
  border-radius: 4px;
  text-decoration: none;
}

.pager a:is(:link, :visited, :hover) {
  color: var(--link);
}

.pager .pager-up {
  flex: 0 1 auto;
}

.pager a[rel='next'] {
  margin-inline-start: auto;
  text-align: end;
}

.pager a:hover {
  background: var(--tint);
  border-color: var(--link);
}

.pager-word {
  display: block;
  color: var(--quiet);
  font: 0.85em/1.4 var(--menu-font);
}

.pager-page {
  font-weight: bold;
}

.columns {
  display: flex;
  flex-wrap: wrap;
  gap: 1rem 2rem;
}

.row .columns {
  flex: 1 1 26rem;
}

.column {
  flex: 1 1 7.5rem;
}

.site-footer h2,
.heading {
  margin: 0 0 0.4rem;
  color: inherit;
  font: bold 1.1em/1.3 var(--heading-font);
}

.columns li {
  padding: 0.15rem 0;
}

.site-footer > * + * {
  margin-top: 1rem;
}

.site-footer p,
address {
  margin-top: 0;
  margin-bottom: 0.6rem;
  font-style: normal;
}
`
}
