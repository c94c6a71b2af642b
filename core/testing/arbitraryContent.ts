import fc from 'fast-check'

/** Main content as authors have it: everything that stands in a text, in every order and depth, and all kinds of attributes. */

const attribute = fc.constantFrom(
  ...['class="note"', 'id="part"', 'style="color:red"', 'lang="de"', 'title="a &quot;b&quot;"', 'hidden'],
  ...['data-x="1"', 'onclick="x()"', 'dir=rtl', 'role="note"', 'aria-label=""'],
)
const attributes = fc
  .uniqueArray(attribute, { maxLength: 2 })
  .map((list) => list.map((one) => ` ${one}`).join(''))

const words = fc
  .array(
    fc.constantFrom(
      ...[
        'word',
        'Two words',
        ' ',
        '  ',
        '\n',
        '\t',
        '&nbsp;',
        '&amp;',
        '&lt;b&gt;',
        'ä',
        '日本',
        '🦦',
        'e\u0301',
        '“q”',
        '-',
      ],
    ),
    { minLength: 1, maxLength: 4 },
  )
  .map((list) => list.join(''))

const element = (tags: readonly string[], inside: fc.Arbitrary<string>) =>
  fc
    .tuple(fc.constantFrom(...tags), attributes, inside)
    .map(([tag, attrs, html]) => `<${tag}${attrs}>${html}</${tag}>`)

const several = (one: fc.Arbitrary<string>, minLength: number, maxLength: number, between = '') =>
  fc.array(one, { minLength, maxLength }).map((list) => list.join(between))

const TEXT_LEVEL =
  'b strong i em s u code sub sup small q cite abbr kbd mark span ins del time var label font tt'.split(' ')

const thing = fc.constantFrom(
  ...[
    '<br>',
    '<br class="x">',
    '<wbr>',
    '<img src="site-file:lock" alt="A lock">',
    '<img src="a.png" alt>',
    '<!-- note -->',
  ],
  ...[
    '<svg viewBox="0 0 1 1"><path d="M0 0"/></svg>',
    '<input value="x">',
    '<button>Go <b>on</b></button>',
    '<b></b>',
  ],
  ...[
    '<put-pages descriptions></put-pages>',
    '<put-pages cards></put-pages>',
    '<put-pages newest></put-pages>',
    '<put-pages cards of="e1 none e0"></put-pages>',
    '<put-site-map>',
    '<put-year></put-year>',
    '<put-menu menu="Main" />',
  ],
  ...[
    '<iframe src="https://example.org/"></iframe>',
    '<select><option>a<option>b</select>',
    '<a id="here"></a>',
    '<i> </i>',
  ],
  ...[
    '<script>if (a < b) x()</script>',
    '<span class="icon"> </span>',
    '<textarea>\n a\n b</textarea>',
    '<picture><img src="b.png" alt=""></picture>',
  ],
)

const { line } = fc.letrec<{ line: string; part: string }>((tie) => ({
  part: fc.oneof(
    { depthSize: 'small', withCrossShrink: true },
    words,
    thing,
    element(TEXT_LEVEL, tie('line')),
    fc
      .tuple(
        fc.constantFrom(' href="entry:home"', ' href="https://example.org/?a=1&amp;b=2"', ' href=""', ''),
        attributes,
        tie('line'),
      )
      .map(([href, attrs, html]) => `<a${href}${attrs}>${html}</a>`),
  ),
  line: several(tie('part'), 0, 4),
}))

const span = fc.constantFrom(
  '',
  '',
  '',
  ' colspan="2"',
  ' rowspan="2"',
  ' colspan=1',
  ' scope="col"',
  ' scope="row"',
  ' width="40"',
)

