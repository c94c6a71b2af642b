import { createHash, createHmac, randomBytes, timingSafeEqual } from 'node:crypto'
import { parse as parseCookies, serialize as writeCookie } from 'cookie'
import express, { type Request, type RequestHandler, Router } from 'express'
import { type FilePass, PASS_PARAMETER, signedPath } from '@viatica/core/render/filePass.ts'
import { filledLine } from '@viatica/core/standard/text.ts'
import * as v from 'valibot'
import type { Sessions } from '../store/sessions.ts'
import { Problem } from './problem.ts'
import { WrongKeys } from './wrongKeys.ts'

/** How long the files of a preview can be loaded, in milliseconds: the pages that are open ask for another pass before. */
const PASS_MS = 30 * 60_000
const keySchema = v.strictObject({ key: filledLine(500) })

const digest = (text: string) => createHash('sha256').update(text).digest()
const isSame = (one: string, other: string) => timingSafeEqual(digest(one), digest(other))

/** The sender of a request that is let in. */
interface Visitor {
  /** Of a browser that is signed in; undefined for a program with the key, and where no key is needed. */
  readonly session: string | undefined
}

/** A file or page of a site in a preview. */
interface Previewed {
  readonly site: string
  readonly path: string
}

/**
 * Decides which requests are let in: those of somebody with the key. A browser sends the key once and has a session from
 * then on; a program sends it in a header.
 */
export class Access {
  readonly #key: Buffer
  readonly #secret: Buffer
  /** Tells the sessions of one key from those of another. */
  readonly #mark: string

  /** @param key undefined where everybody may come in, as on loopback */
  constructor(
    key: string | undefined,
    private readonly sessions: Sessions,
    private readonly now: () => number = Date.now,
  ) {
    this.isNeeded = key !== undefined
    this.#key = digest(key ?? randomBytes(32).toString('hex'))
    // What is signed with it ends when the key changes.
    this.#secret = createHmac('sha256', this.#key).update('viatica signs with this').digest()
    this.#mark = this.#sign('sessions').slice(0, 16)
  }

  readonly isNeeded: boolean
  readonly wrongKeys = new WrongKeys()

  isKey(said: string): boolean {
    return timingSafeEqual(digest(said), this.#key)
  }

  #sign(text: string): string {
    return createHmac('sha256', this.#secret).update(text).digest('base64url')
  }

  /** Returns who sends a request; undefined for a stranger. A key in a header was checked by `checkKey`. */
  async visitor(request: Request): Promise<Visitor | undefined> {
    if (!this.isNeeded || bearerOf(request) !== undefined) return { session: undefined }
    const token = tokenOf(request)
    const session = token === '' ? undefined : await this.sessions.find(token, this.#mark)
    return session === undefined ? undefined : { session }
  }

  /** Begins the session of a browser that gave the key. */
  signIn(): ReturnType<Sessions['begin']> {
    return this.sessions.begin(this.#mark)
  }

  async signOut(request: Request): Promise<void> {
    const token = tokenOf(request)
    if (token !== '') await this.sessions.end(token)
  }

  #passWith(id: string, site: string): FilePass {
    return { id, key: this.#sign(`files of ${site} ${id}`) }
  }

  /** Returns a new pass for the files of one site, for one window or page; it ends with the session, or soon. */
  newPass(site: string, { session = '' }: Visitor): FilePass {
    const end = (this.now() + PASS_MS).toString(36)
    return this.#passWith(`${end}.${randomBytes(6).toString('hex')}.${session}`, site)
  }

  /** Returns the pass that the address of a file was signed with; undefined where it is not, or not any more. */
  async passOf(request: Request, { site, path }: Previewed): Promise<FilePass | undefined> {
    const said = request.query[PASS_PARAMETER]
    const parts =
      typeof said === 'string' ? /^(([0-9a-z]+)\.[0-9a-f]+\.([0-9a-f]*))\.[0-9a-f]+$/.exec(said) : null
    if (!parts) return undefined
    const [, id = '', end = '', session = ''] = parts
    const pass = this.#passWith(id, site)
    if (!isSame(signedPath(pass, path), said as string) || parseInt(end, 36) <= this.now()) return undefined
    return session === '' || (await this.sessions.isAlive(session, this.#mark)) ? pass : undefined
  }
}

/** The key that a program sends in a header; undefined where there is none. */
const bearerOf = ({ headers }: Request): string | undefined =>
  /^Bearer (.+)$/i.exec(headers.authorization ?? '')?.[1]

/** The prefix binds a cookie to this host and to TLS, where there is TLS (RFC 6265bis, section 4.1.3.2). */
const cookieName = ({ secure }: Request) => (secure ? '__Host-viatica' : 'viatica-access')

/** The token of a session that a browser sends; empty where there is none. */
const tokenOf = (request: Request): string =>
  parseCookies(request.headers.cookie ?? '')[cookieName(request)] ?? ''

/** Checks the key in a header before anything else is done, wherever it is sent to. */
export function checkKey(access: Access): RequestHandler {
  return async (request, _response, next) => {
    const key = access.isNeeded ? bearerOf(request) : undefined
    if (key !== undefined) await access.wrongKeys.check(request.ip, access.isKey(key))
    next()
  }
}

export const noKey = () => new Problem(401, 'Sign in', 'This needs the access key of Viatica: sign in first.')

/** Lets in only who has the key. */
export function needsKey(access: Access): RequestHandler {
  return async (request, _response, next) => {
    if (!(await access.visitor(request))) throw noKey()
    next()
  }
}

/** `/api/access`: whether a key is needed, signing in with it, and signing out. */
export function accessRoutes(access: Access): Router {
  const routes = Router()

  // Lax: the pages of a preview link to each other, from an origin of their own. Changes ask for the origin (`refuseStrangers`).
  const cookie = (request: Request, value: string, lastsMs: number) =>
    writeCookie(cookieName(request), value, {
      httpOnly: true,
      sameSite: 'lax',
      secure: request.secure,
      path: '/',
      maxAge: lastsMs / 1000,
    })

  routes.get('/access', async (request, response) => {
    const isIn = (await access.visitor(request)) !== undefined
    response.set('Cache-Control', 'no-store').json({ isNeeded: access.isNeeded, isIn })
  })

  routes.post('/access', express.json({ limit: '1kb' }), async (request, response) => {
    const { key } = v.parse(keySchema, request.body)
    await access.wrongKeys.check(request.ip, access.isKey(key))
    const { token, lastsMs } = await access.signIn()
    response
      .set('Set-Cookie', cookie(request, token, lastsMs))
      .status(204)
      .end()
  })

  routes.delete('/access', async (request, response) => {
    await access.signOut(request)
    response
      .set('Set-Cookie', cookie(request, '', 0))
      .status(204)
      .end()
  })

  return routes
}
