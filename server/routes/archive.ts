import { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { outputFiles } from '@viatica/core/formats/archive.ts'
import { Router } from 'express'
import { ZipFile } from 'yazl'
import { bytesOf } from '../store/fileBytes.ts'
import type { SiteStore } from '../store/siteStore.ts'
import { thisYear } from '../year.ts'
import { asDownload } from './sites.ts'

/** The same moment in every archive: what did not change gives the same bytes. */
const MTIME = new Date(Date.UTC(2000, 0, 1))

/** `GET /api/sites/:id/archive.zip`: the finished site. Each file is made when its turn comes. */
export function archiveRoutes(store: SiteStore): Router {
  return Router().get('/sites/:id/archive.zip', async (request, response) => {
    const { site } = await store.read(request.params.id)
    const zip = new ZipFile()
    zip.on('error', (error: Error) => response.destroy(error))
    for (const file of outputFiles(site, thisYear())) {
      zip.addReadStreamLazy(file.path, { mtime: MTIME, mode: 0o644 }, (give) => {
        bytesOf(store, file).then(
          (bytes) => give(null, Readable.from([bytes])),
          (error: unknown) => give(error as Error, Readable.from([])),
        )
      })
    }
    zip.end()
    asDownload(response, site, '.zip')
    response.type('application/zip')
    await pipeline(zip.outputStream, response)
  })
}
