import type { DocNode } from './document.ts'
import { readVisual } from './read.ts'
import { sameContent } from './sameContent.ts'
import { writeBlocks } from './write.ts'

/** What stands in a content as it was, and not as something to be edited. */
function keptIn(doc: DocNode): string[] {
  if (doc.type === 'keptBlock' || doc.type === 'keptInline') return [String(doc.attrs!['html'])]
  return (doc.content ?? []).flatMap(keptIn)
}

describe('main content in the visual editor', () => {
  test.each([
    '<table><tr><td><p>a</p></td></tr></table>',
    '<table><caption>Times <b>of day</b></caption><colgroup><col><col></colgroup><thead><tr><th scope="col">a<th>b</thead><tbody class="x"><tr><td>1<td><ul><li>x</li></ul></tbody><tbody><tr><td colspan="2">2</tbody></table>',
    '<ul><li>a<p>b</p></li><li><p>c</p></li><!-- note --></ul>',
    '<ol start="3" type="a" reversed><li value="7">a</li></ol>',
    '<dl><dt>a</dt><dd><p>b</p></dd><div class="g"><dt>c</dt><dd>d</dd></div></dl>',
    '<figure><img src="a.png" alt="A" loading="lazy"><img src="b.png" alt=""><figcaption>Both <a href="entry:home">at home</a></figcaption></figure>',
    '<section id="s" class="wide"><h2 style="color:red">T</h2>bare text<div><p class="note">x</p></div></section>',
    '<details open><summary>More</summary><p>x</p></details>',
    '<p><b>b</b><strong>s</strong> <i>i</i> <span class="x">one</span><span class="x">two</span> <em>a<em>b</em></em></p>',
    '<p><a href="entry:home" class="button" title="t">x <code>y</code></a><br class="z">H<sub>2</sub>O</p>',
    '<a href="entry:home" class="card"><h3>Card</h3><p>text</p></a>',
    '<pre class="x"><code class="language-js">a\n  b</code></pre><pre>\n\nc</pre>',
    '<blockquote cite="https://example.org/">quoted</blockquote><hr class="wide">',
    'bare <em>line</em>',
  ])('is held in all that it is, to be edited: %s', (html) => {
    const doc = readVisual(html)
    expect(keptIn(doc).filter((kept) => !kept.startsWith('<!--'))).toEqual([])
    expect(sameContent(writeBlocks(doc).join('\n'), html)).toBe(true)
  })

  test.each([
    ['<p>a</p><video src="x.mp4" controls></video><p>b</p>', ['<video src="x.mp4" controls=""></video>']],
    ['<p>a <svg><path/></svg> b</p>', ['<svg><path></path></svg>']],
    ['<p><a id="here"></a>text<!-- n --></p>', ['<a id="here"></a>', '<!-- n -->']],
    ['<section><menu><li>a</menu><p>b</p></section>', ['<menu><li>a</li></menu>']],
    [
      '<table><tr><td>a<td>b<tr><td>c</table>',
      ['<table><tbody><tr><td>a</td><td>b</td></tr><tr><td>c</td></tr></tbody></table>'],
    ],
    [
      '<figure><img src="a.png" alt=""><figcaption><p>a</p></figcaption></figure>',
      ['<figure><img src="a.png" alt=""><figcaption><p>a</p></figcaption></figure>'],
    ],
  ])('keeps what it cannot hold, and no more than that: %s', (html, kept) => {
    const doc = readVisual(html)
    expect(keptIn(doc)).toEqual(kept)
    expect(sameContent(writeBlocks(doc).join('\n'), html)).toBe(true)
  })

  test('is written as a careful person would', () => {
    const html =
      '<ul><li>a<ul><li>b</ul><li><p>c<p>d</ul><table><tr><th scope=col>x<tr><td></table><p>1 &lt; 2&nbsp;m</p><section><div>x</div></section>'
    expect(`${writeBlocks(readVisual(html)).join('\n')}\n`).toBe(`<ul>
  <li>a
    <ul>
      <li>b</li>
    </ul>
  </li>
  <li>
    <p>c</p>
    <p>d</p>
  </li>
</ul>
<table>
  <tbody>
    <tr>
      <th scope="col">x</th>
    </tr>
    <tr>
      <td></td>
    </tr>
  </tbody>
</table>
<p>1 &lt; 2&nbsp;m</p>
<section>
  <div>x</div>
</section>
`)
  })

  test.each([
    ['<p>a</p>', '<p>b</p>'],
    ['<p>a</p>', '<div>a</div>'],
    ['<p class="x">a</p>', '<p>a</p>'],
    ['<p>a<!-- n --></p>', '<p>a</p>'],
    ['<p>ab</p>', '<p>a b</p>'],
    ['<p><b>a</b>b</p>', '<p><b>ab</b></p>'],
    ['<p>a</p><p>b</p>', '<p>ab</p>'],
    ['<td>a</td>', '<table><tr><td>a</td></tr></table>'],
    ['<p><span>a</span><span>b</span></p>', '<p><span>ab</span></p>'],
    ['<p>a<img src="x" alt=""></p>', '<p>a</p>'],
    ['<pre>a  b</pre>', '<pre>a b</pre>'],
    ['<p><em><em>a</em></em></p>', '<p><em>a</em></p>'],
    ['<p>a&nbsp;b</p>', '<p>a b</p>'],
    ['<template><p>a</p></template>', '<template></template>'],
  ])('%s is not the same as %s', (one, other) => {
    expect(sameContent(one, other)).toBe(false)
  })

  test.each([
    ['<p class="x" id="y">a\n  b </p>\n\n', '<p id=y class=x>a b'],
    ['<p><b><i>a</i></b></p>', '<p><i><b>a</b></i></p>'],
    ['<p><b>a</b><b>b</b></p>', '<p><b>ab</b></p>'],
    ['<p>a <br> b</p>', '<p>a<br>b</p>'],
  ])('%s is the same as %s', (one, other) => {
    expect(sameContent(one, other)).toBe(true)
  })
})
