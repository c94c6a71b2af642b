<script setup lang="ts">
/**
 * How every stop is laid out: the work fills the middle, details of what is selected stand at the right, where the work
 * leaves room for them.
 */
defineProps<{ detailsLabel: string; hasDetails: boolean }>()
</script>

<template>
  <main id="work" tabindex="-1" class="layout" :class="{ whole: !hasDetails }">
    <section class="work"><slot /></section>
    <aside v-if="hasDetails" class="details" :aria-label="detailsLabel"><slot name="details" /></aside>
  </main>
</template>

<style scoped>
.layout:focus {
  outline: none;
}

.layout {
  display: grid;
  flex: 1;
  grid-template-columns: minmax(0, 1fr) 300px;
  min-height: 0;
}

.whole {
  grid-template-columns: minmax(0, 1fr);
}

.work {
  display: flex;
  flex-direction: column;
  min-height: 0;
  padding: 10px 16px 14px;
  overflow-y: auto;
}

.details {
  min-height: 0;
  padding: 14px 16px 24px;
  overflow-y: auto;
  background: var(--card);
  border-left: 1px solid var(--rule);
}
</style>
