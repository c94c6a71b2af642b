import { createReadStream } from 'node:fs'
import { readdir, stat } from 'node:fs/promises'
import { createServer, type IncomingMessage, type Server, type ServerResponse } from 'node:http'
import { basename, join } from 'node:path'
import { fileTypeOf } from '@viatica/core/plan/file.ts'

/** A request of a visitor, as the host remembers it. */
export interface Visit {
  readonly at: string
  readonly site: string
  readonly path: string
  readonly status: number
}

export interface WebServerSettings {
  readonly folder: string
  heard(visit: Visit): void
}

/** Whether a file is there under this very name: a server that tells capitals from small letters. */
async function isThere(path: string): Promise<boolean> {
  const names: string[] = await readdir(join(path, '..')).catch(() => [])
  return names.includes(basename(path))
}

interface Found {
  readonly status: number
  readonly file?: string
  readonly location?: string
}

/** What stands at an address, as common web servers have it. */
async function find(top: string, path: string): Promise<Found> {
  // Files whose names begin with a dot are nobody's to see: common practice of web servers.
  if (path.split('/').some((name) => name.startsWith('.'))) return { status: 404 }
  const at = join(top, path)
  const is = await stat(at).catch(() => undefined)
  if (is?.isDirectory()) {
    if (!path.endsWith('/'))
      return { status: 301, location: `${path.split('/').map(encodeURIComponent).join('/')}/` }
    for (const index of ['index.html', 'index.htm']) {
      const file = join(at, index)
      if (await stat(file).catch(() => undefined)) return { status: 200, file }
    }
    return { status: 403 }
  }
  return is?.isFile() && (await isThere(at)) ? { status: 200, file: at } : { status: 404 }
}

/** As common servers have them; a page says its own encoding. */
function typeOf(file: string): string {
  if (/\.(?:html?|shtml|php)$/i.test(file)) return 'text/html'
  if (/\.xml$/i.test(file)) return 'application/xml'
  return fileTypeOf(file)?.media ?? (/\.txt$/i.test(file) ? 'text/plain' : 'application/octet-stream')
}

const PLAIN: Readonly<Record<number, string>> = { 403: 'Forbidden', 404: 'Not Found', 400: 'Bad Request' }

/** The folder of the site that a visitor is at: the first part of the host name. https://datatracker.ietf.org/doc/html/rfc1123#section-2.1 */
const siteOf = ({ headers }: IncomingMessage) =>
  /^([a-z0-9][a-z0-9-]{0,62})\.localhost(?::\d+)?$/.exec(headers.host ?? '')?.[1]

async function answer(
  request: IncomingMessage,
  response: ServerResponse,
  settings: WebServerSettings,
): Promise<void> {
  const site = siteOf(request) ?? ''
  const say = (status: number, headers: Record<string, string>) => {
    settings.heard({ at: new Date().toISOString(), site, path: request.url ?? '/', status })
    response.writeHead(status, headers)
  }
  const plain = (status: number) => {
    say(status, { 'content-type': 'text/plain; charset=utf-8' })
    response.end(`${status} ${PLAIN[status] ?? ''}\n`)
  }
  let path: string
  try {
    path = decodeURIComponent(new URL(request.url ?? '/', 'http://host').pathname)
  } catch {
    return plain(400)
  }
  if (site === '' || path.includes('\0')) return plain(site === '' ? 404 : 400)
  const top = join(settings.folder, site)
  const found = await find(top, path)
  if (found.location !== undefined) {
    say(found.status, { location: found.location })
    return void response.end()
  }
  // The 404 page of a site stands at its top, wherever that is: the folders above the address are looked through.
  const folders = path.split('/').slice(0, -1)
  let file = found.file
  for (let up = folders.length; file === undefined && found.status === 404 && up > 0; up--) {
    const own = join(top, ...folders.slice(0, up), '404.html')
    if (await stat(own).catch(() => undefined)) file = own
  }
  if (file === undefined) return plain(found.status)
  say(found.status, { 'content-type': typeOf(file) })
  if (request.method === 'HEAD') return void response.end()
  createReadStream(file)
    .on('error', () => response.destroy())
    .pipe(response)
}

/** Shows the files of sites over HTTP, each site under a name of its own. */
export function webServer(settings: WebServerSettings): Server {
  return createServer((request, response) => {
    answer(request, response, settings).catch(() => response.destroy())
  })
}
