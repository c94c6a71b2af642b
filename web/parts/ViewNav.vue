<script setup lang="ts">
import { RouterLink } from 'vue-router'
import { useOpenSite } from '../stores/openSite.ts'

/** The views of a stop, with the one that is shown marked. */
defineProps<{
  label: string
  /** The name of the stop's route. */
  stop: string
  views: readonly { readonly name: string; readonly label: string }[]
  shown: string
}>()

const openSite = useOpenSite()
</script>

<template>
  <nav class="views" :aria-label="label">
    <RouterLink
      v-for="one in views"
      :key="one.name"
      :to="{ name: stop, params: { id: openSite.id, view: one.name } }"
      :class="{ here: one.name === shown }"
      :aria-current="one.name === shown ? 'page' : undefined"
    >
      {{ one.label }}
    </RouterLink>
  </nav>
</template>

<style scoped>
.views {
  display: flex;
  flex: 0 1 auto;
  flex-wrap: wrap;
  gap: 2px 12px;
}

.views a {
  padding: 0 1px 3px;
  color: var(--ink);
  border-bottom: 3px solid transparent;
  font: 500 15px/1.4 var(--sign);
  text-decoration: none;
}

.views a:hover {
  border-bottom-color: var(--rule);
}

.views .here,
.views .here:hover {
  border-bottom-color: var(--ochre);
  font-weight: 600;
}
</style>
