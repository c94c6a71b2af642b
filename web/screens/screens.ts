/** The screens of a site, each loaded when it is first needed. */
export const SCREENS = {
  plan: () => import('./plan/PlanScreen.vue'),
  surround: () => import('./surround/SurroundScreen.vue'),
  write: () => import('./write/WriteScreen.vue'),
  proof: () => import('./proof/ProofScreen.vue'),
  settings: () => import('./settings/SettingsScreen.vue'),
  ahead: () => import('./ahead/AheadScreen.vue'),
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

/** All that is fetched when it is first needed and that an author can go to without the server, too. */
const LATER = [
  ...Object.values(SCREENS),
  ...Object.values(PLAN_VIEWS),
  () => import('../parts/ripple/BeforeAfter.vue'),
]
/** So much later than the first screen the rest is loaded. */
const AFTER_MS = 3000

/** Loads the rest in the background. @returns what calls that off */
export function loadScreensLater(): () => void {
  const timer = setTimeout(() => {
    // One that cannot be loaded now is asked for again when it is needed.
    for (const load of LATER) load().catch(() => undefined)
  }, AFTER_MS)
  return () => clearTimeout(timer)
}
