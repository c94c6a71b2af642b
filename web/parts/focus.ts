import { nextTick } from 'vue'

/** Where the focus goes in a list: to the row that is chosen. */
export const CHOSEN = '[role=treeitem][tabindex="0"], [data-focus][tabindex="0"]'

/**
 * Remembers what has the focus. A dialog gives it back by itself; what this gives does so where that is not there any more: to
 * the chosen row of the list it stood in, or to the main part of the screen.
 */
export function rememberFocus(): () => void {
  const had = document.activeElement
  const around: Element[] = []
  for (let at = had?.parentElement; at; at = at.parentElement) around.push(at)
  return () =>
    void nextTick(async () => {
      // What takes the place of what is gone is drawn a moment later.
      await new Promise(requestAnimationFrame)
      const now = document.activeElement
      if (now && now !== document.body && now.isConnected) return
      for (const element of around)
        if (element.isConnected) {
          const next = element.querySelector<HTMLElement>(CHOSEN)
          if (next) return next.focus()
        }
      document.querySelector<HTMLElement>('main')?.focus()
    })
}

/** Whether the window is used by touch: there, the focus in a text covers half of the screen with a keyboard. */
export const isTouched = (): boolean => window.matchMedia('(pointer: coarse)').matches
