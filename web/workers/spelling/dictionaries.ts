/// <reference types="vite/client" />
import type { DictionaryName } from '@viatica/core/spelling/spelling.ts'
import americanRules from '@dictionaries/en/index.aff?url&no-inline'
import americanWords from '@dictionaries/en/index.dic?url&no-inline'
import britishRules from '@dictionaries/en-gb/index.aff?url&no-inline'
import britishWords from '@dictionaries/en-gb/index.dic?url&no-inline'
import germanRules from '@dictionaries/de/index.aff?url&no-inline'
import germanWords from '@dictionaries/de/index.dic?url&no-inline'
import frenchRules from '@dictionaries/fr/index.aff?url&no-inline'
import frenchWords from '@dictionaries/fr/index.dic?url&no-inline'
import spanishRules from '@dictionaries/es/index.aff?url&no-inline'
import spanishWords from '@dictionaries/es/index.dic?url&no-inline'
import italianRules from '@dictionaries/it/index.aff?url&no-inline'
import italianWords from '@dictionaries/it/index.dic?url&no-inline'
import dutchRules from '@dictionaries/nl/index.aff?url&no-inline'
import dutchWords from '@dictionaries/nl/index.dic?url&no-inline'
import portugueseRules from '@dictionaries/pt-pt/index.aff?url&no-inline'
import portugueseWords from '@dictionaries/pt-pt/index.dic?url&no-inline'
import brazilianRules from '@dictionaries/pt/index.aff?url&no-inline'
import brazilianWords from '@dictionaries/pt/index.dic?url&no-inline'
import polishRules from '@dictionaries/pl/index.aff?url&no-inline'
import polishWords from '@dictionaries/pl/index.dic?url&no-inline'

/** Where each dictionary's rules and words are, as parts of this application. */
export const DICTIONARY_URLS: Readonly<Record<DictionaryName, readonly [rules: string, words: string]>> = {
  american: [americanRules, americanWords],
  british: [britishRules, britishWords],
  german: [germanRules, germanWords],
  swiss: [germanRules, germanWords],
  french: [frenchRules, frenchWords],
  spanish: [spanishRules, spanishWords],
  italian: [italianRules, italianWords],
  dutch: [dutchRules, dutchWords],
  portuguese: [portugueseRules, portugueseWords],
  brazilian: [brazilianRules, brazilianWords],
  polish: [polishRules, polishWords],
}
