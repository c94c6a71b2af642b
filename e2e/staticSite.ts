import { createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { dirname, join } from 'node:path'
import handler from 'serve-handler'
import yauzl from 'yauzl'

/** A plain web server for a folder that has a site unpacked in a subfolder. */
export interface StaticSite {
  /** The address of the subfolder, with a slash at its end. */
  readonly url: string
  /** The paths of the pages in the archive, in the order they stand in. */
  readonly pages: readonly string[]
  stop(): void
}

/** Unpacks an archive into a subfolder and serves the folder as it stands. */
export async function serveUnpacked(archive: Buffer): Promise<StaticSite> {
  const folder = mkdtempSync(join(tmpdir(), 'unpacked-'))
  const subfolder = 'some place/below'
  const pages: string[] = []
  const zip = await yauzl.fromBufferPromise(archive)
  for await (const entry of zip.eachEntry()) {
    const chunks: Buffer[] = []
    for await (const chunk of await zip.openReadStreamPromise(entry)) chunks.push(chunk as Buffer)
    const path = join(folder, subfolder, entry.fileName)
    mkdirSync(dirname(path), { recursive: true })
    writeFileSync(path, Buffer.concat(chunks))
    if (path.endsWith('.html')) pages.push(entry.fileName)
  }
  const server = await new Promise<Server>((resolve) => {
    const listening = createServer(
      (request, response) =>
        void handler(request, response, { public: folder, cleanUrls: false, directoryListing: false }),
    )
    listening.listen(0, '127.0.0.1', () => resolve(listening))
  })
  const { port } = server.address() as AddressInfo
  return {
    url: `http://127.0.0.1:${port}/${encodeURI(subfolder)}/`,
    pages,
    stop() {
      server.closeAllConnections()
      server.close()
      rmSync(folder, { recursive: true })
    },
  }
}
