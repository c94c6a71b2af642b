<script setup lang="ts">
import { ConfigProvider } from 'ant-design-vue'
import { RouterView } from 'vue-router'
import { THEME } from './theme/tokens.ts'
</script>

<template>
  <ConfigProvider :theme="THEME" :wave="{ disabled: true }">
    <RouterView />
  </ConfigProvider>
</template>
