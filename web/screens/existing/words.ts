import type { Account } from '@viatica/core/existing/account.ts'
import type { Correction } from '@viatica/core/existing/corrections.ts'
import type { Evidence } from '@viatica/core/existing/plan/evidence.ts'
import type { DriftPart, FoundMark } from '@viatica/core/existing/report.ts'
import type { Progress } from '../../workers/bringWorker.ts'

/** What is said of existing pages. */

export const counted = (count: number, one: string, many = `${one}s`): string =>
  `${count} ${count === 1 ? one : many}`

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

const STEP_WORDS = {
  read: 'Reading the files',
  pages: 'Reading the pages',
  parts: 'Looking for menus, breadcrumbs and previous/next links',
  plan: 'Working out where each page stands',
  templates: 'Laying the pages over each other',
  differences: 'Comparing every page with what it should be',
  store: 'Saving the site',
} as const

export const stepWords = ({ step }: Progress | { readonly step: 'store' }): string => STEP_WORDS[step]

/** How far it is, in percent: reading is the first third. */
export function percentOf(progress: Progress | { readonly step: 'store' }): number {
  const steps = Object.keys(STEP_WORDS)
  const at = steps.indexOf(progress.step)
  const within = progress.step === 'read' ? progress.done / Math.max(1, progress.total) : 0
  return Math.round(((at + within) / steps.length) * 100)
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
