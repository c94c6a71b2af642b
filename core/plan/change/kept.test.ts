import type { SingleChange } from './change.ts'
import { withKept } from './kept.ts'

const add = (content: string): SingleChange => ({
  kind: 'addFile',
  file: { id: content, path: `${content}.png`, content, size: 0, alt: '' },
})
const remove: SingleChange = { kind: 'remove', entries: ['roses'] }

test('files that are added have the keys under which their bytes are kept, and all else stays', () => {
  const kept = new Map([['a', { content: 'k1', size: 7 }]])
  expect(withKept(add('a'), kept)).toMatchObject({ file: { id: 'a', content: 'k1', size: 7 } })
  expect(withKept(add('b'), kept)).toEqual(add('b'))
  const batch = { kind: 'batch', words: 'x', changes: [remove, add('a')] } as const
  expect(withKept(batch, kept)).toEqual({ ...batch, changes: [remove, withKept(add('a'), kept)] })
})
