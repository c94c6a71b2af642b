<script setup lang="ts">
import { labelOf } from '@viatica/core/plan/entry.ts'
import { entryOf } from '@viatica/core/plan/plan.ts'
import { BOX_HEIGHT, BOX_WIDTH, structureOf } from '@viatica/core/structure/tree.ts'
import { computed } from 'vue'
import { useOpenSite } from '../../stores/openSite.ts'
import { type ChangeRow, SIGNS } from './changeRows.ts'

/** The structure of the site in small, with the pages that are new, changed or moved, and beside it those that go. */
const props = defineProps<{ rows: readonly ChangeRow[] }>()
const emit = defineEmits<{ look: [row: ChangeRow] }>()

const openSite = useOpenSite()
/** A larger picture would tell nothing at this size. */
const MOST = 400
/** A plan is wider than deep: its levels are drawn higher than in the structure. */
const STRETCH = 2.6
const HEIGHT = BOX_HEIGHT * STRETCH

const byPage = computed(
  () => new Map(props.rows.flatMap((row) => (row.after?.page ? [[row.after.page, row] as const] : []))),
)
const gone = computed(() => props.rows.filter(({ becomes, before }) => becomes === 'deleted' && before?.page))
const drawing = computed(() => structureOf(openSite.shown.plan, 'down'))
const boxes = computed(() =>
  drawing.value.boxes.map((box) => ({
    ...box,
    y: box.y * STRETCH,
    row: byPage.value.get(box.id),
    label: labelOf(entryOf(openSite.shown.plan, box.id)),
  })),
)
const byId = computed(() => new Map(boxes.value.map((box) => [box.id, box])))
const lines = computed(() =>
  boxes.value.flatMap((box) => {
    const above = box.parent === undefined ? undefined : byId.value.get(box.parent)
    return above ? [{ id: box.id, from: above, to: box }] : []
  }),
)
const words = computed(() => {
  const counts = [...byPage.value.values()].length
  return `Structure of the site: ${counts} of ${boxes.value.length} entries differ, ${gone.value.length} are deleted`
})
</script>

<template>
  <div v-if="byPage.size + gone.length > 0 && boxes.length <= MOST" class="picture">
    <svg
      :viewBox="`-4 -4 ${drawing.width + 8} ${drawing.height * STRETCH + 8}`"
      role="img"
      :aria-label="words"
    >
      <line
        v-for="line in lines"
        :key="line.id"
        :x1="line.from.x + BOX_WIDTH / 2"
        :y1="line.from.y + HEIGHT"
        :x2="line.to.x + BOX_WIDTH / 2"
        :y2="line.to.y"
      />
      <g
        v-for="box in boxes"
        :key="box.id"
        :class="box.row?.becomes ?? 'same'"
        @click="box.row && emit('look', box.row)"
      >
        <title>{{ box.label }}{{ box.row ? `: ${box.row.becomes}` : '' }}</title>
        <rect :x="box.x" :y="box.y" :width="BOX_WIDTH" :height="HEIGHT" />
        <text v-if="box.row" :x="box.x + BOX_WIDTH / 2" :y="box.y + HEIGHT / 2">
          {{ SIGNS[box.row.becomes] }}
        </text>
      </g>
    </svg>
    <p v-if="gone.length > 0" class="gone">
      Deleted: <code v-for="row in gone.slice(0, 6)" :key="row.before!.path">{{ row.before!.path }}</code>
      <template v-if="gone.length > 6">and {{ gone.length - 6 }} more</template>
    </p>
  </div>
</template>

<style scoped>
.picture {
  flex: none;
  margin-bottom: 8px;
  padding: 6px 8px;
  background: var(--card);
  border: 1px solid var(--rule);
}

svg {
  display: block;
  width: 100%;
  max-height: 150px;
}

line {
  stroke: var(--rule);
  stroke-width: 6;
}

rect {
  fill: #fff;
  stroke: #bdb79f;
  stroke-width: 6;
}

.added rect,
.changed rect,
.moved rect {
  fill: var(--pine);
  stroke: var(--pine);
}

.added,
.changed,
.moved {
  cursor: pointer;
}

text {
  fill: #fff;
  font: 700 84px var(--mono);
  text-anchor: middle;
  dominant-baseline: central;
}

.gone {
  margin: 4px 0 0;
}

.gone code {
  margin-right: 6px;
  color: var(--brick);
}
</style>
