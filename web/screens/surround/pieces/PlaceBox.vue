<script setup lang="ts">
import { pieceName } from '@viatica/core/plan/surround/piece.ts'
import { PLACE_NAMES } from '@viatica/core/plan/surround/place.ts'
import { PIECE_KINDS, type PieceKind } from '@viatica/core/plan/surround/piece.ts'
import type { Place } from '@viatica/core/plan/surround/place.ts'
import { rowsOf, standings } from '@viatica/core/plan/surround/surround.ts'
import { computed, ref } from 'vue'
import { useSurrounding } from '../../../stores/surrounding.ts'
import MenuButton from '../../../parts/MenuButton.vue'
import PieceChip from './PieceChip.vue'
import { usePlaceDrop } from './pieceDrag.ts'

/** One of the five places, with its pieces in their rows. */
const props = defineProps<{ place: Place }>()

const surrounding = useSurrounding()
const element = ref<HTMLElement>()
const isOver = usePlaceDrop(element, () => props.place)

const pieces = computed(() => surrounding.pieces.places[props.place])
const rows = computed(() => rowsOf(pieces.value))
/** A page has one first heading: where a piece is it, there is no second to add. */
const kinds = computed(() => {
  const hasHeading = [...standings(surrounding.pieces)].some(({ piece }) => piece.kind === 'heading')
  return PIECE_KINDS.filter((kind) => kind !== 'heading' || !hasHeading)
})
</script>

<template>
  <section ref="element" class="place" :class="{ over: isOver }" :aria-label="PLACE_NAMES[place]">
    <header>
      <h3>{{ PLACE_NAMES[place] }}</h3>
      <MenuButton
        class="add"
        :label="`Add a piece: ${PLACE_NAMES[place]}`"
        :entries="kinds.map((kind) => ({ key: kind, label: pieceName(kind) }))"
        @act="(kind) => surrounding.add(kind as PieceKind, place)"
      >
        Add …
      </MenuButton>
    </header>
    <div v-for="row in rows" :key="row[0]!.id" class="row" :class="{ shared: row.length > 1 }">
      <PieceChip
        v-for="piece in row"
        :key="piece.id"
        :piece="piece"
        :place="place"
        :at="pieces.indexOf(piece)"
      />
    </div>
  </section>
</template>

<style scoped>
.place {
  min-width: 0;
  padding: 1px 0 3px;
}

.over {
  outline: 2px solid var(--pine);
}

header {
  display: flex;
  align-items: center;
  justify-content: space-between;
}

h3 {
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
  display: grid;
  gap: 2px;
  margin-top: 2px;
}

/* Pieces of one row are held together by a line at their side. */
.shared {
  padding-left: 5px;
  border-left: 3px solid var(--pine);
}
</style>
