import { addressesOf } from '../address/addresses.ts'
import type { Pointer } from '../pointer/pointer.ts'
import type { Site } from '../plan/site.ts'

/**
 * The path that a reference in the author's own HTML leads to. Where its target was removed, that is the path that the target
 * had last; of one that never was, a path at which nothing is. It is never empty, and findings name it.
 */
export function pathOfReference(site: Site, to: Pointer['to'], id: string): string {
  const there = to === 'entry' ? addressesOf(site).paths.get(id) : site.files.get(id)?.path
  return (
    there ?? site.gone.get(`${to}:${id}`)?.path ?? `${id}${to === 'entry' ? site.settings.extension : ''}`
  )
}
