import { MAX_INPUT } from '@viatica/core/formats/inputFault.ts'
import { writeOpml } from '@viatica/core/formats/opml.ts'
import { MAX_SITE_FILE, writeSiteFile } from '@viatica/core/formats/siteFile.ts'
import { newSite, settingSchemas } from '@viatica/core/plan/site.ts'
import { toSiteData } from '@viatica/core/plan/siteData.ts'
import { soundFileName } from '@viatica/core/standard/fileName.ts'
import express, { type Response, Router } from 'express'
import * as v from 'valibot'
import { bodyOf } from '../http/body.ts'
import { Problem } from '../http/problem.ts'
import type { SiteStore } from '../store/siteStore.ts'
import type { Workshop } from '../threads/workshop.ts'

/** The media types of what a site can be made from. OPML has none of its own that is registered. */
const SITE_FILE = 'application/vnd.viatica.site+json'
const OPML = 'text/x-opml'

const newSiteSchema = v.strictObject({ name: settingSchemas.name })

/** Says that an answer is a file to keep, under a name made from the site's. */
export function asDownload(response: Response, name: string, ending: string): void {
  response.attachment(soundFileName(name, '-') + ending)
}

/** Making, reading and removing sites, and taking them away as files. */
export function siteRoutes(store: SiteStore, workshop: Workshop): Router {
  const routes = Router()

  routes.get('/sites', async (_request, response) => {
    response.json({ sites: await store.list() })
  })

  routes.post(
    '/sites',
    express.raw({ type: SITE_FILE, limit: MAX_SITE_FILE }),
    express.raw({ type: OPML, limit: MAX_INPUT }),
    express.json({ limit: '100kb' }),
    async (request, response) => {
      let id: string
      const kind = request.is(SITE_FILE) ? 'site file' : request.is(OPML) ? 'outline' : undefined
      if (kind) {
        const { site, contents } = await workshop.read({ kind, bytes: bodyOf(request) })
        id = await store.create(site, contents)
      } else if (request.is('json')) {
        const { name } = v.parse(newSiteSchema, request.body)
        id = await store.create(newSite(name, 'home'), new Map())
      } else
        throw new Problem(415, 'Unknown kind of request', `Send application/json, ${SITE_FILE} or ${OPML}.`)
      response.status(201).location(`/api/sites/${id}`).json({ id })
    },
  )

  routes.get('/sites/:id', async (request, response) => {
    const { site, revision, stamp } = await store.read(request.params.id)
    response.json({ id: request.params.id, revision, stamp, site: toSiteData(site) })
  })

  routes.delete('/sites/:id', async (request, response) => {
    await store.remove(request.params.id)
    response.status(204).end()
  })

  routes.get('/sites/:id/site.json', async (request, response) => {
    const { site } = await store.read(request.params.id)
    const contents = new Map<string, string>()
    for (const { content } of site.files.values()) {
      contents.set(content, (await store.readContent(content))!.toString('base64'))
    }
    asDownload(response, site.settings.name, '.site.json')
    response.type('application/json').send(writeSiteFile(site, contents))
  })

  routes.get('/sites/:id/plan.opml', async (request, response) => {
    const { site } = await store.read(request.params.id)
    asDownload(response, site.settings.name, '.opml')
    response.type(OPML).send(writeOpml(site))
  })

  return routes
}
