<script setup lang="ts">
import { nextTick, onMounted, onUpdated, ref } from 'vue'

/** Controls that are one stop for the Tab key: arrow keys move among them. https://www.w3.org/WAI/ARIA/apg/patterns/toolbar/ */
defineProps<{ label: string }>()

const bar = ref<HTMLElement>()
/** The control that Tab leads to: the one that had the focus last. */
let current: HTMLElement | undefined
let hasFocus = false

const controls = () => [
  ...bar.value!.querySelectorAll<HTMLElement>(':is(button, input, select):not(:disabled)'),
]

function update(): void {
  const all = controls()
  const isThere = current !== undefined && all.includes(current)
  // A control that is disabled by its own action would leave the focus nowhere.
  const isLost = hasFocus && !isThere
  if (!isThere) current = all[0]
  for (const control of all) control.tabIndex = control === current ? 0 : -1
  if (isLost) current?.focus()
}
onMounted(update)
onUpdated(update)

function focusIn({ target }: FocusEvent): void {
  hasFocus = true
  const control = controls().find((one) => one === target)
  if (!control) return
  current = control
  update()
}

/** The focus leaves for another element; a control that was disabled has no other element to give it to. */
function focusOut({ relatedTarget, target }: FocusEvent): void {
  const isDisabled = target instanceof Element && target.matches(':disabled')
  if (relatedTarget !== null || !isDisabled) hasFocus = false
  else void nextTick(update)
}

function press(event: KeyboardEvent): void {
  const target = event.target as HTMLElement
  if (event.altKey || event.ctrlKey || event.metaKey || target.closest('[role=menu]')) return
  // In a text, these keys move the caret.
  if (target.matches('input:not([type=checkbox], [type=radio]), select')) return
  const all = controls()
  const at = all.indexOf(target)
  const to = { ArrowRight: at + 1, ArrowLeft: at - 1, Home: 0, End: all.length - 1 }[event.key]
  if (to === undefined) return
  event.preventDefault()
  event.stopPropagation()
  all[(to + all.length) % all.length]?.focus()
}
</script>

<template>
  <!-- Before the controls, of which some stop keys. -->
  <div
    ref="bar"
    role="toolbar"
    :aria-label="label"
    @focusin="focusIn"
    @focusout="focusOut"
    @keydown.capture="press"
  >
    <slot />
  </div>
</template>
