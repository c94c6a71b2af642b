import { bring, type Brought } from './bring.ts'
import { found, written } from '../testing/written.ts'

const SOON = '<p>This page is not written yet. Please come back later.</p>'

/** A small site with one menu, whose pages have some content in an element, and a day of their own in the footer. */
function siteOf(bodies: Readonly<Record<string, string>>, element = 'main', hasDays = false) {
  const names = Object.keys(bodies)
  const page = (name: string, body: string, day: number) => `<!DOCTYPE html>
<html lang="en">
<head><meta charset="utf-8"><title>${name} | Mill</title></head>
<body>
<nav><ul>
${names.map((one) => `<li><a href="${one}.html"${one === name ? ' class="here"' : ''}>${one}</a></li>`).join('\n')}
</ul></nav>
<${element}>
<h1>${name}</h1>
${body}
</${element}>
<footer><p>Mill Lane${hasDays ? `, ${day} May` : ''}</p></footer>
</body></html>
`
  return Object.entries(bodies).map(([name, body], at) => ({
    path: `${name}.html`,
    bytes: new TextEncoder().encode(page(name, body, at + 1)),
  }))
}

const textsOf = ({ site }: Brought) =>
  [...site.plan.entries.values()].flatMap((entry) => (entry.kind === 'page' ? [entry.body.html.trim()] : []))
const kindsOf = ({ site }: Brought) =>
  site.surround.templates!.templates.map(({ parts }) => parts.filter(({ kind }) => kind === 'content').length)

const NAMES = ['index', 'about', 'walks', 'boats', 'contact']
const same = (text: string) => Object.fromEntries(NAMES.map((name) => [name, text]))

describe('what the content of pages is that say the same', () => {
  test.each([
    ['all of them', same(SOON), false],
    ['all of them, with a day of their own elsewhere', same(SOON), true],
    [
      'most of them',
      {
        ...same(SOON),
        index: '<p>Welcome to the mill. Flour is ground every day but Sunday.</p>',
        contact: '<p>Write to us at the mill.</p>\n<p>Or come by.</p>',
      },
      false,
    ],
  ])('%s: what is in their main element', (_, bodies, hasDays) => {
    const files = siteOf(bodies, 'main', hasDays)
    const brought = bring(files)
    expect(written(brought.site, brought.contents)).toEqual(found(files))
    expect(kindsOf(brought)).toEqual([1])
    expect(textsOf(brought).sort()).toEqual(Object.values(bodies).sort())
    expect(brought.report.drift).toEqual([])
  })
})

test.each(['main', 'div'])('one paragraph on every page is content with its tags, in a %s', (element) => {
  const bodies = Object.fromEntries(NAMES.map((name) => [name, `<p>Of ${name} there is much to say.</p>`]))
  const files = siteOf(bodies, element)
  const brought = bring(files)
  expect(written(brought.site, brought.contents)).toEqual(found(files))
  expect(textsOf(brought).sort()).toEqual(Object.values(bodies).sort())
})

test('of a page that stands alone, content begins after its heading and ends before its footer', () => {
  const body = '<p>Of <b>flour</b></div> there is much to say.</p>\n<ul>\n<li>Rye\n<li>Wheat\n</ul>'
  const files = siteOf({ index: body })
  const brought = bring(files)
  expect(written(brought.site, brought.contents)).toEqual(found(files))
  expect(textsOf(brought)).toEqual([body])
})
