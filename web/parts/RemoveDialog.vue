<script setup lang="ts">
import { labelOf } from '@viatica/core/plan/entry.ts'
import { Modal } from 'ant-design-vue'
import { computed } from 'vue'
import { useChosen } from '../stores/chosen.ts'
import { useShaping } from '../stores/shaping.ts'

const SHOWN = 12

const chosen = useChosen()
const shaping = useShaping()

const count = computed(() => shaping.goingToo.length)
</script>

<template>
  <Modal
    :open="count > 0"
    :title="`Remove “${chosen.entry ? labelOf(chosen.entry) : ''}” and what is under it?`"
    ok-text="Remove all"
    cancel-text="Keep"
    :ok-button-props="{ danger: true }"
    :width="440"
    @ok="shaping.removeNow"
    @cancel="shaping.keep"
  >
    <p>With it {{ count === 1 ? 'goes 1 entry' : `go ${count} entries` }} (undo brings them back):</p>
    <ul>
      <li v-for="(label, at) in shaping.goingToo.slice(0, SHOWN)" :key="at">{{ label }}</li>
      <li v-if="count > SHOWN">and {{ count - SHOWN }} more</li>
    </ul>
  </Modal>
</template>
