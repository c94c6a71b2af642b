<script setup lang="ts">
import type { HeadFiles } from '@viatica/core/plan/surround/rules.ts'
import { Checkbox } from 'ant-design-vue'
import { computed } from 'vue'
import { useSurrounding } from '../../../stores/surrounding.ts'
import { useOpenSite } from '../../../stores/openSite.ts'
import HeadFileList from './HeadFileList.vue'

/** The style sheets and scripts of every page, in their order: ours, and the author's own. */
const openSite = useOpenSite()
const surrounding = useSurrounding()
const rule = computed(() => surrounding.pieces.headFiles)

function set(fields: Partial<HeadFiles>): void {
  openSite.notice = surrounding.setRule('headFiles', { ...rule.value, ...fields }) ?? ''
}
</script>

<template>
  <section class="head" aria-label="Style sheets and scripts of every page">
    <HeadFileList
      label="Style sheets of every page"
      kind="style"
      :files="rule.styles"
      :save="(styles) => surrounding.setRule('headFiles', { ...rule, styles })"
    >
      <Checkbox :checked="rule.ourStyles" @change="set({ ourStyles: $event.target.checked })"
        >the one made under Design</Checkbox
      >
    </HeadFileList>
    <HeadFileList
      label="Scripts of every page"
      kind="script"
      :files="rule.scripts"
      :save="(scripts) => surrounding.setRule('headFiles', { ...rule, scripts })"
    >
      <Checkbox :checked="rule.ourScript" @change="set({ ourScript: $event.target.checked })"
        >the one that opens submenus and collapses menus</Checkbox
      >
    </HeadFileList>
  </section>
</template>

<style scoped>
.head {
  display: grid;
  flex: none;
  grid-template-columns: 1fr 1fr;
  gap: 20px;
  max-height: 300px;
  overflow-y: auto;
}

@media (max-width: 820px) {
  .head {
    grid-template-columns: minmax(0, 1fr);
    max-height: none;
  }
}
</style>
