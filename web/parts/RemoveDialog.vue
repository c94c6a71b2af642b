<script setup lang="ts">
import { labelOf } from '@viatica/core/plan/entry.ts'
import { Button } from 'ant-design-vue'
import { computed } from 'vue'
import { useChosen } from '../stores/chosen.ts'
import { useShaping } from '../stores/shaping.ts'
import ModalDialog from './ModalDialog.vue'

const SHOWN = 12

const chosen = useChosen()
const shaping = useShaping()

const count = computed(() => shaping.goingToo.length)
const title = computed(() => `Remove “${chosen.entry ? labelOf(chosen.entry) : ''}” and what is under it?`)
</script>

<template>
  <ModalDialog :open="count > 0" :title="title" @close="shaping.keep">
    <p>With it {{ count === 1 ? 'goes 1 entry' : `go ${count} entries` }} (undo brings them back):</p>
    <ul>
      <li v-for="(label, at) in shaping.goingToo.slice(0, SHOWN)" :key="at">{{ label }}</li>
      <li v-if="count > SHOWN">and {{ count - SHOWN }} more</li>
    </ul>
    <template #buttons>
      <Button @click="shaping.keep">Keep</Button>
      <Button type="primary" danger @click="shaping.removeNow">Remove all</Button>
    </template>
  </ModalDialog>
</template>
