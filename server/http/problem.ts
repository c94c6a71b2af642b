import { InputFault } from '@viatica/core/formats/inputFault.ts'
import { ChangeRefused } from '@viatica/core/plan/change/refused.ts'
import type { ErrorRequestHandler, RequestHandler } from 'express'
import * as v from 'valibot'
import { NoRoom } from '../store/contents.ts'
import { isFull } from '../store/room.ts'
import { Overtaken, UnknownBase, UnknownPoint, UnknownSite } from '../store/faults.ts'

/** An answer that says what went wrong, as RFC 9457 lays it out. */
export class Problem extends Error {
  override name = 'Problem'

  constructor(
    readonly status: number,
    readonly title: string,
    detail: string,
    readonly extra: Readonly<Record<string, unknown>> = {},
  ) {
    super(detail)
  }
}

/** What PostgreSQL and its driver say when the database is stopped, stopping, starting, or out of reach. */
const UNREACHABLE = /^(ECONN|EPIPE|ENOTFOUND|ETIMEDOUT|57P0|08)/

function isUnreachable(error: Error & { code?: unknown }): boolean {
  return (
    (typeof error.code === 'string' && UNREACHABLE.test(error.code)) ||
    error.name === 'KnexTimeoutError' ||
    /Connection terminated|connection error and is not queryable|timeout expired|connect E(CONN|NOENT)/.test(
      error.message,
    )
  )
}

/** Says an error in terms of HTTP. What is not known to be the caller's fault is the server's. */
export function problemOf(
  error: Error & { type?: unknown; status?: unknown; code?: unknown; limit?: unknown },
): Problem {
  if (error instanceof Problem) return error
  if (error instanceof UnknownSite) return new Problem(404, 'Unknown site', error.message)
  if (error instanceof NoRoom) return new Problem(507, 'No room', error.message)
  if (error instanceof UnknownPoint) return new Problem(404, 'Unknown step', error.message)
  if (error instanceof UnknownBase)
    return new Problem(400, 'Bad request', `base: ${error.message}`, { path: 'base' })
  if (error instanceof Overtaken) return new Problem(409, 'Overtaken', error.message)
  if (error instanceof ChangeRefused) return new Problem(422, 'Change refused', error.message)
  if (error instanceof InputFault)
    return new Problem(400, 'The file cannot be read', error.message, { place: error.place })
  if (error instanceof v.ValiError) {
    const issue = error.issues[0] as v.BaseIssue<unknown>
    const path = v.getDotPath(issue) ?? ''
    return new Problem(400, 'Bad request', `${path || 'The request'}: ${issue.message}`, { path })
  }
  if (error.type === 'entity.too.large')
    return new Problem(
      413,
      'Too large',
      `File too large (limit ${Math.floor(Number(error.limit) / 1e6)} MB).`,
    )
  if (error.type === 'entity.parse.failed')
    return new Problem(400, 'Bad request', `The request is not JSON: ${error.message}`)
  // PostgreSQL: lock_not_available, query_canceled.
  if (error.code === '55P03' || error.code === '57014')
    return new Problem(
      503,
      'Busy',
      'This site is held up by other work. Nothing was stored; try again in a moment.',
    )
  if (isFull(error))
    return new Problem(
      507,
      'Disk full',
      'The disk of the server is full. Nothing was stored; make room on it, and your edits will be saved.',
    )
  if (isUnreachable(error)) {
    return new Problem(
      503,
      'Cannot save now',
      'The database cannot be reached. Nothing was stored; try again in a moment.',
    )
  }
  if (typeof error.status === 'number' && error.status >= 400 && error.status < 500) {
    return new Problem(error.status, 'Bad request', error.message)
  }
  return new Problem(
    500,
    'Something is wrong in Viatica',
    'The server met an error of its own. Nothing was stored.',
  )
}

/** The last handler: every error becomes `application/problem+json`. */
export const answerWithProblem: ErrorRequestHandler = (error: Error, request, response, next) => {
  const problem = problemOf(error)
  if (problem.status === 503) request.log.warn(`the database cannot be reached: ${error.message}`)
  else if (problem.status >= 500) request.log.error(error)
  if (response.headersSent) return next(error)
  const { status, title, message, extra } = problem
  response.status(status).type('application/problem+json')
  response.send(JSON.stringify({ type: 'about:blank', title, status, detail: message, ...extra }))
}

/** For addresses that nothing answers to. */
export const unknownAddress: RequestHandler = (request) => {
  throw new Problem(404, 'Not found', `There is nothing at ${request.baseUrl}${request.path}.`)
}
