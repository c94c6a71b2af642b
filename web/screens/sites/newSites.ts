import { writeSiteFile } from '@viatica/core/formats/siteFile.ts'
import { readNewSite } from '@viatica/core/inventory/newSite.ts'
import { newSite, type Site } from '@viatica/core/plan/site.ts'
import type { Starter } from '@viatica/core/starters/outlines.ts'
import { siteFromStarter } from '@viatica/core/starters/starters.ts'
import { sitesApi } from '../../api/sites.ts'

const newId = () => crypto.randomUUID()

/** Stores a site that was made here. It has no pictures yet. @returns its id */
export const store = (site: Site) => sitesApi.createFromSiteFile(writeSiteFile(site, new Map()))

/** Makes and stores a site with this name, from an outline where one is given. */
export const start = (name: string, outline: Starter | undefined) =>
  store(outline ? siteFromStarter(outline, name, newId) : newSite(name, newId()))

/** Makes and stores a site from the rows of a table. @throws InputFault */
export const startFromTable = (text: string, name: string) => store(readNewSite(text, name, newId))
