<script setup lang="ts">
import type { Change } from '@viatica/core/plan/change/change.ts'
import { computed, onMounted, ref } from 'vue'
import { useOpenSite } from '../stores/openSite.ts'
import Foresight from './Foresight.vue'

const props = defineProps<{
  /** Where it stands in the outline. */
  level: number
  label: string
  name?: string
  /** The entry that is renamed, and the change that a name makes. */
  entry?: string
  changeFor?: (name: string) => Change | undefined
}>()
const emit = defineEmits<{
  /** With what was typed, empty when it was let be; and whether Enter ended it. */
  done: [name: string, isEntered: boolean]
  /** It shall stand one level deeper, or higher, with what was typed so far. */
  level: [by: 1 | -1, name: string]
}>()

const openSite = useOpenSite()
const visit = crypto.randomUUID()
const text = ref(props.name ?? '')
const input = ref<HTMLInputElement>()
let isDone = false

const change = computed(() => props.changeFor?.(text.value))

function finish(name: string, isEntered = false): void {
  if (isDone) return
  isDone = true
  emit('done', name, isEntered)
  // Only now that it is an edit: a window that is closed in between loses nothing.
  openSite.forgetTyped(visit)
}

/** Tab takes what is being named to another level; what is there already keeps its own. */
function indent(event: KeyboardEvent): void {
  if (props.entry) return
  event.preventDefault()
  isDone = true
  emit('level', event.shiftKey ? -1 : 1, text.value)
}

/** Keeps what is typed until it is taken, also if the window is closed before. */
function keep(): void {
  const wanted = change.value
  if (wanted) openSite.keepTyped(visit, () => openSite.make(wanted), true)
  else openSite.forgetTyped(visit)
}

onMounted(() => {
  input.value!.focus()
  // A name that was begun goes on at its end; one that is there is replaced.
  if (props.entry) input.value!.select()
})
</script>

<template>
  <div
    class="name"
    role="treeitem"
    aria-label="Being named"
    :aria-level="level"
    :style="{ paddingLeft: `${level * 20 + 8}px` }"
  >
    <input
      ref="input"
      v-model="text"
      :aria-label="label"
      :placeholder="label"
      maxlength="300"
      @input="keep"
      @keydown.enter.prevent.stop="finish(text, true)"
      @keydown.tab.stop="indent"
      @keydown.esc.prevent.stop="finish('')"
      @blur="finish(text)"
    />
    <Foresight v-if="entry && change" class="foresight" :entry="entry" :change="change" />
  </div>
</template>

<style scoped>
.name {
  position: relative;
  padding: 1px 10px 1px 0;
}

input {
  width: 100%;
  height: 27px;
  padding: 0 6px;
  color: inherit;
  background: #fff;
  border: 1px solid var(--pine);
  border-radius: 3px;
  font: inherit;
}

.foresight {
  position: absolute;
  top: 100%;
  right: 10px;
  left: 20px;
  z-index: 3;
  margin: 0;
  padding: 4px 8px;
  background: var(--card);
  border: 1px solid var(--pine);
}
</style>
