import { createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { addressesOf } from '@viatica/core/address/addresses.ts'
import { outputFiles } from '@viatica/core/formats/archive.ts'
import { mediaTypeOf } from '@viatica/core/plan/file.ts'
import { walk } from '@viatica/core/plan/plan.ts'
import { EXTENSIONS, isWritten, type Site } from '@viatica/core/plan/site.ts'
import { createPageWriter } from '@viatica/core/render/pageWriter.ts'
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

/** A finished site as its visitors get it, with what servers put into pages: the texts; other files are there, and empty. */
export function shownSite(site: Site): { pages: ReadonlySet<string>; files: ReadonlyMap<string, Buffer> } {
  const { paths } = addressesOf(site)
  const writer = createPageWriter(site, YEAR)
  const files = new Map(
    [...outputFiles(site, YEAR)].map((file) => [file.path, 'text' in file ? file.text() : '']),
  )
  const pages = new Set<string>()
  for (const { entry } of walk(site.plan)) {
    if (!isWritten(site, entry)) continue
    pages.add(paths.get(entry.id)!)
    files.set(paths.get(entry.id)!, writer.shown(entry.id))
  }
  // An element that is called as what every object of the language has of itself would end the link checker.
  const known = (text: string) => Buffer.from(text.replace(/(<\/?)constructor/gi, '$1other'))
  return { pages, files: new Map([...files].map(([path, text]) => [path, known(text)])) }
}

/** A plain host that takes every extension of pages for HTML, as hosts that run them do. */
async function serve(
  files: ReadonlyMap<string, Buffer>,
  index: string,
  root = '/',
): Promise<{ server: Server; url: string }> {
  const server = createServer((request, response) => {
    const asked = decodeURIComponent(new URL(request.url!, 'http://localhost').pathname)
    const path = asked.startsWith(root) ? asked.slice(root.length).replace(/(^|\/)$/, `$1${index}`) : ''
    const bytes = files.get(path)
    // As servers do, common practice: from a folder without its slash they send on.
    if (!bytes && files.has(`${path}/${index}`)) {
      response.writeHead(301, { Location: `${encodeURI(asked)}/` }).end()
      return
    }
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

/** Asks whether the host has what a link on a page leads to; links that leave the site are never asked. */
export interface Asking {
  (page: string, target: string): Promise<boolean>
  /** A page, and where a link on it leads, in one line. */
  key(page: string, target: string): string
}

/**
 * What an independent link checker (linkinator) finds broken on the pages of a finished site, which need not be linked.
 * @param root where the site is on its host, `/` at both ends
 * @param baseUrl what its absolute links begin with; empty where it has none
 * @param work is done while the host runs
 */
export async function brokenOn(
  { pages, files }: ReturnType<typeof shownSite>,
  { index, root, baseUrl }: { readonly index: string; readonly root: string; readonly baseUrl: string },
  work: (broken: readonly string[], isThere: Asking) => Promise<void>,
): Promise<void> {
  const { server, url } = await serve(files, index, root)
  const top = url.slice(0, -1) + root
  const pathOf = (address: string) => decodeURIComponent(address.slice(top.length).split(/[?#]/)[0]!)
  const resolved = (page: string, target: string) => {
    const { href } = new URL(target, top + page.split('/').map(encodeURIComponent).join('/'))
    return baseUrl !== '' && href.startsWith(baseUrl) ? top + href.slice(baseUrl.length) : href
  }
  const isThere: Asking = Object.assign(
    async (page: string, target: string) => (await fetch(resolved(page, target))).ok,
    { key: (page: string, target: string) => `${page} → ${pathOf(resolved(page, target))}` },
  )
  try {
    const { links } = await new LinkChecker().check({
      path: [...pages].map((page) => resolved(page, '')),
      recurse: false,
      urlRewriteExpressions:
        baseUrl === ''
          ? []
          : [{ pattern: new RegExp(`^${baseUrl.replace(/[^\w/:-]/g, '\\$&')}`), replacement: top }],
      linksToSkip: (link) => Promise.resolve(!link.startsWith(top)),
    })
    const broken = links.flatMap((link) =>
      link.state === 'BROKEN' ? [`${pathOf(link.parent ?? '')} → ${pathOf(link.url)}`] : [],
    )
    await work(broken, isThere)
  } finally {
    server.close()
    server.closeAllConnections()
  }
}
