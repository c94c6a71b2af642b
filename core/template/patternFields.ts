import type { Bits, ItemForm, MenuPattern, PagerPattern, TrailPattern } from '../plan/surround/templates.ts'

/** A text of a pattern that its author can edit, by where it stands. */
export type FieldPlace =
  | { readonly of: 'before' | 'after' }
  /** Between two items of a level, from 1; of links in a line where there are no levels. */
  | { readonly of: 'between'; readonly level: number }
  /** How items are written, by `formKey`: all before the items under them, and all after these. */
  | { readonly of: 'item' | 'item end'; readonly form: string }
  /** The steps of a breadcrumb: a page above, a group, the page itself. */
  | { readonly of: 'link' | 'group' | 'self' }
  | { readonly of: 'previous' | 'next' | 'up' }
  /** A pager whole, where only these links are there. */
  | { readonly of: 'whole'; readonly links: string }

export interface PatternField {
  readonly at: FieldPlace
  readonly bits: Bits
}

/** A pattern of a template, with what it writes. */
export type Pattern =
  | { readonly kind: 'menu'; readonly pattern: MenuPattern }
  | { readonly kind: 'breadcrumb'; readonly pattern: TrailPattern }
  | { readonly kind: 'pager'; readonly pattern: PagerPattern }

const text = (words: string): Bits => (words === '' ? [] : [words])
const field = (at: FieldPlace, bits: Bits | null): PatternField[] => (bits ? [{ at, bits }] : [])

function* itemFields(form: string, { head, tail }: ItemForm): Generator<PatternField> {
  yield { at: { of: 'item', form }, bits: head }
  // Only what has items under it has an end after them; others may have one that was learnt.
  if (form.endsWith('+') || tail !== '') yield { at: { of: 'item end', form }, bits: text(tail) }
}

const STATES: readonly string[] = ['plain', 'here', 'within']
/** Forms by level, then as an item is on most pages, then by kind. */
function byForm([a]: readonly [string, ItemForm], [b]: readonly [string, ItemForm]): number {
  const [levelA, stateA, kindA] = a.split(' ') as [string, string, string]
  const [levelB, stateB, kindB] = b.split(' ') as [string, string, string]
  return (
    Number(levelA) - Number(levelB) ||
    STATES.indexOf(stateA) - STATES.indexOf(stateB) ||
    (kindA < kindB ? 1 : kindA > kindB ? -1 : 0)
  )
}

/** The texts of a pattern, in the order in which they stand on a page. */
export function patternFields({ kind, pattern }: Pattern): readonly PatternField[] {
  const before = field({ of: 'before' }, pattern.before)
  const after = field({ of: 'after' }, pattern.after)
  switch (kind) {
    case 'menu':
      return [
        ...before,
        ...Object.entries(pattern.forms)
          .sort(byForm)
          .flatMap(([form, item]) => [...itemFields(form, item)]),
        ...pattern.between.flatMap((words, at) => field({ of: 'between', level: at + 1 }, text(words))),
        ...after,
      ]
    case 'breadcrumb':
      return [
        ...before,
        ...field({ of: 'link' }, pattern.link),
        ...field({ of: 'group' }, pattern.group),
        ...field({ of: 'self' }, pattern.self),
        ...field({ of: 'between', level: 1 }, text(pattern.between)),
        ...after,
      ]
    case 'pager':
      return [
        ...before,
        ...(['previous', 'next', 'up'] as const).flatMap((of) => field({ of }, pattern.links[of])),
        ...field({ of: 'between', level: 1 }, text(pattern.between)),
        ...after,
        ...Object.entries(pattern.forms).flatMap(([links, bits]) => field({ of: 'whole', links }, bits)),
      ]
  }
}

/** Bits without holes as the text that they are. */
const asText = (bits: Bits): string => bits.map((bit) => (typeof bit === 'string' ? bit : '')).join('')

/** The same pattern with one of its texts written otherwise. @throws Error for a text that it does not have */
export function withField({ kind, pattern }: Pattern, at: FieldPlace, bits: Bits): Pattern {
  const own = [...bits]
  const unknown = () => new Error(`a ${kind} has no text for ${at.of}`)
  if (at.of === 'before' || at.of === 'after') {
    const edited = { [at.of]: own }
    switch (kind) {
      case 'menu':
        return { kind, pattern: { ...pattern, ...edited } }
      case 'breadcrumb':
        return { kind, pattern: { ...pattern, ...edited } }
      case 'pager':
        return { kind, pattern: { ...pattern, ...edited } }
    }
  }
  switch (kind) {
    case 'menu': {
      if (at.of === 'between')
        return { kind, pattern: { ...pattern, between: pattern.between.with(at.level - 1, asText(own)) } }
      const form = at.of === 'item' || at.of === 'item end' ? pattern.forms[at.form] : undefined
      if (!form || !(at.of === 'item' || at.of === 'item end')) throw unknown()
      const edited = at.of === 'item' ? { ...form, head: own } : { ...form, tail: asText(own) }
      return { kind, pattern: { ...pattern, forms: { ...pattern.forms, [at.form]: edited } } }
    }
    case 'breadcrumb':
      if (at.of === 'between') return { kind, pattern: { ...pattern, between: asText(own) } }
      if (at.of !== 'link' && at.of !== 'group' && at.of !== 'self') throw unknown()
      return { kind, pattern: { ...pattern, [at.of]: own } }
    case 'pager':
      if (at.of === 'between') return { kind, pattern: { ...pattern, between: asText(own) } }
      if (at.of === 'whole')
        return { kind, pattern: { ...pattern, forms: { ...pattern.forms, [at.links]: own } } }
      if (at.of !== 'previous' && at.of !== 'next' && at.of !== 'up') throw unknown()
      return { kind, pattern: { ...pattern, links: { ...pattern.links, [at.of]: own } } }
  }
}
