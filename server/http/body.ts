import type { Request } from 'express'
import { Problem } from './problem.ts'

/** The bytes of a request. @throws Problem for one without any */
export function bodyOf(request: Request): Buffer {
  // Without a body, or with one of another type, nothing was read.
  if (!Buffer.isBuffer(request.body))
    throw new Problem(415, 'Unknown kind of request', 'The request has no body of a kind that is read here.')
  return request.body
}
