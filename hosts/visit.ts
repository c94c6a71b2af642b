import { request as requestPlain } from 'node:http'
import { request as requestSecurely } from 'node:https'
import { addressOf, type Reach } from './network.ts'

/** What a visitor gets. */
export interface Visited {
  readonly status: number
  /** Where it leads on; empty where it does not. */
  readonly location: string
  readonly bytes: Buffer
}

const ANSWER_MS = 20_000
/** More is not read: no page of a site is so large. */
const MOST_BYTES = 50_000_000

/**
 * Asks for an address as a visitor does, without what browsers keep of earlier visits.
 * @throws Error in words, when nothing comes
 */
export async function visit(url: string, reach: Reach): Promise<Visited> {
  const { protocol, hostname, port } = new URL(url)
  const isSecure = protocol === 'https:'
  // Names of loopback lead there, whatever this machine knows of them (RFC 6761, section 6.3).
  const name = hostname.endsWith('.localhost') ? '127.0.0.1' : hostname.replace(/^\[|\]$/g, '')
  const address = await addressOf(name, Number(port) || (isSecure ? 443 : 80), reach)
  const family = address.includes(':') ? 6 : 4
  return new Promise((resolve, reject) => {
    const ask = isSecure ? requestSecurely : requestPlain
    const request = ask(url, {
      // The address was looked at before: the name is not asked again.
      lookup: (_name, options, found) =>
        options.all ? found(null, [{ address, family }]) : found(null, address, family),
      headers: { 'accept-encoding': 'identity', 'cache-control': 'no-cache' },
      timeout: ANSWER_MS,
    })
    request.on('timeout', () => request.destroy(new Error('it did not answer in time')))
    request.on('error', reject)
    request.on('response', (response) => {
      const pieces: Buffer[] = []
      let size = 0
      response.on('data', (piece: Buffer) => {
        size += piece.length
        if (size > MOST_BYTES) return void request.destroy(new Error('it answers without an end'))
        pieces.push(piece)
      })
      response.on('error', reject)
      response.on('end', () =>
        resolve({
          status: response.statusCode ?? 0,
          location: response.headers.location ?? '',
          bytes: Buffer.concat(pieces),
        }),
      )
    })
    request.end()
  })
}
