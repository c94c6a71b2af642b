<script setup lang="ts" generic="Row">
import { defaultRangeExtractor, useVirtualizer } from '@tanstack/vue-virtual'
import { computed, nextTick, ref } from 'vue'

/** A long list of which only what is in sight is drawn. Every row has the same height. */
const props = defineProps<{
  rows: readonly Row[]
  rowHeight: number
  label: string
  /** The row that holds the focus of the list: it is drawn wherever the list is scrolled to. */
  lead?: number
  /** What tells a row from all others, where rows come and go above one that has the focus. */
  keyOf?: (row: Row) => string
}>()

const element = ref<HTMLElement>()
const virtualizer = useVirtualizer(
  computed(() => ({
    count: props.rows.length,
    getScrollElement: () => element.value ?? null,
    estimateSize: () => props.rowHeight,
    overscan: 6,
    rangeExtractor: (range: Parameters<typeof defaultRangeExtractor>[0]) => {
      const places = new Set(defaultRangeExtractor(range))
      if (props.lead !== undefined && props.lead >= 0) places.add(props.lead)
      return [...places].sort((a, b) => a - b)
    },
  })),
)
const drawn = computed(() =>
  virtualizer.value.getVirtualItems().flatMap(({ index, start }) => {
    const row = props.rows[index]
    return row === undefined ? [] : [{ row, index, start }]
  }),
)

/** Brings a row into sight, and the focus to what can have it there. */
async function focusRow(index: number): Promise<void> {
  await nextTick()
  virtualizer.value.scrollToIndex(index)
  await nextTick()
  element.value?.querySelector<HTMLElement>(`[data-row="${index}"] button`)?.focus()
}

defineExpose({ focusRow })
</script>

<template>
  <div ref="element" class="rows" role="list" :aria-label="label" :tabindex="lead === undefined ? 0 : -1">
    <div role="none" class="all" :style="{ height: `${virtualizer.getTotalSize()}px` }">
      <div
        v-for="{ row, index, start } in drawn"
        :key="keyOf ? keyOf(row) : index"
        role="listitem"
        class="row"
        :data-row="index"
        :aria-setsize="rows.length"
        :aria-posinset="index + 1"
        :style="{ height: `${rowHeight}px`, transform: `translateY(${start}px)` }"
      >
        <slot :row="row" :index="index" />
      </div>
    </div>
  </div>
</template>

<style scoped>
.rows {
  min-height: 0;
  overflow-y: auto;
}

.all {
  position: relative;
}

.row {
  position: absolute;
  top: 0;
  left: 0;
  width: 100%;
}
</style>
