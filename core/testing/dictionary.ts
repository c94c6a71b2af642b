import { fileURLToPath } from 'node:url'
import { createHunspellFromFiles, type Hunspell } from 'hunspell-wasm'

/** A dictionary as Hunspell projects share it. @param language as its package is called */
export function dictionaryOf(language: string): Promise<Hunspell> {
  const entry = fileURLToPath(import.meta.resolve(`dictionary-${language}`))
  const file = (ending: string) => entry.replace(/index\.js$/, `index.${ending}`)
  return createHunspellFromFiles(file('aff'), file('dic'))
}
