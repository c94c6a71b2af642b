import type { HostFile } from '@viatica/core/publish/publication.ts'
import type { PublicationState, Report } from '@viatica/core/publish/report.ts'
import { thisYear } from '@viatica/core/standard/date.ts'
import type { Logger } from 'pino'
import { Problem } from '../http/problem.ts'
import type { SiteStore } from '../store/siteStore.ts'
import type { Workshop } from '../threads/workshop.ts'
import { HostFault } from '@viatica/hosts/hostFault.ts'
import type { HostStore } from './hostStore.ts'
import { type HostRules, openHost, type Opening, visitedAt } from '@viatica/hosts/open.ts'
import type { Prepared } from './prepare.ts'
import { prove } from '@viatica/hosts/proof.ts'
import { ALIVE_MS, type Publications } from './publications.ts'
import { AsksFirst, type Sent } from '@viatica/hosts/send.ts'
import { sendPatiently } from '@viatica/hosts/sendPatiently.ts'

/** How often windows hear how far a publication is. */
const TELL_MS = 300
export interface Order {
  readonly site: string
  readonly host: string
  /** The earlier publication that is published again; undefined for the site as it is. */
  readonly again: string | undefined
  readonly by: string
  /** Files of others that may go, by path, each as it was looked at. */
  readonly letGo: ReadonlyMap<string, string>
}

export interface PublisherParts {
  readonly store: SiteStore
  readonly hosts: HostStore
  readonly publications: Publications
  readonly workshop: Workshop
  readonly rules: HostRules
  readonly logger: Logger
  /** Tells all windows on a site that something about its publications is new. */
  announce(site: string): Promise<void>
}

/** Publishes sites: each publication goes on whoever looks, and is seen by all. */
export class Publisher {
  readonly #parts: PublisherParts
  readonly #underWay = new Map<string, { readonly stop: AbortController; readonly end: Promise<void> }>()

  constructor(parts: PublisherParts) {
    this.#parts = parts
  }

  /** What it takes to open a host. */
  async opening(site: string, host: string): Promise<Opening> {
    const { hosts, store } = this.#parts
    const { settings, hostKey } = await hosts.read(site, host)
    const { baseUrl } = (await store.sites.read(site)).site.settings
    const secret = await hosts.secretOf(site, host)
    return { site, baseUrl, settings, secret, hostKey }
  }

  async #open(order: Order) {
    return openHost(await this.opening(order.site, order.host), this.#parts.rules)
  }

  /** Begins a publication. @returns its id @throws Problem where that cannot be */
  async begin(order: Order): Promise<string> {
    const { publications, hosts, store } = this.#parts
    await hosts.read(order.site, order.host)
    const again = order.again === undefined ? undefined : await publications.read(order.host, order.again)
    if (again && (again.state !== 'done' || (await publications.filesOf(again.id)).length === 0))
      throw new Problem(409, 'Gone', 'The files of this publication are not kept any more.')
    const { revision } = await store.sites.read(order.site)
    const id = await publications.begin(
      order.host,
      again?.revision ?? revision,
      again ? (again.againOf ?? again.number) : null,
      order.by,
    )
    const stop = new AbortController()
    const end = this.#run(id, order, stop.signal).finally(() => this.#underWay.delete(id))
    this.#underWay.set(id, { stop, end })
    return id
  }

  /** Stops a publication, whichever server process does it. */
  async stop(site: string, host: string, id: string): Promise<void> {
    const { publications, announce } = this.#parts
    await publications.read(host, id)
    await publications.askToStop(host, id)
    this.#underWay.get(id)?.stop.abort()
    await announce(site)
  }

