import type { EntryId } from '@viatica/core/plan/ids.ts'
import { ancestorsOf } from '@viatica/core/plan/plan.ts'
import { useTimeoutFn } from '@vueuse/core'
import { computed, type ComputedRef, onScopeDispose, watch } from 'vue'
import { type LocationQuery, useRoute, useRouter } from 'vue-router'
import { useChosen } from '../../stores/chosen.ts'
import { useOpenSite } from '../../stores/openSite.ts'
import { useProof } from '../../stores/proof.ts'

/** Choices that follow one another faster are one step of the browser's history: nobody wants to go back through each. */
const STEP_MS = 1000

/** An entry that the address of the screen names and that is not there any more. */
export interface Gone {
  /** The nearest entry above it that is there still. */
  readonly parent: EntryId
}

const textOf = (query: LocationQuery, name: string) =>
  typeof query[name] === 'string' ? query[name] : undefined

/**
 * Keeps what is chosen in the address of the screen: the entry as `page`, the finding as `finding`. So a screen can be loaded
 * anew, kept as a bookmark, opened in another window, and gone back to.
 * @returns what of the address is gone; undefined where all is there
 */
export function useScreenAddress(): ComputedRef<Gone | undefined> {
  const route = useRoute()
  const router = useRouter()
  const openSite = useOpenSite()
  const chosen = useChosen()
  const proof = useProof()

  /** Where entries stood that were taken out while the site was open, the innermost above them first. */
  const above = new Map<EntryId, readonly EntryId[]>()
  watch(
    () => openSite.site?.plan,
    (now, before) => {
      if (!now || !before || now.entries === before.entries) return
      for (const id of before.entries.keys())
        if (!now.entries.has(id)) above.set(id, ancestorsOf(before, id).toReversed())
    },
  )

  const asked = computed(() => textOf(route.query, 'page'))
  const gone = computed((): Gone | undefined => {
    const plan = openSite.site?.plan
    const id = asked.value
    if (!plan || id === undefined || plan.entries.has(id)) return undefined
    return { parent: above.get(id)?.find((one) => plan.entries.has(one)) ?? plan.home }
  })

  // What the address says is chosen: when the site is there, and when one goes back or forward. What is gone is chosen, too, so
  // that it is known for what was wanted.
  watch(
    [asked, () => openSite.site !== undefined],
    ([id, isThere]) => {
      if (isThere && id !== undefined && id !== chosen.wanted) chosen.choose(id)
    },
    { immediate: true },
  )
  watch(
    () => textOf(route.query, 'finding'),
    (key) => {
      if (route.name === 'proof') proof.chosenKey = key ?? ''
    },
    { immediate: true },
  )

  /** Whether another screen is on its way: what is chosen meanwhile is written when it is there, and does not call it off. */
  let isOnItsWay = false
  const stops = [
    router.beforeEach(() => void (isOnItsWay = true)),
    router.afterEach(() => void (isOnItsWay = false)),
    router.onError(() => void (isOnItsWay = false)),
  ]
  // A screen that is asked for in the same breath is on its way a moment later.
  const { start: writeSoon } = useTimeoutFn(write, 0, { immediate: false })
  onScopeDispose(() => stops.forEach((stop) => stop()))

  let last = 0
  /** Writes what is chosen into the address. */
  function write(): void {
    if (isOnItsWay || !openSite.site || route.params['id'] !== openSite.id) return
    // A page that is gone stays in the address until another is chosen.
    if (gone.value && chosen.wanted === asked.value) return
    const finding = route.name === 'proof' && proof.chosenKey !== '' ? proof.chosenKey : undefined
    const others = { ...route.query }
    delete others['page']
    delete others['finding']
    const isPage = asked.value === chosen.id
    if (isPage && textOf(route.query, 'finding') === finding) return
    // A place in a text is of the page that it was asked for with.
    if (!isPage && asked.value !== undefined) delete others['at']
    const query = { ...others, page: chosen.id, ...(finding === undefined ? {} : { finding }) }
    const isStep = asked.value !== undefined && Date.now() - last > STEP_MS
    last = Date.now()
    void router[isStep ? 'push' : 'replace']({ name: route.name!, params: route.params, query })
  }
  watch(
    [
      () => chosen.wanted,
      () => chosen.id,
      () => proof.chosenKey,
      () => route.fullPath,
      () => openSite.site !== undefined,
    ],
    () => writeSoon(),
    { flush: 'post' },
  )
  return gone
}
