import type { Found } from '@viatica/core/search/search.ts'
import { effectScope, ref } from 'vue'
import { foundAsTyped } from './foundAsTyped.ts'

const hit = (label: string) => ({ entry: label, label }) as Found

/** Words, and a search whose answers come when the test says so. */
function typing() {
  const asked: { words: string; answer: (...labels: string[]) => Promise<void> }[] = []
  const words = ref('')
  const scope = effectScope()
  const finding = scope.run(() =>
    foundAsTyped(
      words,
      (of) =>
        new Promise((resolve) =>
          asked.push({
            words: of,
            answer: async (...labels) => {
              resolve(labels.map(hit))
              await new Promise(setImmediate)
            },
          }),
        ),
    ),
  )!
  const taken: (string | undefined)[] = []
  const enter = () => finding.whenFound(() => taken.push(finding.found.value?.[finding.active.value]?.label))
  return { words, asked, taken, enter, scope, ...finding }
}

test('Enter before the answer takes what is found for the words as they stand', async () => {
  const { words, asked, taken, enter } = typing()
  words.value = 'T'
  await asked[0]!.answer('Towpath')
  words.value = 'Tool library'
  enter()
  expect(taken).toEqual([])
  await asked[1]!.answer('Tools')
  expect(taken).toEqual(['Tools'])
})

test('after the answer it takes at once, also what was picked from the list that still shows', async () => {
  const { words, asked, taken, enter, active } = typing()
  words.value = 'l'
  await asked[0]!.answer('Locks', 'Licences')
  enter()
  words.value = 'li'
  active.value = 1
  enter()
  expect(taken).toEqual(['Locks', 'Licences'])
})

test('one search at a time; answers to words of before are dropped', async () => {
  const { words, asked, found } = typing()
  words.value = 'a'
  words.value = 'ab'
  words.value = 'abc'
  expect(asked.map((one) => one.words)).toEqual(['a'])
  await asked[0]!.answer('of a')
  expect(found.value).toBeUndefined()
  expect(asked.map((one) => one.words)).toEqual(['a', 'abc'])
  await asked[1]!.answer('of abc')
  expect(found.value).toEqual([hit('of abc')])
  words.value = ''
  await new Promise(setImmediate)
  expect(found.value).toBeUndefined()
})

test('words that change, or a list that is closed, drop what was waiting', async () => {
  const { words, asked, taken, enter, scope } = typing()
  words.value = 'a'
  enter()
  words.value = 'b'
  await asked[0]!.answer('of a')
  await asked[1]!.answer('of b')
  expect(taken).toEqual([])
  words.value = 'c'
  enter()
  scope.stop()
  await asked[2]!.answer('of c')
  expect(taken).toEqual([])
})

test('words that are taken back and typed again are looked for again, where their answer was dropped', async () => {
  const { words, asked, taken, enter } = typing()
  words.value = 'a'
  await asked[0]!.answer('of a')
  words.value = 'ab'
  words.value = 'a '
  await asked[1]!.answer('of ab')
  words.value = 'ab'
  enter()
  expect(taken).toEqual([])
  await asked[2]!.answer('of a and a space')
  await asked[3]!.answer('of ab')
  expect(taken).toEqual(['of ab'])
})