  /** Ends all that is under way: the next time goes on from there. */
  async close(): Promise<void> {
    const all = [...this.#underWay.values()]
    for (const { stop } of all) stop.abort(new Error('The server was stopped.'))
    await Promise.all(all.map(({ end }) => end))
  }

  async #run(id: string, order: Order, signal: AbortSignal): Promise<void> {
    const { publications, logger, announce } = this.#parts
    let state: PublicationState = 'preparing'
    let report: Report = {}
    let told = 0
    const say = async (next: PublicationState, more: Report, revision?: number) => {
      state = next
      report = { ...report, ...more }
      told = Date.now()
      await publications.say(id, state, report, revision)
      await announce(order.site)
    }
    /** Said now and then: what is said does not hold up what is done. */
    const tell = (next: PublicationState, more: Report) => {
      state = next
      report = { ...report, ...more }
      if (Date.now() - told >= TELL_MS)
        say(next, more).catch((error: unknown) => logger.warn(error, 'progress'))
    }
    const stopped = new AbortController()
    const ends = AbortSignal.any([signal, stopped.signal])
    const alive = setInterval(() => {
      publications.sayAlive(id).then(
        (goesOn) => void (goesOn || stopped.abort()),
        (error: unknown) => logger.warn(error, 'alive'),
      )
    }, ALIVE_MS)
    try {
      await announce(order.site)
      const { revision, files } = await this.#prepare(id, order, ends, tell)
      ends.throwIfAborted()
      await say('sending', { files: files.length }, revision)
      ends.throwIfAborted()
      const { put, removed, bytes, keptAside } = await this.#send(order, files, ends, tell)
      await say('proving', { counts: { put, removed, bytes }, found: keptAside, waits: '' })
      const proof = await this.#prove(order, files, ends, tell)
      // Where it was stopped, not all was asked for.
      ends.throwIfAborted()
      if (order.again === undefined) await this.#pin(order.site, files)
      await say('done', proof ? { proof } : {})
      await publications.clear(order.host)
    } catch (error) {
      await this.#fail(error, ends, say).catch((fault: unknown) => logger.error(fault, 'publication'))
    } finally {
      clearInterval(alive)
      await announce(order.site).catch(() => undefined)
    }
  }

  async #fail(
    error: unknown,
    signal: AbortSignal,
    say: (state: PublicationState, more: Report) => Promise<void>,
  ): Promise<void> {
    if (signal.aborted) return say('stopped', { waits: '' })
    if (error instanceof AsksFirst) return say('asks', { found: error.found, fault: error.message })
    if (error instanceof HostFault || error instanceof Problem)
      return say('failed', { fault: error.message, waits: '' })
    this.#parts.logger.error(error, 'publication')
    return say('failed', { fault: 'Something went wrong on the server. Publish again.', waits: '' })
  }

  async #prepare(
    id: string,
    { site, host, again }: Order,
    signal: AbortSignal,
    tell: (state: PublicationState, more: Report) => void,
  ): Promise<Prepared> {
    const { publications, hosts, workshop } = this.#parts
    if (again !== undefined) {
      await publications.copyFiles(again, id)
      const { revision } = await publications.read(host, again)
      return { revision, files: await publications.filesOf(id) }
    }
    const { settings } = await hosts.read(site, host)
    return workshop.publication(
      { site, year: thisYear(), choices: settings.choices, keepFor: id },
      (files, allFiles) => tell('preparing', { progress: { stage: 'preparing', files, allFiles } }),
      signal,
    )
  }

  #send(
    order: Order,
    files: readonly HostFile[],
    signal: AbortSignal,
    tell: (state: PublicationState, more: Report) => void,
  ): Promise<Sent> {
    const { hosts, store } = this.#parts
    return sendPatiently({
      open: () => this.#open(order),
      record: hosts.recordOf(order.host),
      wanted: files,
      bytesOf: async ({ path, digest }) => {
        const bytes = await store.contents.read(digest)
        if (!bytes)
          throw new HostFault('not stored', `The bytes of ${path} are not kept any more. Publish again.`)
        return bytes
      },
      letGo: order.letGo,
      token: order.host,
      signal,
      tell: (progress) => tell('sending', { progress }),
      waits: (words) => tell('sending', { waits: words }),
    })
  }

  async #prove(
    order: Order,
    files: readonly HostFile[],
    signal: AbortSignal,
    tell: (state: PublicationState, more: Report) => void,
  ) {
    const { rules } = this.#parts
    const at = visitedAt(await this.opening(order.site, order.host), rules)
    if (at === '') return undefined
    return prove(files, at, rules.reach, signal, (asked, of) =>
      tell('proving', { progress: { stage: 'proving', files: asked, allFiles: of } }),
    )
  }

  /** What was published keeps its address, whatever its title becomes; where it moves, a redirect stays. */
  async #pin(site: string, files: readonly HostFile[]): Promise<void> {
    const { store, workshop } = this.#parts
    const published = files.flatMap(({ page, path }) => (page === null ? [] : [{ page, path }]))
    try {
      await store.disk.writing(() => workshop.pin({ site, published }))
    } catch (error) {
      // Somebody changed the same pages at this moment: the next publication pins them.
      this.#parts.logger.warn(error, 'pins')
    }
  }
}
