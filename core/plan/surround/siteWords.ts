import * as v from 'valibot'
import { line } from '../../standard/text.ts'
import { tableOf } from '../../standard/table.ts'

/** The words that stand on pages without being the author's text. */
export const WORD_NAMES = [
  'skip',
  'menu',
  'submenu',
  'breadcrumb',
  'pager',
  'previous',
  'next',
  'up',
  'standIn',
  'moved',
  'movedTo',
] as const
export type WordName = (typeof WORD_NAMES)[number]
/** `{label}` in `submenu` stands for the label of the item that the submenu belongs to. */
export type Words = Readonly<Record<WordName, string>>

/** The author's own words, where they differ from those of the language; empty ones, and such as there once were, are not set. */
export const ownWordsSchema = v.object(
  Object.fromEntries(WORD_NAMES.map((name) => [name, v.optional(line(100))])) as Record<
    WordName,
    v.OptionalSchema<ReturnType<typeof line>, undefined>
  >,
)
export type OwnWords = v.InferOutput<typeof ownWordsSchema>

const ENGLISH: Words = {
  skip: 'Skip to main content',
  menu: 'Menu',
  submenu: 'More in {label}',
  breadcrumb: 'Breadcrumb',
  pager: 'Previous and next page',
  previous: 'Previous',
  next: 'Next',
  up: 'Up',
  standIn: 'This page is not written yet.',
  moved: 'This page has moved',
  movedTo: 'It is now at',
}

/** By the language of the site (the primary subtag of BCP 47); English for all others. */
const WORDS_OF = tableOf<Words>({
  en: ENGLISH,
  de: {
    skip: 'Zum Inhalt springen',
    menu: 'Menü',
    submenu: 'Mehr in {label}',
    breadcrumb: 'Brotkrümelpfad',
    pager: 'Vorherige und nächste Seite',
    previous: 'Zurück',
    next: 'Weiter',
    up: 'Nach oben',
    standIn: 'Diese Seite ist noch nicht geschrieben.',
    moved: 'Diese Seite ist umgezogen',
    movedTo: 'Sie steht jetzt unter',
  },
  fr: {
    skip: 'Aller au contenu principal',
    menu: 'Menu',
    submenu: 'Plus dans {label}',
    breadcrumb: 'Fil d’Ariane',
    pager: 'Page précédente et page suivante',
    previous: 'Précédent',
    next: 'Suivant',
    up: 'Niveau supérieur',
    standIn: 'Cette page n’est pas encore écrite.',
    moved: 'Cette page a été déplacée',
    movedTo: 'Elle se trouve maintenant ici :',
  },
  es: {
    skip: 'Saltar al contenido principal',
    menu: 'Menú',
    submenu: 'Más en {label}',
    breadcrumb: 'Ruta de navegación',
    pager: 'Página anterior y siguiente',
    previous: 'Anterior',
    next: 'Siguiente',
    up: 'Subir',
    standIn: 'Esta página aún no está escrita.',
    moved: 'Esta página se ha trasladado',
    movedTo: 'Ahora está en',
  },
  it: {
    skip: 'Vai al contenuto principale',
    menu: 'Menu',
    submenu: 'Altro in {label}',
    breadcrumb: 'Percorso di navigazione',
    pager: 'Pagina precedente e successiva',
    previous: 'Precedente',
    next: 'Successiva',
    up: 'Su',
    standIn: 'Questa pagina non è ancora scritta.',
    moved: 'Questa pagina è stata spostata',
    movedTo: 'Ora si trova qui:',
  },
  nl: {
    skip: 'Naar de inhoud',
    menu: 'Menu',
    submenu: 'Meer in {label}',
    breadcrumb: 'Kruimelpad',
    pager: 'Vorige en volgende pagina',
    previous: 'Vorige',
    next: 'Volgende',
    up: 'Omhoog',
    standIn: 'Deze pagina is nog niet geschreven.',
    moved: 'Deze pagina is verplaatst',
    movedTo: 'Ze staat nu op',
  },
  pt: {
    skip: 'Saltar para o conteúdo principal',
    menu: 'Menu',
    submenu: 'Mais em {label}',
    breadcrumb: 'Navegação estrutural',
    pager: 'Página anterior e seguinte',
    previous: 'Anterior',
    next: 'Seguinte',
    up: 'Subir',
    standIn: 'Esta página ainda não está escrita.',
    moved: 'Esta página mudou de lugar',
    movedTo: 'Está agora em',
  },
  pl: {
    skip: 'Przejdź do treści',
    menu: 'Menu',
    submenu: 'Więcej: {label}',
    breadcrumb: 'Ścieżka nawigacji',
    pager: 'Poprzednia i następna strona',
    previous: 'Poprzednia',
    next: 'Następna',
    up: 'W górę',
    standIn: 'Ta strona nie jest jeszcze napisana.',
    moved: 'Ta strona została przeniesiona',
    movedTo: 'Jest teraz tutaj:',
  },
})

/** The languages that Viatica has words for. */
export const WORD_LANGUAGES = [...WORDS_OF.keys()]

const primary = (language: string) => language.toLowerCase().split('-')[0]!

/** The words of a language, English where there are none. */
export function wordsOfLanguage(language: string): Words {
  return WORDS_OF.get(primary(language)) ?? ENGLISH
}

/** The words of a site: those of its language, the author's own in their place. */
export function wordsOf(language: string, own: OwnWords): Words {
  const set = Object.entries(own).filter(([, word]) => word)
  return { ...wordsOfLanguage(language), ...Object.fromEntries(set) }
}

/** Languages that are written from right to left (CLDR, orientation of characters), as far as we know of them. */
const RIGHT_TO_LEFT = /^(ar|arc|ckb|dv|fa|he|ks|nqo|ps|sd|syr|ug|ur|yi)$/

/** Which way a language is written; a script in its tag decides over the language. */
export function directionOf(language: string): 'ltr' | 'rtl' {
  const script = /^[a-z]{2,3}-([a-z]{4})\b/i.exec(language)?.[1]?.toLowerCase()
  if (script) return /^(arab|hebr|thaa|syrc|nkoo|adlm)$/.test(script) ? 'rtl' : 'ltr'
  return RIGHT_TO_LEFT.test(primary(language)) ? 'rtl' : 'ltr'
}
