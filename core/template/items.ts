import type { MenuItem } from '../navigate/menu.ts'
import type { HereMark } from '../navigate/menu.ts'
import {
  type Bits,
  formKey,
  type ItemForm,
  type ItemKind,
  type ItemState,
  type MenuPattern,
} from '../plan/surround/templates.ts'
import type { Writing } from './writing.ts'
import { valueAt } from '../standard/record.ts'

function kindOf({ target, items }: MenuItem): ItemKind {
  const leads = target === undefined ? 'group' : target.to === 'address' ? 'away' : 'page'
  return items.length > 0 ? `${leads}+` : leads
}

/** Forms to take where the pages have none of the very kind, the likest first. */
function* likeForms(level: number, state: ItemState, kind: ItemKind): Generator<string> {
  const bare = kind.replace('+', '') as ItemKind
  const kinds = [
    ...new Set<ItemKind>(
      [kind, bare, 'page+', 'page'].filter((one) => kind.endsWith('+') || !one.endsWith('+')) as ItemKind[],
    ),
  ]
  for (const one of kinds) {
    for (let up = level; up > 0; up--) yield formKey(up, state, one)
    yield formKey(level + 1, state, one)
  }
}

function formOf(pattern: MenuPattern, item: MenuItem, level: number, state: ItemState): ItemForm | undefined {
  const own = valueAt(pattern.own, item.id)?.[state]
  if (own) return own
  for (const key of likeForms(level, state, kindOf(item))) {
    const form = pattern.forms[key]
    if (form) return form
  }
  // Where the author marks nothing, the item is as it is elsewhere.
  return state === 'plain' ? undefined : formOf(pattern, item, level, 'plain')
}

const stateOf = ({ id }: MenuItem, mark: HereMark): ItemState =>
  id === mark.here ? 'here' : id === mark.nearest || mark.within.has(id) ? 'within' : 'plain'

/** Whether an item is written as a link: that of the page itself may be text. @param level from 1 */
export function isWrittenAsLink(
  pattern: MenuPattern,
  item: MenuItem,
  level: number,
  mark: HereMark,
): boolean {
  const form = formOf(pattern, item, level, stateOf(item, mark))
  return form?.head.some((bit) => typeof bit !== 'string' && 'hole' in bit && bit.hole === 'href') ?? false
}

/** A menu of a page in the author's own way of writing. */
export function writeMenu(
  pattern: MenuPattern,
  items: readonly MenuItem[],
  mark: HereMark,
  writing: Writing,
): string {
  const list = (level: number, all: readonly MenuItem[]): string => {
    const between = pattern.between[level - 1] ?? pattern.between.at(-1) ?? ''
    const written = all.map((item) => {
      const form = formOf(pattern, item, level, stateOf(item, mark))
      if (!form) return ''
      const values = { label: item.label, title: item.label, target: item.target }
      const head = writing.bits(form.head as Bits, { item: values }, pattern.spelling)
      if (item.items.length === 0) return head + form.tail
      return head + list(level + 1, item.items) + form.tail
    })
    return written.filter((one) => one !== '').join(between)
  }
  return (
    writing.bits(pattern.before, {}, pattern.spelling) +
    list(1, items) +
    writing.bits(pattern.after, {}, pattern.spelling)
  )
}
