import fc from 'fast-check'
import { readSiteFile, writeSiteFile } from '../formats/siteFile.ts'
import { siteFault } from '../plan/siteFault.ts'
import { found as asFiles, written } from '../testing/written.ts'
import { bring, NothingToBring } from './bring.ts'
import type { FoundFile } from './intake/folderFiles.ts'
import { archivePath, soundFiles } from './intake/foundPaths.ts'

const bytesOf = (text: string) => new TextEncoder().encode(text)
const long = (most: number) =>
  fc.integer({ min: 1, max: most }).map((n) => 'ab \u{1f600}'.repeat(Math.ceil(n / 5)).slice(0, n))

/** What authors and programs write where a short text is expected: too long, cut in two, with what cannot be stored. */
const oddText = fc.oneof(
  fc.constantFrom(
    'Home',
    '',
    ' ',
    '&#xFFFE;',
    '\u{fffe}',
    'a\u0085b',
    '&#0;',
    '\u200b',
    '{title}',
    '\u2028',
    '<b>x</b>',
    '&lt;',
  ),
  fc.string({ unit: 'binary', maxLength: 8 }),
  long(1200),
)
const oddUrl = fc.oneof(
  fc.constantFrom(
    'index.html',
    '#',
    '',
    'a.html#x',
    'https://www.example.org/',
    'javascript:x',
    'http://',
    '//x',
    '%',
    'mailto:a@b.example',
  ),
  long(2500).map((text) => `https://www.example.org/${text}`),
  fc.string({ unit: 'binary', maxLength: 8 }),
)
/** Bytes between the tags that few authors write and no page should lose. */
const oddContent = fc.constantFrom(
  '',
  '',
  '',
  '\0',
  '\u0001',
  '\u000b',
  '\ufffe',
  '\u{1ffff}',
  '\r',
  '\u2028',
  '&#0;',
  '<!--',
  '</main>',
  '<?php',
)

const page = fc
  .record({
    title: oddText,
    heading: oddText,
    description: oddText,
    language: oddText,
    canonical: oddUrl,
    odd: fc.tuple(oddContent, oddContent),
    links: fc.array(fc.tuple(oddUrl, oddText), { maxLength: 5 }),
  })
  .map(
    ({ title, heading, description, language, canonical, links, odd }) =>
      `<!DOCTYPE html><html lang="${language}"><head><title>${title}</title><meta name="description" content="${description}">` +
      `<link rel="canonical" href="${canonical}"></head><body><ul>` +
      links.map(([url, label]) => `<li><a href="${url}">${label}</a></li>`).join('') +
      `</ul><h1>${heading}</h1>${odd[0]}<main><p>${description}${odd[1]}</p></main></body></html>`,
  )

const segment = fc.oneof(
  fc.constantFrom(
    'a',
    'A',
    'a.html',
    'index.html',
    '..',
    '.',
    '',
    ' b.html',
    'b.html ',
    'c\\d.html',
    'con.html',
    'x\u0001.html',
    'é.html',
    'e\u0301.html',
    '\ud800.html',
    'a:b.html',
    'w.txt',
    '.htaccess',
    'style.css',
  ),
  long(300).map((text) => `${text}.html`),
)
const path = fc.array(segment, { minLength: 1, maxLength: 4 }).map((segments) => segments.join('/'))
const folder: fc.Arbitrary<FoundFile[]> = fc.array(
  fc.record({ path: fc.oneof(fc.constantFrom('index.html', 'b.html'), path), bytes: page.map(bytesOf) }),
  { minLength: 1, maxLength: 6 },
)

test('whatever a folder holds, what is imported can be stored and opened, and comes out to the byte', () => {
  let imported = 0
  fc.assert(
    fc.property(folder, (found) => {
      let brought
      try {
        brought = bring(found)
      } catch (error) {
        expect(error).toBeInstanceOf(NothingToBring)
        return
      }
      imported++
      const { site, contents, report } = brought
      expect(siteFault(site)).toBeUndefined()
      const stored = new Map(
        [...contents].map(([key, bytes]) => [key, Buffer.from(bytes).toString('base64')]),
      )
      const opened = readSiteFile(writeSiteFile(site, stored))
      const bytesByKey = [...opened.contents].map(
        ([key, text]) => [key, new Uint8Array(Buffer.from(text, 'base64'))] as const,
      )
      const out = written(opened.site, new Map(bytesByKey))
      const { files, leftOut } = soundFiles(found)
      for (const [at, text] of asFiles(files)) expect([at, out.get(at)]).toEqual([at, text])
      const told = new Set(report.leftover.map((one) => one.path))
      expect(leftOut.filter((one) => !told.has(one.path))).toEqual([])
    }),
    { numRuns: 300 },
  )
  expect(imported).toBeGreaterThan(50)
})

test('a file with an impossible name is left out, and never the others', () => {
  const names = [
    'index.html',
    '../x.html',
    '/etc/passwd',
    'a//b.html',
    'x\u0001.html',
    'a',
    'a/c.html',
    `${'d'.repeat(1001)}.html`,
    ' e.html',
    'index.html',
  ]
  const { files, leftOut } = soundFiles(names.map((name) => ({ path: name, bytes: bytesOf('x') })))
  expect(files.map((file) => file.path)).toEqual(['index.html', 'a/c.html', ' e.html'])
  expect(leftOut.map((file) => file.path)).toEqual([
    '../x.html',
    '/etc/passwd',
    'a//b.html',
    'x\u0001.html',
    `${'d'.repeat(1001)}.html`,
    'index.html',
    'a',
  ])
})

test.each([
  ['a\\b.html', 'a/b.html'],
  ['./a//b.html', 'a/b.html'],
  ['a/./b.html', 'a/b.html'],
  [' a.html', ' a.html'],
  ['../a.html', '../a.html'],
  ['/a.html', '/a.html'],
  ['\\a.html', '/a.html'],
])('an archive that names %j means %j', (name, meant) => {
  expect(archivePath(name)).toBe(meant)
})
