import { characterEntitiesHtml4 } from 'character-entities-html4'
import type { Templates } from '../../plan/surround/templates.ts'
import { type Characters, escapeAs, habitOf, type WritingHabit } from '../../template/asWritten.ts'
import { collect } from '../collect.ts'
import { most } from '../most.ts'
import type { ReadFolder } from '../pages/folder.ts'
import type { FoundParts } from '../parts/recognise.ts'
import { SAMPLE } from './learn.ts'
import { labelStretch } from './units.ts'

/** Longer texts are no names of pages. */
const LONGEST = 1000

/** Every title, heading and label of the pages, with how it is written there. */
function* textsOn({ pages }: ReadFolder, parts: FoundParts): Generator<{ text: string; raw: string }> {
  for (const page of pages)
    for (const named of [page.title?.quote === undefined ? page.title : undefined, page.heading])
      if (named) yield { text: named.text, raw: page.text.slice(named.start, named.end) }
  const groups = [
    ...[...parts.menus, ...parts.shared].flatMap((one) => one.groups.slice(0, SAMPLE)),
    ...parts.breadcrumbs.flatMap((one) => one.groups),
    ...parts.pagers.map(({ group }) => group),
  ]
  for (const { page, items } of groups)
    for (const item of items) {
      const at = labelStretch(page, { item })
      if (at) yield { text: item.label, raw: page.text.slice(at.start, at.end) }
    }
}

/** A character reference with its number or name. https://html.spec.whatwg.org/multipage/syntax.html#character-references */
const REFERENCE = /&(?:#x([\da-f]{1,6})|#(\d{1,7})|([a-z][a-z\d]{1,9}));/gi
const NAMED = new Map(Object.entries(characterEntitiesHtml4))

/** In which ways characters beyond ASCII stand in a source. */
function* waysIn(raw: string): Generator<{ kind: keyof WritingHabit; way: Characters }> {
  for (const [, hexadecimal, decimal, name] of raw.matchAll(REFERENCE)) {
    const code = hexadecimal === undefined ? Number(decimal) : parseInt(hexadecimal, 16)
    const character =
      name === undefined ? (code <= 0x10ffff ? String.fromCodePoint(code) : '') : NAMED.get(name)
    if (!character || /[\0-\x7f]/.test(character)) continue
    const way = name !== undefined ? 'named' : decimal !== undefined ? 'decimal' : 'hexadecimal'
    yield { kind: habitOf(character), way }
  }
  for (const [character] of raw.matchAll(/[^\0-\x7f]/gu)) yield { kind: habitOf(character), way: 'plain' }
}

/**
 * Learns how an author writes texts in HTML: a new one is written in the habit of the others, and those that stand on
 * pages as they stand there.
 */
export function learnTexts(folder: ReadFolder, parts: FoundParts): WritingHabit & Pick<Templates, 'texts'> {
  const byText = new Map<string, string[]>()
  for (const { text, raw } of textsOn(folder, parts))
    if (text !== '' && !raw.includes('<') && raw.length <= LONGEST) collect(byText, text, raw)
  const written = [...byText].map(([text, all]) => ({ text, raw: most(all)! }))
  const ways = written.flatMap(({ raw }) => [...waysIn(raw)])
  const usual = (of: keyof WritingHabit) =>
    most(ways.flatMap(({ kind, way }) => (kind === of ? [way] : []))) ?? 'plain'
  const habit = { letters: usual('letters'), signs: usual('signs') }
  const texts = written.flatMap(({ text, raw }) => (escapeAs(text, habit) === raw ? [] : [[text, raw]]))
  return { ...habit, texts: Object.fromEntries(texts) as Record<string, string> }
}
