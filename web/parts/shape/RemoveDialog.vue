<script setup lang="ts">
import { labelOf } from '@viatica/core/plan/entry.ts'
import { childrenOf, entryOf, walk } from '@viatica/core/plan/plan.ts'
import { rippleWords } from '@viatica/core/ripple/rippleWords.ts'
import { Button, RadioGroup, Spin } from 'ant-design-vue'
import { computed, ref, shallowRef, watch } from 'vue'
import { useOpenSite } from '../../stores/openSite.ts'
import { useShaping } from '../../stores/shaping.ts'
import type { Foreseen } from '../../workers/siteWorker.ts'
import { siteWork } from '../../workers/siteWork.ts'
import ModalDialog from '../ModalDialog.vue'

/** Asks before entries are removed: what goes with them, which links break, what becomes of the pages under them. */
defineEmits<{ close: [] }>()

const SHOWN = 8

const openSite = useOpenSite()
const shaping = useShaping()
const plan = openSite.site!.plan
const going = shaping.movable

const under = ref<'go-too' | 'move-up'>('go-too')
const foreseen = shallowRef<Foreseen>()
const change = computed(() => shaping.removal(under.value))

const hasUnder = going.some((id) => childrenOf(plan, id).length > 0)
const along = going.flatMap((id) => [...walk(plan, id)].slice(1).map(({ entry }) => labelOf(entry)))
const title =
  going.length === 1 ? `Remove “${labelOf(entryOf(plan, going[0]!))}”?` : `Remove ${going.length} entries?`
const CHOICES = [
  { value: 'go-too', label: `go too (${along.length})` },
  { value: 'move-up', label: 'move up to stand in its place' },
]

watch(
  change,
  async (wanted) => {
    foreseen.value = undefined
    if (!wanted) return
    const answer = await siteWork.foresee(wanted)
    if (wanted !== change.value) return
    if (typeof answer === 'string') openSite.notice = answer
    else foreseen.value = answer
  },
  { immediate: true },
)
</script>

<template>
  <ModalDialog open :title="title" @close="$emit('close')">
    <template v-if="hasUnder">
      <p id="under-removed">What is under it shall</p>
      <RadioGroup v-model:value="under" aria-labelledby="under-removed" :options="CHOICES" />
      <ul v-if="under === 'go-too'" class="goes-list">
        <li v-for="(label, at) in along.slice(0, SHOWN)" :key="at">{{ label }}</li>
        <li v-if="along.length > SHOWN">and {{ along.length - SHOWN }} more</li>
      </ul>
    </template>
    <Spin v-if="!foreseen" />
    <template v-else>
      <p>
        <strong>{{ rippleWords(foreseen.ripple) }}</strong>
      </p>
      <template v-if="foreseen.broken.length > 0">
        <p class="goes-warning">
          {{ foreseen.broken.length === 1 ? '1 link breaks' : `${foreseen.broken.length} links break` }}:
        </p>
        <ul class="goes-list">
          <li v-for="(link, at) in foreseen.broken.slice(0, SHOWN)" :key="at">
            {{ link.kind === 'text' ? 'in the text of' : 'the link' }} “{{ link.label }}”, to “{{
              link.toLabel
            }}”
          </li>
          <li v-if="foreseen.broken.length > SHOWN">and {{ foreseen.broken.length - SHOWN }} more</li>
        </ul>
      </template>
      <p v-else>No other page links to it in its text.</p>
    </template>
    <template #buttons>
      <Button @click="$emit('close')">Cancel</Button>
      <Button type="primary" danger autofocus @click="shaping.removeNow(change)">Remove</Button>
    </template>
  </ModalDialog>
</template>
