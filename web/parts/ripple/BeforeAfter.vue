<script setup lang="ts">
import { diffWordsWithSpace } from 'diff'
import { computed } from 'vue'

/** Two versions of some HTML side by side: what differs stands out, and what is the same is cut short. */
const props = withDefaults(
  defineProps<{
    before: string
    after: string
    /** What the two are called. */
    names?: readonly [string, string]
    /** Whether one stands under the other, where there is little room. */
    stacked?: boolean
  }>(),
  { names: () => ['before', 'after'] },
)

/** How much of what is the same is shown on each side of a difference. */
const AROUND = 70

interface Piece {
  readonly text: string
  readonly kind: 'same' | 'only-before' | 'only-after'
}

/** Indentation says nothing here. */
const flat = (html: string) => html.trim().replace(/\n\s+/g, '\n')

function shortened(text: string, isFirst: boolean, isLast: boolean): string {
  const start = isFirst ? '' : text.slice(0, AROUND)
  const end = isLast ? '' : text.slice(-AROUND)
  return text.length <= start.length + end.length + 3 ? text : `${start} … ${end}`
}

const pieces = computed((): Piece[] => {
  const parts = diffWordsWithSpace(flat(props.before), flat(props.after))
  return parts.map(({ value, added, removed }, at) => {
    if (added) return { text: value, kind: 'only-after' }
    if (removed) return { text: value, kind: 'only-before' }
    return { text: shortened(value, at === 0, at === parts.length - 1), kind: 'same' }
  })
})
const sides = computed(() => [
  { name: props.names[0], tag: 'del', pieces: pieces.value.filter(({ kind }) => kind !== 'only-after') },
  { name: props.names[1], tag: 'ins', pieces: pieces.value.filter(({ kind }) => kind !== 'only-before') },
])
</script>

<template>
  <div class="sides" :class="{ stacked }">
    <div v-for="side in sides" :key="side.name">
      <span class="side">{{ side.name }}</span>
      <pre
        v-if="side.pieces.length > 0"
      ><template v-for="(piece, at) in side.pieces" :key="at"><component :is="side.tag" v-if="piece.kind !== 'same'">{{ piece.text }}</component><template v-else>{{ piece.text }}</template></template></pre>
      <p v-else class="quiet">nothing</p>
    </div>
  </div>
</template>

<style scoped>
.sides {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 10px;
}

.side {
  color: var(--slate);
  font-size: 12.5px;
}

pre,
p {
  margin: 2px 0 0;
}

pre {
  max-height: 240px;
  padding: 8px;
  overflow: auto;
  background: #fff;
  border: 1px solid var(--rule);
  font: 11.5px/1.5 var(--mono);
  white-space: pre-wrap;
  overflow-wrap: anywhere;
}

del {
  color: var(--brick);
  background: #f8e7e3;
}

ins {
  color: var(--pine);
  background: #e2efe8;
  font-weight: 600;
  text-decoration: none;
}

.stacked {
  grid-template-columns: minmax(0, 1fr);
}

@media (max-width: 820px) {
  .sides {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
