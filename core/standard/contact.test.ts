import { contactLines, contactTarget } from './contact.ts'
import { likelyTarget } from './target.ts'

test.each([
  // RFC 6068, section 2: addr-spec after mailto.
  ['office@example.org', 'mailto:office@example.org'],
  ['o’neil@example.org', 'mailto:o%E2%80%99neil@example.org'],
  // RFC 3966, section 3: a global number has a plus and digits alone.
  ['+44 1632 960143', 'tel:+441632960143'],
  ['+44 (0)1632 960-143', 'tel:+441632960143'],
  ['01632 960143', 'tel:01632960143'],
  ['12345', undefined],
  ['2026', undefined],
  ['Wetherlock Basin', undefined],
  ['a@b', undefined],
  ['two@example.org words', undefined],
])('%s leads to %s', (text, target) => {
  expect(contactTarget(text)).toBe(target)
})

test('what stands before a number or an address stays outside of its link', () => {
  expect(contactLines('Phone: 01632 960143\nOpen: every day\n a@example.org ')).toEqual([
    { before: 'Phone: ', value: '01632 960143', target: 'tel:01632960143' },
    { before: '', value: 'Open: every day', target: undefined },
    { before: '', value: 'a@example.org', target: 'mailto:a@example.org' },
  ])
})

test.each([
  ['www.example.org', 'https://www.example.org'],
  ['example.org/visit?x=1', 'https://example.org/visit?x=1'],
  ['localhost.example:8080/a', 'https://localhost.example:8080/a'],
  ['office@example.org', 'mailto:office@example.org'],
  ['https://example.org/', 'https://example.org/'],
  ['tel:123456', 'tel:123456'],
  // Nothing likely: it comes back, to be refused with the reason.
  ['visit.html/..', 'https://visit.html/..'],
  ['javascript:alert(1)', 'javascript:alert(1)'],
  ['our shop', 'our shop'],
])('an address typed as %s is most likely %s', (typed, meant) => {
  expect(likelyTarget(typed)).toBe(meant)
})
