import type { Look } from '../../plan/surround/look.ts'
import { mix } from './colour.ts'

/** How the places stand on the page, wide and narrow. */
export function placeStyles({ colours, side }: Look, hasSide: boolean): string {
  const [sideColumn, contentColumn] = side === 'left' ? [2, 3] : [3, 2]
  const columns =
    side === 'left'
      ? '15rem minmax(0, calc(var(--width) - 15rem))'
      : 'minmax(0, calc(var(--width) - 15rem)) 15rem'
  const wide = hasSide
    ? `
@media (min-width: 52rem) {
  body {
    grid-template-columns: minmax(0, 1fr) ${columns} minmax(0, 1fr);
  }

  .before,
  main,
  .after {
    grid-column: 2 / 4;
  }

  .side {
    grid-column: ${sideColumn};
    grid-row: 2 / 5;
  }

  .side ~ .before,
  .side ~ main,
  .side ~ .after {
    grid-column: ${contentColumn};
  }
}
`
    : ''
  return `
/* Places */

body {
  display: grid;
  grid-template-rows: auto auto 1fr auto auto;
  grid-template-columns: minmax(0, 1fr) minmax(0, var(--width)) minmax(0, 1fr);
  min-height: 100vh;
  margin: 0;
}

.site-header,
.site-footer {
  grid-column: 1 / -1;
}

.site-header {
  grid-row: 1;
  color: ${colours.headerText};
  background: ${colours.headerBack};
}

.side,
.before,
main,
.after {
  grid-column: 2;
  width: 100%;
  padding: 0 var(--edge);
}

.before {
  grid-row: 2;
}

main {
  grid-row: 3;
  padding-top: 1rem;
  padding-bottom: 2.5rem;
}

.after {
  grid-row: 4;
  padding-bottom: 2.5rem;
}

.site-footer {
  grid-row: 5;
  padding: 1.75rem 0;
  color: ${colours.footerText};
  background: ${colours.footerBack};
  font-size: 0.9375em;
}

.side {
  padding-top: 1.25rem;
}

.site-header > *,
.site-footer > * {
  width: 100%;
  max-width: var(--width);
  margin-inline-end: auto;
  margin-inline-start: auto;
  padding-inline-end: var(--edge);
  padding-inline-start: var(--edge);
}

.row {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: space-between;
  gap: 0.5rem 2rem;
}

.site-header .row {
  padding-bottom: 0.75rem;
}

.site-header .row .brand {
  padding-bottom: 0;
}

.site-footer .row {
  align-items: flex-start;
}

.site-header a:link,
.site-header a:visited,
.site-header a:hover {
  color: ${colours.headerText};
}

.site-footer a:link,
.site-footer a:hover {
  color: ${colours.footerText};
}

.site-footer a:visited {
  color: ${mix(colours.footerText, colours.footerBack, 0.8)};
}

@media (max-width: 51.99rem) {
  body {
    display: flex;
    flex-direction: column;
  }

  .side,
  .before,
  main,
  .after {
    max-width: var(--width);
    margin-inline-end: auto;
    margin-inline-start: auto;
  }

  main {
    flex: 1 0 auto;
  }
}
${wide}`
}
