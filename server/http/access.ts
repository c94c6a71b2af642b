import { createHash, createHmac, randomBytes, timingSafeEqual } from 'node:crypto'
import { parse as parseCookies, serialize as writeCookie } from 'cookie'
import express, { type Request, type RequestHandler, Router } from 'express'
import { filledLine } from '@viatica/core/standard/text.ts'
import * as v from 'valibot'
import { Problem } from './problem.ts'
import { WrongKeys } from './wrongKeys.ts'

const COOKIE = 'viatica-access'
/** How long a browser stays signed in, and how long the address of a preview can be opened. */
const SIGNED_IN_MS = 30 * 24 * 3_600_000
const PREVIEW_MS = 24 * 3_600_000
const keySchema = v.strictObject({ key: filledLine(500) })

const digest = (text: string) => createHash('sha256').update(text).digest()

/** Who may come in: whoever has the key, once given by a browser, or in a header by a program. */
export class Access {
  readonly #key: Buffer
  readonly #secret: Buffer

  /** @param key undefined where everybody may come in, as on loopback */
  constructor(
    key: string | undefined,
    readonly now: () => number = Date.now,
  ) {
    this.isNeeded = key !== undefined
    this.#key = digest(key ?? randomBytes(32).toString('hex'))
    // What is signed with it ends when the key changes.
    this.#secret = createHmac('sha256', this.#key).update('viatica signs with this').digest()
  }

  readonly isNeeded: boolean
  readonly wrongKeys = new WrongKeys()

  isKey(said: string): boolean {
    return timingSafeEqual(digest(said), this.#key)
  }

  /** A pass for a purpose, with its end. */
  pass(purpose: 'browser' | 'preview', lastsMs: number): string {
    const end = (this.now() + lastsMs).toString(36)
    return `${end}.${this.#sign(`${purpose} ${end}`)}`
  }

  isPass(purpose: 'browser' | 'preview', pass: string): boolean {
    const [end = '', signature = ''] = pass.split('.')
    const isSigned = timingSafeEqual(digest(signature), digest(this.#sign(`${purpose} ${end}`)))
    return isSigned && parseInt(end, 36) > this.now()
  }

  #sign(text: string): string {
    return createHmac('sha256', this.#secret).update(text).digest('base64url')
  }

  /** Whether a request comes from somebody who has the key. A key in a header was checked by `checkKey`. */
  has(request: Request): boolean {
    if (!this.isNeeded || bearerOf(request) !== undefined) return true
    return this.isPass('browser', parseCookies(request.headers.cookie ?? '')[COOKIE] ?? '')
  }
}

/** The key that a program sends in a header; undefined where there is none. */
const bearerOf = ({ headers }: Request): string | undefined =>
  /^Bearer (.+)$/i.exec(headers.authorization ?? '')?.[1]

/** Checks the key in a header before anything else is done, wherever it is sent to. */
export function checkKey(access: Access): RequestHandler {
  return async (request, _response, next) => {
    const key = access.isNeeded ? bearerOf(request) : undefined
    if (key !== undefined) await access.wrongKeys.check(request.ip, access.isKey(key))
    next()
  }
}

const noKey = () => new Problem(401, 'Sign in', 'This needs the access key of Viatica: sign in first.')

/** Lets in only who has the key. */
export function needsKey(access: Access): RequestHandler {
  return (request, _response, next) => {
    if (!access.has(request)) throw noKey()
    next()
  }
}

/**
 * Lets previews be opened by who has the key, or through an address that holds a pass. Their pages have an origin of
 * their own, to whose requests browsers add no cookie.
 */
export function previewNeedsKey(access: Access): RequestHandler {
  return (request, _response, next) => {
    const [, pass, rest] = /^\/~([^/]+)(\/.*)$/.exec(request.url) ?? []
    if (pass !== undefined && rest !== undefined && access.isPass('preview', pass)) request.url = rest
    else if (!access.has(request)) throw noKey()
    next()
  }
}

/** `/api/access`: whether a key is needed, signing in with it, and signing out. */
export function accessRoutes(access: Access): Router {
  const routes = Router()

  const cookie = (request: Request, value: string, lastsMs: number) =>
    writeCookie(COOKIE, value, {
      httpOnly: true,
      sameSite: 'strict',
      secure: request.secure,
      path: '/',
      maxAge: lastsMs / 1000,
    })

  routes.get('/access', (request, response) => {
    const isIn = access.has(request)
    const preview = access.isNeeded && isIn ? access.pass('preview', PREVIEW_MS) : ''
    response.set('Cache-Control', 'no-store').json({ isNeeded: access.isNeeded, isIn, preview })
  })

  routes.post('/access', express.json({ limit: '1kb' }), async (request, response) => {
    const { key } = v.parse(keySchema, request.body)
    await access.wrongKeys.check(request.ip, access.isKey(key))
    const pass = access.pass('browser', SIGNED_IN_MS)
    response
      .set('Set-Cookie', cookie(request, pass, SIGNED_IN_MS))
      .status(204)
      .end()
  })

  routes.delete('/access', (request, response) => {
    response
      .set('Set-Cookie', cookie(request, '', 0))
      .status(204)
      .end()
  })

  return routes
}
