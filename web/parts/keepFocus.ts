import { CHOSEN } from './focus.ts'

/** Elements that take the focus. */
const FOCUSABLE =
  'button:not(:disabled, [tabindex="-1"]), a[href]:not([tabindex="-1"]), input:not(:disabled, [type=hidden], [tabindex="-1"]), select:not(:disabled), textarea:not(:disabled), [tabindex="0"]'

/** An element around the one with the focus, and the place of the child that led to it. */
interface Around {
  readonly element: Element
  readonly at: number
}

function aroundOf(element: Element): Around[] {
  const around: Around[] = []
  for (
    let child = element, parent = child.parentElement;
    parent;
    child = parent, parent = child.parentElement
  )
    around.push({ element: parent, at: [...parent.children].indexOf(child) })
  return around
}

const isVisible = (element: HTMLElement) => element.checkVisibility({ visibilityProperty: true })

/** Returns what takes the focus in place of an element that is gone: in its place, before it, or near it. */
function nextTo(around: readonly Around[]): HTMLElement | undefined {
  for (const { element, at } of around) {
    if (!element.isConnected) continue
    // What is around the main part starts with the way past everything.
    if (element.querySelector('main')) return undefined
    const near = [element.children[at], element.children[at - 1], element].filter((one) => one !== undefined)
    for (const selector of [CHOSEN, FOCUSABLE])
      for (const one of near) {
        const found = [one, ...one.querySelectorAll(selector)].find(
          (candidate): candidate is HTMLElement =>
            candidate instanceof HTMLElement && candidate.matches(selector) && isVisible(candidate),
        )
        if (found) return found
      }
    if (element.matches('main, dialog')) return undefined
  }
  return undefined
}

/**
 * Moves the focus on when the element that has it is removed, hidden or disabled: browsers give it to the body then, and who
 * works by keyboard starts at the top again. Whatever sets the focus itself comes first.
 */
export function keepFocus(): void {
  let last: Element | undefined
  let around: readonly Around[] = []
  let isChecking = false

  function focusIn({ target }: FocusEvent): void {
    if (!(target instanceof Element)) return
    last = target
    around = aroundOf(target)
  }
  /** A click beside everything takes the focus away on purpose. */
  const isGone = () => last !== undefined && (!last.isConnected || last.matches(':disabled'))

  function check(): void {
    isChecking = false
    if (document.activeElement !== document.body || !isGone()) return
    const next = nextTo(around) ?? document.querySelector<HTMLElement>('main')
    next?.focus({ preventScroll: true })
  }
  const observer = new MutationObserver(() => {
    if (isChecking || !isGone()) return
    isChecking = true
    // After the next drawing, so that screens can set the focus first.
    requestAnimationFrame(() => setTimeout(check))
  })
  document.addEventListener('focusin', focusIn)
  observer.observe(document.body, {
    subtree: true,
    childList: true,
    attributes: true,
    attributeFilter: ['disabled'],
  })
}
