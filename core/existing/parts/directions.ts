import { attributeOf } from '../pages/nodes.ts'
import type { PageLink } from '../pages/readPage.ts'

/** Where a link of a pager leads on to. */
export type Direction = 'previous' | 'next' | 'up'

/** A link or text in a list of links. */
interface Item {
  readonly label: string
  readonly link: PageLink | undefined
}

/** Words that links to the page before and after begin with. Common practice, in the languages of the interface's dictionaries. */
const WORDS: Readonly<Record<Direction, RegExp>> = {
  previous:
    /^(?:prev(?:ious)?|back|before|zurück|vorige[rs]?|vorherige[rs]?|précédente?|anterior|indietro|precedente|poprzedni[ae]?|wstecz)\b/iu,
  next: /^(?:next|forward|onwards?|continue|weiter|nächste[rs]?|suivante?|siguiente|avanti|successiv[oa]|volgende|próxim[oa]|seguinte|następn[aey]|dalej)\b/iu,
  up: /^(?:up|contents|overview|index|nach oben|inhalt|sommaire|haut|índice|indice|inhoud|omhoog|spis treści)\b/iu,
}
const ARROWS: readonly (readonly [Direction, RegExp])[] = [
  ['previous', /^(?:[«‹←◄◀⟵⇐]|<{1,2}|&lt;)/u],
  ['next', /(?:[»›→►▶⟶⇒]|>{1,2})$/u],
  ['up', /^[↑▲⇑]|[↑▲⇑]$/u],
]

/** Which way an item leads: by its relation, its name, its words, its arrow; undefined for any other link. */
export function directionOf({ link, label }: Item): Direction | undefined {
  if (link) {
    const rel = (attributeOf(link.element, 'rel') ?? '').toLowerCase().split(/\s+/)
    if (rel.includes('prev') || rel.includes('previous')) return 'previous'
    if (rel.includes('next')) return 'next'
    if (rel.includes('up')) return 'up'
    const names = [link.element, link.element.parent].flatMap((element) =>
      element ? [attributeOf(element, 'class') ?? '', attributeOf(element, 'id') ?? ''] : [],
    )
    for (const name of names) {
      if (/(?:^|[\s_-])prev(?:ious)?(?:$|[\s_-])/i.test(name)) return 'previous'
      if (/(?:^|[\s_-])next(?:$|[\s_-])/i.test(name)) return 'next'
    }
  }
  const bare = label.replace(/^[^\p{L}]+/u, '')
  for (const direction of ['previous', 'next', 'up'] as const)
    if (WORDS[direction].test(bare)) return direction
  for (const [direction, arrow] of ARROWS) if (arrow.test(label)) return direction
  return undefined
}

/** The same of an item among others: “Next:” before a link names it. */
export function directionAmong(items: readonly Item[], at: number): Direction | undefined {
  const before = items[at - 1]
  const named = before && !before.link && before.label.endsWith(':') ? directionOf(before) : undefined
  return named ?? directionOf(items[at]!)
}

/** What a link of a pager says beside its direction: the name of the page, or nothing. */
export function nameInPager(label: string): string {
  let name = label
  for (const [, arrow] of ARROWS) name = name.replace(arrow, '').trim()
  for (const words of Object.values(WORDS)) name = name.replace(words, '').trim()
  return name.replace(/^(?:page|chapter|section)?\s?[:–—-]\s*/i, '').trim()
}
