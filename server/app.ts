import express, { type Express } from 'express'
import type { Logger } from 'pino'
import { pinoHttp } from 'pino-http'
import { PASS_PARAMETER } from '@viatica/core/render/filePass.ts'
import { answerWithProblem, unknownAddress } from './http/problem.ts'
import { type Access, accessRoutes, checkKey, needsKey } from './http/access.ts'
import { answerOnlyTo, refuseZero, refuseStrangers, screenHeaders } from './http/security.ts'
import { changeRoutes } from './routes/changes.ts'
import { eventRoutes } from './routes/events.ts'
import { exportRoutes } from './routes/exports.ts'
import { healthRoutes } from './routes/health.ts'
import { historyRoutes } from './routes/history.ts'
import { type PublishParts, publishRoutes } from './routes/publish.ts'
import { previewPassRoutes, previewRoutes } from './routes/preview.ts'
import { screenRoutes } from './routes/screens.ts'
import { siteRoutes } from './routes/sites.ts'
import { windowRoutes } from './routes/windows.ts'
import type { Announcements } from './store/announcements.ts'
import type { SiteStore } from './store/siteStore.ts'
import type { Workshop } from './threads/workshop.ts'

export interface Parts {
  readonly store: SiteStore
  readonly announcements: Announcements
  readonly workshop: Workshop
  readonly access: Access
  readonly logger: Logger
  /** The host names to answer to, without ports. */
  readonly hosts: readonly string[]
  /** The most that one file of a site may have. */
  readonly maxFileBytes: number
  /** The folder of the built application. */
  readonly screens: string
  readonly publish: Omit<PublishParts, 'store' | 'workshop'>
}

const SIGNATURE = new RegExp(`([?&]${PASS_PARAMETER}=)[^&#]*`, 'g')

/** A server that is put together. */
export interface App {
  readonly app: Express
  /** Ends the answers that would go on for ever. */
  endStreams(): void
}

/** Puts the server together; it does not listen yet. */
export function createApp({
  store,
  announcements,
  workshop,
  access,
  logger,
  hosts,
  maxFileBytes,
  screens,
  publish,
}: Parts): App {
  const app = express()
  const events = eventRoutes(store, announcements, access)
  app.disable('x-powered-by')
  // A proxy before it, on the same machine, says who asks and whether over TLS.
  app.set('trust proxy', 'loopback')
  app.use(
    pinoHttp({
      logger,
      customLogLevel: (_request, { statusCode }) =>
        statusCode >= 500 && statusCode !== 503 ? 'error' : statusCode >= 400 ? 'warn' : 'info',
      // The error itself was logged where it was turned into an answer.
      customErrorObject: (_request, _response, _error, { err: _, ...rest }: Record<string, unknown>) => rest,
      serializers: {
        req: ({ id, method, url }: { id: unknown; method: string; url: string }) => ({
          ...{ id, method },
          // Readers of the log must not be able to open the files of a page.
          url: url.replace(SIGNATURE, '$1…'),
        }),
        res: ({ statusCode }: { statusCode: number }) => ({ statusCode }),
      },
    }),
  )
  app.use(answerOnlyTo(hosts), refuseZero, refuseStrangers, checkKey(access))
  app.use('/preview', previewRoutes(store, workshop, access))
  app.use(screenHeaders)
  app.use(
    '/api',
    accessRoutes(access),
    healthRoutes(store, access),
    needsKey(access),
    siteRoutes(store, workshop),
    changeRoutes(store, workshop, maxFileBytes),
    exportRoutes(store, workshop),
    historyRoutes(store, workshop),
    previewPassRoutes(access),
    windowRoutes(store),
    publishRoutes({ store, workshop, ...publish }),
    events.routes,
    unknownAddress,
  )
  app.use(screenRoutes(screens), unknownAddress, answerWithProblem)
  return { app, endStreams: events.endAll }
}
