import type { Entry } from '../plan/entry.ts'
import { type Site } from '../plan/site.ts'
import { wordsAround } from './around.ts'
import { differentWordsIn, type PlacedWord, wordsInBody, wordsInText } from './wordsToLookUp.ts'
import { valueAt } from '../standard/record.ts'
import { tableOf } from '../standard/table.ts'

/** The dictionaries that come with Viatica. */
export type DictionaryName =
  | 'american'
  | 'british'
  | 'german'
  | 'swiss'
  | 'french'
  | 'spanish'
  | 'italian'
  | 'dutch'
  | 'portuguese'
  | 'brazilian'
  | 'polish'

/** The dictionary of each region of a language; under the empty one all that a plain tag is looked up in, which may be several. */
const DICTIONARIES = tableOf<Readonly<Record<string, readonly DictionaryName[]>>>({
  en: { '': ['british', 'american'], us: ['american'], gb: ['british'] },
  de: { '': ['german'], ch: ['swiss'], li: ['swiss'] },
  fr: { '': ['french'] },
  es: { '': ['spanish'] },
  it: { '': ['italian'] },
  nl: { '': ['dutch'] },
  pt: { '': ['portuguese', 'brazilian'], pt: ['portuguese'], br: ['brazilian'] },
  pl: { '': ['polish'] },
})
/** English that is written elsewhere is nearer to the British. */
const ELSEWHERE = tableOf<readonly DictionaryName[]>({ en: ['british'], pt: ['portuguese'] })

/** What a text in a language is looked up in, by a BCP 47 tag; a plain one may be spelt in several ways. */
export function dictionariesFor(language: string): readonly DictionaryName[] {
  const [primary = '', ...rest] = language.toLowerCase().split('-')
  const regions = DICTIONARIES.get(primary)
  if (!regions) return []
  const region = rest.find((part) => /^(?:[a-z]{2}|\d{3})$/.test(part)) ?? ''
  return valueAt(regions, region) ?? ELSEWHERE.get(primary) ?? regions['']!
}

/**
 * The ways in which a word may stand in a dictionary: that of German has an ß where Swiss writes ss.
 */
export const spellingsIn = (name: DictionaryName, word: string): readonly string[] =>
  name === 'swiss' && word.includes('ss') ? [word, word.replaceAll('ss', 'ß')] : [word]

/** Words that were looked up and stand in no dictionary of the site's language. */
export type UnknownWords = ReadonlySet<string>

/** The words of which nobody wants to know whether they are spelt right. */
export const NO_WORDS: UnknownWords = new Set()

/** Without the ending of a possessive. */
const stemOf = (word: string) => word.replace(/'s?$/, '')

/** Tells whether a word is spelt right: a dictionary has it, or the site has it among its own. */
export function speller(
  { settings }: Pick<Site, 'settings'>,
  unknown: UnknownWords,
): (word: string) => boolean {
  const own = new Set(settings.ownWords.map((word) => word.replaceAll('’', "'")))
  const isOwn = (word: string) => own.has(word) || own.has(word.toLowerCase())
  return (word) => !unknown.has(word) || isOwn(word) || isOwn(stemOf(word))
}

/** The texts of an entry that are spelt, beside its main content; what is derived from another is not there. */
export const SPELT_FIELDS = ['title', 'label', 'heading', 'description'] as const
export type SpeltField = (typeof SPELT_FIELDS)[number]

/** The words of an entry beside its main content, each with the field that it stands in. */
export function wordsInFields(entry: Entry): { readonly field: SpeltField; readonly words: PlacedWord[] }[] {
  return SPELT_FIELDS.flatMap((field) => {
    const text = (entry as Partial<Record<SpeltField, string>>)[field]
    return text ? [{ field, words: wordsInText(text) }] : []
  })
}

/** The words that an entry has in its main content. */
export function wordsInContent(entry: Entry, { settings }: Pick<Site, 'settings'>): readonly PlacedWord[] {
  return entry.kind === 'page' ? wordsInBody(entry.body, settings.language) : []
}

/** The words that an entry has in its main content, each once. Remembered as long as that is the same. */
export function differentWordsInContent(
  entry: Entry,
  { settings }: Pick<Site, 'settings'>,
): readonly string[] {
  return entry.kind === 'page' ? differentWordsIn(entry.body, settings.language) : []
}

/** Every word of a site that is to be looked up: those of its entries, of its pieces and of its menus. */
export function wordsOfSite(site: Site): Set<string> {
  const words = new Set<string>()
  for (const { words: found } of wordsAround(site)) for (const { word } of found) words.add(word)
  for (const entry of site.plan.entries.values()) {
    for (const word of differentWordsInContent(entry, site)) words.add(word)
    for (const { words: found } of wordsInFields(entry)) for (const { word } of found) words.add(word)
  }
  return words
}
