import { lastOf } from '../../standard/present.ts'
import { entriesOfBranch } from '../branch.ts'
import { labelOf } from '../entry.ts'
import type { EntryId } from '../ids.ts'
import type { SiteFile } from '../file.ts'
import { walk } from '../plan.ts'
import type { Site } from '../site.ts'
import { pieceName } from '../surround/piece.ts'
import { PLACE_NAMES } from '../surround/place.ts'
import { menuOf, standingOf, type SurroundRule, templatesOf } from '../surround/surround.ts'
import { restoredWords } from './restore.ts'
import type { Add, Change, Remove, SetEntry, SingleChange } from './change.ts'
import type { SetMaking, SurroundChange } from './surroundChange.ts'
import { valueAt } from '../../standard/record.ts'

function named(site: Site, id: EntryId): string {
  const entry = site.plan.entries.get(id)
  return entry ? `“${labelOf(entry)}”` : 'an entry'
}

/** “Locks”, or “Locks” and the 3 entries under it. */
function namedWithAllUnder(site: Site, id: EntryId): string {
  const under = site.plan.entries.has(id) ? [...walk(site.plan, id)].length - 1 : 0
  if (under === 0) return named(site, id)
  return `${named(site, id)} and the ${under === 1 ? 'entry' : `${under} entries`} under it`
}

const FIELD_WORDS: Readonly<Record<SetEntry['field'], string>> = {
  title: 'title',
  label: 'menu label',
  fileName: 'file name',
  heading: 'heading',
  description: 'description',
  banner: 'banner picture',
  date: 'date',
  note: 'note',
  state: 'state',
  inMenu: 'place in menus',
  inOrder: 'place in the reading order',
  inSearch: 'place in search engines',
  body: 'main content',
  target: 'target',
  pin: 'pinned address',
  seen: 'tick',
}

function setEntryWords(before: Site, change: SetEntry): string {
  const name = named(before, change.entry)
  switch (change.field) {
    case 'title':
      return `${name} renamed “${change.value}”`
    case 'state':
      return `${name} is now ${change.value}`
    case 'inMenu':
      return `${name} ${change.value ? 'put into' : 'left out of'} menus`
    case 'pin':
      return `The address of ${name} ${change.value ? 'pinned' : 'released'}`
    case 'seen':
      return change.value ? `${name} looked at` : `${name} to be looked at again`
    case 'date':
      return `${name} ${change.value === '' ? 'without a date' : `dated ${change.value}`}`
    case 'inOrder':
      return `${name} ${change.value ? 'put into' : 'left out of'} the reading order`
    case 'inSearch':
      return `${name} ${change.value ? 'shown to' : 'kept out of'} search engines`
    default:
      return `${name}: ${FIELD_WORDS[change.field]} changed`
  }
}

function addedWords({ branches }: Add): string {
  if (branches.length === 1) return `“${labelOf(branches[0]!)}”`
  const count = branches.reduce((sum, branch) => sum + [...entriesOfBranch(branch)].length, 0)
  return `${count} entries`
}

function removedWords(before: Site, { entries }: Remove): string {
  return entries.length === 1 ? namedWithAllUnder(before, entries[0]!) : `${entries.length} entries`
}

function setFileWords(before: SiteFile | undefined, after: SiteFile): string {
  if (!before) return `${after.path} changed`
  if (before.path !== after.path) return `${before.path} is now ${after.path}`
  return before.content === after.content ? `${after.path} described` : `${after.path} replaced`
}

/** What a change is about, for people: a page, a file, a piece, a setting. */
export function thingWords(before: Site, change: SingleChange): string {
  switch (change.kind) {
    case 'add':
      return named(before, change.parent)
    case 'remove':
      return change.entries.length === 1 ? named(before, change.entries[0]!) : 'One of the entries'
    case 'move':
      return named(before, change.entry)
    case 'replaceEntry':
      return named(before, change.entry.id)
    case 'setEntry':
      return `${named(before, change.entry)}: the ${FIELD_WORDS[change.field]}`
    case 'setSite':
      return SETTING_WORDS[change.field]
    case 'addFile':
    case 'setFile':
      return change.file.path
    case 'removeFile':
      return before.files.get(change.file)?.path ?? 'A file'
    case 'addPiece':
    case 'setPiece':
      return pieceName(change.piece.kind)
    case 'removePiece':
    case 'movePiece': {
      const found = standingOf(before.surround, change.piece)
      return found ? pieceName(found.piece.kind) : 'A piece'
    }
    case 'addMenu':
    case 'setMenu':
      return `Menu “${change.menu.name}”`
    case 'removeMenu':
      return `Menu “${menuOf(before.surround, change.menu)?.name ?? ''}”`
    case 'setSurround':
      return RULE_WORDS[change.field]
    case 'setMaking':
      return `The template of ${named(before, change.page)}`
    case 'restore':
      return restoredWords(change)
  }
}

