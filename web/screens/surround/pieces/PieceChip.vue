<script setup lang="ts">
import IconAlertTriangle from '~icons/tabler/alert-triangle'
import { pieceWarnings } from '@viatica/core/pieces/warnings.ts'
import type { Place } from '@viatica/core/plan/surround/place.ts'
import type { Piece } from '@viatica/core/plan/surround/piece.ts'
import { pieceName } from '@viatica/core/plan/surround/piece.ts'
import { menuOf } from '@viatica/core/plan/surround/surround.ts'
import { computed, nextTick, ref } from 'vue'
import { useOpenSite } from '../../../stores/openSite.ts'
import { useSurrounding } from '../../../stores/surrounding.ts'
import { usePieceDrag } from './pieceDrag.ts'
import { SHAPE_WORDS } from './shapeWords.ts'

const props = defineProps<{ piece: Piece; place: Place; at: number }>()

const openSite = useOpenSite()
const surrounding = useSurrounding()
const element = ref<HTMLElement>()
const edge = usePieceDrag(element, () => props)

const warnings = computed(() => pieceWarnings(openSite.shown, props.piece))

/** What it holds, in a few words. */
function contentOf(piece: Piece): string {
  switch (piece.kind) {
    case 'menu':
      return `${menuOf(surrounding.surround, piece.menu)?.name ?? 'gone'}, ${SHAPE_WORDS[piece.shape]}`
    case 'links':
      return piece.links.map(({ label }) => label).join(', ')
    case 'columns':
      return piece.columns.map(({ heading }) => heading).join(', ')
    case 'text':
      return piece.text
    case 'contact':
    case 'address':
      return piece.lines
    case 'copyright':
      return piece.holder
    case 'brand':
    case 'banner':
    case 'breadcrumb':
    case 'heading':
    case 'pager':
    case 'html':
      return ''
  }
}
const about = computed(() => contentOf(props.piece))

/** Keys that move a piece about; each has a button in the details. */
function press(event: KeyboardEvent): void {
  const { id } = props.piece
  if (event.altKey && event.key === 'ArrowUp') surrounding.step(id, 'up')
  else if (event.altKey && event.key === 'ArrowDown') surrounding.step(id, 'down')
  else if (event.altKey && (event.key === 'ArrowRight' || event.key === 'ArrowLeft'))
    surrounding.move({ piece: id, place: props.place, at: props.at, beside: event.key === 'ArrowRight' })
  else if (event.key === 'Delete') return void surrounding.remove(id)
  else return
  event.preventDefault()
  event.stopPropagation()
  // In another row it is drawn anew.
  void nextTick(() => surrounding.focusInList(id))
}
</script>

<template>
  <button
    ref="element"
    type="button"
    class="chip"
    :class="edge && `edge-${edge}`"
    :data-piece="piece.id"
    @click="surrounding.pieceId = piece.id"
    @keydown="press"
    @focus="surrounding.pointedAt = piece.id"
    @blur="surrounding.pointedAt = ''"
    @mouseenter="surrounding.pointedAt = piece.id"
    @mouseleave="surrounding.pointedAt = ''"
  >
    <b>{{ pieceName(piece.kind) }}</b>
    <span v-if="about" class="quiet about">{{ about }}</span>
    <IconAlertTriangle
      v-if="warnings.length > 0"
      width="15"
      height="15"
      class="warning"
      role="img"
      :aria-label="warnings.length === 1 ? '1 warning' : `${warnings.length} warnings`"
    />
  </button>
</template>

<style scoped>
.chip {
  display: flex;
  align-items: center;
  gap: 8px;
  width: 100%;
  min-width: 0;
  height: 27px;
  padding: 0 9px;
  overflow: hidden;
  color: inherit;
  background: var(--card);
  border: 1px solid #bdb79f;
  border-radius: 3px;
  font: inherit;
  text-align: left;
  white-space: nowrap;
  cursor: pointer;
}

.chip:hover {
  border-color: var(--pine);
}

.about {
  overflow: hidden;
  text-overflow: ellipsis;
}

b {
  font-weight: 600;
}

.warning {
  flex: none;
  margin-left: auto;
  color: var(--brick);
}

.edge-top {
  box-shadow: 0 -3px 0 var(--pine);
}

.edge-bottom {
  box-shadow: 0 3px 0 var(--pine);
}

.edge-right {
  box-shadow: 3px 0 0 var(--pine);
}
</style>
