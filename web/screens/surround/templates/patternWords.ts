import type { ItemKind, ItemState } from '@viatica/core/plan/surround/templates.ts'
import type { FieldPlace } from '@viatica/core/template/patternFields.ts'

const STATE_WORDS: Readonly<Record<ItemState, string>> = {
  plain: '',
  here: ', current page',
  within: ', section of the current page',
}

const KIND_WORDS: Readonly<Record<ItemKind, string>> = {
  page: 'Link',
  away: 'External link',
  group: 'Group',
  'page+': 'Link with submenu',
  'away+': 'External link with submenu',
  'group+': 'Group with submenu',
}

/** A form of items, as `formKey` writes it: level, state, kind. */
function formWords(form: string): string {
  const [level, state, kind] = form.split(' ') as [string, ItemState, ItemKind]
  return `${KIND_WORDS[kind]}${STATE_WORDS[state]}${level === '1' ? '' : `, level ${level}`}`
}

const LINK_WORDS = { previous: 'previous', next: 'next', up: 'up' } as const

/** What a text of a pattern is called. */
export function fieldWords(at: FieldPlace): string {
  switch (at.of) {
    case 'before':
      return 'Before the first item'
    case 'after':
      return 'After the last item'
    case 'between':
      return at.level === 1 ? 'Between two items' : `Between two items, level ${at.level}`
    case 'item':
      return formWords(at.form)
    case 'item end':
      return `${formWords(at.form)}: after the submenu`
    case 'link':
      return 'Page above'
    case 'group':
      return 'Group'
    case 'self':
      return 'The page itself'
    case 'previous':
    case 'next':
    case 'up':
      return `Link: ${LINK_WORDS[at.of]}`
    case 'whole':
      return at.links === '' ? 'When there are no links' : `When there is only: ${at.links}`
  }
}
