import type { RequestHandler } from 'express'
import helmet from 'helmet'
import { Problem } from './problem.ts'

/** Answers only to its own names: another name that leads here is a page elsewhere trying its luck (DNS rebinding). */
export function answerOnlyTo(hosts: readonly string[]): RequestHandler {
  return (request, _response, next) => {
    const name = (request.headers.host ?? '').replace(/:\d+$/, '').toLowerCase()
    if (!hosts.includes(name))
      throw new Problem(421, 'Misdirected request', `This server does not answer to the name “${name}”.`)
    next()
  }
}

/** No address of ours holds the character 0, and a database can hold none. */
export const refuseZero: RequestHandler = (request, _response, next) => {
  if (/%00/.test(request.url)) throw new Problem(400, 'Bad request', 'The address holds the character 0.')
  next()
}

/** Takes changes only from its own pages; sandboxed frames and other sites are strangers. */
export const refuseStrangers: RequestHandler = (request, _response, next) => {
  const { origin, host } = request.headers
  const changes = request.method !== 'GET' && request.method !== 'HEAD'
  if (changes && origin !== undefined && origin !== `http://${host}` && origin !== `https://${host}`) {
    throw new Problem(403, 'Refused', 'Changes are taken only from Viatica’s own pages.')
  }
  next()
}

const shared = {
  strictTransportSecurity: false,
  crossOriginResourcePolicy: { policy: 'same-origin' },
} as const

/** For Viatica's own screens. The component library styles elements in place; nothing else may. */
export const screenHeaders = helmet({
  ...shared,
  contentSecurityPolicy: {
    useDefaults: false,
    directives: {
      defaultSrc: ["'self'"],
      styleSrc: ["'self'", "'unsafe-inline'"],
      imgSrc: ["'self'", 'data:', 'blob:'],
      // Live pages, which the screens make themselves and put into a sandbox.
      frameSrc: ["'self'", 'blob:'],
      objectSrc: ["'none'"],
      baseUri: ["'self'"],
      formAction: ["'none'"],
      frameAncestors: ["'none'"],
    },
  },
})

/**
 * For the author's pages: an origin of their own that can reach nothing of ours, and no requests to other hosts
 * but for pictures, style sheets and fonts. Resources may be read from that opaque origin, hence the cross-origin policy.
 */
export const previewHeaders = helmet({
  ...shared,
  crossOriginResourcePolicy: { policy: 'cross-origin' },
  xFrameOptions: { action: 'sameorigin' },
  contentSecurityPolicy: {
    useDefaults: false,
    directives: {
      sandbox: ['allow-scripts'],
      defaultSrc: ["'none'"],
      scriptSrc: ["'self'"],
      styleSrc: ["'self'", "'unsafe-inline'", 'https:'],
      imgSrc: ["'self'", 'data:', 'https:'],
      mediaSrc: ["'self'", 'https:'],
      fontSrc: ["'self'", 'data:', 'https:'],
      baseUri: ["'none'"],
      formAction: ["'none'"],
      frameAncestors: ["'self'"],
    },
  },
})
