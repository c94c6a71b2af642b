<script setup lang="ts">
import { valueFor } from '@viatica/core/standard/present.ts'
import { refAutoReset } from '@vueuse/core'
import IconCheck from '~icons/tabler/check'
import IconCopy from '~icons/tabler/copy'
import { addressesOf } from '@viatica/core/address/addresses.ts'
import { pageSources } from '@viatica/core/compare/pages.ts'
import type { EntryId } from '@viatica/core/plan/ids.ts'
import { isWritten } from '@viatica/core/plan/site.ts'
import { createPageWriter } from '@viatica/core/render/pageWriter.ts'
import { Button } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { sitesApi } from '../../../api/sites.ts'
import EntryField from '../../../parts/EntryField.vue'
import SourceLines, { type ShownLine } from '../../../parts/SourceLines.vue'
import { useChosen } from '../../../stores/chosen.ts'
import { useOpenSite } from '../../../stores/openSite.ts'
import { thisYear } from '@viatica/core/standard/date.ts'

/** A page's source as a visitor would get it, with its parts told apart. */
const openSite = useOpenSite()
const chosen = useChosen()

const site = computed(() => openSite.shown)
const isPage = (id: EntryId) => isWritten(site.value, site.value.plan.entries.get(id))
const page = computed(() => (isPage(chosen.id) ? chosen.id : site.value.plan.home))
const path = computed(() => valueFor(addressesOf(site.value).paths, page.value))
const html = computed(() => createPageWriter(site.value, thisYear()).page(page.value))
const lines = computed(() => pageSources(site.value, thisYear()).lines(page.value))
const shown = computed(() =>
  lines.value.map(({ text, region, isOwn }, n): ShownLine => ({
    text,
    beside: lines.value[n - 1]?.region === region ? '' : region,
    tone: isOwn ? 'own' : undefined,
  })),
)

/** The parts of the page in their order, each with the line that it begins at. */
const parts = computed(() => {
  const first = new Map<string, { line: number; isOwn: boolean }>()
  lines.value.forEach(({ region, isOwn }, line) => first.has(region) || first.set(region, { line, isOwn }))
  return [...first]
})

const source = ref<HTMLElement>()
function show(line: number): void {
  source.value?.querySelectorAll('li')[line]?.scrollIntoView({ block: 'start' })
}

const isCopied = refAutoReset(false, 2000)
async function copy(): Promise<void> {
  await navigator.clipboard.writeText(html.value)
  isCopied.value = true
}
</script>

<template>
  <div class="board">
    <div class="choice">
      <EntryField
        class="entry"
        label="Page"
        :site="site"
        :can-choose="isPage"
        :model-value="page"
        @update:model-value="(id) => chosen.choose(id)"
      />
      <code class="path">{{ path }}</code>
      <Button @click="copy">
        <component :is="isCopied ? IconCheck : IconCopy" width="15" height="15" aria-hidden="true" />
        {{ isCopied ? 'Copied' : 'Copy' }}
      </Button>
      <a :href="sitesApi.previewUrl(openSite.id, path)" target="_blank" rel="noopener">Open full size</a>
    </div>
    <nav class="parts" aria-label="Parts of the page">
      <button
        v-for="[region, { line, isOwn }] in parts"
        :key="region"
        type="button"
        :class="{ own: isOwn }"
        @click="show(line)"
      >
        {{ region }}
      </button>
      <span class="quiet">green: the page’s own; grey: the same on every page, but for marks and paths</span>
    </nav>
    <section ref="source" class="source" tabindex="0" aria-label="Source of the page">
      <SourceLines :lines="shown" />
    </section>
  </div>
</template>

<style scoped>
.board {
  display: flex;
  flex: 1;
  flex-direction: column;
  min-height: 0;
}

.choice {
  display: flex;
  align-items: flex-end;
  gap: 14px;
  margin-bottom: 8px;
}

.choice > :not(.entry) {
  margin-bottom: 5px;
}

.entry {
  position: relative;
  width: 320px;
  margin: 0;
}

.entry :deep(.options) {
  position: absolute;
  right: 0;
  left: 0;
  z-index: 3;
}

.parts {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 6px;
  margin-bottom: 8px;
}

.parts button {
  padding: 0 7px;
  color: inherit;
  background: none;
  border: 1px solid var(--rule);
  border-radius: 3px;
  font: inherit;
  cursor: pointer;
}

.parts button:hover {
  background: rgb(29 43 42 / 8%);
}

.parts .own {
  border-color: var(--pine);
}

.quiet {
  margin-left: 8px;
  font-size: 13px;
}

.source {
  flex: 1;
  min-height: 0;
  padding: 6px 0;
  overflow: auto;
  background: var(--card);
  border: 1px solid var(--rule);
}
</style>
