<script setup lang="ts">
/** A line of a page's source as it is shown. */
export interface ShownLine {
  readonly text: string
  /** What stands beside it: its part of the page, or why it differs; empty where that was said above. */
  readonly beside: string
  readonly tone?: 'differs' | 'drift' | 'own' | undefined
}

defineProps<{ lines: readonly ShownLine[] }>()
</script>

<template>
  <ol>
    <li v-for="(line, n) in lines" :key="n" :class="line.tone">
      <span class="number">{{ n + 1 }}</span>
      <span class="beside">{{ line.beside }}</span>
      <code>{{ line.text }}</code>
    </li>
  </ol>
</template>

<style scoped>
ol {
  width: max-content;
  min-width: 100%;
  margin: 0;
  padding: 0;
  list-style: none;
}

li {
  display: flex;
  gap: 8px;
  padding-right: 8px;
  line-height: 1.5;
}

code {
  flex: 1;
  white-space: pre;
}

.number {
  flex: none;
  width: 34px;
  color: var(--slate);
  font: 11px/18px var(--mono);
  text-align: right;
}

.beside {
  position: sticky;
  left: 0;
  flex: none;
  width: 112px;
  padding-left: 4px;
  color: var(--slate);
  background: var(--card);
  border-right: 2px solid var(--rule);
  font-size: 12px;
}

.own .beside {
  border-right-color: var(--pine);
}

.differs {
  background: #e2ece4;
}

.drift {
  background: #f5dfd9;
}

.differs .beside,
.drift .beside {
  color: var(--ink);
  font-weight: 600;
}
</style>
