<script setup lang="ts">
import { PAGE_WIDTHS } from './pageWidths.ts'

const width = defineModel<number>({ required: true })
</script>

<template>
  <fieldset class="widths">
    <legend class="unseen">Width of the page in pixels</legend>
    <label v-for="choice in PAGE_WIDTHS" :key="choice" :class="{ here: width === choice }">
      <input v-model="width" type="radio" name="width" :value="choice" class="unseen" />{{ choice }}
    </label>
  </fieldset>
</template>

<style scoped>
.widths {
  display: flex;
  margin: 0;
  padding: 0;
  border: 0;
}

label {
  position: relative;
  padding: 2px 9px;
  color: var(--slate);
  cursor: pointer;
}

label + label {
  border-left: 1px solid var(--rule);
}

label:hover {
  color: var(--ink);
}

.here {
  color: var(--ink);
  font-weight: 600;
}

label:focus-within {
  outline: 2px solid var(--ink);
}
</style>
