<script setup lang="ts">
import type { EntryId } from '@viatica/core/plan/ids.ts'
import type { Plan } from '@viatica/core/plan/plan.ts'
import { type Box, connection, type Structure } from '@viatica/core/structure/tree.ts'
import { computed } from 'vue'
import { COLOURS } from '../../../theme/tokens.ts'
import StructureBox from './StructureBox.vue'

/** The whole structure, or a tile of it, as a drawing of its own: for a file and for paper. */
const props = defineProps<{
  plan: Plan
  structure: Structure
  /** What part of the sheet is shown: x, y, width and height. */
  part: readonly [number, number, number, number]
  title: string
}>()

const byId = computed(() => new Map(props.structure.boxes.map((box) => [box.id, box])))
const NO_ENTRY: EntryId = ''

function touches(box: Box): boolean {
  const [x, y, width, height] = props.part
  return box.x < x + width && box.y < y + height && box.x + 180 > x && box.y + 50 > y
}
const drawn = computed(() => props.structure.boxes.filter(touches))
</script>

<template>
  <svg
    xmlns="http://www.w3.org/2000/svg"
    :viewBox="part.join(' ')"
    :width="part[2]"
    :height="part[3]"
    role="img"
    :aria-label="title"
  >
    <title>{{ title }}</title>
    <g fill="none" stroke="#9FB8AD" stroke-width="2">
      <path
        v-for="box in structure.boxes.filter((one) => one.parent !== undefined)"
        :key="box.id"
        :d="connection(byId.get(box.parent ?? NO_ENTRY)!, box, structure.direction)"
      />
    </g>
    <StructureBox
      v-for="box in drawn"
      :key="box.id"
      :box="box"
      :entry="plan.entries.get(box.id)!"
      :is-chosen="false"
      :is-small="false"
    />
    <template v-for="box in drawn" :key="`${box.id} folded`">
      <text
        v-if="box.folded > 0"
        :x="box.x + 150"
        :y="box.y + 34"
        font-family="Barlow, sans-serif"
        font-size="11.5"
        text-anchor="end"
        :fill="COLOURS.slate"
      >
        and {{ box.folded }} under it
      </text>
    </template>
  </svg>
</template>
