import { endedAddresses } from '@viatica/core/publish/endedAddresses.ts'
import { type ComputedRef, computed } from 'vue'
import type { RouteLocationRaw } from 'vue-router'
import { useLooking } from '../../stores/looking.ts'
import { useOpenSite } from '../../stores/openSite.ts'
import { usePublishing } from '../../stores/publishing.ts'
import { useProof } from '../../stores/proof.ts'
import { counted } from './words.ts'

/** Something to look at before the site is published, and where. */
export interface Concern {
  readonly words: string
  readonly to: RouteLocationRaw
  readonly go: string
  /** Whether it asks for a deliberate yes. */
  readonly isError: boolean
}

/** Whether the open site is fit to go: what speaks against it, the worst first; undefined while that is being found out. */
export function useFitToGo(): ComputedRef<readonly Concern[] | undefined> {
  const openSite = useOpenSite()
  const proof = useProof()
  const looking = useLooking()
  const publishing = usePublishing()
  return computed(() => {
    const { site, id } = openSite
    if (!site || proof.all === undefined || looking.pages === undefined) return undefined
    const at = (name: string, view = '') => ({ name, params: { id, view } })
    const { error, warning } = proof.counts
    const planned = [...site.plan.entries.values()].filter(
      (entry) => entry.kind === 'page' && entry.state === 'planned',
    ).length
    const { baseUrl } = site.settings
    const address = publishing.host?.settings.address ?? ''
    const { changes, host } = publishing
    const ended = changes && host ? endedAddresses(site, changes.difference, host.settings.choices).length : 0
    const concern = (count: number, one: Omit<Concern, 'isError'>, isError = false): Concern[] =>
      count > 0 ? [{ ...one, isError }] : []
    return [
      ...concern(
        error,
        { words: `Proof finds ${counted(error, 'error')}`, to: at('proof'), go: 'Show findings' },
        true,
      ),
      ...concern(warning, {
        words: `Proof finds ${counted(warning, 'warning')}`,
        to: at('proof'),
        go: 'Show findings',
      }),
      ...concern(looking.left.length, {
        words: `${counted(looking.left.length, 'page')} not reviewed since ${looking.left.length === 1 ? 'it' : 'they'} changed`,
        to: at('proof', 'review'),
        go: 'Review',
      }),
      ...concern(ended, {
        words: `${counted(ended, 'address', 'addresses')} on this host will be deleted without a redirect`,
        to: at('plan', 'addresses'),
        go: 'Add redirects',
      }),
      ...concern(planned, {
        words: `${counted(planned, 'page')} still planned`,
        to: at('plan', 'inventory'),
        go: 'Show inventory',
      }),
      ...concern(address !== '' && baseUrl !== '' && address !== baseUrl ? 1 : 0, {
        words: `The base URL of the site is ${baseUrl}, and visitors find this host at ${address}`,
        to: at('settings'),
        go: 'Site settings',
      }),
      ...concern(baseUrl === '' ? 1 : 0, {
        words: 'No base URL yet: pages have no canonical address, and there is no sitemap.xml',
        to: at('settings'),
        go: 'Site settings',
      }),
    ]
  })
}
