import type { RouteLocationRaw } from 'vue-router'

/** One of the five screens of a site, in the order of the work. */
export interface Stop {
  readonly name: string
  readonly label: string
  /** What the screen will hold, while it is not there yet. */
  readonly ahead?: string
}

export const STOPS: readonly Stop[] = [
  { name: 'plan', label: 'Plan' },
  { name: 'surround', label: 'Surround' },
  {
    name: 'write',
    label: 'Write',
    ahead:
      'Here you will write the main content of each page, as HTML or as you would in a letter, with links that ' +
      'follow every later change of the plan. Until then, main content is a field of each page at Plan.',
  },
  {
    name: 'proof',
    label: 'Proof',
    ahead:
      'Here Viatica will follow every link of every page, check titles, headings, addresses and contrast, and list ' +
      'what is wrong with a way to mend it.',
  },
  {
    name: 'publish',
    label: 'Publish',
    ahead:
      'Here you will compare the site with what was published before, and give it out. Until then, “Take away” ' +
      'gives you the finished site as an archive that works from any folder.',
  },
]

/** Where the screen of a stop is. */
export function placeOfStop(stop: Stop, id: string): RouteLocationRaw {
  return stop.ahead
    ? { name: 'ahead', params: { id, ahead: stop.name } }
    : { name: stop.name, params: { id } }
}
