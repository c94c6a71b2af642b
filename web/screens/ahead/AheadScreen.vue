<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { STOPS } from '../../stops.ts'

const route = useRoute()
const stop = computed(() => STOPS.find(({ name }) => name === route.params['ahead'])!)
</script>

<template>
  <main class="ahead">
    <p class="board">This stop is still being built</p>
    <h1>{{ stop.label }}</h1>
    <p>{{ stop.ahead }}</p>
  </main>
</template>

<style scoped>
.ahead {
  max-width: 520px;
  margin: 12vh auto 0;
  padding: 0 24px;
  font-size: 16px;
}

.board {
  display: inline-block;
  padding: 2px 10px;
  color: var(--slate);
  border: 2px dotted var(--slate);
  border-radius: 3px;
  font-weight: 500;
}

h1 {
  font-size: 30px;
}
</style>
