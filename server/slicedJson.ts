import { once } from 'node:events'
import { setImmediate as immediate } from 'node:timers/promises'
import { parseChunked, stringifyChunked } from '@discoveryjs/json-ext'
import type { Response } from 'express'

/** After so long others get their turn. */
const SLICE_MS = 10
/** Characters of a text that are read without a pause: a few milliseconds. */
const READ_AT_ONCE = 200_000
/** What is shorter is read at once. */
const SHORT = 1_000_000

/** Data as JSON, piece by piece, with pauses in which other requests get their turn. @param indent for people to read */
async function* pieces(data: unknown, indent?: number): AsyncGenerator<string> {
  let start = performance.now()
  for (const piece of stringifyChunked(data, { space: indent })) {
    yield piece
    if (performance.now() - start < SLICE_MS) continue
    await immediate()
    start = performance.now()
  }
}

/** The same text as `JSON.stringify` gives, without holding others up. */
export async function jsonOf(data: unknown): Promise<string> {
  const parts: string[] = []
  for await (const piece of pieces(data)) parts.push(piece)
  return parts.join('')
}

/** The same data as `JSON.parse` gives, without holding others up. @throws SyntaxError */
export async function readJson(text: string): Promise<unknown> {
  if (text.length < SHORT) return JSON.parse(text) as unknown
  return parseChunked(async function* () {
    for (let at = 0; at < text.length; at += READ_AT_ONCE) {
      await immediate()
      yield text.slice(at, at + READ_AT_ONCE)
    }
  })
}

/** Sends data as JSON at the speed of the client. Ends quietly if the client disconnects. */
export async function sendJson(response: Response, data: unknown, indent?: number): Promise<void> {
  response.type('json')
  const gone = new AbortController()
  response.once('close', () => gone.abort())
  for await (const piece of pieces(data, indent)) {
    if (response.closed) return
    if (!response.write(piece)) await once(response, 'drain', { signal: gone.signal }).catch(() => undefined)
  }
  response.end(indent === undefined ? '' : '\n')
}
