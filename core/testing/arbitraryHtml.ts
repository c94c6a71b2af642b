import fc from 'fast-check'

/** Every element with parsing rules of its own, and some plain ones. https://html.spec.whatwg.org/multipage/parsing.html */
const TAGS = (
  'a b i em font nobr code p div span ul ol li dl dt dd h1 h2 h6 pre listing textarea title style script noscript iframe noembed ' +
  'noframes xmp plaintext template table caption colgroup col thead tbody tfoot tr td th select option optgroup button form ' +
  'input label object applet marquee svg math foreignObject desc mtext mi mglyph annotation-xml main header footer nav aside ' +
  'article section body html head base link meta frameset frame br hr img image isindex ruby rb rt rp details summary dialog constructor ' +
  'video audio source picture embed param keygen menu center address blockquote put-menu put-year put-title'
).split(' ')

/** References as authors type them, and as they should not be. */
export const REFERENCES = [
  'entry:home',
  'entry:home#part',
  ' ENTRY:home ',
  'entry:home?q=1&amp;r=2#a%20b',
  'entry:gone',
  'site-file:lock',
  'site-file:lock#page=2',
  'site-file:gone',
  'https://example.org/',
  'page.html',
  '#part',
  'javascript:x',
  '',
]

const attribute = fc.oneof(
  fc
    .tuple(
      fc.constantFrom('href', 'src', 'poster', 'data', 'cite', 'action', 'formaction', 'xlink:href'),
      fc.constantFrom(...REFERENCES),
    )
    .map(([name, value]) => `${name}="${value}"`),
  fc
    .tuple(fc.constantFrom(...REFERENCES), fc.constantFrom(...REFERENCES))
    .map(([a, b]) => `srcset="${a} 1x, ${b} 2x"`),
  fc
    .constantFrom(...REFERENCES)
    .map((url) => `style="background:url(${url});list-style:image-set('${url}' 1x)"`),
  fc.constantFrom('part', 'end', 'main', 'a b').map((value) => `id="${value}"`),
  fc.constantFrom(
    'encoding=text/html',
    'open',
    'onload=x()',
    'a"b=c',
    "x='",
    '\u00010\u0001',
    'title="</main>"',
  ),
)

const tag = fc.oneof(
  {
    weight: 6,
    arbitrary: fc
      .tuple(fc.constantFrom(...TAGS), fc.array(attribute, { maxLength: 3 }), fc.constantFrom('', '/'))
      .map(([name, attributes, end]) => `<${[name, ...attributes].join(' ')}${end}>`),
  },
  { weight: 4, arbitrary: fc.constantFrom(...TAGS).map((name) => `</${name}>`) },
  {
    weight: 3,
    arbitrary: fc.constantFrom(
      ...['text', ' ', '\n', '&amp;', '&#1;0&#1;', '&lt;/main&gt;', '\u00010\u0001', '\u00020\u0002', '\0'],
      ...['<!--', '-->', '<!-- a --!>', '<!doctype html>', '<![CDATA[', ']]>', '<?php ?>', '</', '<'],
      ...['</main>', '</main></body></html>', '<main>', '<body onload="x()">', '<html lang="x">'],
    ),
  },
)

/** HTML as nobody should write it: elements unclosed, crossed, out of place, with references of every kind. */
export const hostileHtml: fc.Arbitrary<string> = fc
  .array(tag, { maxLength: 14 })
  .map((parts) => parts.join(''))
