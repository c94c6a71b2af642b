/**
 * A select that acts at once: what the arrows or a letter choose while it is closed holds when Enter is pressed or the select
 * is left, and not at every step. What is chosen from the open list acts at once.
 */
export interface ActingChoice {
  readonly keydown: (event: KeyboardEvent) => void
  readonly change: (event: Event) => void
  readonly blur: (event: Event) => void
}

/**
 * @param take gets what was chosen
 * @param held what holds now; a step that is not taken goes back to it
 */
export function actingChoice(take: (value: string) => void, held: () => string): ActingChoice {
  /** Whether the last key was one that steps through the options. */
  let isStep = false
  let isPending = false
  const settle = (select: HTMLSelectElement) => {
    const { value } = select
    isPending = isStep = false
    if (value !== held()) take(value)
  }
  return {
    keydown(event) {
      const select = event.target as HTMLSelectElement
      const isPlain = !event.ctrlKey && !event.metaKey && !event.altKey
      if (event.key === 'Enter' && isPending) {
        event.preventDefault()
        settle(select)
      } else if (event.key === 'Escape' && isPending) {
        event.preventDefault()
        event.stopPropagation()
        isPending = isStep = false
        select.value = held()
      } else isStep = isPlain && (event.key.startsWith('Arrow') || /^(Home|End|Page.*|.)$/.test(event.key))
    },
    change(event) {
      if (isStep) isPending = true
      else settle(event.target as HTMLSelectElement)
    },
    blur(event) {
      if (isPending) settle(event.target as HTMLSelectElement)
    },
  }
}
