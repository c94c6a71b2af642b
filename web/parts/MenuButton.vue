<script setup lang="ts">
import IconCheck from '~icons/tabler/check'
import { computed, nextTick, onBeforeUnmount, ref, useId } from 'vue'

/** One thing to do in a menu, or a line between groups of them. */
export interface MenuEntry {
  readonly key: string
  readonly label: string
  /** The keys that do the same. */
  readonly keys?: string
  readonly disabled?: boolean
  /** Where it leads, for a file to be downloaded. */
  readonly href?: string
  /** Whether a line stands above it. */
  readonly begins?: boolean
  /** Whether it is the one that holds, of several that exclude each other. */
  readonly checked?: boolean
}

defineOptions({ inheritAttrs: false })

/** A button that opens a menu; classes and listeners are those of the button. https://www.w3.org/WAI/ARIA/apg/patterns/menu-button/ */
const props = defineProps<{ label: string; entries: readonly MenuEntry[] }>()
const emit = defineEmits<{ act: [key: string, event: Event] }>()

const id = useId()
const button = ref<HTMLButtonElement>()
const menu = ref<HTMLElement>()
const isOpen = ref(false)
const isChoice = computed(() => props.entries.some(({ checked }) => checked !== undefined))

const items = () => [...menu.value!.querySelectorAll<HTMLElement>('[role^=menuitem]')]

/** Under the button, or above it where there is more room; inside the window either way. */
function place(): void {
  const at = button.value!.getBoundingClientRect()
  const { offsetWidth: width, offsetHeight: height } = menu.value!
  const below = window.innerHeight - at.bottom
  const top = below >= height || below >= at.top ? at.bottom + 2 : at.top - height - 2
  menu.value!.style.left = `${Math.max(4, Math.min(at.right - width, window.innerWidth - width - 4))}px`
  menu.value!.style.top = `${Math.max(4, Math.min(top, window.innerHeight - height - 4))}px`
}

async function open(at: 'first' | 'last' | 'checked'): Promise<void> {
  isOpen.value = true
  await nextTick()
  menu.value!.showPopover()
  place()
  const checked = items().findIndex((item) => item.getAttribute('aria-checked') === 'true')
  items()
    .at(at === 'last' ? -1 : at === 'checked' ? Math.max(0, checked) : 0)
    ?.focus()
}

function close(isBack: boolean): void {
  if (!isOpen.value) return
  isOpen.value = false
  if (isBack) button.value?.focus()
}

function act(entry: MenuEntry, event: Event): void {
  if (entry.disabled) return event.preventDefault()
  close(true)
  emit('act', entry.key, event)
}

function pressButton(event: KeyboardEvent): void {
  event.stopPropagation()
  if (event.key !== 'ArrowDown' && event.key !== 'ArrowUp') return
  event.preventDefault()
  void open(event.key === 'ArrowDown' ? 'first' : 'last')
}

function press(event: KeyboardEvent): void {
  event.stopPropagation()
  const all = items()
  const at = all.indexOf(document.activeElement as HTMLElement)
  const focus = (to: number) => all[(to + all.length) % all.length]?.focus()
  const isLetter = event.key.length === 1 && event.key !== ' ' && !event.ctrlKey && !event.metaKey
  if (event.key === 'ArrowDown') focus(at + 1)
  else if (event.key === 'ArrowUp') focus(at - 1)
  else if (event.key === 'Home') focus(0)
  else if (event.key === 'End') focus(-1)
  else if (event.key === 'Escape') close(true)
  else if (event.key === 'Tab') return close(true)
  else if (event.key === 'Enter' || event.key === ' ') all[at]?.click()
  else if (isLetter) {
    const begins = (item: HTMLElement) =>
      item.textContent.trim().toLowerCase().startsWith(event.key.toLowerCase())
    focus([...all.slice(at + 1), ...all.slice(0, at + 1)].findIndex(begins) + at + 1)
  } else return
  event.preventDefault()
}

/** A click beside it, a window that changes, or the focus going elsewhere closes it. */
function follow(event: ToggleEvent): void {
  if (event.newState === 'closed') close(false)
}
const away = () => close(false)
window.addEventListener('resize', away)
onBeforeUnmount(() => window.removeEventListener('resize', away))
</script>

<template>
  <button
    v-bind="$attrs"
    ref="button"
    type="button"
    :aria-label="label"
    aria-haspopup="menu"
    :aria-expanded="isOpen"
    :aria-controls="isOpen ? id : undefined"
    @click.stop="isOpen ? close(true) : open(isChoice ? 'checked' : 'first')"
    @dblclick.stop
    @keydown="pressButton"
  >
    <slot />
  </button>
  <div
    v-if="isOpen"
    :id="id"
    ref="menu"
    class="menu"
    role="menu"
    popover="auto"
    :aria-label="label"
    @keydown="press"
    @toggle="follow"
    @click.stop
    @dblclick.stop
  >
    <template v-for="entry in entries" :key="entry.key">
      <div v-if="entry.begins" class="line" role="separator" />
      <component
        :is="entry.href ? 'a' : 'div'"
        class="item"
        :role="entry.checked === undefined ? 'menuitem' : 'menuitemradio'"
        tabindex="-1"
        :href="entry.href"
        :download="entry.href ? '' : undefined"
        :aria-checked="entry.checked"
        :aria-disabled="entry.disabled || undefined"
        @click="act(entry, $event)"
        @mousemove="(event: MouseEvent) => (event.currentTarget as HTMLElement).focus()"
      >
        <IconCheck
          v-if="isChoice"
          width="15"
          height="15"
          aria-hidden="true"
          :class="{ unchecked: !entry.checked }"
        />
        <span class="label">{{ entry.label }}</span>
        <kbd v-if="entry.keys">{{ entry.keys }}</kbd>
      </component>
    </template>
  </div>
</template>

<style scoped>
.menu {
  position: fixed;
  inset: auto;
  min-width: 180px;
  max-width: calc(100vw - 8px);
  max-height: calc(100vh - 8px);
  margin: 0;
  padding: 4px 0;
  overflow-y: auto;
  color: var(--ink);
  background: var(--card);
  border: 1px solid var(--pine);
  border-radius: 3px;
  font:
    14px/1.3 Barlow,
    system-ui,
    sans-serif;
}

.item {
  display: flex;
  align-items: center;
  gap: 8px;
  min-height: 28px;
  padding: 3px 14px;
  color: inherit;
  text-decoration: none;
  white-space: nowrap;
  cursor: pointer;
}

.item:focus {
  background: #e2ece4;
  outline: 2px solid var(--pine);
  outline-offset: -2px;
}

.item[aria-disabled='true'] {
  color: #6b7a79;
  cursor: default;
}

.label {
  flex: 1;
}

.unchecked {
  visibility: hidden;
}

.line {
  margin: 4px 0;
  border-top: 1px solid var(--rule);
}

kbd {
  margin-left: 20px;
  color: var(--slate);
  font: inherit;
  font-size: 12.5px;
}
</style>
