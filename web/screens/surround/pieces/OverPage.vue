<script setup lang="ts">
import { type Place, PLACES } from '@viatica/core/plan/surround/place.ts'
import { type Standing, standings } from '@viatica/core/plan/surround/surround.ts'
import { computed } from 'vue'
import type { LaidOut, Rectangle } from '../../../parts/laidOut.ts'
import { openDetails } from '../../../parts/panels.ts'
import { useSurrounding } from '../../../stores/surrounding.ts'
import PieceOnPage from './PieceOnPage.vue'
import PlaceOnPage from './PlaceOnPage.vue'
import { usePieceDrops } from './pieceDrag.ts'

/** What lies over the page: a frame around each piece, and while one is dragged where the places are. */
const props = defineProps<{ chooses: 'piece' | 'menu'; scale: number; laidOut: LaidOut }>()

/** How much of the page an empty place takes while something is dragged, in pixels of the screen. */
const EMPTY = 34

const surrounding = useSurrounding()
const isDragging = usePieceDrops()

const scaled = ({ x, y, width, height }: Rectangle): Rectangle => ({
  x: x * props.scale,
  y: y * props.scale,
  width: width * props.scale,
  height: height * props.scale,
})

/** Pieces that show nothing on this page have no place on it. */
const pieces = computed(() => {
  const at = new Map(props.laidOut.pieces.map((piece) => [piece.id, piece.at]))
  return [...standings(surrounding.pieces)].flatMap((standing) => {
    const { piece } = standing
    const found = at.get(piece.id)
    if (!found || (props.chooses === 'menu' && piece.kind !== 'menu')) return []
    return [{ standing, at: scaled(found) }]
  })
})

const around = (all: readonly Rectangle[]): Rectangle | undefined => {
  if (all.length === 0) return undefined
  const x = Math.min(...all.map((one) => one.x))
  const y = Math.min(...all.map((one) => one.y))
  const right = Math.max(...all.map((one) => one.x + one.width))
  const bottom = Math.max(...all.map((one) => one.y + one.height))
  return { x, y, width: right - x, height: bottom - y }
}

/** Where each place is; one with nothing in it is where the first piece would come. */
const places = computed(() => {
  const page = scaled({ x: 0, y: 0, width: 0, height: props.laidOut.height })
  const content = props.laidOut.content && scaled(props.laidOut.content)
  const { x, y, width, height } = content ?? page
  const empty: Readonly<Record<Place, Rectangle>> = {
    header: { x, y: 0, width, height: EMPTY },
    side: { x: Math.max(0, x - 2 * EMPTY), y, width: 2 * EMPTY, height: Math.min(height, 8 * EMPTY) },
    before: { x, y, width, height: EMPTY },
    after: { x, y: y + height - EMPTY, width, height: EMPTY },
    footer: { x, y: Math.max(0, page.height - EMPTY), width, height: EMPTY },
  }
  return PLACES.map((place) => {
    const filled = around(
      pieces.value.filter(({ standing }) => standing.place === place).map((piece) => piece.at),
    )
    return { place, at: filled ?? empty[place], isEmpty: !filled }
  })
})

const isChosen = ({ piece }: Standing) =>
  props.chooses === 'menu'
    ? piece.kind === 'menu' && piece.menu === surrounding.menu?.id
    : piece.id === surrounding.pieceId

function choose({ piece }: Standing): void {
  if (props.chooses === 'piece') surrounding.pieceId = piece.id
  else if (piece.kind === 'menu') surrounding.menuId = piece.menu
  openDetails()
}
</script>

<template>
  <!-- The list says and does all of this by keyboard and to those who hear it. -->
  <div class="layer" aria-hidden="true" @click="surrounding.pieceId = ''">
    <template v-if="isDragging">
      <PlaceOnPage v-for="place in places" :key="place.place" v-bind="place" />
    </template>
    <PieceOnPage
      v-for="{ standing, at } in pieces"
      :key="standing.piece.id"
      :standing="standing"
      :at="at"
      :is-chosen="isChosen(standing)"
      :is-pointed-at="surrounding.pointedAt === standing.piece.id"
      @click.stop="choose(standing)"
    />
  </div>
</template>

<style scoped>
.layer {
  position: absolute;
  inset: 0;
}
</style>
