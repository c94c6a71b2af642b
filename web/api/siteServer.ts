import { changesAnswer, editsMadeAnswer, restoredAnswer, savedAnswer } from '@viatica/core/protocol/edits.ts'
import { readAnswer } from '@viatica/core/protocol/sites.ts'
import { windowAtSchema } from '@viatica/core/protocol/windows.ts'
import * as v from 'valibot'
import type { Hearing, SiteServer } from '../exchange/server.ts'
import { takeAhead } from './readAhead.ts'
import { request } from './request.ts'

const JSON_TYPE = 'application/json'
/** What is said of a window, as JSON. */
const windowEvent = v.pipe(v.string(), v.parseJson(), windowAtSchema)

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
    source.addEventListener('window', ({ data }) => {
      const at = v.safeParse(windowEvent, String(data))
      if (at.success) hearing.window(at.output)
    })
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
  const post = <const Schema extends v.GenericSchema>(answer: Schema, path: string, body: unknown) =>
    request(answer, 'POST', `${at}${path}`, JSON.stringify(body), JSON_TYPE)
  return {
    read: () => (base === '' ? takeAhead(id) : undefined) ?? request(readAnswer, 'GET', at),
    save: (edit) => post(savedAnswer, '/changes', edit),
    restore: (edit, to) => post(restoredAnswer, `/history/${to}/restore`, edit),
    changesAfter: (revision) => request(changesAnswer, 'GET', `${at}/changes?after=${revision}`),
    editsMade: async (ids) => (await post(editsMadeAnswer, '/changes/made', { ids })).made,
    hear: (hearing) => listen(`${at}/events`, hearing),
  }
}
