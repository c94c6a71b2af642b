import { type DefaultTreeAdapterTypes, parse, serialize } from 'parse5'
import { readOpml } from '../formats/opml.ts'
import { applyChange } from '../plan/change/apply.ts'
import type { Site } from '../plan/site.ts'
import { type Element, elementsOf, isElement } from '../standard/fragment.ts'
import { OURS } from '../testing/ours.ts'
import { YEAR } from '../testing/year.ts'
import { createPageWriter } from './pageWriter.ts'

const plain = applyChange(
  readOpml(`<opml version="2.0"><head><title>Trust</title></head><body><outline text="Home">
    <outline text="Visit"/></outline></body></opml>`),
  {
    kind: 'batch',
    changes: [
      { kind: 'setEntry', entry: 'visit', field: 'body', value: { html: '<p>x</p>', changed: '' } },
      { kind: 'addFile', file: { id: 'lock', path: 'pictures/lock.svg', content: 'k', size: 1, alt: '' } },
    ],
  },
).site

const withBody = (site: Site, html: string): Site =>
  applyChange(site, { kind: 'setEntry', entry: 'visit', field: 'body', value: { html, changed: '' } }).site
const withPiece = (site: Site, html: string): Site =>
  applyChange(site, {
    kind: 'addPiece',
    place: 'header',
    at: 0,
    piece: { id: 'own', beside: false, kind: 'html', html },
  }).site

/** The page as a browser reads it, in the outermost elements of its body. */
function read(site: Site, scriptingEnabled: boolean) {
  const page = parse(createPageWriter(site, YEAR).page('visit'), { scriptingEnabled })
  const html = page.childNodes.find(isElement)!
  const [head, body] = html.childNodes.filter(isElement) as [Element, Element]
  const parts = body.childNodes.filter(isElement)
  const inside = (name: string) => {
    const part = parts.filter(({ tagName }) => tagName === name)
    return part.length === 1 ? serialize(part[0]!, { scriptingEnabled }) : `${part.length} of ${name}`
  }
  return {
    outermost: parts.map(({ tagName, attrs }) => [tagName, ...attrs.map(({ name }) => name)].join(' ')),
    attributes: [html, head, body].flatMap(({ attrs }) => attrs),
    head: serialize(head),
    header: inside('header'),
    main: inside('main'),
    footer: inside('footer'),
    page,
  }
}

const referencesOf = (page: DefaultTreeAdapterTypes.Document) =>
  [...elementsOf(page)].flatMap(({ element }) => element.attrs.map(({ value }) => value))

const untouched = [true, false].map((scriptingEnabled) => read(plain, scriptingEnabled))

/** Content that once left main, or spoilt what is around it. */
const LEFT = [
  '<p><a href="entry:home">Home</p><p>Next.</p>',
  '<a href="entry:home"><div>x',
  '<noscript><a href="entry:home">x</noscript>',
  '<noscript><b>x</noscript><p>y',
  '<svg><main><plaintext>',
  '<base href="https://elsewhere.example/"><p>x</p>',
  '<img src="site-file:lock" cite="entry:home" srcset="site-file:lock 1x, site-file:gone 2x">',
  '<!-- \u00010\u0001 --><p \u00010\u0001="x">x</p>',
]

function expectContained(site: Site, part: 'main' | 'header'): void {
  for (const [at, scriptingEnabled] of [true, false].entries()) {
    const before = untouched[at]!
    const after = read(site, scriptingEnabled)
    expect(after.outermost).toEqual(before.outermost)
    expect(after.attributes).toEqual(before.attributes)
    expect(after.head).toBe(before.head)
    expect(after.footer).toBe(before.footer)
    expect(part === 'main' ? after.header : after.main).toBe(part === 'main' ? before.header : before.main)
    expect([...elementsOf(after.page)].filter(({ element }) => element.tagName === 'base')).toEqual([])
    // Nothing of how Viatica writes links is left in the page.
    for (const value of referencesOf(after.page)) expect(value).not.toMatch(OURS)
  }
}

test.each(LEFT)(
  '%j stays inside of main, and in a piece inside of its place, with scripts on and off',
  (html) => {
    expectContained(withBody(plain, html), 'main')
    expectContained(withPiece(plain, html), 'header')
  },
)
