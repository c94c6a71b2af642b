<script setup lang="ts">
import { pinPages, unpinnedPages } from '@viatica/core/address/pins.ts'
import { useEventListener } from '@vueuse/core'
import { Alert, Button } from 'ant-design-vue'
import { computed } from 'vue'
import { useOpenSite } from '../../stores/openSite.ts'

/** After a download: offers to pin the addresses that may be published now. A line of its own, which covers nothing. */
const emit = defineEmits<{ close: [] }>()
const openSite = useOpenSite()
const unpinned = computed(() => unpinnedPages(openSite.shown))

function pinAll(): void {
  const change = pinPages(openSite.shown, unpinned.value, true)
  emit('close')
  if (change) openSite.makeOrTell(change)
}

useEventListener(window, 'keydown', ({ key }) => {
  // A dialog is closed first.
  if (key === 'Escape' && !document.querySelector('[role="dialog"]')) emit('close')
})
</script>

<template>
  <Alert v-if="unpinned.length > 0" type="info" role="status" closable @close="emit('close')">
    <template #message>
      If you publish this download, pin
      {{ unpinned.length === 1 ? 'its address' : `its ${unpinned.length} addresses` }}: a new title then
      breaks no link from other sites, and a page that moves leaves a redirect.
      <Button size="small" @click="pinAll">{{
        unpinned.length === 1 ? 'Pin address' : 'Pin addresses'
      }}</Button>
    </template>
  </Alert>
</template>
