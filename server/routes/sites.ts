import { MAX_INPUT } from '@viatica/core/formats/inputFault.ts'
import { readOpml, writeOpml } from '@viatica/core/formats/opml.ts'
import { MAX_SITE_FILE, readSiteFile, writeSiteFile } from '@viatica/core/formats/siteFile.ts'
import { newSite, type Site, settingSchemas } from '@viatica/core/plan/site.ts'
import { toSiteData } from '@viatica/core/plan/siteData.ts'
import { soundFileName } from '@viatica/core/standard/fileName.ts'
import express, { type Response, Router } from 'express'
import * as v from 'valibot'
import { checkFile } from '../fileCheck.ts'
import { Problem } from '../http/problem.ts'
import type { SiteStore } from '../store/siteStore.ts'

/** The media types of what a site can be made from. OPML has none of its own that is registered. */
const SITE_FILE = 'application/vnd.viatica.site+json'
const OPML = 'text/x-opml'

const newSiteSchema = v.strictObject({ name: settingSchemas.name })

/** Says that an answer is a file to keep, under a name made from the site's. */
export function asDownload(response: Response, site: Site, ending: string): void {
  response.attachment(soundFileName(site.settings.name, '-') + ending)
}

async function makeFromSiteFile(store: SiteStore, text: string): Promise<string> {
  const { site, contents } = readSiteFile(text)
  const bytes = new Map([...contents].map(([key, base64]) => [key, Buffer.from(base64, 'base64')]))
  for (const file of site.files.values()) await checkFile(bytes.get(file.content)!, file.path)
  return store.create(site, bytes)
}

/** Making, reading and removing sites, and taking them away as files. */
export function siteRoutes(store: SiteStore): Router {
  const routes = Router()

  routes.get('/sites', async (_request, response) => {
    response.json({ sites: await store.list() })
  })

  routes.post(
    '/sites',
    express.text({ type: SITE_FILE, limit: MAX_SITE_FILE }),
    express.text({ type: OPML, limit: MAX_INPUT }),
    express.json({ limit: '100kb' }),
    async (request, response) => {
      let id: string
      if (request.is(SITE_FILE)) id = await makeFromSiteFile(store, request.body as string)
      else if (request.is(OPML)) id = await store.create(readOpml(request.body as string), new Map())
      else if (request.is('json')) {
        const { name } = v.parse(newSiteSchema, request.body)
        id = await store.create(newSite(name, 'home'), new Map())
      } else
        throw new Problem(415, 'Unknown kind of request', `Send application/json, ${SITE_FILE} or ${OPML}.`)
      response.status(201).location(`/api/sites/${id}`).json({ id })
    },
  )

  routes.get('/sites/:id', async (request, response) => {
    const { site, revision } = await store.read(request.params.id)
    response.json({ id: request.params.id, revision, site: toSiteData(site) })
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
    asDownload(response, site, '.site.json')
    response.type('application/json').send(writeSiteFile(site, contents))
  })

  routes.get('/sites/:id/plan.opml', async (request, response) => {
    const { site } = await store.read(request.params.id)
    asDownload(response, site, '.opml')
    response.type(OPML).send(writeOpml(site))
  })

  return routes
}
