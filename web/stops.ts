import type { RouteLocationRaw } from 'vue-router'
import { writingWay } from './stores/writingWay.ts'

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
  { name: 'write', label: 'Write' },
  { name: 'proof', label: 'Proof' },
  {
    name: 'publish',
    label: 'Publish',
    ahead:
      'Here you will compare the site with what was published before, and give it out. Until then, “Download site” ' +
      'gives you the finished site as an archive that works from any folder.',
  },
]

/** Where the screen of a stop is; texts are opened in the way of writing that was used last. */
export function placeOfStop(stop: Stop, id: string): RouteLocationRaw {
  return stop.ahead
    ? { name: 'ahead', params: { id, ahead: stop.name } }
    : { name: stop.name, params: stop.name === 'write' ? { id, view: writingWay.value } : { id } }
}
