import fc from 'fast-check'
import { includesIn } from '../standard/includes.ts'
import { withIncludes } from './included.ts'

const shown = (path: string, files: Readonly<Record<string, string>>) =>
  withIncludes(path, files[path]!, (one) => files[one])

test('what a page puts in is found as PHP and SSI find it, wherever the page stands', () => {
  const cases: readonly (readonly [from: string, text: string, paths: readonly string[]])[] = [
    ['a/b.php', `<?php include 'top.php'; require_once("../foot.inc") ?>`, ['a/top.php', 'foot.inc']],
    ['a/b.php', `<?php include __DIR__ . '/../top.php' ?>`, ['top.php']],
    ['a/b.php', `<?php include($_SERVER['DOCUMENT_ROOT'].'/inc/top.php'); ?>`, ['inc/top.php']],
    [
      'a/b.shtml',
      `<!--#include virtual="/inc/menu.html?x=1" --><!--#include file='foot.html' -->`,
      ['inc/menu.html', 'a/foot.html'],
    ],
    ['b.php', `<?php include $file; include "no/" . $name; ?>`, ['no']],
    ['b.html', `include 'top.php'`, []],
  ]
  for (const [from, text, paths] of cases)
    expect(includesIn(from, text).map(({ path }) => path)).toEqual(paths)
})

test('names of what is put in stand where they are said to stand, in any text', () => {
  const bit = fc.oneof(
    fc.constantFrom(
      '<?php ',
      '?>',
      '<?=',
      '<!--#include ',
      'virtual="',
      "file='",
      '-->',
      'include',
      'require_once',
    ),
    fc.constantFrom(
      '(',
      "'",
      '"',
      '/',
      '../',
      '__DIR__ . ',
      "$_SERVER['DOCUMENT_ROOT'].",
      '\n',
      ' ',
      '$title = ',
      '; echo $title',
    ),
    fc.string({ maxLength: 6 }),
  )
  const text = fc.array(bit, { maxLength: 30 }).map((bits) => bits.join(''))
  fc.assert(
    fc.property(text, text, (page, part) => {
      for (const { start, end, raw, path } of includesIn('a/b.php', page)) {
        expect(page.slice(start, end)).toBe(raw)
        expect(path.split('/')).not.toContain('..')
      }
      // Whatever stands in them, what is seen is a text, and one without code is seen as it is.
      expect(typeof withIncludes('a/b.php', page, () => part)).toBe('string')
      if (!/<\?|<!--#include/.test(page)) expect(withIncludes('a/b.php', page, () => part)).toBe(page)
    }),
    { numRuns: 2000 },
  )
})

test('a part that puts itself in, parts that put in each other, and parts without end come to an end', () => {
  const itself = '<p>x</p><!--#include virtual="x.html" -->'
  const seen = shown('x.html', { 'x.html': itself })
  expect(seen.length).toBeLessThan(1000)
  expect(seen).toMatch(/^(?:<p>x<\/p>)+$/)
  const many = Array.from({ length: 200 }, () => '<!--#include virtual="y.html" -->').join('')
  const all = shown('x.html', { 'x.html': many, 'y.html': many.replaceAll('y', 'x') })
  expect(all.length).toBeLessThan(5_000_001)
  const long = 1_000_000
  for (const text of [
    '<?php '.repeat(long / 6),
    `<?php ${'include ('.repeat(long / 9)}`,
    `<?php ${'$a = "'.repeat(long / 6)}`,
    '<!--#include virtual="'.repeat(long / 22),
    `<?php ${'?'.repeat(long)}`,
    `<?php echo ${' '.repeat(long)}`,
  ])
    expect(withIncludes('x.php', text, () => '').length).toBeLessThanOrEqual(text.length)
})

test('what a page says of itself stands in what it puts in, quoted as PHP quotes', () => {
  const files = {
    'a.php': `<?php $title = 'The \\'long\\' walk'; $mood = "fine"; include 'top.php'; ?>\n<p>Text</p>`,
    'top.php': '<title><?php echo $title; ?></title><b><?= $mood ?></b><i><?= $other ?></i><?php more() ?>',
  }
  expect(shown('a.php', files)).toBe(
    `<title>The 'long' walk</title><b>fine</b><i></i><?php more() ?><p>Text</p>`,
  )
})
