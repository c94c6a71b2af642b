import type { Difference } from '@viatica/core/publish/difference.ts'
import type { HostSecret, HostSettings } from '@viatica/core/publish/host.ts'
import type { FoundFile, Publication } from '@viatica/core/publish/report.ts'
import { request } from './request.ts'

/** A host as its author sees it: what opens it never comes here. */
export interface Host {
  readonly id: string
  readonly settings: HostSettings
  readonly hasSecret: boolean
  /** The fingerprint of its SSH key that was approved; empty before. */
  readonly hostKey: string
}

/** The hosts of a site, and what this server allows. */
export interface Hosts {
  readonly hosts: readonly Host[]
  /** The folders of the server's machine that sites may be published to. */
  readonly folders: readonly string[]
  readonly hasStandIn: boolean
  readonly keepsSecrets: boolean
}

/** What publishing to a host would change now. */
export interface WhatChanges {
  readonly revision: number
  readonly files: number
  readonly bytes: number
  readonly difference: Difference
  /** What was chosen and is not given out, and why. */
  readonly leftOut: readonly string[]
  /** Where visitors find the site; empty where that is not known. */
  readonly visitedAt: string
}

export interface Tried {
  readonly isReached: boolean
  /** What is wrong. */
  readonly words: string
  /** Of an unknown SSH key or certificate, which the author may trust; or empty. */
  readonly fingerprint: string
  /** Whether the folder of the site does not exist. */
  readonly lacksFolder: boolean
  readonly found: readonly FoundFile[]
  readonly missing: readonly string[]
}

export interface Order {
  readonly again?: string
  readonly by: string
  readonly letGo: readonly { readonly path: string; readonly digest: string }[]
}

export interface KeptFile {
  readonly path: string
  readonly digest: string
  readonly size: number
  readonly keptAt: string
}

/** What can be made to go wrong on the stand-in host. */
export interface Trouble {
  readonly slowMs: number
  readonly isFull: boolean
  readonly cutAfterBytes: number
  readonly refusesLogin: boolean
  readonly losesUploads: boolean
}

export interface StandIn {
  readonly visits: readonly { readonly at: string; readonly path: string; readonly status: number }[]
  readonly trouble: Trouble
}

const JSON_TYPE = 'application/json'
const at = (site: string, path = '') => `/api/sites/${encodeURIComponent(site)}/hosts${path}`
const send = <Answer>(method: string, path: string, body: unknown) =>
  request<Answer>(method, path, JSON.stringify(body), JSON_TYPE)

export const publishApi = {
  hosts: (site: string) => request<Hosts>('GET', at(site)),
  addHost: (site: string, settings: HostSettings, secret: HostSecret) =>
    send<{ id: string }>('POST', at(site), { settings, secret }),
  /** @param secret undefined leaves it as it is */
  setHost: (site: string, host: string, settings: HostSettings, secret: HostSecret | undefined) =>
    send<undefined>('PUT', at(site, `/${host}`), { settings, ...(secret ? { secret } : {}) }),
  removeHost: (site: string, host: string) => request<undefined>('DELETE', at(site, `/${host}`)),
  /** Approves the SSH key of a host. */
  trustKey: (site: string, host: string, hostKey: string) =>
    send<undefined>('PUT', at(site, `/${host}/key`), { hostKey }),
  forgetKey: (site: string, host: string) => request<undefined>('DELETE', at(site, `/${host}/key`)),
  tryHost: (site: string, host: string) => request<Tried>('POST', at(site, `/${host}/try`)),
  createFolder: (site: string, host: string) => request<undefined>('POST', at(site, `/${host}/folder`)),
  whatChanges: (site: string, host: string) => request<WhatChanges>('GET', at(site, `/${host}/difference`)),
  publications: (site: string, host: string) =>
    request<{ publications: readonly Publication[] }>('GET', at(site, `/${host}/publications`)).then(
      ({ publications }) => publications,
    ),
  /** What publishing an earlier publication again would change. */
  whatReturns: (site: string, host: string, publication: string) =>
    request<Pick<WhatChanges, 'files' | 'difference'>>(
      'GET',
      at(site, `/${host}/publications/${publication}/difference`),
    ),
  publish: (site: string, host: string, order: Order) =>
    send<{ id: string }>('POST', at(site, `/${host}/publications`), order),
  stop: (site: string, host: string, publication: string) =>
    request<undefined>('POST', at(site, `/${host}/publications/${publication}/stop`)),
  kept: (site: string, host: string) =>
    request<{ kept: readonly KeptFile[] }>('GET', at(site, `/${host}/kept-aside`)).then(({ kept }) => kept),
  keptUrl: (site: string, host: string, { path, digest }: Pick<KeptFile, 'path' | 'digest'>) =>
    at(site, `/${host}/kept-aside/${digest}/${encodeURIComponent(path.replace(/^.*\//, ''))}`),
  standIn: (site: string) => request<StandIn>('GET', `/api/sites/${encodeURIComponent(site)}/stand-in`),
  setTrouble: (site: string, trouble: Trouble) =>
    send<StandIn>('PUT', `/api/sites/${encodeURIComponent(site)}/stand-in`, trouble),
}
