import type { RouteLocationRaw } from 'vue-router'
import { writingWay } from './stores/writingWay.ts'

/** One of the five screens of a site, in the order of the work. */
export interface Stop {
  readonly name: string
  readonly label: string
}

export const STOPS: readonly Stop[] = [
  { name: 'plan', label: 'Plan' },
  { name: 'surround', label: 'Surround' },
  { name: 'write', label: 'Write' },
  { name: 'proof', label: 'Proof' },
  { name: 'publish', label: 'Publish' },
]

/** Where the screen of a stop is; texts are opened in the way of writing that was used last. */
export function placeOfStop(stop: Stop, id: string): RouteLocationRaw {
  return { name: stop.name, params: stop.name === 'write' ? { id, view: writingWay.value } : { id } }
}
