import type { Progress } from '../../workers/bringWorker.ts'
import type { Sending } from './sendFiles.ts'

/** What is said of the work on existing pages. */

export const counted = (count: number, one: string, many = `${one}s`): string =>
  `${count} ${count === 1 ? one : many}`

const STEP_WORDS = {
  read: 'Reading the files',
  pages: 'Reading the pages',
  parts: 'Looking for menus, breadcrumbs and previous/next links',
  plan: 'Working out where each page stands',
  templates: 'Laying the pages over each other',
  differences: 'Comparing every page with what it should be',
  send: 'Sending the files',
  store: 'Saving the site',
} as const

/** What is said where the work itself is at fault. */
export const WRONG = 'Something is wrong in Viatica: these pages could not be read. Nothing was changed.'

/** What is being done: worked out, sent, stored. */
export type Working = Progress | Sending | { readonly step: 'store' }

export const stepWords = ({ step }: Working): string => STEP_WORDS[step]

/** How far it is, in percent. */
export function percentOf(progress: Working): number {
  const steps = Object.keys(STEP_WORDS)
  const at = steps.indexOf(progress.step)
  const within = 'total' in progress ? progress.done / Math.max(1, progress.total) : 0
  return Math.round(((at + within) / steps.length) * 100)
}
