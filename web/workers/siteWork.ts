import { type Remote, wrap } from 'comlink'
import type { Site } from '@viatica/core/plan/site.ts'
import { nextTask } from './nextTask.ts'
import type { SiteWork } from './siteWorker.ts'

const worker: Remote<SiteWork> = wrap(
  new Worker(new URL('./siteWorker.ts', import.meta.url), { type: 'module' }),
)

/** Settled when the worker has the site that is open. */
let ready: Promise<unknown> = Promise.resolve()

type Asked = (...args: unknown[]) => Promise<unknown>

/** The worker that does whole-site work for the site that is open; what is asked of it is done in order. */
export const siteWork = new Proxy(worker, {
  get: (target, name) => {
    if (name !== 'reset')
      return async (...args: unknown[]) => {
        await ready
        return (target[name as keyof SiteWork] as Asked)(...args)
      }
    // To copy a large site takes long: the window shows it first.
    return (site: Site) => (ready = ready.then(nextTask).then(() => target.reset(site)))
  },
})
