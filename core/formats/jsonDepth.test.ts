import fc from 'fast-check'
import { checkJson, tooDeepAt } from './jsonDepth.ts'

const depthOf = (value: unknown): number =>
  typeof value === 'object' && value !== null ? 1 + Math.max(0, ...Object.values(value).map(depthOf)) : 0

test('the depth of any JSON is told as it is', () => {
  fc.assert(
    fc.property(fc.jsonValue({ maxDepth: 8, noUnicodeString: false }), fc.nat(3), (value, indent) => {
      const text = JSON.stringify(value, null, indent)
      const depth = depthOf(value)
      expect(tooDeepAt(text, depth)).toBeUndefined()
      if (depth > 0) expect('[{').toContain(text[tooDeepAt(text, depth - 1)!])
      expect(checkJson(text)).toEqual(JSON.parse(text))
    }),
  )
})

test('brackets in texts do not count, whatever stands before their quotes', () => {
  for (const text of ['"[[[["', '"\\"[[["', '"\\\\",[', '{"[[":"{{"}'])
    expect(tooDeepAt(text, 1)).toBeUndefined()
})

test('what is deeper is refused with its place, and what is no JSON', () => {
  expect(() => checkJson(`{\n"a": ${'['.repeat(5000)}`)).toThrow(/^Line 2, column 85: .*more than 80 deep/)
  expect(() => checkJson('{"a":')).toThrow(/not JSON/)
})
