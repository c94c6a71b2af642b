/** The screens of a site, each loaded when it is first needed. */
export const SCREENS = {
  plan: () => import('./plan/PlanScreen.vue'),
  surround: () => import('./surround/SurroundScreen.vue'),
  write: () => import('./write/WriteScreen.vue'),
  proof: () => import('./proof/ProofScreen.vue'),
  settings: () => import('./settings/SettingsScreen.vue'),
  publish: () => import('./publish/PublishScreen.vue'),
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