const { blocks } = fc.letrec<{ block: string; blocks: string; flow: string }>((tie) => {
  const cell = fc
    .tuple(fc.constantFrom('td', 'th', 'td'), span, tie('flow'))
    .map(([tag, attrs, html]) => `<${tag}${attrs}>${html}</${tag}>`)
  const row = fc.tuple(attributes, several(cell, 1, 3)).map(([attrs, cells]) => `<tr${attrs}>${cells}</tr>`)
  const even = fc
    .tuple(
      fc.integer({ min: 1, max: 3 }),
      fc.array(tie('flow'), { minLength: 9, maxLength: 9 }),
      fc.constantFrom('td', 'th'),
    )
    .map(([width, cells, head]) =>
      [0, 1, 2]
        .map((y) => {
          const tag = y === 0 ? head : 'td'
          return `<tr>${cells
            .slice(y * width, (y + 1) * width)
            .map((html) => `<${tag}>${html}</${tag}>`)
            .join('')}</tr>`
        })
        .join('\n'),
    )
  const rows = fc.oneof(even, several(row, 1, 3))
  const table = fc
    .tuple(
      attributes,
      fc.constantFrom(
        '',
        '',
        '<caption>Times</caption>',
        '<caption><b>Times</b> of day</caption>',
        '<caption class="x">y</caption>',
      ),
      fc.constantFrom('', '', '<colgroup><col class="a"><col></colgroup>'),
      several(
        fc.oneof(
          rows,
          fc
            .tuple(fc.constantFrom('thead', 'tbody', 'tfoot'), attributes, rows)
            .map(([tag, attrs, html]) => `<${tag}${attrs}>${html}</${tag}>`),
        ),
        0,
        2,
      ),
    )
    .map(([attrs, ...parts]) => `<table${attrs}>${parts.join('\n')}</table>`)
  const item = fc.tuple(attributes, tie('flow')).map(([attrs, html]) => `<li${attrs}>${html}</li>`)
  const list = fc
    .tuple(
      fc.constantFrom('ul', 'ol', 'ol start="3"', 'ol start="1" reversed', 'ol type="a"'),
      several(
        fc.oneof(
          { weight: 6, arbitrary: item },
          { weight: 1, arbitrary: fc.constantFrom('<!-- x -->', 'text') },
        ),
        0,
        3,
        '\n',
      ),
    )
    .map(([open, items]) => `<${open}>${items}</${open.slice(0, 2)}>`)
  const definition = fc
    .tuple(fc.constantFrom('dt', 'dd', 'dd'), attributes, line, tie('flow'))
    .map(([tag, attrs, term, html]) => `<${tag}${attrs}>${tag === 'dt' ? term : html}</${tag}>`)
  const definitions = fc
    .tuple(several(definition, 1, 3), fc.boolean())
    .map(([html, isGrouped]) => (isGrouped ? `<dl><div>${html}</div></dl>` : `<dl>${html}</dl>`))
  const figure = several(
    fc.oneof(
      fc.constantFrom(
        '<img src="site-file:lock" alt="A" width="3" height="4" loading="lazy">',
        '\n',
        '<a href="entry:home"><img src="b.png" alt=""></a>',
      ),
      line.map((html) => `<figcaption>${html}</figcaption>`),
      fc.constant('<figcaption><p>In a paragraph</p></figcaption>'),
      tie('block'),
    ),
    0,
    3,
  ).map((html) => `<figure class="wide">${html}</figure>`)
  const box = fc
    .tuple(
      fc.constantFrom(
        'div',
        'section',
        'article',
        'aside',
        'blockquote',
        'details',
        'fieldset',
        'form',
        'address',
        'nav',
        'a href="x"',
        'ins',
        'span',
      ),
      attributes,
      fc.constantFrom('', '', '<summary>More</summary>', '<legend>Of <b>it</b></legend>'),
      tie('flow'),
    )
    .map(([open, attrs, label, html]) => `<${open}${attrs}>${label}${html}</${open.split(' ')[0]!}>`)
  const code = fc
    .tuple(
      fc.constantFrom('<pre>', '<pre class="x">', '<pre><code>', '<pre><code class="language-js">'),
      fc.constantFrom('', 'a\n  b', '\n\nc', '\t<\n', '<b>x</b>').filter((text) => text !== '\t<\n'),
    )
    .map(([open, text]) => `${open}${text}${open.includes('<code') ? '</code>' : ''}</pre>`)
  return {
    block: fc.oneof(
      { depthSize: 'xsmall', withCrossShrink: true },
      element(['p', 'p', 'p', 'h2', 'h3', 'h4'], line),
      fc.constantFrom(
        '<hr>',
        '<hr class="x">',
        '<!-- a note -->',
        '<video src="x.mp4" controls></video>',
        '<p></p>',
        '<menu><li>a</li></menu>',
        '<style>p { color: red }</style>',
      ),
      code,
      list,
      table,
      definitions,
      figure,
      box,
    ),
    flow: fc.oneof(
      { depthSize: 'xsmall' },
      line,
      fc.tuple(line, tie('block'), line).map((parts) => parts.join('')),
      tie('blocks'),
    ),
    blocks: fc
      .tuple(fc.constantFrom('', '\n', '\n\n  '), fc.array(tie('block'), { maxLength: 3 }))
      .map(([gap, list]) => list.join(gap)),
  }
})

/** A text of an author: blocks, and now and then a line without one. */
export const mainContent: fc.Arbitrary<string> = fc
  .array(fc.oneof({ weight: 5, arbitrary: blocks }, { weight: 1, arbitrary: line }), { maxLength: 4 })
  .map((parts) => parts.join('\n'))
