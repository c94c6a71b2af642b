import { type Remote, wrap } from 'comlink'
import type { SpellWork } from './spellWorker.ts'

let work: Remote<SpellWork> | undefined

/** The worker that looks words up; it is started when the first is to be. */
export function spellWork(): Remote<SpellWork> {
  work ??= wrap(new Worker(new URL('./spellWorker.ts', import.meta.url), { type: 'module' }))
  return work
}
