import { useMediaQuery } from '@vueuse/core'
import { nextTick, ref } from 'vue'

/** Where there is no room for the details beside the work, they open over it. */
export const isNarrow = useMediaQuery('(max-width: 1040px)')
/** Where there is no room for the outline either, that does, too. */
export const isSlim = useMediaQuery('(max-width: 820px)')

export type Panel = 'outline' | 'details'

/** The panel that is open over the work. */
export const openPanel = ref<Panel>()
let opener: HTMLElement | undefined

/** Opens a panel over the work, with the focus in it; or closes it, and gives the focus back. */
export async function togglePanel(panel: Panel): Promise<void> {
  if (openPanel.value === panel) return closePanel()
  const active = document.activeElement
  // A touch may leave the focus where it was: nowhere.
  opener =
    active instanceof HTMLElement && active !== document.body
      ? active
      : (document.querySelector<HTMLElement>(`[aria-controls="${panel}"]`) ?? undefined)
  openPanel.value = panel
  await nextTick()
  document
    .querySelector<HTMLElement>(
      `#${panel} :is([tabindex="0"], input, button, select, a[href]):not([disabled])`,
    )
    ?.focus()
}

/** Opens the details over the work for what was chosen in it, where they are not beside it. */
export function openDetails(): void {
  if (isNarrow.value && openPanel.value !== 'details') void togglePanel('details')
}

export function closePanel(): void {
  if (!openPanel.value) return
  openPanel.value = undefined
  opener?.focus()
}
