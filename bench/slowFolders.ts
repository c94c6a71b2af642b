/** Pages of a folder that are small to send and were much to read: what repeats, unclosed or without an end. */

const NAV =
  '<ul><li><a href="index.html">Home</a></li><li><a href="b.html">B</a></li><li><a href="c.html">C</a></li></ul>'
const page = (title: string, rest: string, head = '') =>
  `<!DOCTYPE html><html lang="en"><head><title>${title}</title>${head}</head><body>${NAV}<h1>${title}</h1>` +
  `<main><p>Text of ${title}.</p></main>${rest}</body></html>`
const items = (count: number) =>
  Array.from({ length: count }, (_, n) => `<li><a href="p${n}.html">Page ${n}</a></li>`).join('')

/** Menus of different pages each, and lists of nearly the same links in other places. */
const differentMenus = (count: number) =>
  Array.from({ length: count }, (_, n) => {
    const links = [n, n + 1, n + 2].map((at) => `<a href="p${at}.html">Page ${at}</a>`)
    const listed = (tag: string) => `<${tag}>${links.map((link) => `<li>${link}</li>`).join('')}</${tag}>`
    const others = ['ol', 'menu', 'dir'].map((tag) => `<div class="at${n}">${listed(tag)}</div>`)
    return `<nav>${listed('ul')}</nav>${others.join('')}<p class="x${n}">${links.join(', ')}</p>`
  }).join('')

/** What a page has beside its usual parts; `size` is 1 for the whole, and less for a part of it. */
const KINDS: Readonly<Record<string, (title: string, size: number) => string>> = {
  '<style 16,000 times': (title, size) => page(title, '<style '.repeat(16_000 * size)),
  '<h1> 20,000 times': (title, size) => page(title, '<h1>'.repeat(20_000 * size)),
  '<a href> 10,000 times, unclosed': (title, size) => page(title, '<a href="b.html">'.repeat(10_000 * size)),
  '<title> 10,000 times': (title, size) => page(title, '', '<title>x</title>'.repeat(10_000 * size)),
  'a menu of 5,000 links': (title, size) => page(title, `<nav><ul>${items(5000 * size)}</ul></nav>`),
  '1,000 small menus': (title, size) => page(title, NAV.repeat(1000 * size)),
  '600 menus, and 2,400 lists like them': (title, size) => page(title, differentMenus(600 * size)),
  '<p>ab</p> 9,000 times': (title, size) => page(title, '<p>ab</p>'.repeat(9000 * size)),
  'a breadcrumb of 3,000 links': (title, size) =>
    page(title, `<nav aria-label="Breadcrumb"><ol>${items(3000 * size)}</ol></nav>`),
  '8,000 nested <div>': (title, size) => page(title, '<div>'.repeat(8000 * size)),
  '15,000 line breaks': (title, size) => page(title, '<br>'.repeat(15_000 * size)),
  '200,000 blanks': (title, size) => page(title, ' '.repeat(200_000 * size)),
}

const PATHS = ['index.html', 'b.html', 'c.html', 'd.html']
const encoder = new TextEncoder()

/** Every folder, at a quarter of its size and whole. */
export const slowFolders = Object.entries(KINDS).map(([words, make]) => {
  const files = (size: number) => PATHS.map((path) => ({ path, bytes: encoder.encode(make(path, size)) }))
  return { words, quarter: files(0.25), whole: files(1) }
})
