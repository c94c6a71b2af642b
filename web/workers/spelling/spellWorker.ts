import type { DictionaryName } from '@viatica/core/spelling/spelling.ts'
import { expose } from 'comlink'
import nspell from 'nspell'
import { DICTIONARY_URLS } from './dictionaries.ts'

type Dictionary = ReturnType<typeof nspell>

const MOST_SUGGESTIONS = 5

async function read(url: string): Promise<string> {
  const response = await fetch(url)
  if (!response.ok) throw new Error(`${url} cannot be read.`)
  return response.text()
}

/** Looks words up in the dictionaries that come with Viatica; each is read when it is first wanted. */
export class SpellWork {
  readonly #read = new Map<DictionaryName, Promise<Dictionary>>()

  #dictionary(name: DictionaryName): Promise<Dictionary> {
    let reading = this.#read.get(name)
    if (!reading) {
      reading = Promise.all(DICTIONARY_URLS[name].map(read)).then(([rules, words]) => nspell(rules!, words!))
      this.#read.set(name, reading)
      // While the server is away it cannot be read: the next time it is tried again.
      reading.catch(() => this.#read.delete(name))
    }
    return reading
  }

  /** Those words that none of the dictionaries has. */
  async unknown(names: readonly DictionaryName[], words: readonly string[]): Promise<string[]> {
    const dictionaries = await Promise.all(names.map((name) => this.#dictionary(name)))
    return words.filter((word) => !dictionaries.some((dictionary) => dictionary.correct(word)))
  }

  /** What a word may have been meant as, the likeliest first. */
  async suggestions(names: readonly DictionaryName[], word: string): Promise<string[]> {
    const dictionaries = await Promise.all(names.map((name) => this.#dictionary(name)))
    const found = new Set(dictionaries.flatMap((dictionary) => dictionary.suggest(word)))
    return [...found].slice(0, MOST_SUGGESTIONS)
  }
}

expose(new SpellWork())
