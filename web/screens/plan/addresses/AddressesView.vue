<script setup lang="ts">
import { redirectsOf } from '@viatica/core/address/redirects.ts'
import { RadioGroup } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { useOpenSite } from '../../../stores/openSite.ts'
import AddressRules from './AddressRules.vue'
import RedirectList from './RedirectList.vue'

/** How files are named and where they stand, and what leads to addresses that were given out. */
const openSite = useOpenSite()
const part = ref<'rules' | 'redirects'>('rules')

const parts = computed(() => {
  const count = redirectsOf(openSite.shown).length
  return [
    { value: 'rules', label: 'Address settings' },
    { value: 'redirects', label: `Pins and redirects (${count})` },
  ]
})
</script>

<template>
  <div class="addresses">
    <RadioGroup v-model:value="part" class="parts" aria-label="Part" :options="parts" />
    <AddressRules v-if="part === 'rules'" class="part" />
    <RedirectList v-else class="part" />
  </div>
</template>

<style scoped>
.addresses {
  display: flex;
  flex-direction: column;
}

.parts {
  flex: none;
  margin-bottom: 8px;
}

.part {
  flex: 1;
  min-height: 0;
}

/* In a small window the settings and their effect scroll as one. */
@media (max-width: 820px) {
  .part {
    flex: none;
  }
}
</style>
