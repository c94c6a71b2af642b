<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { ConfigProvider } from 'ant-design-vue'
import { onMounted } from 'vue'
import { RouterView } from 'vue-router'
import { keepFocus } from './parts/keepFocus.ts'
import { THEME } from './theme/tokens.ts'

onMounted(() => void keepFocus())

/** Files that are dropped where nothing takes them must not take the place of the application. */
function refuseFiles(event: DragEvent): void {
  if (event.defaultPrevented || !event.dataTransfer?.types.includes('Files')) return
  event.preventDefault()
  event.dataTransfer.dropEffect = 'none'
}
useEventListener(window, ['dragover', 'drop'], refuseFiles)
</script>

<template>
  <ConfigProvider :theme="THEME" :wave="{ disabled: true }">
    <RouterView />
  </ConfigProvider>
</template>
