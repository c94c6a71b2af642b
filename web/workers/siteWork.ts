import { type Remote, wrap } from 'comlink'
import type { SiteWork } from './siteWorker.ts'

/** The worker that does whole-site work for the site that is open; what is asked of it is done in order. */
export const siteWork: Remote<SiteWork> = wrap(
  new Worker(new URL('./siteWorker.ts', import.meta.url), { type: 'module' }),
)
