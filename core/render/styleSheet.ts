export const STYLE_SHEET_PATH = 'style.css'

/**
 * The style sheet of a finished site. States of links come in the order link, visited, hover, focus, active
 * (common practice), so that each stays visible over the one before.
 */
export const STYLE_SHEET = `:root {
  --water: #17405e;
  --deep: #0f2c42;
  --mist: #e9eff3;
  --stone: #fbfaf6;
  --ink: #1c262d;
  --quiet: #4c5a64;
  --gorse: #f2c14e;
  --line: #c9d3da;
  --width: 68rem;
}

*,
*::before,
*::after {
  box-sizing: border-box;
}

html {
  color: var(--ink);
  background: var(--stone);
  font: 1.0625rem/1.6 Georgia, 'Times New Roman', serif;
  -webkit-text-size-adjust: 100%;
}

body {
  display: flex;
  flex-direction: column;
  min-height: 100vh;
  margin: 0;
}

img,
svg {
  max-width: 100%;
  height: auto;
}

a:link {
  color: var(--water);
}

a:visited {
  color: #5b3a78;
}

a:hover {
  color: var(--deep);
  text-decoration-thickness: 0.15em;
}

a:focus-visible,
button:focus-visible {
  outline: 3px solid #b8720a;
  outline-offset: 2px;
}

a:active {
  color: #9a3412;
}

.skip-link {
  position: absolute;
  left: -100rem;
  z-index: 3;
  padding: 0.6rem 1rem;
  background: var(--gorse);
}

.skip-link:focus {
  left: 0;
}

.skip-link:link,
.skip-link:visited {
  color: var(--ink);
}

/* Header */

.site-header,
.site-footer {
  color: #fff;
  background: var(--water);
}

.brand {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: space-between;
  gap: 0.25rem 2rem;
  max-width: var(--width);
  margin: 0 auto;
  padding: 1rem 1.25rem;
}

.brand-home {
  display: flex;
  align-items: center;
  gap: 0.75rem;
  font-size: 1.5rem;
  font-weight: bold;
  line-height: 1.2;
  text-decoration: none;
}

.brand-home:link,
.brand-home:visited,
.brand-home:hover,
.brand-home:active {
  color: #fff;
}

.brand-home:hover .brand-name {
  text-decoration: underline;
}

.brand-home img {
  width: 3rem;
  height: 3rem;
}

.tagline {
  margin: 0;
  color: #dbe6ee;
  font-style: italic;
}

.banner {
  display: block;
  width: 100%;
  height: clamp(9rem, 24vw, 19rem);
  object-fit: cover;
}

/* Menu */

.menu {
  position: relative;
  background: var(--deep);
  font: 1rem/1.3 system-ui, 'Segoe UI', Roboto, 'Helvetica Neue', Arial, sans-serif;
}

.menu ul {
  margin: 0;
  padding: 0;
  list-style: none;
}

.menu > ul {
  display: flex;
  flex-wrap: wrap;
  max-width: var(--width);
  margin: 0 auto;
  padding: 0 0.5rem;
}

.menu li {
  position: relative;
}

.menu > ul > li {
  display: flex;
  align-items: stretch;
}

.menu a,
.menu li > span {
  display: block;
  padding: 0.75rem;
  border-bottom: 4px solid transparent;
  text-decoration: none;
}

.menu a:link,
.menu a:visited,
.menu li > span {
  color: #fff;
}

.menu a:hover {
  color: var(--deep);
  background: var(--mist);
}

.menu a:focus-visible,
.menu button:focus-visible {
  outline-color: var(--gorse);
  outline-offset: -3px;
}

.menu a:active {
  color: var(--deep);
  background: var(--gorse);
}

.menu .here {
  border-bottom-color: var(--gorse);
  font-weight: bold;
}

.menu .within {
  border-bottom-color: var(--gorse);
  border-bottom-style: dotted;
}

.menu button {
  color: #fff;
  background: none;
  border: 0;
  font: inherit;
  cursor: pointer;
}

.menu button:hover {
  color: var(--deep);
  background: var(--mist);
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

.scripted .menu li > ul {
  display: none;
}

.scripted .menu [aria-expanded='true'] + ul {
  display: block;
}

@media (min-width: 40.0625rem) {
  .menu-open {
    margin-left: -0.6rem;
  }

  .scripted .menu li > ul {
    position: absolute;
    top: 100%;
    left: 0;
    z-index: 2;
    min-width: 14rem;
    padding: 0.25rem 0;
    background: var(--deep);
    border-top: 1px solid #5d7d94;
  }

  .scripted .menu li > .from-end {
    right: 0;
    left: auto;
  }
}

@media (max-width: 40rem) {
  .menu > ul {
    flex-direction: column;
    padding: 0 0 0.5rem;
  }

  .menu > ul > li {
    flex-wrap: wrap;
  }

  .menu > ul > li > a,
  .menu > ul > li > span {
    flex: 1;
  }

  .menu li + li {
    border-top: 1px solid #2d4a60;
  }

  .menu li > ul {
    flex-basis: 100%;
    padding-left: 1rem;
    border-top: 1px solid #2d4a60;
  }

  .menu a,
  .menu li > span {
    padding-left: 1.25rem;
  }

  .menu-open {
    min-width: 3.25rem;
  }

  .scripted .menu-fold {
    display: block;
    width: 100%;
    padding: 0.75rem 1.25rem;
    text-align: left;
  }

  .menu-fold::before {
    content: '';
    display: inline-block;
    width: 1.1em;
    height: 0.8em;
    margin-right: 0.6em;
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

/* Breadcrumb */

.breadcrumb,
main,
.pager {
  width: 100%;
  max-width: var(--width);
  margin: 0 auto;
  padding: 0 1.25rem;
}

.breadcrumb {
  padding-top: 1rem;
  color: var(--quiet);
  font: 0.9375rem/1.4 system-ui, 'Segoe UI', Roboto, 'Helvetica Neue', Arial, sans-serif;
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
  content: '';
  display: inline-block;
  width: 0.4em;
  height: 0.4em;
  margin: 0 0.7em 0.1em 0.5em;
  border: solid var(--quiet);
  border-width: 1.5px 1.5px 0 0;
  transform: rotate(45deg);
}

/* Main content */

main {
  flex: 1;
  padding-top: 1rem;
  padding-bottom: 2.5rem;
}

main > * {
  max-width: 42rem;
}

main > figure {
  max-width: 52rem;
}

h1,
h2,
h3 {
  color: var(--deep);
  line-height: 1.2;
  text-wrap: balance;
}

h1 {
  margin: 0.5rem 0 1rem;
  font-size: clamp(1.8rem, 1.4rem + 2vw, 2.6rem);
}

h2 {
  margin: 2rem 0 0.5rem;
  font-size: 1.45rem;
}

h3 {
  margin: 1.5rem 0 0.25rem;
  font-size: 1.15rem;
}

p,
ul,
ol,
dl,
table,
figure,
blockquote {
  margin: 0 0 1rem;
}

figure img {
  display: block;
  border-radius: 4px;
}

figcaption {
  margin-top: 0.4rem;
  color: var(--quiet);
  font-size: 0.9375rem;
  font-style: italic;
}

blockquote {
  margin-left: 0;
  padding: 0.25rem 0 0.25rem 1.25rem;
  border-left: 4px solid var(--gorse);
  font-size: 1.125rem;
}

blockquote p:last-child {
  margin-bottom: 0;
}

dt {
  font-weight: bold;
}

dd {
  margin: 0 0 0.75rem;
}

table {
  display: block;
  overflow-x: auto;
  border-collapse: collapse;
}

th,
td {
  padding: 0.45rem 1rem 0.45rem 0;
  border-bottom: 1px solid var(--line);
  text-align: left;
  vertical-align: top;
}

caption {
  padding-bottom: 0.4rem;
  color: var(--quiet);
  text-align: left;
}

.notice {
  padding: 0.75rem 1rem;
  background: #fff4d6;
  border-left: 4px solid var(--gorse);
}

/* Pager and footer */

.pager {
  display: flex;
  flex-wrap: wrap;
  gap: 0.75rem;
  padding-bottom: 2.5rem;
}

.pager a {
  display: block;
  flex: 1 1 14rem;
  max-width: 26rem;
  padding: 0.75rem 1rem;
  background: #fff;
  border: 1px solid var(--line);
  border-radius: 4px;
  text-decoration: none;
}

.pager a[rel='next'] {
  margin-left: auto;
  text-align: right;
}

.pager a:hover {
  background: var(--mist);
  border-color: var(--water);
}

.pager-word {
  display: block;
  color: var(--quiet);
  font: 0.875rem/1.4 system-ui, 'Segoe UI', Roboto, 'Helvetica Neue', Arial, sans-serif;
}

.pager-page {
  font-weight: bold;
}

.site-footer {
  padding: 1.75rem max(1.25rem, calc((100% - var(--width)) / 2 + 1.25rem));
  background: var(--deep);
  font-size: 0.9375rem;
}

.site-footer p {
  max-width: 42rem;
  margin: 0 0 0.6rem;
}

.site-footer a:link,
.site-footer a:visited {
  color: #fff;
}

.site-footer a:hover {
  color: var(--gorse);
}

.copyright {
  color: #c6d5df;
}

@media print {
  .menu,
  .pager,
  .skip-link {
    display: none;
  }
}
`
