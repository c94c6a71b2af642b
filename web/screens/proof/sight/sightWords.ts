import type { PageSight } from '@viatica/core/seen/seen.ts'

/** How it stands with looking at a page, in words. */
export function sightWords({ state, reasons }: PageSight, on: string | undefined): string {
  switch (state) {
    case 'unseen':
      return 'not reviewed yet'
    case 'seen':
      return `reviewed ${on ?? ''}`
    case 'changed':
      return `changed since: ${reasons.join(', ')}`
  }
}
