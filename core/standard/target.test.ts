import { isAllowedTarget, isBaseUrl } from './target.ts'
import * as v from 'valibot'
import { filledLine, line } from './text.ts'

// The platform's URL says which of these are addresses: https://url.spec.whatwg.org/
test.each([
  'https://example.org/',
  'https://user@example.org:8080/a',
  'https://[2001:db8::1]/',
  'https://example.org:65535/',
  'https://exämple.org/',
  'https://example.org:65536/',
  'https://exa<mple.org/',
  'https://exa mple.org/',
  'https://',
  'https://:80/',
])('%s is a target where it is an address', (url) => {
  expect(isAllowedTarget(url)).toBe(URL.canParse(url) && !url.includes(' '))
})

test.each([
  ['https://example.org/a/', true],
  ['https://example.org/a//b/', false],
  ['https://example.org/?q', false],
  ['https://example.org:70000/', false],
])('a site can be published at %s: %j', (url, expected) => {
  expect(isBaseUrl(url)).toBe(expected)
})

test.each(['\u200b', '\u2060\u00a0', '\ufeff', '\u00ad'])(
  '%j shows nothing, so that it is no title',
  (text) => {
    expect(v.is(filledLine(10), text)).toBe(false)
  },
)

test.each(['a\uffff', '\ufdd0', '\ud800'])('%j cannot stand in HTML', (text) => {
  expect(v.is(line(10), text)).toBe(false)
})
