import { request as requestPlain } from 'node:http'
import { request as requestSecurely } from 'node:https'
import { USUAL_LIMITS } from './limits.ts'
import { addressOf, type Reach } from './network.ts'

/** What a visitor gets. */
export interface Visited {
  readonly status: number
  /** Where it redirects to; empty where it does not. */
  readonly location: string
  readonly bytes: Buffer
}

/** More is not read: no page of a site is so large. */
const MOST_BYTES = 50_000_000

/**
 * Requests a URL as a visitor does, without what browsers store of earlier visits.
 * @param signal ends it early
 * @throws Error in words, when no whole answer comes in time
 */
export async function visit(
  url: string,
  reach: Reach,
  signal?: AbortSignal,
  milliseconds = USUAL_LIMITS.visit,
): Promise<Visited> {
  const { protocol, hostname, port } = new URL(url)
  const isSecure = protocol === 'https:'
  // Names of loopback mean this machine, whatever it knows of them (RFC 6761, section 6.3).
  const name = hostname.endsWith('.localhost') ? '127.0.0.1' : hostname.replace(/^\[|\]$/g, '')
  const address = await addressOf(name, Number(port) || (isSecure ? 443 : 80), reach)
  const family = address.includes(':') ? 6 : 4
  return new Promise((resolve, reject) => {
    const ask = isSecure ? requestSecurely : requestPlain
    const request = ask(url, {
      // The address was checked before: the name is not looked up again.
      lookup: (_name, options, found) =>
        options.all ? found(null, [{ address, family }]) : found(null, address, family),
      headers: { 'accept-encoding': 'identity', 'cache-control': 'no-cache' },
      agent: false,
    })
    const stop = (why: string) => request.destroy(new Error(why))
    const timer = setTimeout(() => stop('it did not answer in time'), milliseconds)
    const onAbort = () => stop('it was stopped')
    signal?.addEventListener('abort', onAbort)
    // Listens for good: an error can be followed by others.
    request.on('error', reject)
    request.on('close', () => {
      clearTimeout(timer)
      signal?.removeEventListener('abort', onAbort)
      // After a whole answer this has no effect.
      reject(new Error('it closed the connection before the end'))
    })
    // Nobody asked for another protocol: https://datatracker.ietf.org/doc/html/rfc9110#section-15.2.2
    request.on('upgrade', (_response, socket) => {
      socket.on('error', () => undefined)
      socket.destroy()
      stop('it switches to another protocol (status 101)')
    })
    request.on('response', (response) => {
      const parts: Buffer[] = []
      let size = 0
      response.on('data', (part: Buffer) => {
        size += part.length
        if (size > MOST_BYTES) return void stop('its answer has no end')
        parts.push(part)
      })
      response.on('error', reject)
      response.on('end', () =>
        resolve({
          status: response.statusCode ?? 0,
          location: response.headers.location ?? '',
          bytes: Buffer.concat(parts),
        }),
      )
    })
    request.end()
    if (signal?.aborted) onAbort()
  })
}
