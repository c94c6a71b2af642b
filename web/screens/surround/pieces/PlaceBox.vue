<script setup lang="ts">
import { dropTargetForElements } from '@atlaskit/pragmatic-drag-and-drop/element/adapter'
import { pieceName } from '@viatica/core/plan/surround/piece.ts'
import { PLACE_NAMES } from '@viatica/core/plan/surround/place.ts'
import { PIECE_KINDS, type PieceKind } from '@viatica/core/plan/surround/piece.ts'
import type { Place } from '@viatica/core/plan/surround/place.ts'
import { rowsOf, standings } from '@viatica/core/plan/surround/surround.ts'
import { computed, onBeforeUnmount, onMounted, ref } from 'vue'
import { useSurrounding } from '../../../stores/surrounding.ts'
import MenuButton from '../../../parts/MenuButton.vue'
import PieceChip from './PieceChip.vue'

/** One of the five places, with its pieces in their rows. */
const props = defineProps<{ place: Place }>()

const surrounding = useSurrounding()
const element = ref<HTMLElement>()
const isOver = ref(false)

const pieces = computed(() => surrounding.surround.places[props.place])
const rows = computed(() => rowsOf(pieces.value))
/** A page has one first heading: where a piece is it, there is no second to add. */
const kinds = computed(() => {
  const hasHeading = [...standings(surrounding.surround)].some(({ piece }) => piece.kind === 'heading')
  return PIECE_KINDS.filter((kind) => kind !== 'heading' || !hasHeading)
})

let cleanup: (() => void) | undefined
onMounted(() => {
  cleanup = dropTargetForElements({
    element: element.value!,
    canDrop: ({ source }) => source.data['piece'] !== undefined,
    getData: () => ({ place: props.place }),
    onDragEnter: () => (isOver.value = true),
    onDragLeave: () => (isOver.value = false),
    onDrop: () => (isOver.value = false),
  })
})
onBeforeUnmount(() => cleanup?.())
</script>

<template>
  <section ref="element" class="place" :class="{ over: isOver }" :aria-label="PLACE_NAMES[place]">
    <header>
      <h2>{{ PLACE_NAMES[place] }}</h2>
      <MenuButton
        class="add"
        :label="`Add a piece: ${PLACE_NAMES[place]}`"
        :entries="kinds.map((kind) => ({ key: kind, label: pieceName(kind) }))"
        @act="(kind) => surrounding.add(kind as PieceKind, place)"
      >
        Add …
      </MenuButton>
    </header>
    <div v-for="row in rows" :key="row[0]!.id" class="row">
      <PieceChip
        v-for="piece in row"
        :key="piece.id"
        :piece="piece"
        :place="place"
        :at="pieces.indexOf(piece)"
      />
    </div>
    <p v-if="rows.length === 0" class="quiet">nothing here</p>
  </section>
</template>

<style scoped>
.place {
  min-width: 0;
  padding: 4px 8px 7px;
  background: #f1ecdd;
  border: 1px solid var(--rule);
}

.over {
  outline: 2px solid var(--pine);
}

header {
  display: flex;
  align-items: center;
  justify-content: space-between;
}

h2 {
  color: var(--slate);
  font-size: 13px;
}

header :deep(.add) {
  min-height: 24px;
  padding: 0 4px;
  color: var(--pine);
  background: none;
  border: 0;
  font: inherit;
  font-size: 13px;
  cursor: pointer;
}

.row {
  display: flex;
  gap: 5px;
  margin-top: 4px;
}

p {
  margin: 0;
  font-size: 13px;
}
</style>
