<script setup lang="ts">
import { type Account, ACCOUNTS } from '@viatica/core/existing/account.ts'
import { computed } from 'vue'
import { ACCOUNT_WORDS } from './words.ts'

/** What the bytes of all pages are: every one is accounted for. */
const props = defineProps<{ account: Readonly<Record<Account, number>> }>()

const total = computed(() => ACCOUNTS.reduce((sum, one) => sum + props.account[one], 0))
const rows = computed(() =>
  ACCOUNTS.map((name) => ({
    name,
    words: ACCOUNT_WORDS[name],
    percent: total.value === 0 ? 0 : (props.account[name] / total.value) * 100,
  })),
)
const rounded = (percent: number) => (percent > 0 && percent < 1 ? 'under 1 %' : `${Math.round(percent)} %`)
const bytes = new Intl.NumberFormat('en-GB')
</script>

<template>
  <div class="account">
    <p class="bar" aria-hidden="true">
      <span v-for="row in rows" :key="row.name" :class="row.name" :style="{ width: `${row.percent}%` }" />
    </p>
    <p class="legend">
      <span>{{ bytes.format(total) }} bytes of pages:</span>
      <span v-for="row in rows" :key="row.name">
        <span class="swatch" :class="row.name" aria-hidden="true" /> {{ rounded(row.percent) }}
        {{ row.words }}
      </span>
    </p>
  </div>
</template>

<style scoped>
.account {
  flex: 1 1 320px;
}

.bar {
  display: flex;
  height: 9px;
  margin: 0;
  overflow: hidden;
  background: var(--rule);
}

.legend {
  display: flex;
  flex-wrap: wrap;
  gap: 0 12px;
  margin: 2px 0 0;
  font-size: 12.5px;
}

.swatch {
  display: inline-block;
  width: 9px;
  height: 9px;
}

.literal {
  background: var(--moss);
}

.computed {
  background: var(--pine);
}

.content {
  background: var(--ochre);
}

.own {
  background: var(--brick);
}
</style>
