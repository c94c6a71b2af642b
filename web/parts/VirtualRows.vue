<script setup lang="ts" generic="Row">
import { useVirtualizer } from '@tanstack/vue-virtual'
import { computed, ref } from 'vue'

/** A long list of which only what is in sight is drawn. Every row has the same height. */
const props = defineProps<{ rows: readonly Row[]; rowHeight: number; label: string }>()

const element = ref<HTMLElement>()
const virtualizer = useVirtualizer(
  computed(() => ({
    count: props.rows.length,
    getScrollElement: () => element.value ?? null,
    estimateSize: () => props.rowHeight,
    overscan: 6,
  })),
)
const drawn = computed(() =>
  virtualizer.value.getVirtualItems().flatMap(({ index, start }) => {
    const row = props.rows[index]
    return row === undefined ? [] : [{ row, index, start }]
  }),
)
</script>

<template>
  <div ref="element" class="rows" role="list" :aria-label="label" tabindex="0">
    <div role="none" class="all" :style="{ height: `${virtualizer.getTotalSize()}px` }">
      <div
        v-for="{ row, index, start } in drawn"
        :key="index"
        role="listitem"
        class="row"
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
