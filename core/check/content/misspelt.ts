import type { Entry } from '../../plan/entry.ts'
import { wordsAround } from '../../spelling/around.ts'
import {
  dictionariesFor,
  differentWordsInContent,
  NO_WORDS,
  speller,
  wordsInContent,
  wordsInFields,
} from '../../spelling/spelling.ts'
import { valueFor } from '../../standard/present.ts'
import { type Checked, COMMON_PRACTICE, type Found, type SiteRule } from '../rule.ts'
import { inContent } from '../bodyElements.ts'

/** The unknown words of an entry, each once, at the first place where it stands. */
function findIn(entry: Entry, { site }: Checked, isRight: (word: string) => boolean): Found[] {
  const counts = new Map<string, number>()
  const places = new Map<string, Found['place']>()
  const put = (word: string, place: () => Found['place']) => {
    if (isRight(word)) return
    counts.set(word, (counts.get(word) ?? 0) + 1)
    if (!places.has(word)) places.set(word, place())
  }
  for (const { words } of wordsInFields(entry))
    for (const { word } of words) put(word, () => ({ in: 'entry', entry: entry.id }))
  // Mostly all are right: then nobody needs their places.
  const isAllRight = differentWordsInContent(entry, site).every(isRight)
  for (const { word, start, end } of isAllRight ? [] : wordsInContent(entry, site))
    put(word, () => {
      const source = entry.kind === 'page' ? entry.body.html.slice(0, start) : ''
      return inContent(entry, { start, end, line: source.split('\n').length })
    })
  return [...places].map(([word, place]) => foundAt(place, word, valueFor(counts, word)))
}

function foundAt(place: Found['place'], word: string, count: number): Found {
  const times = count > 1 ? `, ${count} times` : ''
  return { place, words: `“${word}” stands in no dictionary${times}.`, gist: word }
}

/** The unknown words of what stands around the content. */
function findAround({ site }: Checked, isRight: (word: string) => boolean): Found[] {
  return [...wordsAround(site)].flatMap(({ place, words }) => {
    const unknown = words.map(({ word }) => word).filter((word) => !isRight(word))
    return [...new Set(unknown)].map((word) =>
      foundAt(place, word, unknown.filter((one) => one === word).length),
    )
  })
}

export const misspelt: SiteRule = {
  id: 'misspelt',
  group: 'content',
  severity: 'hint',
  about:
    'words of texts, titles, labels, pieces and menus that stand neither in a dictionary nor among the site’s own',
  source: COMMON_PRACTICE,
  from: ({ site, unknownWords }) => [
    ...[site.plan, site.surround, site.settings.language, site.settings.ownWords, unknownWords],
  ],
  read({ site, unknownWords }, page) {
    const isSpelt = unknownWords !== NO_WORDS && dictionariesFor(site.settings.language).length > 0
    if (isSpelt) differentWordsInContent(page, site)
  },
  findAll(checked) {
    if (checked.unknownWords.size === 0) return []
    const isRight = speller(checked.site, checked.unknownWords)
    return [
      ...[...checked.site.plan.entries.values()].flatMap((entry) => findIn(entry, checked, isRight)),
      ...findAround(checked, isRight),
    ]
  },
}
