import { createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { outputFiles } from '@viatica/core/formats/archive.ts'
import { mediaTypeOf } from '@viatica/core/plan/file.ts'
import { EXTENSIONS } from '@viatica/core/plan/site.ts'
import { YEAR } from '@viatica/core/testing/year.ts'
import { fontBytes } from '@viatica/fonts/fontFiles.ts'
import { LinkChecker, type LinkResult } from 'linkinator'
import type { LoadedSite } from '../load.ts'

/** A finished site as bytes by path. */
export function finished({ site, contents }: LoadedSite): Map<string, Buffer> {
  return new Map(
    [...outputFiles(site, YEAR)].map((file) => [
      file.path,
      'text' in file
        ? Buffer.from(file.text())
        : 'font' in file
          ? fontBytes(file.font)
          : Buffer.from(contents.get(file.content)!),
    ]),
  )
}

/** A plain host that takes every extension of pages for HTML, as hosts that run them do. */
async function serve(
  files: ReadonlyMap<string, Buffer>,
  index: string,
): Promise<{ server: Server; url: string }> {
  const server = createServer((request, response) => {
    const path = decodeURIComponent(new URL(request.url!, 'http://localhost').pathname.slice(1)) || index
    const bytes = files.get(path)
    const isPage = EXTENSIONS.some((extension) => path.endsWith(extension))
    response.writeHead(bytes ? 200 : 404, { 'Content-Type': isPage ? 'text/html' : mediaTypeOf(path) })
    response.end(bytes)
  })
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
  return { server, url: `http://127.0.0.1:${(server.address() as AddressInfo).port}/` }
}

/** What an independent link checker (linkinator) finds on a finished site; links that leave it are not fetched. */
export async function checkLinks(
  files: ReadonlyMap<string, Buffer>,
  index = 'index.html',
): Promise<{ url: string; links: readonly LinkResult[] }> {
  const { server, url } = await serve(files, index)
  const { links } = await new LinkChecker().check({
    path: url,
    recurse: true,
    linksToSkip: (link) => Promise.resolve(!link.startsWith(url)),
  })
  server.close()
  server.closeAllConnections()
  return { url, links }
}
