import type { Account } from '@viatica/core/existing/account.ts'
import type { Correction } from '@viatica/core/existing/corrections.ts'
import type { Evidence } from '@viatica/core/existing/plan/evidence.ts'
import { counted } from '../../parts/pages/steps.ts'
import type { DriftPart, FoundMark } from '@viatica/core/existing/report.ts'

/** What is said of existing pages. */

export const EVIDENCE_WORDS: Readonly<Record<Evidence, string>> = {
  author: 'you moved it here',
  breadcrumb: 'its breadcrumb',
  head: 'a link in its head',
  pager: 'previous/next links',
  menu: 'a menu',
  contents: 'a list of contents',
  folder: 'its folder',
  name: 'its file name',
  none: 'nothing: placed under the home page',
}

export const PART_WORDS: Readonly<Record<DriftPart, string>> = {
  head: 'Head',
  title: 'Title',
  header: 'Header',
  menu: 'Menu',
  mark: 'Mark of the current page',
  breadcrumb: 'Breadcrumb',
  pager: 'Previous/next links',
  heading: 'Page heading (h1)',
  banner: 'Banner',
  footer: 'Footer',
  styles: 'Style sheets',
  links: 'Links',
}

export const ACCOUNT_WORDS: Readonly<Record<Account, string>> = {
  literal: 'the same on all pages',
  computed: 'worked out from the plan',
  content: 'content',
  own: 'only on single pages',
}

/** How a menu shows the page that a visitor is on. */
export function markWords({ form, on, value }: FoundMark): string {
  switch (form) {
    case 'class':
      return `class “${value}” on <${on}>`
    case 'attribute':
      return `${value} on <${on}>`
    case 'text':
      return on === '' ? 'text in the place of the link' : `text in the place of the link, in <${on}>`
    case 'element':
      return `<${on}> around it`
    case 'page-name':
      return `the ${on === '' ? 'name' : on} of the page, joined in the style sheet`
    case 'none':
      return 'none was found'
  }
}

export function correctionWords(correction: Correction): string {
  switch (correction.kind) {
    case 'content':
      return `The content: where you pointed on ${correction.path}`
    case 'menu':
      return `A menu: where you pointed on ${correction.path}`
    case 'no-menu':
      return `Not a menu: where you pointed on ${correction.path}`
    case 'template':
      return `${counted(correction.pages.length, 'page')} with a template of ${correction.pages.length === 1 ? 'its' : 'their'} own: ${correction.pages.join(', ')}`
    case 'parent':
      return `Parent page of ${correction.path}: ${correction.parent}`
  }
}