/** What a change does, in the author's words. `before` is the site that it is made on. */
export function changeWords(before: Site, change: Change): string {
  switch (change.kind) {
    case 'add':
      return `${addedWords(change)} added under ${named(before, change.parent)}`
    case 'remove':
      return `${removedWords(before, change)} removed`
    case 'move':
      return before.plan.parents.get(change.entry) === change.parent
        ? `${named(before, change.entry)} reordered`
        : `${named(before, change.entry)} moved under ${named(before, change.parent)}`
    case 'replaceEntry':
      return `${named(before, change.entry.id)} is now a ${change.entry.kind}`
    case 'setEntry':
      return setEntryWords(before, change)
    case 'setSite':
      return `${SETTING_WORDS[change.field]} changed`
    case 'addFile':
      return `${change.file.path} added to the files of the site`
    case 'removeFile':
      return `${before.files.get(change.file)?.path ?? 'A file'} removed from the files of the site`
    case 'setFile':
      return setFileWords(before.files.get(change.file.id), change.file)
    case 'batch':
      return change.words ?? changeWords(before, lastOf(change.changes))
    case 'restore':
      return `${restoredWords(change)} as before`
    case 'addPiece':
    case 'removePiece':
    case 'movePiece':
    case 'setPiece':
    case 'addMenu':
    case 'removeMenu':
    case 'setMenu':
    case 'setSurround':
    case 'setMaking':
      return surroundWords(before, change)
  }
}

const SETTING_WORDS: Readonly<Record<keyof Site['settings'], string>> = {
  name: 'Site name',
  tagline: 'Tagline',
  language: 'Language',
  baseUrl: 'Base URL',
  layout: 'Folder structure',
  carrySection: 'Prefix with section name',
  separator: 'Word separator',
  extension: 'Extension of files',
  linkStyle: 'Link style',
  namesIndex: 'Links to folders',
  plannedPages: 'Treatment of planned pages',
  notFound: '404 page',
  redirects: 'Redirects',
  titlePattern: 'Pattern of titles',
  homeTitlePattern: 'Title of the home page',
  logo: 'Logo',
  sharing: 'Link previews',
  icon: 'Icon',
  setAside: 'Ignored findings',
  ownWords: 'Dictionary',
}

const RULE_WORDS: Readonly<Record<SurroundRule, string>> = {
  here: 'Here mark',
  breadcrumb: 'Breadcrumb',
  order: 'Order of previous and next',
  look: 'Design',
  headFiles: 'Style sheets and scripts',
  words: 'Labels',
  templates: 'Templates',
}

function makingWords(before: Site, { page, making }: SetMaking): string {
  const templates = templatesOf(before.surround)
  const was = templates && valueAt(templates.pages, page)
  if (making?.template !== was?.template) {
    const name = templates?.templates.find(({ id }) => id === making?.template)?.name
    return `${named(before, page)} is made with ${name === undefined ? 'another template' : `the template “${name}”`}`
  }
  return `${named(before, page)}: what it has of its own changed`
}

function surroundWords(before: Site, change: SurroundChange): string {
  const { surround } = before
  const piece = (id: string) => {
    const found = standingOf(surround, id)
    return found ? pieceName(found.piece.kind) : 'A piece'
  }
  const menu = (id: string) => `Menu “${menuOf(surround, id)?.name ?? ''}”`
  switch (change.kind) {
    case 'addPiece':
      return `${pieceName(change.piece.kind)} added to the ${PLACE_NAMES[change.place].toLowerCase()}`
    case 'removePiece':
      return `${piece(change.piece)} removed from the surround`
    case 'movePiece':
      return `${piece(change.piece)} moved in the ${PLACE_NAMES[change.place].toLowerCase()}`
    case 'setPiece':
      return `${pieceName(change.piece.kind)} changed`
    case 'addMenu':
      return `Menu “${change.menu.name}” added`
    case 'removeMenu':
      return `${menu(change.menu)} removed`
    case 'setMenu':
      return `${menu(change.menu.id)} changed`
    case 'setSurround':
      return `${RULE_WORDS[change.field]} changed`
    case 'setMaking':
      return makingWords(before, change)
  }
}
