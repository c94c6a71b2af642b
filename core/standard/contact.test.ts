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
  ['(01632) 960 143', 'tel:01632960143'],
  // Of no country that is known: digits alone may be the number of a register.
  ['1045617', undefined],
  ['09.00 - 17.00', undefined],
  ['2026-11-26', undefined],
  ['12345', undefined],
  ['2026', undefined],
  ['Wetherlock Basin', undefined],
  ['a@b', undefined],
  ['two@example.org words', undefined],
])('%s leads to %s', (text, target) => {
  expect(contactTarget(text)).toBe(target)
})

// The numbering plans of the countries as libphonenumber has them: https://github.com/google/libphonenumber
test.each([
  ['020 7946 0018', 'en-GB', 'tel:+442079460018'],
  ['(0 30) 901820', 'de-DE', 'tel:+4930901820'],
  ['+49 30 901820', 'en-GB', 'tel:+4930901820'],
  ['212-555-0123', 'en-US', 'tel:+12125550123'],
  // The numbers that charities and companies are registered under.
  ['1045617', 'en-GB', undefined],
  ['01234567', 'en-GB', undefined],
  ['SC012345', 'en-GB', undefined],
  ['01632 960143', 'en', 'tel:01632960143'],
  ['01632 960143', 'no language', 'tel:01632960143'],
])('%s on a site in %s leads to %s', (text, language, target) => {
  expect(contactTarget(text, language)).toBe(target)
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
