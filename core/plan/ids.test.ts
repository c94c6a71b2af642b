import * as v from 'valibot'
import { type EntryId, entryIdSchema, type FileId, fileIdSchema, type MenuId, menuIdSchema } from './ids.ts'

test('an id of one kind is none of another, and any text may be one', () => {
  const entry: EntryId = v.parse(entryIdSchema, 'lock-guide')
  const menu: MenuId = v.parse(menuIdSchema, 'main')
  // @ts-expect-error -- an entry is no file
  const file: FileId = entry
  // @ts-expect-error -- a menu is no entry
  const entries = new Map<EntryId, string>().get(menu)
  expect([entry, file, entries]).toEqual(['lock-guide', 'lock-guide', undefined])
})

test.each(['', '-a', 'A', 'a b', 'a/b', 'é', 'a'.repeat(61)])('%j is no id', (text) => {
  for (const schema of [entryIdSchema, fileIdSchema, menuIdSchema]) expect(v.is(schema, text)).toBe(false)
})
