import 'fake-indexeddb/auto'
import { type Draft, DraftsInBrowser } from './draftsInBrowser.ts'

const draft = (id: string, window: string, content: unknown): Draft => ({
  id,
  site: 'site',
  window,
  form: 'form',
  words: 'Form',
  at: '/sites/site/publish',
  content,
})

/** Drafts in a browser in which these windows are open. */
const drafts = (name: string, ...open: string[]) =>
  new DraftsInBrowser(name, () => Promise.resolve(new Set(open)))
const written = () => new Promise((resolve) => setTimeout(resolve, 50))

test('of a form that changes fast the newest content is stored, and only closed windows lose theirs to others', async () => {
  const first = drafts('fast', 'first')
  for (let n = 0; n <= 100; n++) first.put(draft('a', 'first', { n }))
  first.put(draft('b', 'first', 'b'))
  first.remove('b')
  await written()
  expect(await drafts('fast', 'first', 'second').adopt('site', 'second')).toEqual([])
  expect(await drafts('fast', 'second').adopt('other site', 'second')).toEqual([])
  expect(await drafts('fast', 'second').adopt('site', 'second')).toEqual([draft('a', 'second', { n: 100 })])
  // The first one is the second window's now, whoever else opens the site.
  expect(await drafts('fast', 'second', 'third').adopt('site', 'third')).toEqual([])
})

test('a browser that stores nothing loses nothing but drafts', async () => {
  const open = indexedDB.open.bind(indexedDB)
  indexedDB.open = () => {
    throw new DOMException('no room', 'QuotaExceededError')
  }
  const refused = drafts('refused')
  indexedDB.open = open
  refused.put(draft('a', 'first', 1))
  refused.remove('a')
  expect(await refused.adopt('site', 'first')).toEqual([])
})
