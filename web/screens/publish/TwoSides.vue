<script setup lang="ts">
import type { SideLine, Sides } from '@viatica/core/publish/sides.ts'
import { computed, onMounted, ref } from 'vue'
import SourceLines, { type ShownLine } from '../../parts/SourceLines.vue'

/** Two texts of a file beside each other, with what differs marked. */
const props = defineProps<{ sides: Sides; before: string; after: string }>()

const linesOf = (lines: readonly SideLine[]) =>
  lines.map(({ text, part, differs }, n): ShownLine => {
    const last = lines[n - 1]
    const beside = last?.part === part && last.differs === differs ? '' : part || (differs ? 'differs' : '')
    return { text, beside, tone: differs ? 'differs' : undefined }
  })
const shown = computed(() => [
  { title: props.before, lines: linesOf(props.sides.before) },
  { title: props.after, lines: linesOf(props.sides.after) },
])

/** What differs is what one came for: the first of it is brought into sight on each side. */
const board = ref<HTMLElement>()
onMounted(() => {
  for (const section of board.value?.querySelectorAll('section') ?? [])
    section.querySelector('li.differs')?.scrollIntoView({ block: 'center' })
})
</script>

<template>
  <p v-if="sides.parts.length > 0" class="parts">Differs in: <strong>{{ sides.parts.join(', ') }}</strong></p>
  <div ref="board" class="sources">
    <section v-for="side in shown" :key="side.title" tabindex="0" :aria-label="side.title">
      <h3>{{ side.title }}</h3>
      <SourceLines :lines="side.lines" />
    </section>
  </div>
</template>

<style scoped>
.sources {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 12px;
}

section {
  height: min(52vh, 460px);
  overflow: auto;
  background: var(--card);
  border: 1px solid var(--rule);
}

h3 {
  position: sticky;
  top: 0;
  left: 0;
  z-index: 1;
  margin: 0;
  padding: 4px 8px;
  background: var(--card);
  border-bottom: 1px solid var(--rule);
  font-size: 14px;
}

.parts {
  margin: 0 0 8px;
}

@media (max-width: 700px) {
  .sources {
    grid-template-columns: minmax(0, 1fr);
  }

  section {
    height: 34vh;
  }
}
</style>
