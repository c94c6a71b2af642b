import { type Export, EXPORTS } from '@viatica/core/formats/exports.ts'
import { writeOpml } from '@viatica/core/formats/opml.ts'
import { isArchived } from '@viatica/core/formats/siteArchive.ts'
import { SITE_FILE_INDENT, siteFileData } from '@viatica/core/formats/siteFile.ts'
import { type RequestHandler, Router } from 'express'
import { asDownload } from '../http/download.ts'
import { OPML } from '../http/mediaTypes.ts'
import type { SiteStore } from '../store/siteStore.ts'
import type { Workshop } from '../threads/workshop.ts'
import { sendJson } from '../slicedJson.ts'
import { giveArchive } from './archive.ts'

type Giving = RequestHandler<{ id: string }>

/** As JSON; as an archive where that would be large. */
const giveSiteFile = (store: SiteStore, workshop: Workshop): Giving => {
  const giveLarge = giveArchive(store, workshop, 'site to open again')
  return async (request, response, next) => {
    const { site } = await store.sites.read(request.params.id)
    if (isArchived(site)) return giveLarge(request, response, next)
    const contents = new Map<string, string>()
    for (const { content } of site.files.values()) {
      contents.set(content, (await store.contents.read(content))!.toString('base64'))
    }
    asDownload(response, site.settings.name, '.site.json')
    await sendJson(response, siteFileData(site, contents), SITE_FILE_INDENT)
  }
}

const giveOutline =
  (store: SiteStore): Giving =>
  async (request, response) => {
    const { site } = await store.sites.read(request.params.id)
    asDownload(response, site.settings.name, '.opml')
    response.type(OPML).send(writeOpml(site))
  }

/** `GET /api/sites/:id/…`: what a site can be taken away as. */
export function exportRoutes(store: SiteStore, workshop: Workshop): Router {
  const giving: { readonly [Name in Export]: Giving } = {
    'archive.zip': giveArchive(store, workshop, 'finished site'),
    'site.json': giveSiteFile(store, workshop),
    'plan.opml': giveOutline(store),
  }
  const routes = Router()
  for (const name of EXPORTS) routes.get(`/sites/:id/${name}`, giving[name])
  return routes
}
