/// <reference types="vite/client" />
import type { DictionaryName } from '@viatica/core/spelling/spelling.ts'
import americanRules from '@dictionaries/en/index.aff?url&no-inline'
import americanWords from '@dictionaries/en/index.dic?url&no-inline'
import britishRules from '@dictionaries/en-gb/index.aff?url&no-inline'
import britishWords from '@dictionaries/en-gb/index.dic?url&no-inline'

/** Where each dictionary's rules and words are, as parts of this application. */
export const DICTIONARY_URLS: Readonly<Record<DictionaryName, readonly [rules: string, words: string]>> = {
  american: [americanRules, americanWords],
  british: [britishRules, britishWords],
}
