import {
  hostKeyRequest,
  hostRequest,
  orderRequest,
  type Trouble,
  troubleSchema,
} from '@viatica/core/protocol/publishRequests.ts'
import { differenceOf } from '@viatica/core/publish/difference.ts'
import { leftOut } from '@viatica/core/publish/publishedFiles.ts'
import { thisYear } from '@viatica/core/standard/date.ts'
import express, { Router } from 'express'
import * as v from 'valibot'
import { Problem } from '../http/problem.ts'
import type { Visit } from '@viatica/hosts/standIn/webServer.ts'
import { within } from '@viatica/hosts/limits.ts'
import { HostFault } from '@viatica/hosts/hostFault.ts'
import type { HostStore } from '../publish/hostStore.ts'
import { lookAt } from '@viatica/hosts/look.ts'
import { createFolder, type HostRules, openHost, visitedAt } from '@viatica/hosts/open.ts'
import type { Publications } from '../publish/publications.ts'
import type { Publisher } from '../publish/publisher.ts'
import type { SiteStore } from '../store/siteStore.ts'
import type { Workshop } from '../threads/workshop.ts'

/** How long looking at a host may take as a whole. */
const TRY_MS = 120_000

export interface PublishParts {
  readonly store: SiteStore
  readonly hosts: HostStore
  readonly publications: Publications
  readonly publisher: Publisher
  readonly workshop: Workshop
  readonly rules: HostRules
  /** Whether the server has a key to keep passwords under. */
  readonly keepsSecrets: boolean
}

