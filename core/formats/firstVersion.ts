import * as v from 'valibot'
import { STANDARD_SURROUND, type Surround } from '../plan/surround/surround.ts'
import { filledLine, line, lines } from '../standard/text.ts'

/** Settings of the first version, in which the surround had no pieces yet. */
export const firstVersionSettings = {
  menuDepth: v.optional(v.picklist([1, 2], 'must be 1 or 2'), 1),
  hereForm: v.optional(v.picklist(['link', 'text'], 'must be link or text'), 'link'),
  previousWord: v.optional(filledLine(60), 'Previous'),
  nextWord: v.optional(filledLine(60), 'Next'),
  footerText: v.optional(lines(2000), ''),
  contact: v.optional(line(300), ''),
  copyright: v.optional(line(300), ''),
} as const
const schema = v.object(firstVersionSettings)
export const FIRST_VERSION_NAMES = Object.keys(firstVersionSettings)

/** A line such as `© 1971–2026 Wetherlock Canal Trust`. */
const COPYRIGHT = /^(?:©|\(c\)|copyright) ?(?:(\d{4})(?: ?[–-] ?\d{4})?)?(.*)$/i

function copyrightPiece(text: string): Surround['places']['footer'][number] {
  const match = COPYRIGHT.exec(text.replace(/\s+/g, ' '))
  if (!match) return { id: 'copyright', kind: 'text', beside: false, text }
  const [, from, holder = ''] = match
  return {
    id: 'copyright',
    kind: 'copyright',
    beside: false,
    holder: holder.trim(),
    from: from ? Number(from) : null,
  }
}

/** The surround that a site of the first version had, in pieces. @param settings of that version, unchecked */
export function surroundOfFirstVersion(settings: object): Surround {
  const old = v.parse(schema, settings)
  const { menus, here } = STANDARD_SURROUND
  const footer: Surround['places']['footer'] = []
  if (old.footerText.trim() !== '')
    footer.push({ id: 'footer-text', kind: 'text', beside: false, text: old.footerText })
  if (old.contact !== '')
    footer.push({ id: 'contact', kind: 'contact', beside: false, heading: '', lines: old.contact })
  if (old.copyright !== '') footer.push(copyrightPiece(old.copyright))
  const words = { previous: old.previousWord, next: old.nextWord }
  return {
    ...STANDARD_SURROUND,
    places: { ...STANDARD_SURROUND.places, footer },
    menus: menus.map((menu) => (menu.kind === 'plan' ? { ...menu, depth: old.menuDepth } : menu)),
    here: { ...here, form: old.hereForm },
    words: words.previous === 'Previous' && words.next === 'Next' ? {} : words,
  }
}
