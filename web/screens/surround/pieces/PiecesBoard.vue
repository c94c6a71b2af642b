<script setup lang="ts">
import { monitorForElements } from '@atlaskit/pragmatic-drag-and-drop/element/adapter'
import { extractClosestEdge } from '@atlaskit/pragmatic-drag-and-drop-hitbox/closest-edge'
import type { Place } from '@viatica/core/plan/surround/place.ts'
import { onBeforeUnmount, onMounted } from 'vue'
import { useSurrounding } from '../../../stores/surrounding.ts'
import PlaceBox from './PlaceBox.vue'

/** A page as a plan of its places, with the pieces that stand in them. */
const surrounding = useSurrounding()

let stopMonitor: (() => void) | undefined
onMounted(() => {
  stopMonitor = monitorForElements({
    canMonitor: ({ source }) => source.data['piece'] !== undefined,
    onDrop({ source, location }) {
      const target = location.current.dropTargets[0]
      if (!target) return
      const piece = source.data['piece'] as string
      const place = target.data['place'] as Place
      const edge = extractClosestEdge(target.data)
      const others = surrounding.surround.places[place].filter(({ id }) => id !== piece)
      const before = others.findIndex(({ id }) => id === target.data['beforePiece'])
      const at = before < 0 ? others.length : before + (edge === 'top' ? 0 : 1)
      surrounding.move({ piece, place, at, beside: edge === 'right' })
      surrounding.pieceId = piece
    },
  })
})
onBeforeUnmount(() => stopMonitor?.())
</script>

<template>
  <div class="board">
    <PlaceBox place="header" class="header" />
    <PlaceBox place="side" class="side" />
    <PlaceBox place="before" class="before" />
    <p class="content">the main content of each page</p>
    <PlaceBox place="after" class="after" />
    <PlaceBox place="footer" class="footer" />
  </div>
</template>

<style scoped>
.board {
  display: grid;
  grid-template: 'header header' auto 'side before' auto 'side content' auto 'side after' auto 'footer footer' auto / 1fr 2fr;
  gap: 4px;
}

.header {
  grid-area: header;
}

.side {
  grid-area: side;
}

.before {
  grid-area: before;
}

.after {
  grid-area: after;
}

.footer {
  grid-area: footer;
}

.content {
  display: grid;
  grid-area: content;
  place-items: center;
  min-height: 34px;
  margin: 0;
  color: var(--slate);
  background: repeating-linear-gradient(-45deg, #fffdf7 0 8px, #f6f3ea 8px 16px);
  border: 1px solid var(--rule);
}
</style>
