import type { Hearing, SiteServer, WindowAt } from '../exchange/server.ts'
import { takeAhead } from './readAhead.ts'
import { request } from './request.ts'

const JSON_TYPE = 'application/json'
/** A stream of events that the server refused is asked for again after this. */
const HEAR_AGAIN_MS = 3000

/**
 * Listens to the events of a site. A browser comes again by itself when the connection breaks off, but not when the
 * server refuses the stream (as while it has no database): then it is asked for anew.
 */
function listen(url: string, hearing: Hearing): () => void {
  let source: EventSource
  let again: ReturnType<typeof setTimeout> | undefined
  const open = () => {
    source = new EventSource(url)
    source.addEventListener('revision', ({ data }) => hearing.revision(Number(data)))
    source.addEventListener('window', ({ data }) => hearing.window(JSON.parse(String(data)) as WindowAt))
    source.addEventListener('publishing', () => hearing.publishing())
    source.addEventListener('removed', () => hearing.removed())
    source.addEventListener('open', () => hearing.opened())
    source.addEventListener('error', () => {
      if (source.readyState === EventSource.CLOSED) again = setTimeout(open, HEAR_AGAIN_MS)
    })
  }
  open()
  return () => {
    clearTimeout(again)
    source.close()
  }
}

/** The server of one site. @param base before the paths of the API; empty for the host that the page is from */
export function siteServer(id: string, base = ''): SiteServer {
  const at = `${base}/api/sites/${encodeURIComponent(id)}`
  const post = <Answer>(path: string, body: unknown) =>
    request<Answer>('POST', `${at}${path}`, JSON.stringify(body), JSON_TYPE)
  return {
    read: () => (base === '' ? takeAhead(id) : undefined) ?? request('GET', at),
    save: (edit) => post('/changes', edit),
    restore: (edit, to) => post(`/history/${to}/restore`, edit),
    changesAfter: (revision) => request('GET', `${at}/changes?after=${revision}`),
    editsMade: async (ids) =>
      (await post<{ made: { id: string; revision: number }[] }>('/changes/made', { ids })).made,
    hear: (hearing) => listen(`${at}/events`, hearing),
  }
}
