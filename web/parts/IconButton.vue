<script setup lang="ts">
import type { Component } from 'vue'

/** A button that shows an icon alone, and says what it does to those who do not see that. */
defineProps<{
  icon: Component
  label: string
  /** What a mouse is told, where that is more than the label: its key, what it needs. */
  title?: string
}>()
</script>

<template>
  <button type="button" class="plain-button" :aria-label="label" :title="title ?? label">
    <component :is="icon" width="18" height="18" aria-hidden="true" />
  </button>
</template>
