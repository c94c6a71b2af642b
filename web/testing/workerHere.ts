import { jest } from '@jest/globals'

/**
 * Stands for the worker of a window, and does its work in this process: for tests of what a store makes of the answers.
 * Call it before any store is imported.
 */
export async function workHere(): Promise<void> {
  // The module of the worker lends itself out when it is read; here nobody listens on that way.
  ;(globalThis as Record<string, unknown>)['addEventListener'] ??= () => undefined
  const { SiteWork } = await import('../workers/siteWorker.ts')
  const work = new SiteWork() as unknown as Record<string, (...args: unknown[]) => unknown>
  jest.unstable_mockModule('../workers/siteWork.ts', () => ({
    siteWork: new Proxy(work, {
      get:
        (_, name: string) =>
        async (...args: unknown[]) =>
          work[name]!(...args),
    }),
  }))
}
