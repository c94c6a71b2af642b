import { type DictionaryName, spellingsIn } from '@viatica/core/spelling/spelling.ts'
import { expose } from 'comlink'
import { createHunspellFromStrings, type Hunspell } from 'hunspell-wasm'
import { DICTIONARY_URLS } from './dictionaries.ts'

const MOST_SUGGESTIONS = 5

async function read(url: string): Promise<string> {
  const response = await fetch(url)
  if (!response.ok) throw new Error(`${url} cannot be read.`)
  return response.text()
}

/** Looks words up in the dictionaries that come with Viatica; each is read when it is first wanted. */
export class SpellWork {
  readonly #read = new Map<DictionaryName, Promise<Hunspell>>()

  #dictionary(name: DictionaryName): Promise<Hunspell> {
    let reading = this.#read.get(name)
    if (!reading) {
      reading = Promise.all(DICTIONARY_URLS[name].map(read)).then(([rules, words]) =>
        createHunspellFromStrings(rules!, words!),
      )
      this.#read.set(name, reading)
      // While the server is away it cannot be read: the next time it is tried again.
      reading.catch(() => this.#read.delete(name))
    }
    return reading
  }

  /** Those words that none of the dictionaries has. */
  async unknown(names: readonly DictionaryName[], words: readonly string[]): Promise<string[]> {
    const dictionaries = await Promise.all(
      names.map(async (name) => ({ name, dictionary: await this.#dictionary(name) })),
    )
    return words.filter(
      (word) =>
        !dictionaries.some(({ name, dictionary }) =>
          spellingsIn(name, word).some((one) => dictionary.testSpelling(one)),
        ),
    )
  }

  /** What a word may have been meant as, the likeliest first. */
  async suggestions(names: readonly DictionaryName[], word: string): Promise<string[]> {
    const dictionaries = await Promise.all(names.map((name) => this.#dictionary(name)))
    const found = new Set(dictionaries.flatMap((dictionary) => dictionary.getSpellingSuggestions(word)))
    return [...found].slice(0, MOST_SUGGESTIONS)
  }
}

expose(new SpellWork())
