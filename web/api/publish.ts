import type { HostSecret, HostSettings } from '@viatica/core/publish/host.ts'
import {
  hostsAnswer,
  type KeptFile,
  keptAnswer,
  publicationsAnswer,
  standInAnswer,
  triedAnswer,
  whatChangesAnswer,
  whatReturnsAnswer,
} from '@viatica/core/protocol/publish.ts'
import type { Order, Trouble } from '@viatica/core/protocol/publishRequests.ts'
import { createdAnswer, noAnswer } from '@viatica/core/protocol/values.ts'
import type * as v from 'valibot'
import { request } from './request.ts'

const JSON_TYPE = 'application/json'
const at = (site: string, path = '') => `/api/sites/${encodeURIComponent(site)}/hosts${path}`
const send = <const Schema extends v.GenericSchema>(
  answer: Schema,
  method: string,
  path: string,
  body: unknown,
) => request(answer, method, path, JSON.stringify(body), JSON_TYPE)

export const publishApi = {
  hosts: (site: string) => request(hostsAnswer, 'GET', at(site)),
  addHost: (site: string, settings: HostSettings, secret: HostSecret) =>
    send(createdAnswer, 'POST', at(site), { settings, secret }),
  /** @param secret undefined leaves it as it is */
  setHost: (site: string, host: string, settings: HostSettings, secret: HostSecret | undefined) =>
    send(noAnswer, 'PUT', at(site, `/${host}`), { settings, ...(secret ? { secret } : {}) }),
  removeHost: (site: string, host: string) => request(noAnswer, 'DELETE', at(site, `/${host}`)),
  /** Approves the SSH key of a host. */
  trustKey: (site: string, host: string, hostKey: string) =>
    send(noAnswer, 'PUT', at(site, `/${host}/key`), { hostKey }),
  forgetKey: (site: string, host: string) => request(noAnswer, 'DELETE', at(site, `/${host}/key`)),
  tryHost: (site: string, host: string) => request(triedAnswer, 'POST', at(site, `/${host}/try`)),
  createFolder: (site: string, host: string) => request(noAnswer, 'POST', at(site, `/${host}/folder`)),
  whatChanges: (site: string, host: string) =>
    request(whatChangesAnswer, 'GET', at(site, `/${host}/difference`)),
  publications: (site: string, host: string) =>
    request(publicationsAnswer, 'GET', at(site, `/${host}/publications`)).then(
      ({ publications }) => publications,
    ),
  /** What publishing an earlier publication again would change. */
  whatReturns: (site: string, host: string, publication: string) =>
    request(whatReturnsAnswer, 'GET', at(site, `/${host}/publications/${publication}/difference`)),
  publish: (site: string, host: string, order: Order) =>
    send(createdAnswer, 'POST', at(site, `/${host}/publications`), order),
  stop: (site: string, host: string, publication: string) =>
    request(noAnswer, 'POST', at(site, `/${host}/publications/${publication}/stop`)),
  kept: (site: string, host: string) =>
    request(keptAnswer, 'GET', at(site, `/${host}/kept-aside`)).then(({ kept }) => kept),
  keptUrl: (site: string, host: string, { path, digest }: Pick<KeptFile, 'path' | 'digest'>) =>
    at(site, `/${host}/kept-aside/${digest}/${encodeURIComponent(path.replace(/^.*\//, ''))}`),
  standIn: (site: string) => request(standInAnswer, 'GET', `/api/sites/${encodeURIComponent(site)}/stand-in`),
  setTrouble: (site: string, trouble: Trouble) =>
    send(standInAnswer, 'PUT', `/api/sites/${encodeURIComponent(site)}/stand-in`, trouble),
}
