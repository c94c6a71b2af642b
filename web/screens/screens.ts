import { LATER_FILES } from '../laterFiles.ts'

/** The screens of a site, each loaded when it is first needed. */
export const SCREENS = {
  plan: () => import('./plan/PlanScreen.vue'),
  surround: () => import('./surround/SurroundScreen.vue'),
  write: () => import('./write/WriteScreen.vue'),
  proof: () => import('./proof/ProofScreen.vue'),
  settings: () => import('./settings/SettingsScreen.vue'),
  publish: () => import('./publish/PublishScreen.vue'),
} as const

/** The views of the plan beside the page itself: tables, drawings and charts are heavy, and looked at now and then. */
export const PLAN_VIEWS = {
  structure: () => import('./plan/structure/StructureView.vue'),
  inventory: () => import('./plan/inventory/InventoryView.vue'),
  addresses: () => import('./plan/addresses/AddressesView.vue'),
  statistics: () => import('./plan/statistics/StatisticsView.vue'),
  history: () => import('./plan/history/HistoryView.vue'),
} as const

/** What all of them stand in. */
export const SITE_FRAME = () => import('./site/SiteFrame.vue')

/** The list of sites is painted first. */
const AFTER_LIST_MS = 300

/** Loads what a site is opened with, while its author still reads the list. @returns what calls that off */
export function loadFirstScreen(): () => void {
  const timer = setTimeout(() => {
    for (const load of [SITE_FRAME, SCREENS.plan]) load().catch(() => undefined)
  }, AFTER_LIST_MS)
  return () => clearTimeout(timer)
}

/** So much later than the first screen the rest is fetched. */
const AFTER_MS = 3000

/** Fetches all files that are needed later, one after the other: they are kept for good, and none is run. */
async function fetchLater(signal: AbortSignal): Promise<void> {
  const files = (await (await fetch(LATER_FILES, { signal })).json()) as readonly string[]
  for (const file of files) {
    const answer = await fetch(file, { signal, priority: 'low' })
    await answer.arrayBuffer()
  }
}

/** Fetches the rest in the background, so that its author can go there without the server, too. @returns what calls that off */
export function fetchScreensLater(): () => void {
  const stopping = new AbortController()
  const timer = setTimeout(() => {
    // What cannot be fetched now is asked for again when it is needed.
    fetchLater(stopping.signal).catch(() => undefined)
  }, AFTER_MS)
  return () => {
    clearTimeout(timer)
    stopping.abort()
  }
}
