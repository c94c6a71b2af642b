<script setup lang="ts">
import IconMaximize from '~icons/tabler/maximize'
import IconMinus from '~icons/tabler/minus'
import IconPlus from '~icons/tabler/plus'
import { LINK_WAYS } from '@viatica/core/statistics/linkPicture.ts'
import { Checkbox, Spin } from 'ant-design-vue'
import { computed, onBeforeUnmount, ref } from 'vue'
import ChoiceField from '../../../parts/ChoiceField.vue'
import IconButton from '../../../parts/IconButton.vue'
import { useLinking } from '../../../stores/linking.ts'
import LinkMatrix from './LinkMatrix.vue'
import WaySwatch from './WaySwatch.vue'
import { WAY_WORDS } from './wayWords.ts'

/** All links of the site in one picture. */
const linking = useLinking()
const size = ref(12)
const matrix = ref<InstanceType<typeof LinkMatrix>>()

const sections = computed(() => [
  { value: '', label: 'every section' },
  ...(linking.picture?.pages ?? [])
    .filter(({ id, section }, at, all) => id === section || all[at - 1]?.section !== section)
    .map(({ section, label }) => ({ value: section, label })),
])

onBeforeUnmount(linking.keepUp())
</script>

<template>
  <div class="links">
    <div class="bar">
      <Checkbox
        v-for="way in LINK_WAYS"
        :key="way"
        :checked="linking.ways.has(way)"
        @change="linking.toggle(way)"
        ><WaySwatch :way="way" /> {{ WAY_WORDS[way] }}</Checkbox
      >
    </div>
    <div class="bar">
      <label for="from-section">From</label>
      <ChoiceField
        id="from-section"
        class="section"
        :value="linking.fromSection"
        :options="sections"
        @change="(value) => (linking.fromSection = value)"
      />
      <label for="to-section">to</label>
      <ChoiceField
        id="to-section"
        class="section"
        :value="linking.toSection"
        :options="sections"
        @change="(value) => (linking.toSection = value)"
      />
      <span class="quiet"
        >{{ linking.rows.length }} by {{ linking.columns.length }} pages,
        {{ (linking.picture?.links ?? 0).toLocaleString('en') }} links</span
      >
      <IconButton :icon="IconMinus" title="Smaller (-)" label="Smaller" @click="matrix?.zoom(-2)" />
      <IconButton :icon="IconPlus" title="Larger (+)" label="Larger" @click="matrix?.zoom(2)" />
      <IconButton :icon="IconMaximize" label="The whole picture" @click="matrix?.fit()" />
    </div>
    <LinkMatrix v-if="linking.picture" ref="matrix" v-model:size="size" />
    <Spin v-else tip="The links are counted"><div class="spin" /></Spin>
  </div>
</template>

<style scoped>
.links {
  display: flex;
  flex: 1;
  flex-direction: column;
  gap: 8px;
  min-height: 0;
}

.bar {
  display: flex;
  flex: none;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
}

.bar :deep(.ant-checkbox-wrapper) {
  white-space: nowrap;
}

.section {
  width: 132px;
}

.bar .quiet {
  flex: 1;
  text-align: right;
}

.spin {
  height: 40vh;
}
</style>
