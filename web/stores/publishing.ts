import { useLocalStorage, watchDebounced } from '@vueuse/core'
import type { HostSecret, HostSettings } from '@viatica/core/publish/host.ts'
import { isAtWork, type Publication } from '@viatica/core/publish/report.ts'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import type { Host, Hosts, Tried, WhatChanges } from '@viatica/core/protocol/publish.ts'
import { publishApi } from '../api/publish.ts'
import { Refusal } from '../api/request.ts'
import { hostFault } from './hostFault.ts'
import { useOpenSite } from './openSite.ts'

/** What changes is asked for again when the typing pauses. */
const PAUSE_MS = 900

/** The hosts of the open site, what would change there, and what was published. */
export const usePublishing = defineStore('publishing', () => {
  const openSite = useOpenSite()
  const about = shallowRef<Hosts>()
  const chosenId = ref('')
  /** Undefined before the first answer for the chosen host. */
  const changes = shallowRef<WhatChanges>()
  const publications = shallowRef<readonly Publication[]>()
  const tried = shallowRef<Tried>()
  const isTrying = ref(false)
  /** What went wrong with the last thing that was asked for. */
  const fault = ref('')
  /** Who publishes, as they say themselves; kept in this browser. */
  const by = useLocalStorage('viatica-publishes', '')
  let isKept = 0

  const hosts = computed(() => about.value?.hosts ?? [])
  const host = computed(() => hosts.value.find(({ id }) => id === chosenId.value))
  const newest = computed(() => publications.value?.[0])
  const underWay = computed(() => (newest.value && isAtWork(newest.value.state) ? newest.value : undefined))

  /** Does what asks the server, and says what went wrong. @returns whether it went well */
  async function ask(work: () => Promise<void>): Promise<boolean> {
    try {
      await work()
      fault.value = ''
      return true
    } catch (error) {
      if (!(error instanceof Refusal)) throw error
      fault.value = error.message
      return false
    }
  }

  async function readHosts(): Promise<void> {
    const site = openSite.id
    const answer = await publishApi.hosts(site)
    if (site !== openSite.id) return
    about.value = answer
    if (!answer.hosts.some(({ id }) => id === chosenId.value)) chosenId.value = answer.hosts[0]?.id ?? ''
  }

  /** Asks what changes and what was published; an answer about a host that is not chosen any more is dropped. */
  async function readHost(): Promise<void> {
    const [site, id] = [openSite.id, chosenId.value]
    if (id === '') return
    const isShown = () => site === openSite.id && id === chosenId.value
    await Promise.all([
      publishApi.publications(site, id).then((answer) => isShown() && (publications.value = answer)),
      publishApi.whatChanges(site, id).then((answer) => isShown() && (changes.value = answer)),
    ])
  }

  const read = () =>
    ask(async () => {
      await readHosts()
      await readHost()
    })

  watch(
    () => openSite.id,
    () => {
      about.value = undefined
      chosenId.value = ''
    },
  )
  watch(chosenId, () => {
    changes.value = publications.value = tried.value = undefined
    if (isKept > 0) void ask(readHost)
  })
  watch(
    () => openSite.published,
    () => void (isKept > 0 && ask(readHost)),
  )
  watchDebounced(
    () => [openSite.site, openSite.saveState] as const,
    ([, state]) => void (isKept > 0 && state === 'saved' && ask(readHost)),
    { debounce: PAUSE_MS },
  )

  /** Keeps all of this as it is on the server. @returns what ends that */
  function keepUp(): () => void {
    isKept++
    void read()
    return () => isKept--
  }

  async function addHost(settings: HostSettings, secret: HostSecret): Promise<boolean> {
    if ((fault.value = hostFault(settings)) !== '') return false
    return ask(async () => {
      const { id } = await publishApi.addHost(openSite.id, settings, secret)
      await readHosts()
      chosenId.value = id
    })
  }

  async function setHost(settings: HostSettings, secret: HostSecret | undefined): Promise<boolean> {
    if ((fault.value = hostFault(settings)) !== '') return false
    return ask(async () => {
      await publishApi.setHost(openSite.id, chosenId.value, settings, secret)
      tried.value = undefined
      await readHosts()
      await readHost()
    })
  }

  async function removeHost(): Promise<boolean> {
    return ask(async () => {
      await publishApi.removeHost(openSite.id, chosenId.value)
      await readHosts()
    })
  }

  async function forgetKey(): Promise<boolean> {
    return ask(async () => {
      await publishApi.forgetKey(openSite.id, chosenId.value)
      await readHosts()
    })
  }

  /** Approves the SSH key that the chosen host has. */
  async function trustKey(hostKey: string): Promise<boolean> {
    return ask(async () => {
      await publishApi.trustKey(openSite.id, chosenId.value, hostKey)
      await readHosts()
    })
  }

  /** Connects to the chosen host, and looks at what is there. */
  async function tryHost(): Promise<void> {
    const id = chosenId.value
    isTrying.value = true
    await ask(async () => {
      const answer = await publishApi.tryHost(openSite.id, id)
      if (id === chosenId.value) tried.value = answer
      await readHosts()
    })
    isTrying.value = false
  }

  /** Creates the folder of the site on the chosen host, and connects to it. */
  async function createFolder(): Promise<void> {
    if (await ask(() => publishApi.createFolder(openSite.id, chosenId.value).then(() => undefined)))
      await tryHost()
  }

  /**
   * Publishes the site as it is, once all edits are saved.
   * @param letGo files of others that may go
   */
  async function publish(letGo: readonly { path: string; digest: string }[] = []): Promise<boolean> {
    if (!(await openSite.settle())) {
      fault.value = 'Your last edits are not saved yet. Publish when the frame says “Saved”.'
      return false
    }
    return order({ letGo })
  }

  const publishAgain = (again: string) => order({ again, letGo: [] })

  /** While an order is on its way, another is none. */
  const isOrdering = ref(false)

  async function order(what: {
    again?: string
    letGo: readonly { path: string; digest: string }[]
  }): Promise<boolean> {
    if (isOrdering.value) return false
    isOrdering.value = true
    const isBegun = await ask(async () => {
      await publishApi.publish(openSite.id, chosenId.value, { ...what, by: by.value })
      tried.value = undefined
      publications.value = await publishApi.publications(openSite.id, chosenId.value)
    })
    isOrdering.value = false
    return isBegun
  }

  const stop = () =>
    ask(async () => {
      if (underWay.value) await publishApi.stop(openSite.id, chosenId.value, underWay.value.id)
    })

  return {
    about,
    hosts,
    host,
    chosenId,
    changes,
    publications,
    newest,
    underWay,
    tried,
    createFolder,
    isTrying,
    isOrdering,
    fault,
    by,
    keepUp,
    addHost,
    setHost,
    removeHost,
    forgetKey,
    trustKey,
    tryHost,
    publish,
    publishAgain,
    stop,
  }
})

/** What a host is, for its list. */
export function wayWords({ settings: { way } }: Host): string {
  switch (way.by) {
    case 'folder':
      return `Folder ${way.folder}`
    case 'sftp':
      return `SFTP ${way.server}`
    case 'ftp':
      return `FTP ${way.server}`
    case 'stand-in':
      return 'Test host on this computer'
  }
}
