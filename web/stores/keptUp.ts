import { useTimeoutFn } from '@vueuse/core'
import { watch } from 'vue'
import type { useOpenSite } from './openSite.ts'

/**
 * Gives what keeps something that follows from the open site up, for as long as it is on the screen: it is worked out at
 * once, and anew when the typing has paused. What that gives ends it.
 */
export function keptUp(
  openSite: ReturnType<typeof useOpenSite>,
  workOut: () => Promise<void>,
  pauseMs: number,
): () => () => void {
  let isShown = false
  const later = useTimeoutFn(() => void workOut(), pauseMs, { immediate: false })
  watch(
    () => openSite.site,
    (site) => {
      if (site && isShown) later.start()
      else later.stop()
    },
  )
  return () => {
    isShown = true
    void workOut()
    return () => {
      isShown = false
      later.stop()
    }
  }
}
