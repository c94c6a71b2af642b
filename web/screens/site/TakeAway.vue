<script setup lang="ts">
import { type Export, EXPORTS } from '@viatica/core/formats/exports.ts'
import IconChevronDown from '~icons/tabler/chevron-down'
import { computed } from 'vue'
import { sitesApi } from '../../api/sites.ts'
import MenuButton from '../../parts/MenuButton.vue'
import { useOpenSite } from '../../stores/openSite.ts'

const openSite = useOpenSite()

const WORDS: Readonly<Record<Export, string>> = {
  'archive.zip': 'The finished site (ZIP)',
  'site.json': 'A site file to open again (JSON, large sites ZIP)',
  'plan.opml': 'The plan as an outline (OPML)',
}
const urlOf = (name: Export) => sitesApi.exportUrl(openSite.id, name)

const exports = computed(() => EXPORTS.map((name) => ({ key: name, label: WORDS[name], href: urlOf(name) })))

const emit = defineEmits<{
  /** The finished site is downloaded: its addresses may be published now. */
  downloaded: []
}>()

function takeSite(event: Event): void {
  void holdBack(event)
  emit('downloaded')
}

/** What is taken away is what the server has: edits on their way must arrive first. */
async function holdBack(event: Event): Promise<void> {
  if (openSite.saveState === 'saved') return
  event.preventDefault()
  const { href } = event.currentTarget as HTMLAnchorElement
  if (await openSite.settle()) return location.assign(href)
  openSite.notice = 'Your last edits are not saved yet. Download again when “Saved” appears.'
}
</script>

<template>
  <div class="take-away">
    <a class="main" :href="urlOf('archive.zip')" download @click="takeSite">Download site</a>
    <MenuButton class="more" label="Export as …" :entries="exports" @act="(_, event) => holdBack(event)">
      <IconChevronDown width="16" height="16" aria-hidden="true" />
    </MenuButton>
  </div>
</template>

<style scoped>
.take-away {
  display: flex;
  margin-left: 4px;
  border: 1px solid #fff;
  border-radius: 3px;
}

.main {
  padding: 4px 10px;
  color: #fff;
  font-weight: 500;
  text-decoration: none;
  white-space: nowrap;
}

.take-away :deep(.more) {
  display: grid;
  place-items: center;
  padding: 0 5px;
  color: #fff;
  background: none;
  border: 0;
  border-left: 1px solid var(--moss);
  cursor: pointer;
}

.main:hover,
.take-away :deep(.more:hover) {
  background: rgb(255 255 255 / 18%);
}
</style>
