import { correction, type SpeltPlace } from '@viatica/core/spelling/correction.ts'
import { dictionariesFor, speller } from '@viatica/core/spelling/spelling.ts'
import { defineStore } from 'pinia'
import { computed, shallowRef, watch } from 'vue'
import { spellWork } from '../workers/spelling/spellWork.ts'
import { useOpenSite } from './openSite.ts'

/** The spelling of the open site's words, which are looked up in a worker, each once. */
export const useSpelling = defineStore('spelling', () => {
  const openSite = useOpenSite()
  const dictionaries = computed(() => dictionariesFor(openSite.site?.settings.language ?? ''))
  const named = computed(() => dictionaries.value.join())
  /** What no dictionary has, of all that was looked up; the same object as long as nothing came to it. */
  const unknown = shallowRef<ReadonlySet<string>>(new Set())
  let asked = new Set<string>()

  watch(named, () => {
    asked = new Set()
    unknown.value = new Set()
  })

  const isRight = computed(() => (openSite.site ? speller(openSite.site, unknown.value) : () => true))

  /** Looks up those of the words that were not looked up before. */
  async function lookUp(words: Iterable<string>): Promise<void> {
    const names = dictionaries.value
    if (names.length === 0) return
    const fresh = [...words].filter((word) => !asked.has(word))
    if (fresh.length === 0) return
    for (const word of fresh) asked.add(word)
    const found = await spellWork()
      .unknown([...names], fresh)
      .catch((): string[] => {
        // The dictionary could not be read: the words are looked up with the next that come.
        for (const word of fresh) asked.delete(word)
        return []
      })
    if (found.length > 0 && names === dictionaries.value)
      unknown.value = new Set([...unknown.value, ...found])
  }

  const suggestions = (word: string) => spellWork().suggestions([...dictionaries.value], word)

  /** Keeps words with the site, as ones that are spelt right. @returns whether they are kept */
  function keep(...words: readonly string[]): boolean {
    const { ownWords } = openSite.shown.settings
    const all = new Set([...ownWords, ...words])
    if (all.size === ownWords.length) return true
    const value = [...all].sort((a, b) => a.localeCompare(b, 'en'))
    return openSite.makeOrTell({ kind: 'setSite', field: 'ownWords', value })
  }

  /** Takes a word from the site's own. */
  function forget(word: string): void {
    const value = openSite.shown.settings.ownWords.filter((one) => one !== word)
    openSite.makeOrTell({ kind: 'setSite', field: 'ownWords', value })
  }

  /** Writes a word otherwise wherever it stands in an entry, a piece or a menu. */
  function correct(place: SpeltPlace, word: string, by: string): void {
    const change = correction(openSite.shown, place, word, by)
    if (change) openSite.makeOrTell(change)
  }

  return { dictionaries, unknown, isRight, lookUp, suggestions, keep, forget, correct }
})
