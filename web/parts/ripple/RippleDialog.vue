<script setup lang="ts">
import { Button, Spin } from 'ant-design-vue'
import { useOpenSite } from '../../stores/openSite.ts'
import { useRipple } from '../../stores/ripple.ts'
import ModalDialog from '../ModalDialog.vue'
import RippleList from './RippleList.vue'

/** What the last change did, in full. */
defineProps<{ open: boolean }>()
defineEmits<{ close: [] }>()

const openSite = useOpenSite()
const ripple = useRipple()
</script>

<template>
  <ModalDialog v-if="open" open wide :title="openSite.lastWords" @close="$emit('close')">
    <template v-if="ripple.last">
      <p class="words">{{ ripple.words }}</p>
      <RippleList :ripple="ripple.last" of="last" />
    </template>
    <Spin v-else />
    <template #buttons><Button @click="$emit('close')">Close</Button></template>
  </ModalDialog>
</template>

<style scoped>
.words {
  margin: 0 0 12px;
  font-weight: 500;
}
</style>
