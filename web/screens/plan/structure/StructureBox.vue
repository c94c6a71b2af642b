<script setup lang="ts">
import { type Entry, labelOf } from '@viatica/core/plan/entry.ts'
import { type Box, BOX_HEIGHT, BOX_WIDTH } from '@viatica/core/structure/tree.ts'
import { computed } from 'vue'
import { COLOURS } from '../../../theme/tokens.ts'
import { fitText } from './fitText.ts'

/**
 * An entry as an arm of a fingerpost; a group is a plain board. Drawn by attributes alone, so that it looks the same in
 * a file of its own.
 */
const props = defineProps<{
  box: Box
  entry: Entry
  isChosen: boolean
  /** Seen from afar: without words. */
  isSmall: boolean
}>()

const POINT = 13
const [w, h] = [BOX_WIDTH, BOX_HEIGHT]
const ARM = `M.5 .5H${w - POINT}L${w - 0.5} ${h / 2}L${w - POINT} ${h - 0.5}H.5Z`
const BOARD = `M.5 .5H${w - 0.5}V${h - 0.5}H.5Z`

const word = computed(() => (props.entry.kind === 'page' ? props.entry.state : props.entry.kind))
const label = computed(() => fitText(labelOf(props.entry), '500 13.5px Barlow, sans-serif', w - POINT - 26))
const about = computed(() => word.value + (props.entry.inMenu ? '' : ', not in menus'))
const stroke = computed(() =>
  props.isChosen ? COLOURS.ochre : props.entry.inMenu ? COLOURS.pine : COLOURS.slate,
)
const fill = computed(() => (props.isChosen ? '#FAEECB' : props.entry.inMenu ? COLOURS.card : '#E9E5D8'))
</script>

<template>
  <g :transform="`translate(${box.x} ${box.y})`">
    <path
      class="shape"
      :d="entry.kind === 'page' ? ARM : BOARD"
      :fill="fill"
      :stroke="stroke"
      :stroke-width="isChosen ? 2.5 : 1.4"
      :stroke-dasharray="word === 'planned' ? '4 3' : undefined"
    />
    <template v-if="!isSmall">
      <g transform="translate(9 8)" :stroke="COLOURS.pine" fill="none" stroke-width="1.6">
        <circle v-if="word === 'planned'" cx="6" cy="6" r="5" stroke-dasharray="2 1.9" />
        <template v-else-if="word === 'draft'">
          <circle cx="6" cy="6" r="5" />
          <path d="M6 1a5 5 0 0 0 0 10z" :fill="COLOURS.pine" />
        </template>
        <circle v-else-if="word === 'ready'" cx="6" cy="6" r="5" :fill="COLOURS.pine" />
        <path v-else-if="word === 'group'" d="M0 6H12" :stroke="COLOURS.slate" stroke-width="5" />
        <path v-else d="M2.5 10 9 3M4 3H9V8" :stroke="COLOURS.slate" />
      </g>
      <!-- The whole name stands in the title of the box. -->
      <text
        aria-hidden="true"
        x="28"
        y="17"
        font-family="Barlow, sans-serif"
        font-size="13.5"
        font-weight="500"
        :fill="COLOURS.ink"
      >
        {{ label }}
      </text>
      <text
        aria-hidden="true"
        x="28"
        y="31"
        font-family="Barlow, sans-serif"
        font-size="11.5"
        fill="#4F5E5D"
        >{{ about }}</text
      >
    </template>
  </g>
</template>
