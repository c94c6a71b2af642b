import { once } from 'node:events'
import { MessageChannel } from 'node:worker_threads'
import type { RequestHandler, Response } from 'express'
import type { SiteStore } from '../store/siteStore.ts'
import type { FromArchive } from '../threads/tasks.ts'
import type { Workshop } from '../threads/workshop.ts'
import { thisYear } from '@viatica/core/standard/date.ts'
import { asDownload } from '../http/download.ts'

/** Gives out the finished site. It is written in a thread, as fast as it is taken. */
export function giveArchive(store: SiteStore, workshop: Workshop): RequestHandler<{ id: string }> {
  return async (request, response) => {
    const site = request.params.id
    const name = await store.nameOf(site)
    // Who has gone meanwhile is not told of by another “close”.
    if (response.closed) return
    asDownload(response, name, '.zip')
    response.type('application/zip')
    const { port1, port2 } = new MessageChannel()
    const stopped = new AbortController()
    response.on('close', () => {
      if (!response.writableEnded) stopped.abort()
      ended()
    })
    // The thread is done before the last that it said has come.
    let ended: () => void = () => undefined
    const end = new Promise<void>((resolve) => (ended = resolve))
    port1.on('message', (said: FromArchive) => {
      answer(said).catch((error: unknown) => {
        response.destroy(error as Error)
        ended()
      })
    })

    async function answer(said: FromArchive): Promise<void> {
      if ('end' in said) {
        response.end()
        ended()
      } else {
        await written(response, said.piece)
        port1.postMessage('taken')
      }
    }

    try {
      await workshop.archive({ site, year: thisYear() }, port2, stopped.signal)
      await end
    } catch (error) {
      // Whoever asked has gone; there is nobody left to tell.
      if (!stopped.signal.aborted) throw error
    } finally {
      port1.close()
    }
  }
}

/** Writes a piece, and waits until there is room for the next. */
async function written(response: Response, piece: Uint8Array): Promise<void> {
  if (!response.write(piece)) await once(response, 'drain')
}
