/** How main content looks, and what is left out on paper. */
export const CONTENT_STYLES = `
/* Main content */

main > * {
  max-width: 42rem;
}

main > figure {
  max-width: 52rem;
}

main > .row,
main > .banner {
  max-width: none;
}

h1,
h2,
h3,
h4 {
  font-family: var(--heading-font);
  line-height: 1.2;
  text-wrap: balance;
}

h1 {
  margin: 0.5rem 0 1rem;
  font-size: clamp(1.8rem, 1.4rem + 2vw, 2.6rem);
}

h2 {
  margin: 2rem 0 0.5rem;
  font-size: 1.4em;
}

h3 {
  margin: 1.5rem 0 0.25rem;
  font-size: 1.15em;
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
  font-size: 0.9em;
  font-style: italic;
}

blockquote {
  margin-inline-start: 0;
  padding-block: 0.25rem;
  padding-inline: 1.25rem 0;
  border-inline-start: 4px solid var(--accent);
  font-size: 1.1em;
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
  padding-block: 0.45rem;
  padding-inline: 0 1rem;
  border-bottom: 1px solid var(--line);
  text-align: start;
  vertical-align: top;
}

caption {
  padding-bottom: 0.4rem;
  color: var(--quiet);
  text-align: start;
}

pre {
  overflow-x: auto;
}

.cards {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(13rem, 100%), 1fr));
  gap: 1.25rem;
  padding: 0;
  list-style: none;
}

.cards > li {
  position: relative;
  display: flex;
  flex-direction: column;
  gap: 0.5rem;
  margin: 0;
  padding: 0 0 0.75rem;
  border: 1px solid var(--line);
}

.cards > li > * {
  margin: 0;
  padding-inline: 0.9rem;
}

.cards > li > :first-child:not(img) {
  padding-top: 0.9rem;
}

.cards img {
  width: 100%;
  padding: 0;
  aspect-ratio: 16 / 9;
  object-fit: cover;
}

.cards > li > a {
  font-weight: 600;
}

/* All of a card is the link. */
.cards > li > a::after {
  position: absolute;
  inset: 0;
  content: '';
}

.notice {
  padding: 0.75rem 1rem;
  background: var(--tint);
  border-inline-start: 4px solid var(--accent);
}

@media print {
  .menu,
  .pager,
  .links,
  .skip-link {
    display: none;
  }
}
`
