import { once } from 'node:events'
import { MessageChannel } from 'node:worker_threads'
import { type OutputChoices, outputChoicesSchema } from '@viatica/core/publish/choices.ts'
import type { Request, RequestHandler, Response } from 'express'
import * as v from 'valibot'
import type { SiteStore } from '../store/siteStore.ts'
import type { ArchiveTask, FromArchive } from '../threads/writeTasks.ts'
import type { Workshop } from '../threads/workshop.ts'
import { thisYear } from '@viatica/core/standard/date.ts'
import { asDownload } from '../http/download.ts'

const yesOrNo = v.pipe(
  v.picklist(['yes', 'no'], 'must be yes or no'),
  v.transform((said) => said === 'yes'),
)
const querySchema = v.strictObject({
  sitemap: yesOrNo,
  robots: yesOrNo,
  redirectPages: yesOrNo,
  rules: outputChoicesSchema.entries.rules,
  includes: outputChoicesSchema.entries.includes,
})

/** What an address asks for beside the pages: all choices, or none said. @throws ValiError */
function choicesAsked(query: Request['query']): OutputChoices | undefined {
  if (Object.keys(query).length === 0) return undefined
  return v.parse(querySchema, query)
}

/** Gives out the finished site, or one to open again. It is written in a thread, as fast as it is taken. */
export function giveArchive(
  store: SiteStore,
  workshop: Workshop,
  what: ArchiveTask['what'],
): RequestHandler<{ id: string }> {
  return async (request, response) => {
    const site = request.params.id
    const choices = choicesAsked(request.query)
    const name = await store.sites.nameOf(site)
    // Who has gone meanwhile is not told of by another “close”.
    if (response.closed) return
    asDownload(response, name, what === 'finished site' ? '.zip' : '.site.zip')
    response.type('application/zip')
    const { port1, port2 } = new MessageChannel()
    // Whoever asked has everything or has gone: the thread gets no answer any more, and ends.
    response.on('close', () => {
      port1.close()
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
      await workshop.archive({ what, site, year: thisYear(), choices }, port2)
      await end
    } catch (error) {
      // Whoever has gone, also while the task was waiting for its turn, is told nothing any more.
      if (!response.closed) throw error
    } finally {
      port1.close()
    }
  }
}

/** Writes a piece, and waits until there is room for the next. */
async function written(response: Response, piece: Uint8Array): Promise<void> {
  if (!response.write(piece)) await once(response, 'drain')
}
