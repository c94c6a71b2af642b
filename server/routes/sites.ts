import { MAX_INPUT } from '@viatica/core/formats/inputFault.ts'
import { MAX_SITE_ARCHIVE } from '@viatica/core/formats/siteArchive.ts'
import { MAX_SITE_FILE } from '@viatica/core/formats/siteFile.ts'
import { newSite } from '@viatica/core/plan/site.ts'
import { siteForJson } from '@viatica/core/plan/siteData.ts'
import { importQuery, newSiteRequest } from '@viatica/core/protocol/siteRequests.ts'
import express, { type Request, Router } from 'express'
import * as v from 'valibot'
import { bodyOf } from '../http/body.ts'
import { OPML } from '../http/mediaTypes.ts'
import { Problem } from '../http/problem.ts'
import { sendJson } from '../slicedJson.ts'
import type { SiteStore } from '../store/siteStore.ts'
import type { Workshop } from '../threads/workshop.ts'

const SITE_FILE = 'application/vnd.viatica.site+json'
const ARCHIVE = 'application/zip'

/** What is sent as a site. */
function kindOf(request: Request): 'site file' | 'site archive' | 'outline' | undefined {
  if (request.is(SITE_FILE)) return 'site file'
  if (request.is(ARCHIVE)) return 'site archive'
  return request.is(OPML) ? 'outline' : undefined
}

/** Making, reading and removing sites. */
export function siteRoutes(store: SiteStore, workshop: Workshop): Router {
  const routes = Router()

  routes.get('/sites', async (_request, response) => {
    response.json({ sites: await store.sites.list() })
  })

  routes.post(
    '/sites',
    express.raw({ type: SITE_FILE, limit: MAX_SITE_FILE }),
    express.raw({ type: OPML, limit: MAX_INPUT }),
    express.raw({ type: ARCHIVE, limit: MAX_SITE_ARCHIVE }),
    express.json({ limit: '100kb' }),
    async (request, response) => {
      let id: string
      const kind = kindOf(request)
      if (kind) {
        const { name } = v.parse(importQuery, request.query)
        const site = await workshop.read({ kind, bytes: bodyOf(request) })
        id = await store.disk.writing(() => workshop.create(site, name, store.contents.mostBytes))
      } else if (request.is('json')) {
        const { name } = v.parse(newSiteRequest, request.body)
        id = await store.sites.create(newSite(name, 'home'), new Map())
      } else
        throw new Problem(
          415,
          'Unknown kind of request',
          `Send application/json, ${SITE_FILE}, ${ARCHIVE} or ${OPML}.`,
        )
      response.status(201).location(`/api/sites/${id}`).json({ id })
    },
  )

  routes.get('/sites/:id', async (request, response) => {
    workshop.beginShowing()
    const { site, revision, stamp } = await store.sites.read(request.params.id)
    await sendJson(response, { id: request.params.id, revision, stamp, site: siteForJson(site) })
  })

  routes.delete('/sites/:id', async (request, response) => {
    await store.sites.remove(request.params.id)
    response.status(204).end()
  })

  return routes
}