/** The hosts of a site, what would change there, and publishing. */
export function publishRoutes({
  store,
  hosts,
  publications,
  publisher,
  workshop,
  rules,
  keepsSecrets,
}: PublishParts): Router {
  const routes = Router()
  const json = express.json({ limit: '5mb' })
  const at = '/sites/:id/hosts/:host'

  routes.get('/sites/:id/hosts', async (request, response) => {
    const { id } = request.params
    await store.sites.nameOf(id)
    response.json({
      hosts: await hosts.list(id),
      folders: rules.folders,
      hasStandIn: rules.standIn !== undefined,
      keepsSecrets,
    })
  })

  routes.post('/sites/:id/hosts', json, async (request, response) => {
    const { settings, secret } = v.parse(hostRequest, request.body)
    await store.sites.nameOf(request.params.id)
    const id = await hosts.create(request.params.id, settings, secret ?? {})
    response.status(201).json({ id })
  })

  routes.put(at, json, async (request, response) => {
    const { settings, secret } = v.parse(hostRequest, request.body)
    await hosts.set(request.params.id, request.params.host, settings, secret)
    response.status(204).end()
  })

  routes.delete(at, async (request, response) => {
    await hosts.remove(request.params.id, request.params.host)
    response.status(204).end()
  })

  // Somebody compared the fingerprint with that of the provider.
  routes.put(`${at}/key`, json, async (request, response) => {
    const { hostKey } = v.parse(hostKeyRequest, request.body)
    await hosts.pinKey(request.params.id, request.params.host, hostKey)
    response.status(204).end()
  })

  // Until a key is approved again, nothing is sent to the host.
  routes.delete(`${at}/key`, async (request, response) => {
    await hosts.pinKey(request.params.id, request.params.host, null)
    response.status(204).end()
  })

  /** What a site would publish to a host now; remembered for as long as nothing changes. */
  const known = new Map<string, Promise<Awaited<ReturnType<Workshop['publication']>>>>()
  async function prepared(site: string, host: string) {
    const { settings } = await hosts.read(site, host)
    const { revision, stamp } = await store.sites.read(site)
    const key = JSON.stringify([site, revision, stamp, settings.choices, thisYear()])
    let work = known.get(key)
    if (!work) {
      if (known.size >= 8) known.clear()
      work = workshop.publication({ site, year: thisYear(), choices: settings.choices, keepFor: undefined })
      known.set(key, work)
      work.catch(() => known.delete(key))
    }
    return work
  }

  routes.get(`${at}/difference`, async (request, response) => {
    const { id, host } = request.params
    const { revision, files } = await prepared(id, host)
    const { site } = await store.sites.read(id)
    const { settings } = await hosts.read(id, host)
    const opening = { site: id, baseUrl: site.settings.baseUrl, settings, secret: {}, hostKey: '' }
    response.json({
      revision,
      files: files.length,
      bytes: files.reduce((sum, { size }) => sum + size, 0),
      difference: differenceOf(await hosts.filesOf(host), files),
      leftOut: leftOut(site, settings.choices),
      visitedAt: visitedAt(opening, rules),
    })
  })

  routes.post(`${at}/try`, async (request, response) => {
    const { id, host } = request.params
    const opening = await publisher.opening(id, host)
    try {
      const connection = await openHost(opening, rules)
      try {
        const { files } = await prepared(id, host)
        const look = lookAt(connection, hosts.recordOf(host), files, () => undefined)
        const { found, missing } = await within(
          TRY_MS,
          look,
          () =>
            new HostFault('lost', `${opening.settings.name} is too slow: its files were not read in time.`),
        )
        response.json({ isReached: true, words: '', fingerprint: '', lacksFolder: false, found, missing })
      } finally {
        await connection.close().catch(() => undefined)
      }
    } catch (error) {
      if (!(error instanceof HostFault)) throw error
      const { message: words, fingerprint } = error
      const lacksFolder = error.kind === 'no folder'
      response.json({ isReached: false, words, fingerprint, lacksFolder, found: [], missing: [] })
    }
  })

  routes.post(`${at}/folder`, async (request, response) => {
    const { id, host } = request.params
    try {
      await createFolder(await publisher.opening(id, host), rules)
    } catch (error) {
      if (!(error instanceof HostFault)) throw error
      throw new Problem(422, 'Folder not created', error.message)
    }
    response.status(204).end()
  })

  routes.get(`${at}/publications`, async (request, response) => {
    await hosts.read(request.params.id, request.params.host)
    response.json({ publications: await publications.list(request.params.host) })
  })

  routes.post(`${at}/publications`, json, async (request, response) => {
    const { again, by, letGo } = v.parse(orderRequest, request.body)
    const { id: site, host } = request.params
    const wanted = new Map(letGo.map(({ path, digest }) => [path, digest]))
    response.status(201).json({ id: await publisher.begin({ site, host, again, by, letGo: wanted }) })
  })

  routes.post(`${at}/publications/:publication/stop`, async (request, response) => {
    await hosts.read(request.params.id, request.params.host)
    await publisher.stop(request.params.id, request.params.host, request.params.publication)
    response.status(204).end()
  })

  // What would change if an earlier one were published again.
  routes.get(`${at}/publications/:publication/difference`, async (request, response) => {
    const { id, host, publication } = request.params
    await hosts.read(id, host)
    await publications.read(host, publication)
    const files = await publications.filesOf(publication)
    response.json({ files: files.length, difference: differenceOf(await hosts.filesOf(host), files) })
  })

  routes.get(`${at}/kept-aside`, async (request, response) => {
    await hosts.read(request.params.id, request.params.host)
    response.json({ kept: await hosts.keptAside(request.params.host) })
  })

  routes.get(`${at}/kept-aside/:digest/:name`, async (request, response) => {
    await hosts.read(request.params.id, request.params.host)
    const kept = await hosts.keptAside(request.params.host)
    if (!kept.some(({ digest }) => digest === request.params.digest))
      throw new Problem(404, 'Not found', 'No such file is kept.')
    response
      .attachment(request.params.name)
      .type('application/octet-stream')
      .send(await store.contents.read(request.params.digest))
  })

  /** Asks the stand-in host itself. */
  async function askStandIn(method: 'GET' | 'PUT', body?: unknown) {
    if (!rules.standIn) throw new Problem(404, 'Not found', 'The stand-in host does not run.')
    const { control, password } = rules.standIn
    const answer = await fetch(control, {
      method,
      headers: { authorization: `Bearer ${password}` },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    }).catch(() => {
      throw new Problem(503, 'Not reached', 'The stand-in host does not answer.')
    })
    return (await answer.json()) as { visits: Visit[]; trouble: Trouble }
  }
  const ofSite = ({ visits, trouble }: { visits: Visit[]; trouble: Trouble }, id: string) => ({
    visits: visits.filter(({ site }) => site === id).reverse(),
    trouble,
  })

  routes.get('/sites/:id/stand-in', async (request, response) => {
    response.json(ofSite(await askStandIn('GET'), request.params.id))
  })

  routes.put('/sites/:id/stand-in', json, async (request, response) => {
    const trouble = v.parse(troubleSchema, request.body)
    response.json(ofSite(await askStandIn('PUT', trouble), request.params.id))
  })

  return routes
}
