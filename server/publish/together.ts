import type { Knex } from 'knex'
import type { Logger } from 'pino'
import type { SiteStore } from '../store/siteStore.ts'
import type { Workshop } from '../threads/workshop.ts'
import { HostStore } from './hostStore.ts'
import type { HostRules } from '@viatica/hosts/open.ts'
import { Publications } from './publications.ts'
import { Publisher } from './publisher.ts'
import { Secrets } from './secrets.ts'

export interface PublishingSettings {
  /** What passwords and keys are kept under; undefined where none are kept. */
  readonly secret: string | undefined
  readonly rules: HostRules
}

/** Puts together all that publishing takes. */
export function publishingOf(
  database: Knex,
  store: SiteStore,
  workshop: Workshop,
  logger: Logger,
  { secret, rules }: PublishingSettings,
) {
  const secrets = new Secrets(secret)
  const hosts = new HostStore(database, secrets)
  const publications = new Publications(database)
  const publisher = new Publisher({
    ...{ store, hosts, publications, workshop, rules, logger },
    announce: (site) => store.announcing.publishing(site),
  })
  return { hosts, publications, publisher, rules, keepsSecrets: secrets.canKeep }
}

/** The rules that follow from the settings of the server. */
export function hostRules({
  folders,
  ownNetwork,
  standIn,
}: {
  readonly folders: readonly string[]
  readonly ownNetwork: boolean
  readonly standIn: HostRules['standIn']
}): HostRules {
  const shownAt = standIn && new URL(standIn.url.replace('{site}', 'x'))
  const ports = standIn && shownAt ? [standIn.port, standIn.ftp.port, shownAt.port] : []
  const allowed = new Set(ports.map((port) => `127.0.0.1:${port}`))
  return { folders, standIn, reach: { ownNetwork, allowed } }
}
