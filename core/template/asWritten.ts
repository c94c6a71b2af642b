import { characterEntitiesHtml4 } from 'character-entities-html4'
import type { Templates } from '../plan/surround/templates.ts'
import { escapePlainly } from '../standard/escape.ts'
import { valueAt } from '../standard/record.ts'

/** Texts in HTML as the author of the pages writes them. */

/** How what is beyond ASCII is written. */
export type Characters = Templates['letters']
export type WritingHabit = Pick<Templates, 'letters' | 'signs'>

/** What is written alike: letters, and what stands above or below them; and all else. */
export const habitOf = (character: string): keyof WritingHabit =>
  /[\p{L}\p{M}]/u.test(character) ? 'letters' : 'signs'

/** The names of HTML 4, which is where people know them from. https://www.w3.org/TR/html401/sgml/entities.html */
const NAMES = new Map(Object.entries(characterEntitiesHtml4).map(([name, character]) => [character, name]))

function reference(character: string, way: Characters): string {
  const code = character.codePointAt(0)!
  switch (way) {
    case 'plain':
      return character
    case 'named': {
      const name = NAMES.get(character)
      return name === undefined ? `&#${code};` : `&${name};`
    }
    case 'decimal':
      return `&#${code};`
    case 'hexadecimal':
      return `&#x${code.toString(16).toUpperCase()};`
  }
}

/** A text between tags, with what is beyond ASCII in the habit of an author. */
export const escapeAs = (text: string, habit: WritingHabit): string =>
  escapePlainly(text).replace(/[^\0-\x7f]/gu, (character) => reference(character, habit[habitOf(character)]))

/** What writes texts between tags: as they stand on the author's pages, where they do. */
export function textWriter(
  templates: Partial<WritingHabit & Pick<Templates, 'texts'>> | null,
): (text: string) => string {
  if (!templates) return escapePlainly
  // Templates that were stored before these were learnt have none of them.
  const { texts = {}, letters = 'plain', signs = 'plain' } = templates
  return (text) => valueAt(texts, text) ?? escapeAs(text, { letters, signs })
}
