<script setup lang="ts">
import { useTimeoutFn } from '@vueuse/core'
import { Input, Textarea } from 'ant-design-vue'
import type { Change } from '@viatica/core/plan/change/change.ts'
import { computed, nextTick, onBeforeUnmount, ref, useId, watch } from 'vue'
import { useRoute } from 'vue-router'
import { useOpenSite } from '../stores/openSite.ts'
import { useDraft } from './draft.ts'
import Foresight from './Foresight.vue'

const props = defineProps<{
  label: string
  value: string
  placeholder?: string
  /** How many rows; a single line without it. */
  rows?: number
  /** Whether the text is code. */
  code?: boolean
  /** Turns what was typed into what is saved; shown under the field while they differ. */
  sound?: (typed: string) => string
  /** Makes the change; gives back why it was refused. */
  save: (text: string) => string | undefined
  /**
   * The change that moves the address of an entry when this text is saved; undefined when it moves none. Such a text
   * waits for Enter, or for the field to be left, and what it would do is shown before.
   */
  foresee?: (text: string) => Change | undefined
  entry?: string
  /** Whether saving does more than making a change: then what is typed is not kept before. */
  isWork?: boolean
}>()

const openSite = useOpenSite()

/** Typing that pauses for this long is saved; so is a field that is left, and Enter. */
const PAUSE_MS = 500

const id = useId()
const typed = ref(props.value)
const fault = ref<string>()
const pause = useTimeoutFn(() => saveNow(), PAUSE_MS, { immediate: false })
let hasFocus = false
/** Of each visit to the field: what is typed within one is one step to undo. */
let visit = crypto.randomUUID()

const soundOf = (text: string) => (props.sound && text.trim() !== '' ? props.sound(text) : text)

/** What was saved from here and is not shown yet: the site may have it in a form of its own. */
let savedNow: string | undefined
/** What another window wrote here, while something else is typed and not saved; undefined where there is none. */
const theirs = ref<string>()

/** Shows another text in the field, with the caret where it is. */
async function show(value: string): Promise<void> {
  fault.value = undefined
  const field = document.getElementById(id) as HTMLInputElement | null
  const [start, end] = [field?.selectionStart ?? null, field?.selectionEnd ?? null]
  typed.value = value
  await nextTick()
  if (hasFocus && start !== null) field?.setSelectionRange(start, end)
}

watch(
  () => props.value,
  (value, before) => {
    const text = soundOf(typed.value).trim()
    const isOwn = text === savedNow
    savedNow = undefined
    // What comes back from saving must not change the text under the author's hands.
    if (hasFocus && text === value.trim()) theirs.value = undefined
    else if (theirs.value === undefined && (!hasFocus || isOwn || text === before.trim())) void show(value)
    else {
      pause.stop()
      theirs.value = value
    }
  },
)

// A text that was refused is stored until it is another one, or saved.
useDraft({
  site: openSite.id,
  form: `${useRoute().path} ${props.label} ${props.value}`,
  words: props.label,
  content: () => (fault.value === undefined ? undefined : { text: typed.value, reason: fault.value }),
  restore({ text, reason }) {
    typed.value = text
    fault.value = reason
  },
})

/** Goes on with what is typed here, over what another window wrote; or with that. */
function settle(keeps: 'mine' | 'theirs'): void {
  const other = theirs.value
  theirs.value = undefined
  if (keeps === 'mine') saveNow()
  else if (other !== undefined) {
    void show(other)
    openSite.forgetTyped(visit)
  }
  document.getElementById(id)?.focus()
}

function saveNow(): void {
  pause.stop()
  if (theirs.value !== undefined) return
  const text = soundOf(typed.value)
  if (text !== props.value && text.trim() !== props.value) {
    savedNow = text.trim()
    fault.value = openSite.whileTyping(visit, () => props.save(text))
    if (fault.value !== undefined) savedNow = undefined
  } else fault.value = undefined
  openSite.forgetTyped(visit)
}

/** Keeps what is typed until it is an edit, also if the window is closed before. */
function keep(): void {
  const text = soundOf(typed.value)
  if (text.trim() === props.value) openSite.forgetTyped(visit)
  else if (!props.isWork) openSite.keepTyped(visit, () => props.save(text), foreseen.value !== undefined)
}

/** What waits for Enter is not saved by leaving in another way. */
const stopSaving = openSite.savesWith(() => {
  if (!foreseen.value) saveNow()
})

/** Of what is typed and not saved yet. */
const foreseen = computed(() => {
  const text = soundOf(typed.value).trim()
  return text === props.value ? undefined : props.foresee?.(text)
})

function input(): void {
  fault.value = savedNow = undefined
  if (foreseen.value || theirs.value !== undefined) pause.stop()
  else pause.start()
  keep()
}

function enterField(): void {
  hasFocus = true
  if (theirs.value === undefined) visit = crypto.randomUUID()
}

function leave(): void {
  hasFocus = false
  saveNow()
  if (fault.value === undefined && theirs.value === undefined) typed.value = props.value
}

onBeforeUnmount(() => {
  saveNow()
  stopSaving()
})

function escape(event: KeyboardEvent): void {
  if (!foreseen.value) return
  event.stopPropagation()
  typed.value = props.value
  openSite.forgetTyped(visit)
}

function enter(): void {
  if (props.rows === undefined) saveNow()
}
</script>

<template>
  <div class="field">
    <label class="field-label" :for="id">{{ label }}</label>
    <component
      :is="rows ? Textarea : Input"
      :id="id"
      v-model:value="typed"
      :rows="rows"
      :placeholder="placeholder"
      :class="{ code }"
      :spellcheck="!code"
      :status="fault ? 'error' : ''"
      :aria-describedby="`${id}-hint`"
      @focus="enterField"
      @input="input"
      @blur="leave"
      @press-enter="enter"
      @keydown.esc="escape"
    />
    <span :id="`${id}-hint`">
      <span v-if="fault" class="field-fault" role="alert">{{ fault }}</span>
      <span v-else-if="theirs !== undefined" class="field-fault" role="alert">
        Another window changed this to “{{ theirs }}”. Yours is not saved yet.
        <button type="button" class="link-button" @click="settle('mine')">Keep mine</button>
        <button type="button" class="link-button" @click="settle('theirs')">Use theirs</button>
      </span>
      <span v-else-if="soundOf(typed) !== typed" class="field-hint">
        will be saved as <code>{{ soundOf(typed) }}</code>
      </span>
      <Foresight v-if="foreseen && entry && !fault" :entry="entry" :change="foreseen" />
      <span v-else-if="!fault && $slots['hint']" class="field-hint"><slot name="hint" /></span>
    </span>
  </div>
</template>

<style scoped>
.field-fault .link-button {
  margin-left: 6px;
}

.code {
  font-family: var(--mono);
  font-size: 12.5px;
}
</style>
